import type { Element } from 'hast';
import type { Block, PageLink } from '../article';

/** A block as found in the markup, before anything is decided about it. */
export interface RawBlock {
	readonly block: Block;
	readonly words: number;
	/** Words that stand inside links. */
	readonly linkWords: number;
	/** Reason found in the markup around it why this is not the article. */
	readonly noise: string | null;
	/** Whether all its text is set bold or large, as lines are that stand for a heading. */
	readonly bold: boolean;
	/** The elements it stands in, outermost first; the last is the block's own element. */
	readonly path: readonly Element[];
	readonly links: readonly Omit<PageLink, 'outward'>[];
}
