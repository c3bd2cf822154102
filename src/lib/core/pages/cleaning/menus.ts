import type { Element } from 'hast';
import type { RawBlock } from './raw-block';

/** Share of a menu's words that are links, and their least number. */
const LINKED = 0.3;
const LEAST_LINKED = 40;
/** Share of the page from which a part is its layout, whatever it is called; more where a title stands elsewhere. */
const LAYOUT_SHARE = 0.6;
const BESIDE_TITLE = 0.85;

/**
 * Menus full of links, by their tag, role or name: teasers inside are a part of them, however much
 * they read as prose.
 */
export function menusOf(raw: readonly RawBlock[]): ReadonlySet<Element> {
	const parts = new Map<Element, { words: number; linked: number; hasTitle: boolean }>();
	let total = 0;
	let hasTitle = false;
	for (const { block, marks, words, linkWords } of raw) {
		total += words;
		const isTitle = block.kind === 'heading' && block.level === 1;
		hasTitle ||= isTitle;
		for (const { reason, element } of marks) {
			if (reason !== 'menu') continue;
			const part = parts.get(element) ?? { words: 0, linked: 0, hasTitle: false };
			part.words += words;
			part.linked += linkWords;
			part.hasTitle ||= isTitle;
			parts.set(element, part);
		}
	}
	const most = (hasTitle ? BESIDE_TITLE : LAYOUT_SHARE) * total;
	return new Set(
		[...parts]
			.filter(
				([, part]) =>
					!part.hasTitle &&
					part.linked >= LEAST_LINKED &&
					part.linked >= LINKED * part.words &&
					part.words < most
			)
			.map(([element]) => element)
	);
}
