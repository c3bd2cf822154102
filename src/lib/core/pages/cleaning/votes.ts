import { menusOf } from './menus';
import type { RawBlock } from './raw-block';
import { isKeptByLibrary, type LibraryText } from './main-text';

/** Reasons that speak of the place alone; prose is more often the article than its place says. */
const PLACE_REASONS: ReadonlySet<string> = new Set([
	'pop-up',
	'side column',
	'outside the article',
	'side note',
	'slider'
]);

/** Reasons that no prose outweighs: what is said there is said by others, or about the site. */
const FIRM_REASONS: ReadonlySet<string> = new Set([
	'comments',
	'reviews',
	'author box',
	'cookie notice',
	'newsletter form',
	'references',
	'live list',
	'form',
	'share bar',
	'call to readers'
]);

/** Words of prose that outweigh a place, and any other reason that is not firm. */
const BEATS_PLACE = 18;
const BEATS_WEAK = 30;

/**
 * Brings back what the readability library kept and reads as prose: sentences with few links. Not
 * what stands under a heading such as "Comments" or "Related posts".
 */
export function keepByVote(
	raw: readonly RawBlock[],
	dropped: (string | null)[],
	inZone: readonly (string | null)[],
	library: LibraryText
): void {
	const menus = menusOf(raw);
	raw.forEach(({ block, words, linkWords, path }, i) => {
		const reason = dropped[i]!;
		if (reason === null || inZone[i] !== null || FIRM_REASONS.has(reason)) return;
		if (path.some((element) => menus.has(element))) return;
		if (words < (PLACE_REASONS.has(reason) ? BEATS_PLACE : BEATS_WEAK)) return;
		if (linkWords >= 0.2 * words || !isProse(block)) return;
		if (isKeptByLibrary(library, path)) dropped[i] = null;
	});
}

function isProse(block: RawBlock['block']): boolean {
	if (block.kind === 'list') return block.items.some(endsAsSentence);
	return (block.kind === 'paragraph' || block.kind === 'quote') && endsAsSentence(block.text);
}

function endsAsSentence(text: string): boolean {
	return /[.!?…:]["'”’»)\]]*$/.test(text);
}

/** Reasons for which a heading is left out although what stands under it is the article's. */
const HEADING_RETURNS: ReadonlySet<string> = new Set([
	...PLACE_REASONS,
	'related links',
	'advertisement',
	'links',
	'page header',
	'hidden on the page',
	'footer',
	'heading of what was dropped'
]);

/** A heading comes back when the block right under it, in the same part of the page, is kept. */
export function keepHeadings(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	for (let i = raw.length - 2; i >= 0; i--) {
		const { block, path, marks, linkWords, words } = raw[i]!;
		const reason = dropped[i]!;
		if (block.kind !== 'heading' || reason === null || !HEADING_RETURNS.has(reason)) continue;
		if (linkWords >= words) continue;
		const next = raw[i + 1]!;
		const isKeptBelow =
			dropped[i + 1] === null &&
			next.block.kind !== 'figure' &&
			(next.block.kind !== 'heading' || next.block.level > block.level);
		const sharesPart = next.path.includes(path.at(-2)!) || next.path.includes(path.at(-3)!);
		const isMarkedAlike = marks.every((mark) => next.marks.includes(mark));
		if (isKeptBelow && sharesPart && isMarkedAlike) dropped[i] = null;
	}
}
