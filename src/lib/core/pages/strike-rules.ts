import { textOf, type Article } from './article';
import { hostOf } from './cleaning';

/** What to strike out on every page of one site. */
export interface StrikeRule {
	/** Host or, where a page has no address, name of the site. */
	readonly site: string;
	/** Place in the markup, as blocks carry it; empty: any. */
	readonly where: string;
	/** Text of the block in lower case; empty: any. */
	readonly text: string;
}

/** What a page's site is told by: its host, else its name. */
export function siteOf(article: Pick<Article, 'address' | 'siteName'>): string {
	return hostOf(article.address).replace(/^www\./, '') || article.siteName.toLowerCase();
}

/**
 * The rule that strikes a block and everything like it: what stands in the same box with a name
 * of its own, else what says the same. Null for a page whose site is not known.
 */
export function ruleFor(article: Article, at: number): StrikeRule | null {
	const site = siteOf(article);
	const found = article.blocks[at];
	if (site === '' || !found) return null;
	const { block, where = '' } = found;
	const same = article.blocks.filter((other) => other.where === where).length;
	// a place that most of the article shares says nothing about this block
	const isTelling = /\./.test(where) && same <= Math.max(3, 0.2 * article.blocks.length);
	return isTelling
		? { site, where, text: '' }
		: { site, where: '', text: textOf(block).toLowerCase() };
}

/** Positions of kept blocks that a rule strikes on a page. */
export function struckBy(rule: StrikeRule, article: Article): number[] {
	if (siteOf(article) !== rule.site) return [];
	return article.blocks.flatMap(({ block, dropped, where = '' }, i) => {
		if (dropped !== null) return [];
		const isLike =
			(rule.where === '' || rule.where === where) &&
			(rule.text === '' || rule.text === textOf(block).toLowerCase());
		return isLike && (rule.where !== '' || rule.text !== '') ? [i] : [];
	});
}
