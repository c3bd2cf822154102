import { findTermsIn, indexTerms } from '../../text';
import { cutOf, type PageWork } from '../../reading';
import type { Term } from '../terms';

/** A paragraph or list entry of a note or transcript that can be drawn on. */
export interface NotePassage {
	readonly id: string;
	/** Note it stands in. */
	readonly source: string;
	/** Heading it stands under, empty before the first. */
	readonly heading: string;
	readonly text: string;
	readonly words: number;
	/** Keys of the terms in it. */
	readonly terms: readonly string[];
	/** Numbered list or table of the note that it is a part of; null for running text. */
	readonly whole: { readonly form: 'steps' | 'table'; readonly id: string } | null;
}

/** Words under which a passage says too little to be drawn on. */
const LEAST_WORDS = 6;

/** Passages of the writer's notes in reading order. */
export function findNotePassages(
	notes: readonly PageWork[],
	terms: readonly Term[]
): NotePassage[] {
	const index = indexTerms(terms);
	return notes.flatMap((note) =>
		note.units.flatMap((unit, i) => {
			if (unit.words < LEAST_WORDS || (unit.place !== 'body' && unit.place !== 'faq')) return [];
			const keys = new Set(findTermsIn(index, cutOf(unit)).map(({ term }) => terms[term]!.key));
			return [
				{
					id: `note:${note.id}/${i}`,
					source: note.id,
					heading: note.sections[unit.section]?.heading ?? '',
					text: unit.text,
					words: unit.words,
					terms: [...keys],
					whole: unit.whole
						? { form: unit.whole.form, id: `${note.id}/${unit.whole.form}${unit.whole.at}` }
						: null
				}
			];
		})
	);
}
