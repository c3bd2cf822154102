import type { Element } from 'hast';
import type { Block, PageLink } from '../article';

/** What the markup says of a part of the page: that it is not the article, and how it says so. */
export interface Mark {
	readonly reason: string;
	/** The part; the same object for every block in it. */
	readonly element: Element;
	/** A class or id name, a tag or role, a style that hides, or what is inside. */
	readonly by: 'name' | 'tag' | 'hidden' | 'content';
}

/** A block as found in the markup, before anything is decided about it. */
export interface RawBlock {
	readonly block: Block;
	readonly words: number;
	/** Words that stand inside links. */
	readonly linkWords: number;
	/** What the parts it stands in are marked as, outermost first. */
	readonly marks: readonly Mark[];
	/** The first of the marks that can be trusted: why this is not the article. */
	readonly noise: string | null;
	/** Whether all its text is set bold or large, as lines are that stand for a heading. */
	readonly bold: boolean;
	/** The elements it stands in, outermost first; the last is the block's own element. */
	readonly path: readonly Element[];
	readonly links: readonly Omit<PageLink, 'outward'>[];
}
