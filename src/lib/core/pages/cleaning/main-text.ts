import { Readability } from '@mozilla/readability';
import type { Element } from 'hast';
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
	const inside = slimMarkupOf(body, numbered, 0);
	if (numbered.length > LIBRARY_LIMITS.maxElements) return NO_LIBRARY_TEXT;
	try {
		const markup = `<!doctype html><html><head><title>${escapeText(title)}</title></head>${inside}</html>`;
		const { document } = parseHTML(markup);
		const { content } =
			new Readability<ShownNode>(
				document as unknown as ConstructorParameters<typeof Readability>[0],
				{
					charThreshold: 250,
					keepClasses: true,
					disableJSONLD: true,
					// the elements themselves: as markup they would only be read again
					serializer: (node) => node as unknown as ShownNode
				}
			).parse() ?? {};
		if (content) {
			for (const id of numbersIn(content)) {
				const element = numbered[id];
				if (element) kept.add(element);
			}
		}
	} catch {
		// the library gives up on some trees; the caller then keeps by its own rules
		return NO_LIBRARY_TEXT;
	}
	return { kept, known: new Set(numbered) };
}

/** What is walked of a tree of the library's. */
interface ShownNode {
	readonly firstChild: ShownNode | null;
	readonly nextSibling: ShownNode | null;
	getAttribute?(name: string): string | null;
}

/** The numbers of the elements inside a node. */
function numbersIn(node: ShownNode): number[] {
	const found: number[] = [];
	const stack = [node.firstChild];
	while (stack.length > 0) {
		const next = stack.pop();
		if (!next) continue;
		const id = next.getAttribute?.('data-n');
		if (id) found.push(Number(id));
		stack.push(next.nextSibling, next.firstChild);
	}
	return found;
}

/** Attributes that the library looks at: as the tree has them, and as markup has them. */
const KEPT_ATTRIBUTES = [
	['className', 'class'],
	['id', 'id'],
	['role', 'role'],
	['href', 'href'],
	['src', 'src'],
	['alt', 'alt'],
	['style', 'style'],
	['ariaHidden', 'aria-hidden'],
	['itemProp', 'itemprop'],
	['rel', 'rel']
] as const;

/** Elements without an end tag, of those that a cleaned tree can hold. */
const VOID = new Set(['br', 'hr', 'img', 'wbr', 'col']);

/**
 * An element as markup with only the attributes the library looks at, each element with its
 * number. Written straight from the tree: making a copy and serialising that took
 * half as long as the library's own parse.
 */
function slimMarkupOf(element: Element, numbered: Element[], depth: number): string {
	const { tagName, properties } = element;
	let markup = `<${tagName} data-n="${numbered.length}"`;
	numbered.push(element);
	for (const [name, attribute] of KEPT_ATTRIBUTES) {
		const value = properties[name];
		if (value === undefined || value === null) continue;
		const text = stringOf(value);
		if (text !== '')
			markup += ` ${attribute}="${escapeValue(text.slice(0, LIBRARY_LIMITS.maxAttribute))}"`;
	}
	markup += properties.hidden === true ? ' hidden>' : '>';
	if (VOID.has(tagName)) return markup;
	for (const child of element.children) {
		if (child.type === 'text') markup += shortText(child.value);
		else if (child.type === 'element' && depth >= LIBRARY_LIMITS.maxDepth)
			markup += shortText(rawTextOf(child));
		else if (child.type === 'element' && numbered.length <= LIBRARY_LIMITS.maxElements)
			markup += slimMarkupOf(child, numbered, depth + 1);
	}
	return `${markup}</${tagName}>`;
}

function shortText(value: string): string {
	return escapeText(value.slice(0, LIBRARY_LIMITS.maxText));
}

function escapeText(text: string): string {
	return /[&<]/.test(text) ? text.replace(/&/g, '&amp;').replace(/</g, '&lt;') : text;
}

function escapeValue(text: string): string {
	return /[&"]/.test(text) ? text.replace(/&/g, '&amp;').replace(/"/g, '&quot;') : text;
}
