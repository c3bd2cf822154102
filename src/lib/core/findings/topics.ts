import { contentStemsOf, countWords, plainWord, stemOf, wordsOf } from '../text';
import type { PageWork } from './page-work';
import { intentAmong, purposesOf, type Purpose, type TopicIntent } from './purposes';
import { quantileOf } from './spread';

/** A heading of a page that belongs to a topic. */
export interface TopicHeading {
	readonly page: string;
	/** Position of its section on the page. */
	readonly section: number;
	readonly text: string;
	readonly level: number;
	/** Words under it, sub-sections included. */
	readonly words: number;
	/** Where it stands on the page, as a share of its words, 0–1. */
	readonly position: number;
}

export interface Topic {
	readonly id: string;
	/** The heading most like all the others. */
	readonly label: string;
	readonly headings: readonly TopicHeading[];
	readonly pages: readonly string[];
	/** 2, or 3 when most pages have it under another heading. */
	readonly level: 2 | 3;
	/** Id of the topic most pages put it under, or null. */
	readonly parent: string | null;
	/** Median position, 0–1. */
	readonly position: number;
	/** Median words under the heading, on pages that have it. */
	readonly words: number;
	readonly intent: TopicIntent;
	/** Share of its pages that use a list, numbered steps or a table under it. */
	readonly formats: Readonly<Record<'list' | 'steps' | 'table', number>>;
}

const NOT_TOPICS =
	/^(?:introduction|intro|overview|conclusions?|summary|in summary|final (?:thoughts|words?)|to sum up|wrapping up|in (?:short|closing|conclusion)|key takeaways?|takeaways|the bottom line|last words?|references|sources|further reading|notes|faqs?|frequently asked.*|common questions|questions? and answers|q\s?&\s?a|about.*author|credits?)[.:!]?$/i;

/**
 * Likeness, as average over two groups, from which they are joined, and what it is made of. Set on
 * the labelled headings (see docs/METHODS.md), where any bound from 0.22 to 0.30 serves alike.
 */
const JOIN_AT = 0.26;
const LIKENESS = { words: 0.4, text: 0.47, purpose: 0.3, clash: 0.1 } as const;
/** Cosine of two texts at which they count as wholly alike; pages rarely come nearer. */
const SAME_TEXT = 0.4;

interface Item extends TopicHeading {
	readonly pageIndex: number;
	readonly headStems: readonly string[];
	readonly purposes: readonly Purpose[];
	readonly body: ReadonlyMap<string, number>;
	readonly norm: number;
	readonly parentSection: number;
	readonly formats: readonly string[];
}

/** Merged headings of all pages in their usual order. The keyword's own words hardly count for likeness. */
export function findTopics(pages: readonly PageWork[], keyword: string): Topic[] {
	const items = itemsOf(pages, keyword);
	const groups = cluster(items);
	const topics = groups.map((group) => topicOf(group));
	topics.sort(
		(a, b) =>
			a.position - b.position || b.pages.length - a.pages.length || (a.label < b.label ? -1 : 1)
	);
	return withParents(topics, items);
}

function itemsOf(pages: readonly PageWork[], keyword: string): Item[] {
	const documents: { page: number; section: number; counts: Map<string, number> }[] = [];
	pages.forEach((page, pageIndex) => {
		page.sections.forEach((section, index) => {
			if (section.level < 2 || section.isFaq || NOT_TOPICS.test(section.heading.trim())) return;
			const counts = new Map<string, number>();
			for (const inner of subtreeOf(page, index)) {
				for (const stem of page.sections[inner]!.stems)
					counts.set(stem, (counts.get(stem) ?? 0) + 1);
			}
			documents.push({ page: pageIndex, section: index, counts });
		});
	});
	const spread = new Map<string, number>();
	for (const { counts } of documents)
		for (const stem of counts.keys()) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const idf = (stem: string) => Math.log((documents.length + 1) / ((spread.get(stem) ?? 0) + 0.5));
	const common = new Set(contentStemsOf(keyword));

	return documents.map(({ page: pageIndex, section: index, counts }) => {
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
			pageIndex,
			section: index,
			text: withoutNumber(section.heading),
			level: section.level,
			words: subtreeOf(page, index).reduce((sum, inner) => sum + page.sections[inner]!.words, 0),
			position: section.position,
			headStems: contentStemsOf(section.heading).filter((stem) => !common.has(stem)),
			purposes: purposesOf(section.heading),
			body,
			norm: Math.sqrt(squares) || 1,
			parentSection: section.parent,
			formats: section.formats
		};
	});
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

function withoutNumber(heading: string): string {
	return heading
		.replace(/^(?:step\s+)?(?:\d{1,2}|[ivx]{1,4})\s*[.):–—-]\s*/i, '')
		.replace(/^step \d{1,2}\s+/i, '')
		.trim();
}

/** Verbs that most headings of instructions begin with; sharing one says little. */
const DOING = new Set(
	contentStemsOf(
		'build lay set put make keep start finish dig place do choose pick prepare add check work mark step first second'
	)
);

/**
 * Likeness of two headings, 0–1: words of the heading, its purpose, and the text under it.
 * A word that stands in the headings of several pages names a topic and weighs most.
 */
function likeness(a: Item, b: Item, dot: number, weightOf: (stem: string) => number): number {
	let shared = 0;
	let mine = 0;
	let theirs = 0;
	for (const stem of a.headStems) {
		mine += weightOf(stem);
		if (b.headStems.includes(stem)) shared += weightOf(stem);
	}
	for (const stem of b.headStems) theirs += weightOf(stem);
	const words = shared === 0 ? 0 : Math.min(1, shared / Math.sqrt(mine * theirs));
	const ours = a.purposes.filter((purpose) => purpose !== 'steps');
	const others = b.purposes.filter((purpose) => purpose !== 'steps');
	const purpose = ours.some((one) => others.includes(one)) ? 1 : 0;
	const clash = ours.length > 0 && others.length > 0 && purpose === 0 ? 1 : 0;
	const text = Math.min(1, dot / (a.norm * b.norm) / SAME_TEXT);
	return Math.max(
		0,
		LIKENESS.words * words +
			LIKENESS.text * text +
			LIKENESS.purpose * purpose -
			LIKENESS.clash * clash
	);
}

/**
 * Average linkage: the two groups most alike are joined until none is alike enough. Headings
 * of one page never meet in a group unless they are worded the same.
 */
function cluster(items: readonly Item[]): Item[][] {
	const on = new Map<string, Set<string>>();
	for (const { headStems, page } of items) {
		for (const stem of headStems) on.set(stem, (on.get(stem) ?? new Set<string>()).add(page));
	}
	const weightOf = (stem: string) =>
		DOING.has(stem) ? 0.3 : (on.get(stem)?.size ?? 0) > 1 ? 1 : 0.5;
	const groups: (Item[] | null)[] = items.map((item) => [item]);
	const dots = dotsOf(items);
	const sums: Float64Array[] = items.map((a, i) =>
		Float64Array.from(items, (b, j) => (i === j ? 0 : likeness(a, b, dots[i]![j]!, weightOf)))
	);
	const fits = (a: readonly Item[], b: readonly Item[]) =>
		a.every((x) => b.every((y) => x.page !== y.page || plain(x.text) === plain(y.text)));

	/** Average likeness of two groups; −1 when they may not meet. */
	const near = (i: number, j: number): number => {
		const [a, b] = [groups[i]!, groups[j]!];
		const average = sums[i]![j]! / (a.length * b.length);
		return average > JOIN_AT && fits(a, b) ? average : -1;
	};
	// for each group its best partner after it, looked up anew only when one of the two has changed
	const partner = new Int32Array(groups.length).fill(-1);
	const nearness = new Float64Array(groups.length).fill(-1);
	const look = (i: number) => {
		partner[i] = -1;
		nearness[i] = -1;
		for (let j = i + 1; j < groups.length; j++) {
			if (!groups[j]) continue;
			const value = near(i, j);
			if (value > nearness[i]!) [partner[i], nearness[i]] = [j, value];
		}
	};
	groups.forEach((_, i) => look(i));
	for (;;) {
		let i = -1;
		for (let k = 0; k < groups.length; k++)
			if (groups[k] && partner[k]! >= 0 && (i < 0 || nearness[k]! > nearness[i]!)) i = k;
		if (i < 0) break;
		const j = partner[i]!;
		groups[i]!.push(...groups[j]!);
		groups[j] = null;
		for (let k = 0; k < groups.length; k++) {
			if (!groups[k] || k === i) continue;
			sums[i]![k] = sums[i]![k]! + sums[j]![k]!;
			sums[k]![i] = sums[i]![k]!;
		}
		look(i);
		for (let k = 0; k < groups.length; k++) {
			if (!groups[k] || k === i) continue;
			if (partner[k] === i || partner[k] === j) look(k);
			else if (k < i) {
				const value = near(k, i);
				if (value > nearness[k]! || (value === nearness[k] && value >= 0 && i < partner[k]!))
					[partner[k], nearness[k]] = [i, value];
			}
		}
	}
	return groups.filter((group): group is Item[] => group !== null);
}

/** Products of the word weights of every two headings' texts, summed along the words they share. */
function dotsOf(items: readonly Item[]): Float64Array[] {
	const dots = items.map(() => new Float64Array(items.length));
	const postings = new Map<string, { item: number; weight: number }[]>();
	items.forEach(({ body }, item) => {
		for (const [stem, weight] of body) {
			if (weight === 0) continue;
			const list = postings.get(stem);
			if (list) list.push({ item, weight });
			else postings.set(stem, [{ item, weight }]);
		}
	});
	for (const list of postings.values()) {
		for (const a of list) {
			const row = dots[a.item]!;
			for (const b of list) row[b.item]! += a.weight * b.weight;
		}
	}
	return dots;
}

function plain(text: string): string {
	return wordsOf(text)
		.map((word) => stemOf(plainWord(word.text)))
		.join(' ');
}

function topicOf(group: readonly Item[]): Topic {
	const pages = [...new Set(group.map(({ page }) => page))];
	const level = group.filter((item) => item.level === 2).length * 2 >= group.length ? 2 : 3;
	const count = (format: string) =>
		new Set(group.filter((item) => item.formats.includes(format)).map(({ page }) => page)).size;
	const votes = new Map<TopicIntent, number>();
	for (const { purposes } of group) {
		const intent = intentAmong(purposes);
		if (intent) votes.set(intent, (votes.get(intent) ?? 0) + 1);
	}
	const top = [...votes].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0];
	return {
		id: `topic:${[...group].map((item) => `${item.page}/${item.section}`).sort()[0]}`,
		label: labelOf(group),
		headings: group
			.map(({ page, section, text, level, words, position }) => ({
				page,
				section,
				text,
				level,
				words,
				position
			}))
			.sort((a, b) => (a.page < b.page ? -1 : a.page > b.page ? 1 : a.section - b.section)),
		pages: pages.sort(),
		level,
		parent: null,
		position: quantileOf(
			group.map(({ position }) => position),
			0.5
		),
		words: Math.round(
			quantileOf(
				group.map(({ words }) => words),
				0.5
			)
		),
		intent: top && top[1] * 2 >= group.length ? top[0] : 'plain',
		formats: {
			list: count('list') / pages.length,
			steps: count('steps') / pages.length,
			table: count('table') / pages.length
		}
	};
}

/** The heading that shares most stems with the others, the shorter one when two do. */
function labelOf(group: readonly Item[]): string {
	const spread = new Map<string, number>();
	for (const { headStems } of group)
		for (const stem of new Set(headStems)) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const value = ({ headStems, text }: Item) =>
		headStems.reduce((sum, stem) => sum + (spread.get(stem) ?? 0) - 1, 0) /
			Math.max(1, headStems.length) -
		0.04 * countWords(text) -
		// a label speaks for all pages, so not in one author's voice
		(/\b(?:i|me|my|we|our|it)\b/i.test(text) ? 0.6 : 0) -
		(/[:?]/.test(text) ? 0.25 : 0);
	return [...group].sort((a, b) => value(b) - value(a) || (a.text < b.text ? -1 : 1))[0]!.text;
}

function withParents(topics: readonly Topic[], items: readonly Item[]): Topic[] {
	const topicOfSection = new Map<string, Topic>();
	for (const topic of topics)
		for (const h of topic.headings) topicOfSection.set(`${h.page}/${h.section}`, topic);
	const parentOfSection = new Map(
		items.map((item) => [`${item.page}/${item.section}`, `${item.page}/${item.parentSection}`])
	);
	return topics.map((topic) => {
		if (topic.level === 2) return topic;
		const votes = new Map<Topic, number>();
		for (const { page, section } of topic.headings) {
			const parent = topicOfSection.get(parentOfSection.get(`${page}/${section}`) ?? '');
			if (parent && parent !== topic && parent.level === 2)
				votes.set(parent, (votes.get(parent) ?? 0) + 1);
		}
		const top = [...votes].sort((a, b) => b[1] - a[1] || (a[0].id < b[0].id ? -1 : 1))[0];
		return top ? { ...topic, parent: top[0].id } : { ...topic, level: 2 as const };
	});
}
