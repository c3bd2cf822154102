import type { TopicIntent } from '../findings';
import { termKeyOf } from '../text';

/** What a section does; decides how it is drafted. */
export const SECTION_KINDS = [
	'opening',
	'definition',
	'explanation',
	'steps',
	'list',
	'comparison',
	'question',
	'faq',
	'takeaways',
	'closing'
] as const;
export type SectionKind = (typeof SECTION_KINDS)[number];

/** Why a term stands in a section; the parts add up to the affinity. */
export interface AffinityParts {
	/** How often pages use the term under this topic. */
	readonly topic: number;
	/** Terms it keeps company with that stand here. */
	readonly company: number;
	/** Words shared with the heading. */
	readonly heading: number;
	/** Nearness of its usual position to the section's. */
	readonly position: number;
}

export interface TermPlacement {
	/** Key of the term. */
	readonly term: string;
	/** Uses wanted in this section, at least 1. */
	readonly uses: number;
	readonly affinity: number;
	readonly parts: AffinityParts;
	/** In words, for the writer. */
	readonly reason: string;
	readonly locked: boolean;
}

export interface QuestionPlacement {
	readonly question: string;
	readonly reason: string;
}

export interface FactPlacement {
	readonly fact: string;
	readonly reason: string;
}

/** One section of the outline. Sections stand in reading order; depth is told by `level`. */
export interface PlanSection {
	readonly id: string;
	/** 1 for the opening under the title, 2 and 3 for sections and sub-sections. */
	readonly level: 1 | 2 | 3;
	readonly heading: string;
	readonly kind: SectionKind;
	/** Words to aim at. */
	readonly budget: number;
	/** Topics of the findings that this section treats. */
	readonly topics: readonly string[];
	readonly intent: TopicIntent;
	/** Where pages usually treat its topics, 0–1; null when no page does. */
	readonly position: number | null;
	readonly terms: readonly TermPlacement[];
	readonly questions: readonly QuestionPlacement[];
	readonly facts: readonly FactPlacement[];
	/** Kept as it is by proposals and placements. */
	readonly locked: boolean;
}

export interface Plan {
	/** Title of the article (H1). */
	readonly title: string;
	readonly titleTag: string;
	readonly description: string;
	readonly slug: string;
	readonly sections: readonly PlanSection[];
	/** Sum of weighted affinities placed, and the bound no placement can exceed. */
	readonly value: number;
	readonly bound: number;
	/** Terms without a place, with the reason. */
	readonly unplaced: readonly { readonly term: string; readonly reason: string }[];
}

/** Positions of a section's sub-sections and itself: `from` included, `to` excluded. */
export function branchOf(
	sections: readonly PlanSection[],
	at: number
): { from: number; to: number } {
	const level = sections[at]!.level;
	let to = at + 1;
	while (to < sections.length && sections[to]!.level > level && level > 1) to++;
	return { from: at, to };
}

/** Moves a section with its sub-sections past its neighbour of the same level; the opening stays first. */
export function moveSection(
	sections: readonly PlanSection[],
	id: string,
	by: -1 | 1
): readonly PlanSection[] {
	const at = sections.findIndex((section) => section.id === id);
	if (at < 0 || sections[at]!.level === 1) return sections;
	const { from, to } = branchOf(sections, at);
	const moved = sections.slice(from, to);
	const rest = [...sections.slice(0, from), ...sections.slice(to)];
	let target: number;
	if (by < 0) {
		target = from - 1;
		while (target > 0 && rest[target]!.level > moved[0]!.level) target--;
		if (target < 1 || (moved[0]!.level === 3 && rest[target]!.level === 1)) return sections;
	} else {
		if (from >= rest.length) return sections;
		target = from + 1;
		while (target < rest.length && rest[target]!.level > moved[0]!.level) target++;
	}
	return tidyLevels([...rest.slice(0, target), ...moved, ...rest.slice(target)]);
}

/** Puts a section with its sub-sections before the section at `target` of the list without it. */
export function placeSection(
	sections: readonly PlanSection[],
	id: string,
	target: number
): readonly PlanSection[] {
	const at = sections.findIndex((section) => section.id === id);
	if (at < 0 || sections[at]!.level === 1) return sections;
	const { from, to } = branchOf(sections, at);
	const rest = [...sections.slice(0, from), ...sections.slice(to)];
	const into = Math.max(1, Math.min(rest.length, target));
	return tidyLevels([...rest.slice(0, into), ...sections.slice(from, to), ...rest.slice(into)]);
}

/** Makes a section a sub-section of the one before it, or brings it out again; sub-sections follow. */
export function indentSection(
	sections: readonly PlanSection[],
	id: string,
	level: 2 | 3
): readonly PlanSection[] {
	const at = sections.findIndex((section) => section.id === id);
	if (at < 1 || sections[at]!.level === 1 || sections[at]!.level === level) return sections;
	return tidyLevels(sections.map((section, i) => (i === at ? { ...section, level } : section)));
}

/** No sub-section without a section above it. */
function tidyLevels(sections: readonly PlanSection[]): PlanSection[] {
	return sections.map((section, i) => {
		const above = sections[i - 1];
		return section.level === 3 && (above === undefined || above.level === 1)
			? { ...section, level: 2 }
			: section;
	});
}

export function removeSection(
	sections: readonly PlanSection[],
	id: string
): readonly PlanSection[] {
	return tidyLevels(sections.filter((section) => section.id !== id || section.level === 1));
}

/** Sum of the budgets. */
export function plannedWords(sections: readonly PlanSection[]): number {
	return sections.reduce((sum, { budget }) => sum + budget, 0);
}

/** An empty section for the writer to fill. */
export function newSection(
	id: string,
	heading: string,
	budget: number,
	level: 2 | 3 = 2
): PlanSection {
	return {
		id,
		level,
		heading,
		kind: 'explanation',
		budget,
		topics: [],
		intent: 'plain',
		position: null,
		terms: [],
		questions: [],
		facts: [],
		locked: false
	};
}

/** A plan with its terms under the keys of today, in which spellings of one word meet. */
export function withTermKeys(plan: Plan): Plan {
	return {
		...plan,
		sections: plan.sections.map((section) => ({
			...section,
			terms: section.terms.map((placement) => ({
				...placement,
				term: termKeyOf(placement.term)
			}))
		})),
		unplaced: plan.unplaced.map((entry) => ({ ...entry, term: termKeyOf(entry.term) }))
	};
}
