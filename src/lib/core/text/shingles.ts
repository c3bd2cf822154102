import { stemOf } from './stems';
import { keysOf } from './term-index';

/** Words in a run that is long enough to be called copied. */
export const RUN_WORDS = 8;

/** A stemmed word with its place in the text. */
export interface StemmedWord {
	readonly stem: string;
	readonly start: number;
	readonly end: number;
}

/** Stems of all words in order, function words included. */
export function stemmedWordsOf(text: string): StemmedWord[] {
	return keysOf(text).map(({ key, start, end }) => ({ stem: stemOf(key), start, end }));
}

/**
 * 53-bit hashes of every run of eight stems, one per starting word. At 60,000 runs and a
 * 10,000-word text the chance of one false meeting is below 10⁻⁷, so no second check is made.
 */
export function runHashesOf(stems: readonly string[]): Float64Array {
	const count = Math.max(0, stems.length - RUN_WORDS + 1);
	const words = stems.map(hashWord);
	const hashes = new Float64Array(count);
	for (let at = 0; at < count; at++) {
		let low = 0x811c9dc5;
		let high = 0x1b873593;
		for (let k = at; k < at + RUN_WORDS; k++) {
			const word = words[k]!;
			low = Math.imul(low ^ word, 0x01000193);
			low ^= low >>> 15;
			high = Math.imul(high + word, 0x85ebca6b) ^ (high >>> 13);
		}
		hashes[at] = (high >>> 11) * 0x1_0000_0000 + (low >>> 0);
	}
	return hashes;
}

function hashWord(word: string): number {
	let hash = 0x811c9dc5;
	for (let i = 0; i < word.length; i++) hash = Math.imul(hash ^ word.charCodeAt(i), 0x01000193);
	hash ^= hash >>> 16;
	hash = Math.imul(hash, 0x7feb352d);
	return hash ^ (hash >>> 15);
}
