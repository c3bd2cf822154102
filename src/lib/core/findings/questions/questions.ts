import { sentencesOf, keywordStemsOf, type StemVectors } from '../../text';
import { answerRef, NO_EDITS, rulesOf, type AnswerEdit, type FindingEdits } from '../edits';
import { isReadersQuestion, type PageWork, questionKindOf, type QuestionKind } from '../../reading';
import { findAnswers, poolOf, saidBy, saidByNote, type FoundAnswer, type Pool } from '../answers';
import { isSameQuestion, senseOf, type QuestionSense } from './same-question';

/** A passage that answers a question, with where it comes from. */
export interface Answer {
	readonly source: string;
	/** Position of its section in the source. */
	readonly section: number;
	readonly text: string;
	/** How likely it is the answer, 0–1. */
	readonly fit: number;
	/** It stands under the question, words and kind agree, or the writer says so. */
	readonly by: 'place' | 'words' | 'writer';
}

/** A statement that may answer a question, for the writer to confirm or refuse. */
export type PossibleAnswer = Omit<Answer, 'by'>;

export interface Question {
	readonly id: string;
	/** The wording met first among the shortest. */
	readonly text: string;
	readonly kind: QuestionKind;
	/** Pages that ask it, by id. */
	readonly pages: readonly string[];
	/** Notes and lists that ask it, by id. */
	readonly lists: readonly string[];
	/** Where pages and notes ask it. */
	readonly askedAt: readonly { readonly source: string; readonly section: number }[];
	readonly wordings: readonly string[];
	/** Searches a month for the wording searched most, where a keyword list says so. */
	readonly volume: number | null;
	/** Those of notes before those of pages. */
	readonly answers: readonly Answer[];
	/** Where no note, or no page, is known to answer it: what may. */
	readonly mayAnswer: readonly PossibleAnswer[];
}

/** A question brought by a list or a note. */
export interface AskedQuestion {
	readonly text: string;
	readonly source: string;
	readonly volume?: number | null;
}

/** Answers that are shown of notes, and of pages. */
const ANSWERS_SHOWN = 3;
/** A sure statement is left out that is worth so much less than the best one. */
const FAR_BEHIND = 2.5;
/** Statements that are offered to be confirmed. */
const MAY_SHOWN = 3;

/** A question on its way into its group. */
interface Asking {
	readonly text: string;
	readonly into: (group: Group) => void;
}

interface Group {
	sense: QuestionSense;
	refs: string[];
	wordings: string[];
	pages: Set<string>;
	lists: Set<string>;
	askedAt: { source: string; section: number }[];
	volume: number | null;
	given: Omit<Answer, 'by'>[];
}

export interface QuestionsFound {
	readonly questions: readonly Question[];
	/** Questions struck out by hand. */
	readonly struck: readonly Question[];
}

/**
 * Questions of pages, notes and lists, merged by meaning. Those that most sources ask come first,
 * among them those searched most.
 */
export function findQuestions(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	asked: readonly AskedQuestion[],
	keyword: string,
	{
		edits = NO_EDITS,
		vectors = null
	}: { readonly edits?: FindingEdits; readonly vectors?: StemVectors | null } = {}
): QuestionsFound {
	const common = keywordStemsOf(keyword);
	const pool = poolOf(notes.map(saidByNote), pages.map(saidBy), common, vectors);
	const rules = rulesOf(edits.questions);
	const groups = new QuestionGroups(rules, stemWeights(pool), common);
	const askings = [
		...pages.flatMap((page) => askingsOf(page, 'pages')),
		...notes.flatMap((note) => askingsOf(note, 'lists')),
		...asked.map(({ text, source, volume }): Asking => ({
			text,
			into: (group) => {
				group.lists.add(source);
				if (volume != null) group.volume = Math.max(volume, group.volume ?? 0);
			}
		}))
	];
	// by what is asked and not by who asks: the ids of pages differ from one import to the next
	for (const { text, into } of askings.sort((a, b) =>
		a.text < b.text ? -1 : a.text > b.text ? 1 : 0
	))
		into(groups.put(text));
	const isNote = (source: string) => pool.notes.includes(source);
	const questions = groups.all
		.filter(
			({ pages: on, lists, wordings }) =>
				on.size > 0 || ![...lists].every(isNote) || wordings.some(isReadersQuestion)
		)
		.map((group) => questionOf(group, rules.nameOf(group.refs), pool, edits.answers))
		.sort(
			(a, b) =>
				rankOf(b, pool) - rankOf(a, pool) ||
				(b.volume ?? -1) - (a.volume ?? -1) ||
				(a.text < b.text ? -1 : 1)
		);
	const isStruck = ({ wordings }: Question) => rules.isStruck(wordings.map(questionRef));
	return {
		questions: questions.filter((question) => !isStruck(question)),
		struck: questions.filter(isStruck)
	};
}

/** Wordings grouped by what they ask, with the decisions made by hand. */
class QuestionGroups {
	readonly all: Group[] = [];

	constructor(
		readonly rules: ReturnType<typeof rulesOf>,
		readonly weightOf: (stem: string) => number,
		readonly common: ReadonlySet<string>
	) {}

	/** The group of a wording, which it joins. */
	put(text: string): Group {
		const wording = text.replace(/\s+/g, ' ').trim();
		const sense = senseOf(wording, this.weightOf, this.common);
		const ref = questionRef(wording);
		const group = this.#groupFor(ref, sense) ?? this.#open(sense);
		if (!group.refs.includes(ref)) group.refs.push(ref);
		if (!group.wordings.includes(wording)) group.wordings.push(wording);
		return group;
	}

	/** The group that it was merged into by hand, else the first one that asks the same. */
	#groupFor(ref: string, sense: QuestionSense): Group | undefined {
		const { rules } = this;
		const set = rules.setOf(ref);
		const byHand =
			set < 0
				? undefined
				: this.all.find((group) => group.refs.some((member) => rules.setOf(member) === set));
		return (
			byHand ??
			this.all.find(
				(group) =>
					isSameQuestion(group.sense, sense) &&
					group.refs.every((member) => rules.mayMeet(member, ref))
			)
		);
	}

	#open(sense: QuestionSense): Group {
		const group: Group = {
			sense,
			refs: [],
			wordings: [],
			pages: new Set(),
			lists: new Set(),
			askedAt: [],
			volume: null,
			given: []
		};
		this.all.push(group);
		return group;
	}
}

/** Questions that a source asks, each with the answer that stands under it. */
function askingsOf(source: PageWork, kind: 'pages' | 'lists'): Asking[] {
	return source.questions.map(({ text, answer, section }) => ({
		text,
		into: (group) => {
			group[kind].add(source.id);
			group.askedAt.push({ source: source.id, section });
			if (answer !== '')
				group.given.push({ source: source.id, section, text: openingOf(answer), fit: 1 });
		}
	}));
}

/** What it is worth, beside one page that asks it: a list that does, a note, a note that answers it, or may. */
const RANK = { list: 1.5, note: 0.5, answered: 1, maybe: 0.25 } as const;

/** Questions that many ask, and that the notes answer, come first. */
function rankOf({ pages, lists, answers, mayAnswer }: Question, { notes }: Pool): number {
	const isNote = (source: string) => notes.includes(source);
	const asking = lists.map((source): number => (isNote(source) ? RANK.note : RANK.list));
	const answered = answers.some(({ source }) => isNote(source))
		? RANK.answered
		: mayAnswer.some(({ source }) => isNote(source))
			? RANK.maybe
			: 0;
	return asking.reduce((sum, rank) => sum + rank, pages.length + answered);
}

/** A group as it is shown: under the name given by hand, else its shortest wording. */
function questionOf(
	group: Group,
	givenName: string | null | undefined,
	pool: Pool,
	judged: readonly AnswerEdit[]
): Question {
	const shortest = [...group.wordings].sort((a, b) => a.length - b.length || (a < b ? -1 : 1))[0]!;
	const name = givenName ?? shortest;
	const text = (name[0]!.toUpperCase() + name.slice(1)).replace(/\bi\b/g, 'I');
	return {
		id: `question:${text
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, ' ')
			.trim()}`,
		text: text.endsWith('?') ? text : `${text}?`,
		kind: questionKindOf(text),
		pages: [...group.pages],
		lists: [...group.lists],
		askedAt: group.askedAt,
		wordings: group.wordings,
		volume: group.volume,
		...answersTo(
			shortest,
			group,
			pool,
			judged.filter(({ question }) => group.refs.includes(question))
		)
	};
}

/** What answers a question: what stands under it, what is found, less what the writer refused. */
function answersTo(
	wording: string,
	{ given }: Group,
	pool: Pool,
	judged: readonly AnswerEdit[]
): Pick<Question, 'answers' | 'mayAnswer'> {
	const judgedAs = ({ source, text }: PossibleAnswer) =>
		judged.find((edit) => edit.source === source && edit.text === answerRef(text))?.isRight;
	const isNew = ({ source }: PossibleAnswer) => !given.some((one) => one.source === source);
	const found = findAnswers(
		wording,
		pool,
		({ source, statement }) => judgedAs({ source, ...statement, fit: 0 }) === false
	);
	const mayAnswer: PossibleAnswer[] = [];
	const answers = [pool.notes, pool.pages].flatMap((sources, i) => {
		const under = given
			.filter(({ source }) => sources.includes(source))
			.map((one): Answer => ({ ...one, by: 'place' }));
		const others = found[i === 0 ? 'notes' : 'pages'].map((one) => ({
			...shownAnswer(one),
			isSure: one.isSure,
			value: one.value
		}));
		const most = Math.max(0, ...others.map(({ value }) => value));
		const sure = others.filter(isNew).filter((one) => one.isSure && one.value > most - FAR_BEHIND);
		const ofThese = [
			...confirmedIn(judged, sources, pool).map((one) => claimed(one, 'writer')),
			...under.filter((one) => judgedAs(one) !== false),
			...sure.filter((one) => judgedAs(one) === undefined).map((one) => claimed(one, 'words'))
		].slice(0, ANSWERS_SHOWN);
		if (ofThese.length === 0)
			mayAnswer.push(
				...others
					.filter((one) => judgedAs(one) === undefined)
					.map(({ source, section, text, fit }): PossibleAnswer => ({ source, section, text, fit }))
			);
		return ofThese;
	});
	return { answers, mayAnswer: mayAnswer.slice(0, MAY_SHOWN) };
}

/** What the writer confirmed, for as long as its source says so. */
function confirmedIn(
	judged: readonly AnswerEdit[],
	sources: readonly string[],
	{ bySource }: Pool
): PossibleAnswer[] {
	const wanted = judged.filter(({ isRight, source }) => isRight && sources.includes(source));
	const seen = new Set<string>();
	return wanted.flatMap(({ source, text }) => {
		if (seen.has(`${source} ${text}`)) return [];
		seen.add(`${source} ${text}`);
		const said = bySource.get(source)!.find(({ statement }) => answerRef(statement.text) === text);
		return said
			? [{ source, section: said.statement.section, text: said.statement.text, fit: 1 }]
			: [];
	});
}

function claimed({ source, section, text, fit }: PossibleAnswer, by: Answer['by']): Answer {
	return { source, section, text, fit, by };
}

function shownAnswer({ said, likely }: FoundAnswer): PossibleAnswer {
	const { text, section } = said.statement;
	return { source: said.source, section, text, fit: likely };
}

/** Name of a wording for decisions by hand. */
export function questionRef(wording: string): string {
	return wording
		.toLowerCase()
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim();
}

/** Stems of the keyword, and those that stand in a large part of what is said, tell questions apart least. */
function stemWeights({ keyword, spread, count }: Pool) {
	const few = Math.log(Math.max(2, count / 3));
	return (stem: string): number => {
		if (keyword.has(stem)) return 0.35;
		const on = spread.get(stem) ?? 0;
		if (on === 0 || count < 20) return 1;
		return Math.min(1, Math.max(0.2, Math.log(count / on) / few));
	};
}

function openingOf(answer: string): string {
	const sentences = sentencesOf(answer).map(({ text }) => text);
	return sentences.slice(0, 2).join(' ');
}
