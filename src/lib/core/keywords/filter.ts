import { z } from 'zod';
import { COMPETITION_LEVELS, INTENTS, middleVolumeOf } from './keyword';
import type { ScoutRow } from './scout';
import { isWeaklyHeld } from './weak-spots';
import { isAsked } from './working-title';

export const NUMBER_FIELDS = [
	'volume',
	'ratio',
	'change3m',
	'changeYear',
	'titleMatches',
	'competitionIndex',
	'difficulty',
	'words',
	'opening',
	'bid'
] as const;

export type NumberField = (typeof NUMBER_FIELDS)[number];

/** One condition on the rows of Scout; several must all hold. */
export const filterSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('text'), text: z.string().max(200), isWithout: z.boolean() }),
	z.strictObject({
		kind: z.literal('number'),
		field: z.enum(NUMBER_FIELDS),
		bound: z.enum(['least', 'most']),
		value: z.number()
	}),
	z.strictObject({ kind: z.literal('intent'), intents: z.array(z.enum(INTENTS)) }),
	z.strictObject({ kind: z.literal('cluster'), names: z.array(z.string()) }),
	z.strictObject({ kind: z.literal('competition'), levels: z.array(z.enum(COMPETITION_LEVELS)) }),
	z.strictObject({ kind: z.literal('weak') }),
	z.strictObject({ kind: z.literal('stale') }),
	z.strictObject({ kind: z.literal('question') })
]);

export type Filter = z.infer<typeof filterSchema>;

export interface SavedFilter {
	readonly name: string;
	readonly filters: readonly Filter[];
}

export const savedFiltersSchema = z.array(
	z.strictObject({ name: z.string().min(1).max(80), filters: z.array(filterSchema) })
);

/** Rows that meet all conditions, in their order. A row about which a condition knows nothing does not meet it. */
export function filterRows(
	rows: readonly ScoutRow[],
	filters: readonly Filter[],
	clusterOf: ReadonlyMap<string, string>
): readonly ScoutRow[] {
	if (filters.length === 0) return rows;
	const tests = filters.map((filter) => testOf(filter, clusterOf));
	return rows.filter((row) => tests.every((test) => test(row)));
}

function testOf(
	filter: Filter,
	clusterOf: ReadonlyMap<string, string>
): (row: ScoutRow) => boolean {
	switch (filter.kind) {
		case 'text': {
			const words = filter.text.toLowerCase().split(/\s+/).filter(Boolean);
			return ({ phrase }) => {
				const plain = phrase.toLowerCase();
				return filter.isWithout
					? !words.some((word) => plain.includes(word))
					: words.every((word) => plain.includes(word));
			};
		}
		case 'number':
			return (row) => {
				const span = spanOf(row, filter.field);
				if (span === null) return false;
				// a range meets a bound when some figure inside it does: hiding a chance is worse
				return filter.bound === 'most' ? span[0] <= filter.value : span[1] >= filter.value;
			};
		case 'intent':
			return ({ searchIntent }) => filter.intents.includes(searchIntent);
		case 'cluster':
			return ({ key }) => filter.names.includes(clusterOf.get(key) ?? '');
		case 'competition':
			return ({ competition }) => competition !== null && filter.levels.includes(competition);
		case 'weak':
			return ({ weakSpots }) => weakSpots !== null && weakSpots.some(isWeaklyHeld);
		case 'stale':
			return ({ stale }) => stale !== null;
		case 'question':
			return ({ phrase }) => isAsked(phrase) || /^how to\b/i.test(phrase) || phrase.endsWith('?');
	}
}

/** Least and most a figure of a row can be; null when it is not known. */
function spanOf(row: ScoutRow, field: NumberField): readonly [number, number] | null {
	switch (field) {
		case 'volume':
			return row.volumeMin === null && row.volumeMax === null
				? null
				: [row.volumeMin ?? 0, row.volumeMax ?? Number.POSITIVE_INFINITY];
		case 'ratio':
			return row.titles && [row.titles.ratioMin, row.titles.ratioMax];
		case 'opening':
			return single(row.opening.value);
		case 'bid':
			return row.bidLow === null && row.bidHigh === null
				? null
				: [row.bidLow ?? row.bidHigh!, row.bidHigh ?? row.bidLow!];
		default:
			return single(row[field] ?? null);
	}
}

function single(value: number | null): readonly [number, number] | null {
	return value === null ? null : [value, value];
}

export const SORT_FIELDS = [
	'list',
	'phrase',
	'volume',
	'change3m',
	'changeYear',
	'competition',
	'titleMatches',
	'ratio',
	'weak',
	'words',
	'intent',
	'cluster',
	'opening',
	'bid'
] as const;

export type SortField = (typeof SORT_FIELDS)[number];

export interface Sorting {
	readonly field: SortField;
	readonly isDescending: boolean;
}

/**
 * Rows in order; what is not known stands last either way, and equal rows keep their order. By
 * opening, full sums stand before those with parts missing: half a sum is no better for being high.
 */
export function sortRows(
	rows: readonly ScoutRow[],
	{ field, isDescending }: Sorting,
	clusterOf: ReadonlyMap<string, string>
): readonly ScoutRow[] {
	if (field === 'list') return isDescending ? [...rows].reverse() : rows;
	const sign = isDescending ? -1 : 1;
	const keyed = rows.map((row, at) => ({
		row,
		at,
		value: sortValueOf(row, field, clusterOf),
		isPartial: row.opening.missing.length > 0
	}));
	keyed.sort((a, b) => {
		if (field === 'opening' && a.isPartial !== b.isPartial) return a.isPartial ? 1 : -1;
		if (a.value === null || b.value === null)
			return a.value === b.value ? a.at - b.at : a.value === null ? 1 : -1;
		return a.value < b.value ? -sign : a.value > b.value ? sign : a.at - b.at;
	});
	return keyed.map(({ row }) => row);
}

function sortValueOf(
	row: ScoutRow,
	field: Exclude<SortField, 'list'>,
	clusterOf: ReadonlyMap<string, string>
): number | string | null {
	switch (field) {
		case 'phrase':
			return row.phrase.toLowerCase();
		case 'volume':
			return middleVolumeOf(row);
		case 'competition':
			return (
				row.competitionIndex ??
				(row.competition && 34 * COMPETITION_LEVELS.indexOf(row.competition))
			);
		case 'ratio':
			return row.titles && row.titles.ratioMax;
		case 'weak':
			return row.weakSpots?.find(isWeaklyHeld)?.position ?? null;
		case 'intent':
			return INTENTS.indexOf(row.searchIntent);
		case 'cluster':
			return clusterOf.get(row.key)?.toLowerCase() ?? null;
		case 'opening':
			return row.opening.value;
		case 'bid':
			return row.bidHigh ?? row.bidLow;
		default:
			return row[field];
	}
}
