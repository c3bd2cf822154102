import { countWords } from '../text';
import { titleCompetitionOf, type TitleCompetition } from './competition';
import { intentOf } from './intent';
import { phraseKeyOf, type Intent, type Keyword } from './keyword';
import { openingOf, OPENING_WEIGHTS, type Opening, type OpeningWeights } from './opening';
import { fillIn } from './read-keywords';
import type { RankedResult } from './results';
import { weakSpotsOf, type WeakSpot } from './weak-spots';
import { staleYearOf, type StaleYear } from './years';

/** Where a figure that no list gave comes from. */
export const FIGURE_ORIGINS = ['typed', 'pasted', 'imported', 'sample'] as const;

export type FigureOrigin = (typeof FIGURE_ORIGINS)[number];

/** What the writer has found out about a phrase, or settled, beyond its lists. */
export interface PhraseNote {
	readonly key: string;
	readonly titleMatches?: { readonly count: number; readonly origin: FigureOrigin } | null;
	readonly results?: {
		readonly list: readonly RankedResult[];
		readonly origin: FigureOrigin;
	} | null;
	/** The phrase as it is offered now, when its year had passed. */
	readonly fresh?: string;
	readonly intent?: Intent | null;
	/** Name of the cluster it was put into by hand. */
	readonly cluster?: string;
	/** Struck out: it stays in its list and shows no more. */
	readonly isStruck?: boolean;
}

/** A phrase of the lists with everything known about it. */
export interface ScoutRow extends Keyword {
	readonly key: string;
	/** The phrase as its lists have it, when a fresh year has taken its place. */
	readonly was: string;
	readonly words: number;
	readonly titleOrigin: FigureOrigin | 'list' | null;
	readonly results: readonly RankedResult[] | null;
	readonly resultsOrigin: FigureOrigin | null;
	readonly titles: TitleCompetition | null;
	readonly weakSpots: readonly WeakSpot[] | null;
	readonly opening: Opening;
	readonly searchIntent: Intent;
	readonly cues: readonly string[];
	/** Whether list or writer settled the intent and no cue words did. */
	readonly isIntentGiven: boolean;
	readonly stale: StaleYear | null;
	/** Cluster by hand or by list; empty: to be found. */
	readonly givenCluster: string;
}

export interface ScoutOptions {
	/** YYYY-MM-DD: years and ages are counted from here. */
	readonly today: string;
	readonly weights?: OpeningWeights;
	/** Names that point to a site when they are searched. */
	readonly brands?: readonly string[];
}

/**
 * Joins lists by phrase, in order of first mention. Lists come oldest first; where two give a
 * figure, the newer counts, unless it is a mere range around the older one.
 */
export function mergeLists(lists: readonly (readonly Keyword[])[]): Map<string, Keyword> {
	const merged = new Map<string, Keyword>();
	for (const rows of lists) {
		for (const row of rows) {
			const key = phraseKeyOf(row.phrase);
			const known = merged.get(key);
			merged.set(key, known ? joined(known, row) : row);
		}
	}
	return merged;
}

function joined(older: Keyword, newer: Keyword): Keyword {
	const row = { ...fillIn(newer, older), phrase: older.phrase };
	const { volume } = older;
	const isFiner =
		volume !== null &&
		newer.volume === null &&
		volume >= (newer.volumeMin ?? 0) &&
		volume <= (newer.volumeMax ?? Number.POSITIVE_INFINITY);
	return isFiner ? { ...row, volume, volumeMin: volume, volumeMax: volume } : row;
}

/** Rows that were made before, by the keyword they were made from; they are taken again while nothing about them changed. */
export type ScoutCache = WeakMap<
	Keyword,
	{ readonly note: PhraseNote | undefined; readonly options: ScoutOptions; readonly row: ScoutRow }
>;

/**
 * One row for each phrase of merged lists, with everything known about it. A phrase whose fresh
 * year stands in the lists as well shows once.
 */
export function scoutRowsOf(
	merged: ReadonlyMap<string, Keyword>,
	notes: readonly PhraseNote[],
	options: ScoutOptions,
	cache: ScoutCache = new WeakMap()
): ScoutRow[] {
	const noted = new Map(notes.map((note) => [note.key, note]));
	const fresh = new Set<string>();
	const rows: ScoutRow[] = [];
	for (const [listKey, keyword] of merged) {
		const own = noted.get(listKey);
		if (own?.isStruck) continue;
		if (own?.fresh === undefined) {
			const known = cache.get(keyword);
			if (known && known.note === own && known.options === options) {
				rows.push(known.row);
				continue;
			}
			const row = scoutRowOf(listKey, keyword, '', own, options);
			cache.set(keyword, { note: own, options, row });
			rows.push(row);
			continue;
		}
		const key = phraseKeyOf(own.fresh);
		if (merged.has(key) || fresh.has(key)) continue;
		fresh.add(key);
		// what was found out about the old wording is not known of the new one
		const note = noted.get(key);
		if (note?.isStruck) continue;
		rows.push(
			scoutRowOf(
				key,
				{ ...keyword, titleMatches: null, phrase: own.fresh },
				keyword.phrase,
				note,
				options
			)
		);
	}
	return rows;
}

function scoutRowOf(
	key: string,
	row: Keyword,
	was: string,
	note: PhraseNote | undefined,
	{ today, weights = OPENING_WEIGHTS, brands = [] }: ScoutOptions
): ScoutRow {
	const titleMatches = note?.titleMatches?.count ?? row.titleMatches;
	const titles = titleCompetitionOf(row, titleMatches);
	const results = note?.results?.list ?? null;
	const weakSpots = results && weakSpotsOf(row.phrase, results, today);
	const read = intentOf(row.phrase, brands);
	const given = note?.intent ?? row.intent;
	const { volume, volumeMin, volumeMax, change3m, changeYear } = row;
	// written out: made for tens of thousands of phrases at once, where a spread costs ten times as much
	return {
		phrase: row.phrase,
		volume,
		volumeMin,
		volumeMax,
		change3m,
		changeYear,
		competition: row.competition,
		competitionIndex: row.competitionIndex,
		difficulty: row.difficulty ?? null,
		bidLow: row.bidLow,
		bidHigh: row.bidHigh,
		currency: row.currency,
		intent: row.intent,
		cluster: row.cluster,
		other: row.other,
		key,
		was,
		words: countWords(row.phrase),
		titleMatches,
		titleOrigin: note?.titleMatches?.origin ?? (row.titleMatches === null ? null : 'list'),
		results,
		resultsOrigin: note?.results?.origin ?? null,
		titles,
		weakSpots,
		opening: openingOf(
			{
				volume,
				volumeMin,
				volumeMax,
				change3m,
				changeYear,
				difficulty: row.difficulty ?? null,
				titles,
				weakSpots
			},
			weights
		),
		searchIntent: given ?? read.intent,
		cues: given ? [] : read.cues,
		isIntentGiven: given !== null,
		stale: staleYearOf(row.phrase, Number(today.slice(0, 4))),
		givenCluster: note?.cluster ?? row.cluster
	};
}
