import type { Element } from 'hast';
import { tidyText } from '../html-tree';
import type { Block, PageBlock } from '../article';
import type { PageMeta } from './page-meta';
import type { RawBlock } from './raw-block';

/** Words of a part that stand in what the data of the page name, from which the part is the article's. */
const NAMED_SHARE = 0.7;
const LEAST_NAMED_WORDS = 8;

/** Share of what the data name that must be on the page, else it is taken from the data. */
const SHOWN_SHARE = 0.5;

/**
 * Brings back what the data of a page say is the article's: ingredients in an `aside`, steps in a
 * widget. A part counts when most of its words stand in those texts and one of
 * them is said nowhere else in what is kept, so that a copy for printing stays out.
 */
export function keepNamed(
	raw: readonly RawBlock[],
	dropped: (string | null)[],
	named: PageMeta['named']
): void {
	const phrases = [...named.ingredients, ...named.steps].map(keyOf).filter((key) => key !== '');
	if (phrases.length === 0) return;
	const words = new Set(phrases.flatMap((phrase) => phrase.split(' ')));
	const shown = keyOf(
		raw
			.filter((_, i) => dropped[i] === null)
			.map(({ block }) => textOfAll(block))
			.join(' ')
	);
	const missing = phrases.filter((phrase) => !` ${shown} `.includes(` ${phrase} `));
	if (missing.length === 0) return;
	const texts = ` ${phrases.join(' | ')} `;
	const isNamed = (text: string) => {
		const key = keyOf(text);
		return key !== '' && (texts.includes(` ${key} `) || phrases.some((one) => isPart(one, key)));
	};
	const parts = new Map<Element, { all: number; named: number; keys: string[] }>();
	raw.forEach(({ block, path }, i) => {
		if (dropped[i] === null) return;
		const lines = linesOf(block);
		for (const line of lines) {
			const key = keyOf(line);
			const n = key === '' ? 0 : key.split(' ').length;
			const isIt = isNamed(line) || mostOf(key, words);
			for (const element of path.slice(1)) {
				const part = parts.get(element) ?? { all: 0, named: 0, keys: [] };
				part.all += n;
				if (isIt) part.named += n;
				part.keys.push(key);
				parts.set(element, part);
			}
		}
	});
	const returned = new Set<Element>();
	for (const [element, part] of parts) {
		if (part.named < LEAST_NAMED_WORDS || part.named < NAMED_SHARE * part.all) continue;
		const said = ` ${part.keys.join(' ')} `;
		if (missing.some((phrase) => said.includes(` ${phrase} `) || isMostly(phrase, said)))
			returned.add(element);
	}
	raw.forEach(({ path }, i) => {
		if (dropped[i] !== null && path.some((element) => returned.has(element))) dropped[i] = null;
	});
}

/** What the data name and the page does not show, as blocks: pages that are drawn by a script. */
export function namedBlocks(blocks: readonly PageBlock[], named: PageMeta['named']): Block[] {
	if (named.body === '' && named.ingredients.length < 2 && named.steps.length === 0) return [];
	const shown = new Set(
		keyOf(
			blocks
				.filter(({ dropped }) => dropped === null)
				.map(({ block }) => textOfAll(block))
				.join(' ')
		).split(' ')
	);
	const isShown = (texts: readonly string[]) =>
		texts.filter((text) => mostOf(keyOf(text), shown)).length >= SHOWN_SHARE * texts.length;
	const found: Block[] = [];
	if (named.body !== '' && !isShown(sentencesOf(named.body)))
		for (const text of paragraphsOf(named.body)) found.push({ kind: 'paragraph', text });
	if (named.ingredients.length > 1 && !isShown(named.ingredients))
		found.push({ kind: 'list', ordered: false, items: named.ingredients });
	if (named.steps.length > 0 && !isShown(named.steps))
		found.push({ kind: 'list', ordered: true, items: named.steps });
	return found;
}

function paragraphsOf(text: string): string[] {
	return text.split(/\n+/).map(tidyText).filter(Boolean);
}

function sentencesOf(text: string): string[] {
	return text.split(/(?<=[.!?])\s+|\n+/).filter((part) => part.trim() !== '');
}

/** Words in lower case with single spaces. */
function keyOf(text: string): string {
	return (text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ');
}

/** Whether a phrase of several words stands whole in a text. */
function isPart(phrase: string, text: string): boolean {
	return phrase.includes(' ') && ` ${text} `.includes(` ${phrase} `);
}

/** Whether nine tenths of the words of a text are among these. */
function mostOf(key: string, words: ReadonlySet<string>): boolean {
	const own = key.split(' ');
	return key !== '' && own.filter((word) => words.has(word)).length >= 0.9 * own.length;
}

/** Whether a phrase is said in pieces, as a quantity, a unit and a thing in boxes of their own. */
function isMostly(phrase: string, said: string): boolean {
	return phrase.split(' ').every((word) => said.includes(` ${word} `));
}

function linesOf(block: Block): readonly string[] {
	if (block.kind === 'list') return block.items;
	if (block.kind === 'table') return block.rows.map((row) => row.join(' '));
	if (block.kind === 'answer') return [block.question, block.text];
	return block.kind === 'figure' ? [] : [block.text];
}

function textOfAll(block: Block): string {
	return linesOf(block).join(' ');
}
