import type { Element } from 'hast';
import { CONSENT, consentPartsOf } from './consent';
import { menusOf } from './menus';
import type { Mark, RawBlock } from './raw-block';

/**
 * Blocks with the reason that can be trusted: the outermost mark of a part that cannot be the
 * article itself. A name on most of the page says how it is laid out, and when parts of one name
 * ("widget") together hold most of the prose, the name means something else on this page. What is
 * marked inside such a part stays marked.
 */
export function withTrustedNoise(raw: readonly RawBlock[]): RawBlock[] {
	const menus = menusOf(raw);
	const notices = consentPartsOf(raw);
	const layout = layoutParts(raw, menus, notices);
	const left = raw.map(({ marks }) => marks.filter(({ element }) => !layout.has(element)));
	const lifted = namesOfMostProse(raw, left);
	if (notices.size > 0) lifted.delete(CONSENT);
	return raw.map((block, i) => ({
		...block,
		noise:
			left[i]!.find(({ reason, element }) => menus.has(element) || !lifted.has(reason))?.reason ??
			null
	}));
}

/** Share of the page's prose from which a marked part is its layout, whatever it is called. */
const LAYOUT_SHARE = 0.6;
/** The same for a name that only sounds like furniture, on a part of several paragraphs. */
const LOOSE_SHARE = 0.35;
const LOOSE_WORDS = 80;

/** Reasons that long articles have often for a part of theirs: they need the larger share. */
const NEED_LAYOUT: ReadonlySet<string> = new Set(['cookie notice', 'related links', 'footer']);

/**
 * Marked parts that hold most of the prose. Shares are taken without comments, which may well be
 * longer than the article that they follow.
 */
function layoutParts(
	raw: readonly RawBlock[],
	menus: ReadonlySet<Element>,
	notices: ReadonlySet<Element>
): Set<Element> {
	const inMenu = ({ marks }: RawBlock) => marks.some(({ element }) => menus.has(element));
	const prose = raw.filter((block) => isProse(block) && !isIn(block, 'comments') && !inMenu(block));
	const blocks = prose.length > 0 ? prose : raw.filter(isProse);
	const total = wordsOf(blocks);
	const words = new Map<Element, number>();
	const paragraphs = new Map<Element, number>();
	const marks = new Map<Element, Mark>();
	for (const block of blocks)
		for (const mark of block.marks) {
			marks.set(mark.element, mark);
			words.set(mark.element, (words.get(mark.element) ?? 0) + block.words);
			paragraphs.set(mark.element, (paragraphs.get(mark.element) ?? 0) + 1);
		}
	const layout = new Set<Element>();
	for (const [element, { reason, by }] of marks) {
		const share = words.get(element)! / total;
		const isLoose =
			by === 'name' &&
			!NEED_LAYOUT.has(reason) &&
			words.get(element)! >= LOOSE_WORDS &&
			paragraphs.get(element)! >= 2;
		if (by === 'content' || menus.has(element) || notices.has(element)) continue;
		if (share >= LAYOUT_SHARE || (isLoose && share >= LOOSE_SHARE)) layout.add(element);
	}
	return layout;
}

/** Reasons that would take most of the prose, where hardly any is free of them. */
function namesOfMostProse(
	raw: readonly RawBlock[],
	left: readonly (readonly Mark[])[]
): Set<string> {
	const words = new Map<string | null, number>();
	let all = 0;
	raw.forEach((block, i) => {
		if (!isProse(block)) return;
		const reason = left[i]![0]?.reason ?? null;
		all += block.words;
		words.set(reason, (words.get(reason) ?? 0) + block.words);
	});
	const free = words.get(null) ?? 0;
	const lifted = new Set<string>();
	if (free >= 0.3 * all) return lifted;
	for (const [reason, n] of words) {
		if (reason === null || (reason === 'comments' && free > 0)) continue;
		if (n >= 0.4 * all) lifted.add(reason);
	}
	return lifted;
}

function isProse({ block, words, linkWords }: RawBlock): boolean {
	if (words < 15 || linkWords > 0.3 * words) return false;
	if (block.kind === 'list') return words >= 12 * block.items.length;
	return block.kind === 'paragraph';
}

function isIn({ marks }: RawBlock, reason: string): boolean {
	return marks.some((mark) => mark.reason === reason);
}

function wordsOf(blocks: readonly RawBlock[]): number {
	return blocks.reduce((sum, { words }) => sum + words, 0);
}
