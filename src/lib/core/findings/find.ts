import { DEFAULT_GRADE, EFFORT_RULES, type Effort } from '../brief';
import { findTermsIn, indexTerms } from '../text';
import { findFacts, type Fact } from './facts';
import { cutOf, type PageWork } from './page-work';
import { findQuestions, type AskedQuestion, type Question } from './questions';
import { findShape, type ShapeSpread } from './shape';
import { quantileOf } from './spread';
import { findTermsOf, type Term } from './terms';
import { findTopics, type Topic } from './topics';

/** Everything the evidence says, for one keyword and length. Plain data. */
export interface Findings {
	readonly keyword: string;
	readonly targetWords: number;
	/** How much the article has to carry; later stages ask accordingly. */
	readonly effort: Effort;
	/** Reading grade to aim at. */
	readonly grade: number;
	readonly pages: readonly {
		readonly id: string;
		readonly title: string;
		readonly words: number;
	}[];
	readonly terms: readonly Term[];
	readonly topics: readonly Topic[];
	readonly questions: readonly Question[];
	readonly facts: readonly Fact[];
	readonly shape: readonly ShapeSpread[];
}

export interface FindOptions {
	readonly keyword: string;
	/** Words to aim at; null takes what the evidence says. */
	readonly targetWords: number | null;
	readonly asked: readonly AskedQuestion[];
	/** Default: pillar. */
	readonly effort?: Effort;
	/** Default: 8, plain prose for the general public. */
	readonly grade?: number | null;
	/** Phrases the brief requires; they come along like the keyword, whether pages use them or not. */
	readonly required?: readonly string[];
}

/**
 * Puts the work on single pages together. Pages may come in any order; the result depends on
 * their ids only. Without pages everything is empty but the questions and facts of notes.
 */
export function assembleFindings(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	options: FindOptions
): Findings {
	const ordered = [...pages].sort((a, b) => (a.id < b.id ? -1 : 1));
	const orderedNotes = [...notes].sort((a, b) => (a.id < b.id ? -1 : 1));
	const effort = options.effort ?? 'pillar';
	const targetWords = options.targetWords ?? lengthOfEvidence(ordered, effort);
	const terms = findTermsOf(ordered, {
		keyword: options.keyword,
		targetWords,
		required: options.required ?? []
	});
	return {
		keyword: options.keyword,
		targetWords,
		effort,
		grade: options.grade ?? DEFAULT_GRADE,
		pages: ordered.map(({ id, title, words }) => ({ id, title, words })),
		terms,
		topics: findTopics(ordered, options.keyword),
		questions: findQuestions(ordered, orderedNotes, options.asked, options.keyword),
		facts: findFacts(ordered, orderedNotes, terms),
		shape: findShape(ordered)
	};
}

/**
 * Length the evidence asks for, to the next fifty: between median and upper quartile of the pages
 * for a pillar, under the median for a supporting article; 1,200 without pages.
 */
export function lengthOfEvidence(
	pages: readonly { readonly words: number }[],
	effort: Effort = 'pillar'
): number {
	if (pages.length === 0) return 1200;
	const words = quantileOf(
		pages.map((page) => page.words),
		EFFORT_RULES[effort].lengthQuantile
	);
	return Math.max(300, Math.round(words / 50) * 50);
}

/** A sentence of a page that uses a term, with the uses marked. */
export interface Context {
	readonly page: string;
	readonly heading: string;
	readonly text: string;
	/** Places of the uses in `text`: start included, end excluded. */
	readonly marks: readonly (readonly [number, number])[];
}

/** The sentences in which pages use a term, in page and reading order. Their marks add up to the counts. */
export function usesInContext(
	pages: readonly PageWork[],
	term: Pick<Term, 'phrase' | 'verbs'>
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
				if (marks.length > 0) found.push({ page: page.id, heading, text, marks });
			}
		}
	}
	return found;
}
