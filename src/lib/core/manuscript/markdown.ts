import type {
	BlockContent,
	DefinitionContent,
	ListItem,
	Nodes,
	PhrasingContent,
	Root,
	RootContent,
	TableRow
} from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import remarkStringify from 'remark-stringify';
import { unified } from 'unified';
import {
	docOf,
	gap,
	headingWith,
	listOfBlocks,
	markedText,
	paragraph,
	quote,
	table,
	textNode
} from './build';
import type { BlockNode, InlineNode, TakeDoc, TextMark, TextNode } from './node';

const GAP = 'Gap.';

/** The manuscript as a Markdown tree. Gaps become quotes that open with "**Gap.**"; origins are left out. */
function markdownTreeOf(doc: TakeDoc): Root {
	return { type: 'root', children: doc.content.flatMap(blockToMarkdown) };
}

/** The manuscript as Markdown (CommonMark with tables). */
export function markdownOf(doc: TakeDoc): string {
	return unified()
		.use(remarkGfm)
		.use(remarkStringify, { bullet: '-', emphasis: '_', rule: '-', listItemIndent: 'one' })
		.stringify(markdownTreeOf(doc));
}

/** Reads Markdown as a manuscript. What a manuscript cannot hold (raw HTML, footnotes) is left out. */
export function docFromMarkdown(markdown: string): TakeDoc {
	const tree = unified().use(remarkParse).use(remarkGfm).parse(markdown);
	return docOf(tree.children.flatMap(blockFromMarkdown));
}

function blockToMarkdown(node: BlockNode): RootContent[] {
	switch (node.type) {
		case 'heading':
			return [
				{
					type: 'heading',
					depth: Math.min(6, node.attrs.level) as 1,
					children: inlineToMarkdown(node.content)
				}
			];
		case 'paragraph':
			return (node.content ?? []).length === 0
				? []
				: [{ type: 'paragraph', children: inlineToMarkdown(node.content) }];
		case 'gap':
			return [
				{
					type: 'blockquote',
					children: [
						{
							type: 'paragraph',
							children: [
								{ type: 'strong', children: [{ type: 'text', value: GAP }] },
								{ type: 'text', value: ' ' },
								...inlineToMarkdown(node.content)
							]
						}
					]
				}
			];
		case 'bulletList':
		case 'orderedList':
			return [
				{
					type: 'list',
					ordered: node.type === 'orderedList',
					spread: false,
					children: (node.content ?? []).map((item): ListItem => ({
						type: 'listItem',
						spread: false,
						children: (item.content ?? []).flatMap(blockToMarkdown) as BlockContent[]
					}))
				}
			];
		case 'blockquote':
			return [
				{
					type: 'blockquote',
					children: (node.content ?? []).flatMap(blockToMarkdown) as (
						BlockContent | DefinitionContent
					)[]
				}
			];
		case 'codeBlock':
			return [
				{
					type: 'code',
					value: (node.content ?? [])
						.map((inner) => (inner.type === 'text' ? inner.text : ''))
						.join('')
				}
			];
		case 'horizontalRule':
			return [{ type: 'thematicBreak' }];
		case 'table':
			return [
				{
					type: 'table',
					children: (node.content ?? []).map((row): TableRow => ({
						type: 'tableRow',
						children: (row.content ?? []).map((cell) => ({
							type: 'tableCell',
							children: (cell.content ?? []).flatMap((block) => cellToMarkdown(block))
						}))
					}))
				}
			];
		case 'figure': {
			const { picture = '', alt = '' } = node.attrs ?? {};
			const caption = inlineToMarkdown(node.content);
			return [
				...(picture === ''
					? []
					: [
							{
								type: 'paragraph' as const,
								children: [{ type: 'image' as const, url: `picture:${picture}`, alt }]
							}
						]),
				...(caption.length === 0
					? []
					: [
							{
								type: 'paragraph' as const,
								children: [{ type: 'emphasis' as const, children: caption }]
							}
						])
			];
		}
	}
}

/** Cells of Markdown tables hold one line: the text of paragraphs and the like. */
function cellToMarkdown(block: BlockNode): PhrasingContent[] {
	switch (block.type) {
		case 'paragraph':
		case 'heading':
		case 'gap':
		case 'codeBlock':
		case 'figure':
			return inlineToMarkdown(block.content);
		default:
			return [];
	}
}

function inlineToMarkdown(nodes: readonly InlineNode[] | undefined): PhrasingContent[] {
	return (nodes ?? []).map((node): PhrasingContent => {
		if (node.type === 'hardBreak') return { type: 'break' };
		let inner: PhrasingContent = node.marks?.some(({ type }) => type === 'code')
			? { type: 'inlineCode', value: node.text }
			: { type: 'text', value: node.text };
		for (const mark of node.marks ?? []) {
			if (mark.type === 'bold') inner = { type: 'strong', children: [inner] };
			else if (mark.type === 'italic') inner = { type: 'emphasis', children: [inner] };
			else if (mark.type === 'strike') inner = { type: 'delete', children: [inner] };
			else if (mark.type === 'link')
				inner = { type: 'link', url: mark.attrs.href, children: [inner] as never };
		}
		return inner;
	});
}

function blockFromMarkdown(node: RootContent): BlockNode[] {
	switch (node.type) {
		case 'heading':
			return [
				headingWith(
					{ level: Math.min(4, node.depth), section: null },
					inlineFromMarkdown(node.children, [])
				)
			];
		case 'paragraph':
			return [paragraph(...inlineFromMarkdown(node.children, []))];
		case 'blockquote': {
			const text = gapTextOf(node);
			return [
				text === null
					? quote(...node.children.flatMap((child) => blockFromMarkdown(child as RootContent)))
					: gap(text)
			];
		}
		case 'list':
			return [
				listOfBlocks(
					node.ordered === true,
					node.children.map((item) =>
						item.children.flatMap((child) => blockFromMarkdown(child as RootContent))
					)
				)
			];
		case 'code':
			return [{ type: 'codeBlock', content: node.value === '' ? [] : [textNode(node.value)] }];
		case 'thematicBreak':
			return [{ type: 'horizontalRule' }];
		case 'table':
			return [
				table(
					node.children.map((row) =>
						row.children.map((cell) => inlineFromMarkdown(cell.children, []))
					),
					true
				)
			];
		default:
			return [];
	}
}

function gapTextOf(node: Extract<RootContent, { type: 'blockquote' }>): string | null {
	const first = node.children[0];
	if (first?.type !== 'paragraph') return null;
	const [strong, ...rest] = first.children;
	if (strong?.type !== 'strong' || plain(strong) !== GAP) return null;
	return rest.map(plain).join('').trim();
}

function inlineFromMarkdown(
	nodes: readonly PhrasingContent[],
	marks: readonly TextMark[]
): InlineNode[] {
	return nodes.flatMap((node): InlineNode[] => {
		const text = (value: string, more: readonly TextMark[] = []): TextNode[] =>
			value === '' ? [] : [markedText(value, [...marks, ...more])];
		switch (node.type) {
			case 'text':
				return text(node.value.replace(/\n/g, ' '));
			case 'inlineCode':
				return text(node.value, [{ type: 'code' }]);
			case 'break':
				return [{ type: 'hardBreak' }];
			case 'strong':
				return inlineFromMarkdown(node.children, [...marks, { type: 'bold' }]);
			case 'emphasis':
				return inlineFromMarkdown(node.children, [...marks, { type: 'italic' }]);
			case 'delete':
				return inlineFromMarkdown(node.children, [...marks, { type: 'strike' }]);
			case 'link':
				return /^(?:https?:|mailto:|\/|#)/i.test(node.url)
					? inlineFromMarkdown(node.children, [
							...marks,
							{ type: 'link', attrs: { href: node.url } }
						])
					: inlineFromMarkdown(node.children, marks);
			case 'image':
				return text(node.alt ?? '');
			default:
				return 'children' in node ? text(plain(node)) : [];
		}
	});
}

function plain(node: Nodes): string {
	if ('value' in node) return node.value;
	return 'children' in node ? node.children.map((child) => plain(child as Nodes)).join('') : '';
}
