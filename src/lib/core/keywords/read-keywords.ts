import { columnsOf, findHeader, isHeader, type Column, type ColumnMeaning } from './columns';
import {
	delimiterOf,
	plainCell,
	plainLines,
	readRecords,
	type Delimiter,
	type DelimitedRecord,
	type RejectedLine
} from './delimited';
import { intentNamed } from './intent';
import {
	blankKeyword,
	phraseKeyOf,
	type CompetitionLevel,
	type Keyword,
	type Volume
} from './keyword';
import { readAmount, readChange, readCount, readVolume, type Maybe } from './numbers';

export interface KeywordList {
	readonly delimiter: Delimiter;
	/** Line of the header, from 1; null: the list has none. */
	readonly headerLine: number | null;
	/** Lines above the header: a title, a date, a note. */
	readonly above: readonly string[];
	readonly columns: readonly Column[];
	readonly rows: readonly Keyword[];
	readonly rejected: readonly RejectedLine[];
	/** How many rows repeated a phrase and were merged into the first of it. */
	readonly merged: number;
}

export type KeywordListResult =
	| { readonly kind: 'read'; readonly list: KeywordList }
	| { readonly kind: 'unreadable'; readonly reason: string };

export interface ReadKeywordsOptions {
	/** Meanings the writer has settled, by position of the column. */
	readonly meanings?: Readonly<Record<number, ColumnMeaning>>;
}

/** Where long work stands, for showing and for stopping between steps. */
export interface Step {
	readonly done: number;
	readonly all: number;
}

/** Rows read between two steps: some milliseconds of work. */
const ROWS_PER_STEP = 2_000;
const LONGEST_PHRASE = 200;
const LONGEST_NUMBER = 60;

/**
 * Reads a keyword list of any planner, a spreadsheet's clipboard, or plain lines. Works in
 * steps, so that a caller can show progress and stop; `runThrough` takes them all at once. A row
 * that cannot be read is listed with its line and reason, and the rest comes in.
 */
export function* readKeywordList(
	text: string,
	{ meanings = {} }: ReadKeywordsOptions = {}
): Generator<Step, KeywordListResult> {
	const plain = plainLines(text);
	const delimiter = delimiterOf(plain, isHeader);
	const { records: all, rejected } = readRecords(plain.replace(/^sep=.\n/i, '\n'), delimiter);
	if (all.length === 0)
		return { kind: 'unreadable', reason: rejected[0]?.reason ?? 'there is nothing in it' };
	const headerAt = findHeader(all);
	const header = all[headerAt] ?? null;
	const records = headerAt < 0 ? withoutTitle(all) : all.slice(headerAt + 1);
	const columns = columnsOf(header, records, delimiter, meanings);
	if (!columns.some(({ meaning }) => meaning === 'phrase'))
		return { kind: 'unreadable', reason: 'no column of it holds phrases' };

	const rows = new Map<string, Keyword>();
	let merged = 0;
	for (const [i, record] of records.entries()) {
		if (i % ROWS_PER_STEP === 0) yield { done: i, all: records.length };
		const read = readRow(record, columns);
		if (typeof read === 'string') {
			rejected.push({
				line: record.line,
				reason: read,
				text: record.cells.join(delimiter === '\t' ? ' · ' : delimiter).slice(0, 200)
			});
			continue;
		}
		const key = phraseKeyOf(read.phrase);
		const known = rows.get(key);
		if (known) merged++;
		rows.set(key, known ? fillIn(known, read) : read);
	}
	if (rows.size === 0 && rejected.length > 0)
		return {
			kind: 'unreadable',
			reason: `no row of it could be read; line ${rejected[0]!.line}: ${rejected[0]!.reason}`
		};
	return {
		kind: 'read',
		list: {
			delimiter,
			headerLine: header?.line ?? null,
			above: headerAt <= 0 ? [] : all.slice(0, headerAt).map(({ cells }) => cells.join(' ').trim()),
			columns,
			rows: [...rows.values()],
			rejected: rejected.sort((a, b) => a.line - b.line),
			merged
		}
	};
}

/** Runs work in steps to its end. */
export function runThrough<T>(steps: Generator<unknown, T>): T {
	for (;;) {
		const step = steps.next();
		if (step.done) return step.value;
	}
}

/** Without a header, a first record narrower than all others is a title. */
function withoutTitle(records: readonly DelimitedRecord[]): readonly DelimitedRecord[] {
	const widths = records.slice(0, 50).map(({ cells }) => filledIn(cells));
	const usual = Math.min(...widths.slice(1));
	return records.length > 2 && usual > 1 && widths[0]! < usual ? records.slice(1) : records;
}

function filledIn(cells: readonly string[]): number {
	return cells.filter((cell) => cell.trim() !== '').length;
}

/** A row of the list, or why it cannot be read. */
function readRow({ cells }: DelimitedRecord, columns: readonly Column[]): Keyword | string {
	if (cells.slice(columns.length).some((cell) => cell.trim() !== '')) {
		return `it has ${cells.length} values for ${columns.length} columns: put text that holds the separator into quotation marks`;
	}
	// filled in place: a copy for each cell would cost more than all the reading
	const row: { -readonly [K in keyof Keyword]: Keyword[K] } = blankKeyword('');
	const other: [string, string][] = [];
	for (const column of columns) {
		const cell = plainCell(cells[column.index] ?? '');
		if (column.meaning === 'phrase') {
			row.phrase = plainPhrase(cell);
			continue;
		}
		if (cell === '') continue;
		if (column.meaning === 'other') {
			other.push([column.name, cell.slice(0, 500)]);
			continue;
		}
		const values = valuesOf(cell, column);
		if (values === undefined) return `“${cell.slice(0, 40)}” in ${column.name} is not a number`;
		Object.assign(row, values);
	}
	if (row.phrase === '') return 'it names no phrase';
	if (!/[\p{L}\p{N}]/u.test(row.phrase)) return 'its phrase holds no word';
	if (row.phrase.length > LONGEST_PHRASE)
		return `its phrase is longer than ${LONGEST_PHRASE} characters`;
	row.other = other;
	return withRange(row);
}

/** What a cell says of the phrase; undefined when it should be a number and is none. */
function valuesOf(cell: string, { meaning, decimal, isShare }: Column): Maybe<Partial<Keyword>> {
	if (cell.length > LONGEST_NUMBER && meaning !== 'intent' && meaning !== 'cluster')
		return undefined;
	switch (meaning) {
		case 'volume':
			return readVolume(cell, decimal);
		case 'volumeMin':
		case 'volumeMax': {
			const value = readCount(cell, decimal);
			return value === undefined ? undefined : { [meaning]: value };
		}
		case 'change3m':
		case 'changeYear': {
			const value = readChange(cell, decimal);
			if (value === undefined) return undefined;
			return { [meaning]: value !== null && isShare ? rounded(100 * value) : value };
		}
		case 'titleMatches': {
			const value = readCount(cell, decimal);
			return value === undefined ? undefined : { titleMatches: value };
		}
		case 'competition':
			return { competition: levelNamed(cell) };
		case 'competitionIndex':
		case 'difficulty': {
			const amount = readAmount(cell.replace(/%$|\s*\/\s*100$/, ''), decimal);
			return amount === undefined ? undefined : { [meaning]: amount?.value ?? null };
		}
		case 'bidLow':
		case 'bidHigh': {
			const amount = readAmount(cell, decimal);
			if (amount === undefined) return undefined;
			return {
				[meaning]: amount?.value ?? null,
				...(amount?.currency ? { currency: amount.currency } : {})
			};
		}
		case 'currency':
			return { currency: cell.toUpperCase().slice(0, 8) };
		case 'intent':
			return { intent: intentNamed(cell) };
		case 'cluster':
			return { cluster: cell.slice(0, 120) };
		default:
			return {};
	}
}

function levelNamed(cell: string): CompetitionLevel | null {
	const plain = cell.trim().toLowerCase();
	if (/^(?:low|niedrig|bas|l)\b/.test(plain)) return 'low';
	if (/^(?:med|mid|mittel|moyen|m)/.test(plain)) return 'medium';
	return /^(?:high|hoch|haut|h)\b/.test(plain) ? 'high' : null;
}

function rounded(value: number): number {
	return Number.isFinite(value) ? Math.round(value * 100) / 100 : value;
}

/** Two columns for the ends of a range make the range; equal ends make a figure. */
function withRange(row: Keyword): Keyword {
	if (row.volume !== null || (row.volumeMin === null && row.volumeMax === null)) return row;
	const [min, max] = [row.volumeMin ?? 0, row.volumeMax];
	if (max === null) return { ...row, volumeMin: min };
	const range: Volume = {
		volume: min === max ? min : null,
		volumeMin: Math.min(min, max),
		volumeMax: Math.max(min, max)
	};
	return { ...row, ...range };
}

/** One line, without the brackets and quotation marks by which planners tell kinds of match. */
export function plainPhrase(cell: string): string {
	const plain = cell
		.normalize('NFC')
		.replace(/[\s\u00a0\u200b]+/g, ' ')
		.trim();
	return (
		/^\[([^[\]]+)\]$/.exec(plain)?.[1] ??
		/^["“”]([^"“”]+)["“”]$/.exec(plain)?.[1] ??
		plain
	).trim();
}

/** Fills what a row leaves open from another row of the same phrase. */
export function fillIn(row: Keyword, from: Keyword): Keyword {
	const hasVolume = row.volumeMin !== null || row.volumeMax !== null;
	const known = new Set(row.other.map(([name]) => name));
	return {
		phrase: row.phrase,
		volume: hasVolume ? row.volume : from.volume,
		volumeMin: hasVolume ? row.volumeMin : from.volumeMin,
		volumeMax: hasVolume ? row.volumeMax : from.volumeMax,
		change3m: row.change3m ?? from.change3m,
		changeYear: row.changeYear ?? from.changeYear,
		competition: row.competition ?? from.competition,
		competitionIndex: row.competitionIndex ?? from.competitionIndex,
		difficulty: row.difficulty ?? from.difficulty ?? null,
		bidLow: row.bidLow ?? from.bidLow,
		bidHigh: row.bidHigh ?? from.bidHigh,
		currency: row.currency || from.currency,
		titleMatches: row.titleMatches ?? from.titleMatches,
		intent: row.intent ?? from.intent,
		cluster: row.cluster || from.cluster,
		other: [...row.other, ...from.other.filter(([name]) => !known.has(name))]
	};
}
