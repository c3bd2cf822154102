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
import type { DocMark, DocNode, TakeDoc } from './doc';

const GAP = 'Gap.';

/** The manuscript as a Markdown tree. Gaps become quotes that open with "**Gap.**"; origins are left out. */
export function markdownTreeOf(doc: TakeDoc): Root {
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
	const content = tree.children.flatMap(blockFromMarkdown);
	return { type: 'doc', content: content.length > 0 ? content : [{ type: 'paragraph' }] };
}

function blockToMarkdown(node: DocNode): RootContent[] {
	const children = node.content ?? [];
	switch (node.type) {
		case 'heading':
			return [
				{
					type: 'heading',
					depth: Math.min(6, Number(node.attrs?.level ?? 2)) as 1,
					children: inlineToMarkdown(children)
				}
			];
		case 'paragraph':
			return children.length === 0
				? []
				: [{ type: 'paragraph', children: inlineToMarkdown(children) }];
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
								...inlineToMarkdown(children)
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
					children: children.map((item): ListItem => ({
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
					children: children.flatMap(blockToMarkdown) as (BlockContent | DefinitionContent)[]
				}
			];
		case 'codeBlock':
			return [{ type: 'code', value: children.map(({ text }) => text ?? '').join('') }];
		case 'horizontalRule':
			return [{ type: 'thematicBreak' }];
		case 'table':
			return [
				{
					type: 'table',
					children: children.map((row): TableRow => ({
						type: 'tableRow',
						children: (row.content ?? []).map((cell) => ({
							type: 'tableCell',
							children: (cell.content ?? []).flatMap((block) =>
								inlineToMarkdown(block.content ?? [])
							)
						}))
					}))
				}
			];
		default:
			return [];
	}
}

function inlineToMarkdown(nodes: readonly DocNode[]): PhrasingContent[] {
	return nodes.flatMap((node): PhrasingContent[] => {
		if (node.type === 'hardBreak') return [{ type: 'break' }];
		if (node.text === undefined) return [];
		let inner: PhrasingContent = node.marks?.some(({ type }) => type === 'code')
			? { type: 'inlineCode', value: node.text }
			: { type: 'text', value: node.text };
		for (const mark of node.marks ?? []) {
			if (mark.type === 'bold') inner = { type: 'strong', children: [inner] };
			else if (mark.type === 'italic') inner = { type: 'emphasis', children: [inner] };
			else if (mark.type === 'strike') inner = { type: 'delete', children: [inner] };
			else if (mark.type === 'link')
				inner = { type: 'link', url: String(mark.attrs?.href ?? ''), children: [inner] as never };
		}
		return [inner];
	});
}

function blockFromMarkdown(node: RootContent): DocNode[] {
	switch (node.type) {
		case 'heading':
			return [
				{
					type: 'heading',
					attrs: { level: Math.min(4, node.depth), section: null },
					content: inlineFromMarkdown(node.children, [])
				}
			];
		case 'paragraph':
			return [{ type: 'paragraph', content: inlineFromMarkdown(node.children, []) }];
		case 'blockquote': {
			const text = gapTextOf(node);
			if (text !== null)
				return [{ type: 'gap', content: text === '' ? [] : [{ type: 'text', text }] }];
			return [
				{
					type: 'blockquote',
					content: node.children.flatMap((child) => blockFromMarkdown(child as RootContent))
				}
			];
		}
		case 'list':
			return [
				{
					type: node.ordered === true ? 'orderedList' : 'bulletList',
					content: node.children.map((item) => {
						const content = item.children.flatMap((child) =>
							blockFromMarkdown(child as RootContent)
						);
						return {
							type: 'listItem',
							content: content.length > 0 ? content : [{ type: 'paragraph' }]
						};
					})
				}
			];
		case 'code':
			return [
				{
					type: 'codeBlock',
					content: node.value === '' ? [] : [{ type: 'text', text: node.value }]
				}
			];
		case 'thematicBreak':
			return [{ type: 'horizontalRule' }];
		case 'table':
			return [
				{
					type: 'table',
					content: node.children.map((row, r) => ({
						type: 'tableRow',
						content: row.children.map((cell) => ({
							type: r === 0 ? 'tableHeader' : 'tableCell',
							content: [{ type: 'paragraph', content: inlineFromMarkdown(cell.children, []) }]
						}))
					}))
				}
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
	marks: readonly DocMark[]
): DocNode[] {
	return nodes.flatMap((node): DocNode[] => {
		const text = (value: string): DocNode[] =>
			value === '' ? [] : [{ type: 'text', text: value, ...(marks.length > 0 ? { marks } : {}) }];
		switch (node.type) {
			case 'text':
				return text(node.value.replace(/\n/g, ' '));
			case 'inlineCode':
				return node.value === ''
					? []
					: [{ type: 'text', text: node.value, marks: [...marks, { type: 'code' }] }];
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
