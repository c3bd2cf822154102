import { countWords } from '../text';

/*
 * The one document that every output is made of. A manuscript is turned into it once, with everything
 * that was chosen: what stands here stands in each form, and what does not stands in none.
 */

/** A run of words with its formats. */
export interface Words {
	readonly kind: 'words';
	readonly text: string;
	readonly formats: readonly ('bold' | 'italic' | 'strike' | 'code')[];
	/** Where it leads; checked: http, https, mailto, a path or a place in the page. */
	readonly href: string | null;
	/** What the writer says to the client about these words; no reader sees it. */
	readonly comment?: string;
}

/** Where something is told from: numbers of references. */
export interface Cite {
	readonly kind: 'cite';
	readonly numbers: readonly number[];
}

/** Something said to the client beside the text, which no reader sees. */
export interface Remark {
	readonly kind: 'remark';
	readonly text: string;
}

export type Inline = Words | Cite | Remark | { readonly kind: 'break' };

/** A picture with what has to be said of it. */
export interface DeliveredPicture {
	readonly id: string;
	/** Path in a folder of outputs, such as `pictures/trench.jpg`. */
	readonly file: string;
	/** Media type: image/jpeg or image/png. */
	readonly type: string;
	/** Pixels. */
	readonly width: number;
	readonly height: number;
	readonly alt: string;
	readonly credit: string;
	readonly licence: string;
	readonly source: string;
}

export interface CellOf {
	readonly isHeader: boolean;
	readonly columns: number;
	readonly rows: number;
	readonly inlines: readonly Inline[];
}

export interface ContentsEntry {
	readonly id: string;
	/** 2–4. */
	readonly level: number;
	readonly text: string;
}

export interface Reference {
	/** From 1, in the order they are first needed. */
	readonly number: number;
	/** Id of the note or page. */
	readonly source: string;
	readonly name: string;
	/** Empty: it has none. */
	readonly address: string;
}

export type ArticleBlock =
	| {
			readonly kind: 'heading';
			readonly level: number;
			readonly id: string;
			/** Id of the planned section it opens, or null. */
			readonly section: string | null;
			readonly inlines: readonly Inline[];
	  }
	| { readonly kind: 'standfirst' | 'paragraph'; readonly inlines: readonly Inline[] }
	| {
			readonly kind: 'list';
			readonly isOrdered: boolean;
			readonly items: readonly (readonly ArticleBlock[])[];
	  }
	| { readonly kind: 'quote'; readonly blocks: readonly ArticleBlock[] }
	| { readonly kind: 'code'; readonly text: string }
	| { readonly kind: 'rule' }
	| { readonly kind: 'table'; readonly rows: readonly (readonly CellOf[])[] }
	| {
			readonly kind: 'figure';
			readonly picture: DeliveredPicture;
			readonly caption: readonly Inline[];
	  }
	/** A place that is open, handed over on purpose. */
	| { readonly kind: 'gap'; readonly text: string }
	| { readonly kind: 'contents'; readonly entries: readonly ContentsEntry[] }
	| { readonly kind: 'takeaways'; readonly items: readonly string[] }
	| { readonly kind: 'references'; readonly entries: readonly Reference[] };

/** What is said of the article around its text. */
export interface ArticleHead {
	/** The first heading of the text, or the plan's title. */
	readonly title: string;
	readonly titleTag: string;
	readonly description: string;
	readonly slug: string;
	readonly keyword: string;
	/** BCP 47, such as en-GB. */
	readonly language: string;
	readonly author: string;
	/** Who publishes; empty: nobody named. */
	readonly publisher: string;
	/** YYYY-MM-DD or empty. */
	readonly publishedOn: string;
	/** Day it was changed last, YYYY-MM-DD or empty. */
	readonly changedOn: string;
	/** Where it will stand; empty: not known. */
	readonly address: string;
}

/** A question that a heading asks, with what stands under it. */
export interface AnsweredQuestion {
	readonly id: string;
	readonly question: string;
	readonly answer: string;
}

export interface DeliveredArticle {
	readonly head: ArticleHead;
	readonly blocks: readonly ArticleBlock[];
	readonly references: readonly Reference[];
	/** Whether references are marked in the text as footnotes. */
	readonly hasFootnotes: boolean;
	readonly pictures: readonly DeliveredPicture[];
	readonly questions: readonly AnsweredQuestion[];
	/** Words of the text itself: without contents, takeaways and references. */
	readonly words: number;
	/** Reading time, in whole minutes. */
	readonly minutes: number;
}

/** What a heading, a paragraph or a cell says, without formats. */
export function plainOfInlines(inlines: readonly Inline[]): string {
	return inlines
		.map((inline) => (inline.kind === 'words' ? inline.text : inline.kind === 'break' ? ' ' : ''))
		.join('');
}

/** The text of a block, parts of it on lines of their own; what is added around the text has none. */
export function textOfBlock(block: ArticleBlock): string {
	switch (block.kind) {
		case 'heading':
		case 'standfirst':
		case 'paragraph':
			return plainOfInlines(block.inlines);
		case 'list':
			return block.items.map((item) => item.map(textOfBlock).join('\n')).join('\n');
		case 'quote':
			return block.blocks.map(textOfBlock).join('\n');
		case 'code':
			return block.text;
		case 'table':
			return block.rows
				.map((row) => row.map(({ inlines }) => plainOfInlines(inlines)).join('\n'))
				.join('\n');
		case 'figure':
			return plainOfInlines(block.caption);
		case 'rule':
		case 'gap':
		case 'contents':
		case 'takeaways':
		case 'references':
			return '';
	}
}

/** The blocks of an article by section: each heading with what stands under it, up to the next heading. */
export interface ArticlePart {
	/** Null for what stands before the first heading. */
	readonly heading: Extract<ArticleBlock, { kind: 'heading' }> | null;
	readonly blocks: readonly ArticleBlock[];
}

export function partsOf(blocks: readonly ArticleBlock[]): ArticlePart[] {
	const parts: { heading: ArticlePart['heading']; blocks: ArticleBlock[] }[] = [];
	for (const block of blocks) {
		if (block.kind === 'heading') parts.push({ heading: block, blocks: [] });
		else if (parts.length === 0) parts.push({ heading: null, blocks: [block] });
		else parts.at(-1)!.blocks.push(block);
	}
	return parts;
}

/**
 * Headings under which nothing is said, neither beneath them nor beneath a deeper heading of theirs,
 * in their order. The title is none of them.
 */
export function emptyHeadings(
	blocks: readonly ArticleBlock[]
): Extract<ArticleBlock, { kind: 'heading' }>[] {
	const parts = partsOf(blocks);
	return parts.flatMap(({ heading }, i) => {
		if (!heading || heading.level < 2) return [];
		const next = parts.findIndex(
			(other, j) => j > i && other.heading !== null && other.heading.level <= heading.level
		);
		const under = parts.slice(i, next < 0 ? parts.length : next);
		return under.some(({ blocks: own }) => own.some(isSaid)) ? [] : [heading];
	});
}

/** Whether a block shows something of its own. */
function isSaid(block: ArticleBlock): boolean {
	return block.kind === 'figure' || (block.kind !== 'gap' && textOfBlock(block).trim() !== '');
}

const ASKED_ANSWER = { words: 3, letters: 5_000 } as const;

/** Headings that ask, with the text that answers. Questions without an answer are left out. */
export function questionsIn(blocks: readonly ArticleBlock[]): AnsweredQuestion[] {
	return partsOf(blocks).flatMap(({ heading, blocks: under }) => {
		if (!heading || heading.level < 2) return [];
		const question = plainOfInlines(heading.inlines).trim();
		const answer = under.map(textOfBlock).filter(Boolean).join('\n').trim();
		return question.endsWith('?') && countWords(answer) >= ASKED_ANSWER.words
			? [{ id: heading.id, question, answer: answer.slice(0, ASKED_ANSWER.letters) }]
			: [];
	});
}
