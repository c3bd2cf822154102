import Papa from 'papaparse';

/** One record of a list: its cells as they stand, and the line of the file it begins on, from 1. */
export interface DelimitedRecord {
	readonly line: number;
	readonly cells: readonly string[];
}

/** A line that could not be read, with its reason and its beginning. */
export interface RejectedLine {
	readonly line: number;
	readonly reason: string;
	readonly text: string;
}

export const DELIMITERS = ['\t', ';', ',', '|'] as const;
/** Empty: every line is one cell. */
export type Delimiter = (typeof DELIMITERS)[number] | '';

/**
 * A quoted cell may break lines, but a record over more lines than this is two stray
 * quotation marks that found one another.
 */
const MOST_LINES_IN_RECORD = 12;
/** After so many stray marks the rest is read without quoting, so that no file takes long. */
const MOST_STRAYS = 20;
const LOOKED_AT = 60;

/** One kind of line end, no mark at the start, no zero bytes. */
export function plainLines(text: string): string {
	return text
		.replace(/^\ufeff/, '')
		.replace(/\r\n?|\u2028|\u2029/g, '\n')
		.replace(/\0/g, '');
}

/**
 * The sign that separates cells: the one that makes a line a header, else the one that stands
 * equally often on most lines. A list with none on half of its lines is one cell a line.
 */
export function delimiterOf(
	text: string,
	isHeader: (cells: readonly string[]) => boolean = () => false
): Delimiter {
	const named = /^sep=(.)\n/i.exec(text);
	if (named) return DELIMITERS.find((sign) => sign === named[1]) ?? '';
	const lines = text
		.slice(0, 200_000)
		.split('\n')
		.filter((line) => line.trim() !== '')
		.slice(0, LOOKED_AT);
	const heading = DELIMITERS.find((sign) =>
		lines.slice(0, 25).some((line) => {
			const cells = line.split(sign).map(unquoted);
			return cells.length > 1 && isHeader(cells);
		})
	);
	if (heading) return heading;
	let best: Delimiter = '';
	let most = 0.5;
	for (const sign of DELIMITERS) {
		const counts = new Map<number, number>();
		for (const line of lines) {
			const n = countOutsideQuotes(line, sign);
			if (n > 0) counts.set(n, (counts.get(n) ?? 0) + 1);
		}
		const usual = Math.max(0, ...counts.values()) / Math.max(1, lines.length);
		// the order of DELIMITERS settles what is near: decimal commas stand beside semicolons
		if (usual > most + (best === '' ? 0 : 0.1)) [best, most] = [sign, usual];
	}
	return best;
}

function countOutsideQuotes(line: string, sign: string): number {
	let count = 0;
	let isQuoted = false;
	for (let i = 0; i < line.length; i++) {
		if (line[i] === '"') isQuoted = !isQuoted;
		else if (line[i] === sign && !isQuoted) count++;
	}
	return count;
}

/**
 * Cuts text with one kind of line end into records. A quotation mark that is opened and never
 * closed costs its own line and no other. Empty lines are left out. Time is linear in length.
 */
export function readRecords(
	text: string,
	delimiter: Delimiter
): { records: DelimitedRecord[]; rejected: RejectedLine[] } {
	const records: DelimitedRecord[] = [];
	const rejected: RejectedLine[] = [];
	let at = 0;
	let line = 1;
	for (let strays = 0; at < text.length; strays++) {
		const isLast = delimiter === '' || strays >= MOST_STRAYS;
		const stray = readUntilStray(text.slice(at), line, isLast ? null : '"', delimiter, records);
		if (stray === null) break;
		const start = at + stray.at;
		const end = text.indexOf('\n', start);
		const broken = text.slice(start, end < 0 ? text.length : end);
		rejected.push({
			line: stray.line,
			reason: 'a quotation mark is opened and not closed',
			text: broken.slice(0, 200)
		});
		if (end < 0) break;
		at = end + 1;
		line = stray.line + 1;
	}
	return { records, rejected };
}

/** Reads records until one has a stray quotation mark; gives its place, or null at the end. */
function readUntilStray(
	text: string,
	firstLine: number,
	quote: string | null,
	delimiter: Delimiter,
	records: DelimitedRecord[]
): { at: number; line: number } | null {
	let line = firstLine;
	let start = 0;
	let stray: { at: number; line: number } | null = null;
	Papa.parse(text, {
		// a sign no text holds stands for "no delimiter" and "no quotes"
		delimiter: delimiter === '' ? '\u0001' : delimiter,
		quoteChar: quote ?? '\u0002',
		newline: '\n',
		skipEmptyLines: false,
		step({ data, errors, meta }, parser) {
			const end = Math.min(meta.cursor, text.length);
			const lines = countBreaks(text, start, end);
			const isBroken =
				errors.some(({ code }) => code === 'MissingQuotes') ||
				(errors.some(({ type }) => type === 'Quotes') && lines > 1) ||
				lines > MOST_LINES_IN_RECORD;
			if (isBroken) {
				stray = { at: start, line };
				parser.abort();
				return;
			}
			if (data.some((cell) => cell.trim() !== '')) {
				records.push({ line, cells: quote === null ? data.map(unquoted) : data });
			}
			start = end;
			line += lines;
		}
	});
	return stray;
}

function countBreaks(text: string, start: number, end: number): number {
	let count = 0;
	for (let i = text.indexOf('\n', start); i >= 0 && i < end; i = text.indexOf('\n', i + 1)) count++;
	return count;
}

function unquoted(cell: string): string {
	const match = /^\s*"([\s\S]*)"\s*$/.exec(cell);
	return match ? match[1]!.replace(/""/g, '"') : cell;
}

/**
 * A cell that a spreadsheet would take for a formula gets an apostrophe in front, as the
 * spreadsheets themselves do; plain numbers with a sign are none.
 */
export function safeCell(cell: string): string {
	const opens = /^'*[=+\-@\t\r]/.test(cell);
	return opens && !/^-?\d[\d.,]*%?$/.test(cell) ? `'${cell}` : cell;
}

/** Takes off the apostrophe of `safeCell`, and the ="…" by which some exports keep text as text. */
export function plainCell(cell: string): string {
	const plain = cell.trim();
	if (/^''*[=+\-@\t\r]/.test(plain)) return plain.slice(1);
	return /^="([^"]*)"$/.exec(plain)?.[1] ?? plain;
}

/** Rows as CSV with a mark at the start, which spreadsheets need to read it as UTF-8. */
export function writeCsv(rows: readonly (readonly string[])[]): string {
	const safe = rows.map((row) => row.map(safeCell));
	return `\ufeff${Papa.unparse(safe, { newline: '\r\n' })}\r\n`;
}
