import { NO_VOLUME, type Volume } from './keyword';

/** The sign that separates decimals in a column. */
export type Decimal = '.' | ',';

/** Undefined stands for a cell that says something, but no number. */
export type Maybe<T> = T | undefined;

const BLANK =
	/^(?:[-–—−―.?]*|--+|n\.?\s?\/?\s?a\.?|null|none|nil|nan|unknown|no data|not available|not provided|unspecified|#n\/a)$/i;

/** Whether a cell says that nothing is known. */
export function isBlankCell(cell: string): boolean {
	return BLANK.test(cell.trim());
}

const SPACES = /[\s\u00a0\u2007\u2009\u202f]/g;

/**
 * The decimal sign a column uses, from the cells that leave no doubt: both signs in one
 * ("1.300,50"), a sign without three digits behind it ("0,11"), a sign that stands twice
 * ("1.300.000"). Null when every cell could be read both ways.
 */
export function decimalOf(cells: readonly string[]): Decimal | null {
	let points = 0;
	let commas = 0;
	for (const cell of cells) {
		for (const [digits] of cell.replace(SPACES, '').matchAll(/\d[\d.,]*\d/g)) {
			const sign = decimalIn(digits);
			if (sign === '.') points++;
			if (sign === ',') commas++;
		}
	}
	return points === commas ? null : points > commas ? '.' : ',';
}

function decimalIn(digits: string): Decimal | null {
	const point = digits.lastIndexOf('.');
	const comma = digits.lastIndexOf(',');
	if (point < 0 && comma < 0) return null;
	if (point >= 0 && comma >= 0) return point > comma ? '.' : ',';
	const sign = point >= 0 ? '.' : ',';
	const at = Math.max(point, comma);
	if (digits.indexOf(sign) !== at) return sign === '.' ? ',' : '.';
	if (digits.length - at - 1 !== 3 || digits.startsWith('0') || at > 3) return sign;
	return null;
}

const SIZES: Readonly<Record<string, number>> = { k: 1e3, m: 1e6, mio: 1e6, b: 1e9, bn: 1e9 };

/**
 * Reads one number of at most a sign, digits with separators and a size: "1,300", "1 300",
 * "1'300", "2.4K". Undefined when it is none.
 */
export function readNumber(text: string, decimal: Decimal): Maybe<number> {
	const plain = text.normalize('NFKC').replace(SPACES, '').replace(/['’]/g, '');
	const match = /^([+\-−–])?(\d[\d.,]{0,30}|[.,]\d{1,20})(k|m|mio|bn?)?$/i.exec(plain);
	if (!match) return undefined;
	const [, sign, digits = '', size] = match;
	const clear = decimalIn(digits) ?? decimal;
	const grouped = clear === '.' ? ',' : '.';
	const [whole = '', ...rest] = digits.split(clear);
	if (rest.length > 1) return undefined;
	const groups = whole.split(grouped);
	const isGrouped = groups.length > 1;
	if (isGrouped && !groups.slice(1).every((group) => /^\d{2,3}$/.test(group))) return undefined;
	const value =
		Number(`${groups.join('')}.${rest[0] ?? ''}0`) * (size ? SIZES[size.toLowerCase()]! : 1);
	if (!Number.isFinite(value)) return undefined;
	return sign && sign !== '+' ? -value : value;
}

const DASH = /\s*(?:–|—|‒|−|~|\.{2,3}|…|(?<=[\d\skmb])-|\bto\b|\bbis\b|\band\b)\s*/i;

/** Reads searches a month: "1,300", "1K – 10K", "100-1000", "<10", "10K+", "about 50". */
export function readVolume(cell: string, decimal: Decimal): Maybe<Volume> {
	if (isBlankCell(cell)) return NO_VOLUME;
	const plain = cell
		.normalize('NFKC')
		.trim()
		.replace(/\s*(?:searches|hits)?\s*(?:\/|per|a)\s*(?:mo|month|monat)\.?$/i, '')
		.replace(/\s*searches$/i, '')
		.replace(/^(?:approx\.?|about|ca\.?|~|≈)\s*/i, '')
		.replace(/^between\s+/i, '');
	const bound = /^(<|≤|under|below|up to|>|≥|over|above|from)\s*(.+)$/i.exec(plain);
	if (bound) {
		const value = whole(readNumber(bound[2]!, decimal));
		if (value === undefined) return undefined;
		return /^(?:<|≤|under|below|up to)$/i.test(bound[1]!)
			? { volume: null, volumeMin: 0, volumeMax: value }
			: { volume: null, volumeMin: value, volumeMax: null };
	}
	if (plain.endsWith('+')) {
		const value = whole(readNumber(plain.slice(0, -1), decimal));
		return value === undefined ? undefined : { volume: null, volumeMin: value, volumeMax: null };
	}
	const single = whole(readNumber(plain, decimal));
	if (single !== undefined) return exactly(single);
	const ends = plain.split(DASH);
	if (ends.length !== 2) return undefined;
	const [a, b] = ends.map((end) => whole(readNumber(end, decimal)));
	if (a === undefined || b === undefined) return undefined;
	if (a === b) return exactly(a);
	return { volume: null, volumeMin: Math.min(a, b), volumeMax: Math.max(a, b) };
}

function exactly(volume: number): Volume {
	return { volume, volumeMin: volume, volumeMax: volume };
}

/** Searches are counted, so a volume is whole and not negative. */
function whole(value: Maybe<number>): Maybe<number> {
	return value === undefined || value < 0 ? undefined : Math.round(value);
}

/** Reads a change: "+900%", "-12 %", "(12%)", "∞"; the number as it stands, null when blank. */
export function readChange(cell: string, decimal: Decimal): Maybe<number | null> {
	if (isBlankCell(cell)) return null;
	const plain = cell.normalize('NFKC').trim().replace(/%$/, '').trim();
	if (/^\+?\s*(?:∞|inf(?:inity)?)$/i.test(plain)) return Number.POSITIVE_INFINITY;
	const inBrackets = /^\((.+?)\s*%?\)$/.exec(plain);
	const value = readNumber(inBrackets?.[1] ?? plain, decimal);
	return value === undefined ? undefined : inBrackets ? -Math.abs(value) : value;
}

export interface Amount {
	readonly value: number;
	readonly currency: string;
}

/** Reads money: "£1.20", "1,20 €", "US$ 0.45", "GBP 3"; null when blank. */
export function readAmount(cell: string, decimal: Decimal): Maybe<Amount | null> {
	if (isBlankCell(cell)) return null;
	const match = /^([^\d.,+\-−]{0,6}?)\s*([+\-−]?[\d.,\s\u00a0\u202f'’]+)\s*([^\d]{0,6})$/.exec(
		cell.normalize('NFKC').trim()
	);
	if (!match) return undefined;
	const value = readNumber(match[2]!, decimal);
	if (value === undefined) return undefined;
	return { value, currency: (match[1]!.trim() || match[3]!.trim()).toUpperCase() };
}

/** Reads a count of whole things; null when blank. */
export function readCount(cell: string, decimal: Decimal): Maybe<number | null> {
	if (isBlankCell(cell)) return null;
	return whole(readNumber(cell.replace(/^(?:about|approx\.?|ca\.?|~|≈)\s*/i, ''), decimal));
}
