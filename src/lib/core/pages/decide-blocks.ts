import type { Element } from 'hast';
import { contentStemsOf } from '../text';
import type { HeadingLevel, PageBlock } from './article';
import { stringOf } from './html-tree';
import { noiseOfHeading, noiseOfLine } from './noise';
import type { RawBlock } from './raw-blocks';

/**
 * Decides for every block of a page whether it belongs to the article, in the order of reading.
 *
 * First the markup and the wording speak for each block, then its neighbours: boxes of links,
 * forms, lines that nothing follows. The container of the article comes from what the readability
 * library kept; what stands between the title and that container is an introduction.
 *
 * @param kept elements the readability library kept
 */
export function decideBlocks(
	raw: readonly RawBlock[],
	kept: ReadonlySet<Element>,
	titleTag: string
): PageBlock[] {
	const inZone = zoneNoise(raw);
	const inBox = boxNoise(raw);
	const named = trustedNoise(raw);
	const noise = raw.map((block, i) => named[i] ?? inZone[i] ?? inBox[i] ?? ownNoise(block));
	const root = articleRootOf(raw, noise, kept);
	const inRoot = raw.map((block) => block.path.includes(root));
	const first = inRoot.findIndex((is, i) => is && noise[i] === null);
	const titleAt = titleIn(raw, noise, first, titleTag);
	const dropped = raw.map((block, i): string | null => {
		if (i === titleAt && i <= Math.max(first, 0)) return null;
		if (noise[i] !== null) return noise[i]!;
		if (inRoot[i]) return null;
		// an introduction between the title and the container of the article
		if (titleAt >= 0 && i > titleAt && i < first && isIntroduction(block)) return null;
		return 'outside the article';
	});
	const before = [...dropped];
	dropLinesAroundTitle(raw, dropped, titleAt);
	dropStrayLines(raw, dropped);
	dropTail(raw, dropped);
	dropEmptyHeadings(raw, dropped, titleAt);
	// a page of nothing but short lines is what it is
	if (raw.every(({ block }, i) => dropped[i] !== null || block.kind === 'heading'))
		before.forEach((reason, i) => (dropped[i] = reason));
	const levels = headingLevels(raw, dropped, titleAt);
	return raw.map(({ block, path }, i): PageBlock => {
		const level = levels.get(i);
		return {
			block:
				level !== undefined && block.kind === 'paragraph'
					? { kind: 'heading', level, text: block.text }
					: block,
			dropped: dropped[i]!,
			where: whereOf(path)
		};
	});
}

/**
 * What the markup says of each block, less what cannot be: when names such as "widget" or a
 * style that hides would take most of the prose, they mean something else on this page.
 */
function trustedNoise(raw: readonly RawBlock[]): (string | null)[] {
	const words = new Map<string | null, number>();
	let all = 0;
	for (const block of raw) {
		if (block.block.kind !== 'paragraph' || block.words < 15) continue;
		if (block.linkWords > 0.3 * block.words) continue;
		all += block.words;
		words.set(block.noise, (words.get(block.noise) ?? 0) + block.words);
	}
	const free = words.get(null) ?? 0;
	const lifted = new Set<string>();
	if (free < 0.3 * all) {
		for (const [reason, n] of words) {
			if (reason === null || (reason === 'comments' && free > 0)) continue;
			if (n >= 0.4 * all) lifted.add(reason);
		}
	}
	return raw.map(({ noise }) => (noise !== null && lifted.has(noise) ? null : noise));
}

/** The block that is the page's title: a first-level heading, else a line that says the same. */
function titleIn(
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

const LEAD =
	/(?:^|[\s_-])(?:lead|lede|dek|deck|intro\w*|standfirst|subtitle|sub-?head\w*|summary|teaser-?text|vorspann|chapo|abstract|excerpt)(?:$|[\s_-])/i;

function namesOf(path: readonly Element[]): string {
	return path
		.slice(-2)
		.map(({ properties }) => stringOf(properties.className))
		.join(' ');
}

function isIntroduction({ block, words, linkWords, path }: RawBlock): boolean {
	if (block.kind === 'heading' || LEAD.test(namesOf(path))) return true;
	if (linkWords > 0.3 * words) return false;
	if (block.kind === 'list' || block.kind === 'table') return words >= 6;
	return words >= 12 || (words >= 5 && isSentence(block));
}

function isSentence(block: RawBlock['block']): boolean {
	return 'text' in block && /[.!?…:;]["”’)\]]*$/.test(block.text);
}

/** Whether a block is of the kind that articles are made of, and not a line of furniture. */
function isSubstance({ block, words, linkWords }: RawBlock): boolean {
	if (block.kind === 'list') return linkWords <= 0.6 * words;
	if (block.kind !== 'paragraph') return block.kind !== 'heading' && block.kind !== 'figure';
	if (linkWords > 0.3 * words && words < 30) return false;
	return words >= 15 || (words >= 5 && isSentence(block));
}

const DATED =
	/\b(?:\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|(?:19|20)\d\d|\d+\s*(?:min|minute|hour|day|week|month|year)s?\b)/i;
const CREDITED = /^(?:by|words|text|story|von|par|por|di|door|af)\b[:\s]|\s[|·•—–]\s/i;

/** Names, dates and reading times between the title and the first prose. */
function dropLinesAroundTitle(
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
function dropStrayLines(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	for (let i = 0; i < raw.length; i++) {
		const { block, words } = raw[i]!;
		if (dropped[i] !== null || block.kind !== 'paragraph' || words > 4) continue;
		if (isSentence(block) || raw[i]!.path.at(-1)?.tagName === 'caption') continue;
		if (/^\d+[.)]?$/.test(block.text)) {
			dropped[i] = 'page furniture';
			continue;
		}
		const next = raw.slice(i + 1, i + 3).find((_, k) => dropped[i + 1 + k] === null);
		const opens =
			next !== undefined &&
			(isSubstance(next) || next.block.kind === 'figure' || next.block.kind === 'heading');
		const isOwnLine = raw[i]!.path.at(-1)?.tagName === 'p' || raw[i]!.bold;
		if (!opens || (!isOwnLine && next.block.kind === 'heading')) dropped[i] = 'page furniture';
	}
}

/** What stands after the last of the prose and is no prose itself. */
function dropTail(raw: readonly RawBlock[], dropped: (string | null)[]): void {
	for (let i = raw.length - 1; i >= 0; i--) {
		if (dropped[i] !== null) continue;
		const { block } = raw[i]!;
		if (isSubstance(raw[i]!) || block.kind === 'figure' || block.kind === 'heading') return;
		const before = raw[keptFrom(dropped, i - 1, -1)];
		// a short answer right under its heading
		if (before?.block.kind === 'heading' && isSentence(block)) return;
		dropped[i] = 'page furniture';
	}
}

/** Position of the nearest block that is kept, from a position on; outside the list when there is none. */
function keptFrom(dropped: readonly (string | null)[], start: number, step: 1 | -1): number {
	let at = start;
	while (at >= 0 && at < dropped.length && dropped[at] !== null) at += step;
	return at;
}

/** Headings under which everything went, such as one over a list of links. */
function dropEmptyHeadings(
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

/**
 * On pages that set their headings as bold lines, those lines are headings. Told by a line all
 * in bold before prose, and by hardly any real headings.
 */
function headingLevels(
	raw: readonly RawBlock[],
	dropped: readonly (string | null)[],
	titleAt: number
): Map<number, HeadingLevel> {
	const levels = new Map<number, HeadingLevel>();
	const title = raw[titleAt];
	if (title?.block.kind === 'paragraph') levels.set(titleAt, 1);
	const real = raw.filter(
		({ block }, i) => dropped[i] === null && block.kind === 'heading' && i !== titleAt
	).length;
	if (real > 1) return levels;
	for (const [i, { block, bold, words }] of raw.entries()) {
		if (dropped[i] !== null || !bold || i === titleAt || block.kind !== 'paragraph') continue;
		if (words > 12 || /[.!:;,]$/.test(block.text)) continue;
		const next = raw[keptFrom(dropped, i + 1, 1)];
		if (next && isSubstance(next)) levels.set(i, 2);
	}
	return levels;
}

const POST_LINKS = /^(?:(?:reply|quote|report|like|flag|permalink|edit)\b\s*)+$/i;

/**
 * Small boxes in which much is linked, and grids of cards whose headings are links: they lead
 * elsewhere, whatever they are called.
 */
function boxNoise(raw: readonly RawBlock[]): (string | null)[] {
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
		/** Whether it offers to reply: what somebody says in a discussion. */
		isPost: boolean;
	}
	const boxes = new Map<Element, Box>();
	let total = 0;
	for (const { block, words, linkWords, path, noise } of raw) {
		if (noise !== null) continue;
		total += words;
		for (const element of path) {
			const box = boxes.get(element) ?? {
				words: 0,
				linkWords: 0,
				blocks: 0,
				longest: 0,
				headings: 0,
				linkedHeadings: 0,
				bare: 0,
				endsInLink: false,
				isPost: false
			};
			box.words += words;
			box.linkWords += linkWords;
			box.blocks++;
			if (linkWords <= 0.5 * words) box.longest = Math.max(box.longest, words);
			box.endsInLink = words > 0 && linkWords >= 0.9 * words;
			if (box.endsInLink) box.bare++;
			if (box.endsInLink && block.kind === 'paragraph') box.isPost ||= POST_LINKS.test(block.text);
			if (block.kind === 'heading') {
				box.headings++;
				if (words > 0 && linkWords >= 0.9 * words) box.linkedHeadings++;
			}
			boxes.set(element, box);
		}
	}
	const reasonOf = (box: Box): string | null => {
		if (box.words > 0.4 * total || box.isPost) return null;
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
		const isOffer = box.endsInLink && box.blocks <= 4 && box.words < 40 && box.longest < 20;
		if (isOffer && box.blocks >= 2) return 'advertisement';
		const isTeasers =
			box.bare >= 2 && box.bare >= 0.4 * box.blocks && box.longest < 25 && box.headings <= 1;
		return isTeasers ? 'related links' : null;
	};
	const reasons = new Map<Element, string | null>();
	for (const [element, box] of boxes) reasons.set(element, reasonOf(box));
	return raw.map(({ path }) => {
		// the body and the outermost container are never a box
		for (const element of path.slice(2)) {
			const reason = reasons.get(element);
			if (reason) return reason;
		}
		return null;
	});
}

/** Where in the markup a block stands, so that blocks like it can be told on other pages of a site. */
function whereOf(path: readonly Element[]): string {
	return path
		.slice(-3)
		.map(({ tagName, properties }) => {
			const names = stringOf(properties.className).split(/\s+/).filter(Boolean);
			const plain = names.filter((name) => !/\d/.test(name)).slice(0, 2);
			return [tagName, ...plain].join('.');
		})
		.join('>');
}

const DATE_ALONE =
	/^(?:(?:mon|tues|wednes|thurs|fri|satur|sun)day,?\s*)?(?:\d{1,2}(?:st|nd|rd|th)?\s+\p{L}+,?|\p{L}+\s+\d{1,2}(?:st|nd|rd|th)?,?)\s+(?:19|20)\d\d$/iu;

function ownNoise({ block, words, linkWords, links }: RawBlock): string | null {
	if (block.kind === 'heading' && DATE_ALONE.test(block.text)) return 'page furniture';
	// the site's own name, set as a heading that leads home
	if (block.kind === 'heading' && links.some(isHome) && linkWords >= words) return 'page header';
	if (block.kind === 'heading') return noiseOfHeading(block.text) ?? noiseOfLine(block.text);
	if (block.kind === 'list') {
		const perItem = words / block.items.length;
		if (linkWords > 0.75 * words && perItem < 14 && block.items.length > 1) return 'list of links';
		return null;
	}
	if (block.kind !== 'paragraph') return null;
	if (words > 0 && linkWords > 0.7 * words && words < 40) return 'links';
	return noiseOfLine(block.text);
}

function isHome({ href }: { readonly href: string }): boolean {
	return /^(?:https?:\/\/[^/]+)?\/?(?:index\.\w+)?$/i.test(href);
}

/** Parts that a heading such as "You may also like" opens, up to where they end. */
function zoneNoise(raw: readonly RawBlock[]): (string | null)[] {
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
				zone.reason !== 'comments' &&
				zone.reason !== 'author box' &&
				block.kind === 'paragraph' &&
				words >= 25 &&
				linkWords < 0.3 * words;
			if (isOut || (isHeading && noise === null) || (!zone.narrow && isProse)) zone = null;
		}
		const reason = block.kind === 'heading' ? noiseOfHeading(block.text) : null;
		if (reason !== null && block.kind === 'heading') {
			const holder = path.at(-2) ?? path[0]!;
			const narrow = (wordsBelow.get(holder) ?? 0) < 0.5 * total;
			zone = { reason, level: block.level, holder, narrow };
		}
		if (zone) inZone[i] = zone.reason;
	});
	return inZone;
}

/**
 * The innermost element that holds at least 85% of the words the library kept. When the
 * library found nothing, or less than 45% of the page's prose, the page's own `article` or
 * `main` decides, else the innermost element with 85% of the prose.
 */
function articleRootOf(
	raw: readonly RawBlock[],
	noise: readonly (string | null)[],
	kept: ReadonlySet<Element>
): Element {
	const prose = raw.filter((block, i) => noise[i] === null && block.linkWords <= 0.5 * block.words);
	const byLibrary = prose.filter(({ path }) =>
		path.some((element, depth) => depth > 0 && kept.has(element))
	);
	const sum = (blocks: readonly RawBlock[]) =>
		blocks.reduce((words, block) => words + block.words, 0);
	const all = sum(prose);
	const body = raw[0]?.path[0] ?? {
		type: 'element',
		tagName: 'body',
		properties: {},
		children: []
	};
	if (all === 0) return body;
	if (sum(byLibrary) >= 0.45 * all) {
		const root = innermost(byLibrary, 0.85);
		if (sum(prose.filter(({ path }) => path.includes(root))) >= 0.45 * all) return root;
	}
	const marked = innermostTagged(prose, all);
	return marked ?? innermost(prose, 0.85) ?? body;
}

function innermostTagged(prose: readonly RawBlock[], all: number): Element | null {
	const words = new Map<Element, number>();
	for (const block of prose) {
		for (const element of block.path) {
			if (element.tagName === 'article' || element.tagName === 'main') {
				words.set(element, (words.get(element) ?? 0) + block.words);
			}
		}
	}
	let best: Element | null = null;
	for (const [element, n] of words) if (n >= 0.6 * all) best = element;
	return best;
}

function innermost(blocks: readonly RawBlock[], share: number): Element {
	const words = new Map<Element, number>();
	const depth = new Map<Element, number>();
	let total = 0;
	for (const block of blocks) {
		total += block.words;
		block.path.forEach((element, at) => {
			words.set(element, (words.get(element) ?? 0) + block.words);
			depth.set(element, at);
		});
	}
	let best = blocks[0]!.path[0]!;
	for (const [element, n] of words) {
		if (n >= share * total && depth.get(element)! > depth.get(best)!) best = element;
	}
	return best;
}

function isTitle({ block }: RawBlock, titleTag: string): boolean {
	if (block.kind !== 'heading' || block.level !== 1) return false;
	const title = new Set(contentStemsOf(titleTag));
	const stems = contentStemsOf(block.text);
	return (
		title.size === 0 || stems.filter((stem) => title.has(stem)).length >= Math.min(2, stems.length)
	);
}
