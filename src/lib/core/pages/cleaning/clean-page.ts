import { countWords } from '../../text';
import { textOf, type Article, type PageBlock, type PageLink } from '../article';
import { decideBlocks } from './decide-blocks';
import { creditsOf } from './page-credits';
import { parseHtml, tidyText } from '../html-tree';
import { mainTextElementsOf } from './main-text';
import { namedBlocks } from './named-text';
import { MACHINE_DATA } from './noise';
import { pageMetaOf, titleWithoutSite, type PageMeta } from './page-meta';
import { blocksOfState } from './page-state';
import { rawBlocksOf } from './raw-blocks';
import { type RawBlock } from './raw-block';

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
	const library = mainTextElementsOf(tree.body, meta.titleTag);
	const decided = decideBlocks(raw, library, meta.titleTag, meta.named);
	const blocks = withoutAuthorNote(decided.blocks, meta.author);
	addStructuredAnswers(blocks, meta);
	for (const block of namedBlocks(blocks, meta.named)) blocks.push({ block, dropped: null });
	const isKept = ({ dropped }: PageBlock) => dropped === null;
	if (!blocks.some(isKept)) blocks.push(...blocksOfState([...tree.states, ...statesIn(blocks)]));
	if (!blocks.some(isKept)) {
		return { kind: 'no-article', reason: 'no text of an article was found in it' };
	}
	const where = meta.address || address;
	const host = hostOf(where);
	const title = titleOf(meta, blocks, host);
	const credits = creditsOf(tree.body, blocks);
	return {
		kind: 'cleaned',
		article: {
			title,
			titleTag: meta.titleTag,
			description: meta.description,
			author: meta.author || credits.author,
			published: meta.published || credits.published,
			modified: meta.modified || credits.modified,
			language: tree.language,
			address: where,
			siteName: meta.siteName || siteInTitle(meta.titleTag, title) || host.replace(/^www\./, ''),
			blocks,
			links: linksOf(raw, blocks, where),
			structured: meta.structured,
			textFrom: isMostlyData(blocks) ? 'data' : decided.from
		}
	};
}

/** The state of the page that stands in its text. */
function statesIn(blocks: readonly PageBlock[]): string[] {
	return blocks.flatMap(({ block, dropped }) => (dropped === MACHINE_DATA ? [textOf(block)] : []));
}

/** Whether most of what is kept comes from the data of the page, which has no place in its markup. */
function isMostlyData(blocks: readonly PageBlock[]): boolean {
	let shown = 0;
	let data = 0;
	for (const { block, dropped, where } of blocks) {
		if (dropped !== null) continue;
		const words = countWords(textOf(block));
		if (where === undefined) data += words;
		else shown += words;
	}
	return data > shown;
}

/** A line at the end that speaks of the author by name is about the author. */
function withoutAuthorNote(blocks: readonly PageBlock[], author: string): PageBlock[] {
	const last = blocks.findLastIndex(({ dropped }) => dropped === null);
	return blocks.map((found, i) => {
		const isNote =
			i === last &&
			author.includes(' ') &&
			found.block.kind === 'paragraph' &&
			found.block.text.startsWith(`${author} `) &&
			countWords(found.block.text) < 60;
		return isNote ? { ...found, dropped: 'author box' } : found;
	});
}

function addStructuredAnswers(blocks: PageBlock[], meta: PageMeta): void {
	if (meta.faq.length === 0) return;
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
	// what a program put there is no title
	if (/\.(?:docx?|odt|rtf|pdf|txt|html?)$|^untitled\b/i.test(meta.titleTag))
		return h1 || firstHeading(blocks) || meta.titleTag;
	// a page that names no site usually shows the name in its menu or footer
	const tail = meta.titleTag.split(/\s+[|·»–—:-]\s+/).at(-1) ?? '';
	const isShown = blocks.some(
		({ block, dropped }) => dropped !== null && 'text' in block && block.text === tail
	);
	const site = meta.siteName || (isShown ? tail : '');
	// what follows the heading in the title tag is the site's name or its slogan
	if (countWords(h1) >= 2 && /^(?:\s+[-–—]|\s*[|·»])\s/.test(restAfter(meta.titleTag, h1)))
		return h1;
	return tidyText(titleWithoutSite(meta.titleTag, site, host)) || h1 || firstHeading(blocks);
}

function restAfter(titleTag: string, heading: string): string {
	return titleTag.toLowerCase().startsWith(heading.toLowerCase())
		? titleTag.slice(heading.length)
		: '';
}

/** The site's name, where the title tag has it behind the title. */
function siteInTitle(titleTag: string, title: string): string {
	const rest = restAfter(titleTag, title)
		.replace(/^[\s|·»–—:-]+/, '')
		.trim();
	return countWords(rest) <= 4 ? rest : '';
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
