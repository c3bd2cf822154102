import type { Element } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { isOpener, isToggle, linkWordsIn, textIn } from './element-text';

/** Panels of text that something on the page opens: what is hidden in them is the article's. */
const panels = new WeakSet<Element>();
/** What opens them; its words head the panel. */
const openers = new WeakSet<Element>();

/** Whether an element opens a panel of text, as `markPanels` found. */
export function opensPanel(element: Element): boolean {
	return openers.has(element);
}

/** Whether something on the page opens this element, as `markPanels` found. */
export function isPanel(element: Element): boolean {
	return panels.has(element);
}

/**
 * Finds the panels of a page: what a toggle names by id, and what is hidden right behind a toggle
 * or behind a line that holds one. One walk over the elements.
 */
export function markPanels(body: Element): void {
	const byId = new Map<string, Element>();
	const toggles: Element[] = [];
	const stack: Element[] = [body];
	while (stack.length > 0) {
		const element = stack.pop()!;
		const { id } = element.properties;
		if (typeof id === 'string' && id !== '') byId.set(id, element);
		if (isToggle(element)) toggles.push(element);
		let before: Element | null = null;
		for (const child of element.children) {
			if (child.type !== 'element') continue;
			const toggle = before && isHidden(child) ? toggleIn(before) : null;
			if (toggle) join(toggle, child);
			before = child;
			stack.push(child);
		}
	}
	for (const toggle of toggles)
		for (const id of targetsOf(toggle)) {
			const panel = byId.get(id);
			if (panel) join(toggle, panel);
		}
}

/** Words of a panel below which it is a menu, a field or a picture. */
const LEAST_WORDS = 6;

function join(toggle: Element, panel: Element): void {
	const words = countWords(textIn(panel));
	if (words < LEAST_WORDS || linkWordsIn(panel) > 0.5 * words) return;
	panels.add(panel);
	openers.add(toggle);
}

function isHidden({ properties }: Element): boolean {
	return (
		properties.hidden === true ||
		stringOf(properties.hidden) !== '' ||
		stringOf(properties.ariaHidden) === 'true' ||
		/display\s*:\s*none/i.test(stringOf(properties.style))
	);
}

/** Ids of what a toggle opens. */
function targetsOf(toggle: Element): string[] {
	const { properties } = toggle;
	const named = [properties.ariaControls, properties.dataTarget, properties.dataBsTarget]
		.map(stringOf)
		.join(' ');
	const href = isOpener(toggle) ? stringOf(properties.href) : '';
	return `${named} ${href.startsWith('#') ? href : ''}`
		.split(/\s+/)
		.map((id) => id.replace(/^#/, ''))
		.filter((id) => id !== '');
}

/** The toggle that an element is, or that is all there is in it. */
function toggleIn(element: Element): Element | null {
	let inner = element;
	for (let depth = 0; depth < 4; depth++) {
		if (inner.tagName === 'button' || isOpener(inner)) return inner;
		const parts = inner.children.filter(
			(child) => child.type === 'element' || (child.type === 'text' && child.value.trim() !== '')
		);
		const [only] = parts;
		if (parts.length !== 1 || only?.type !== 'element') return null;
		inner = only;
	}
	return null;
}
