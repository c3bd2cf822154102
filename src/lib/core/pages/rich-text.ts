import { EMPTY_ARTICLE, keptBlocksOf, type Block } from './article';
import { decideBlocks, NO_LIBRARY_TEXT, rawBlocksOf } from './cleaning';
import { parseHtml } from './html-tree';

const FURNITURE = new Set(['hidden on the page', 'form', 'cookie notice', 'share bar']);

/**
 * Blocks of a piece of rich text as it comes from the clipboard or out of a document: all of it,
 * for the writer chose what to copy. Bold lines over prose become headings where there are no others.
 */
export function blocksOfRichText(html: string): Block[] {
	const raw = rawBlocksOf(parseHtml(html).body).map((block) =>
		block.noise !== null && FURNITURE.has(block.noise) ? block : { ...block, noise: null }
	);
	const { blocks: decided } = decideBlocks(raw, NO_LIBRARY_TEXT, '');
	// what only looks like furniture was still copied on purpose
	return keptBlocksOf({
		...EMPTY_ARTICLE,
		blocks: decided.map((block, i) => ({ ...block, dropped: raw[i]!.noise }))
	});
}

/** Blocks as Markdown, so that they can be read, mended and read again. */
export function markdownOfBlocks(blocks: readonly Block[]): string {
	return blocks.map(blockMarkdownOf).filter(Boolean).join('\n\n');
}

function blockMarkdownOf(block: Block): string {
	switch (block.kind) {
		case 'heading':
			return `${'#'.repeat(block.level)} ${block.text}`;
		case 'list':
			return block.items
				.map((item, i) => `${block.ordered ? `${i + 1}.` : '-'} ${item.replace(/\n+/g, ' ')}`)
				.join('\n');
		case 'table':
			return tableMarkdownOf(block.rows);
		case 'quote':
			return block.text
				.split('\n')
				.map((line) => `> ${line}`)
				.join('\n');
		case 'figure':
			return [block.caption, block.alt].filter(Boolean)[0] ?? '';
		case 'code':
			return `\`\`\`\n${block.text}\n\`\`\``;
		case 'answer':
			return `### ${block.question}\n\n${block.text}`.trim();
		default:
			// a paragraph that opens like a heading or a list is still a paragraph
			return block.text
				.replace(/^(?=#{1,6}\s|[-+*]\s|>)/, '\\')
				.replace(/^(\d+)([.)])(?=\s)/, '$1\\$2');
	}
}

function tableMarkdownOf(rows: readonly (readonly string[])[]): string {
	const width = Math.max(...rows.map((row) => row.length));
	const line = (cells: readonly string[]) =>
		`| ${Array.from({ length: width }, (_, i) => (cells[i] ?? '').replace(/\|/g, '\\|').replace(/\n+/g, ' ')).join(' | ')} |`;
	const [head = [], ...rest] = rows;
	return [
		line(head),
		`| ${Array.from({ length: width }, () => '---').join(' | ')} |`,
		...rest.map(line)
	].join('\n');
}
