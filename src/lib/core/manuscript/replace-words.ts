import { LINE_HOLDERS, type BlockNode, type DocNode } from './node';

/**
 * A block with other words in a stretch of its text, the formatting of that stretch kept; null where the
 * stretch does not lie in one run of text.
 *
 * @param start place in `docText` of the block, as `textRunsOf` counts; end excluded
 */
export function withWordsReplaced(
	block: BlockNode,
	start: number,
	end: number,
	words: string
): BlockNode | null {
	let at = 0;
	let isDone = false;
	const walk = (node: DocNode): DocNode => {
		if (node.type === 'text') {
			const from = at;
			at += node.text.length;
			if (isDone || start < from || end > at || end <= start) return node;
			isDone = true;
			return {
				...node,
				text: node.text.slice(0, start - from) + words + node.text.slice(end - from)
			};
		}
		if (node.type === 'hardBreak') {
			at++;
			return node;
		}
		if (!('content' in node) || !node.content) return node;
		const content = (node.content as readonly DocNode[]).map((child, i) => {
			if (i > 0 && LINE_HOLDERS.has(node.type)) at++;
			return walk(child);
		});
		return { ...node, content } as DocNode;
	};
	const replaced = walk(block) as BlockNode;
	return isDone ? replaced : null;
}
