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
	// a sign no text holds stands for "no delimiter"
	const sign = delimiter === '' ? '\u0001' : delimiter;
	const { sound, rejected } =
		delimiter === '' ? { sound: text, rejected: [] } : withoutStrays(text, sign);
	let line = 1;
	let start = 0;
	Papa.parse(sound, {
		delimiter: sign,
		quoteChar: delimiter === '' ? '\u0002' : '"',
		newline: '\n',
		skipEmptyLines: false,
		step({ data, meta }) {
			const end = Math.min(meta.cursor, sound.length);
			if (data.some((cell) => cell.trim() !== '')) records.push({ line, cells: data });
			line += countBreaks(sound, start, end);
			start = end;
		}
	});
	return { records, rejected };
}

/** Empties the lines whose quotation mark opens a cell and finds no end near enough; line numbers stay. */
function withoutStrays(
	text: string,
	delimiter: string
): { sound: string; rejected: RejectedLine[] } {
	const rejected: RejectedLine[] = [];
	const lines = text.split('\n');
	for (let at = 0; at < lines.length;) {
		const more = linesMoreOf(lines, at, delimiter);
		if (more === null) {
			rejected.push({
				line: at + 1,
				reason: 'a quotation mark is opened and not closed',
				text: lines[at]!.slice(0, 200)
			});
			lines[at] = '';
			at++;
		} else at += 1 + more;
	}
	return { sound: rejected.length === 0 ? text : lines.join('\n'), rejected };
}

/** How many more lines the record takes that begins on a line; null when a cell of it never closes. */
function linesMoreOf(lines: readonly string[], from: number, delimiter: string): number | null {
	let isOpen = false;
	/** A mark inside an open cell that neither closes nor doubles; over several lines it cannot be trusted. */
	let isDoubtful = false;
	for (let more = 0; more <= MOST_LINES_IN_RECORD && from + more < lines.length; more++) {
		const line = lines[from + more]!;
		if (!isOpen && !line.includes('"')) return more;
		let isAtStart = !isOpen;
		for (let i = 0; i < line.length; i++) {
			const letter = line[i];
			if (isOpen) {
				if (letter !== '"') continue;
				if (line[i + 1] === '"') {
					i++;
					continue;
				}
				let next = i + 1;
				while (line[next] === ' ') next++;
				if (next >= line.length || line[next] === delimiter) isOpen = false;
				else isDoubtful = true;
			} else if (letter === '"' && isAtStart) {
				isOpen = true;
				isAtStart = false;
			} else isAtStart = letter === delimiter;
		}
		if (!isOpen) return isDoubtful && more > 0 ? null : more;
	}
	return null;
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
