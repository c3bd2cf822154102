import {
	plainCell,
	plainLines,
	delimiterOf,
	readRecords,
	writeCsv,
	type RejectedLine
} from '../keywords';
import type { Link } from './client';

export interface LinkMapRead {
	readonly links: readonly Link[];
	readonly rejected: readonly RejectedLine[];
	/** Lines that repeat a phrase with the same address. */
	readonly repeated: number;
}

const ADDRESS = /^(?:https?:\/\/[^\s/]+\.[^\s]+|\/[^\s]*)$/i;

/**
 * Reads a link map: a phrase and an address on each line, in either order, with or without a
 * header, separated by comma, semicolon, tab or " → ". Addresses are absolute or begin with a slash.
 */
export function readLinkMap(text: string): LinkMapRead {
	const plain = plainLines(text).replace(/[^\S\n]*(?:→|=>|->)[^\S\n]*/g, '\t');
	const delimiter = plain.includes('\t') ? '\t' : delimiterOf(plain, headsLinks);
	const { records, rejected } = readRecords(plain, delimiter);
	const links: Link[] = [];
	const seen = new Set<string>();
	let repeated = 0;
	records.forEach(({ cells: raw, line }, i) => {
		const cells = raw.map((cell) => plainCell(cell).replace(/\s+/g, ' '));
		const reject = (reason: string) =>
			rejected.push({ line, reason, text: cells.join(', ').slice(0, 200) });
		const at = cells.findIndex((cell) => ADDRESS.test(cell));
		if (at < 0) {
			if (i > 0 || !headsLinks(cells))
				reject('no address in it: one begins with https:// or with /');
			return;
		}
		const phrase = cells.find((cell, c) => c !== at && cell !== '');
		if (phrase === undefined) {
			reject('no phrase in it');
			return;
		}
		if (phrase.length > 300 || cells[at]!.length > 2000) {
			reject('phrase or address is too long');
			return;
		}
		const key = `${phrase.toLowerCase()}\n${cells[at]}`;
		if (seen.has(key)) {
			repeated++;
			return;
		}
		seen.add(key);
		links.push({ phrase, address: cells[at]! });
	});
	return { links, rejected: rejected.sort((a, b) => a.line - b.line), repeated };
}

/** Words of an address that name no page: they would fit anywhere. */
const NAMELESS = /^(?:index|home|page|pages|blog|news|shop|tag|category|feed|amp|\d+)$/i;

/** What a file of addresses can be: a sitemap, one that only lists other sitemaps, or neither. */
export function sitemapKindOf(text: string): 'pages' | 'sitemaps' | null {
	const start = text.slice(0, 4000);
	if (/<(?:\w+:)?sitemapindex[\s>]/i.test(start)) return 'sitemaps';
	return /<(?:\w+:)?(?:urlset|loc)[\s>]/i.test(start) ? 'pages' : null;
}

/**
 * Reads a sitemap (sitemaps.org): each address with the words of its last part as a phrase. Addresses whose
 * last part says nothing are left out. A scanner of its own, for sitemaps have tens of thousands of rows
 * and are often cut off.
 */
export function readSitemap(xml: string): Link[] {
	const links: Link[] = [];
	for (const address of sitemapAddresses(xml)) {
		const last = new URL(address).pathname.split('/').filter(Boolean).at(-1) ?? '';
		const phrase = spelled(last.replace(/\.[a-z]{2,5}$/i, ''))
			.replace(/[-_+\s]+/g, ' ')
			.trim();
		if (phrase.length < 3 || phrase.length > 120 || NAMELESS.test(phrase)) continue;
		links.push({ phrase, address });
	}
	return links;
}

/** Every address that a sitemap names, each once: of pages, or of further sitemaps. */
export function sitemapAddresses(xml: string): string[] {
	const found = new Set<string>();
	for (const [, raw = ''] of xml.matchAll(
		/<(?:\w+:)?loc>\s*(?:<!\[CDATA\[)?\s*([^<\]]{1,2000}?)\s*(?:\]\]>)?\s*<\/(?:\w+:)?loc>/gi
	)) {
		const address = raw
			.replace(/&amp;/g, '&')
			.replace(/&apos;/g, "'")
			.replace(/&quot;/g, '"');
		if (URL.canParse(address) && ADDRESS.test(address)) found.add(address);
	}
	return [...found];
}

function spelled(part: string): string {
	try {
		return decodeURIComponent(part);
	} catch {
		return part;
	}
}

function headsLinks(cells: readonly string[]): boolean {
	const plain = cells.map((cell) => cell.trim().toLowerCase());
	return (
		plain.some((cell) => /^(?:phrase|keyword|anchor(?: text)?|text|term|words?)$/.test(cell)) &&
		plain.some((cell) => /^(?:address|url|link|target|page|destination)$/.test(cell))
	);
}

export function writeLinkMap(links: readonly Link[]): string {
	return writeCsv([
		['Phrase', 'Address'],
		...links.map(({ phrase, address }) => [phrase, address])
	]);
}
