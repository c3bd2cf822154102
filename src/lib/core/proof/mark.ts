import type { ArticleReading, BlockReading } from '../measure';

/** Where a mark stands: a block by position, and places in that block's text, end excluded. */
export interface MarkPlace {
	readonly block: number;
	readonly start: number;
	readonly end: number;
}

/** What a take is read for, in the order it is shown. */
export const READS = [
	'close',
	'claims',
	'terms',
	'reading',
	'sameness',
	'leftovers',
	'spelling',
	'headings',
	'aged',
	'links',
	'brief'
] as const;

export type ReadFor = (typeof READS)[number];

/** A stretch of text in `Passage.text`, end excluded. */
export interface Stretch {
	readonly start: number;
	readonly end: number;
}

/** What stands elsewhere, beside a mark: in a page, a note, or further up in the text. */
export interface Passage {
	/** Id of the page or note; empty for the text itself. */
	readonly source: string;
	readonly text: string;
	/** What it has in common with the marked words. */
	readonly shared: readonly Stretch[];
}

/** A way to mend what is marked. */
export interface Fix {
	/** In the imperative: "Write “Fellgate Tools”". */
	readonly label: string;
	/** What stands in place of the quotation. */
	readonly replacement: string;
}

/** What a check has to say of some words. */
export interface Finding {
	/** Which rule speaks: a phrase, a name, a word; equal findings of one check share it. */
	readonly about: string;
	/** The words that are marked; empty where the article lacks something. */
	readonly quote: string;
	/** The whole sentence they stand in; empty like the quotation. */
	readonly sentence: string;
	/** In words, as a sentence without its stop. */
	readonly reason: string;
	readonly fixes: readonly Fix[];
	/** Points of standing that mending it would gain; null where that is not computed. */
	readonly gain: number | null;
	/** What it is held against, the best first. */
	readonly beside?: readonly Passage[];
	/** Words of the sentence that the first of those has too, by place in the sentence. */
	readonly shared?: readonly Stretch[];
}

/** A finding with its place in one block. */
export interface BlockFinding extends Finding {
	readonly start: number;
	readonly end: number;
}

/** One finding in an article. */
export interface Mark extends Finding {
	/**
	 * Name that a decision is kept under: the check, its rule and the sentence. It outlives edits
	 * around the sentence, and is another one when the sentence itself is changed.
	 */
	readonly id: string;
	readonly check: string;
	readonly reads: ReadFor;
	readonly beside: readonly Passage[];
	readonly shared: readonly Stretch[];
	/** Null: it concerns the article as a whole. */
	readonly place: MarkPlace | null;
}

/** Looks at one block alone, so that what it finds is kept for as long as the block is. */
export interface BlockCheck {
	readonly id: string;
	readonly reads: ReadFor;
	look(block: BlockReading): readonly BlockFinding[];
}

/** A finding of a check that has seen the whole article; without a place it concerns all of it. */
export interface ArticleFinding extends Finding {
	readonly place?: MarkPlace;
}

/** Looks at the whole article. */
export interface ArticleCheck {
	readonly id: string;
	readonly reads: ReadFor;
	look(article: ArticleReading): readonly ArticleFinding[];
}
