import { findTermsIn, indexTerms } from '../text';
import { cutOf, type PageWork } from './page-work';
import type { Quantity } from './quantities';
import type { Term } from './terms';

/** A sentence with a figure that can be checked, and where it comes from. */
export interface Fact {
	readonly id: string;
	readonly text: string;
	readonly source: string;
	readonly origin: 'page' | 'note';
	/** Heading it stands under, empty before the first. */
	readonly heading: string;
	readonly quantities: readonly Quantity[];
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
			const { text, section, quantities } = found;
			const keys = new Set(findTermsIn(index, cutOf(found)).map(({ term }) => terms[term]!.key));
			return {
				id: `fact:${work.id}/${i}`,
				text,
				source: work.id,
				origin,
				heading: work.sections[section]?.heading ?? '',
				quantities,
				terms: [...keys]
			};
		});
	return [
		...notes.flatMap((note) => read(note, 'note')),
		...pages.flatMap((page) => read(page, 'page'))
	];
}
