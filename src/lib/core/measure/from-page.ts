import {
	heading,
	list,
	paragraph,
	quote,
	table,
	textNode,
	type BlockNode,
	type TakeDoc
} from '../manuscript';
import { textOf, type Block } from '../pages';

/** The article of a page as a manuscript, so that both are read by the same code. */
export function docOfBlocks(blocks: readonly Block[]): TakeDoc {
	return { type: 'doc', content: blocks.flatMap(nodesOf) };
}

function nodesOf(block: Block): BlockNode[] {
	switch (block.kind) {
		case 'heading':
			return [heading(block.level, block.text)];
		case 'paragraph':
			return [paragraph(textNode(block.text))];
		case 'quote':
			return [quote(paragraph(textNode(block.text)))];
		case 'list':
			return [
				list(
					block.ordered,
					block.items.map((item) => [textNode(item)])
				)
			];
		case 'table':
			return [
				table(
					block.rows.map((row) => row.map((cell) => (cell === '' ? [] : [textNode(cell)]))),
					block.header
				)
			];
		case 'figure':
			return block.caption === '' ? [] : [{ type: 'figure', content: [textNode(block.caption)] }];
		case 'answer':
			return [
				heading(3, block.question),
				...(block.text === '' ? [] : [paragraph(textNode(block.text))])
			];
		case 'code':
			return [{ type: 'codeBlock', content: [textNode(block.text)] }];
	}
}

/** All text of blocks, one piece a line. */
export function textOfBlocks(blocks: readonly Block[]): string {
	return blocks.map(textOf).join('\n');
}
