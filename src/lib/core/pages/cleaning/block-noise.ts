import type { Element } from 'hast';
import { isCall } from './calls';
import { noiseOfHeading, noiseOfHeadLine, noiseOfLine } from './noise';
import type { RawBlock } from './raw-block';
import { holderOf, isHome } from './block-look';

const POST_LINKS = /^(?:(?:reply|quote|report|like|flag|permalink|edit)\b\s*)+$/i;

/** What stands inside one element. */
interface Box {
	words: number;
	linkWords: number;
	blocks: number;
	/** Words of the longest block that is not mostly links. */
	longest: number;
	headings: number;
	linkedHeadings: number;
	/** Blocks that are nothing but a link. */
	bare: number;
	/** Whether the last block is nothing but a link, as a button is. */
	endsInLink: boolean;
	/** Whether the one first-level heading of the page stands in it. */
	hasTitle: boolean;
	/** Whether it offers to reply: what somebody says in a discussion. */
	isPost: boolean;
}

/**
 * Small boxes in which much is linked, and grids of cards whose headings are links: they lead
 * elsewhere, whatever they are called.
 */
export function boxNoise(raw: readonly RawBlock[]): (string | null)[] {
	const { boxes, total } = measureBoxes(raw);
	const reasons = new Map<Element, string | null>();
	for (const [element, box] of boxes) reasons.set(element, reasonOfBox(box, total));
	return raw.map(({ path }) => {
		// the body and the outermost container are never a box
		for (const element of path.slice(2)) {
			const reason = reasons.get(element);
			if (reason) return reason;
		}
		return null;
	});
}

function measureBoxes(raw: readonly RawBlock[]): { boxes: Map<Element, Box>; total: number } {
	const boxes = new Map<Element, Box>();
	let total = 0;
	const isFirstLevel = ({ block }: RawBlock) => block.kind === 'heading' && block.level === 1;
	const title = raw.filter(isFirstLevel).length === 1 ? raw.find(isFirstLevel)!.block : null;
	for (const { block, words, linkWords, path, noise } of raw) {
		if (noise !== null) continue;
		total += words;
		const isLink = words > 0 && linkWords >= 0.9 * words;
		for (const element of path) {
			const box = boxes.get(element) ?? emptyBox();
			box.words += words;
			box.linkWords += linkWords;
			box.blocks++;
			if (linkWords <= 0.5 * words) box.longest = Math.max(box.longest, words);
			box.endsInLink = isLink;
			if (block === title && !isLink) box.hasTitle = true;
			if (isLink) box.bare++;
			if (isLink && block.kind === 'paragraph') box.isPost ||= POST_LINKS.test(block.text);
			if (block.kind === 'heading') {
				box.headings++;
				if (isLink) box.linkedHeadings++;
			}
			boxes.set(element, box);
		}
	}
	return { boxes, total };
}

function emptyBox(): Box {
	return {
		words: 0,
		linkWords: 0,
		blocks: 0,
		longest: 0,
		headings: 0,
		linkedHeadings: 0,
		bare: 0,
		endsInLink: false,
		hasTitle: false,
		isPost: false
	};
}

/** @param total words of the page that nothing speaks against yet */
function reasonOfBox(box: Box, total: number): string | null {
	if (box.words > 0.4 * total || box.isPost || box.hasTitle) return null;
	const isCards =
		box.headings >= 2 &&
		box.linkedHeadings >= 0.8 * box.headings &&
		box.longest < 35 &&
		box.words < 60 * box.headings;
	if (isCards) return 'related links';
	const isCall =
		box.blocks >= 2 && box.words < 45 && box.longest < 20 && box.linkWords >= 0.25 * box.words;
	if (isCall && box.bare > 0) return 'links';
	// a few words over a button: a call to do something
	const isOffer = box.endsInLink && box.blocks <= 4 && box.words < 40 && box.longest < 15;
	if (isOffer && box.blocks >= 2) return 'advertisement';
	const isTeasers =
		box.bare >= 2 && box.bare >= 0.4 * box.blocks && box.longest < 25 && box.headings <= 1;
	return isTeasers ? 'related links' : null;
}

const DATE_ALONE =
	/^(?:(?:mon|tues|wednes|thurs|fri|satur|sun)day,?\s*)?(?:\d{1,2}(?:st|nd|rd|th)?\s+\p{L}+,?|\p{L}+\s+\d{1,2}(?:st|nd|rd|th)?,?)\s+(?:19|20)\d\d$/iu;

/** What a block says by itself against being the article's, or null. */
export function ownNoise(
	{ block, words, linkWords, links }: RawBlock,
	title: string
): string | null {
	if (block.kind === 'heading' && DATE_ALONE.test(block.text)) return 'page furniture';
	// the site's own name, set as a heading that leads home
	if (block.kind === 'heading' && links.some(isHome) && linkWords >= words) return 'page header';
	if (block.kind === 'heading')
		return noiseOfHeading(block.text, title) ?? noiseOfHeadLine(block.text);
	if (block.kind === 'list') {
		const perItem = words / block.items.length;
		if (linkWords > 0.75 * words && perItem < 14) return 'list of links';
		return null;
	}
	if (block.kind === 'figure')
		return /^(?:watch|video|listen)\s*:/i.test(block.caption) ? 'film' : null;
	if (block.kind !== 'paragraph') return null;
	if (words > 0 && linkWords > 0.7 * words && words < 40) return 'links';
	return isCall(block.text, title) ? 'call to readers' : noiseOfLine(block.text);
}

/** Parts that go on in sentences of their own. */
const TALKS: ReadonlySet<string> = new Set(['comments', 'author box', 'cookie notice']);

/** Parts that a heading such as "You may also like" opens, up to where they end. */
export function zoneNoise(raw: readonly RawBlock[], title: string): (string | null)[] {
	const wordsBelow = new Map<Element, number>();
	let total = 0;
	for (const { path, words, noise } of raw) {
		if (noise !== null) continue;
		total += words;
		for (const element of path) wordsBelow.set(element, (wordsBelow.get(element) ?? 0) + words);
	}
	const inZone: (string | null)[] = raw.map(() => null);
	let zone: { reason: string; level: number; holder: Element; narrow: boolean } | null = null;
	raw.forEach(({ block, path, words, linkWords, noise }, i) => {
		if (zone) {
			const isOut = !path.includes(zone.holder);
			const isHeading = block.kind === 'heading' && block.level <= zone.level;
			// related links and the like are short; prose after them is the article again
			const isProse =
				!TALKS.has(zone.reason) &&
				block.kind === 'paragraph' &&
				words >= 25 &&
				linkWords < 0.3 * words;
			if (isOut || (isHeading && noise === null) || (!zone.narrow && isProse)) zone = null;
		}
		const opens = headOf(raw[i]!);
		const reason = opens && noiseOfHeading(opens.text, title);
		if (opens && reason) {
			const holder = block.kind === 'heading' ? (path.at(-2) ?? path[0]!) : holderOf(path);
			const narrow = (wordsBelow.get(holder) ?? 0) < 0.5 * total;
			zone = { reason, level: opens.level, holder, narrow };
		}
		if (zone) inZone[i] = zone.reason;
	});
	return inZone;
}

/** What a block heads as a heading or as a short line in bold, which is of the lowest level; else null. */
function headOf({ block, bold, words }: RawBlock): { text: string; level: number } | null {
	if (block.kind === 'heading') return block;
	return block.kind === 'paragraph' && bold && words <= 4 ? { text: block.text, level: 4 } : null;
}
