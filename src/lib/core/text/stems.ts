import { stemmer } from 'stemmer';
import { singularOf } from './inflect';
import { plainWord, wordsOf } from './words';
import { oneSpelling } from './spelling';
import { isStopWord } from './stop-words';

const stems = new Map<string, string>();

/** Stem of a plain word, kept once computed. For likeness of meaning, never for counting terms. */
export function stemOf(word: string): string {
	let stem = stems.get(word);
	if (stem === undefined) {
		stem = stemmer(singularOf(oneSpelling(word)));
		if (stems.size > 60_000) stems.clear();
		stems.set(word, stem);
	}
	return stem;
}

/** Stems of all words that carry meaning, in order; hyphenated words give their parts. */
export function contentStemsOf(text: string): string[] {
	const found: string[] = [];
	for (const { text: raw } of wordsOf(text)) {
		for (const part of plainWord(raw).split('-')) {
			if (part.length > 1 && !isStopWord(part)) found.push(stemOf(part));
		}
	}
	return found;
}

/** Stems of a keyword: everything in its evidence shares them, so they tell nothing apart. */
export function keywordStemsOf(keyword: string): ReadonlySet<string> {
	return new Set(contentStemsOf(keyword));
}

/** Length of the longest row of stems that both have in the same order. */
export function stemsInOrder(a: readonly string[], b: readonly string[]): number {
	let row = new Array<number>(b.length + 1).fill(0);
	for (const stem of a) {
		const next = [0];
		b.forEach((other, j) => {
			next.push(stem === other ? row[j]! + 1 : Math.max(row[j + 1]!, next[j]!));
		});
		row = next;
	}
	return row.at(-1)!;
}
