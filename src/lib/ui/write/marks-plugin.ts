import { Extension, type Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import { Plugin, PluginKey, type Transaction } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import type { Mark } from '$lib/core/proof';
import { blockStart, positionsIn } from './text-places';

const KEY = new PluginKey<DecorationSet>('proof marks');

/** What a decoration carries; its words and reason come from the mark. */
interface MarkSpec {
	readonly mark: string;
}

/**
 * Shows proof marks in the manuscript. They are no part of the document: they move with what is
 * typed around them, and go as soon as their own words are touched, until the text is read again.
 */
export const ProofMarks = Extension.create({
	name: 'proofMarks',
	addProseMirrorPlugins: () => [
		new Plugin<DecorationSet>({
			key: KEY,
			state: {
				init: () => DecorationSet.empty,
				apply: (transaction, shown) => {
					const set = transaction.getMeta(KEY) as DecorationSet | undefined;
					if (set) return set;
					return transaction.docChanged ? untouched(shown, transaction) : shown;
				}
			},
			props: { decorations: (state) => KEY.getState(state) }
		})
	]
});

/** The decorations whose words a transaction left alone, where they stand now. */
function untouched(shown: DecorationSet, transaction: Transaction): DecorationSet {
	const touched: Decoration[] = [];
	transaction.mapping.maps.forEach((map, step) => {
		const back = transaction.mapping.slice(0, step).invert();
		map.forEach((from, to) => {
			touched.push(...shown.find(back.map(from), back.map(to)));
		});
	});
	return shown.remove(touched).map(transaction.mapping, transaction.doc);
}

/** Shows these marks in place of those shown before; those of the whole article have no place. */
export function showMarks(
	editor: Editor,
	marks: readonly Mark[],
	inHand: string | null = null
): void {
	const { doc, tr } = editor.state;
	const decorations = decorationsOf(doc, marks, inHand);
	editor.view.dispatch(
		tr.setMeta(KEY, DecorationSet.create(doc, decorations)).setMeta('addToHistory', false)
	);
}

function decorationsOf(
	doc: ProseNode,
	marks: readonly Mark[],
	inHand: string | null
): Decoration[] {
	return marks.flatMap((mark) => {
		const found = placeOfMark(doc, mark);
		if (!found) return [];
		const spec: MarkSpec = { mark: mark.id };
		const attributes = {
			class: `proof-mark for-${mark.reads}${mark.id === inHand ? ' in-hand' : ''}`,
			title: mark.reason
		};
		return [Decoration.inline(found.from, found.to, attributes, spec)];
	});
}

/** Where the words of a mark stand; null for a mark of the whole article, or words that are gone. */
export function placeOfMark(
	doc: ProseNode,
	{ place }: Pick<Mark, 'place'>
): { readonly from: number; readonly to: number } | null {
	if (!place || place.block >= doc.childCount) return null;
	const block = doc.child(place.block);
	const start = blockStart(doc, place.block);
	const [from, to] = positionsIn(block, start, [place.start, place.end]);
	return from! < to! ? { from: from!, to: to! } : null;
}
