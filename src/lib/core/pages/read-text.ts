import type { Nodes, Parent } from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import { unified } from 'unified';
import type { Article, Block, HeadingLevel, PageBlock } from './article';
import { tidyText } from './html-tree';

/** Reads Markdown or plain text as an article; every block is kept. Empty text gives no blocks. */
export function readText(text: string, name = ''): Article {
	const source = isMarkdown(text) ? text : markdownFromPlain(text);
	const tree = unified().use(remarkParse).use(remarkGfm).parse(source);
	const blocks: PageBlock[] = [];
	for (const node of tree.children) addNode(node, blocks);
	const title = blocks.find(({ block }) => block.kind === 'heading')?.block;
	return {
		title: title && title.kind === 'heading' ? title.text : name,
		description: '',
		author: '',
		published: '',
		modified: '',
		language: '',
		address: '',
		siteName: '',
		blocks,
		links: [],
		structured: []
	};
}

function isMarkdown(text: string): boolean {
	return /^#{1,6}\s\S/m.test(text) || /^(?:=|-){3,}\s*$/m.test(text) || /\]\(https?:/.test(text);
}

/*
 * Plain text pasted from a page: a short line alone between blank lines, without a full stop,
 * is a heading; the first such line is the title. A question alone on its line is one too.
 */
function markdownFromPlain(text: string): string {
	const lines = text.replace(/\r\n?/g, '\n').split('\n');
	const isBlank = (i: number) => (lines[i] ?? '').trim() === '';
	let headings = 0;
	return lines
		.map((line, i) => {
			const plain = line.trim();
			if (plain === '' || /^(?:[-*•·–]|\d+[.)])\s/.test(plain))
				return line.replace(/^\s*[•·–]\s/, '- ');
			const words = plain.split(/\s+/).length;
			const endsOpen = !/[.!,;:]$/.test(plain);
			const followed = lines.slice(i + 1).some((next) => next.trim() !== '');
			if (
				words <= 14 &&
				endsOpen &&
				isBlank(i - 1) &&
				isBlank(i + 1) &&
				followed &&
				/^[\p{Lu}\p{N}"“‘]/u.test(plain)
			) {
				headings++;
				return `${headings === 1 ? '#' : '##'} ${plain.replace(/^\d+[.)]\s+/, '')}`;
			}
			return line;
		})
		.join('\n');
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
