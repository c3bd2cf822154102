import type { Element } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { noiseOfNames } from './noise';
import { hasField, textIn, linkWordsIn } from './element-text';
import { isPanel } from './folding';
import type { Mark } from './raw-block';

export interface BlockContext {
	/** Marks of the parts around, outermost first. */
	readonly marks: readonly Mark[];
	readonly path: readonly Element[];
	/** Inside something that opens on click, where hidden text is still the article. */
	readonly folds: boolean;
	readonly inArticle: boolean;
	/** Words of the whole page, furniture included. */
	readonly pageWords: () => number;
	/** Level of the heading last seen, shared along the walk. */
	readonly last: { level: number };
}

const CONTAINER_NOISE: Readonly<Record<string, string>> = {
	nav: 'menu',
	footer: 'footer',
	dialog: 'pop-up',
	menu: 'menu'
};

const ROLE_NOISE: Readonly<Record<string, string>> = {
	navigation: 'menu',
	banner: 'page header',
	contentinfo: 'footer',
	complementary: 'side column',
	search: 'search',
	dialog: 'pop-up',
	alertdialog: 'pop-up',
	menu: 'menu',
	menubar: 'menu'
};

const FOLDING =
	/accordion|faq|collaps|expand|toggle|panel|tab-?(?:content|pane)|answer|q-?and-?a|qna/;
const HIDDEN_STYLE = /display\s*:\s*none|visibility\s*:\s*hidden/i;

export const PROMOTION =
	/\b(?:buy now|shop now|shop (?:the|our)|order (?:now|today|online)|add to (?:basket|cart|bag)|\d+% off|free (?:delivery|shipping)|use (?:the )?code|special offer|limited time|sale ends|book (?:now|your place)|download (?:our|the|your) free|get a free quote|check (?:the )?(?:latest |current )?price|view (?:the )?deal|see (?:the )?price|best price today)\b/i;
/** The context inside an element: what is known outside it, and what the element adds. */
export function contextOf(element: Element, outer: BlockContext): BlockContext {
	const { properties, tagName } = element;
	const names = namesOf(element);
	const role = stringOf(properties.role).toLowerCase();
	const folds =
		outer.folds ||
		tagName === 'details' ||
		role === 'tabpanel' ||
		isPanel(element) ||
		FOLDING.test(names.join(' ').toLowerCase());
	const inArticle =
		outer.inArticle || tagName === 'article' || tagName === 'main' || role === 'main';
	const mark = markOf(element, { role, names, folds, inArticle, outer });
	return {
		marks: mark ? [...outer.marks, mark] : outer.marks,
		folds,
		inArticle,
		path: [...outer.path, element],
		pageWords: outer.pageWords,
		last: outer.last
	};
}

function markOf(
	element: Element,
	{
		role,
		names,
		folds,
		inArticle,
		outer
	}: {
		readonly role: string;
		readonly names: readonly string[];
		readonly folds: boolean;
		readonly inArticle: boolean;
		readonly outer: BlockContext;
	}
): Mark | null {
	const { properties, tagName } = element;
	const mark = (reason: string, by: Mark['by']): Mark => ({ reason, element, by });
	const byTag =
		CONTAINER_NOISE[tagName] ??
		(role === 'complementary' && inArticle ? null : ROLE_NOISE[role]) ??
		null;
	if (byTag !== null) return mark(byTag, 'tag');
	const byName =
		tagName === 'body' || tagName === 'main' || /^h[1-6]$/.test(tagName)
			? null
			: noiseOfNames(names);
	if (byName !== null) return mark(byName, 'name');
	const isHidden =
		properties.hidden === true ||
		stringOf(properties.hidden) === 'until-found' ||
		stringOf(properties.ariaHidden) === 'true' ||
		HIDDEN_STYLE.test(stringOf(properties.style));
	if (isHidden && !folds) return mark('hidden on the page', 'hidden');
	if (tagName === 'header' && !inArticle) return mark('page header', 'tag');
	if (tagName === 'aside') {
		const reason = asideNoise(element, outer.inArticle);
		if (reason !== null) return mark(reason, 'tag');
	}
	if (tagName === 'form' || hasField(element)) {
		const words = countWords(textIn(element));
		if (words < (tagName === 'form' ? 80 : 50) && words < 0.3 * outer.pageWords())
			return mark('form', 'content');
	}
	return null;
}

/** Names that authors give to a part: classes, id, test id, label, and the tag where it is a name of their own. */
function namesOf(element: Element): string[] {
	const { tagName, properties } = element;
	const classes = stringOf(properties.className).split(/\s+/);
	const own = tagName.includes('-') ? [tagName] : [];
	const id = stringOf(properties.id);
	const label = stringOf(properties.ariaLabel).trim().replace(/\s+/g, '-');
	return [
		...own,
		...classes,
		isAddressOfHeading(element, id) ? '' : id,
		stringOf(properties.dataTestid),
		label
	].filter((name) => name !== '');
}

/** Whether an id was made of the heading that opens the part: then it names a subject, not a kind of part. */
function isAddressOfHeading(element: Element, id: string): boolean {
	const parts = id
		.toLowerCase()
		.split(/[^\p{L}\p{N}]+/u)
		.filter(Boolean);
	if (parts.length < 2) return false;
	let first: Element | undefined = element;
	for (let depth = 0; first && depth < 5; depth++) {
		if (/^h[1-6]$/.test(first.tagName)) break;
		first = first.children.find((child) => child.type === 'element');
	}
	if (!first || first === element || !/^h[1-6]$/.test(first.tagName)) return false;
	const heading = new Set(
		textIn(first)
			.toLowerCase()
			.split(/[^\p{L}\p{N}]+/u)
	);
	return parts.filter((part) => heading.has(part)).length >= 0.5 * parts.length;
}

/** Asides in an article are often its tips and warnings; elsewhere they are the side column. */
function asideNoise(element: Element, inArticle: boolean): string | null {
	const text = textIn(element);
	if (!inArticle) return 'side column';
	if (PROMOTION.test(text)) return 'advertisement';
	return countWords(text) < 12 || linkWordsIn(element) > 0.3 * countWords(text)
		? 'side note'
		: null;
}
