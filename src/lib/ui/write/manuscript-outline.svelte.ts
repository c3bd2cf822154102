import type { Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import { untrack } from 'svelte';
import { outlineOf, stepOf } from '$lib/core/manuscript';
import { countWords } from '$lib/core/text';
import { chainInText, moving } from './edits';
import { foldedBlocks, headsOf, setFolds } from './folds';
import { blockStart } from './text-places';

/** A heading of the manuscript with what stands under it. */
export interface OutlineEntry {
	/** Place of the heading among the blocks. */
	readonly at: number;
	/** Place of the first block behind the part. */
	readonly to: number;
	readonly level: number;
	readonly text: string;
	/** Words under it, those under deeper headings included; gaps do not count. */
	readonly words: number;
	readonly gaps: number;
	readonly isFolded: boolean;
	readonly canRise: boolean;
	readonly canSink: boolean;
}

/** Words of blocks, counted once for as long as they stay the same. */
const counted = new WeakMap<ProseNode, number>();

function wordsOf(node: ProseNode): number {
	let words = counted.get(node);
	if (words === undefined)
		counted.set(node, (words = countWords(node.textBetween(0, node.content.size, '\n', ' '))));
	return words;
}

/** The outline of the manuscript: sections are folded, unfolded and moved, each move as a step. */
export class ManuscriptOutline {
	readonly #editorNow: () => Editor | undefined;

	/** @param editorNow the editor; what follows it is told of every transaction */
	constructor(editorNow: () => Editor | undefined) {
		this.#editorNow = editorNow;
	}

	readonly entries: readonly OutlineEntry[] = $derived.by(() => {
		const state = this.#editorNow()?.state;
		if (!state) return [];
		const { doc } = state;
		const heads = headsOf(doc);
		const folded = foldedBlocks(state);
		return outlineOf(heads).map(({ from, to, level }) => {
			let words = 0;
			let gaps = 0;
			for (let at = from + 1; at < to; at++) {
				const node = doc.child(at);
				if (node.type.name === 'gap') gaps++;
				else if (node.type.name !== 'heading') words += wordsOf(node);
			}
			return {
				at: from,
				to,
				level,
				text: doc.child(from).textContent,
				words,
				gaps,
				isFolded: folded.has(from),
				canRise: stepOf(heads, from, -1) !== null,
				canSink: stepOf(heads, from, 1) !== null
			};
		});
	});
	/** Place of the heading that the cursor stands under; −1 above the first. */
	readonly inHand: number = $derived.by(() => {
		const state = this.#editorNow()?.state;
		if (!state) return -1;
		const block = state.selection.$from.index(0);
		return this.entries.findLast(({ at }) => at <= block)?.at ?? -1;
	});

	/** Folds the section under a heading, or unfolds it. */
	fold(at: number, isFolded: boolean): void {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return;
		const now = new Set(foldedBlocks(editor.state));
		if (isFolded) {
			now.add(at);
			this.#leave(editor, at);
		} else now.delete(at);
		setFolds(editor, [...now]);
	}

	/** Folds every section to its heading, the title aside; or unfolds all. */
	foldAll(isFolded: boolean): void {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return;
		const tops = untrack(() => this.entries.filter(({ level }) => level > 1).map(({ at }) => at));
		if (isFolded && untrack(() => this.inHand) >= 0)
			this.#leave(
				editor,
				untrack(() => this.inHand)
			);
		setFolds(editor, isFolded ? tops : []);
	}

	/** A fold would open again if the cursor stayed in it. */
	#leave(editor: Editor, at: number): void {
		const { doc } = editor.state;
		const end = blockStart(doc, at + 1) - 1;
		editor.commands.setTextSelection(Math.max(1, end));
	}

	/** Moves a section past its neighbour of the same level; where it stands then, or null where it cannot. */
	step(at: number, by: -1 | 1): number | null {
		const editor = untrack(() => this.#editorNow());
		const before = editor ? stepOf(headsOf(editor.state.doc), at, by) : null;
		return before === null ? null : this.#move(at, before);
	}

	/** Moves a section before another heading; null where that is inside of it. */
	moveBefore(at: number, before: number): number | null {
		const entry = untrack(() => this.entries.find((one) => one.at === at));
		if (!entry || entry.level === 1 || (before >= entry.at && before <= entry.to)) return null;
		return this.#move(at, before);
	}

	#move(at: number, before: number): number | null {
		const editor = untrack(() => this.#editorNow());
		const entry = untrack(() => this.entries.find((one) => one.at === at));
		if (!editor || !entry) return null;
		editor.view.dispatch(moving(editor.state, { from: at, to: entry.to }, before));
		return before > at ? before - (entry.to - at) : before;
	}

	/** Puts the cursor behind a heading and shows it. */
	goTo(at: number): void {
		const editor = untrack(() => this.#editorNow());
		if (!editor) return;
		const { doc } = editor.state;
		chainInText(editor)
			.setTextSelection(blockStart(doc, at + 1) - 1)
			.run();
		const element = editor.view.nodeDOM(blockStart(doc, at));
		if (element instanceof HTMLElement) element.scrollIntoView({ block: 'start' });
	}
}
