const GONE = 'style,script,meta,link,title,xml,o\\:p,w\\:sdtpr,head > *,[style*="mso-hide:all"]';
const ALIVE = new Set([
	...['P', 'H1', 'H2', 'H3', 'H4', 'UL', 'OL', 'LI', 'BLOCKQUOTE', 'PRE', 'CODE', 'TABLE', 'TBODY'],
	...['THEAD', 'TR', 'TD', 'TH', 'A', 'STRONG', 'EM', 'S', 'U', 'BR', 'HR', 'IMG']
]);
const RENAMED: Readonly<Record<string, string>> = {
	B: 'strong',
	I: 'em',
	DEL: 's',
	STRIKE: 's',
	H5: 'h4',
	H6: 'h4'
};

/**
 * Markup from the clipboard as the manuscript can take it: lists that an office program types as
 * paragraphs are lists, bold and italic that hang on styles are told by elements, and nothing else of
 * the look comes along. Empty lines, comments and hidden parts go; no word does.
 *
 * @param hasTitle whether the manuscript has a heading of the first level; then what is pasted brings none
 */
export function cleanedPaste(html: string, hasTitle: boolean): string {
	const { body } = new DOMParser().parseFromString(html, 'text/html');
	const walker = document.createNodeIterator(body, NodeFilter.SHOW_COMMENT);
	for (let node = walker.nextNode(); node; node = walker.nextNode())
		node.parentNode?.removeChild(node);
	body.querySelectorAll(GONE).forEach((element) => element.remove());
	// only copies of office documents type their lists; others are as they are
	typedLists(body);
	body.querySelectorAll<HTMLElement>('*').forEach(byElement);
	if (hasTitle && body.querySelector('h1'))
		for (const level of [3, 2, 1])
			body.querySelectorAll(`h${level}`).forEach((old) => renamed(old, `h${level + 1}`));
	body.querySelectorAll('p').forEach((line) => {
		if (line.textContent?.trim() === '' && !line.querySelector('img')) line.remove();
	});
	return body.innerHTML.replace(/&nbsp;|\u00a0/g, ' ');
}

/** Paragraphs of an office document that look like entries, as entries of lists. */
function typedLists(body: HTMLElement): void {
	const stack: { level: number; list: HTMLElement }[] = [];
	for (const line of [...body.querySelectorAll<HTMLElement>('p[style*="mso-list"]')]) {
		const level = Number(/level(\d)/.exec(line.getAttribute('style') ?? '')?.[1] ?? 1);
		const sign = line.querySelector('[style*="mso-list:Ignore"], [style*="mso-list: Ignore"]');
		const isOrdered = /^[\s(]*(?:\d+|[a-z]|[ivx]+)[.)]/i.test(sign?.textContent ?? '');
		sign?.remove();
		const entry = document.createElement('li');
		entry.innerHTML = line.innerHTML.trim();
		const open = stack.at(-1);
		const follows = open !== undefined && line.previousElementSibling === rootOf(stack);
		if (!follows) stack.length = 0;
		while (stack.length > 0 && stack.at(-1)!.level > level) stack.pop();
		let top = stack.at(-1);
		if (top?.level !== level) {
			const list = document.createElement(isOrdered ? 'ol' : 'ul');
			if (top) (top.list.lastElementChild ?? top.list).append(list);
			else line.before(list);
			top = { level, list };
			stack.push(top);
		}
		top.list.append(entry);
		line.remove();
	}
}

function rootOf(stack: readonly { readonly list: HTMLElement }[]): Element | null {
	return stack[0]?.list ?? null;
}

/** An element by what it says and not by how it looks. */
function byElement(element: HTMLElement): void {
	const { fontWeight, fontStyle, textDecoration } = element.style;
	const isBold = /^(?:bold|bolder|[6-9]00)$/.test(fontWeight);
	const isPlain = fontWeight === 'normal' || fontWeight === '400';
	const name = element.tagName;
	const inside = element.innerHTML;
	// some programs wrap all of it in a bold that is none
	const says = name === 'B' && isPlain ? 'SPAN' : name;
	const holds: string[] = [];
	const isText = says === 'SPAN' || says === 'FONT';
	if (isText && isBold) holds.push('strong');
	if (isText && fontStyle === 'italic') holds.push('em');
	if (isText && /line-through/.test(textDecoration)) holds.push('s');
	if (holds.length > 0 && inside.trim() !== '') {
		let inner: HTMLElement | null = null;
		for (const tag of holds) {
			const around = document.createElement(tag);
			around.append(...(inner ? [inner] : element.childNodes));
			inner = around;
		}
		element.replaceWith(inner!);
		return;
	}
	if (RENAMED[says]) {
		bare(renamed(element, RENAMED[says]));
		return;
	}
	if (!ALIVE.has(says)) {
		// what is no element of a manuscript leaves its text; a box of text is a line
		if (
			says === 'DIV' &&
			!element.querySelector('p,h1,h2,h3,h4,h5,h6,ul,ol,table,div,blockquote,pre')
		)
			renamed(element, 'p');
		else element.replaceWith(...element.childNodes);
		return;
	}
	bare(element);
}

const KEPT = new Set(['href', 'src', 'alt', 'colspan', 'rowspan', 'start']);

function bare(element: Element): void {
	for (const { name } of [...element.attributes])
		if (!KEPT.has(name) && !name.startsWith('data-')) element.removeAttribute(name);
}

function renamed(old: Element, name: string): Element {
	const made = document.createElement(name);
	for (const { name: key, value } of [...old.attributes]) made.setAttribute(key, value);
	made.append(...old.childNodes);
	old.replaceWith(made);
	return made;
}

/** Whether markup was copied out of a manuscript of ours, which needs no cleaning. */
export function isOwnMarkup(html: string): boolean {
	return /data-pm-slice=/.test(html);
}

/** Whether a pasted text is marked up: headings, entries, a table, links or bold words. */
export function isMarkdown(text: string): boolean {
	if (/^#{1,6}\s\S/m.test(text) || /^\|?\s*:?-{3,}:?\s*\|/m.test(text)) return true;
	const entries = text.match(/^\s*(?:[-*+]|\d+[.)])\s+\S/gm)?.length ?? 0;
	return entries >= 2 || /\[[^\]\n]+\]\(https?:/.test(text) || /\*\*[^*\n]+\*\*/.test(text);
}
