import type { TopicIntent } from '../../reading';
import { termKeyOf } from '../../text';
import type { SectionKind } from '../../brief';

/** Why a term stands in a section; the parts add up to the affinity. */
export interface AffinityParts {
	/** How often pages use the term under this topic. */
	readonly topic: number;
	/** Terms it keeps company with that stand here. */
	readonly company: number;
	/** Words shared with the heading. */
	readonly heading: number;
	/** Share of pages that have it in headings of the section's level, or in their opening. */
	readonly level: number;
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
	/** Put there by hand: placing again leaves it. */
	readonly locked: boolean;
}

export interface FactPlacement {
	readonly fact: string;
	readonly reason: string;
	readonly locked: boolean;
}

export interface NotePlacement {
	/** Id of the passage. */
	readonly note: string;
	readonly reason: string;
	readonly locked: boolean;
}

export type SectionLevel = 1 | 2 | 3 | 4;

/** One section of the outline. Sections stand in reading order; depth is told by `level`. */
export interface PlanSection {
	readonly id: string;
	/** 1 for the opening under the title, 2 for sections, 3 and 4 for what stands inside them. */
	readonly level: SectionLevel;
	readonly heading: string;
	readonly kind: SectionKind;
	/** Words to aim at. */
	readonly budget: number;
	/** Topics of the findings that this section treats, by id. */
	readonly topics: readonly string[];
	/** Their headings on pages, by name: they find the topics again when the evidence changes. */
	readonly headings: readonly string[];
	readonly intent: TopicIntent;
	/** Where pages usually treat its topics, 0–1; null when no page does. */
	readonly position: number | null;
	readonly terms: readonly TermPlacement[];
	readonly questions: readonly QuestionPlacement[];
	readonly facts: readonly FactPlacement[];
	/** Passages of the writer's notes that belong here. */
	readonly notes: readonly NotePlacement[];
	/** Terms it does not take, by key. */
	readonly refused: readonly string[];
	/** Kept as it is by proposals and placements. */
	readonly locked: boolean;
}

/** What would give a term its place. */
export type Remedy =
	/** More words for a section that suits it. */
	| { readonly kind: 'words'; readonly section: string; readonly words: number }
	/** A section on a topic of the findings. */
	| { readonly kind: 'section'; readonly topic: string };
/** A term without a place, or with fewer than it wants. */
export interface Unplaced {
	readonly term: string;
	readonly placed: number;
	readonly wanted: number;
	readonly reason: string;
	/** The cheapest first. */
	readonly remedies: readonly Remedy[];
}

/** Names of what the evidence held. */
export interface PlanBasis {
	readonly terms: readonly string[];
	/** Headings of pages. */
	readonly headings: readonly string[];
	readonly questions: readonly string[];
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
	readonly unplaced: readonly Unplaced[];
	/** Sections outside which a term must not stand, by term key. */
	readonly confined: Readonly<Record<string, readonly string[]>>;
	/** What the evidence held when the plan was made or last looked over; what is new since is proposed. */
	readonly basis: PlanBasis;
	/** Warnings the writer set aside, by warning, with the reason given. */
	readonly dismissed: Readonly<Record<string, string>>;
}

/** Sum of the budgets. */
export function plannedWords(sections: readonly PlanSection[]): number {
	return sections.reduce((sum, { budget }) => sum + budget, 0);
}

/** What stands over a section in the article: the opening stands under the title. */
export function headingOf(
	plan: Pick<Plan, 'title'>,
	{ level, heading }: Pick<PlanSection, 'level' | 'heading'>
): string {
	return level === 1 ? plan.title : heading;
}

/** An empty section for the writer to fill. */
export function newSection(
	id: string,
	heading: string,
	budget: number,
	level: Exclude<SectionLevel, 1> = 2
): PlanSection {
	return {
		id,
		level,
		heading,
		kind: 'explanation',
		budget,
		topics: [],
		headings: [],
		intent: 'plain',
		position: null,
		terms: [],
		questions: [],
		facts: [],
		notes: [],
		refused: [],
		locked: false
	};
}

/** What an article is held against that nobody planned. */
export const NO_PLAN: Plan = {
	title: '',
	titleTag: '',
	description: '',
	slug: '',
	sections: [],
	value: 0,
	bound: 0,
	unplaced: [],
	confined: {},
	basis: { terms: [], headings: [], questions: [] },
	dismissed: {}
};

/** Values that plans of earlier days lack. */
const EARLIER: Pick<Plan, 'confined' | 'dismissed' | 'basis'> = {
	confined: {},
	dismissed: {},
	basis: { terms: [], headings: [], questions: [] }
};

/** A placement as it was before it could be locked. */
type EarlierPlacement<T extends { readonly locked: boolean }> = Omit<T, 'locked'> & Partial<T>;

/** A plan as it may have been stored by an earlier version. */
export type StoredShape = Omit<Plan, 'sections' | 'unplaced' | keyof typeof EARLIER> &
	Partial<typeof EARLIER> & {
		readonly sections: readonly (Omit<
			PlanSection,
			'headings' | 'questions' | 'facts' | 'notes' | 'refused' | 'terms'
		> &
			Partial<Pick<PlanSection, 'headings' | 'refused'>> & {
				readonly questions: readonly EarlierPlacement<QuestionPlacement>[];
				readonly facts: readonly EarlierPlacement<FactPlacement>[];
				readonly notes?: readonly EarlierPlacement<NotePlacement>[];
				readonly terms: readonly (Omit<TermPlacement, 'parts'> & {
					readonly parts: Omit<AffinityParts, 'level'> & Partial<AffinityParts>;
				})[];
			})[];
		readonly unplaced: readonly (Pick<Unplaced, 'term' | 'reason'> & Partial<Unplaced>)[];
	};
/**
 * A stored plan in today's form: what it lacks is empty, and its terms stand under the keys of
 * today, in which spellings of one word meet.
 */
export function planOfToday(plan: StoredShape): Plan {
	return {
		...EARLIER,
		...plan,
		sections: plan.sections.map((section) => ({
			headings: [],
			refused: [],
			...section,
			questions: section.questions.map((placed) => ({ ...placed, locked: placed.locked ?? false })),
			facts: section.facts.map((placed) => ({ ...placed, locked: placed.locked ?? false })),
			notes: (section.notes ?? []).map((placed) => ({ ...placed, locked: placed.locked ?? false })),
			terms: section.terms.map((placement) => ({
				...placement,
				parts: { level: 0, ...placement.parts },
				term: termKeyOf(placement.term)
			}))
		})),
		unplaced: plan.unplaced.map((entry) => ({
			placed: 0,
			wanted: 1,
			remedies: [],
			...entry,
			term: termKeyOf(entry.term)
		}))
	};
}
