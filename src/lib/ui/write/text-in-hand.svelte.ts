import type { Editor } from '@tiptap/core';
import { docText, textRunsOf, type BlockNode, type SectionCut } from '$lib/core/manuscript';
import { countWords } from '$lib/core/text';

/** A stretch of whole blocks inside a section. */
export interface Passage {
	readonly section: string;
	readonly blocks: readonly BlockNode[];
}

/** What is chosen in the text, and what the cursor stands in. */
export class TextInHand {
	readonly #editorNow: () => Editor | undefined;
	readonly #cuts: () => ReadonlyMap<string, SectionCut>;

	/**
	 * @param editorNow the editor; what follows it is told of every transaction
	 * @param cuts where the planned sections stand
	 */
	constructor(editorNow: () => Editor | undefined, cuts: () => ReadonlyMap<string, SectionCut>) {
		this.#editorNow = editorNow;
		this.#cuts = cuts;
	}

	/** Words that are chosen; 0 for none. */
	readonly words: number = $derived.by(() => {
		const state = this.#editorNow()?.state;
		if (!state || state.selection.empty) return 0;
		const { from, to } = state.selection;
		return countWords(state.doc.textBetween(from, to, '\n', ' '));
	});

	/** The blocks of one section that the chosen words touch; null where nothing, or more, is chosen. */
	readonly passage: Passage | null = $derived.by(() => {
		const state = this.#editorNow()?.state;
		if (!state || state.selection.empty) return null;
		const [from, to] = [state.selection.from, state.selection.to].map((at) =>
			state.doc.resolve(at).index(0)
		) as [number, number];
		const found = [...this.#cuts()].find(([, cut]) => from > cut.from && to < cut.to);
		if (!found) return null;
		const blocks: BlockNode[] = [];
		for (let at = from; at <= to; at++) blocks.push(state.doc.child(at).toJSON() as BlockNode);
		return { section: found[0], blocks };
	});

	/** The picture that is chosen, or whose caption the cursor stands in; null: none. */
	readonly figure: { readonly picture: string; readonly alt: string } | null = $derived.by(() => {
		const editor = this.#editorNow();
		if (!editor?.isActive('figure')) return null;
		const { picture, alt } = editor.getAttributes('figure') as { picture?: string; alt?: string };
		return { picture: picture ?? '', alt: alt ?? '' };
	});

	/** The block that the cursor stands in, in words and with the notes it draws on. */
	readonly block: { readonly text: string; readonly sources: ReadonlySet<string> } = $derived.by(
		() => {
			const state = this.#editorNow()?.state;
			const at = state?.selection.$from.index(0) ?? 0;
			const node = state && at < state.doc.childCount ? state.doc.child(at) : null;
			if (!node) return { text: '', sources: new Set() };
			const json = node.toJSON() as BlockNode;
			const sources = textRunsOf(json).flatMap(({ marks }) =>
				marks.flatMap((mark) => (mark.type === 'origin' ? [mark.attrs.source] : []))
			);
			return { text: docText(json), sources: new Set(sources) };
		}
	);
}
