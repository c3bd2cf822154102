import type { Editor } from '@tiptap/core';
import { untrack } from 'svelte';
import { chainInText } from './edits';

/** The link at the cursor, and the words that one could be set on. */
export class TextLinks {
	readonly #editorNow: () => Editor | undefined;

	/** @param editorNow the editor; what follows it is told of every transaction */
	constructor(editorNow: () => Editor | undefined) {
		this.#editorNow = editorNow;
	}

	/** Where the link at the cursor leads; empty: there is none. */
	readonly address: string = $derived.by(() => {
		const href: unknown = this.#editorNow()?.getAttributes('link').href;
		return typeof href === 'string' ? href : '';
	});
	/** The chosen words; without any, those of the block. */
	readonly words: string = $derived.by(() => {
		const state = this.#editorNow()?.state;
		if (!state) return '';
		const { from, to, empty } = state.selection;
		return empty
			? state.doc.resolve(from).parent.textContent
			: state.doc.textBetween(from, to, ' ', ' ');
	});
	readonly isChosen: boolean = $derived.by(() => {
		const state = this.#editorNow()?.state;
		return state !== undefined && !state.selection.empty;
	});

	/** Sets the link on the chosen words, changes the one at the cursor, or puts in words that lead there. */
	set(href: string, name: string): void {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return;
		const chain = chainInText(editor);
		if (untrack(() => this.address) !== '') chain.extendMarkRange('link').setLink({ href }).run();
		else if (untrack(() => this.isChosen)) chain.setLink({ href }).run();
		else
			chain
				.insertContent([
					{ type: 'text', text: name || href, marks: [{ type: 'link', attrs: { href } }] },
					{ type: 'text', text: ' ' }
				])
				.run();
	}

	unset(): void {
		const editor = untrack(() => this.#editorNow());
		if (editor) chainInText(editor).extendMarkRange('link').unsetLink().run();
	}
}

/** An address as it can be set: with its scheme; null for what leads nowhere. */
export function addressTyped(typed: string): string | null {
	const plain = typed.trim();
	if (plain === '' || /\s/.test(plain)) return null;
	if (/^(?:https?:\/\/[^/]|mailto:[^@]+@|\/|#)/i.test(plain)) return plain;
	if (/^[a-z][a-z\d+.-]*:/i.test(plain)) return null;
	return /^[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+(?:[/?#]|$)/u.test(plain) ? `https://${plain}` : null;
}
