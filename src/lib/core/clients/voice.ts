import {
	everydayRateOf,
	gradeOf,
	isStopWord,
	plainWord,
	readingSumsOf,
	sentencesOf,
	singularOf,
	wordsOf
} from '../text';
import type { VoiceSample } from './client';

export const VOICE_PERSONS = ['I', 'we', 'you', 'they'] as const;

export type VoicePerson = (typeof VOICE_PERSONS)[number];

/** A figure with the sentences it was counted from, in reading order. */
export interface Counted {
	readonly count: number;
	readonly sentences: readonly string[];
}

/** How a client sounds, measured on sample passages. */
export interface Voice {
	readonly words: number;
	readonly sentences: number;
	/** Words in a sentence: lower quartile, median, upper quartile. */
	readonly sentenceWords: {
		readonly lower: number;
		readonly median: number;
		readonly upper: number;
	};
	/** Flesch–Kincaid grade of all samples together. */
	readonly grade: number;
	readonly persons: Readonly<Record<VoicePerson, Counted>>;
	/** The person spoken in or to most; null when none is. */
	readonly person: VoicePerson | null;
	/** "don't", "it's". */
	readonly contractions: Counted;
	/** "do not", "it is": what could have been contracted. */
	readonly uncontracted: Counted;
	readonly questions: Counted;
	/** Words used far more than in everyday English, strongest first. */
	readonly favourites: readonly (Counted & { readonly word: string })[];
}

const PERSON_WORDS: Readonly<Record<VoicePerson, RegExp>> = {
	I: /\b(?:i|me|my|mine|myself|i'm|i've|i'd|i'll)\b/gi,
	we: /\b(?:we|us|our|ours|ourselves|we're|we've|we'd|we'll)\b/gi,
	you: /\b(?:you|your|yours|yourself|yourselves|you're|you've|you'd|you'll)\b/gi,
	they: /\b(?:they|them|their|theirs|themselves|they're|they've|they'd|they'll)\b/gi
};

const CONTRACTIONS =
	/\b(?:\w+n't|(?:i|you|he|she|it|we|they|that|there|here|what|who|where|how|let)'(?:m|s|re|ve|d|ll))\b/gi;
const UNCONTRACTED =
	/\b(?:(?:do|does|did|is|are|was|were|has|have|had|can|could|should|would|will|must|need) not|cannot|(?:it|that|there|he|she|what) is|(?:you|we|they) (?:are|have|will)|i (?:am|have|will)|let us)\b/gi;

/** Uses below which a word is an accident. */
const LEAST_USES = 3;
const MOST_FAVOURITES = 14;

/** Measures samples; without words everything is zero. */
export function measureVoice(samples: readonly VoiceSample[]): Voice {
	const texts = samples.map(({ text }) => text.replace(/[’‘]/g, "'"));
	const sentences = texts.flatMap((text) =>
		text.split('\n').flatMap((line) => sentencesOf(line).map((sentence) => sentence.text))
	);
	const reading = readingSumsOf(texts.join('\n'));
	const lengths = [...reading.sentenceWords].sort((a, b) => a - b);
	const quantile = (share: number) =>
		lengths[Math.min(lengths.length - 1, Math.floor(share * lengths.length))] ?? 0;
	const persons = Object.fromEntries(
		VOICE_PERSONS.map((person) => [person, countIn(sentences, PERSON_WORDS[person])])
	) as Record<VoicePerson, Counted>;
	const spoken = [...VOICE_PERSONS].sort((a, b) => persons[b].count - persons[a].count)[0]!;
	return {
		words: reading.words,
		sentences: reading.sentences,
		sentenceWords: { lower: quantile(0.25), median: quantile(0.5), upper: quantile(0.75) },
		grade: gradeOf(reading),
		persons,
		person: persons[spoken].count === 0 ? null : spoken,
		contractions: countIn(sentences, CONTRACTIONS),
		uncontracted: countIn(sentences, UNCONTRACTED),
		questions: countIn(sentences, /\?["')\]]*\s*$/g),
		favourites: favouritesOf(sentences, samples, reading.words)
	};
}

function countIn(sentences: readonly string[], pattern: RegExp): Counted {
	const found = sentences.map((sentence) => [...sentence.matchAll(pattern)].length);
	return {
		count: found.reduce((sum, n) => sum + n, 0),
		sentences: sentences.filter((_, i) => found[i]! > 0)
	};
}

/** Count × log of the rate against everyday English; with several samples a word stands in two of them. */
function favouritesOf(
	sentences: readonly string[],
	samples: readonly VoiceSample[],
	words: number
): Voice['favourites'] {
	const inSentences = sentences.map((sentence) =>
		wordsOf(sentence).map(({ text }) => singularOf(plainWord(text)))
	);
	const counts = new Map<string, number>();
	for (const keys of inSentences)
		for (const key of keys)
			if (key.length > 2 && !isStopWord(key) && !/[\d']/.test(key))
				counts.set(key, (counts.get(key) ?? 0) + 1);
	const bySample = samples.map(
		({ text }) => new Set(wordsOf(text).map(({ text: word }) => singularOf(plainWord(word))))
	);
	const least = Math.min(2, samples.length);
	return [...counts]
		.filter(
			([word, count]) =>
				count >= LEAST_USES && bySample.filter((of) => of.has(word)).length >= least
		)
		.map(([word, count]) => ({
			word,
			count,
			value: count * Math.log(((count / Math.max(1, words)) * 1_000_000) / everydayRateOf(word))
		}))
		.filter(({ value }) => value > 0)
		.sort((a, b) => b.value - a.value || (a.word < b.word ? -1 : 1))
		.slice(0, MOST_FAVOURITES)
		.map(({ word, count }) => ({
			word,
			count,
			sentences: sentences.filter((_, i) => inSentences[i]!.includes(word))
		}));
}
