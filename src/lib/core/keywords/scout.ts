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
	readonly results?: { readonly list: readonly RankedResult[]; readonly origin: FigureOrigin } | null;
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
 * Puts lists and notes together: one row for each phrase, in order of first mention. Lists come
 * oldest first; where two give a figure, the newer counts.
 */
export function scoutRowsOf(
	lists: readonly (readonly Keyword[])[],
	notes: readonly PhraseNote[],
	options: ScoutOptions
): ScoutRow[] {
	const noted = new Map(notes.map((note) => [note.key, note]));
	const merged = new Map<string, { row: Keyword; was: string; note: PhraseNote | undefined }>();
	for (const rows of lists) {
		for (const row of rows) {
			const listKey = phraseKeyOf(row.phrase);
			const note = noted.get(listKey);
			if (note?.isStruck) continue;
			const phrase = note?.fresh ?? row.phrase;
			const key = note?.fresh ? phraseKeyOf(phrase) : listKey;
			const known = merged.get(key);
			const was = note?.fresh ? row.phrase : '';
			merged.set(key, {
				row: known ? { ...fillIn(row, known.row), phrase: known.row.phrase } : { ...row, phrase },
				was: known ? known.was : was,
				// what was found out about the old wording is not known of the new one
				note: known?.note ?? (note?.fresh ? noted.get(key) : note)
			});
		}
	}
	return [...merged].map(([key, { row, was, note }]) => scoutRowOf(key, row, was, note, options));
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
	return {
		...row,
		key,
		was,
		words: countWords(row.phrase),
		titleMatches,
		titleOrigin: note?.titleMatches?.origin ?? (row.titleMatches === null ? null : 'list'),
		results,
		resultsOrigin: note?.results?.origin ?? null,
		titles,
		weakSpots,
		opening: openingOf({ ...row, titles, weakSpots }, weights),
		searchIntent: given ?? read.intent,
		cues: given ? [] : read.cues,
		isIntentGiven: given !== null,
		stale: staleYearOf(row.phrase, Number(today.slice(0, 4))),
		givenCluster: note?.cluster ?? row.cluster
	};
}
