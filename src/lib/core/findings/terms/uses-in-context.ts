import { findTermsIn, indexTerms } from '../../text';
import { cutOf, type PageWork } from '../../reading';
import type { Term } from './term';

/** A sentence of a page that uses a term, with the uses marked. */
export interface Context {
	readonly page: string;
	/** Position of its section on the page, and the heading of that. */
	readonly section: number;
	readonly heading: string;
	readonly text: string;
	/** Places of the uses in `text`: start included, end excluded. */
	readonly marks: readonly (readonly [number, number])[];
}

/** The sentences in which pages use a term, in page and reading order. Their marks add up to the counts. */
export function usesInContext(
	pages: readonly PageWork[],
	term: Pick<Term, 'phrase' | 'verbs' | 'variants'>
): Context[] {
	const index = indexTerms([term]);
	const found: Context[] = [];
	for (const page of pages) {
		for (const unit of page.units) {
			if (unit.place === 'title') continue;
			for (const sentence of cutOf(unit)) {
				const { text } = sentence;
				const marks = findTermsIn(index, [{ ...sentence, start: 0 }]).map(
					({ start, end }) => [start, end] as const
				);
				const heading = page.sections[unit.section]?.heading ?? '';
				if (marks.length > 0)
					found.push({ page: page.id, section: unit.section, heading, text, marks });
			}
		}
	}
	return found;
}
