import type { Volume } from './keyword';

/** How hard it is to stand out by the title alone. */
export const VERDICTS = ['worth writing', 'workable', 'contested'] as const;

export type Verdict = (typeof VERDICTS)[number];

/** Pages with the phrase in their title, for each search a month. */
export interface TitleCompetition {
	readonly titleMatches: number;
	/** The ratio, both ends included; equal ends where the volume is one figure. */
	readonly ratioMin: number;
	/** Infinity where nobody searches and pages have the title all the same. */
	readonly ratioMax: number;
	/** Of the ratio's upper end, so that a range promises nothing. */
	readonly verdict: Verdict;
}

/**
 * Bounds of the verdicts: a quarter of a title for each search leaves room, while the phrase is
 * small enough (250 searches) that strong sites have not written for it; one title for each
 * search is workable.
 */
export const TITLE_LIMITS = { worthRatio: 0.25, worthVolume: 250, workableRatio: 1 } as const;

/** Title competition of a phrase; null while matches or volume are unknown. */
export function titleCompetitionOf(
	volume: Volume,
	titleMatches: number | null
): TitleCompetition | null {
	const { volumeMin, volumeMax } = volume;
	if (titleMatches === null || (volumeMin === null && volumeMax === null)) return null;
	const ratioMin = ratioOf(titleMatches, volumeMax ?? Number.POSITIVE_INFINITY);
	const ratioMax = ratioOf(titleMatches, volumeMin ?? 0);
	const most = volumeMax ?? Number.POSITIVE_INFINITY;
	const verdict =
		ratioMax <= TITLE_LIMITS.worthRatio && most <= TITLE_LIMITS.worthVolume
			? 'worth writing'
			: ratioMax <= TITLE_LIMITS.workableRatio
				? 'workable'
				: 'contested';
	return { titleMatches, ratioMin, ratioMax, verdict };
}

function ratioOf(matches: number, volume: number): number {
	if (matches === 0) return 0;
	return volume === 0 ? Number.POSITIVE_INFINITY : matches / volume;
}
