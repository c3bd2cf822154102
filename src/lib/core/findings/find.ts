import { DEFAULT_GRADE, EFFORT_RULES, type Effort } from '../brief';
import { contentStemsOf, findTermsIn, indexTerms } from '../text';
import { NO_EDITS, type FindingEdits } from './edits';
import { groupFacts, type FactGroup } from './fact-groups';
import { findFacts, type Fact } from './facts';
import { findFollowUps, type FollowUp } from './follow-ups';
import { findHabits, type Habit } from './habits';
import type { ListedPhrase } from './long-phrases';
import { findNotePassages, type NotePassage } from './note-passages';
import { findNoteTerms } from './note-terms';
import { cutOf, type PageWork } from './page-work';
import { findQuestions, type AskedQuestion, type Question } from './questions';
import { findShape, type ShapeSpread } from './shape';
import { quantileOf } from './spread';
import { findTermsOf, type Term } from './terms';
import { findOwnTopics, findTopics, type OwnTopic, type Topic } from './topics';

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
	/** Terms that only the writer's notes use. */
	readonly noteTerms: readonly Term[];
	readonly topics: readonly Topic[];
	/** Topics that no counted page has: from notes, and from what is searched for. */
	readonly ownTopics: readonly OwnTopic[];
	readonly questions: readonly Question[];
	/** Questions nobody asks though the evidence answers them. */
	readonly followUps: readonly FollowUp[];
	readonly facts: readonly Fact[];
	/** Paragraphs of the writer's notes. */
	readonly notePassages: readonly NotePassage[];
	/** The facts' figures, those of the same quantity together. */
	readonly figures: readonly FactGroup[];
	readonly shape: readonly ShapeSpread[];
	readonly habits: readonly Habit[];
	/** What was struck out by hand, for bringing it back. */
	readonly struck: {
		readonly terms: readonly Term[];
		readonly topics: readonly Topic[];
		readonly questions: readonly Question[];
		readonly figures: readonly FactGroup[];
	};
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
	/** Phrases the brief would like; they come along where pages use them, most wanted first. */
	readonly secondary?: readonly string[];
	/** Phrases of keyword lists that are about the keyword. */
	readonly listed?: readonly ListedPhrase[];
	/** What the writer changed by hand. */
	readonly edits?: FindingEdits;
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
	const { keyword } = options;
	const listed = options.listed ?? [];
	const edits = options.edits ?? NO_EDITS;
	const { terms, struck: struckTerms } = findTermsOf(ordered, {
		keyword,
		targetWords,
		required: options.required ?? [],
		wished: options.secondary ?? [],
		edits: edits.terms
	});
	const { topics, struck: struckTopics } = findTopics(ordered, keyword, edits.topics);
	const own = edits.ownQuestions.map((text) => ({ text, source: OWN_AS_SOURCE }));
	const { questions, struck: struckQuestions } = findQuestions(
		ordered,
		orderedNotes,
		[...options.asked, ...askedInLists(listed), ...own],
		keyword,
		edits.questions
	);
	const facts = findFacts(ordered, orderedNotes, terms);
	const { figures, struck: struckFigures } = groupFacts(facts, keyword, edits.figures);
	return {
		keyword,
		targetWords,
		effort,
		grade: options.grade ?? DEFAULT_GRADE,
		pages: ordered.map(({ id, title, words }) => ({ id, title, words })),
		terms,
		noteTerms: findNoteTerms(ordered, orderedNotes, terms),
		topics,
		ownTopics: [
			...findOwnTopics(ordered, orderedNotes, keyword),
			...searchedTopics(listed, ordered, keyword)
		],
		questions,
		followUps: findFollowUps(
			[...ordered, ...orderedNotes],
			terms,
			figures,
			facts,
			questions,
			keyword
		),
		facts,
		notePassages: findNotePassages(orderedNotes, terms),
		figures,
		shape: findShape(ordered),
		habits: findHabits(ordered),
		struck: {
			terms: struckTerms,
			topics: struckTopics,
			questions: struckQuestions,
			figures: struckFigures
		}
	};
}

/** Name under which the writer is a source of questions. */
export const OWN_AS_SOURCE = 'own';
/** Name under which keyword lists are a source of questions. */
export const LISTS_AS_SOURCE = 'keyword-lists';

function askedInLists(listed: readonly ListedPhrase[]): AskedQuestion[] {
	return listed
		.filter(({ phrase }) => ASKS.test(phrase))
		.map(({ phrase, volume }) => ({ text: phrase, source: LISTS_AS_SOURCE, volume }));
}

/** "How to" is a keyword as often as a question, so it does not count. */
const ASKS =
	/^(?:how (?!to\b)|what |why |when |where |which |who |can |do |does |is |are |should |will )/i;

/**
 * Phrases of keyword lists that are about the keyword and bring a word that no page has in its
 * title or a heading, though people search for it; most searched first.
 */
function searchedTopics(
	listed: readonly ListedPhrase[],
	pages: readonly PageWork[],
	keyword: string
): OwnTopic[] {
	const treated = new Set(
		pages.flatMap(({ units }) =>
			units
				.filter(({ place }) => place !== 'body' && place !== 'faq')
				.flatMap(({ text }) => contentStemsOf(text))
		)
	);
	for (const stem of contentStemsOf(keyword)) treated.add(stem);
	return listed
		.filter(({ phrase }) => !ASKS.test(phrase) && /\p{L}/u.test(phrase))
		.filter(({ phrase }) => contentStemsOf(phrase).some((stem) => !treated.has(stem)))
		.sort((a, b) => (b.volume ?? -1) - (a.volume ?? -1) || (a.phrase < b.phrase ? -1 : 1))
		.slice(0, 12)
		.map(({ phrase, volume }) => ({ id: `own:${phrase}`, label: phrase, at: [], volume }));
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
