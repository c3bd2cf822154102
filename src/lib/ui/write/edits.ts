import type { Editor } from '@tiptap/core';
import { Selection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { quoteSign, type QuoteStyle } from '$lib/core/text';
import { blockStart } from './text-places';

/**
 * A chain of commands with the keys in the text at once. A focus that comes a frame later would bring back
 * what was chosen before it, and the next key would fall on that.
 */
export function chainInText(editor: Editor): ReturnType<Editor['chain']> {
	const { view } = editor;
	if (view.hasFocus()) return editor.chain();
	view.focus();
	requestAnimationFrame(() => {
		// a menu that closes gives the keys back to its button
		const holder = view.dom.ownerDocument.activeElement;
		if (!editor.isDestroyed && !view.hasFocus() && !holder?.matches(TYPED_INTO)) view.focus();
	});
	return editor.chain().scrollIntoView();
}

const TYPED_INTO = 'input, textarea, select, [contenteditable]';

/**
 * The step that puts other words in place of a stretch, with the formats that its start has.
 * Without words the stretch goes, and with it the space that stood before it, or else behind it.
 */
export function replacing(
	state: EditorState,
	{ from, to }: { readonly from: number; readonly to: number },
	words: string
): Transaction {
	if (words !== '') {
		const formats = state.doc.resolve(from + 1).marks();
		return state.tr.replaceWith(from, to, state.schema.text(words, formats));
	}
	if (state.doc.textBetween(from, to, '\n', ' ').trim() === '') return state.tr.delete(from, to);
	const charAt = (at: number) =>
		state.doc.textBetween(Math.max(0, at), Math.min(state.doc.content.size, at + 1), '\n');
	if (charAt(from - 1) === ' ') return state.tr.delete(from - 1, to);
	return state.tr.delete(from, charAt(to) === ' ' ? to + 1 : to);
}

/**
 * The step that moves blocks before another block; the cursor goes with them.
 *
 * @param part places of the blocks, `to` excluded
 * @param before place of the block that they are to stand before; outside of them
 */
export function moving(
	state: EditorState,
	{ from, to }: { readonly from: number; readonly to: number },
	before: number
): Transaction {
	const start = blockStart(state.doc, from);
	const end = blockStart(state.doc, to);
	const target = blockStart(state.doc, before);
	const { content } = state.doc.slice(start, end);
	const { tr } = state;
	tr.delete(start, end);
	const at = tr.mapping.map(target);
	tr.insert(at, content);
	const cursor = Math.min(at + 1 + (content.firstChild?.content.size ?? 0), tr.doc.content.size);
	return tr.setSelection(Selection.near(tr.doc.resolve(cursor), -1)).scrollIntoView();
}

/** The step that sets the quotation marks of every text but code in a style; null where all are set. */
export function quoting(state: EditorState, style: QuoteStyle): Transaction | null {
	const { tr } = state;
	const changes: { from: number; to: number; text: string }[] = [];
	state.doc.descendants((node, position) => {
		if (!node.isTextblock || node.type.spec.code) return !node.isTextblock;
		const text = node.textBetween(0, node.content.size, '\n', '\n');
		let before = '';
		for (let at = 0; at < text.length; at++) {
			const sign = text[at]!;
			if (sign === '"' || sign === "'") {
				const place = position + 1 + at;
				const isCode = state.doc.rangeHasMark(place, place + 1, state.schema.marks.code!);
				const set = isCode ? sign : quoteSign(sign, before, style, text.slice(at + 1, at + 4));
				if (set !== sign) changes.push({ from: place, to: place + 1, text: set });
				before += set;
			} else before += sign;
		}
		return false;
	});
	for (const { from, to, text } of changes.toReversed()) {
		const marks = state.doc.resolve(from + 1).marks();
		tr.replaceWith(from, to, state.schema.text(text, marks));
	}
	return changes.length > 0 ? tr : null;
}
