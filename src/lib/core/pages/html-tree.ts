import type { Element, ElementContent, Root, RootContent } from 'hast';
import { fromParse5 } from 'hast-util-from-parse5';
import { parse } from 'parse5';

/** Bounds that keep hostile markup harmless; ordinary pages stay far below. */
const HTML_LIMITS = {
	/** Characters of markup; longer pages are refused. The largest saved article seen had 2.1 million. */
	maxChars: 12_000_000,
	/** Elements inside one another; deeper ones are opened flat. Browsers stop at 512. */
	maxDepth: 400,
	/** Elements of one page; of what follows only the text is read. Long comment threads have 15,000. */
	maxElements: 60_000
} as const;

const REMOVED = new Set(
	'script style template svg math canvas iframe object embed applet frame frameset audio video source track link base input select textarea option datalist progress meter dialog map area param portal'.split(
		' '
	)
);

/** What a conformant parse of a page gives, made safe to walk without recursion limits. */
export interface HtmlTree {
	readonly body: Element;
	readonly head: readonly Element[];
	/** Contents of `application/ld+json` scripts, as text. */
	readonly jsonLd: readonly string[];
	/** Contents of `application/json` scripts: what a page is drawn from by a script. */
	readonly states: readonly string[];
	readonly language: string;
}

/**
 * Parses markup as a browser would and keeps only what can hold an article. Scripts, styles,
 * frames and form fields are gone, nothing is fetched, depth and size are bounded.
 * @throws RangeError when the markup is longer than `HTML_LIMITS.maxChars`
 */
export function parseHtml(html: string): HtmlTree {
	if (html.length > HTML_LIMITS.maxChars) {
		throw new RangeError(`Markup of ${html.length} characters is over ${HTML_LIMITS.maxChars}`);
	}
	// without places in the source, which nobody asks for and which take as long as the parse
	const parsed = parse(flattenDeep(closeTitle(html)), { scriptingEnabled: false });
	const root = fromParse5(parsed) as Root;
	const head: Element[] = [];
	const jsonLd: string[] = [];
	const states: string[] = [];
	let body: Element = { type: 'element', tagName: 'body', properties: {}, children: [] };
	let language = '';

	/** What is shown where scripts do not run, mostly pictures and notices; the text on some pages. */
	const scriptless: { parent: Root | Element; child: Element }[] = [];
	const stack: { node: Root | Element; depth: number }[] = [{ node: root, depth: 0 }];
	let seen = 0;
	while (stack.length > 0) {
		const { node, depth } = stack.pop()!;
		if (node.type === 'element') {
			seen++;
			if (node.tagName === 'html') language = stringOf(node.properties.lang);
			if (node.tagName === 'body') body = node;
		}
		const kept: RootContent[] = [];
		for (const child of node.children) {
			if (child.type === 'text') kept.push(child);
			if (child.type !== 'element' || seen > HTML_LIMITS.maxElements) continue;
			if (child.tagName === 'script') {
				const type = stringOf(child.properties.type);
				if (/ld\+json/i.test(type)) jsonLd.push(rawTextOf(child));
				else if (/^application\/json\b/i.test(type)) states.push(rawTextOf(child));
				continue;
			}
			if (child.tagName === 'noscript') scriptless.push({ parent: node, child });
			if (child.tagName === 'title' || child.tagName === 'meta') head.push(child);
			if (child.tagName === 'link' && /canonical/i.test(stringOf(child.properties.rel)))
				head.push(child);
			// where something is asked for, the words around it are a form and not the article
			if (node.type === 'element' && isField(child)) node.properties.dataField = true;
			const shown = shadowOf(child);
			if (shown) {
				kept.push(shown);
				stack.push({ node: shown, depth: depth + 1 });
				continue;
			}
			if (REMOVED.has(child.tagName)) continue;
			if (depth > HTML_LIMITS.maxDepth) {
				kept.push({ type: 'text', value: rawTextOf(child) });
				continue;
			}
			kept.push(child);
			stack.push({ node: child, depth: depth + 1 });
		}
		node.children = kept as ElementContent[];
	}
	dropScriptless(scriptless, body);
	return { body, head: head.reverse(), jsonLd, states, language };
}

/** Takes out what is shown without scripts, unless it holds more than half of the page's text. */
function dropScriptless(
	scriptless: readonly { readonly parent: Root | Element; readonly child: Element }[],
	body: Element
): void {
	const lengthOf = (element: Element) => tidyText(rawTextOf(element)).length;
	const without = scriptless.reduce((sum, { child }) => sum + lengthOf(child), 0);
	if (without === 0 || without > 0.5 * lengthOf(body)) return;
	for (const { parent, child } of scriptless)
		parent.children = (parent.children as RootContent[]).filter(
			(other) => other !== child
		) as ElementContent[];
}

/** Closes a title that was left open: else it swallows the page. */
function closeTitle(html: string): string {
	const open = /<title\b[^>]{0,200}>/i.exec(html);
	if (!open) return html;
	const start = open.index + open[0].length;
	const end = html.slice(start).search(/<\/title\s*>/i);
	const next = html
		.slice(start)
		.search(/<(?:body|meta|link|script|style|\/head|div|p|h1|svg)\b|\n/i);
	if (
		end >= 0 &&
		(next < 0 || end < next || !/<(?:body|p|div)\b/i.test(html.slice(start, start + end)))
	)
		return html;
	if (next < 0) return html;
	return `${html.slice(0, start + next)}</title>${html.slice(start + next)}`;
}

/** What a template holds that is shown as it stands: the declared shadow tree of its element. */
function shadowOf({ tagName, properties, content }: Element): Element | null {
	const mode = properties.shadowRootMode ?? properties.shadowrootmode;
	if (tagName !== 'template' || mode === undefined || !content) return null;
	return {
		type: 'element',
		tagName: 'div',
		properties: {},
		children: content.children as ElementContent[]
	};
}

function isField({ tagName, properties }: Element): boolean {
	if (tagName === 'textarea') return true;
	return tagName === 'input' && /^(?:|text|email|search|tel)$/i.test(stringOf(properties.type));
}

/** Elements that need no end tag, or close one another: they cannot nest deeply by themselves. */
const SHALLOW = new Set(
	'area base br col embed hr img input link meta param source track wbr p li dt dd tr td th thead tbody tfoot option optgroup html head body script style title textarea'.split(
		' '
	)
);

/*
 * The parser keeps a stack of open elements and slows down with its depth, and with the number
 * of elements. Start tags beyond the bounds are dropped before parsing, and with those that would
 * be too deep as many end tags.
 */
function flattenDeep(html: string): string {
	let depth = 0;
	let dropped = 0;
	let tags = 0;
	return html.replace(
		/<(\/?)([a-z][a-z0-9-]{0,40})(?=[\s>/])([^<>]*)>/gi,
		(tag, slash: string, name: string, rest: string) => {
			if (slash === '' && ++tags > HTML_LIMITS.maxElements) return ' ';
			if (SHALLOW.has(name.toLowerCase()) || rest.endsWith('/')) return tag;
			if (slash === '') {
				if (depth < HTML_LIMITS.maxDepth) {
					depth++;
					return tag;
				}
				dropped++;
				return ' ';
			}
			if (dropped > 0) {
				dropped--;
				return ' ';
			}
			depth = Math.max(0, depth - 1);
			return tag;
		}
	);
}

/** All text below a node, unchanged. */
export function rawTextOf(node: Element | RootContent): string {
	let text = '';
	const stack: (Element | RootContent)[] = [node];
	while (stack.length > 0) {
		const next = stack.pop()!;
		if (next.type === 'text') text += next.value;
		else if (next.type === 'element') {
			if (next.tagName === 'br') text += '\n';
			for (let i = next.children.length - 1; i >= 0; i--) stack.push(next.children[i]!);
		}
	}
	return text;
}

/** An attribute as one string; lists are joined by spaces, missing ones are empty. */
export function stringOf(value: unknown): string {
	if (typeof value === 'string') return value;
	if (typeof value === 'number') return String(value);
	if (Array.isArray(value)) return value.map(stringOf).join(' ');
	return '';
}

const UNSEEN = /[\u00ad\u200b\u200c\u2060\ufeff]/;
const UNSEEN_ALL = new RegExp(UNSEEN, 'g');

/** White space folded to single spaces; line breaks from `br` become sentence-safe spaces. */
export function tidyText(text: string): string {
	const seen = UNSEEN.test(text) ? text.replace(UNSEEN_ALL, '') : text;
	// most text has single spaces and nothing to fold
	return (/\s\s|[^\S ]/.test(seen) ? seen.replace(/\s+/g, ' ') : seen).trim();
}
