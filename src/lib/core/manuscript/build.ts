import { headingOf, type Plan } from '../plan';
import type {
	BlockNode,
	FigureNode,
	GapNode,
	HeadingNode,
	InlineNode,
	ListNode,
	Origin,
	ParagraphNode,
	QuoteNode,
	TableNode,
	TakeDoc,
	TextMark,
	TextNode
} from './node';

/** A run of text, marked with its origin where that is known. */
export function textNode(text: string, origin?: Origin | null): TextNode {
	return origin ? markedText(text, [{ type: 'origin', attrs: { ...origin } }]) : markedText(text);
}

/** A run of text with its formatting. */
export function markedText(text: string, marks: readonly TextMark[] = []): TextNode {
	return marks.length > 0 ? { type: 'text', text, marks } : { type: 'text', text };
}

/** @param level 1–4 */
export function heading(level: number, text: string, section: string | null = null): HeadingNode {
	return headingWith({ level, section }, text === '' ? [] : [textNode(text)]);
}

export function headingWith(
	attrs: HeadingNode['attrs'],
	content: readonly InlineNode[]
): HeadingNode {
	return { type: 'heading', attrs, content };
}

/** Runs without text are left out, since the editor refuses them. */
export function paragraph(...content: readonly InlineNode[]): ParagraphNode {
	return {
		type: 'paragraph',
		content: content.filter((node) => node.type !== 'text' || node.text !== '')
	};
}

/** A paragraph to write into. */
export function emptyParagraph(): ParagraphNode {
	return { type: 'paragraph' };
}

/** A list with one paragraph in each entry. */
export function list(ordered: boolean, items: readonly (readonly InlineNode[])[]): ListNode {
	return listOfBlocks(
		ordered,
		items.map((content) => [paragraph(...content)])
	);
}

export function listOfBlocks(ordered: boolean, items: readonly (readonly BlockNode[])[]): ListNode {
	return {
		type: ordered ? 'orderedList' : 'bulletList',
		content: items.map((content) => ({
			type: 'listItem',
			content: content.length > 0 ? content : [emptyParagraph()]
		}))
	};
}

export function quote(...content: readonly BlockNode[]): QuoteNode {
	return { type: 'blockquote', content };
}

/** @param hasHeader whether the first row names the columns */
export function table(
	rows: readonly (readonly (readonly InlineNode[])[])[],
	hasHeader: boolean
): TableNode {
	return {
		type: 'table',
		content: rows.map((cells, r) => ({
			type: 'tableRow',
			content: cells.map((cell) => ({
				type: hasHeader && r === 0 ? 'tableHeader' : 'tableCell',
				content: [{ type: 'paragraph', content: cell }]
			}))
		}))
	};
}

/** A picture that is kept, with what it shows and what is said under it. */
export function figure(picture: string, alt: string, caption: string): FigureNode {
	return {
		type: 'figure',
		attrs: { picture, alt },
		content: caption === '' ? [] : [textNode(caption)]
	};
}

/** A marked gap that says what to find out. */
export function gap(text: string): GapNode {
	return { type: 'gap', content: text === '' ? [] : [textNode(text)] };
}

export function docOf(content: readonly BlockNode[]): TakeDoc {
	return { type: 'doc', content: content.length > 0 ? content : [emptyParagraph()] };
}

/** The headings of a plan, each over a paragraph to write into. */
export function docOfHeadings(plan: Plan): TakeDoc {
	return docOf(
		plan.sections.flatMap((section) => [
			heading(section.level, headingOf(plan, section), section.id),
			emptyParagraph()
		])
	);
}
