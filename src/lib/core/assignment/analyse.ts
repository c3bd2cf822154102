import {
	assembleFindings,
	findLongPhrases,
	usesInContext,
	type AskedQuestion,
	type Context,
	type Findings,
	type FindOptions,
	type LongPhrase,
	type Term
} from '../findings';
import { joinRuns, type RunIndex } from '../measure';
import { isMaterial, readQuestions } from '../notes';
import type { Plan } from '../plan';
import { standingOfPage, type PageStanding } from '../standing';
import type { DraftMaterial } from '../writers';
import type { StemVectors } from '../text';
import { revisionOf, type Evidence } from './evidence';
import { draftNotesOf, type ReadNote, type ReadPage, type WorkStore } from './work-store';

/** How far work in steps is. */
export interface StepsDone {
	readonly done: number;
	readonly all: number;
}

/** Evidence with all that is worked out from it; later questions are asked of this. */
export interface Analysis {
	/** Revision of the evidence it belongs to. */
	readonly revision: string;
	readonly evidence: Evidence;
	readonly pages: readonly ReadPage[];
	/** Notes that hold material, without lists of questions. */
	readonly notes: readonly ReadNote[];
	readonly findings: Findings;
}

/**
 * The one way from evidence to findings, for app, command line, tests and benchmarks. Works page by
 * page, so that a caller can show progress and stop in between.
 */
export function* analyse(
	evidence: Evidence,
	store: WorkStore,
	vectors: StemVectors | null = null
): Generator<StepsDone, Analysis> {
	const material = evidence.notes.filter(isMaterial);
	const all = evidence.pages.length + material.length;
	const pages: ReadPage[] = [];
	const notes: ReadNote[] = [];
	for (const page of evidence.pages) {
		pages.push(store.readPage(page));
		yield { done: pages.length, all };
	}
	for (const note of material) {
		notes.push(store.readNote(note));
		yield { done: pages.length + notes.length, all };
	}
	const findings = assembleFindings(
		pages.map(({ work }) => work),
		notes.map(({ work }) => work),
		findOptionsOf(evidence),
		vectors
	);
	return { revision: revisionOf(evidence), evidence, pages, notes, findings };
}

/** Gives a store the work on single pages and notes that an analysis holds. */
export function adoptAnalysis(store: WorkStore, { evidence, pages, notes }: Analysis): void {
	evidence.pages.forEach((page, i) => store.adoptPage(page, pages[i]!));
	evidence.notes.filter(isMaterial).forEach((note, i) => store.adoptNote(note, notes[i]!));
}

/** What findings are asked for, beside pages and notes. */
export function findOptionsOf(evidence: Evidence): FindOptions {
	const { keyword, targetWords, effort, grade, required, secondary, listed, edits } = evidence;
	const asked: AskedQuestion[] = evidence.notes.flatMap(({ id, kind, text }) =>
		kind === 'questions'
			? readQuestions(text).map((question) => ({ text: question, source: id }))
			: []
	);
	return { keyword, targetWords, effort, grade, required, secondary, asked, listed, edits };
}

/** Every run of eight words of the counted pages. */
export function runIndexOf({ pages }: Pick<Analysis, 'pages'>): RunIndex {
	return joinRuns(pages.map(({ runs }) => runs));
}

/** The standing of every counted page, each with itself left out of the evidence. */
export function* standingsOf({
	evidence,
	pages,
	notes
}: Analysis): Generator<StepsDone, PageStanding[]> {
	const works = notes.map(({ work }) => work);
	const options = findOptionsOf(evidence);
	const standings: PageStanding[] = [];
	for (const page of pages) {
		standings.push(standingOfPage(page, pages, works, options));
		yield { done: standings.length, all: pages.length };
	}
	return standings;
}

/** The sentences in which the counted pages use a term. */
export function contextOf(
	{ pages }: Analysis,
	term: Pick<Term, 'phrase' | 'verbs' | 'variants'>
): Context[] {
	return usesInContext(
		pages.map(({ work }) => work),
		term
	);
}

export function longPhrasesOf({ pages, findings, evidence }: Analysis): LongPhrase[] {
	const { terms, questions, keyword } = findings;
	return findLongPhrases(
		pages.map(({ work }) => work),
		terms,
		questions,
		evidence.listed,
		keyword
	);
}

/** What brief and client settle for a draft; findings do not depend on it. */
export interface DraftWishes {
	readonly mustNotSay: readonly string[];
	readonly callToAction: string;
}

const NO_DRAFT_WISHES: DraftWishes = { mustNotSay: [], callToAction: '' };

/** What the built-in drafter works from. */
export function draftMaterialOf(
	analysis: Analysis,
	plan: Plan,
	wishes: DraftWishes = NO_DRAFT_WISHES
): DraftMaterial {
	return {
		plan,
		findings: analysis.findings,
		notes: draftNotesOf(analysis.notes),
		runs: runIndexOf(analysis),
		pageNames: Object.fromEntries(analysis.pages.map(({ work, name }) => [work.id, name])),
		...wishes
	};
}
