import { gradeOf } from '../text';
import type { ArticleState } from './state';
import type { Yardstick } from './yardstick';

/** The five parts of a standing, each 0–1. */
export interface StandingParts {
	readonly coverage: number;
	readonly placement: number;
	readonly shape: number;
	readonly clarity: number;
	readonly ownWords: number;
}

export interface Standing {
	/** 0–100. */
	readonly standing: number;
	readonly parts: StandingParts;
}

/** Weights of the parts; they sum to 1. */
export const PART_WEIGHTS: StandingParts = {
	coverage: 0.4,
	placement: 0.25,
	shape: 0.15,
	clarity: 0.1,
	ownWords: 0.1
};

const TERM_VALUE = { must: 3, should: 2, could: 1 } as const;

/** Where an article stands. Bounded by 0 and 100; an empty article is near 0. */
export function scoreState(state: ArticleState, yardstick: Yardstick): Standing {
	const parts: StandingParts = {
		coverage: coverageOf(state, yardstick),
		placement: placementOf(state, yardstick),
		shape: shapeScoreOf(state, yardstick),
		clarity: clarityOf(state, yardstick),
		ownWords: state.words === 0 ? 0 : Math.max(0, 1 - state.closeWords / state.words)
	};
	let sum = 0;
	for (const part of Object.keys(PART_WEIGHTS) as (keyof StandingParts)[])
		sum += PART_WEIGHTS[part] * parts[part];
	return { standing: 100 * sum, parts };
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
		sum += TERM_VALUE[weight] * worthOfUses(state.uses[t] ?? 0, min, max);
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
