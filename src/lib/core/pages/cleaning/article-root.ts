import type { Element } from 'hast';
import type { TextFrom } from '../article';
import { stringOf } from '../html-tree';
import type { RawBlock } from './raw-block';

/** The container of an article, and what told it. */
interface ArticleRoot {
	readonly root: Element;
	readonly from: Exclude<TextFrom, 'data'>;
}

/**
 * The innermost element that holds at least 85% of the words the library kept. When the
 * library found nothing, or less than 45% of the page's prose, the page's own `article` or
 * `main` decides, else the innermost element with 85% of the prose.
 */
export function articleRootOf(
	raw: readonly RawBlock[],
	noise: readonly (string | null)[],
	kept: ReadonlySet<Element>
): ArticleRoot {
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
	if (all === 0) return { root: body, from: 'prose' };
	if (sum(byLibrary) >= 0.45 * all) {
		const root = innermost(byLibrary, 0.85);
		if (sum(prose.filter(({ path }) => path.includes(root))) >= 0.45 * all)
			return {
				root: wholeSeries(withTitle(root, raw, noise, sum(byLibrary) / all), prose),
				from: 'library'
			};
	}
	const marked = innermostTagged(prose, all);
	return marked
		? { root: marked, from: 'marked' }
		: { root: innermost(prose, 0.85), from: 'prose' };
}

/** Share of the prose from which what the library kept is the article without more. */
const MOSTLY = 0.7;

/** Parts whose headings are titles of something else. */
const OF_OTHERS: ReadonlySet<string> = new Set([
	'comments',
	'cookie notice',
	'footer',
	'menu',
	'pop-up',
	'related links'
]);

/**
 * The element around the title and the container, where the library kept a part of the prose alone
 * and the title stands before it: of a recipe it often keeps the steps and not what is needed.
 */
function withTitle(
	root: Element,
	raw: readonly RawBlock[],
	noise: readonly (string | null)[],
	share: number
): Element {
	if (share >= MOSTLY) return root;
	const first = raw.findIndex(({ path }) => path.includes(root));
	const title = raw.findIndex(
		({ block }, i) =>
			block.kind === 'heading' && block.level === 1 && !OF_OTHERS.has(noise[i] ?? '')
	);
	if (title < 0 || title >= first) return root;
	const around = new Set(raw[title]!.path);
	return raw[first]!.path.findLast((element) => around.has(element)) ?? root;
}

/**
 * The parent where an element is one of a series: beside it stand others of the same tag and
 * classes, each with a heading of the same level and text of its own, as the sections of a manual.
 */
function wholeSeries(root: Element, prose: readonly RawBlock[]): Element {
	const inside = prose.find(({ path }) => path.includes(root));
	if (!inside) return root;
	const at = inside.path.indexOf(root);
	// the text of a section often has boxes of its own, beside the heading
	for (let up = at; up >= 1; up--)
		if (isOneOfSeries(inside.path, up, prose)) return inside.path[up - 1]!;
	return root;
}

function isOneOfSeries(
	ownPath: readonly Element[],
	at: number,
	prose: readonly RawBlock[]
): boolean {
	const [parent, own] = [ownPath[at - 1]!, ownPath[at]!];
	const parts = new Map<Element, { level: number; words: number }>();
	for (const { block, path, words } of prose) {
		const part = path[at];
		if (path[at - 1] !== parent || part === undefined) continue;
		const found = parts.get(part) ?? { level: 0, words: 0 };
		if (block.kind === 'heading') found.level ||= block.level;
		found.words += words;
		parts.set(part, found);
	}
	const level = parts.get(own)?.level ?? 0;
	// headed on the first level, they are articles of their own, as on a page that scrolls on
	if (level <= 1) return false;
	const others = [...parts].filter(
		([part, { level: theirs }]) =>
			part !== own &&
			part.tagName === own.tagName &&
			stringOf(part.properties.className) === stringOf(own.properties.className) &&
			theirs === level
	);
	return (
		others.some(([, { words }]) => words >= SECTION_WORDS) ||
		others.filter(([, { words }]) => words >= SHORT_SECTION_WORDS).length >= 2
	);
}

/** Words of a section, its heading included, from which it is one of a series. */
const SECTION_WORDS = 15;

/** The same where at least three such sections stand in a row: a page of short entries. */
const SHORT_SECTION_WORDS = 3;

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
