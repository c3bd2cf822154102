import { textOf, type Block } from '../pages';
import { prepareText, type PreparedSentence } from '../text';
import { rowStatementsOf } from './data-blocks';
import type { Unit } from './page-work';

export const cuts = new WeakMap<{ readonly text: string }, readonly PreparedSentence[]>();

/** The sentences of a unit or fact, cut once for as long as it lives. */
export function cutOf(unit: { readonly text: string }): readonly PreparedSentence[] {
	let cut = cuts.get(unit);
	if (!cut) cuts.set(unit, (cut = prepareText(unit.text)));
	return cut;
}

/** The pieces of a block that are searched each on its own. */
export function textsOf(block: Block): string[] {
	switch (block.kind) {
		case 'list':
			return [...block.items];
		case 'table':
			return block.rows.flat().filter((cell) => cell !== '');
		case 'code':
			return [];
		case 'figure':
			return block.caption === '' ? [] : [block.caption];
		default:
			return [textOf(block)];
	}
}

/**
 * What a block states, piece by piece: the sentences of its units, and the rows of a table, whose
 * cells mean nothing alone.
 */
export function statementsOf(block: Block, units: readonly Unit[]): readonly PreparedSentence[] {
	if (block.kind !== 'table') return units.flatMap(cutOf);
	return rowStatementsOf(block).map((text) => {
		const words = prepareText(text).flatMap((cut) =>
			cut.words.map((word) => ({
				...word,
				start: word.start + cut.start,
				end: word.end + cut.start
			}))
		);
		return { text, start: 0, words };
	});
}
