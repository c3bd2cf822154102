import type { PageWork } from '../../reading';
import { keywordStemsOf } from '../../text';

/** Stems with their weights, a vector of length one; the heaviest first. */
export type TopicWords = readonly (readonly [stem: string, weight: number])[];

/** Stems that are kept of a topic. */
const MOST_WORDS = 120;

interface SectionOfPage {
	readonly page: string;
	readonly section: number;
}

/**
 * What the text under the headings of each topic speaks of: log frequency of a stem in its sections
 * times the inverse frequency over topics (Salton and Buckley 1988), the keyword's own stems left out.
 */
export function topicWords(
	topics: readonly (readonly SectionOfPage[])[],
	pages: readonly PageWork[],
	keyword: string
): TopicWords[] {
	const common = keywordStemsOf(keyword);
	const byId = new Map(pages.map((page) => [page.id, page]));
	const counts = topics.map((sections) => {
		const count = new Map<string, number>();
		for (const { page, section } of sections)
			for (const stem of byId.get(page)?.sections[section]?.stems ?? [])
				if (!common.has(stem)) count.set(stem, (count.get(stem) ?? 0) + 1);
		return count;
	});
	const spread = new Map<string, number>();
	for (const count of counts)
		for (const stem of count.keys()) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	return counts.map((count) => {
		const words = [...count]
			.map(([stem, n]): [string, number] => [
				stem,
				Math.log1p(n) * Math.log(1 + topics.length / spread.get(stem)!)
			])
			.sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
			.slice(0, MOST_WORDS);
		const norm = Math.sqrt(words.reduce((sum, [, weight]) => sum + weight ** 2, 0)) || 1;
		return words.map(([stem, weight]): [string, number] => [stem, weight / norm]);
	});
}

/** Tells how much of a text's stems belong to any of several topics: 0 for nothing, about 1 for a text like theirs. */
export function matterFit(topics: readonly TopicWords[]): (stems: ReadonlySet<string>) => number {
	const weights = new Map<string, number>();
	for (const words of topics)
		for (const [stem, weight] of words) weights.set(stem, Math.max(weight, weights.get(stem) ?? 0));
	return (stems) => {
		let sum = 0;
		for (const stem of stems) sum += weights.get(stem) ?? 0;
		return sum / Math.sqrt(Math.max(4, stems.size));
	};
}
