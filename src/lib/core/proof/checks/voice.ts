import { measureVoice, type Voice } from '../../clients';
import { rewordSentence } from '../../writers';
import type { ArticleCheck, ArticleFinding } from '../mark';
import { findingIn, ofArticle, placedIn, runningText, sentencesIn } from '../places';

/** Words from which a voice says something, in the samples and in the text. */
const SPOKEN_WORDS = 150;
/** Words by which the middle length may lie outside the client's middle half. */
const NEAR = 2;
/** Uses in the samples from which a habit counts as one. */
const HABIT = 4;
/** Share of one form among both from which a client is said to write it. */
const MOSTLY = 0.75;
/** Sentences that are shown of each habit at most. */
const MOST_SHOWN = 3;

const PERSON_WORDS = { I: 'I', we: 'we', you: 'you', they: 'they' } as const;

/**
 * Holds a text against the client's own samples: length of its sentences, whom it speaks to, contractions.
 * Silent without samples of 150 words, and for a text under 150 words.
 */
export function voiceCheck(client: Voice): ArticleCheck {
	return {
		id: 'voice',
		reads: 'reading',
		look: (article) => {
			if (client.words < SPOKEN_WORDS) return [];
			const running = runningText(article, true);
			const text = running.map(({ block }) => block.text).join('\n');
			const own = measureVoice([{ name: '', text }]);
			if (own.words < SPOKEN_WORDS) return [];
			const found: ArticleFinding[] = [];
			const { lower, upper } = client.sentenceWords;
			const { median } = own.sentenceWords;
			if (median > upper + NEAR || median < lower - NEAR)
				found.push(
					ofArticle({
						about: 'length',
						reason: `Half of its sentences have ${median > upper ? 'over' : 'under'} ${median} words; half of the client’s have ${lower} to ${upper}`
					})
				);
			const { person } = client;
			if (
				person !== null &&
				client.persons[person].count >= HABIT &&
				own.persons[person].count === 0
			)
				found.push(
					ofArticle({
						about: 'person',
						reason: `It never says “${PERSON_WORDS[person]}”; the client’s own texts do in ${client.persons[person].sentences.length} of ${client.sentences} sentences`
					})
				);
			return [...found, ...contractionsIn(client, running)];
		}
	};
}

function contractionsIn(client: Voice, running: ReturnType<typeof runningText>): ArticleFinding[] {
	const short = client.contractions.count;
	const full = client.uncontracted.count;
	if (short + full < HABIT) return [];
	const share = short / (short + full);
	if (share < MOSTLY && share > 1 - MOSTLY) return [];
	const way = share >= MOSTLY ? 'contracted' : 'in full';
	const found = running.flatMap(({ block, at }) =>
		sentencesIn(block).flatMap((sentence): ArticleFinding[] => {
			const said = rewordSentence(sentence.text, way);
			return said === null
				? []
				: [
						placedIn(
							at,
							findingIn(sentence, {
								about: way,
								reason:
									way === 'contracted'
										? `The client’s own texts contract ${short} times out of ${short + full}`
										: `The client’s own texts write it in full ${full} times out of ${short + full}`,
								fixes: [{ label: `Write “${said}”`, replacement: said }]
							})
						)
					];
		})
	);
	// one habit need not be told of every sentence
	return found.slice(0, MOST_SHOWN);
}
