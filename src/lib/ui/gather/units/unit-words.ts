import { isPrintable, type NoteUnit, type ReadNoteUnits, type UnitKind } from '$lib/core/notes';
import { countOf } from '../../parts/count-of';

/** Each kind with its key and its name, in the order of the legend. */
export const KINDS: readonly (readonly [kind: UnitKind, key: string, name: string])[] = [
	['claim', 'c', 'claim'],
	['quote', 'q', 'quote'],
	['definition', 'd', 'definition'],
	['step', 's', 'step'],
	['row', 't', 'row of a table'],
	['item', 'i', 'item'],
	['question', 'u', 'question'],
	['background', 'g', 'background'],
	['aside', 'a', 'aside'],
	['off-record', 'o', 'off record'],
	['do-not-say', 'n', 'do not say'],
	['brief', 'b', 'brief to me'],
	['todo', 'x', 'to do']
];

export function nameOfKind(kind: UnitKind): string {
	return KINDS.find(([one]) => one === kind)![2];
}

/** What stands beside a unit: its kind, its place in a list, whether it needs the one above. */
export function labelOfUnit({ kind, position, leans }: NoteUnit): string {
	const name = kind === 'row' ? 'row' : nameOfKind(kind);
	const placed = kind === 'step' && position > 0 ? `${name} ${position}` : name;
	return leans && (kind === 'claim' || kind === 'definition') ? `${placed}, leans ↑` : placed;
}

/** What a unit does, said once where it is in hand. */
export function whatItDoes({ kind, leans, position }: NoteUnit): string {
	switch (kind) {
		case 'off-record':
			return 'Told off the record: it never leaves this note.';
		case 'do-not-say':
			return 'Not to be said: it never reaches a draft, and can become a check of the brief.';
		case 'brief':
			return 'A wish about the text: it is not printed, and can go to the brief.';
		case 'todo':
			return 'Something for you to do: it is not printed.';
		case 'question':
			return 'A question: what stands under it is read as its answer.';
		case 'background':
			return 'How it was noted, and by whom: it is not printed.';
		case 'aside':
			return 'Said in passing: it is not printed.';
		case 'step':
			return position > 0 ? 'Goes with its neighbours as one numbered list.' : 'A step of its own.';
		case 'row':
			return 'Goes with its neighbours as one table.';
		default:
			return leans
				? 'Leans on what is above it, and is used together with that.'
				: 'Can be printed, as a whole.';
	}
}

/** "34 units · 6 kept out" */
export function sizeOfUnits({ units }: ReadNoteUnits): string {
	const out = units.filter((unit) => !isPrintable(unit) && unit.kind !== 'question').length;
	return `${countOf(units.length, 'unit')}${out > 0 ? ` · ${out} kept out` : ''}`;
}
