import { bareHeading } from '../bare-heading';
import { isHeadingOfPage } from '../page-headings';
import { contentStemsOf, countWords, plainWord, stemOf, wordsOf, keywordStemsOf } from '../../text';
import { type PageWork, purposesBeside, purposesOf, type Purpose } from '../../reading';

/** A heading of a page that belongs to a topic. */
export interface TopicHeading {
	readonly page: string;
	/** Name of the heading for decisions by hand; it outlives changes of the page's other blocks. */
	readonly ref: string;
	/** Position of its section on the page. */
	readonly section: number;
	readonly text: string;
	readonly level: number;
	/** Words under it, sub-sections included. */
	readonly words: number;
	/** Where it stands on the page, as a share of its words, 0–1. */
	readonly position: number;
}

/** "Step 2", with no word of what. */
const ONLY_COUNTED =
	/^(?:step|part|chapter|section|stage|phase|day|week|page|no\.?|#)?\s*\d{1,3}$/i;

/**
 * How likely two headings mean the same, as average over two groups, from which they are joined; set
 * with the weights below on eleven labelled sets, each left out in turn (see docs/METHODS.md).
 */
export const JOIN_AT = 0.22;
/** Logistic regression over what two headings share. */
const LIKENESS = {
	words: 1.43,
	text: 3.29,
	purpose: 2.6,
	clash: -0.76,
	inText: 1.93,
	near: 1.3,
	none: -4.67
} as const;
/** The same where one of the two has no text under it, as in an outline that was brought in; `none` is set for the same bound. */
const LIKENESS_ALONE = {
	words: 1.58,
	text: 1.56,
	purpose: 2.33,
	clash: -0.89,
	inText: 0,
	near: 1.4,
	none: -3.81
} as const;

/** Nearness of two places where one of them is a note's: notes have no usual order. */
const NEAR_IN_NOTES = 0.7;

/** Weight of a word in a text from which it is wholly its matter. */
const WHOLLY = 3;

/** Cosine of two texts at which they count as wholly alike; pages rarely come nearer. */
const SAME_TEXT = 0.4;

/** A heading with what tells it from others. */
export interface HeadingItem extends TopicHeading {
	readonly pageIndex: number;
	/** Its words as stems, for telling repeats. */
	readonly plain: string;
	readonly headStems: readonly string[];
	readonly purposes: readonly Purpose[];
	/** Those that do not come from the keyword's own words. */
	readonly telling: readonly Purpose[];
	readonly body: ReadonlyMap<string, number>;
	readonly norm: number;
	readonly parentSection: number;
	readonly formats: readonly string[];
	/** Whether anything is written under it. */
	readonly hasText: boolean;
}

/** The headings of all pages that can be topics, with the weight of every word under them. */
export function headingItems(pages: readonly PageWork[], keyword: string): HeadingItem[] {
	const documents = pages.flatMap((page, index) =>
		outlineOf(page).map((heading) => ({ ...heading, page: index }))
	);
	const spread = new Map<string, number>();
	for (const { counts } of documents)
		for (const stem of counts.keys()) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const idf = (stem: string) => Math.log((documents.length + 1) / ((spread.get(stem) ?? 0) + 0.5));
	const common = keywordStemsOf(keyword);

	return documents.map(({ page: pageIndex, section: index, counts, ...heading }) => {
		const page = pages[pageIndex]!;
		const section = page.sections[index]!;
		const body = new Map<string, number>();
		let squares = 0;
		for (const [stem, n] of counts) {
			const weight = (1 + Math.log(n)) * Math.max(0, idf(stem)) * (common.has(stem) ? 0.3 : 1);
			body.set(stem, weight);
			squares += weight * weight;
		}
		return {
			page: page.id,
			ref: `${page.id}/${heading.text.toLowerCase().slice(0, 300)}`,
			pageIndex,
			section: index,
			text: heading.text,
			plain: heading.plain,
			level: section.level,
			words: heading.words,
			position: section.position,
			headStems: heading.stems.filter((stem) => !common.has(stem)),
			purposes: heading.purposes,
			telling: purposesBeside(heading.text, common),
			body,
			norm: Math.sqrt(squares) || 1,
			parentSection: section.parent,
			formats: section.formats,
			hasText: heading.hasText
		};
	});
}

interface OutlineEntry {
	readonly section: number;
	readonly text: string;
	readonly plain: string;
	readonly words: number;
	readonly stems: readonly string[];
	readonly purposes: readonly Purpose[];
	readonly hasText: boolean;
	/** How often each stem stands in the section and those inside it. */
	readonly counts: ReadonlyMap<string, number>;
}

const outlines = new WeakMap<PageWork, readonly OutlineEntry[]>();

/** What the headings of one page give, worked out once for as long as the page stays as it is. */
function outlineOf(page: PageWork): readonly OutlineEntry[] {
	let outline = outlines.get(page);
	if (!outline) outlines.set(page, (outline = readOutline(page)));
	return outline;
}

function readOutline(page: PageWork): OutlineEntry[] {
	return page.sections.flatMap((section, index) => {
		const text = bareHeading(section.heading.trim());
		if (section.level < 2 || section.isFaq || !isTopic(text, page.title)) return [];
		const counts = new Map<string, number>();
		let words = 0;
		let ofHeadings = 0;
		for (const inner of subtreeOf(page, index)) {
			words += page.sections[inner]!.words;
			ofHeadings += countWords(page.sections[inner]!.heading);
			for (const stem of page.sections[inner]!.stems) counts.set(stem, (counts.get(stem) ?? 0) + 1);
		}
		return [
			{
				section: index,
				text,
				plain: plain(text),
				words,
				stems: contentStemsOf(section.heading),
				purposes: purposesOf(section.heading),
				hasText: words > ofHeadings,
				counts
			}
		];
	});
}

/** Whether a heading is about a matter, and not a part that pages have or the page's own title again. */
function isTopic(heading: string, title: string): boolean {
	if (ONLY_COUNTED.test(heading) || isHeadingOfPage(heading)) return false;
	return plain(heading) !== plain(bareHeading(title));
}

function subtreeOf(page: PageWork, index: number): number[] {
	const level = page.sections[index]!.level;
	const inside = [index];
	for (let i = index + 1; i < page.sections.length; i++) {
		const other = page.sections[i]!.level;
		if (other !== 0 && other <= level) break;
		inside.push(i);
	}
	return inside;
}

/** Verbs that most headings of instructions begin with; sharing one says little. */
const DOING = new Set(
	contentStemsOf(
		'build lay set put make keep start finish dig place do choose pick prepare add check work mark step first second'
	)
);

/**
 * How likely every two headings mean the same, 0–1; a heading and itself 0.
 *
 * @param pageCount pages among the sources of the headings, which come first; notes have no usual order
 */
export function likenessTable(items: readonly HeadingItem[], pageCount = Infinity): Float64Array[] {
	const on = new Map<string, Set<string>>();
	for (const { headStems, page } of items) {
		for (const stem of headStems) on.set(stem, (on.get(stem) ?? new Set<string>()).add(page));
	}
	const weightOf = (stem: string) =>
		DOING.has(stem) ? 0.3 : (on.get(stem)?.size ?? 0) > 1 ? 1 : 0.5;
	const dots = dotsOf(items);
	const table = items.map(() => new Float64Array(items.length));
	const worded = items.map(({ headStems, telling, body, hasText }): Worded => {
		const weights = headStems.map(weightOf);
		return {
			stems: headStems,
			weights,
			sum: weights.reduce((sum, weight) => sum + weight, 0),
			purposes: telling,
			body,
			hasText
		};
	});
	items.forEach((a, i) => {
		for (let j = i + 1; j < items.length; j++) {
			const text = Math.min(1, dots[i]![j]! / (a.norm * items[j]!.norm) / SAME_TEXT);
			const b = items[j]!;
			const near =
				a.pageIndex < pageCount && b.pageIndex < pageCount
					? 1 - Math.abs(a.position - b.position)
					: NEAR_IN_NOTES;
			const value = likeness(worded[i]!, worded[j]!, text, near);
			table[i]![j] = value;
			table[j]![i] = value;
		}
	});
	return table;
}

/** The words of a heading with their weights, its purposes, and the words under it. */
interface Worded {
	readonly stems: readonly string[];
	readonly weights: readonly number[];
	readonly sum: number;
	readonly purposes: readonly Purpose[];
	readonly body: ReadonlyMap<string, number>;
	readonly hasText: boolean;
}

/**
 * How likely two headings mean the same, 0–1: by the words they share, their purposes, the text under
 * them, the words of one in the text of the other, and where on their pages they stand. A word that
 * stands in the headings of several pages names a topic and weighs most.
 */
function likeness(a: Worded, b: Worded, text: number, near: number): number {
	let shared = 0;
	for (let i = 0; i < a.stems.length; i++)
		if (b.stems.includes(a.stems[i]!)) shared += a.weights[i]!;
	const words = shared === 0 ? 0 : Math.min(1, shared / Math.sqrt(a.sum * b.sum));
	const both = a.purposes.length > 0 && b.purposes.length > 0;
	const purpose = both && a.purposes.some((one) => b.purposes.includes(one)) ? 1 : 0;
	const clash = both && purpose === 0 ? 1 : 0;
	const weights = a.hasText && b.hasText ? LIKENESS : LIKENESS_ALONE;
	const sum =
		weights.words * words +
		weights.text * text +
		weights.purpose * purpose +
		weights.clash * clash +
		weights.inText * ((shareInText(a, b) + shareInText(b, a)) / 2) +
		weights.near * near +
		weights.none;
	return 1 / (1 + Math.exp(-sum));
}

/** How much of one heading the text under the other speaks of, 0–1. */
function shareInText({ stems, weights, sum }: Worded, { body }: Worded): number {
	if (sum === 0) return 0;
	let share = 0;
	for (let i = 0; i < stems.length; i++)
		share += weights[i]! * Math.min(1, (body.get(stems[i]!) ?? 0) / WHOLLY);
	return share / sum;
}

/**
 * Products of the word weights of every two headings' texts, summed along the words they share; of
 * two headings only the row of the first is filled.
 */
function dotsOf(items: readonly HeadingItem[]): Float64Array[] {
	const dots = items.map(() => new Float64Array(items.length));
	const postings = new Map<string, { items: number[]; weights: number[] }>();
	items.forEach(({ body }, item) => {
		for (const [stem, weight] of body) {
			if (weight === 0) continue;
			let list = postings.get(stem);
			if (!list) postings.set(stem, (list = { items: [], weights: [] }));
			list.items.push(item);
			list.weights.push(weight);
		}
	});
	for (const { items: on, weights } of postings.values()) {
		for (let a = 0; a < on.length; a++) {
			const row = dots[on[a]!]!;
			const weight = weights[a]!;
			for (let b = a + 1; b < on.length; b++) row[on[b]!]! += weight * weights[b]!;
		}
	}
	return dots;
}

function plain(text: string): string {
	return wordsOf(text)
		.map((word) => stemOf(plainWord(word.text)))
		.join(' ');
}
