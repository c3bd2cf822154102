import { findQuestions, findTermsOf, findTopics } from '../../src/lib/core/findings';
import { workOnPage, type PageWork } from '../../src/lib/core/reading';
import {
	contentStemsOf,
	isStopWord,
	singularOf,
	termKeyOf,
	wordsOf
} from '../../src/lib/core/text';
import { bCubed, f1Of, pairwise, type Agreement } from './agreement';
import { demoTagger } from './demo';
import type { Mark, Subject } from './subjects';

const TOP = 30;

/** Share of the first thirty terms that are labelled useful, and those that are not. */
export function termQuality(
	terms: readonly string[],
	{ terms: gold }: Subject
): { share: number; strays: string[] } {
	const seen = new Set<string>();
	const joined = new Set([...gold].map((key) => key.replace(/ /g, '')));
	const strays = terms.slice(0, TOP).filter((term) => {
		const key = termKeyOf(term).replace(/ /g, '');
		const isUseful = joined.has(key) && !seen.has(key);
		seen.add(key);
		return !isUseful;
	});
	return { share: 1 - (strays.length + Math.max(0, TOP - terms.length)) / TOP, strays };
}

export function foundTerms({ works, keyword }: Subject): string[] {
	return findTermsOf(works, { keyword, targetWords: 1500 }).terms.map(({ phrase }) => phrase);
}

/** Baseline: runs of one to four words that neither begin nor end with a stop word, by frequency. */
export function frequentRuns({ works }: Subject): string[] {
	const counts = new Map<string, number>();
	for (const { units } of works) {
		for (const { text } of units) {
			const words = wordsOf(text).map((word) => singularOf(word.text.toLowerCase()));
			for (let length = 1; length <= 4; length++) {
				for (let at = 0; at + length <= words.length; at++) {
					const run = words.slice(at, at + length);
					if (isStopWord(run[0]!) || isStopWord(run.at(-1)!) || /\d/.test(run.join(''))) continue;
					const key = run.join(' ');
					counts.set(key, (counts.get(key) ?? 0) + 1);
				}
			}
		}
	}
	return [...counts]
		.sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
		.slice(0, TOP)
		.map(([run]) => run);
}

export interface Grouping {
	readonly bCubed: Agreement;
	readonly pairs: Agreement;
}

/** How well headings are merged; `works` may be the pages without the text under their headings. */
export function topicQuality(
	subject: Pick<Subject, 'keyword' | 'topics'>,
	works: readonly PageWork[]
): Grouping {
	const groupOf = new Map<string, string>();
	for (const { id, headings } of findTopics(works, subject.keyword).topics)
		for (const { page, section } of headings)
			groupOf.set(
				`${page}/${works.find((work) => work.id === page)!.sections[section]!.heading}`,
				id
			);
	return grouping([...subject.topics.keys()], groupOf, subject.topics);
}

/** Baseline: headings meet when half of their stems, the keyword's apart, are the same. */
export function topicsByStems(subject: Pick<Subject, 'keyword' | 'topics'>): Grouping {
	const common = new Set(contentStemsOf(subject.keyword));
	const items = [...subject.topics.keys()];
	const stems = items.map(
		(item) =>
			new Set(contentStemsOf(item.slice(item.indexOf('/') + 1)).filter((stem) => !common.has(stem)))
	);
	return grouping(items, bySharedStems(items, stems, 0.5), subject.topics);
}

export function questionQuality(subject: Subject): Grouping {
	const groupOf = new Map<string, string>();
	for (const { id, wordings } of findQuestions(subject.works, [], subject.asked, subject.keyword)
		.questions)
		for (const wording of wordings) groupOf.set(wording.toLowerCase(), id);
	return grouping([...subject.questions.keys()], groupOf, subject.questions);
}

/** Baseline: questions meet when half of their stems are the same. */
export function questionsByStems({ questions }: Subject): Grouping {
	const items = [...questions.keys()];
	const stems = items.map((item) => new Set(contentStemsOf(item)));
	return grouping(items, bySharedStems(items, stems, 0.5), questions);
}

function bySharedStems(
	items: readonly string[],
	stems: readonly ReadonlySet<string>[],
	least: number
): Map<string, string> {
	const groupOf = new Map<string, string>();
	items.forEach((item, i) => {
		const alike = items.slice(0, i).find((_, j) => {
			const shared = [...stems[i]!].filter((stem) => stems[j]!.has(stem)).length;
			return shared > 0 && shared / new Set([...stems[i]!, ...stems[j]!]).size >= least;
		});
		groupOf.set(item, alike === undefined ? item : groupOf.get(alike)!);
	});
	return groupOf;
}

function grouping(
	items: readonly string[],
	found: ReadonlyMap<string, string>,
	gold: ReadonlyMap<string, string>
): Grouping {
	const ours = (item: string) => found.get(item) ?? item;
	const theirs = (item: string) => gold.get(item)!;
	return { bCubed: bCubed(items, ours, theirs), pairs: pairwise(items, ours, theirs) };
}

/** The pages with their headings alone. */
export function headingsAlone({ sources }: Subject): PageWork[] {
	const tag = demoTagger();
	return sources.map((source) =>
		workOnPage({ ...source, blocks: source.blocks.filter(({ kind }) => kind === 'heading') }, tag)
	);
}

export interface FactQuality extends Agreement {
	readonly missed: readonly string[];
	readonly invented: readonly string[];
}

/** Figures found against the labelled ones; a figure is found when it lies over the labelled place. */
export function factQuality(
	subject: Subject,
	figuresOf: (sentence: string) => readonly string[]
): FactQuality {
	const missed: string[] = [];
	const invented: string[] = [];
	let hits = 0;
	let found = 0;
	let labelled = 0;
	for (const work of subject.works) {
		const { text, marks } = subject.figures.get(work.id)!;
		const met = new Set<Mark>();
		for (const [start, end] of placesOf(text, work, figuresOf)) {
			found++;
			const over = marks.filter(([from, to]) => start < to && from < end);
			if (over.length === 0) invented.push(`${work.id}: ${text.slice(start - 20, end + 20)}`);
			else hits++;
			for (const mark of over) met.add(mark);
		}
		labelled += marks.length;
		for (const mark of marks)
			if (!met.has(mark)) missed.push(`${work.id}: ${text.slice(mark[0] - 20, mark[1] + 10)}`);
	}
	const precision = found === 0 ? 0 : hits / found;
	const recall = (labelled - missed.length) / labelled;
	return { precision, recall, f1: f1Of(precision, recall), missed, invented };
}

function placesOf(
	text: string,
	work: PageWork,
	figuresOf: (sentence: string) => readonly string[]
): Mark[] {
	const places: Mark[] = [];
	let at = 0;
	for (const unit of work.units) {
		if (unit.place === 'title') continue;
		const start = text.indexOf(unit.text, at);
		if (start < 0) continue;
		let inside = start;
		for (const figure of figuresOf(unit.text)) {
			const place = text.indexOf(figure, inside);
			if (place < 0) throw new Error(`"${figure}" does not stand in "${unit.text}"`);
			inside = place + figure.length;
			places.push([place, inside]);
		}
		at = start + unit.text.length;
	}
	return places;
}

/** Baseline: a number in digits with the word or sign beside it. */
export function figuresByPattern(sentence: string): string[] {
	return sentence.match(/[£$€]?\d[\d.,]*\d?\s?(?:%|°C|\p{L}+)?/gu) ?? [];
}
