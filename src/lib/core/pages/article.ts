/** Heading levels the product tells apart; deeper ones count as 4. */
export type HeadingLevel = 1 | 2 | 3 | 4;

/** One piece of an article, in reading order. */
export type Block =
	| { readonly kind: 'heading'; readonly level: HeadingLevel; readonly text: string }
	| { readonly kind: 'paragraph'; readonly text: string }
	| { readonly kind: 'list'; readonly ordered: boolean; readonly items: readonly string[] }
	/** `rows` in order, header row first when `header` is set. */
	| {
			readonly kind: 'table';
			readonly header: boolean;
			readonly rows: readonly (readonly string[])[];
	  }
	| { readonly kind: 'quote'; readonly text: string }
	| {
			readonly kind: 'figure';
			readonly src: string;
			readonly alt: string;
			readonly caption: string;
	  }
	| { readonly kind: 'code'; readonly text: string }
	/** A question with its answer, from an accordion or from structured data. */
	| { readonly kind: 'answer'; readonly question: string; readonly text: string };

/** A block of a cleaned page, and why it was dropped if it was. */
export interface PageBlock {
	readonly block: Block;
	/** Reason in words for the writer, or null for a block that belongs to the article. */
	readonly dropped: string | null;
	/** Place in the markup: the last three elements with their class names; missing for plain text. */
	readonly where?: string;
}

export interface PageLink {
	readonly text: string;
	readonly href: string;
	/** Whether the link leaves the page's own site; unknown addresses count as inside. */
	readonly outward: boolean;
}

/**
 * What told where the text of a page is: the readability library, an `article` or `main` of its own,
 * most of its prose, or its structured data where that holds most of what is kept.
 */
export type TextFrom = 'library' | 'marked' | 'prose' | 'data';

/** A page cleaned to its article; dropped blocks stay, marked, so that the writer can look. */
export interface Article {
	readonly title: string;
	/** The title tag as it stands in the page; missing for plain text. */
	readonly titleTag?: string;
	readonly description: string;
	readonly author: string;
	/** Dates as written in the page's data, ISO 8601 where the page gave that; empty if unknown. */
	readonly published: string;
	readonly modified: string;
	readonly language: string;
	readonly address: string;
	readonly siteName: string;
	readonly blocks: readonly PageBlock[];
	readonly links: readonly PageLink[];
	/** Types named in structured data, such as `FAQPage`. */
	readonly structured: readonly string[];
	/** Missing for plain text. */
	readonly textFrom?: TextFrom;
}

/** An article of which nothing is known; for texts that have blocks and no page around them. */
export const EMPTY_ARTICLE: Article = {
	title: '',
	description: '',
	author: '',
	published: '',
	modified: '',
	language: '',
	address: '',
	siteName: '',
	blocks: [],
	links: [],
	structured: []
};

/** The text of a block as one string; list items and cells stand on lines of their own. */
export function textOf(block: Block): string {
	switch (block.kind) {
		case 'list':
			return block.items.join('\n');
		case 'table':
			return block.rows.map((row) => row.join('\n')).join('\n');
		case 'figure':
			return block.caption;
		case 'answer':
			return `${block.question}\n${block.text}`;
		default:
			return block.text;
	}
}

/**
 * The blocks that belong to the article. At the positions in `struck` the writer decided
 * against the cleaning: kept blocks are out there, and dropped ones are in.
 */
export function keptBlocksOf(article: Article, struck: readonly number[] = []): Block[] {
	const turned = new Set(struck);
	return article.blocks
		.filter(({ dropped }, i) => (dropped === null) !== turned.has(i))
		.map(({ block }) => block);
}

/** Where a page stood in a list of results. */
export interface ResultPlace {
	/** From 1. */
	readonly position: number;
	/** Strength of the site, 0–100. */
	readonly strength: number | null;
	/** What the list calls it, such as `shop`; empty when it does not say. */
	readonly kind: string;
}

/** A heading with what stands under it, up to the next heading of any level. */
export interface Section {
	/** Null for what stands before the first heading. */
	readonly heading: { readonly level: HeadingLevel; readonly text: string } | null;
	readonly blocks: readonly Block[];
}

/** Cuts blocks at their headings; a question-and-answer block is a section of its own. */
export function sectionsOf(blocks: readonly Block[]): Section[] {
	const sections: { heading: Section['heading']; blocks: Block[] }[] = [
		{ heading: null, blocks: [] }
	];
	let resume: Section['heading'] = null;
	let inAnswer = false;
	for (const block of blocks) {
		if (block.kind === 'heading') {
			sections.push({ heading: { level: block.level, text: block.text }, blocks: [] });
			resume = sections.at(-1)!.heading;
			inAnswer = false;
		} else if (block.kind === 'answer') {
			const level = Math.min(4, (resume?.level ?? 1) + 1) as HeadingLevel;
			sections.push({
				heading: { level, text: block.question },
				blocks: block.text === '' ? [] : [{ kind: 'paragraph', text: block.text }]
			});
			inAnswer = true;
		} else {
			// text after an accordion belongs to the heading above the accordion
			if (inAnswer) sections.push({ heading: resume, blocks: [] });
			inAnswer = false;
			sections.at(-1)!.blocks.push(block);
		}
	}
	return sections[0]!.blocks.length === 0 && sections.length > 1 ? sections.slice(1) : sections;
}
