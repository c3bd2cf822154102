import type { Element } from 'hast';
import { stringOf } from '../html-tree';
import type { RawBlock } from './raw-block';

export const LEAD =
	/(?:^|[\s_-])(?:lead|lede|dek|deck|intro\w*|standfirst|subtitle|sub-?head\w*|summary|teaser-?text|vorspann|chapo|abstract|excerpt)(?:$|[\s_-])/i;
export function namesOf(path: readonly Element[]): string {
	return path
		.slice(-2)
		.map(({ properties }) => stringOf(properties.className))
		.join(' ');
}

const IN_LINE = /^(?:span|a|b|strong|em|i|u|font|small|big|br|mark|time|label)$/;

/** The element that holds a block's paragraph, whatever its words are wrapped in. */
export function holderOf(path: readonly Element[]): Element {
	let at = path.length - 1;
	while (at > 0 && IN_LINE.test(path[at]!.tagName)) at--;
	if (at > 0 && /^(?:p|h[1-6])$/.test(path[at]!.tagName)) at--;
	return path[at]!;
}

export function isIntroduction({ block, words, linkWords, path }: RawBlock): boolean {
	if (block.kind === 'heading' || LEAD.test(namesOf(path))) return true;
	if (linkWords > 0.3 * words) return false;
	if (block.kind === 'list' || block.kind === 'table') return words >= 6;
	return words >= 12 || (words >= 5 && isSentence(block));
}

export function isSentence(block: RawBlock['block']): boolean {
	return 'text' in block && /[.!?…:;]["”’)\]]*$/.test(block.text);
}

/** Whether a block is of the kind that articles are made of, and not a line of furniture. */
export function isSubstance({ block, words, linkWords }: RawBlock): boolean {
	if (block.kind === 'list') return linkWords <= 0.6 * words;
	if (block.kind !== 'paragraph') return block.kind !== 'heading' && block.kind !== 'figure';
	if (linkWords > 0.3 * words && words < 30) return false;
	return words >= 15 || (words >= 5 && isSentence(block));
}

/** Where in the markup a block stands, so that blocks like it can be told on other pages of a site. */
export function whereOf(path: readonly Element[]): string {
	return path
		.slice(-3)
		.map(({ tagName, properties }) => {
			const names = stringOf(properties.className).split(/\s+/).filter(Boolean);
			const plain = names.filter((name) => !/\d/.test(name)).slice(0, 2);
			return [tagName, ...plain].join('.');
		})
		.join('>');
}

export function isHome({ href }: { readonly href: string }): boolean {
	return /^(?:https?:\/\/[^/]+)?\/?(?:index\.\w+)?$/i.test(href);
}
