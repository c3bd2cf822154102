import { contentStemsOf, isStopWord, sentencesOf, stemOf, keywordStemsOf } from '../../text';
import { NO_EDITS, rulesOf, type GroupEdits } from '../edits';
import { cutOf, type PageWork, questionKindOf, type QuestionKind } from '../../reading';
import { isSameQuestion, senseOf, type QuestionSense } from './same-question';

/** A passage that answers a question, with where it comes from. */
export interface Answer {
	readonly source: string;
	/** Position of its section in the source. */
	readonly section: number;
	readonly text: string;
	/** Share of the question's meaning found in it, 0–1. */
	readonly fit: number;
}

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
	readonly answers: readonly Answer[];
}

/** A question brought by a list or a note. */
export interface AskedQuestion {
	readonly text: string;
	readonly source: string;
	readonly volume?: number | null;
}

const ANSWERS_SHOWN = 3;

/** Part of a question that a passage must hold to answer it. */
const ANSWERS_AT = 0.6;

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
	given: Answer[];
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
	edits: GroupEdits = NO_EDITS.questions
): QuestionsFound {
	const common = keywordStemsOf(keyword);
	const passages = passagesOf([...pages, ...notes]);
	const rules = rulesOf(edits);
	const groups = new QuestionGroups(rules, stemWeights(passages, common), common);
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
	const questions = groups.all
		.map((group) => questionOf(group, rules.nameOf(group.refs), passages, common))
		.sort(
			(a, b) =>
				b.pages.length + b.lists.length - a.pages.length - a.lists.length ||
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

/** A group as it is shown: under the name given by hand, else its shortest wording. */
function questionOf(
	group: Group,
	givenName: string | null | undefined,
	passages: Passages,
	common: ReadonlySet<string>
): Question {
	const shortest = [...group.wordings].sort((a, b) => a.length - b.length || (a < b ? -1 : 1))[0]!;
	const found = bestPassages(new Set(contentStemsOf(shortest)), passages.byStem, common).filter(
		({ source }) => !group.given.some((given) => given.source === source)
	);
	const name = givenName ?? shortest;
	const text = (name[0]!.toUpperCase() + name.slice(1)).replace(/\bi\b/g, 'I');
	return {
		id: `question:${text
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, ' ')
			.trim()}`,
		text: text.endsWith('?') ? text : `${text}?`,
		kind: questionKindOf(text),
		pages: [...group.pages].sort(),
		lists: [...group.lists].sort(),
		askedAt: group.askedAt,
		wordings: group.wordings,
		volume: group.volume,
		answers: [...group.given, ...found].slice(0, ANSWERS_SHOWN)
	};
}

/** Name of a wording for decisions by hand. */
export function questionRef(wording: string): string {
	return wording
		.toLowerCase()
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim();
}

/** Stems of the keyword, and those that stand in a large part of the passages, tell questions apart least. */
function stemWeights(passages: Passages, common: ReadonlySet<string>) {
	const few = Math.log(Math.max(2, passages.count / 3));
	return (stem: string): number => {
		if (common.has(stem)) return 0.35;
		const on = passages.byStem.get(stem)?.length ?? 0;
		if (on === 0 || passages.count < 20) return 1;
		return Math.min(1, Math.max(0.2, Math.log(passages.count / on) / few));
	};
}

function openingOf(answer: string): string {
	const sentences = sentencesOf(answer).map(({ text }) => text);
	return sentences.slice(0, 2).join(' ');
}

interface Passage {
	source: string;
	section: number;
	text: string;
	stems: ReadonlySet<string>;
}

const passagesBySource = new WeakMap<PageWork, readonly Passage[]>();

interface Passages {
	readonly byStem: ReadonlyMap<string, readonly Passage[]>;
	readonly count: number;
}

function passagesOf(sources: readonly PageWork[]): Passages {
	const byStem = new Map<string, Passage[]>();
	let count = 0;
	for (const source of sources) {
		let passages = passagesBySource.get(source);
		if (!passages) passagesBySource.set(source, (passages = passagesIn(source)));
		count += passages.length;
		for (const passage of passages) {
			for (const stem of passage.stems) {
				const list = byStem.get(stem);
				if (list) list.push(passage);
				else byStem.set(stem, [passage]);
			}
		}
	}
	return { byStem, count };
}

function passagesIn(source: PageWork): Passage[] {
	const passages: Passage[] = [];
	const headings = source.sections.map(({ heading }) => contentStemsOf(heading));
	for (const unit of source.units) {
		if (unit.place !== 'body' && unit.place !== 'faq') continue;
		for (const { text, words } of cutOf(unit)) {
			if (text.endsWith('?')) continue;
			const stems = new Set(headings[unit.section]);
			for (const { key } of words) if (key.length > 1 && !isStopWord(key)) stems.add(stemOf(key));
			passages.push({ source: source.id, section: unit.section, text, stems });
		}
	}
	return passages;
}

/** For each source its sentence that holds most of the question; under 60% it is no answer. */
function bestPassages(
	stems: ReadonlySet<string>,
	byStem: ReadonlyMap<string, readonly Passage[]>,
	common: ReadonlySet<string>
): Answer[] {
	const found = new Map<Passage, number>();
	let all = 0;
	for (const stem of stems) {
		const passages = byStem.get(stem) ?? [];
		const weight = (common.has(stem) ? 0.3 : 1) * Math.log(1 + 200 / (1 + passages.length));
		all += weight;
		for (const passage of passages) found.set(passage, (found.get(passage) ?? 0) + weight);
	}
	const best = new Map<string, Answer>();
	for (const [{ source, section, text }, weight] of found) {
		const fit = weight / all;
		if (fit < ANSWERS_AT) continue;
		const known = best.get(source);
		if (!known || fit > known.fit || (fit === known.fit && text < known.text))
			best.set(source, { source, section, text, fit });
	}
	return [...best.values()].sort((a, b) => b.fit - a.fit || (a.text < b.text ? -1 : 1));
}
