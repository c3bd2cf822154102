import { contentStemsOf } from '../text';
import type { RankedResult } from './results';

export const WEAKNESSES = [
	'weak site',
	'forum',
	'thin page',
	'old page',
	'title without the phrase'
] as const;

export type Weakness = (typeof WEAKNESSES)[number];

/** A position of the first page that a good article could take. */
export interface WeakSpot {
	readonly position: number;
	readonly result: RankedResult;
	readonly weaknesses: readonly Weakness[];
	/** 0–1: how weak it is held, times how much the position is worth. */
	readonly value: number;
}

/** What counts as weak, as data. */
const WEAK_LIMITS = {
	positions: 10,
	/** Site strength up to which a site is weak. */
	strength: 20,
	/** Words below which a page is thin. */
	words: 400,
	/** Years after which a page is old. */
	years: 3
} as const;

/*
 * A forum or a weak site gives way to any good article; age and a title without the phrase only
 * help, since such pages often hold their place all the same.
 */
const VALUES: Readonly<Record<Weakness, number>> = {
	'weak site': 1,
	forum: 1,
	'thin page': 0.8,
	'old page': 0.4,
	'title without the phrase': 0.25
};

/**
 * Whether a spot is weakly held by what the page is; a title without the phrase alone is a chance
 * and no weakness, since it is the rule for short phrases.
 */
export function isWeaklyHeld({ weaknesses }: WeakSpot): boolean {
	return weaknesses.some((weakness) => weakness !== 'title without the phrase');
}

/** The weak spots among the first ten, in order of position. `today` is YYYY-MM-DD. */
export function weakSpotsOf(
	phrase: string,
	results: readonly RankedResult[],
	today: string
): WeakSpot[] {
	const wanted = [...new Set(contentStemsOf(phrase))];
	return results
		.filter(({ position }) => position <= WEAK_LIMITS.positions)
		.flatMap((result): WeakSpot[] => {
			const weaknesses = WEAKNESSES.filter((weakness) => has(weakness, result, wanted, today));
			if (weaknesses.length === 0) return [];
			// independent chances: several weaknesses add up without passing 1
			const weak = 1 - weaknesses.reduce((left, weakness) => left * (1 - VALUES[weakness]), 1);
			return [
				{
					position: result.position,
					result,
					weaknesses,
					value: weak * placeValueOf(result.position)
				}
			];
		})
		.sort((a, b) => a.position - b.position);
}

function has(
	weakness: Weakness,
	{ strength, kind, words, date, title }: RankedResult,
	wanted: readonly string[],
	today: string
): boolean {
	switch (weakness) {
		case 'weak site':
			return strength !== null && strength <= WEAK_LIMITS.strength;
		case 'forum':
			return kind === 'forum';
		case 'thin page':
			// a short video page or shop is short by its kind
			return words !== null && words < WEAK_LIMITS.words && kind !== 'video' && kind !== 'shop';
		case 'old page':
			return date !== '' && yearsBetween(date, today) > WEAK_LIMITS.years;
		case 'title without the phrase': {
			const stems = new Set(contentStemsOf(title));
			return title !== '' && !wanted.every((stem) => stems.has(stem));
		}
	}
}

/** A date without month or day counts from the end of what it names: "2023" is not old in 2026. */
function yearsBetween(date: string, today: string): number {
	const [year = 0, month = 12, day = 28] = date.split('-').map(Number);
	const [nowYear = 0, nowMonth = 1, nowDay = 1] = today.split('-').map(Number);
	return nowYear - year + (nowMonth - month) / 12 + (nowDay - day) / 365;
}

/** Worth of a position: 1 for the first, falling evenly to a fifth for the tenth. */
function placeValueOf(position: number): number {
	return 1 - (0.8 * (position - 1)) / (WEAK_LIMITS.positions - 1);
}

/**
 * All weak spots as one value, 0–1. The best one counts whole and the others fill up a third of
 * what is left, so the highest weak position matters most.
 */
export function weaknessOf(spots: readonly WeakSpot[]): number {
	if (spots.length === 0) return 0;
	const best = Math.max(...spots.map(({ value }) => value));
	const rest = spots.reduce((sum, { value }) => sum + value, 0) - best;
	return best + (1 - best) * (1 / 3) * Math.min(1, rest / 3);
}
