import { findTermsIn, indexTerms } from '../../text';
import { cutOf, type PageWork, type Quantity } from '../../reading';
import type { Term } from '../terms';

/** A sentence with a figure or a named body that can be checked, and where it comes from. */
export interface Fact {
	readonly id: string;
	readonly text: string;
	readonly source: string;
	readonly origin: 'page' | 'note';
	/** Heading it stands under, empty before the first. */
	readonly heading: string;
	/** Position of its section in the source. */
	readonly section: number;
	/** Bodies, laws and standards it names. */
	readonly names: readonly string[];
	/** Latest year it speaks of, else the year of its page; null when neither is known. */
	readonly year: number | null;
	readonly quantities: readonly Quantity[];
	/** Amounts or values listed for one page alone; see `FoundFact`. */
	readonly isData: boolean;
	readonly isRow: boolean;
	/** Keys of the terms in the sentence. */
	readonly terms: readonly string[];
}

/** Facts of pages and notes, notes first, in reading order. */
export function findFacts(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	terms: readonly Term[]
): Fact[] {
	const index = indexTerms(terms);
	const read = (work: PageWork, origin: Fact['origin']) =>
		work.facts.map((found, i): Fact => {
			const { text, section, quantities, names, isData, isRow } = found;
			const keys = new Set(findTermsIn(index, cutOf(found)).map(({ term }) => terms[term]!.key));
			return {
				id: `fact:${work.id}/${i}`,
				text,
				source: work.id,
				origin,
				heading: work.sections[section]?.heading ?? '',
				section,
				names,
				year: yearOf(quantities, work.date),
				quantities,
				isData,
				isRow,
				terms: [...keys]
			};
		});
	return [
		...notes.flatMap((note) => read(note, 'note')),
		...pages.flatMap((page) => read(page, 'page'))
	];
}

function yearOf(quantities: readonly Quantity[], date: string): number | null {
	const said = quantities.filter(({ kind }) => kind === 'year').map(({ value }) => value);
	if (said.length > 0) return Math.max(...said);
	const year = Number(/^\d{4}/.exec(date)?.[0] ?? Number.NaN);
	return Number.isNaN(year) ? null : year;
}
