import type { Findings, Term } from '../findings';
import { contentStemsOf, keysOf, termKeyOf } from '../text';
import { FlowNetwork } from './flow';
import type { AffinityParts, Plan, PlanSection, TermPlacement } from './outline';

/** Bounds of a placement, as data. */
export const PLACE_LIMITS = {
	/** A section carries one placed use in this many words; more reads stuffed. */
	wordsPerUse: 14,
	/** Sections that may hold one term. */
	sectionsPerTerm: 3,
	/** Uses placed of one term at most, however long the article. */
	usesPerTerm: 5,
	/** Uses placed of a part of the keyword ("stone", "dry stone"): it comes by itself. */
	usesOfKeywordPart: 2,
	/** Affinity below which a place would have no reason. */
	least: 0.06
} as const;

/** Value of a placed use by weight of its term. */
const WEIGHT_VALUE = { must: 3, should: 2, could: 1 } as const;

const PART_WEIGHT = { topic: 0.55, company: 0.15, heading: 0.2, position: 0.1 } as const;

/** Affinity of every term to every section: [term][section]. */
export function affinitiesOf(
	findings: Findings,
	sections: readonly PlanSection[]
): AffinityParts[][] {
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const sectionHeadings = sections.map((section) => {
		const places = new Set<string>();
		const pages = new Set<string>();
		for (const id of section.topics) {
			for (const { page, section: at } of topics.get(id)?.headings ?? []) {
				places.add(`${page}/${at}`);
				pages.add(page);
			}
		}
		return { places, pages };
	});
	const stems = sections.map(({ heading }) => new Set(contentStemsOf(heading)));
	const keys = sections.map(({ heading }) => new Set(keysOf(heading).map(({ key }) => key)));
	let words = 0;
	const total = Math.max(
		1,
		sections.reduce((sum, { budget }) => sum + budget, 0)
	);
	const positions = sections.map(({ budget, position }) => {
		const middle = (words + budget / 2) / total;
		words += budget;
		return position ?? middle;
	});
	const topicShares = findings.terms.map((term) =>
		sectionHeadings.map((places) => topicShare(term, places))
	);
	const rank = new Map(findings.terms.map((term, i) => [term.key, i]));
	return findings.terms.map((term, t) =>
		sections.map((section, s) => {
			const company = term.company
				.map((key) => topicShares[rank.get(key) ?? -1]?.[s] ?? 0)
				.sort((a, b) => b - a)
				.slice(0, 3);
			const words = term.key.split(' ');
			const shared = words.filter((word) => keys[s]!.has(word)).length / words.length;
			const isSpecific = contentStemsOf(term.phrase).some((stem) => stems[s]!.has(stem));
			return {
				topic: section.level === 1 ? term.places.opening : topicShares[t]![s]!,
				company: company.length === 0 ? 0 : company.reduce((sum, n) => sum + n, 0) / company.length,
				heading: isSpecific ? shared : 0,
				position:
					Math.max(0, 1 - 2 * Math.abs(term.position - positions[s]!)) *
					(section.kind === 'faq' ? 0.5 : 1)
			};
		})
	);
}

/** Share of a topic's pages that use the term under it, and how much of the term's use that is. */
function topicShare(
	term: Term,
	{ places, pages }: { places: ReadonlySet<string>; pages: ReadonlySet<string> }
): number {
	if (pages.size === 0) return 0;
	let on = 0;
	let here = 0;
	let all = 0;
	for (const use of term.uses) {
		let onPage = 0;
		for (const [section, count] of use.sections) {
			all += count;
			if (places.has(`${use.page}/${section}`)) onPage += count;
		}
		if (onPage > 0) on++;
		here += onPage;
	}
	if (on === 0) return 0;
	// one page alone is weak evidence, however large its share
	const trust = on / (on + 0.7);
	return trust * (0.6 * (on / pages.size) + 0.4 * (here / Math.max(1, all)));
}

export function affinityOf(parts: AffinityParts): number {
	return (
		PART_WEIGHT.topic * parts.topic +
		PART_WEIGHT.company * parts.company +
		PART_WEIGHT.heading * parts.heading +
		PART_WEIGHT.position * parts.position
	);
}

/**
 * Places terms in sections as a minimum-cost flow: each term supplies the uses it needs, each
 * section carries one use in `wordsPerUse` words, and the weighted sum of affinities is
 * maximal. A second use in one section is worth a little less than the first, which spreads a
 * term without a rule. Locked placements stay and take their room first.
 *
 * The flow is exact; only where it spreads a term over more than `sectionsPerTerm` sections
 * are the weakest of them dropped afterwards. `bound` is the value of the flow before that.
 */
export function placeTerms(
	findings: Findings,
	sections: readonly PlanSection[]
): Pick<Plan, 'sections' | 'value' | 'bound' | 'unplaced'> {
	const parts = affinitiesOf(findings, sections);
	const { terms } = findings;
	const keyword = ` ${termKeyOf(findings.keyword)} `;
	const needs = terms.map((term) => {
		if (!keyword.includes(` ${term.key} `)) return Math.min(term.min, PLACE_LIMITS.usesPerTerm);
		return comesInside(term) && term.key !== keyword.trim()
			? 0
			: Math.min(term.min, PLACE_LIMITS.usesOfKeywordPart);
	});
	const room = sections.map((section) =>
		Math.max(1, Math.floor(section.budget / PLACE_LIMITS.wordsPerUse))
	);
	const kept = lockedPlacements(sections, terms, needs, room);

	const source = 0;
	const sink = 1 + terms.length + sections.length;
	const network = new FlowNetwork(sink + 1);
	const edges: { id: number; t: number; s: number; gain: number }[] = [];
	terms.forEach((term, t) => {
		if (needs[t]! <= 0) return;
		network.connect(source, 1 + t, needs[t]!, 0);
		const most = Math.max(1, Math.ceil(needs[t]! / 2));
		sections.forEach((section, s) => {
			if (section.locked || kept[s]!.some((placement) => placement.term === term.key)) return;
			const affinity = affinityOf(parts[t]![s]!);
			if (affinity < PLACE_LIMITS.least || !hasReason(parts[t]![s]!)) return;
			for (let use = 0; use < most; use++) {
				const gain = WEIGHT_VALUE[term.weight] * affinity * 0.9 ** use;
				edges.push({ id: network.connect(1 + t, 1 + terms.length + s, 1, -gain), t, s, gain });
			}
		});
	});
	sections.forEach((_, s) => network.connect(1 + terms.length + s, sink, Math.max(0, room[s]!), 0));
	const bound = -network.minimise(source, sink);

	const uses = new Map<string, { t: number; s: number; uses: number; gain: number }>();
	for (const { id, t, s, gain } of edges) {
		if (network.flowOn(id) === 0) continue;
		const key = `${t}/${s}`;
		const entry = uses.get(key) ?? { t, s, uses: 0, gain: 0 };
		uses.set(key, { ...entry, uses: entry.uses + 1, gain: entry.gain + gain });
	}
	const chosen = keepStrongest([...uses.values()]);
	const value = chosen.reduce((sum, { gain }) => sum + gain, 0);
	const placed = sections.map((section, s) => ({
		...section,
		terms: [
			...kept[s]!,
			...chosen
				.filter((entry) => entry.s === s)
				.map(({ t, uses }): TermPlacement => {
					const affinity = affinityOf(parts[t]![s]!);
					return {
						term: terms[t]!.key,
						uses,
						affinity,
						parts: parts[t]![s]!,
						reason: reasonOf(terms[t]!, parts[t]![s]!, findings),
						locked: false
					};
				})
		].sort(
			(a, b) =>
				weightRank(terms, a) - weightRank(terms, b) ||
				b.affinity - a.affinity ||
				(a.term < b.term ? -1 : 1)
		)
	}));
	return { ...withKeyword(placed, findings), value, bound };
}

/** Whether most uses of a term lie inside longer ones, so that it comes by itself. */
function comesInside({ uses }: Term): boolean {
	const all = uses.reduce((sum, use) => sum + use.count, 0);
	return uses.reduce((sum, use) => sum + use.own, 0) < 0.4 * all;
}

/** Position alone is no reason to stand somewhere. */
function hasReason({ topic, company, heading }: AffinityParts): boolean {
	return topic > 0 || heading > 0 || company > 0.05;
}

function lockedPlacements(
	sections: readonly PlanSection[],
	terms: readonly Term[],
	needs: number[],
	room: number[]
): TermPlacement[][] {
	const rank = new Map(terms.map((term, t) => [term.key, t]));
	return sections.map((section, s) => {
		const kept = section.terms.filter(
			(placement) => (placement.locked || section.locked) && rank.has(placement.term)
		);
		for (const { term, uses } of kept) {
			needs[rank.get(term)!]! -= uses;
			room[s]! -= uses;
		}
		return kept;
	});
}

function keepStrongest<T extends { t: number; s: number; gain: number }>(
	entries: readonly T[]
): T[] {
	const byTerm = new Map<number, T[]>();
	for (const entry of entries) byTerm.set(entry.t, [...(byTerm.get(entry.t) ?? []), entry]);
	return [...byTerm.values()].flatMap((of) =>
		of.sort((a, b) => b.gain - a.gain || a.s - b.s).slice(0, PLACE_LIMITS.sectionsPerTerm)
	);
}

function weightRank(terms: readonly Term[], placement: TermPlacement): number {
	const weight = terms.find((term) => term.key === placement.term)?.weight ?? 'could';
	return weight === 'must' ? 0 : weight === 'should' ? 1 : 2;
}

/** The exact keyword always stands in the opening; whatever is left over says why. */
function withKeyword(
	sections: readonly PlanSection[],
	findings: Findings
): Pick<Plan, 'sections' | 'unplaced'> {
	const keyword = termKeyOf(findings.keyword);
	const withIt = sections.map((section, s) => {
		if (s !== 0 || section.locked || section.terms.some(({ term }) => term === keyword))
			return section;
		const placement: TermPlacement = {
			term: keyword,
			uses: 1,
			affinity: 1,
			parts: { topic: 1, company: 0, heading: 0, position: 0 },
			reason: 'The exact keyword stands in the first 100 words.',
			locked: false
		};
		return findings.terms.some((term) => term.key === keyword)
			? { ...section, terms: [placement, ...section.terms] }
			: section;
	});
	const placed = new Set(withIt.flatMap(({ terms }) => terms.map(({ term }) => term)));
	const unplaced = findings.terms
		.filter((term) => !placed.has(term.key))
		.map((term) => ({
			term: term.key,
			reason:
				term.uses.length === 0
					? 'no page uses it'
					: comesInside(term)
						? 'it comes by itself, inside longer terms'
						: 'every section that suits it is full: give one more words, or add a section on it'
		}));
	return { sections: withIt, unplaced };
}

function reasonOf(term: Term, parts: AffinityParts, findings: Findings): string {
	const said: string[] = [];
	const percent = (n: number) => `${Math.round(100 * n)}%`;
	if (parts.topic > 0) said.push(`pages use it under this topic (${percent(parts.topic)})`);
	if (parts.heading > 0) said.push('it shares words with the heading');
	if (parts.company > 0.1 && term.company.length > 0) {
		const phrases = term.company
			.slice(0, 2)
			.map((key) => findings.terms.find((other) => other.key === key)?.phrase ?? key);
		said.push(`it keeps company with ${phrases.join(' and ')}`);
	}
	if (said.length === 0) said.push(`it usually comes ${percent(term.position)} of the way through`);
	const text = said.join('; ');
	return `${text[0]!.toUpperCase()}${text.slice(1)}.`;
}
