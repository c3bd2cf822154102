import type { Element } from 'hast';
import { textOf, type PageBlock } from '../article';
import { rawTextOf, stringOf, tidyText } from '../html-tree';

/** Who wrote a page and when, as the page shows it. Unknown values are empty. */
export interface PageCredits {
	readonly author: string;
	readonly published: string;
	readonly modified: string;
}

const NAMED =
	/(?:^|[.|·•—]\s*|\s)(?:[Bb]y|BY|[Ww]ords:?|[Tt]ext:?|[Vv]on|[Pp]ar|[Pp]or)\s+(\p{Lu}[\p{L}'’.-]+(?:\s\p{Lu}[\p{L}'’.-]*){0,3})/u;
const MONTHS: readonly string[] = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
const DAY_FIRST = /\b(\d{1,2})(?:st|nd|rd|th)?\s+(?:of\s+)?(\p{L}{3,9})\.?,?\s+((?:19|20)\d\d)\b/u;
const MONTH_FIRST = /\b(\p{L}{3,9})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+((?:19|20)\d\d)\b/u;
const ISO = /\b((?:19|20)\d\d)-(\d\d)-(\d\d)(?!\d)/;

/**
 * Reads author and dates from the markup made for them (`time`, `itemprop`, `rel=author`), else
 * from the lines that were dropped as an author box. For pages whose head says nothing.
 */
export function creditsOf(body: Element, blocks: readonly PageBlock[]): PageCredits {
	const marked = markedCredits(body);
	let { author, published, modified } = marked;
	for (const { block, dropped } of blocks) {
		if (dropped !== 'author box' && dropped !== 'footer' && dropped !== 'page furniture') continue;
		const line = textOf(block);
		if (line.length > 200) continue;
		if (dropped === 'author box') author ||= NAMED.exec(line)?.[1] ?? '';
		if (/\b(?:updated|modified|edited|reviewed)\b/i.test(line)) {
			modified ||= dateIn(line.slice(line.search(/updated|modified|edited|reviewed/i)));
			if (/\b(?:published|posted)\b/i.test(line)) published ||= dateIn(line);
		} else published ||= dateIn(line);
	}
	return { author, published, modified };
}

/** The first date in a line as YYYY-MM-DD; empty when there is none. English month names. */
export function dateIn(line: string): string {
	const iso = ISO.exec(line);
	if (iso) return iso[0];
	const dayFirst = DAY_FIRST.exec(line);
	if (dayFirst) return dateOf(dayFirst[3]!, dayFirst[2]!, dayFirst[1]!);
	const monthFirst = MONTH_FIRST.exec(line);
	return monthFirst ? dateOf(monthFirst[3]!, monthFirst[1]!, monthFirst[2]!) : '';
}

function dateOf(year: string, monthName: string, day: string): string {
	const month = MONTHS.indexOf(monthName.slice(0, 3).toLowerCase()) + 1;
	if (month === 0 || Number(day) < 1 || Number(day) > 31) return '';
	return `${year}-${String(month).padStart(2, '0')}-${day.padStart(2, '0')}`;
}

function markedCredits(body: Element): { author: string; published: string; modified: string } {
	const found = { author: '', published: '', modified: '' };
	const stack: Element[] = [body];
	while (stack.length > 0) {
		const element = stack.pop()!;
		const { itemProp, dateTime, content, rel } = element.properties;
		const property = stringOf(itemProp).toLowerCase();
		const stamp = dateIn(stringOf(dateTime) || stringOf(content));
		if (property.includes('datemodified')) found.modified ||= stamp;
		else if (property.includes('datepublished')) found.published ||= stamp;
		else if (element.tagName === 'time' && stamp !== '') found.published ||= stamp;
		if (property === 'author' || stringOf(rel).split(' ').includes('author')) {
			const name = tidyText(rawTextOf(element));
			if (name.length < 60) found.author ||= name.replace(/^by\s+/i, '');
		}
		for (let i = element.children.length - 1; i >= 0; i--) {
			const child = element.children[i]!;
			if (child.type === 'element') stack.push(child);
		}
	}
	return found;
}
