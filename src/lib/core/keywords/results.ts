import { plainCell, plainLines, delimiterOf, readRecords, type RejectedLine } from './delimited';
import { decimalOf, isBlankCell, readCount, readNumber } from './numbers';
import { plainPhrase } from './read-keywords';

export const RESULT_KINDS = [
	'article',
	'shop',
	'official',
	'forum',
	'video',
	'home',
	'list'
] as const;

export type ResultKind = (typeof RESULT_KINDS)[number];

/** One page of a results list, as far as it is known. */
export interface RankedResult {
	/** From 1. */
	readonly position: number;
	readonly address: string;
	readonly title: string;
	/** Strength of the site, 0–100. */
	readonly strength: number | null;
	readonly kind: ResultKind | null;
	readonly words: number | null;
	/** When it was last written, as YYYY, YYYY-MM or YYYY-MM-DD; empty when not known. */
	readonly date: string;
}

/** Who ranks for one phrase. */
export interface ResultsList {
	/** Empty: the file names no phrase, so the writer says which it is for. */
	readonly phrase: string;
	readonly results: readonly RankedResult[];
}

export type ResultsRead =
	| {
			readonly kind: 'read';
			readonly lists: readonly ResultsList[];
			readonly rejected: readonly RejectedLine[];
	  }
	| { readonly kind: 'unreadable'; readonly reason: string };

type Part = 'phrase' | 'position' | 'address' | 'title' | 'strength' | 'kind' | 'words' | 'date';

const HEADINGS: readonly (readonly [Part, RegExp])[] = [
	['position', /^(?:position|pos\.?|rank|ranking|#|no\.?|place)$/],
	['address', /^(?:address|url|link|page|page address|web address)$/],
	['phrase', /\b(?:keyword|phrase|query|search term)\b/],
	['title', /\btitle\b/],
	['strength', /\b(?:strength|authority|rating|domain score)\b|^(?:da|dr)$/],
	['kind', /^(?:kind|type|page kind|page type|format)$/],
	['words', /\b(?:words|word count|length)\b/],
	['date', /\b(?:date|age|updated|published|modified|last change)\b/]
];

/**
 * Reads a list of who ranks: one phrase or many in one file, columns in any order. Without a
 * header, addresses on lines of their own stand in order of rank.
 */
export function readResultsList(text: string): ResultsRead {
	const plain = plainLines(text);
	const { records, rejected } = readRecords(plain, delimiterOf(plain));
	if (records.length === 0) return { kind: 'unreadable', reason: 'there is nothing in it' };
	const headerAt = records
		.slice(0, 25)
		.findIndex(({ cells }) => cells.some((cell) => partOf(cell) === 'address') && cells.length > 1);
	const header = records[headerAt];
	const parts = header
		? header.cells.map(partOf)
		: (records[0]!.cells.map((cell) => (addressIn(cell) ? 'address' : null)) as (Part | null)[]);
	if (!parts.includes('address'))
		return { kind: 'unreadable', reason: 'no column of it holds addresses' };
	const decimal = decimalOf(records.flatMap(({ cells }) => cells).slice(0, 2000)) ?? '.';
	const lists = new Map<string, RankedResult[]>();
	for (const { cells, line } of records.slice(headerAt + 1)) {
		const reject = (reason: string) =>
			rejected.push({ line, reason, text: cells.join(', ').slice(0, 200) });
		const valueOf = (part: Part) => {
			const at = parts.indexOf(part);
			return at < 0 ? '' : plainCell(cells[at] ?? '');
		};
		const address = addressIn(valueOf('address'));
		if (address === null) {
			reject(`“${valueOf('address').slice(0, 60)}” is not a web address`);
			continue;
		}
		const phrase = plainPhrase(valueOf('phrase'));
		const results = lists.get(phrase) ?? [];
		const numbers = {
			position: readCount(valueOf('position'), decimal),
			strength: readStrength(valueOf('strength')),
			words: readCount(valueOf('words'), decimal)
		};
		const wrong = Object.entries(numbers).find(([, value]) => value === undefined);
		if (wrong) {
			reject(`“${valueOf(wrong[0] as Part).slice(0, 40)}” is no ${wrong[0]}`);
			continue;
		}
		const position = numbers.position ?? results.length + 1;
		if (position < 1 || results.some((other) => other.position === position)) {
			reject(position < 1 ? 'positions begin with 1' : `position ${position} is taken already`);
			continue;
		}
		results.push({
			position,
			address,
			title: valueOf('title').slice(0, 300),
			strength: numbers.strength ?? null,
			kind: kindNamed(valueOf('kind')),
			words: numbers.words ?? null,
			date: dateIn(valueOf('date'))
		});
		lists.set(phrase, results);
	}
	if (lists.size === 0)
		return {
			kind: 'unreadable',
			reason: `no line of it could be read; line ${rejected[0]?.line ?? 1}: ${rejected[0]?.reason ?? 'it is empty'}`
		};
	return {
		kind: 'read',
		lists: [...lists].map(([phrase, results]) => ({
			phrase,
			results: results.sort((a, b) => a.position - b.position)
		})),
		rejected
	};
}

function partOf(heading: string): Part | null {
	const plain = heading
		.trim()
		.toLowerCase()
		.replace(/[_\s]+/g, ' ');
	return HEADINGS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
}

function addressIn(cell: string): string | null {
	const plain = cell.trim();
	const full = /^https?:\/\//i.test(plain) ? plain : `https://${plain}`;
	if (!/^https?:\/\/[^\s/.]+(?:\.[^\s/.]+)+(?:[/?#:]\S*)?$/i.test(full)) return null;
	try {
		return new URL(full).href;
	} catch {
		return null;
	}
}

function readStrength(cell: string): number | null | undefined {
	if (isBlankCell(cell)) return null;
	const value = readNumber(cell.replace(/\s*\/\s*100$|%$/, ''), '.');
	return value === undefined || value < 0 || value > 100 ? undefined : value;
}

function kindNamed(cell: string): ResultKind | null {
	const plain = cell.trim().toLowerCase();
	if (plain === '') return null;
	const known = RESULT_KINDS.find((kind) => plain.startsWith(kind));
	if (known) return known;
	if (/blog|guide|post|news/.test(plain)) return 'article';
	if (/product|store|e-?commerce/.test(plain)) return 'shop';
	if (/thread|community|q&a|board/.test(plain)) return 'forum';
	return /council|government|gov/.test(plain) ? 'official' : null;
}

function dateIn(cell: string): string {
	const iso = /\b(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?\b/.exec(cell);
	return iso ? [iso[1], iso[2], iso[3]].filter(Boolean).join('-') : '';
}
