import type { Element, ElementContent } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { hasTag, isBold, textIn } from './element-text';
import type { RawBlock } from './raw-block';

const WORDS_OF_BOLD_LINE = 12;

/** An element that holds a run of text and does nothing else. */
export function holding(children: readonly ElementContent[]): Element {
	return { type: 'element', tagName: 'span', properties: {}, children: [...children] };
}

/** Parts of a run of text: two line breaks in a row start a new one, and one below a bold line. */
export function splitAtBreaks(run: readonly ElementContent[]): ElementContent[][] {
	const parts: ElementContent[][] = [[]];
	let breaks = 0;
	for (const node of unwrapped(run)) {
		if (isBreak(node)) {
			breaks++;
			if (breaks === 2 || (breaks === 1 && isBoldLine(parts.at(-1)!))) parts.push([]);
			else if (breaks === 1) parts.at(-1)!.push(node);
			continue;
		}
		if (!(node.type === 'text' && node.value.trim() === '')) breaks = 0;
		parts.at(-1)!.push(node);
	}
	return parts;
}

/** Lines of a part, as its single breaks set them. */
export function linesIn(part: readonly ElementContent[]): ElementContent[][] {
	const lines: ElementContent[][] = [[]];
	for (const node of part) {
		if (isBreak(node)) lines.push([]);
		else lines.at(-1)!.push(node);
	}
	return lines.filter((line) => textIn(holding(line)) !== '');
}

export function isBreak(node: ElementContent): boolean {
	return node.type === 'element' && node.tagName === 'br';
}

/** Breaks inside what only sets letters are breaks of the text itself. */
function unwrapped(run: readonly ElementContent[]): readonly ElementContent[] {
	const isWrapper = (node: ElementContent) =>
		node.type === 'element' &&
		/^(?:font|span)$/.test(node.tagName) &&
		hasTag(node, /^br$/) &&
		!isBold(holding([node]));
	if (!run.some(isWrapper)) return run;
	return run.flatMap((node) =>
		node.type === 'element' && isWrapper(node) ? unwrapped(node.children) : [node]
	);
}

/** A line all in bold above its text, as pages set a heading that they do not mark. */
function isBoldLine(part: readonly ElementContent[]): boolean {
	const line = holding(part);
	const text = textIn(line);
	return (
		text !== '' &&
		!/[.:;,]$/.test(text) &&
		!/^(?:q|question)\s*\d*[.:)]/i.test(text) &&
		countWords(text) <= WORDS_OF_BOLD_LINE &&
		!hasTag(line, /^br$/) &&
		isBold(line)
	);
}

/** How office suites name the title of a text. */
export function isOfficeTitle({ properties }: Element, before: readonly RawBlock[]): boolean {
	const names = stringOf(properties.className).split(/\s+/);
	if (names.includes('MsoTitle')) return true;
	return names.includes('title') && !before.some(({ block }) => block.kind === 'heading');
}

/** Office suites put list entries on the clipboard as paragraphs that carry their own bullet. */
export function isOfficeItem({ properties }: Element): boolean {
	return (
		/MsoListParagraph/.test(stringOf(properties.className)) ||
		/mso-list\s*:\s*l\d/i.test(stringOf(properties.style))
	);
}
