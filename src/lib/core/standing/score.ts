import { gradeOf } from '../text';
import type { ArticleState } from './state';
import type { Yardstick } from './yardstick';

/** What a standing is made of, each 0–1. */
export interface StandingParts {
	readonly coverage: number;
	readonly placement: number;
	readonly shape: number;
	readonly clarity: number;
}

/** What holds the whole down, each 0–1; 1: nothing does. */
export interface Held {
	/** Words that do not stand in a page. */
	readonly ownWords: number;
	/** Sentences that are sentences. */
	readonly sense: number;
	/** No term stands there more often than it can bear. */
	readonly crowding: number;
	/** As long as the brief asks. */
	readonly length: number;
	/** No place left open. */
	readonly whole: number;
}

/** The holds by name, in the order they are told. */
export const HOLDS = [
	'ownWords',
	'sense',
	'crowding',
	'length',
	'whole'
] as const satisfies (keyof Held)[];

/** The parts by name, in the order they are told. */
export const PARTS = [
	'coverage',
	'placement',
	'shape',
	'clarity'
] as const satisfies (keyof StandingParts)[];

export interface Standing {
	/** 0–100. */
	readonly standing: number;
	readonly parts: StandingParts;
	readonly held: Held;
}

/** Weights of the parts; they sum to 1. */
export const PART_WEIGHTS: StandingParts = {
	coverage: 0.45,
	placement: 0.28,
	shape: 0.16,
	clarity: 0.11
};

const TERM_VALUE = { must: 3, should: 2, could: 1 } as const;

/**
 * Where an article stands: its parts weighed, times all that holds it down. Bounded by 0 and 100; an
 * empty article is near 0. What holds down is a factor and no part, or a page that is copied word for
 * word would stand high for all it copied.
 */
export function scoreState(state: ArticleState, yardstick: Yardstick): Standing {
	const parts: StandingParts = {
		coverage: coverageOf(state, yardstick),
		placement: placementOf(state, yardstick),
		shape: shapeScoreOf(state, yardstick),
		clarity: clarityOf(state, yardstick)
	};
	const held = heldOf(state, yardstick);
	const sum = PARTS.reduce((all, part) => all + PART_WEIGHTS[part] * parts[part], 0);
	const factor = HOLDS.reduce((all, hold) => all * held[hold], 1);
	return { standing: 100 * sum * factor, parts, held };
}

/** Share of an article that may be as a page has it (names, set phrases), and what each share beyond costs. */
const CLOSE = { free: 0.03, cost: 1.5, least: 0.1 };
/** The same for sentences that are none. */
const FAULTY = { free: 0.02, cost: 1.3, least: 0.1 };
/**
 * The same for words in uses past the upper bound. On six assignments of others than us: up to 2% in
 * finished articles and drafts, 12 to 26% in stuffed ones.
 */
const CROWDED = { free: 0.03, cost: 2, least: 0.3 };
/** Share of the length asked for that is enough, and what each share below it costs. */
const LENGTH = { enough: 0.85, cost: 0.5 };
const GAP = { cost: 0.02, least: 0.7 };

function heldOf(state: ArticleState, yardstick: Yardstick): Held {
	const { targetWords } = yardstick;
	const { words, closeWords, runningWords, faultyWords, gaps } = state;
	const past = (share: number, { free, cost, least }: typeof CLOSE) =>
		Math.max(least, 1 - cost * Math.max(0, share - free));
	return {
		ownWords: words === 0 ? 1 : past(closeWords / words, CLOSE),
		sense: runningWords === 0 ? 1 : past(faultyWords / runningWords, FAULTY),
		crowding: words === 0 ? 1 : past(crowdedWordsOf(state, yardstick) / words, CROWDED),
		length:
			targetWords <= 0 ? 1 : 1 - LENGTH.cost * Math.max(0, LENGTH.enough - words / targetWords),
		whole: Math.max(GAP.least, 1 - GAP.cost * gaps)
	};
}

/** Words in uses past the upper bound; a text that is longer than asked bears as many more. */
export function crowdedWordsOf(
	{ uses, words }: Pick<ArticleState, 'uses' | 'words'>,
	{ terms, targetWords }: Yardstick
): number {
	const longer = targetWords > 0 ? Math.max(1, words / targetWords) : 1;
	return terms.reduce(
		(sum, { max, words: long }, t) => sum + Math.max(0, (uses[t] ?? 0) - max * longer) * long,
		0
	);
}

/** What a number of uses is worth: rising to 1 at the lower bound, falling past the upper as upper ÷ uses. */
export function worthOfUses(uses: number, min: number, max: number): number {
	if (uses <= 0) return 0;
	if (uses < min) return uses / min;
	return uses <= max ? 1 : max / uses;
}

function coverageOf(state: ArticleState, { terms }: Yardstick): number {
	let sum = 0;
	let all = 0;
	terms.forEach(({ weight, min, max }, t) => {
		// what stands in no sentence earns nothing, and counts towards a use too many
		const [uses, earned] = [state.uses[t] ?? 0, state.earned[t] ?? 0];
		const worth = uses > max ? Math.min(max / uses, earned / min) : worthOfUses(earned, min, max);
		sum += TERM_VALUE[weight] * worth;
		all += TERM_VALUE[weight];
	});
	return all === 0 ? 0 : sum / all;
}

function placementOf(state: ArticleState, yardstick: Yardstick): number {
	const places = yardstick.keywordPlaces;
	const keyword = places.filter((place) => state.keywordPlaces[place]).length / places.length;
	let covered = 0;
	let topics = 0;
	yardstick.topics.forEach(({ share }, t) => {
		topics += share;
		if (state.covered[t]) covered += share;
	});
	const answered = state.answered.filter(Boolean).length;
	let home = 0;
	let homes = 0;
	yardstick.homes.forEach(({ term }, h) => {
		const { weight, max } = yardstick.terms[term]!;
		homes += TERM_VALUE[weight];
		// a crowded term earns nothing for its place, or one use too many could pay
		if (state.atHome[h] && (state.uses[term] ?? 0) <= max) home += TERM_VALUE[weight];
	});
	return average([
		keyword,
		topics === 0 ? null : covered / topics,
		yardstick.questions.length === 0 ? null : answered / yardstick.questions.length,
		homes === 0 ? null : home / homes
	]);
}

function average(values: readonly (number | null)[]): number {
	const known = values.filter((value): value is number => value !== null);
	return known.length === 0 ? 0 : known.reduce((sum, n) => sum + n, 0) / known.length;
}

/** Each measure against its quartile band, falling linearly to 0 at half the lower or twice the upper bound. */
function shapeScoreOf({ shape, words }: ArticleState, yardstick: Yardstick): number {
	if (words === 0 || yardstick.shape.length === 0) return 0;
	return average(yardstick.shape.map(({ id, lower, upper }) => bandWorth(shape[id], lower, upper)));
}

/** 1 inside the band, 0 at half the lower or twice the upper bound; a band at zero allows one more. */
export function bandWorth(value: number, lower: number, upper: number): number {
	if (value >= lower && value <= upper) return 1;
	if (value < lower) return Math.max(0, (value - lower / 2) / (lower / 2));
	const reach = Math.max(upper, 1);
	return Math.max(0, (upper + reach - value) / reach);
}

function clarityOf({ reading, paragraphWords }: ArticleState, { targetGrade }: Yardstick): number {
	const { sentenceWords } = reading;
	if (sentenceWords.length === 0) return 0;
	// within one grade is on target; six grades off is another readership
	const grade = Math.max(0, 1 - Math.max(0, Math.abs(gradeOf(reading) - targetGrade) - 1) / 6);
	const longSentences = sentenceWords.filter((n) => n > 30).length / sentenceWords.length;
	const longParagraphs =
		paragraphWords.length === 0
			? 0
			: paragraphWords.filter((n) => n > 150).length / paragraphWords.length;
	const mean = sentenceWords.reduce((sum, n) => sum + n, 0) / sentenceWords.length;
	const variance =
		sentenceWords.reduce((sum, n) => sum + (n - mean) ** 2, 0) / sentenceWords.length;
	// lively prose varies by 40% of its mean sentence and more
	const variety = Math.min(1, Math.sqrt(variance) / mean / 0.4);
	return average([
		grade,
		Math.max(0, 1 - longSentences / 0.25),
		Math.max(0, 1 - longParagraphs / 0.3),
		variety
	]);
}
