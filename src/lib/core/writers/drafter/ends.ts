import { contentStemsOf, isOrder } from '../../text';
import type { Passage } from './note-material';

/** Words with which notes say what the whole comes down to. */
const SHORT_ANSWER =
	/\b(?:in short|short answer|the (?:main|one|real|biggest|first|whole) (?:thing|cause|reason|rule|point|question|trick)|rule of thumb|rule:|as a rule|there['’]s no trick|comes? down to|depends on|it all|nine out of ten|most people|of every)\b/i;

/** Words with which notes advise at the end. */
const LAST_ADVICE =
	/\b(?:start (?:with|by)|begin (?:with|by)|first of all|if you (?:only )?(?:do|remember|buy|keep|change) (?:only |just )?one|most of all|above all|in the end|(?:my|our|the best|her|his) advice|don['’]t wait|one last thing|could only|the rest (?:is|comes|follows)|worth (?:it|the))\b/i;

/** Worth of a passage that answers what the keyword asks. */
const ANSWERS_QUERY = 2;

/** Passages that an opening or a closing takes. */
const MOST = 2;
/** Worth from which a passage can open or close; set by reading the openings of the demo and of six assignments. */
const OPENS_AT = 2;
const CLOSES_AT = 2;

/** What answers the query or says what the thing is, for the opening, the best first. */
export function openers(
	passages: readonly Passage[],
	keyword: string,
	answering: ReadonlySet<Passage>
): Passage[] {
	const own = new Set(contentStemsOf(keyword));
	return best(
		// what answers another question opens nothing
		passages.filter(
			(passage) => canOpen(passage) && (passage.asked === '' || answering.has(passage))
		),
		(passage) => {
			const said = passage.sentences.join(' ');
			const stems = new Set(passage.stems);
			const held = [...own].filter((stem) => stems.has(stem)).length / Math.max(1, own.size);
			const defines = /^(?:an?|the|[\p{Lu}][\p{L}-]+)\b[^.]{0,40}?\b(?:is|are|means?)\b/u.test(
				said
			);
			return (
				2 * held +
				(answering.has(passage) ? ANSWERS_QUERY : 0) +
				(SHORT_ANSWER.test(said) ? 2 : 0) +
				(defines && held > 0 ? 1 : 0) +
				(/\b(?:because|since|so that|unless)\b/i.test(said) ? 0.3 : 0) -
				(isOrder(said) ? 1 : 0) -
				(/[£$€]|\d{3,}/.test(said) ? 0.7 : 0)
			);
		},
		OPENS_AT
	);
}

/** The notes' own last advice, for the closing, the best first. */
export function closers(passages: readonly Passage[]): Passage[] {
	return best(
		passages,
		(passage) => {
			const said = passage.sentences.join(' ');
			const late = passage.at / Math.max(1, passages.length);
			return (LAST_ADVICE.test(said) ? 2 : 0) + (isOrder(said) ? 0.6 : 0) + 0.3 * late;
		},
		CLOSES_AT
	);
}

/** Whether a passage can stand in an opening: running text that orders nothing and leans on nothing before it. */
export function canOpen({ form, hold, sentences }: Passage): boolean {
	return (
		(form === 'text' || form === 'quote') &&
		hold === null &&
		!isOrder(sentences[0]!) &&
		!LEANS.test(sentences[0]!)
	);
}

const LEANS =
	/^["“]?(?:there|it|this|that|they|these|those|then|here|and|but|so|or|because|also|plus)\b|\b(?:in|of|on|with|for|from|along|at|by|to|over) (?:it|them|that)[.,]/i;

function best(
	passages: readonly Passage[],
	worth: (passage: Passage) => number,
	least: number
): Passage[] {
	return passages
		.filter(
			({ form, hold, voice, words }) =>
				(form === 'text' || form === 'quote') &&
				hold === null &&
				voice.kind !== 'visit' &&
				words >= LEAST_WORDS &&
				words <= MOST_WORDS
		)
		.map((passage) => ({ passage, value: worth(passage) }))
		.filter(({ value }) => value >= least)
		.sort((a, b) => b.value - a.value || a.passage.at - b.passage.at)
		.slice(0, MOST)
		.map(({ passage }) => passage);
}

const LEAST_WORDS = 6;
const MOST_WORDS = 70;
