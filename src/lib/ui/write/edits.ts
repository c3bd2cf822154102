import type { EditorState, Transaction } from '@tiptap/pm/state';

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
