import { countWords } from '../../text';
import { NO_EDITS, rulesOf, type GroupEdits, type GroupRules } from '../edits';
import {
	headingItems,
	JOIN_AT,
	likenessTable,
	type HeadingItem,
	type TopicHeading
} from './heading-likeness';
import { type PageWork, intentAmong, type TopicIntent } from '../../reading';

import { quantileOf } from '../spread';
import { topicWords, type TopicWords } from './topic-words';

export type { TopicHeading };

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
	/** Stems of the text under its headings that tell it from the others; see `topicWords`. */
	readonly matter: TopicWords;
}

export interface TopicsFound {
	readonly topics: readonly Topic[];
	/** Topics struck out by hand. */
	readonly struck: readonly Topic[];
}

/**
 * Merged headings of all pages in their usual order. The keyword's own words hardly count for
 * likeness; what the writer joined, parted, named or struck out stays so.
 */
export function findTopics(
	pages: readonly PageWork[],
	keyword: string,
	edits: GroupEdits = NO_EDITS.topics
): TopicsFound {
	const items = headingItems(pages, keyword);
	const rules = rulesOf(edits);
	const groups = cluster(items, rules);
	const matters = topicWords(groups, pages, keyword);
	const topics = groups.map((group, i) => {
		const topic = topicOf(group, matters[i]!);
		const name = rules.nameOf(topic.headings.map(({ ref }) => ref));
		return name === null ? topic : { ...topic, label: name };
	});
	topics.sort(
		(a, b) =>
			a.position - b.position || b.pages.length - a.pages.length || (a.label < b.label ? -1 : 1)
	);
	const isStruck = ({ headings }: Topic) => rules.isStruck(headings.map(({ ref }) => ref));
	return {
		topics: withParents(
			topics.filter((topic) => !isStruck(topic)),
			items
		),
		struck: topics.filter(isStruck)
	};
}

/**
 * Average linkage: the two groups most alike are joined until none is alike enough. Headings
 * of one page never meet in a group unless they are worded the same.
 */
function cluster(items: readonly HeadingItem[], rules: GroupRules): HeadingItem[][] {
	const groups: (HeadingItem[] | null)[] = items.map((item) => [item]);
	const sums = likenessTable(items);
	const fits = (a: readonly HeadingItem[], b: readonly HeadingItem[]) =>
		a.every((x) =>
			b.every((y) => (x.page !== y.page || x.plain === y.plain) && rules.mayMeet(x.ref, y.ref))
		);
	const join = (i: number, j: number) => {
		groups[i]!.push(...groups[j]!);
		groups[j] = null;
		for (let k = 0; k < groups.length; k++) {
			if (!groups[k] || k === i) continue;
			sums[i]![k] = sums[i]![k]! + sums[j]![k]!;
			sums[k]![i] = sums[i]![k]!;
		}
	};
	// what was put together by hand stands together before likeness is asked
	const firstOf = new Map<number, number>();
	items.forEach(({ ref }, i) => {
		const set = rules.setOf(ref);
		if (set < 0) return;
		const first = firstOf.get(set);
		if (first === undefined) firstOf.set(set, i);
		else join(first, i);
	});

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
	groups.forEach((group, i) => group && look(i));
	for (;;) {
		let i = -1;
		for (let k = 0; k < groups.length; k++)
			if (groups[k] && partner[k]! >= 0 && (i < 0 || nearness[k]! > nearness[i]!)) i = k;
		if (i < 0) break;
		const j = partner[i]!;
		join(i, j);
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
	return groups.filter((group): group is HeadingItem[] => group !== null);
}

function topicOf(found: readonly HeadingItem[], matter: TopicWords): Topic {
	// in the order of the pages, whatever their ids are
	const group = found.toSorted((a, b) => a.pageIndex - b.pageIndex || a.section - b.section);
	const pages = [...new Set(group.map(({ page }) => page))];
	const level = group.filter((item) => item.level === 2).length * 2 >= group.length ? 2 : 3;
	const count = (format: string) =>
		new Set(group.filter((item) => item.formats.includes(format)).map(({ page }) => page)).size;
	const votes = new Map<TopicIntent, number>();
	for (const { purposes, telling } of group) {
		// the keyword's own words are everywhere: "clothes" makes no kit list of an article on drying them
		const intent = intentAmong(purposes.filter((one) => one === 'steps' || telling.includes(one)));
		if (intent) votes.set(intent, (votes.get(intent) ?? 0) + 1);
	}
	const top = [...votes].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0];
	return {
		id: `topic:${[...group].map((item) => `${item.page}/${item.section}`).sort()[0]}`,
		label: labelOf(group),
		headings: group.map(({ page, ref, section, text, level, words, position }) => ({
			page,
			ref,
			section,
			text,
			level,
			words,
			position
		})),
		pages,
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
		},
		matter
	};
}

/** The heading that shares most stems with the others, the shorter one when two do. */
function labelOf(group: readonly HeadingItem[]): string {
	const spread = new Map<string, number>();
	for (const { headStems } of group)
		for (const stem of new Set(headStems)) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const value = ({ headStems, text }: HeadingItem) =>
		headStems.reduce((sum, stem) => sum + (spread.get(stem) ?? 0) - 1, 0) /
			Math.max(1, headStems.length) -
		0.04 * countWords(text) -
		// a label speaks for all pages, so not in one author's voice
		(/\b(?:i|me|my|we|our|it)\b/i.test(text) ? 0.6 : 0) -
		(/[:?]/.test(text) ? 0.25 : 0);
	return [...group].sort((a, b) => value(b) - value(a) || (a.text < b.text ? -1 : 1))[0]!.text;
}

function withParents(topics: readonly Topic[], items: readonly HeadingItem[]): Topic[] {
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
		const top = [...votes].sort((a, b) => b[1] - a[1])[0];
		return top ? { ...topic, parent: top[0].id } : { ...topic, level: 2 as const };
	});
}

/** A topic that no counted page has. */
export interface OwnTopic {
	readonly id: string;
	readonly label: string;
	/** Notes that bring it, with the section that treats it; empty for what is only searched for. */
	readonly at: readonly {
		readonly source: string;
		readonly section: number;
		readonly words: number;
	}[];
	/** Searches a month, for what a keyword list brings. */
	readonly volume: number | null;
}

/** Topics of the writer's notes that are like no heading of the counted pages. */
export function findOwnTopics(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	keyword: string
): OwnTopic[] {
	if (notes.length === 0) return [];
	const items = headingItems([...pages, ...notes], keyword);
	const table = likenessTable(items, pages.length);
	const isPage = (item: HeadingItem) => item.pageIndex < pages.length;
	const own = items.filter(
		(item, i) =>
			!isPage(item) &&
			item.words >= LEAST_OWN_WORDS &&
			!items.some((other, j) => isPage(other) && table[i]![j]! >= JOIN_AT)
	);
	const wordsOf = ({ at }: OwnTopic) => at.reduce((sum, { words }) => sum + words, 0);
	return cluster(own, rulesOf(NO_EDITS.topics))
		.map((group) => ({
			id: `own:${group[0]!.page}/${group[0]!.section}`,
			label: labelOf(group),
			at: group.map(({ page, section, words }) => ({ source: page, section, words })),
			volume: null
		}))
		.sort((a, b) => wordsOf(b) - wordsOf(a) || (a.label < b.label ? -1 : 1));
}

/** Words a note needs under a heading to treat a topic of its own. */
const LEAST_OWN_WORDS = 25;
