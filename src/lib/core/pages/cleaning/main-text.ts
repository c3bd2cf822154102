import { Readability } from '@mozilla/readability';
import type { Element, ElementContent, Text } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { parseHTML } from 'linkedom/worker';
import { rawTextOf, stringOf } from '../html-tree';

/**
 * What the library is given of one page. Its work grows faster than the page, so that beyond
 * these bounds, which long articles with hundreds of comments keep, the caller's own rules serve.
 */
const LIBRARY_LIMITS = {
	/** Elements; articles with hundreds of comments have 15,000. */
	maxElements: 20_000,
	/** Elements inside one another; deeper ones are handed over as text. */
	maxDepth: 80,
	/** Characters of one piece of text and of one attribute. */
	maxText: 20_000,
	maxAttribute: 300
} as const;

/** What the readability library keeps of a page. */
export interface LibraryText {
	readonly kept: ReadonlySet<Element>;
	/** The elements it was shown. */
	readonly known: ReadonlySet<Element>;
}

/** Where the library was not asked, or gave up. */
export const NO_LIBRARY_TEXT: LibraryText = { kept: new Set(), known: new Set() };

/** Whether the library kept the innermost element of a block that it was shown. */
export function isKeptByLibrary({ kept, known }: LibraryText, path: readonly Element[]): boolean {
	const own = path.findLast((element) => known.has(element));
	return own !== undefined && kept.has(own);
}

/**
 * Asks the readability library which elements hold the article. The tree comes from a
 * conformant parse; a slim, numbered copy is handed over as markup, and what comes back is told
 * by the numbers, so that the caller keeps its own tree and can repair what was lost.
 *
 * @returns the elements kept, of those shown; empty when the library finds no article or the page is too large for it
 */
export function mainTextElementsOf(body: Element, title: string): LibraryText {
	const numbered: Element[] = [];
	const kept = new Set<Element>();
	const copy = slimCopyOf(body, numbered, 0);
	if (numbered.length > LIBRARY_LIMITS.maxElements) return NO_LIBRARY_TEXT;
	try {
		const markup = `<!doctype html><html><head><title>${escape(title)}</title></head>${toHtml(copy)}</html>`;
		const { document } = parseHTML(markup);
		const found = new Readability(
			document as unknown as ConstructorParameters<typeof Readability>[0],
			{
				charThreshold: 250,
				keepClasses: true,
				disableJSONLD: true
			}
		).parse();
		for (const [, id] of (found?.content ?? '').matchAll(/\sdata-n="(\d{1,7})"/g)) {
			const element = numbered[Number(id)];
			if (element) kept.add(element);
		}
	} catch {
		// the library gives up on some trees; the caller then keeps by its own rules
		return NO_LIBRARY_TEXT;
	}
	return { kept, known: new Set(numbered) };
}

/** A copy with only the attributes the library looks at, each element with its number. */
function slimCopyOf(element: Element, numbered: Element[], depth: number): Element {
	const properties: Record<string, string | boolean> = { dataN: String(numbered.length) };
	numbered.push(element);
	for (const name of KEPT_ATTRIBUTES) {
		const value = stringOf(element.properties[name]);
		if (value !== '') properties[name] = value.slice(0, LIBRARY_LIMITS.maxAttribute);
	}
	if (element.properties.hidden === true) properties.hidden = true;
	const children: ElementContent[] = [];
	for (const child of element.children) {
		if (child.type === 'text') children.push(shortText(child.value));
		else if (child.type === 'element' && depth >= LIBRARY_LIMITS.maxDepth)
			children.push(shortText(rawTextOf(child)));
		else if (child.type === 'element' && numbered.length <= LIBRARY_LIMITS.maxElements)
			children.push(slimCopyOf(child, numbered, depth + 1));
	}
	return { type: 'element', tagName: element.tagName, properties, children };
}

const KEPT_ATTRIBUTES = [
	'className',
	'id',
	'role',
	'href',
	'src',
	'alt',
	'style',
	'ariaHidden',
	'itemProp',
	'rel'
] as const;

function shortText(value: string): Text {
	return { type: 'text', value: value.slice(0, LIBRARY_LIMITS.maxText) };
}

function escape(text: string): string {
	return text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
}
