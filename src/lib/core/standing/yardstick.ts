import { EFFORT_RULES, type KeywordPlace } from '../brief';
import { leastPagesOf, type Findings, type ShapeSpread, type TermWeight } from '../findings';
import type { Plan } from '../plan';
import { contentStemsOf, countWords, indexTerms, type TermIndex, keywordStemsOf } from '../text';

/** What a take is held against, worked out once from findings and plan. */
export interface Yardstick {
	readonly keyword: string;
	readonly terms: readonly {
		readonly key: string;
		readonly phrase: string;
		/** Words of the phrase. */
		readonly words: number;
		readonly verbs: readonly number[];
		/** Other phrases that count for it. */
		readonly variants: readonly string[];
		readonly weight: TermWeight;
		readonly min: number;
		readonly max: number;
	}[];
	/** Position of the exact keyword among the terms, or −1. */
	readonly keywordTerm: number;
	/** Places in which the exact keyword is asked for. */
	readonly keywordPlaces: readonly KeywordPlace[];
	readonly topics: readonly {
		readonly id: string;
		readonly label: string;
		/** Stems of each of its headings, without the keyword's own. */
		readonly headings: readonly (readonly string[])[];
		/** Terms (by position) that pages use under it most. */
		readonly signature: readonly number[];
		/** Share of pages that treat it, 0–1. */
		readonly share: number;
	}[];
	/** Terms with the topic where pages use them. */
	readonly homes: readonly { readonly term: number; readonly topic: number }[];
	readonly questions: readonly {
		readonly id: string;
		readonly text: string;
		readonly stems: readonly string[];
		/** What each stem says of the question; the keyword's own say little. They sum to 1. */
		readonly weights: readonly number[];
	}[];
	readonly shape: readonly ShapeSpread[];
	readonly targetGrade: number;
	/** Length of the brief, in words; where it names none, what the evidence says. */
	readonly targetWords: number;
	/** Topics (by position) that the plan gives to a section, by section id. */
	readonly planned: Readonly<Record<string, readonly number[]>>;
}

const SIGNATURE_TERMS = 4;

/** Prepares findings for scoring. The plan, if there is one, says which section treats which topic. */
export function yardstickOf(findings: Findings, plan: Plan | null): Yardstick {
	const common = keywordStemsOf(findings.keyword);
	const pageCount = Math.max(1, findings.pages.length);
	const { topicShare, questionsCounted, keywordPlaces } = EFFORT_RULES[findings.effort];
	const least = leastPagesOf(pageCount, topicShare);
	const kept = findings.topics.filter((topic) => topic.pages.length >= least);
	const sums = kept.map((topic) => {
		const places = new Set(topic.headings.map((h) => `${h.page}/${h.section}`));
		return findings.terms.map((term) => {
			const pages = new Set<string>();
			for (const use of term.uses) {
				if (use.sections.some(([section]) => places.has(`${use.page}/${section}`)))
					pages.add(use.page);
			}
			return pages.size / topic.pages.length;
		});
	});
	// a term that stands everywhere says nothing about a topic
	const everywhere = findings.terms.map(
		(_, t) => sums.reduce((sum, of) => sum + of[t]!, 0) / Math.max(1, kept.length)
	);
	const homes: { term: number; topic: number }[] = [];
	findings.terms.forEach((_, t) => {
		let best = -1;
		let most = 0.34;
		sums.forEach((of, s) => {
			const value = of[t]! * (1 - 0.6 * everywhere[t]!);
			if (value > most) [best, most] = [s, value];
		});
		if (best >= 0) homes.push({ term: t, topic: best });
	});
	const position = new Map(kept.map(({ id }, i) => [id, i]));
	return {
		keyword: findings.keyword,
		terms: findings.terms.map(({ key, phrase, verbs, variants, weight, min, max }) => ({
			key,
			phrase,
			words: countWords(phrase),
			verbs,
			variants,
			weight,
			min,
			max
		})),
		keywordPlaces,
		keywordTerm: findings.terms.findIndex(
			(term) => term.phrase === findings.keyword.trim().toLowerCase()
		),
		topics: kept.map((topic, s) => ({
			id: topic.id,
			label: topic.label,
			headings: topic.headings.map(({ text }) =>
				contentStemsOf(text).filter((stem) => !common.has(stem))
			),
			signature: findings.terms
				.map((_, t) => ({ t, value: sums[s]![t]! - everywhere[t]! }))
				.filter(({ value }) => value > 0.1)
				.sort((a, b) => b.value - a.value || a.t - b.t)
				.slice(0, SIGNATURE_TERMS)
				.map(({ t }) => t),
			share: topic.pages.length / pageCount
		})),
		homes,
		questions: findings.questions
			.map(({ id, text }) => ({ id, text, ...weighedStemsOf(text, common) }))
			.filter(({ stems }) => stems.length >= 2)
			.slice(0, questionsCounted),
		shape: findings.shape,
		targetGrade: findings.grade,
		targetWords: findings.targetWords,
		planned: Object.fromEntries(
			(plan?.sections ?? []).map(({ id, topics }) => [
				id,
				topics.flatMap((topic) => position.get(topic) ?? [])
			])
		)
	};
}

function weighedStemsOf(
	question: string,
	common: ReadonlySet<string>
): { stems: string[]; weights: number[] } {
	const stems = [...new Set(contentStemsOf(question))];
	const raw = stems.map((stem) => (common.has(stem) ? 0.2 : 1));
	const sum = raw.reduce((a, b) => a + b, 0);
	return { stems, weights: raw.map((weight) => weight / Math.max(sum, 1e-9)) };
}

/** The index that measures takes and pages against this yardstick. */
export function termIndexOf(yardstick: Yardstick): TermIndex {
	return indexTerms(yardstick.terms);
}
