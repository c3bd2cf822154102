import { plainWord, wordsOfSentence } from './words';

/*
 * English words that hold a sentence together, by what can stand behind them. Only pairs are listed
 * that hardly any written sentence has; a letter "A" as a name and verbs that are nouns too ("a
 * can", "the will") are left out.
 */
const list = (words: string): ReadonlySet<string> => new Set(words.split(' '));

const ARTICLES = list('a an the my your our their every');
const NOT_BEHIND_ARTICLE = list(
	'a an the my your his our their every of in on at for with from by into onto upon during against and or but because if i he she we they you it me us him them is are was were has had does did would could should to than'
);
const PREPOSITIONS = list('of at for with from into during between against upon towards');
const NOT_BEHIND_PREPOSITION = list(
	'and or but i he she we they has have had does did would could should of to'
);
/** The others may end a clause: "what you pay for is weight". */
const NEVER_LAST = list('of into between towards');
const NOT_BEHIND_NEVER_LAST = list('is are was were');
const SUBJECTS = list('i he she we they');
const NOT_BEHIND_SUBJECT = list(
	'a an the my your our their of at for from i he she we they me us him'
);
const HELPERS = list('is are was were');
const NOT_BEHIND_HELPER = list(
	'is are was were do does did will would could can should may must has had have'
);
const MODALS = list('will would could should may might must shall');
const NOT_BEHIND_MODAL = list('of is are was were has had does did will would could should am');
const JOINERS = list('and or but');
const NOT_BEHIND_JOINER = list('and or but than');
const NOT_BEHIND_TO = list(
	'of is are was were has had and or for with from than would could i he she we they'
);
const NOT_AT_END = list('a an the and or but my your their every');
const MAY_REPEAT = list('had that very so much many far really no yes ha night bye more well is');

const BEHIND: readonly (readonly [ReadonlySet<string>, ReadonlySet<string>])[] = [
	[ARTICLES, NOT_BEHIND_ARTICLE],
	[PREPOSITIONS, NOT_BEHIND_PREPOSITION],
	[NEVER_LAST, NOT_BEHIND_NEVER_LAST],
	[SUBJECTS, NOT_BEHIND_SUBJECT],
	[HELPERS, NOT_BEHIND_HELPER],
	[MODALS, NOT_BEHIND_MODAL],
	[JOINERS, NOT_BEHIND_JOINER],
	[list('to'), NOT_BEHIND_TO]
];
/** What cannot stand behind a word, by the word. */
const CANNOT_FOLLOW = new Map<string, Set<string>>();
for (const [before, behind] of BEHIND)
	for (const word of before) {
		const known = CANNOT_FOLLOW.get(word) ?? new Set();
		for (const other of behind) known.add(other);
		CANNOT_FOLLOW.set(word, known);
	}
const EXCEPT = list('to,and with,and with,or for,and during,and');

/**
 * Neighbours in a sentence that no English sentence puts side by side: "the of", "soil soil", "a
 * you", "and." at its end. Words with a comma or bracket between them are no neighbours.
 */
export function clashesIn(sentence: string): number {
	const words = wordsOfSentence(sentence);
	let clashes = 0;
	let before = '';
	words.forEach(({ text, start }, i) => {
		// a single capital inside a sentence is a name: "from A to B", "vitamin A is"
		const word = i > 0 && text === 'A' ? '' : plainWord(text);
		const isNext = i > 0 && sentence.slice(words[i - 1]!.end, start).trim() === '';
		if (isNext && before !== '') {
			const isRepeated = word === before && /\p{L}/u.test(word) && !MAY_REPEAT.has(word);
			const cannot = CANNOT_FOLLOW.get(before)?.has(word) === true;
			if (isRepeated || (cannot && !EXCEPT.has(`${before},${word}`))) clashes++;
		}
		before = word;
	});
	if (words.length > 2 && NOT_AT_END.has(before) && /[.!?]["”’)]*$/.test(sentence)) clashes++;
	return clashes;
}

/** Least words of a frame that are no term, so that two sentences can be said to be alike. */
const LEAST_FRAME = 4;

/**
 * A sentence with its terms left out: "the best _ for _ is the _". Two sentences of one frame say the
 * same with other terms put in. Null for a sentence without a term, or hardly more than terms.
 *
 * @param terms places of the terms in the sentence, in order of start
 */
export function frameOf(
	sentence: string,
	terms: readonly { readonly start: number; readonly end: number }[]
): string | null {
	const parts: string[] = [];
	let own = 0;
	let t = 0;
	for (const { text, start, end } of wordsOfSentence(sentence)) {
		while (t < terms.length && terms[t]!.end <= start) t++;
		const isTerm = t < terms.length && terms[t]!.start < end;
		if (!isTerm) own++;
		const part = isTerm ? '_' : plainWord(text);
		const last = parts.at(-1);
		// "a, b and c" is one place, however many stand in it
		if (part === '_' && (last === '_' || (last === 'and' && parts.at(-2) === '_'))) {
			if (last === 'and') parts.pop();
			continue;
		}
		parts.push(part);
	}
	return own >= LEAST_FRAME && parts.includes('_') ? parts.join(' ') : null;
}
