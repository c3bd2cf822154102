import { contentStemsOf } from '../../text';
import type { RawBlock } from './raw-block';
import { LEAD, namesOf, whereOf, isSentence, isSubstance, isHome } from './block-look';

/** The block that is the page's title: a first-level heading, else a line that says the same. */
export function titleIn(
	raw: readonly RawBlock[],
	noise: readonly (string | null)[],
	first: number,
	titleTag: string
): number {
	const canBe = (i: number) => noise[i] === null || noise[i] === 'page header';
	const marked = raw.findIndex(
		(block, i) => canBe(i) && !block.links.some(isHome) && isTitle(block, titleTag)
	);
	if (marked >= 0) return marked;
	const said = raw.findIndex((block, i) => canBe(i) && opensTitle(block, titleTag));
	if (said >= 0) return said;
	const alone = onlyFirstHeading(raw, canBe);
	if (alone >= 0 && alone <= Math.max(first, 0)) return alone;
	const wanted = new Set(contentStemsOf(titleTag));
	if (wanted.size < 2) return -1;
	return raw.findIndex(({ block, links }, i) => {
		if (!canBe(i) || links.some(isHome) || i > Math.max(first, 0)) return false;
		if (block.kind !== 'heading' && !(block.kind === 'paragraph' && raw[i]!.bold)) return false;
		const stems = contentStemsOf(block.text);
		const shared = stems.filter((stem) => wanted.has(stem)).length;
		return shared >= 2 && shared >= 0.7 * stems.length;
	});
}

/** Whether a heading is what the title tag says before the name of the site. */
function opensTitle({ block, links, words }: RawBlock, titleTag: string): boolean {
	if (block.kind !== 'heading' || words < 3 || links.some(isHome)) return false;
	if (!titleTag.toLowerCase().startsWith(block.text.toLowerCase())) return false;
	return /^(?:$|\s+[-–—]\s|\s*[|·»:]\s)/.test(titleTag.slice(block.text.length));
}

/** The one heading of the first level, where a page has just one before its text; else -1. */
function onlyFirstHeading(raw: readonly RawBlock[], canBe: (i: number) => boolean): number {
	const found = raw.flatMap(({ block, links, words }, i) =>
		block.kind === 'heading' && block.level === 1 && words >= 3 && !links.some(isHome) ? [i] : []
	);
	return found.length === 1 && canBe(found[0]!) ? found[0]! : -1;
}

const DATED =
	/\b(?:\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|(?:19|20)\d\d|\d+\s*(?:min|minute|hour|day|week|month|year)s?\b)/i;
const CREDITED = /^(?:by|words|text|story|von|par|por|di|door|af)\b[:\s]|\s[|·•—–]\s/i;

/** Names, dates and reading times between the title and the first prose. */
export function dropLinesAroundTitle(
	raw: readonly RawBlock[],
	dropped: (string | null)[],
	titleAt: number
): void {
	const start = Math.max(
		0,
		titleAt >= 0 ? titleAt : dropped.findIndex((reason) => reason === null)
	);
	for (let i = start; i < raw.length; i++) {
		const { block, words, linkWords, path } = raw[i]!;
		if (dropped[i] !== null || i === titleAt) continue;
		if (block.kind === 'figure') continue;
		if (block.kind === 'list' && words < 16 && block.items.some((item) => DATED.test(item))) {
			dropped[i] = 'author box';
			continue;
		}
		if (block.kind === 'heading' || isSubstance(raw[i]!)) {
			// a headed part or prose: the article has begun
			if (block.kind !== 'heading' || i > start + 1) return;
			continue;
		}
		if (block.kind !== 'paragraph' || LEAD.test(namesOf(path)) || raw[i]!.bold) continue;
		const isShort = words <= 4 && !isSentence(block);
		if (
			isShort ||
			(words < 16 && (DATED.test(block.text) || CREDITED.test(block.text) || linkWords > 0))
		)
			dropped[i] = 'author box';
	}
}

/** Lines of a few words that open nothing: counters, buttons, labels. */
export function dropStrayLines(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	for (let i = 0; i < raw.length; i++) {
		const { block, words } = raw[i]!;
		if (dropped[i] !== null || block.kind !== 'paragraph' || words > 4) continue;
		if (isSentence(block) || raw[i]!.path.at(-1)?.tagName === 'caption') continue;
		if (isBodyOfSection(raw, dropped, i)) continue;
		if (/^\d+[.)]?$/.test(block.text)) {
			dropped[i] = 'page furniture';
			continue;
		}
		const next = raw.slice(i + 1, i + 3).find((_, k) => dropped[i + 1 + k] === null);
		const opens =
			next !== undefined &&
			(isSubstance(next) || next.block.kind === 'figure' || next.block.kind === 'heading');
		// a headed table may have a line of its own before it
		if (raw[i]!.bold && !opens) {
			const after = raw[keptFrom(dropped, i + 2, 1)];
			if (next !== undefined && after !== undefined && isSubstance(after)) continue;
		}
		const isOwnLine = raw[i]!.path.at(-1)?.tagName === 'p' || raw[i]!.bold;
		if (!opens || (!isOwnLine && next.block.kind === 'heading')) dropped[i] = 'page furniture';
	}
}

/** Labels such as "Mark as done": short lines that a page repeats. */
export function dropRepeatedLines(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	const times = new Map<string, number>();
	const lineOf = ({ block, words }: RawBlock) =>
		block.kind === 'paragraph' && words <= 6 && !isSentence(block) ? block.text : null;
	for (const block of raw) {
		const line = lineOf(block);
		if (line !== null) times.set(line, (times.get(line) ?? 0) + 1);
	}
	raw.forEach((block, i) => {
		const line = lineOf(block);
		if (dropped[i] === null && line !== null && times.get(line)! >= 3)
			dropped[i] = 'page furniture';
	});
}

/** A line such as "In this article:" goes with the list that it opens. */
export function dropOpeners(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	for (let i = raw.length - 2; i >= 0; i--) {
		const { block, words } = raw[i]!;
		if (dropped[i] !== null || block.kind !== 'paragraph' || words > 8) continue;
		const next = dropped[i + 1];
		if (block.text.endsWith(':') && (next === 'list of links' || next === 'table of contents'))
			dropped[i] = next;
	}
}

/** The title of the page is said once: the same heading again is left out. */
export function dropTitleAgain(
	raw: readonly RawBlock[],
	dropped: (string | null)[],
	titleAt: number
): void {
	const title = raw[titleAt]?.block;
	if (!title || !('text' in title)) return;
	raw.forEach(({ block }, i) => {
		const isAgain =
			i !== titleAt &&
			(block.kind === 'heading' || block.kind === 'paragraph') &&
			block.text.toLowerCase() === title.text.toLowerCase();
		if (isAgain && dropped[i] === null) dropped[i] = 'title said again';
	});
}

/** What stands after the last of the prose and is no prose itself. */
export function dropTail(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	for (let i = raw.length - 1; i >= 0; i--) {
		if (dropped[i] !== null) continue;
		const { block } = raw[i]!;
		if (isSubstance(raw[i]!) || block.kind === 'figure' || block.kind === 'heading') return;
		const before = raw[keptFrom(dropped, i - 1, -1)];
		// a short answer right under its heading
		if (before?.block.kind === 'heading' && isSentence(block)) return;
		if (isBodyOfSection(raw, dropped, i)) return;
		dropped[i] = 'page furniture';
	}
}

/** Sections of one make from which a page is built of such sections. */
const SERIES = 3;

/**
 * Whether a line is all that stands under a heading, where heading and line stand in the markup as
 * those of other sections do: a section may be as short as "Part of the suite".
 */
function isBodyOfSection(
	raw: readonly RawBlock[],
	dropped: readonly (string | null)[],
	at: number
): boolean {
	const heading = raw[at - 1];
	if (dropped[at - 1] !== null || heading?.block.kind !== 'heading') return false;
	const [of, line] = [placeOf(heading), placeOf(raw[at]!)];
	const headings = raw.filter(
		(block) => block.block.kind === 'heading' && placeOf(block) === of
	).length;
	// some of the text that is kept stands as the line does
	const isAsProse = raw.some(
		(block, i) => i !== at && dropped[i] === null && isSubstance(block) && placeOf(block) === line
	);
	return headings >= SERIES && isAsProse;
}

const INLINE = /^(?:a|abbr|b|code|em|i|kbd|mark|samp|small|span|strong|tt|u|var)$/;

/** Where a block stands, whatever its own text opens with: a link, code, words in bold. */
function placeOf({ path }: RawBlock): string {
	const end = path.findLastIndex(({ tagName }) => !INLINE.test(tagName));
	return whereOf(path.slice(0, end + 1));
}

/** Position of the nearest block that is kept, from a position on; outside the list when there is none. */
export function keptFrom(dropped: readonly (string | null)[], start: number, step: 1 | -1): number {
	let at = start;
	while (at >= 0 && at < dropped.length && dropped[at] !== null) at += step;
	return at;
}

/** Headings under which everything went, such as one over a list of links. */
export function dropEmptyHeadings(
	raw: readonly RawBlock[],
	dropped: (string | null)[],
	titleAt: number
): void {
	for (let i = raw.length - 1; i >= 0; i--) {
		const { block } = raw[i]!;
		if (dropped[i] !== null || block.kind !== 'heading' || i === titleAt) continue;
		let went = 0;
		let isEmpty = true;
		for (let k = i + 1; k < raw.length; k++) {
			const next = raw[k]!;
			if (dropped[k] === null) {
				isEmpty = next.block.kind === 'heading' && next.block.level <= block.level;
				break;
			}
			if (next.block.kind === 'heading' && next.block.level <= block.level && went > 0) break;
			went++;
		}
		if (isEmpty && went > 0) dropped[i] = 'heading of what was dropped';
	}
}

function isTitle({ block }: RawBlock, titleTag: string): boolean {
	if (block.kind !== 'heading' || block.level !== 1) return false;
	const title = new Set(contentStemsOf(titleTag));
	const stems = contentStemsOf(block.text);
	return (
		title.size === 0 || stems.filter((stem) => title.has(stem)).length >= Math.min(2, stems.length)
	);
}
