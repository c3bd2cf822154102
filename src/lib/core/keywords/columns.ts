import { decimalOf, isBlankCell, readNumber, type Decimal } from './numbers';
import type { Delimiter, DelimitedRecord } from './delimited';

/** What a column of a keyword list can mean. */
export const COLUMN_MEANINGS = [
	'phrase',
	'volume',
	'volumeMin',
	'volumeMax',
	'change3m',
	'changeYear',
	'competition',
	'competitionIndex',
	'difficulty',
	'titleMatches',
	'bidLow',
	'bidHigh',
	'currency',
	'intent',
	'cluster',
	'other'
] as const;

export type ColumnMeaning = (typeof COLUMN_MEANINGS)[number];

export interface Column {
	readonly index: number;
	/** As the header names it; "Column 2" where there is no header. */
	readonly name: string;
	readonly meaning: ColumnMeaning;
	/** The sign for decimals in it. */
	readonly decimal: Decimal;
	/** Whether changes stand as shares (0.22) and not as percent (22%). */
	readonly isShare: boolean;
	/** The first few values, for a look before anything comes in. */
	readonly samples: readonly string[];
}

const NUMERIC: ReadonlySet<ColumnMeaning> = new Set([
	'volume',
	'volumeMin',
	'volumeMax',
	'change3m',
	'changeYear',
	'competitionIndex',
	'difficulty',
	'titleMatches',
	'bidLow',
	'bidHigh'
]);

const COUNTS: ReadonlySet<ColumnMeaning> = new Set([
	'volume',
	'volumeMin',
	'volumeMax',
	'titleMatches'
]);

/** Whether the values of a column have to be numbers. */
function isNumericMeaning(meaning: ColumnMeaning): boolean {
	return NUMERIC.has(meaning);
}

/*
 * How planners, spreadsheets and writers head their columns. The first that fits counts, so the
 * narrower stand before the wider.
 */
const HEADINGS: readonly (readonly [ColumnMeaning, RegExp])[] = [
	[
		'titleMatches',
		/\ball\s?in\s?title\b|\bin\s?title\b|\btitle (?:match|result|competition|count|page)|\b(?:pages|results|matches)\b.*\btitles?\b/
	],
	['change3m', /\b(?:3|three)[\s-]*m(?:o|onths?)?\b|\bquarter/],
	[
		'changeYear',
		/\byoy\b|\byear (?:on|over) year\b|\byearly (?:change|trend|growth)\b|\b(?:change|trend|growth)\b.*\b(?:year|12 months|annual)|\b(?:12|twelve)[\s-]*m(?:onths?)?\b.*\b(?:change|trend|growth)|\bannual (?:change|growth)/
	],
	[
		'volumeMin',
		/\b(?:min|minimum|low|lower|from)\b.*\b(?:volume|searches)\b|\b(?:volume|searches)\b.*\b(?:min|minimum|low|lower)\b/
	],
	[
		'volumeMax',
		/\b(?:max|maximum|high|upper|to)\b.*\b(?:volume|searches)\b|\b(?:volume|searches)\b.*\b(?:max|maximum|high|upper)\b/
	],
	[
		'volume',
		/\bvolume\b|\b(?:monthly|avg\.?|average|mean) (?:monthly )?searches\b|^searches\b|\bsearches (?:a|per) month\b|^vol\.?$|^sv$|\bimpressions\b|\bsuchvolumen\b/
	],
	['difficulty', /\bdifficulty\b|^kd\b/],
	['competitionIndex', /\bcompetition\b.*\b(?:index|value|score|indexed|%)|^comp\.? index$/],
	['competition', /^(?:competition|comp\.?)(?: level)?$|\badvertis\w+ competition\b/],
	['bidLow', /\bbid\b.*\blow\b|\blow\w*\b.*\bbid\b|\b(?:min|low)\b.*\bcpc\b/],
	['bidHigh', /\bbid\b|\bcpc\b|\b(?:cost|price) per click\b/],
	['currency', /\bcurrency\b/],
	['intent', /\bintent\b/],
	['cluster', /\bcluster\b|\b(?:ad |keyword )?group\b|\bparent\b|\btopic\b|\btheme\b/],
	[
		'phrase',
		/\bkeywords?\b|\bphrases?\b|\bquer(?:y|ies)\b|\bsearch terms?\b|^terms?$|\bsuchbegriff|\bquestions?\b|\bsuggestions?\b/
	]
];

/** What a heading says its column means; `other` when it says nothing known. */
function meaningOfHeading(heading: string): ColumnMeaning {
	const plain = heading
		.normalize('NFKC')
		.toLowerCase()
		.replace(/[_/()[\]:#]+/g, ' ')
		.replace(/\s+/g, ' ')
		.trim();
	if (plain === '' || plain.length > 80) return 'other';
	return HEADINGS.find(([, pattern]) => pattern.test(plain))?.[0] ?? 'other';
}

/** Whether cells head a list: they name the phrases and at least one more column, and hold no figures. */
export function isHeader(cells: readonly string[]): boolean {
	const filled = cells.filter((cell) => cell.trim() !== '');
	const meanings = new Set(filled.map(meaningOfHeading));
	meanings.delete('other');
	return (
		meanings.has('phrase') &&
		meanings.size > 1 &&
		!filled.some(
			(cell) => readNumber(cell, '.') !== undefined || cell.trim().split(/\s+/).length > 8
		)
	);
}

const HEADER_LOOKED_FOR_IN = 25;

/**
 * Position of the header among the records, or −1. Titles and notes may stand above it. It names
 * the phrases and at least one more column, or the phrases alone in a list of one column.
 */
export function findHeader(records: readonly DelimitedRecord[]): number {
	const looked = records.slice(0, HEADER_LOOKED_FOR_IN);
	const at = looked.findIndex(({ cells }) => isHeader(cells));
	if (at >= 0) return at;
	return looked.findIndex(({ cells }, i) => {
		const filled = cells.filter((cell) => cell.trim() !== '');
		return filled.length === 1 && isHeadingAlone(filled[0]!, records[i + 1]);
	});
}

/** "Keyword" over a list of one column is a heading; "keyword research tools" is a phrase. */
function isHeadingAlone(cell: string, next: DelimitedRecord | undefined): boolean {
	return (
		/^(?:keywords?|phrases?|quer(?:y|ies)|search terms?|terms?|questions?|suggestions?)$/i.test(
			cell.trim()
		) &&
		next !== undefined &&
		next.cells.filter((value) => value.trim() !== '').length === 1
	);
}

const LOOKED_AT = 400;

/** A column is what its heading says only while its values allow it. */
const MOST_UNREADABLE = 0.5;

/** Names and meanings of the columns, guessed from header and values; `given` settles single ones. */
export function columnsOf(
	header: DelimitedRecord | null,
	records: readonly DelimitedRecord[],
	delimiter: Delimiter,
	given: Readonly<Record<number, ColumnMeaning>> = {}
): Column[] {
	const sample = records.slice(0, LOOKED_AT);
	const width = widthOf(header, sample);
	const values = Array.from({ length: width }, (_, i) =>
		sample.map(({ cells }) => (cells[i] ?? '').trim()).filter((cell) => !isBlankCell(cell))
	);
	const meanings = values.map((cells, i): ColumnMeaning => {
		if (given[i]) return given[i];
		const said = header ? meaningOfHeading(header.cells[i] ?? '') : 'other';
		if (said === 'competition' && mostly(cells, isPlainNumber)) return 'competitionIndex';
		if (isNumericMeaning(said) && cells.length > 0 && !someReadable(cells)) return 'other';
		return said;
	});
	keepFirst(meanings, given);
	if (!meanings.includes('phrase')) guessPhrase(meanings, values, given);
	if (!header) guessByValues(meanings, values, given);
	const fileDecimal = decimalOf(values.filter((_, i) => isNumericMeaning(meanings[i]!)).flat());
	return meanings.map((meaning, index) => {
		const cells = values[index]!;
		const likely = fileDecimal ?? (delimiter === ';' ? ',' : '.');
		return {
			index,
			name: header?.cells[index]?.replace(/\s+/g, ' ').trim() || `Column ${index + 1}`,
			meaning,
			// a count has no decimals: three digits behind a sign are thousands, whichever sign it is
			decimal: decimalOf(cells) ?? (COUNTS.has(meaning) ? groupingIn(cells) : null) ?? likely,
			isShare: isChange(meaning) && areShares(header?.cells[index] ?? '', cells),
			samples: cells.slice(0, 3).map((cell) => cell.slice(0, 80))
		};
	});
}

/** As wide as the header or as most rows; a single wider row has a stray separator. */
function widthOf(header: DelimitedRecord | null, sample: readonly DelimitedRecord[]): number {
	const widths = sample.map(({ cells }) => cells.length).sort((a, b) => a - b);
	if (!header) return Math.max(1, ...widths);
	return Math.max(1, header.cells.length, widths[Math.floor(widths.length / 2)] ?? 0);
}

/** For counts: the sign before three digits groups thousands, so the other one is for decimals. */
function groupingIn(cells: readonly string[]): Decimal | null {
	const points = cells.filter((cell) => /\d\.\d{3}(?!\d)/.test(cell)).length;
	const commas = cells.filter((cell) => /\d,\d{3}(?!\d)/.test(cell)).length;
	return points === commas ? null : points > commas ? ',' : '.';
}

function isChange(meaning: ColumnMeaning): boolean {
	return meaning === 'change3m' || meaning === 'changeYear';
}

/** "0.22" for +22%: no percent sign anywhere, and most values are small and broken. */
function areShares(heading: string, cells: readonly string[]): boolean {
	if (/%|percent/i.test(heading) || cells.some((cell) => cell.includes('%'))) return false;
	const decimal = decimalOf(cells) ?? '.';
	const numbers = cells
		.map((cell) => readNumber(cell, decimal))
		.filter((n) => n !== undefined && n !== 0);
	const broken = numbers.filter((n) => !Number.isInteger(n) && Math.abs(n!) < 20);
	return numbers.length > 0 && broken.length > 0.5 * numbers.length;
}

function isPlainNumber(cell: string): boolean {
	return readNumber(cell.replace(/%$/, ''), '.') !== undefined;
}

function mostly(cells: readonly string[], test: (cell: string) => boolean): boolean {
	return cells.length > 0 && cells.filter(test).length > 0.5 * cells.length;
}

function someReadable(cells: readonly string[]): boolean {
	const readable = cells.filter((cell) => /\d|∞|inf/i.test(cell)).length;
	return readable >= (1 - MOST_UNREADABLE) * cells.length;
}

/** Each meaning once: a second column of the same heading keeps its values under its own name. */
function keepFirst(
	meanings: ColumnMeaning[],
	given: Readonly<Record<number, ColumnMeaning>>
): void {
	const taken = new Set(Object.values(given).filter((meaning) => meaning !== 'other'));
	meanings.forEach((meaning, i) => {
		if (given[i] || meaning === 'other') return;
		if (taken.has(meaning)) meanings[i] = 'other';
		taken.add(meaning);
	});
}

/** The phrases stand in the column of most different wordy values. */
function guessPhrase(
	meanings: ColumnMeaning[],
	values: readonly (readonly string[])[],
	given: Readonly<Record<number, ColumnMeaning>>
): void {
	let best = -1;
	let most = 0;
	values.forEach((cells, i) => {
		if (given[i] || meanings[i] !== 'other') return;
		const wordy = cells.filter((cell) => /\p{L}/u.test(cell) && !/^https?:/i.test(cell));
		const value = new Set(wordy).size + wordy.length / 100;
		if (value > most) [best, most] = [i, value];
	});
	if (best >= 0) meanings[best] = 'phrase';
}

/** Without a header the first column of whole numbers or ranges is the volume. */
function guessByValues(
	meanings: ColumnMeaning[],
	values: readonly (readonly string[])[],
	given: Readonly<Record<number, ColumnMeaning>>
): void {
	if (meanings.includes('volume')) return;
	const at = values.findIndex(
		(cells, i) =>
			meanings[i] === 'other' &&
			!given[i] &&
			mostly(cells, (cell) =>
				/^[<>≤≥]?\d[\d.,\s]*[km]?\+?(?:\s*[-–—]\s*\d[\d.,\s]*[km]?)?$/i.test(cell)
			)
	);
	if (at >= 0) meanings[at] = 'volume';
}
