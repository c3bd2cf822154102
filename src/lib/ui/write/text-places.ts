import type { Node as ProseNode } from '@tiptap/pm/model';
import { TextSelection } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import { LINE_HOLDERS } from '$lib/core/manuscript';

/**
 * Places in the document of places in a block's text, as `docText` gives it: a line's end is one
 * character there, and a break one as well. A place past the end is the end of the block.
 *
 * @param start position of the block in the document
 * @param offsets places in the text, ascending
 */
export function positionsIn(block: ProseNode, start: number, offsets: readonly number[]): number[] {
	const found: number[] = [];
	let at = 0;
	const read = (node: ProseNode, position: number): void => {
		if (node.isText) {
			const length = node.text!.length;
			while (found.length < offsets.length && offsets[found.length]! <= at + length)
				found.push(position + Math.max(0, offsets[found.length]! - at));
			at += length;
			return;
		}
		if (node.type.name === 'hardBreak') {
			at++;
			return;
		}
		node.forEach((child, inner, index) => {
			if (index > 0 && LINE_HOLDERS.has(node.type.name)) at++;
			read(child, position + 1 + inner);
		});
	};
	read(block, start);
	while (found.length < offsets.length) found.push(start + block.nodeSize - 1);
	return found;
}

/** Position of a block in the document, by its place among the blocks. */
export function blockStart(doc: ProseNode, at: number): number {
	let start = 0;
	for (let i = 0; i < at && i < doc.childCount; i++) start += doc.child(i).nodeSize;
	return start;
}

/** Where the text of a section starts and ends in the document, by the places of its blocks. */
export function extentIn(
	doc: ProseNode,
	{ from, to }: { readonly from: number; readonly to: number }
): { readonly from: number; readonly to: number } {
	return { from: blockStart(doc, from + 1), to: blockStart(doc, to) };
}

/**
 * Takes over what the browser shows as chosen. The editor is told of it a moment later, and what
 * takes the focus in that moment would leave it with the choice before.
 */
export function readChosen(view: EditorView): void {
	const chosen = view.dom.ownerDocument.getSelection();
	const { anchorNode, focusNode } = chosen ?? {};
	if (!chosen || !view.dom.contains(anchorNode!) || !view.dom.contains(focusNode!)) return;
	const { doc, selection, tr } = view.state;
	// a chosen picture or cell is no choice of words
	if (!(selection instanceof TextSelection)) return;
	const anchor = view.posAtDOM(anchorNode!, chosen.anchorOffset);
	const head = view.posAtDOM(focusNode!, chosen.focusOffset);
	if (anchor === selection.anchor && head === selection.head) return;
	view.dispatch(tr.setSelection(TextSelection.between(doc.resolve(anchor), doc.resolve(head))));
}
