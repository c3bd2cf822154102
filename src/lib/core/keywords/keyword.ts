/** What somebody who types a phrase wants. */
export const INTENTS = ['informational', 'commercial', 'transactional', 'navigational'] as const;

export type Intent = (typeof INTENTS)[number];

export const COMPETITION_LEVELS = ['low', 'medium', 'high'] as const;

export type CompetitionLevel = (typeof COMPETITION_LEVELS)[number];

/** Searches a month: one figure, or a range whose ends are both included. Null: not known. */
export interface Volume {
	/** The figure, or null where only a range is known. */
	readonly volume: number | null;
	readonly volumeMin: number | null;
	/** Null with a known lower end: open upwards ("10K+"). */
	readonly volumeMax: number | null;
}

export const NO_VOLUME: Volume = { volume: null, volumeMin: null, volumeMax: null };

/** A phrase as a list gives it. Everything but the phrase may be missing. */
export interface Keyword extends Volume {
	readonly phrase: string;
	/** Change of the volume over three months and over a year, in percent; Infinity: there was none before. */
	readonly change3m: number | null;
	readonly changeYear: number | null;
	/** How many advertisers bid, in a word. */
	readonly competition: CompetitionLevel | null;
	/** The same as a figure, 0–100. */
	readonly competitionIndex: number | null;
	/** How hard a planner says it is to rank for, 0–100; lists from before it was told apart have none. */
	readonly difficulty?: number | null;
	/** What advertisers pay for a click, in `currency`. */
	readonly bidLow: number | null;
	readonly bidHigh: number | null;
	/** Sign or code of the currency; empty when no list says. */
	readonly currency: string;
	/** Pages with the phrase in their title. */
	readonly titleMatches: number | null;
	readonly intent: Intent | null;
	readonly cluster: string;
	/** Values of columns nobody could name, as [column, value]. */
	readonly other: readonly (readonly [string, string])[];
}

export function blankKeyword(phrase: string): Keyword {
	return {
		phrase,
		volume: null,
		volumeMin: null,
		volumeMax: null,
		change3m: null,
		changeYear: null,
		competition: null,
		competitionIndex: null,
		difficulty: null,
		bidLow: null,
		bidHigh: null,
		currency: '',
		titleMatches: null,
		intent: null,
		cluster: '',
		other: []
	};
}

/** What makes two spellings one phrase: case, Unicode form, spaces and end marks do not. */
export function phraseKeyOf(phrase: string): string {
	return phrase
		.normalize('NFKC')
		.toLowerCase()
		.replace(/[’‘ʼ]/g, "'")
		.replace(/[?!.]+$/, '')
		.replace(/\s+/g, ' ')
		.trim();
}

/** The figure a phrase sorts and is judged by: the volume, or the geometric middle of its range. */
export function middleVolumeOf({ volume, volumeMin, volumeMax }: Volume): number | null {
	if (volume !== null) return volume;
	if (volumeMin === null) return volumeMax;
	if (volumeMax === null) return volumeMin;
	// planners' ranges are powers of ten, in whose middle an average would stand far too high
	return Math.sqrt(Math.max(1, volumeMin) * Math.max(1, volumeMax));
}
