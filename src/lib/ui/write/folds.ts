import { Extension, type Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import { Plugin, PluginKey, type EditorState } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { outlineOf, type Head, type OutlinePart } from '$lib/core/manuscript';
import { countWords } from '$lib/core/text';
import { blockStart } from './text-places';

interface Folded {
	/** Where the folded headings start in the document. */
	readonly at: readonly number[];
	readonly shown: DecorationSet;
}

const KEY = new PluginKey<Folded>('folds');
const NONE: Folded = { at: [], shown: DecorationSet.empty };

/** Level and section of the blocks of a document, for cutting. */
export function headsOf(doc: ProseNode): Head[] {
	const heads: Head[] = [];
	doc.forEach(({ type, attrs }) =>
		heads.push(
			type.name === 'heading'
				? { level: Number(attrs.level), section: (attrs.section as string | null) || null }
				: { level: 0, section: null }
		)
	);
	return heads;
}

/**
 * Sections folded to their headings. Folding is no part of the document: the folds move with what is
 * typed, and one opens as soon as the cursor goes into it.
 */
export const Folds = Extension.create({
	name: 'folds',
	addProseMirrorPlugins: () => [
		new Plugin<Folded>({
			key: KEY,
			state: {
				init: () => NONE,
				apply: (transaction, folded, _, state) => {
					const set = transaction.getMeta(KEY) as readonly number[] | undefined;
					const moved = set ?? folded.at.map((at) => transaction.mapping.map(at, 1));
					if (moved.length === 0) return NONE;
					if (!set && !transaction.docChanged && !transaction.selectionSet) return folded;
					return drawn(state, moved);
				}
			},
			props: { decorations: (state) => KEY.getState(state)?.shown }
		})
	]
});

/** The folds as they show; those whose heading is gone or whose text holds the cursor are open again. */
function drawn({ doc, selection }: EditorState, wanted: readonly number[]): Folded {
	const parts = new Map(outlineOf(headsOf(doc)).map((part) => [blockStart(doc, part.from), part]));
	const at: number[] = [];
	const shown: Decoration[] = [];
	for (const start of new Set(wanted)) {
		const part = parts.get(start);
		if (!part || part.to === part.from + 1) continue;
		const inside = blockStart(doc, part.from + 1);
		const end = blockStart(doc, part.to);
		if (selection.from >= inside && selection.from < end) continue;
		at.push(start);
		const words = wordsIn(doc, part);
		shown.push(
			Decoration.node(start, inside, {
				class: 'folded',
				'data-folded': `${words} ${words === 1 ? 'word' : 'words'} folded`
			})
		);
		for (let block = part.from + 1, from = inside; block < part.to; block++) {
			const to = from + doc.child(block).nodeSize;
			shown.push(Decoration.node(from, to, { class: 'folded-away' }));
			from = to;
		}
	}
	return at.length === 0 ? NONE : { at, shown: DecorationSet.create(doc, shown) };
}

function wordsIn(doc: ProseNode, { from, to }: Pick<OutlinePart, 'from' | 'to'>): number {
	let words = 0;
	for (let block = from + 1; block < to; block++) {
		const node = doc.child(block);
		if (node.type.name !== 'gap') words += countWords(node.textBetween(0, node.content.size, '\n'));
	}
	return words;
}

/** Places of the headings that are folded. */
export function foldedBlocks(state: EditorState): ReadonlySet<number> {
	const { at } = KEY.getState(state) ?? NONE;
	return new Set(at.map((position) => state.doc.resolve(position).index(0)));
}

/** Folds just the sections whose headings stand at these places. The cursor leaves what is folded. */
export function setFolds(editor: Editor, blocks: readonly number[]): void {
	const { state, view } = editor;
	view.dispatch(
		state.tr
			.setMeta(
				KEY,
				blocks.map((block) => blockStart(state.doc, block))
			)
			.setMeta('addToHistory', false)
	);
}
