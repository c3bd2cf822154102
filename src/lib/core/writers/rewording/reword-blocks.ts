import type { BlockNode, InlineNode, ListItemNode, TextNode } from '../../manuscript';
import { sentencesOf } from '../../text';
import { rewordSentence, type Way } from './reword-sentence';

/** A sentence of running text that lies in one run of formatting. */
export interface RunSentence {
	readonly text: string;
	/** Whether it is the first of its paragraph. */
	readonly isFirst: boolean;
	/** Marks of its run. */
	readonly node: TextNode;
}

/**
 * Blocks with the sentences of paragraphs and list entries changed one by one; an empty string takes a
 * sentence out. A sentence that runs over a change of formatting is left as it is, as are quotations,
 * tables, headings, figures and gaps. The formatting and the origin of every run stay.
 */
export function mapSentences(
	blocks: readonly BlockNode[],
	change: (sentence: RunSentence) => string
): BlockNode[] {
	return blocks.map((block): BlockNode => {
		if (block.type === 'paragraph' && block.content)
			return { ...block, content: inlineWith(block.content, change) };
		if (block.type === 'bulletList' || block.type === 'orderedList')
			return {
				...block,
				...(block.content
					? {
							content: block.content.map((item): ListItemNode => ({
								...item,
								...(item.content ? { content: mapSentences(item.content, change) } : {})
							}))
						}
					: {})
			};
		return block;
	});
}

function inlineWith(
	content: readonly InlineNode[],
	change: (sentence: RunSentence) => string
): InlineNode[] {
	const text = content.map((node) => (node.type === 'text' ? node.text : '\n')).join('');
	const sentences = sentencesOf(text);
	let at = 0;
	return content.flatMap((node): InlineNode[] => {
		const start = at;
		at += node.type === 'text' ? node.text.length : 1;
		const end = at;
		if (node.type !== 'text') return [node];
		let said = '';
		let from = start;
		for (const sentence of sentences) {
			if (sentence.start < start || sentence.end > end) continue;
			const changed = change({ text: sentence.text, isFirst: sentence.start === 0, node });
			said += text.slice(from, sentence.start);
			if (changed === '') said = said.trimEnd();
			said += changed;
			from = sentence.end;
		}
		said += text.slice(from, end);
		if (start === 0) said = said.trimStart();
		return said === '' ? [] : [{ ...node, text: said }];
	});
}

/** Blocks said again in some ways, one after the other; the same blocks where no rule applies. */
export function rewordBlocks(
	blocks: readonly BlockNode[],
	ways: readonly Way[],
	isWanted: (sentence: string) => boolean = () => true
): readonly BlockNode[] {
	let isChanged = false;
	const said = mapSentences(blocks, ({ text }) => {
		if (!isWanted(text)) return text;
		const again = ways.reduce(
			(now, way) =>
				sentencesOf(now)
					.map((sentence) => rewordSentence(sentence.text, way) ?? sentence.text)
					.join(' '),
			text
		);
		if (again !== text) isChanged = true;
		return again;
	});
	return isChanged ? said : blocks;
}
