import type { Editor } from '@tiptap/core';
import {
	findNext,
	findPrev,
	replaceAll,
	replaceNext,
	SearchQuery,
	setSearchState
} from 'prosemirror-search';
import { untrack } from 'svelte';

/** Places that are counted at most. */
const MOST_FOUND = 2_000;

/** Looks for words in the manuscript and replaces them. */
export class TextFinder {
	readonly #editorNow: () => Editor | undefined;
	#query = $state.raw<SearchQuery | null>(null);

	/** @param editorNow the editor; what follows it is told of every transaction */
	constructor(editorNow: () => Editor | undefined) {
		this.#editorNow = editorNow;
	}

	/** Looks for some words, or for none; places are counted as the text changes. */
	find({ search, replace, isExact }: { search: string; replace: string; isExact: boolean }): void {
		const query = new SearchQuery({
			search,
			replace,
			literal: true,
			caseSensitive: isExact,
			wholeWord: isExact
		});
		// called from effects, which follow what is typed and nothing else
		untrack(() => {
			this.#query = query;
			const editor = this.#editorNow();
			if (editor) editor.view.dispatch(setSearchState(editor.state.tr, query));
		});
	}

	/** Places in the text that hold what is looked for. */
	readonly found: number = $derived.by(() => {
		const editor = this.#editorNow();
		const query = this.#query;
		if (!editor || !query?.valid) return 0;
		let count = 0;
		for (let at = 0; count < MOST_FOUND; count++) {
			const next = query.findNext(editor.state, at);
			if (!next) break;
			at = next.to > next.from ? next.to : next.to + 1;
		}
		return count;
	});

	/** Chooses the next place, or the one before. */
	step(by: 1 | -1): void {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return;
		(by > 0 ? findNext : findPrev)(editor.state, editor.view.dispatch);
		// the field that is typed into keeps the focus
		editor.view.dispatch(editor.state.tr.scrollIntoView());
	}

	/** Replaces the place that is chosen and goes on, or all of them in one step. */
	replace(isAll: boolean): void {
		const editor = untrack(() => this.#editorNow());
		if (editor) (isAll ? replaceAll : replaceNext)(editor.state, editor.view.dispatch);
	}
}
