import type { Element } from 'hast';
import { isOpener } from './element-text';
import type { RawBlock } from './raw-block';

/** Words of a box that is one link; what is longer is a page whose link was never closed. */
const MOST_WORDS = 80;
/** Share of the page in such boxes from which the same is so. */
const MOST_OF_PAGE = 0.4;

/** Blocks of cards that are one link as a whole, picture, heading and teaser: all of their words are linked. */
export function withLinkedBoxes(raw: readonly RawBlock[]): RawBlock[] {
	const boxes = new Map<Element, number>();
	let total = 0;
	for (const { path, words } of raw) {
		total += words;
		const around = linkAround(path);
		if (around) boxes.set(around, (boxes.get(around) ?? 0) + words);
	}
	const linked = [...boxes].filter(([, words]) => words <= MOST_WORDS);
	if (linked.reduce((sum, [, words]) => sum + words, 0) > MOST_OF_PAGE * total) return [...raw];
	const links = new Set(linked.map(([element]) => element));
	return raw.map((block) => {
		const around = linkAround(block.path);
		return around && links.has(around) ? { ...block, linkWords: block.words } : block;
	});
}

function linkAround(path: readonly Element[]): Element | undefined {
	// the last is the block itself, or what its text opens with
	return path
		.slice(0, -1)
		.find(
			(element) =>
				element.tagName === 'a' && element.properties.href !== undefined && !isOpener(element)
		);
}
