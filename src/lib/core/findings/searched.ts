import { contentStemsOf } from '../text';
import type { PhraseAbout } from '../keywords';
import type { PageWork } from '../reading';
import type { AskedQuestion } from './questions';
import type { OwnTopic } from './topics';

/** Name under which the writer is a source of questions. */
export const OWN_AS_SOURCE = 'own';

/** Name under which keyword lists are a source of questions. */
export const LISTS_AS_SOURCE = 'keyword-lists';

export function askedInLists(listed: readonly PhraseAbout[]): AskedQuestion[] {
	return listed
		.filter(({ phrase }) => ASKS.test(phrase))
		.map(({ phrase, volume }) => ({ text: phrase, source: LISTS_AS_SOURCE, volume }));
}

/** "How to" is a keyword as often as a question, so it does not count. */
const ASKS =
	/^(?:how (?!to\b)|what |why |when |where |which |who |can |do |does |is |are |should |will )/i;
/**
 * Phrases of keyword lists that are about the keyword and bring a word that no page has in its
 * title or a heading, though people search for it; most searched first.
 */
export function searchedTopics(
	listed: readonly PhraseAbout[],
	pages: readonly PageWork[],
	keyword: string
): OwnTopic[] {
	const treated = new Set(
		pages.flatMap(({ units }) =>
			units
				.filter(({ place }) => place !== 'body' && place !== 'faq')
				.flatMap(({ text }) => contentStemsOf(text))
		)
	);
	for (const stem of contentStemsOf(keyword)) treated.add(stem);
	return listed
		.filter(({ phrase }) => !ASKS.test(phrase) && /\p{L}/u.test(phrase))
		.filter(({ phrase }) => contentStemsOf(phrase).some((stem) => !treated.has(stem)))
		.sort((a, b) => (b.volume ?? -1) - (a.volume ?? -1) || (a.phrase < b.phrase ? -1 : 1))
		.slice(0, 12)
		.map(({ phrase, volume }) => ({ id: `own:${phrase}`, label: phrase, at: [], volume }));
}
