import {
	childrenOf,
	gap,
	markedText,
	type BlockNode,
	type DocNode,
	type InlineNode,
	type Origin,
	type TextNode
} from '../../manuscript';
import { sentencesOf } from '../../text';

/** A sign of a source in a reply: [n1.4], (C.2), 【n2】, several at once. */
const SIGNS =
	/\s*[[(【]\s*((?:[nN]\d+|[A-Z]{1,2})(?:\.\d+)?(?:\s*[,;&]\s*(?:[nN]\d+|[A-Z]{1,2})(?:\.\d+)?)*)\s*[\])】]/g;
const MISSING = /^\s*\[\s*missing\s*:\s*([^\]]*)\]\s*\.?\s*$/i;

/** Where a sign of a reply leads: "n1" or "C" to a note or a page. */
export type OriginOfSign = (sign: string) => Origin | null;

/**
 * A block with its signs of sources turned into origins: each sign marks the sentence that it ends, or
 * the part since the last sign. "[missing: …]" becomes a gap. Signs that lead nowhere stay as text.
 *
 * @returns the block and the number of its sentences that name no source
 */
export function withOrigins(
	block: BlockNode,
	originOf: OriginOfSign
): { readonly block: BlockNode; readonly unbacked: number } {
	if (block.type === 'paragraph' && block.content) {
		const text = block.content.map((node) => (node.type === 'text' ? node.text : ' ')).join('');
		const missing = MISSING.exec(text);
		if (missing) return { block: gap(missing[1]!.trim()), unbacked: 0 };
	}
	let unbacked = 0;
	const read = (node: DocNode): DocNode => {
		if (node.type === 'heading' || node.type === 'codeBlock' || node.type === 'gap') return node;
		const inner = childrenOf(node);
		if (inner.length > 0 && inner.every(isInline)) {
			const content = markRuns(inner, originOf);
			unbacked += unbackedIn(content);
			return { ...node, content } as DocNode;
		}
		return inner.length > 0 ? ({ ...node, content: inner.map(read) } as DocNode) : node;
	};
	return { block: read(block) as BlockNode, unbacked };
}

function isInline(node: DocNode): node is InlineNode {
	return node.type === 'text' || node.type === 'hardBreak';
}

function markRuns(nodes: readonly InlineNode[], originOf: OriginOfSign): InlineNode[] {
	const made: InlineNode[] = [];
	/** Runs since the last sign, which the next sign marks. */
	let open = 0;
	for (const node of nodes) {
		if (node.type !== 'text') {
			made.push(node);
			continue;
		}
		let from = 0;
		for (const match of node.text.matchAll(SIGNS)) {
			const sign = match[1]!.split(/[,;&]/)[0]!.trim();
			const origin = originOf(sign.split('.')[0]!);
			if (!origin) continue;
			const before = node.text.slice(from, match.index);
			if (before !== '') made.push(markedText(before, node.marks));
			markSince(made, open, origin);
			open = made.length;
			from = match.index + match[0].length;
			// the stop behind a sign belongs to the sentence before it
			const stop = /^[.!?]+/.exec(node.text.slice(from))?.[0] ?? '';
			if (stop !== '' && made.length > 0) {
				const last = made.at(-1)!;
				if (last.type === 'text') made[made.length - 1] = { ...last, text: last.text + stop };
				from += stop.length;
			}
		}
		const rest = node.text.slice(from);
		if (rest !== '') made.push(markedText(rest, node.marks));
	}
	return made;
}

/** Marks the last sentence of what stands since the last sign; the sentences before it have none. */
function markSince(made: InlineNode[], open: number, origin: Origin): void {
	const runs = made.slice(open);
	const text = runs.map((node) => (node.type === 'text' ? node.text : ' ')).join('');
	const last = sentencesOf(text).at(-1)?.text ?? text;
	const start = Math.max(0, text.lastIndexOf(last));
	const marked: InlineNode[] = [];
	let at = 0;
	for (const node of runs) {
		const length = node.type === 'text' ? node.text.length : 1;
		if (node.type !== 'text' || at + length <= start) marked.push(node);
		else {
			const cut = Math.max(0, start - at);
			if (cut > 0) marked.push({ ...node, text: node.text.slice(0, cut) });
			marked.push(withOrigin({ ...node, text: node.text.slice(cut) }, origin));
		}
		at += length;
	}
	made.splice(open, runs.length, ...marked);
}

function withOrigin(node: TextNode, origin: Origin): TextNode {
	return markedText(node.text, [...(node.marks ?? []), { type: 'origin', attrs: { ...origin } }]);
}

/** Sentences of which no part is marked with a source. */
function unbackedIn(nodes: readonly InlineNode[]): number {
	const text = nodes.map((node) => (node.type === 'text' ? node.text : ' ')).join('');
	let from = 0;
	let count = 0;
	for (const { text: sentence } of sentencesOf(text)) {
		const start = text.indexOf(sentence, from);
		from = start + sentence.length;
		let at = 0;
		const isBacked = nodes.some((node) => {
			const begin = at;
			at += node.type === 'text' ? node.text.length : 1;
			const hasOrigin =
				node.type === 'text' && node.marks?.some(({ type }) => type === 'origin') === true;
			return hasOrigin && begin < from && at > start;
		});
		if (!isBacked && /\p{L}/u.test(sentence)) count++;
	}
	return count;
}
