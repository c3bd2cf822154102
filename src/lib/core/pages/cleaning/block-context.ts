import type { Element } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { noiseOfName } from './noise';
import { hasField, textIn, hasTag, linkWordsIn } from './element-text';

export interface BlockContext {
	readonly noise: string | null;
	readonly path: readonly Element[];
	/** Inside something that opens on click, where hidden text is still the article. */
	readonly folds: boolean;
	readonly inArticle: boolean;
	/** Words of the whole page, furniture included. */
	readonly pageWords: number;
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
	/\b(?:buy now|shop now|shop (?:the|our)|order (?:now|today|online)|add to (?:basket|cart|bag)|\d+% off|free (?:delivery|shipping)|use (?:the )?code|special offer|limited time|sale ends|book (?:now|your place)|download (?:our|the|your) free|get a free quote)\b/i;
export function contextOf(element: Element, outer: BlockContext): BlockContext {
	const { properties, tagName } = element;
	const names = [properties.className, properties.id, properties.dataTestid, properties.ariaLabel]
		.map(stringOf)
		.join(' ');
	const role = stringOf(properties.role).toLowerCase();
	const folds = outer.folds || tagName === 'details' || FOLDING.test(names.toLowerCase());
	const inArticle =
		outer.inArticle || tagName === 'article' || tagName === 'main' || role === 'main';
	const hidden =
		properties.hidden === true ||
		stringOf(properties.ariaHidden) === 'true' ||
		HIDDEN_STYLE.test(stringOf(properties.style));
	// a name on something as large as the page says how the page is laid out, not what it is
	const named =
		tagName === 'body' || tagName === 'main' || /^h[1-6]$/.test(tagName)
			? null
			: noiseOfName(names);
	let noise =
		outer.noise ??
		CONTAINER_NOISE[tagName] ??
		(role === 'complementary' && inArticle ? null : ROLE_NOISE[role]) ??
		named ??
		(hidden && !folds ? 'hidden on the page' : null);
	if (noise === null && tagName === 'header' && !inArticle) noise = 'page header';
	if (noise === null && tagName === 'aside') noise = asideNoise(element, outer.inArticle);
	if (noise === null && (tagName === 'form' || hasField(element))) {
		const words = countWords(textIn(element));
		if (words < (tagName === 'form' ? 80 : 50) && words < 0.3 * outer.pageWords) noise = 'form';
	}
	// inside an article, a name that only sounds like furniture does not outweigh long prose
	if (
		outer.noise === null &&
		named !== null &&
		noise === named &&
		holdsArticle(element, named, outer.pageWords)
	)
		noise = null;
	return {
		noise,
		folds,
		inArticle,
		path: [...outer.path, element],
		pageWords: outer.pageWords,
		last: outer.last
	};
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

/**
 * Names such as "menu-open", "promo" or "cookies-enabled" that sit by accident on what holds
 * the article: most of the page's words, in paragraphs, with few links. Comments may well be
 * longer than the article they follow, so for them the name stands.
 */
function holdsArticle(element: Element, reason: string, pageWords: number): boolean {
	if (reason === 'comments') return false;
	const words = countWords(textIn(element));
	if (words < 80 || words < 0.35 * pageWords || !hasTag(element, /^p$/)) return false;
	const isLoose = reason === 'cookie notice' || reason === 'related links' || reason === 'footer';
	if (isLoose && words < 0.6 * pageWords) return false;
	return linkWordsIn(element) < 0.25 * words;
}
