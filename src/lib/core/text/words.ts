/** A word of running text with its place, in UTF-16 units: `start` included, `end` excluded. */
export interface Word {
	readonly text: string;
	readonly start: number;
	readonly end: number;
}

/*
 * Letters, marks and digits, joined by inner apostrophes and hyphens, and by separators
 * between digits: "o'clock", "self-built", "1,300", "2.5" and "12:30" are one word each.
 */
const WORD =
	/[\p{L}\p{M}\p{N}]+(?:(?:['’‘\u2010\u2011-](?=[\p{L}\p{N}])|(?<=\p{N})[.,:](?=\p{N}))[\p{L}\p{M}\p{N}]+)*/gu;

/** Words in order of appearance; empty text gives an empty list. */
export function wordsOf(text: string): Word[] {
	const words: Word[] = [];
	// matchAll would copy the pattern for every text, and this is asked of every sentence
	WORD.lastIndex = 0;
	for (let match = WORD.exec(text); match !== null; match = WORD.exec(text)) {
		words.push({ text: match[0], start: match.index, end: WORD.lastIndex });
	}
	return words;
}

/**
 * Words of a sentence that is read several times in a row: for its keys, its count and its reading
 * grade. The list is shared and must not be changed.
 */
export function wordsOfSentence(sentence: string): readonly Word[] {
	const known = recent.get(sentence);
	if (known) return known;
	const words = wordsOf(sentence);
	if (recent.size >= RECENT) recent.clear();
	recent.set(sentence, words);
	return words;
}

const recent = new Map<string, readonly Word[]>();
const RECENT = 256;

/** The one word count of the whole product: pages, drafts and budgets. */
export function countWords(text: string): number {
	return text.match(WORD)?.length ?? 0;
}

/** Lower case, compatibility form, straight apostrophes, no possessive ending. */
export function plainWord(word: string): string {
	// most words are plain already or only capitalised, and this runs for every word of every page
	if (/^[A-Za-z0-9]+$/.test(word)) return word.toLowerCase();
	return word
		.normalize('NFKC')
		.toLowerCase()
		.replace(/[’‘ʼ]/g, "'")
		.replace(/[\u2010\u2011]/g, '-')
		.replace(/'s$|s'$/, (end) => (end === "s'" ? 's' : ''));
}
