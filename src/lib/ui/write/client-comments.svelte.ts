import type { Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import { untrack } from 'svelte';
import { commentsOf, type Comment, type TakeDoc } from '$lib/core/manuscript';
import { chainInText } from './edits';

/** What is said to the client beside the text. It leaves with DOCX and with no other form. */
export class ClientComments {
	readonly #editorNow: () => Editor | undefined;

	/** @param editorNow the editor; what follows it is told of every transaction */
	constructor(editorNow: () => Editor | undefined) {
		this.#editorNow = editorNow;
	}

	/** What is said about the words that the cursor stands in; empty for nothing. */
	readonly atCursor: string = $derived.by(() => {
		const text: unknown = this.#editorNow()?.getAttributes('comment').text;
		return typeof text === 'string' ? text : '';
	});
	/** Whether there are words to say something about. */
	readonly canSay: boolean = $derived.by(() => {
		const state = this.#editorNow()?.state;
		return this.atCursor !== '' || (state !== undefined && !state.selection.empty);
	});

	/** Says something about the chosen words, or of those of the comment in hand; empty takes it away. */
	say(text: string): void {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return;
		const said = text.trim();
		const chain = chainInText(editor);
		if (untrack(() => this.atCursor) !== '') chain.extendMarkRange('comment');
		if (said === '') chain.unsetMark('comment').run();
		else chain.setMark('comment', { text: said }).run();
	}

	/** All comments, in reading order. */
	readonly all: readonly Comment[] = $derived.by(() => {
		const editor = this.#editorNow();
		return editor ? commentsOf(editor.getJSON() as TakeDoc) : [];
	});

	/** Goes to the next comment behind the cursor, the first behind the last; false: there is none. */
	next(): boolean {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return false;
		const { doc, selection } = editor.state;
		const starts = startsOf(doc);
		const at = starts.findIndex((start) => start > selection.from);
		return this.show(Math.max(0, at));
	}

	/** Goes to a comment by its place among all; false: it is not there. */
	show(index: number): boolean {
		const editor = untrack(() => this.#editorNow());
		const at = editor && startsOf(editor.state.doc)[index];
		if (!editor || at === undefined) return false;
		chainInText(editor)
			.setTextSelection(at + 1)
			.scrollIntoView()
			.run();
		return true;
	}
}

/** Where the words of each comment begin. */
function startsOf(doc: ProseNode): number[] {
	const starts: number[] = [];
	let last: { readonly text: unknown; readonly end: number } | null = null;
	doc.descendants((node, position) => {
		const mark = node.marks.find(({ type }) => type.name === 'comment');
		if (!mark) return true;
		const isSame = last !== null && last.text === mark.attrs.text && last.end === position;
		if (!isSame) starts.push(position);
		last = { text: mark.attrs.text, end: position + node.nodeSize };
		return false;
	});
	return starts;
}
