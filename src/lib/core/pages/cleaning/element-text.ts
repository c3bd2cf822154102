import type { Element, ElementContent, Text } from 'hast';
import { countWords } from '../../text';
import type { PageLink } from '../article';
import { rawTextOf, stringOf, tidyText } from '../html-tree';

const INLINE = new Set(
	'a abbr acronym b bdi bdo big br cite code data del dfn em font i img ins kbd label mark picture q rp rt ruby s samp small span strike strong sub sup time tt u var wbr button summary'.split(
		' '
	)
);
const fieldInside = new WeakMap<Element, boolean>();

/** Whether something is to be typed in inside an element. */
export function hasField(element: Element): boolean {
	let has = fieldInside.get(element);
	if (has === undefined) {
		has =
			element.properties.dataField === true ||
			element.children.some((child) => child.type === 'element' && hasField(child));
		fieldInside.set(element, has);
	}
	return has;
}
const BOLD_STYLE = /font-weight\s*:\s*(?:bold|[6-9]00)/i;

export function isBold(element: Element): boolean {
	return element.children.every((child) => {
		if (child.type !== 'element') return child.type !== 'text' || child.value.trim() === '';
		const { tagName, properties } = child;
		// some editors wrap all they copy in a bold tag that is set to normal
		const isNormal = /font-weight\s*:\s*(?:normal|400)/i.test(stringOf(properties.style));
		if (/^(?:b|strong|br|img)$/.test(tagName) && !isNormal) return true;
		if (tagName === 'font' && Number(properties.size) >= 4) return true;
		if (BOLD_STYLE.test(stringOf(properties.style))) return true;
		return child.children.length > 0 && isBold(child);
	});
}
const blockInside = new WeakMap<Element, boolean>();

/** Whether an element runs inside a line of text: an inline tag without a block inside. */
export function isInline(element: Element): boolean {
	return INLINE.has(element.tagName) && !hasBlockInside(element);
}

/** Whether anything inside is no part of a line of text. */
export function hasBlockInside(element: Element): boolean {
	let has = blockInside.get(element);
	if (has === undefined) {
		has = element.children.some(
			(child) => child.type === 'element' && (!INLINE.has(child.tagName) || hasBlockInside(child))
		);
		blockInside.set(element, has);
	}
	return has;
}

const HEADING_EXTRA =
	/^(?:[#¶§🔗[\]|\s]*|\[?\s*(?:edit|edit source|copy link|permalink|link to this .*|direct link to .*|anchor)\s*\]?)$/iu;
/** Marks of plain-text markup that were left in a heading, and signs of its own address. */
const HEADING_MARKS = /^(?:#{1,6}\s+|\*\*|__|[¶§#]\s*)+|(?:\*\*|__|\s*[¶§#🔗]+)+$/gu;

/** Text of a heading without its marks for linking and editing. */
export function headingText(element: Element): string {
	const children = element.children.filter(
		(child) =>
			child.type !== 'element' ||
			hasTag(child, /^img$/) ||
			textIn(child) === '' ||
			!HEADING_EXTRA.test(textIn(child))
	);
	return textIn({ ...element, children }).replace(HEADING_MARKS, '');
}

export function textIn(element: Element): string {
	return tidyText(spacedText(element.children));
}

/** Text with spaces where blocks meet, so that words of neighbours do not run together. */
function spacedText(nodes: readonly ElementContent[]): string {
	let text = '';
	for (const node of nodes) {
		if (node.type === 'text') text += (node as Text).value;
		else if (node.type === 'element') {
			// reference marks such as [1] are not words of the sentence
			if (node.tagName === 'sup' && /^\[?\d{1,3}\]?$/.test(rawTextOf(node).trim())) continue;
			if (isUnseen(node)) continue;
			const apart = node.tagName === 'br' || !INLINE.has(node.tagName);
			text += apart ? ` ${spacedText(node.children)} ` : spacedText(node.children);
		}
	}
	return text;
}

const UNSEEN_NAME =
	/^(?:(?:u-|is-)?visually-?hidden|sr-only|screen-reader(?:-only|-text)?|assistive-text)$/i;

/** Words for who cannot see, such as "Image caption," before a caption: they are said about the text. */
function isUnseen({ tagName, properties }: Element): boolean {
	return (
		tagName === 'span' &&
		properties.className !== undefined &&
		stringOf(properties.className)
			.split(/\s+/)
			.some((name) => UNSEEN_NAME.test(name))
	);
}

function elementsIn(element: Element): Element[] {
	const found: Element[] = [];
	const stack = [...element.children].reverse();
	while (stack.length > 0) {
		const node = stack.pop()!;
		if (node.type !== 'element') continue;
		found.push(node);
		for (let i = node.children.length - 1; i >= 0; i--) stack.push(node.children[i]!);
	}
	return found;
}

export function hasTag(element: Element, tag: RegExp): boolean {
	return elementsIn(element).some(({ tagName }) => tag.test(tagName));
}

export function findTag(element: Element, tag: string): Element | undefined {
	return elementsIn(element).find(({ tagName }) => tagName === tag);
}

export function imagesIn(element: Element): Element[] {
	return elementsIn(element).filter(({ tagName }) => tagName === 'img');
}

function anchorsIn(element: Element): Element[] {
	const inside = elementsIn(element).filter(({ tagName }) => tagName === 'a');
	return element.tagName === 'a' ? [element, ...inside] : inside;
}

export function linksIn(element: Element): Omit<PageLink, 'outward'>[] {
	return anchorsIn(element)
		.map((anchor) => ({ text: textIn(anchor), href: stringOf(anchor.properties.href) }))
		.filter(({ text, href }) => text !== '' && href !== '' && !href.startsWith('#'));
}

/** Words inside links that lead somewhere; a link that opens what follows it is none. */
export function linkWordsIn(element: Element): number {
	return anchorsIn(element).reduce(
		(sum, anchor) =>
			anchor.properties.href === undefined || isOpener(anchor)
				? sum
				: sum + countWords(textIn(anchor)),
		0
	);
}

const TOGGLE_NAME = /toggle|trigger|collapsed|accordion|expander|(?:^|[-_\s])tab(?:$|[-_\s])/i;

/**
 * Whether an element opens something on the page when it is clicked: a button, or a link that
 * leads nowhere else.
 */
export function isToggle({ tagName, properties }: Element): boolean {
	if (tagName === 'button' || tagName === 'summary') return true;
	const role = stringOf(properties.role);
	if (role === 'button' || role === 'tab') return true;
	return tagName === 'a' && !/^(?!javascript:)[^#]/i.test(stringOf(properties.href));
}

/** Whether a link opens a place on the page and does not jump to it. */
export function isOpener(element: Element): boolean {
	const { tagName, properties } = element;
	if (tagName !== 'a' || !isToggle(element)) return false;
	return (
		properties.ariaExpanded !== undefined ||
		properties.ariaControls !== undefined ||
		properties.dataToggle !== undefined ||
		properties.dataBsToggle !== undefined ||
		/^(?:tab|button)$/.test(stringOf(properties.role)) ||
		/^javascript:/i.test(stringOf(properties.href)) ||
		TOGGLE_NAME.test(stringOf(properties.className))
	);
}
