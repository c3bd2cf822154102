import type { TitleCompetition } from './competition';
import { middleVolumeOf, type Volume } from './keyword';
import { weaknessOf, type WeakSpot } from './weak-spots';

export const OPENING_PARTS = ['volume', 'change', 'difficulty', 'titles', 'weakSpots'] as const;

export type OpeningPart = (typeof OPENING_PARTS)[number];

export type OpeningWeights = Readonly<Record<OpeningPart, number>>;

/** Titles weigh most: they are counted, and the writer can do something about them. */
export const OPENING_WEIGHTS: OpeningWeights = {
	volume: 20,
	change: 25,
	difficulty: 20,
	titles: 30,
	weakSpots: 25
};

export interface OpeningEvidence extends Volume {
	readonly change3m: number | null;
	readonly changeYear: number | null;
	/** 0–100, as a planner says; null: none did. */
	readonly difficulty: number | null;
	readonly titles: TitleCompetition | null;
	/** Null: nobody has looked who ranks. An empty list is knowledge: no spot is weak. */
	readonly weakSpots: readonly WeakSpot[] | null;
}

/** How open a keyword is, with the sum that made it. */
export interface Opening {
	/** 0–100, or null while fewer than two parts are known: one alone says little, and says it at full height. */
	readonly value: number | null;
	/** Points of each known part; they sum to `value` where there is one. */
	readonly points: Readonly<Partial<Record<OpeningPart, number>>>;
	/** The most points each known part could have. */
	readonly most: Readonly<Partial<Record<OpeningPart, number>>>;
	/** Parts that are not known; a difficulty that no planner gave is none of them. */
	readonly missing: readonly OpeningPart[];
}

/** Known parts from which they make an opening. */
const LEAST_KNOWN = 2;

/**
 * Σ weight × worth over the known parts ÷ Σ weight of the known parts × 100. What is missing is
 * named and left out of both sums, never counted as zero.
 */
export function openingOf(
	evidence: OpeningEvidence,
	weights: OpeningWeights = OPENING_WEIGHTS
): Opening {
	const worth: Record<OpeningPart, number | null> = {
		volume: worthOfVolume(evidence),
		change: worthOfChange(evidence.change3m, evidence.changeYear),
		difficulty: worthOfDifficulty(evidence.difficulty),
		titles: evidence.titles && worthOfRatio(evidence.titles),
		weakSpots: evidence.weakSpots && weaknessOf(evidence.weakSpots)
	};
	const known = OPENING_PARTS.filter((part) => worth[part] !== null && weights[part] > 0);
	const missing = OPENING_PARTS.filter(
		(part) => part !== 'difficulty' && worth[part] === null && weights[part] > 0
	);
	const wanted = OPENING_PARTS.filter((part) => weights[part] > 0).length;
	const sum = known.reduce((all, part) => all + weights[part], 0);
	if (sum === 0) return { value: null, points: {}, most: {}, missing };
	const points: Partial<Record<OpeningPart, number>> = {};
	const most: Partial<Record<OpeningPart, number>> = {};
	let value = 0;
	for (const part of known) {
		most[part] = (100 * weights[part]) / sum;
		points[part] = most[part] * worth[part]!;
		value += points[part];
	}
	// where the writer weighs one part alone, that is the opening
	const isKnown = known.length >= Math.min(LEAST_KNOWN, wanted);
	return { value: isKnown ? Math.min(100, Math.max(0, value)) : null, points, most, missing };
}

/** Rises with the logarithm of the searches: the step from 10 to 100 is worth that from 100 to 1,000; full at 1,000. */
function worthOfVolume(volume: Volume): number | null {
	const middle = middleVolumeOf(volume);
	return middle === null ? null : Math.min(1, Math.log1p(middle) / Math.log1p(1000));
}

/** No change is worth a half, doubling is worth 1, vanishing 0; three months count as much as the year. */
function worthOfChange(change3m: number | null, changeYear: number | null): number | null {
	const known = [change3m, changeYear].filter((change) => change !== null);
	if (known.length === 0) return null;
	const worth = known.map((change) => Math.min(1, Math.max(0, 0.5 + change / 200)));
	return worth.reduce((sum, value) => sum + value, 0) / worth.length;
}

/** The easier, the more open. */
function worthOfDifficulty(difficulty: number | null): number | null {
	return difficulty === null ? null : 1 - Math.min(100, Math.max(0, difficulty)) / 100;
}

/** 1 without a matching title, three quarters at the ratio worth writing for, falling on: 1 ÷ (1 + ratio ÷ ¾). */
function worthOfRatio({ ratioMin, ratioMax }: TitleCompetition): number {
	const worth = (ratio: number) => 1 / (1 + ratio / 0.75);
	return (worth(ratioMin) + worth(ratioMax)) / 2;
}
