import { Readability } from '@mozilla/readability';
import type { Element } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { parseHTML } from 'linkedom/worker';

/**
 * Asks the readability library which elements hold the article. The tree comes from a
 * conformant parse, is numbered, handed over as markup, and what comes back is told by the
 * numbers, so that the caller keeps its own tree and can repair what was lost.
 *
 * @returns the elements kept; empty when the library finds no article
 */
export function mainTextElementsOf(body: Element, title: string): Set<Element> {
	const numbered: Element[] = [];
	number(body, numbered);
	const markup = `<!doctype html><html><head><title>${escape(title)}</title></head>${toHtml(body)}</html>`;
	const { document } = parseHTML(markup);
	const kept = new Set<Element>();
	try {
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
		return new Set();
	} finally {
		for (const element of numbered) delete element.properties.dataN;
	}
	return kept;
}

function number(body: Element, numbered: Element[]): void {
	const stack: Element[] = [body];
	while (stack.length > 0) {
		const element = stack.pop()!;
		element.properties.dataN = String(numbered.length);
		numbered.push(element);
		for (let i = element.children.length - 1; i >= 0; i--) {
			const child = element.children[i]!;
			if (child.type === 'element') stack.push(child);
		}
	}
}

function escape(text: string): string {
	return text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
}
