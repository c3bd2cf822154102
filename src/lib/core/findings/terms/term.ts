import type { PageWork } from '../../reading';
import type { FindingEdits } from '../edits';
import type { TermWeight } from '../term-weight';

/** How one page uses a term. */
export interface TermUse {
	readonly page: string;
	readonly count: number;
	/** Uses per 1,000 words of the page. */
	readonly rate: number;
	readonly title: boolean;
	readonly h1: boolean;
	readonly h2: boolean;
	readonly h3: boolean;
	/** In the first 100 words. */
	readonly opening: boolean;
	readonly faq: boolean;
	/** Where the first use stands, as a share of the page's words, 0–1. */
	readonly position: number;
	/** Uses that do not lie inside a longer candidate. */
	readonly own: number;
	/** Uses in each section of the page that has any: [section, uses]. */
	readonly sections: readonly (readonly [number, number])[];
}

/** What a term names: a thing, something done, or somebody or something with a name of its own. */
export const TERM_KINDS = ['thing', 'action', 'name'] as const;

export type TermKind = (typeof TERM_KINDS)[number];

export interface Term {
	/** Folded form; the identity of a term across changes of the evidence. */
	readonly key: string;
	/** The spelling met most often. */
	readonly phrase: string;
	/** Positions of verbs in the phrase, which match in every inflection. */
	readonly verbs: readonly number[];
	/** Other phrases that count for it, put there by hand. */
	readonly variants: readonly string[];
	readonly kind: TermKind;
	readonly weight: TermWeight;
	/** Added by hand, or pinned to the top by hand. */
	readonly isOwn: boolean;
	readonly isPinned: boolean;
	/** Whether the weight or the range was set by hand. */
	readonly isSet: boolean;
	/** Uses recommended for the target length, both ends included. */
	readonly min: number;
	readonly max: number;
	readonly uses: readonly TermUse[];
	/** Shares of all counted pages, 0–1. */
	readonly places: Readonly<Record<'title' | 'h1' | 'h2' | 'h3' | 'opening' | 'faq', number>>;
	/** Median of the positions of first use, 0–1. */
	readonly position: number;
	/** Terms that share its sections more often than chance, strongest first; keys. */
	readonly company: readonly string[];
	readonly score: number;
	readonly scoreParts: {
		readonly unusual: number;
		readonly frequency: number;
		readonly pages: number;
		readonly prominence: number;
	};
}

export interface TermOptions {
	readonly keyword: string;
	readonly targetWords: number;
	/** Phrases that come along whether pages use them or not. */
	readonly required?: readonly string[];
	/** Phrases that come along where a page uses them, those that matter most first. */
	readonly wished?: readonly string[];
	/** What the writer decided about terms. */
	readonly edits?: FindingEdits['terms'];
	/** Notes: what they use too needs one page only. */
	readonly notes?: readonly PageWork[];
}

export interface TermsFound {
	readonly terms: readonly Term[];
	/** Terms struck out by hand that the pages would give. */
	readonly struck: readonly Term[];
}
