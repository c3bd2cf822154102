import type { Element } from 'hast';
import { contentStemsOf } from '../text';
import type { Article, PageBlock, PageLink } from './article';
import { parseHtml, tidyText } from './html-tree';
import { mainTextElementsOf } from './main-text';
import { noiseOfHeading, noiseOfLine } from './noise';
import { pageMetaOf, titleWithoutSite, type PageMeta } from './page-meta';
import { rawBlocksOf, type RawBlock } from './raw-blocks';

/** What came of cleaning: an article, or the reason why there is none. */
export type CleanResult =
	| { readonly kind: 'cleaned'; readonly article: Article }
	| { readonly kind: 'no-article'; readonly reason: string };

/**
 * Cleans the markup of one page to its article. Starts from what the readability library keeps,
 * then repairs: everything else inside the same container that does not look like furniture
 * comes back (introductions, headings, tables, accordions), everything that does goes.
 * Dropped blocks stay in the result with a reason.
 *
 * @param address of the page where known; tells its own links from others
 */
export function cleanPage(html: string, address = ''): CleanResult {
	if (html.trim() === '') return { kind: 'no-article', reason: 'the file is empty' };
	const tree = parseHtml(html);
	const meta = pageMetaOf(tree);
	const raw = rawBlocksOf(tree.body);
	const kept = mainTextElementsOf(tree.body, meta.titleTag);
	const blocks = decide(raw, kept, meta);
	addStructuredAnswers(blocks, meta);
	if (!blocks.some(({ dropped }) => dropped === null)) {
		return { kind: 'no-article', reason: 'no text of an article was found in it' };
	}
	const where = meta.address || address;
	const host = hostOf(where);
	return {
		kind: 'cleaned',
		article: {
			title: titleOf(meta, blocks, host),
			description: meta.description,
			author: meta.author,
			published: meta.published,
			modified: meta.modified,
			language: tree.language,
			address: where,
			siteName: meta.siteName || host.replace(/^www\./, ''),
			blocks,
			links: linksOf(raw, blocks, where),
			structured: meta.structured
		}
	};
}

function decide(raw: readonly RawBlock[], kept: ReadonlySet<Element>, meta: PageMeta): PageBlock[] {
	const inZone = zoneNoise(raw);
	const noise = raw.map((block, i) => block.noise ?? inZone[i] ?? ownNoise(block));
	const root = articleRootOf(raw, noise, kept);
	const inRoot = raw.map((block) => block.path.includes(root));
	const first = inRoot.findIndex((is, i) => is && noise[i] === null);
	const titleAt = raw.findIndex(
		(block, i) => isTitle(block, meta) && (noise[i] === null || noise[i] === 'page header')
	);
	return raw.map((block, i): PageBlock => {
		const wrap = (dropped: string | null): PageBlock => ({ block: block.block, dropped });
		if (i === titleAt && i <= Math.max(first, 0)) return wrap(null);
		if (noise[i] !== null) return wrap(noise[i]!);
		if (inRoot[i]) return wrap(null);
		// an introduction between the title and the container of the article
		if (titleAt >= 0 && i > titleAt && i < first && block.words >= 12) return wrap(null);
		return wrap('outside the article');
	});
}

function ownNoise({ block, words, linkWords }: RawBlock): string | null {
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

function isTitle({ block }: RawBlock, meta: PageMeta): boolean {
	if (block.kind !== 'heading' || block.level !== 1) return false;
	const title = new Set(contentStemsOf(meta.titleTag));
	const stems = contentStemsOf(block.text);
	return (
		title.size === 0 || stems.filter((stem) => title.has(stem)).length >= Math.min(2, stems.length)
	);
}

function addStructuredAnswers(blocks: PageBlock[], meta: PageMeta): void {
	const plain = (text: string) =>
		text
			.toLowerCase()
			.replace(/[^\p{L}\p{N}]+/gu, ' ')
			.trim();
	const known = new Set<string>();
	for (const { block } of blocks) {
		if (block.kind === 'answer') known.add(plain(block.question));
		else if (block.kind === 'heading' || block.kind === 'paragraph') known.add(plain(block.text));
		else if (block.kind === 'list') for (const item of block.items) known.add(plain(item));
	}
	for (const { question, answer } of meta.faq) {
		if (known.has(plain(question))) continue;
		known.add(plain(question));
		blocks.push({ block: { kind: 'answer', question, text: answer }, dropped: null });
	}
}

function titleOf(meta: PageMeta, blocks: readonly PageBlock[], host: string): string {
	const heading = blocks.find(
		({ block, dropped }) => dropped === null && block.kind === 'heading' && block.level === 1
	);
	const h1 = heading && heading.block.kind === 'heading' ? heading.block.text : '';
	// a page that names no site usually shows the name in its menu or footer
	const tail = meta.titleTag.split(/\s+[|·»–—:-]\s+/).at(-1) ?? '';
	const isShown = blocks.some(
		({ block, dropped }) => dropped !== null && 'text' in block && block.text === tail
	);
	const site = meta.siteName || (isShown ? tail : '');
	return tidyText(titleWithoutSite(meta.titleTag, site, host)) || h1 || firstHeading(blocks);
}

function firstHeading(blocks: readonly PageBlock[]): string {
	for (const { block, dropped } of blocks)
		if (dropped === null && block.kind === 'heading') return block.text;
	return '';
}

function linksOf(
	raw: readonly RawBlock[],
	blocks: readonly PageBlock[],
	address: string
): PageLink[] {
	const host = hostOf(address);
	return raw.flatMap(({ links }, i) =>
		blocks[i]!.dropped !== null
			? []
			: links.map(({ text, href }) => ({
					text,
					href,
					outward: /^https?:/i.test(href) && hostOf(href) !== host
				}))
	);
}

/** Host name of an address in lower case, or empty. */
export function hostOf(address: string): string {
	try {
		return new URL(address).hostname.toLowerCase();
	} catch {
		return '';
	}
}
