/*
 * A manuscript as data: the editor's own JSON, so that nothing is translated on every save. Each
 * node is told by its `type`, which is what is stored; the builders in build.ts make them.
 */

/** Where a sentence comes from. */
export interface Origin {
	/** Id of the note or page, or of what else stands for one, such as the brief. */
	readonly source: string;
	/** Short sign shown beside the text, such as "n1". */
	readonly label: string;
}

/** Formatting of a run of text. `origin` names the note or page a sentence comes from. */
export type TextMark =
	| { readonly type: 'bold' | 'italic' | 'strike' | 'underline' | 'code' }
	| {
			readonly type: 'link';
			readonly attrs: { readonly href: string } & Readonly<Record<string, unknown>>;
	  }
	| { readonly type: 'origin'; readonly attrs: Origin }
	/** Something said to the client about these words; it leaves with forms that have comments. */
	| { readonly type: 'comment'; readonly attrs: { readonly text: string } };

export interface TextNode {
	readonly type: 'text';
	readonly text: string;
	readonly marks?: readonly TextMark[];
}

export interface HardBreak {
	readonly type: 'hardBreak';
}

export type InlineNode = TextNode | HardBreak;

export interface HeadingNode {
	readonly type: 'heading';
	readonly attrs: {
		/** 1–4. */
		readonly level: number;
		/** Id of the planned section it opens; null for a heading of the writer's own. */
		readonly section: string | null;
	};
	readonly content?: readonly InlineNode[];
}

export interface ParagraphNode {
	readonly type: 'paragraph';
	readonly content?: readonly InlineNode[];
}

/** A place where material is missing, saying what to find out. It is no part of the article. */
export interface GapNode {
	readonly type: 'gap';
	readonly content?: readonly InlineNode[];
}

export interface ListItemNode {
	readonly type: 'listItem';
	readonly content?: readonly BlockNode[];
}

export interface ListNode {
	readonly type: 'bulletList' | 'orderedList';
	readonly attrs?: Readonly<Record<string, unknown>>;
	readonly content?: readonly ListItemNode[];
}

export interface QuoteNode {
	readonly type: 'blockquote';
	readonly content?: readonly BlockNode[];
}

export interface CodeNode {
	readonly type: 'codeBlock';
	readonly attrs?: Readonly<Record<string, unknown>>;
	readonly content?: readonly InlineNode[];
}

export interface RuleNode {
	readonly type: 'horizontalRule';
}

export interface CellNode {
	readonly type: 'tableCell' | 'tableHeader';
	readonly attrs?: Readonly<Record<string, unknown>>;
	readonly content?: readonly BlockNode[];
}

export interface RowNode {
	readonly type: 'tableRow';
	readonly content?: readonly CellNode[];
}

export interface TableNode {
	readonly type: 'table';
	readonly content?: readonly RowNode[];
}

/** A picture with its caption. Figures of pages know no picture, those of takes name one that is kept. */
export interface FigureNode {
	readonly type: 'figure';
	readonly attrs?: {
		/** Id of the picture. */
		readonly picture?: string;
		/** What it shows, for who cannot see it. */
		readonly alt?: string;
	};
	readonly content?: readonly InlineNode[];
}

/** What a manuscript is a list of. */
export type BlockNode =
	| HeadingNode
	| ParagraphNode
	| GapNode
	| ListNode
	| QuoteNode
	| CodeNode
	| RuleNode
	| TableNode
	| FigureNode;

export type BlockType = BlockNode['type'];

/** Any node of a manuscript. */
export type DocNode = BlockNode | ListItemNode | RowNode | CellNode | InlineNode;

/** Every type a stored node can have; a type that is missing here is no node of ours. */
export const NODE_TYPES = [
	'heading',
	'paragraph',
	'gap',
	'bulletList',
	'orderedList',
	'listItem',
	'blockquote',
	'codeBlock',
	'horizontalRule',
	'table',
	'tableRow',
	'tableCell',
	'tableHeader',
	'figure',
	'text',
	'hardBreak'
] as const satisfies readonly DocNode['type'][];

/** A whole manuscript: `{ type: 'doc', content: blocks }`. */
export interface TakeDoc {
	readonly type: 'doc';
	readonly content: readonly BlockNode[];
}

/** Types of nodes whose parts stand on lines of their own. */
export const LINE_HOLDERS: ReadonlySet<string> = new Set<DocNode['type']>([
	'bulletList',
	'orderedList',
	'listItem',
	'table',
	'tableRow',
	'tableCell',
	'tableHeader',
	'blockquote'
]);

/** The nodes inside a node, in order; none for text. */
export function childrenOf(node: DocNode): readonly DocNode[] {
	return 'content' in node ? (node.content ?? []) : [];
}

/** A run of text of a node, with its place in `docText` of that node: end excluded. */
export interface TextRun {
	readonly text: string;
	readonly start: number;
	readonly end: number;
	readonly marks: readonly TextMark[];
}

/** The runs of text in a node, in order; between two of them a line may end. */
export function textRunsOf(node: DocNode): TextRun[] {
	const runs: TextRun[] = [];
	let at = 0;
	const read = (inner: DocNode): void => {
		if (inner.type === 'text') {
			const end = at + inner.text.length;
			runs.push({ text: inner.text, start: at, end, marks: inner.marks ?? [] });
			at = end;
		} else if (inner.type === 'hardBreak') at++;
		else
			childrenOf(inner).forEach((child, i) => {
				if (i > 0 && LINE_HOLDERS.has(inner.type)) at++;
				read(child);
			});
	};
	read(node);
	return runs;
}

/** Plain text of a node; blocks inside it stand on lines of their own. */
export function docText(node: DocNode): string {
	if (node.type === 'text') return node.text;
	if (node.type === 'hardBreak') return ' ';
	return childrenOf(node)
		.map(docText)
		.join(LINE_HOLDERS.has(node.type) ? '\n' : '');
}

/** Something said to the client about words of a manuscript. */
export interface Comment {
	readonly text: string;
	/** The words it is about. */
	readonly words: string;
	/** Place of its block among the blocks. */
	readonly block: number;
}

/** The comments of a manuscript, in order; formats inside the words do not part them. */
export function commentsOf({ content }: TakeDoc): Comment[] {
	return content.flatMap((node, block) => {
		const found: (Comment & { words: string; end: number })[] = [];
		for (const { text, start, end, marks } of textRunsOf(node)) {
			const mark = marks.find(({ type }) => type === 'comment');
			if (mark?.type !== 'comment') continue;
			const last = found.at(-1);
			if (last && last.text === mark.attrs.text && last.end === start) {
				last.words += text;
				last.end = end;
			} else found.push({ text: mark.attrs.text, words: text, block, end });
		}
		return found.map(({ text, words }) => ({ text, words, block }));
	});
}

/** The texts of the marked gaps of a manuscript, in order. */
export function gapsOf(doc: TakeDoc): string[] {
	return doc.content.filter(({ type }) => type === 'gap').map(docText);
}
