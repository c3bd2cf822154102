import { DEFAULT_GRADE, type Effort } from '../brief';
import { NO_EDITS, type FindingEdits } from './edits';
import {
	groupFacts,
	type FactGroup,
	findFacts,
	type Fact,
	findNotePassages,
	type NotePassage
} from './facts';
import type { StemVectors } from '../text';
import { findFollowUps, type FollowUp } from './follow-ups';
import { findHabits, type Habit, findShape, type ShapeSpread, lengthOfEvidence } from './shape';
import type { PhraseAbout } from '../keywords';
import { findNoteTerms, findTermsOf, type Term } from './terms';
import type { PageWork } from '../reading';
import { findQuestions, type AskedQuestion, type Question } from './questions';
import { findOwnTopics, findTopics, type OwnTopic, type Topic } from './topics';
import { OWN_AS_SOURCE, askedInLists, searchedTopics } from './searched';

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
	readonly listed?: readonly PhraseAbout[];
	/** What the writer changed by hand. */
	readonly edits?: FindingEdits;
}

/**
 * Puts the work on single pages together. Pages and notes may come in any order and under any ids: they
 * are put in order by what they say, so equal evidence gives equal findings. Without pages everything is empty but
 * the questions and facts of notes.
 *
 * @param vectors meaning of words, for order alone; null: by words
 */
export function assembleFindings(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	options: FindOptions,
	vectors: StemVectors | null = null
): Findings {
	const ordered = [...pages].sort(byContent);
	const orderedNotes = [...notes].sort(byContent);
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
		notes: orderedNotes,
		edits: edits.terms
	});
	const { topics, struck: struckTopics } = findTopics(ordered, keyword, edits.topics);
	const own = edits.ownQuestions.map((text) => ({ text, source: OWN_AS_SOURCE }));
	const { questions, struck: struckQuestions } = findQuestions(
		ordered,
		orderedNotes,
		[...options.asked, ...askedInLists(listed), ...own],
		keyword,
		{ edits, vectors }
	);
	const facts = findFacts(ordered, orderedNotes, terms);
	const { figures, struck: struckFigures } = groupFacts(
		facts,
		keyword,
		[...ordered, ...orderedNotes],
		edits.figures
	);
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

/** By title, length and first sentence; the ids decide between what says the same. */
function byContent(a: PageWork, b: PageWork): number {
	const first = ({ statements }: PageWork) => statements[0]?.text ?? '';
	return (
		compare(a.title, b.title) ||
		a.words - b.words ||
		compare(first(a), first(b)) ||
		compare(a.id, b.id)
	);
}

function compare(a: string, b: string): number {
	return a < b ? -1 : a > b ? 1 : 0;
}
