import type { Nodes, Parent } from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import { unified } from 'unified';
import {
	EMPTY_ARTICLE,
	type Article,
	type Block,
	type HeadingLevel,
	type PageBlock
} from './article';
import { tidyText } from './html-tree';
import { guessHeadings, markdownWithHeadings } from './plain-headings';

/**
 * Reads Markdown or plain text as an article; every block is kept. In plain text, lines that
 * look like headings are taken for them. Empty text gives no blocks.
 */
export function readText(text: string, name = ''): Article {
	const source = isMarkdown(text) ? text : markdownWithHeadings(text, guessHeadings(text));
	const tree = unified().use(remarkParse).use(remarkGfm).parse(source);
	const blocks: PageBlock[] = [];
	for (const node of tree.children) addNode(node, blocks);
	const title = blocks.find(({ block }) => block.kind === 'heading')?.block;
	return {
		...EMPTY_ARTICLE,
		title: title && title.kind === 'heading' ? title.text : name,
		blocks
	};
}

/** Whether a text marks its own headings or links, so that nothing has to be guessed. */
export function isMarkdown(text: string): boolean {
	return /^#{1,6}\s\S/m.test(text) || /^(?:=|-){3,}\s*$/m.test(text) || /\]\(https?:/.test(text);
}

function addNode(node: Nodes, blocks: PageBlock[]): void {
	const add = (block: Block) => blocks.push({ block, dropped: null });
	switch (node.type) {
		case 'heading':
			add({
				kind: 'heading',
				level: Math.min(4, node.depth) as HeadingLevel,
				text: plainTextOf(node)
			});
			return;
		case 'paragraph': {
			const image = node.children.find((child) => child.type === 'image');
			if (image && node.children.length === 1) {
				add({ kind: 'figure', src: image.url, alt: image.alt ?? '', caption: image.title ?? '' });
				return;
			}
			const text = plainTextOf(node);
			if (text !== '') add({ kind: 'paragraph', text });
			return;
		}
		case 'list':
			add({
				kind: 'list',
				ordered: node.ordered === true,
				items: node.children.map(plainTextOf).filter(Boolean)
			});
			return;
		case 'table':
			add({
				kind: 'table',
				header: true,
				rows: node.children.map((row) => row.children.map(plainTextOf))
			});
			return;
		case 'blockquote':
			add({ kind: 'quote', text: plainTextOf(node) });
			return;
		case 'code':
			add({ kind: 'code', text: node.value });
			return;
	}
}

function plainTextOf(node: Nodes): string {
	return tidyText(collect(node));
}

function collect(node: Nodes): string {
	if (node.type === 'text' || node.type === 'inlineCode') return node.value;
	if (node.type === 'break') return ' ';
	if (!('children' in node)) return '';
	const between =
		node.type === 'listItem' || node.type === 'list' || node.type === 'blockquote' ? ' ' : '';
	return (node as Parent).children.map((child) => collect(child)).join(between);
}
