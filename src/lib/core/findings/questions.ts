import { contentStemsOf, sentencesOf } from '../text';
import { cutOf, type PageWork } from './page-work';
import { questionKindOf, type QuestionKind } from './question-form';

/** A passage that answers a question, with where it comes from. */
export interface Answer {
	readonly source: string;
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
	readonly wordings: readonly string[];
	readonly answers: readonly Answer[];
}

/** A question brought by a list or a note. */
export interface AskedQuestion {
	readonly text: string;
	readonly source: string;
}

/** Part of the stems that two questions must share to be one. Set on the demo's lists. */
const SAME_AT = 0.6;
const ANSWERS_SHOWN = 3;

/** Questions of pages, notes and lists, merged by meaning; those asked most come first. */
export function findQuestions(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	asked: readonly AskedQuestion[],
	keyword: string
): Question[] {
	const common = new Set(contentStemsOf(keyword));
	interface Group {
		stems: Set<string>;
		kind: QuestionKind;
		wordings: string[];
		pages: Set<string>;
		lists: Set<string>;
		given: Answer[];
	}
	const groups: Group[] = [];
	const put = (text: string, page: string | null, list: string | null, answer: string) => {
		const wording = text.replace(/\s+/g, ' ').trim();
		const kind = questionKindOf(wording);
		const stems = new Set([...contentStemsOf(wording)]);
		let group = groups.find((other) => isSame(other, { stems, kind }, common));
		if (!group)
			groups.push(
				(group = { stems, kind, wordings: [], pages: new Set(), lists: new Set(), given: [] })
			);
		if (!group.wordings.includes(wording)) group.wordings.push(wording);
		if (page !== null) group.pages.add(page);
		if (list !== null) group.lists.add(list);
		if (answer !== '')
			group.given.push({ source: page ?? list ?? '', text: openingOf(answer), fit: 1 });
	};
	for (const page of pages)
		for (const { text, answer } of page.questions) put(text, page.id, null, answer);
	for (const note of notes)
		for (const { text, answer } of note.questions) put(text, null, note.id, answer);
	for (const { text, source } of asked) put(text, null, source, '');

	const passages = passagesOf([...pages, ...notes]);
	return groups
		.map((group): Question => {
			const found = bestPassages(group.stems, passages, common).filter(
				({ source }) => !group.given.some((given) => given.source === source)
			);
			const text = [...group.wordings].sort((a, b) => a.length - b.length || (a < b ? -1 : 1))[0]!;
			return {
				id: `question:${text
					.toLowerCase()
					.replace(/[^a-z0-9]+/g, ' ')
					.trim()}`,
				text: text.endsWith('?') ? text : `${text}?`,
				kind: group.kind,
				pages: [...group.pages].sort(),
				lists: [...group.lists].sort(),
				wordings: group.wordings,
				answers: [...group.given, ...found].slice(0, ANSWERS_SHOWN)
			};
		})
		.sort(
			(a, b) =>
				b.pages.length + b.lists.length - a.pages.length - a.lists.length ||
				(a.text < b.text ? -1 : 1)
		);
}

function isSame(
	a: { stems: ReadonlySet<string>; kind: QuestionKind },
	b: { stems: ReadonlySet<string>; kind: QuestionKind },
	common: ReadonlySet<string>
): boolean {
	if (a.kind !== b.kind && a.kind !== 'other' && b.kind !== 'other') {
		const openers: QuestionKind[] = ['what', 'which', 'how'];
		if (!(openers.includes(a.kind) && openers.includes(b.kind))) return false;
	}
	let shared = 0;
	let all = 0;
	for (const stem of new Set([...a.stems, ...b.stems])) {
		const weight = common.has(stem) ? 0.35 : 1;
		all += weight;
		if (a.stems.has(stem) && b.stems.has(stem)) shared += weight;
	}
	return all > 0 && shared / all >= SAME_AT;
}

function openingOf(answer: string): string {
	const sentences = sentencesOf(answer).map(({ text }) => text);
	return sentences.slice(0, 2).join(' ');
}

interface Passage {
	source: string;
	text: string;
	stems: ReadonlySet<string>;
}

const passagesBySource = new WeakMap<PageWork, readonly Passage[]>();

function passagesOf(sources: readonly PageWork[]): Map<string, Passage[]> {
	const byStem = new Map<string, Passage[]>();
	for (const source of sources) {
		let passages = passagesBySource.get(source);
		if (!passages) passagesBySource.set(source, (passages = passagesIn(source)));
		for (const passage of passages) {
			for (const stem of passage.stems) {
				const list = byStem.get(stem);
				if (list) list.push(passage);
				else byStem.set(stem, [passage]);
			}
		}
	}
	return byStem;
}

function passagesIn(source: PageWork): Passage[] {
	const passages: Passage[] = [];
	const headings = source.sections.map(({ heading }) => contentStemsOf(heading));
	for (const unit of source.units) {
		if (unit.place !== 'body' && unit.place !== 'faq') continue;
		for (const { text } of cutOf(unit)) {
			if (text.endsWith('?')) continue;
			const stems = new Set([...contentStemsOf(text), ...(headings[unit.section] ?? [])]);
			passages.push({ source: source.id, text, stems });
		}
	}
	return passages;
}

/** For each source its sentence that holds most of the question; under 60% it is no answer. */
function bestPassages(
	stems: ReadonlySet<string>,
	byStem: ReadonlyMap<string, Passage[]>,
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
	for (const [{ source, text }, weight] of found) {
		const fit = weight / all;
		if (fit < 0.6) continue;
		const known = best.get(source);
		if (!known || fit > known.fit || (fit === known.fit && text < known.text))
			best.set(source, { source, text, fit });
	}
	return [...best.values()].sort((a, b) => b.fit - a.fit || (a.text < b.text ? -1 : 1));
}
