import type { Nodes, Root } from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import { unified } from 'unified';

/** A heading of the text, with the name it has in an address. */
export interface MethodsHeading {
	readonly level: number;
	readonly text: string;
	readonly id: string;
}

/** Markdown as a tree, to be drawn without a line of markup being trusted. */
export function readMethods(markdown: string): Root {
	return unified().use(remarkParse).use(remarkGfm).parse(markdown);
}

export function plainTextOf(node: Nodes): string {
	if ('value' in node) return node.value;
	return 'children' in node ? node.children.map((child) => plainTextOf(child)).join('') : '';
}

/** "How well findings agree with people" → "how-well-findings-agree-with-people". */
export function idOf(heading: string): string {
	return heading
		.toLowerCase()
		.replace(/[^\p{L}\p{N}]+/gu, '-')
		.replace(/^-|-$/g, '');
}

export function headingsOf({ children }: Root): MethodsHeading[] {
	return children.flatMap((node) => {
		if (node.type !== 'heading') return [];
		const text = plainTextOf(node);
		return [{ level: node.depth, text, id: idOf(text) }];
	});
}
