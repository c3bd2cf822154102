import { syllable } from 'syllable';
import { sentencesOf } from './sentences';
import { plainWord, wordsOfSentence } from './words';

const syllables = new Map<string, number>();

/** Syllables of one word, kept once counted; a figure counts as one. */
export function countSyllables(word: string): number {
	let count = syllables.get(word);
	if (count === undefined) {
		const plain = plainWord(word);
		count = /\d/.test(plain) ? 1 : Math.max(1, syllable(plain));
		if (syllables.size > 60_000) syllables.clear();
		syllables.set(word, count);
	}
	return count;
}

/** Sums from which readability is worked out; sums of parts are sums of the whole. */
export interface ReadingSums {
	readonly words: number;
	readonly sentences: number;
	readonly syllables: number;
	/** Words in each sentence, in order. */
	readonly sentenceWords: readonly number[];
}

/** Counts words, sentences and syllables of running text. */
export function readingSumsOf(text: string): ReadingSums {
	const sentenceWords: number[] = [];
	let syllableSum = 0;
	for (const sentence of sentencesOf(text)) {
		const words = wordsOfSentence(sentence.text);
		if (words.length === 0) continue;
		sentenceWords.push(words.length);
		for (const word of words) syllableSum += countSyllables(word.text);
	}
	const words = sentenceWords.reduce((sum, n) => sum + n, 0);
	return { words, sentences: sentenceWords.length, syllables: syllableSum, sentenceWords };
}

/** Joins the sums of consecutive texts. */
export function addReading(sums: readonly ReadingSums[]): ReadingSums {
	let words = 0;
	let sentences = 0;
	let syllableSum = 0;
	const sentenceWords: number[] = [];
	for (const sum of sums) {
		words += sum.words;
		sentences += sum.sentences;
		syllableSum += sum.syllables;
		for (const n of sum.sentenceWords) sentenceWords.push(n);
	}
	return { words, sentences, syllables: syllableSum, sentenceWords };
}

/**
 * Flesch-Kincaid grade level (Kincaid et al. 1975): 0.39 words/sentence + 11.8 syllables/word − 15.59.
 * Empty text gives 0.
 */
export function gradeOf({ words, sentences, syllables }: ReadingSums): number {
	if (words === 0) return 0;
	return 0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59;
}

/**
 * Flesch reading ease (Flesch 1948): 206.835 − 1.015 words/sentence − 84.6 syllables/word; higher is
 * easier. Empty text gives 0.
 */
export function easeOf({ words, sentences, syllables }: ReadingSums): number {
	if (words === 0 || sentences === 0) return 0;
	return 206.835 - 1.015 * (words / sentences) - 84.6 * (syllables / words);
}
