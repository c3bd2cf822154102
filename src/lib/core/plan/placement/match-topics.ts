import { purposesBeside } from '../../reading';
import { type Findings, type Topic } from '../../findings';
import { contentStemsOf } from '../../text';
import { perFindings } from '../outline';
import { objectOf } from '../wording';

/** A topic that a heading speaks of, with how well it fits, 0–1. */
export interface TopicMatch {
	readonly topic: Topic;
	readonly fit: number;
}

/** Fit below which a heading speaks of something else; set by hiding pages (docs/METHODS.md). */
const MATCH_AT = 0.2;

/**
 * The topics a heading of any origin speaks of, best first: by the words and purposes of the
 * headings pages give them. Words of the keyword tell nothing apart.
 */
export const topicMatcher = perFindings((findings): ((heading: string) => TopicMatch[]) => {
	const read = reader(findings);
	const known = findings.topics.map((topic) => ({
		topic,
		readings: topic.headings.map(({ text }) => read(text))
	}));
	const spread = new Map<string, number>();
	for (const { readings } of known)
		for (const { stems } of readings)
			for (const stem of stems) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const weightOf = (stem: string) => 1 / (1 + Math.log(1 + (spread.get(stem) ?? 0)));
	return (heading) => {
		const mine = read(heading);
		return known
			.map(({ topic, readings }) => {
				const fits = readings
					.map((reading) => likeness(mine, reading, weightOf))
					.sort((a, b) => b - a);
				const mean = fits.reduce((sum, fit) => sum + fit, 0) / Math.max(1, fits.length);
				// one page that words it the same is enough; the others may word it as they like
				return { topic, fit: 0.75 * (fits[0] ?? 0) + 0.25 * mean };
			})
			.filter(({ fit }) => fit >= MATCH_AT)
			.sort((a, b) => b.fit - a.fit);
	};
});

interface Reading {
	readonly stems: readonly string[];
	readonly purposes: readonly string[];
}

function reader({ keyword }: Findings): (heading: string) => Reading {
	const common = new Set(contentStemsOf(objectOf(keyword)));
	return (heading) => ({
		stems: [...new Set(contentStemsOf(heading))].filter((stem) => !common.has(stem)),
		purposes: purposesBeside(heading, common)
	});
}

function likeness(a: Reading, b: Reading, weightOf: (stem: string) => number): number {
	const sum = (stems: readonly string[]) =>
		stems.reduce((total, stem) => total + weightOf(stem), 0);
	const shared = sum(a.stems.filter((stem) => b.stems.includes(stem)));
	const words = shared === 0 ? 0 : shared / Math.sqrt(sum(a.stems) * sum(b.stems));
	const purpose = a.purposes.some((one) => b.purposes.includes(one)) ? 1 : 0;
	const clash = purpose === 0 && a.purposes.length > 0 && b.purposes.length > 0 ? 1 : 0;
	return Math.max(0, Math.min(1, 0.7 * words + 0.45 * purpose - 0.15 * clash));
}
