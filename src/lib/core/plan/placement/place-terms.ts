import { leastPagesOf, type Findings, type Term, type Topic } from '../../findings';
import { andList, termKeyOf } from '../../text';
import { affinitiesOf, affinityOf } from './affinity';
import { topicMatcher } from './match-topics';
import {
	type AffinityParts,
	type Plan,
	type PlanSection,
	type Remedy,
	type TermPlacement,
	type Unplaced,
	topicsOf
} from '../outline';
import { solvePlacement, type PlacementProblem } from './solve';

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
	least: 0.06,
	/** What a second use in one section is worth of the first. */
	repeat: 0.9,
	/** Part of a term's uses that one section may hold. */
	hereShare: 0.67,
	/** What being placed at all is worth, in first uses at full affinity. */
	firstUse: 0.5
} as const;

/** What a heading that speaks of a required phrase adds where no page says where it stands. */
const REQUIRED_BY_HEADING = 0.5;

/** Value of a placed use by weight of its term. */
const WEIGHT_VALUE = { must: 3, should: 2, could: 1 } as const;

/**
 * Places terms in sections: each term as often as it is wanted, each section one use in
 * `wordsPerUse` words, a term in `sectionsPerTerm` sections at most, so that the weighted sum of
 * affinities is highest (`solvePlacement`). A term that stands somewhere is worth more than one
 * that stands twice. Locked placements stay and take their room first; a section that refuses a
 * term and the sections outside a term's confines do not get it. `bound` is what no placement can exceed.
 */
export function placeTerms(
	findings: Findings,
	sections: readonly PlanSection[],
	confined: Plan['confined'] = {}
): Pick<Plan, 'sections' | 'value' | 'bound' | 'unplaced'> {
	const { terms } = findings;
	const { problem, parts, kept, wanted } = placementProblem(findings, sections, confined);
	const solved = solvePlacement(problem);
	const placed = sections.map((section, s) => ({
		...section,
		// a locked section stays as it is, to the order of what stands in it
		terms: section.locked
			? section.terms
			: [
					...kept[s]!,
					...terms.flatMap((term, t): TermPlacement[] => {
						const uses = solved.uses[t]![s]!;
						if (uses === 0) return [];
						return [
							{
								term: term.key,
								uses,
								affinity: affinityOf(parts[t]![s]!),
								parts: parts[t]![s]!,
								reason: reasonOf(term, parts[t]![s]!, findings),
								locked: false
							}
						];
					})
				].sort(
					(a, b) =>
						weightRank(terms, a) - weightRank(terms, b) ||
						b.affinity - a.affinity ||
						(a.term < b.term ? -1 : 1)
				)
	}));
	return {
		sections: placed,
		value: solved.value,
		bound: solved.bound,
		unplaced: unplacedOf(placed, findings, { wanted, parts, confined })
	};
}

/** A placement as figures, with what they were made from. */
export interface Posed {
	readonly problem: PlacementProblem;
	readonly parts: readonly (readonly AffinityParts[])[];
	/** Placements that stand already, by section. */
	readonly kept: TermPlacement[][];
	/** Uses wanted of each term. */
	readonly wanted: readonly number[];
}

/** Poses a placement: what each use is worth, how many are wanted and where there is room. */
export function placementProblem(
	findings: Findings,
	sections: readonly PlanSection[],
	confined: Plan['confined'] = {}
): Posed {
	const { terms } = findings;
	const parts = affinitiesOf(findings, sections);
	const keyword = termKeyOf(findings.keyword);
	const wanted = terms.map((term) =>
		wantedUses(
			term,
			keyword,
			terms.flatMap(({ key }) => (isInside(term.key, key) ? [key] : []))
		)
	);
	const needs = [...wanted];
	const room = sections.map(roomOf);
	const kept = lockedPlacements(sections, terms, needs, room);
	placeKeyword({ keyword, terms, sections, confined, parts }, { kept, needs, room });
	const holders = terms.map(
		({ key }) => kept.filter((of) => of.some(({ term }) => term === key)).length
	);
	const problem: PlacementProblem = {
		gains: terms.map((term, t) =>
			sections.map((section, s) =>
				section.locked ||
				kept[s]!.some((placement) => placement.term === term.key) ||
				!mayStand(term.key, section, confined)
					? 0
					: gainOf(term, section, parts[t]![s]!)
			)
		),
		needs: needs.map((need) => Math.max(0, need)),
		room: room.map((free) => Math.max(0, free)),
		firstUse: terms.map(({ weight }, t) =>
			holders[t]! > 0 ? 0 : WEIGHT_VALUE[weight] * PLACE_LIMITS.firstUse
		),
		mostHere: needs.map((need) => Math.max(1, Math.ceil(PLACE_LIMITS.hereShare * need))),
		// what sums up says each thing once
		mostOfOne: sections.map(({ kind }) =>
			kind === 'takeaways' || kind === 'closing' ? 1 : PLACE_LIMITS.usesPerTerm
		),
		spread: holders.map((held) => Math.max(0, PLACE_LIMITS.sectionsPerTerm - held)),
		repeat: PLACE_LIMITS.repeat
	};
	return { problem, parts, kept, wanted };
}

/** The exact keyword takes its place in the opening and in the section headed by it before all others. */
function placeKeyword(
	{
		keyword,
		terms,
		sections,
		confined,
		parts
	}: {
		readonly keyword: string;
		readonly terms: readonly Term[];
		readonly sections: readonly PlanSection[];
		readonly confined: Plan['confined'];
		readonly parts: Posed['parts'];
	},
	{
		kept,
		needs,
		room
	}: { readonly kept: TermPlacement[][]; readonly needs: number[]; readonly room: number[] }
): void {
	const main = terms.findIndex(({ key }) => key === keyword);
	sections.forEach((section, s) => {
		const reason =
			section.level === 1
				? 'The exact keyword stands in the first 100 words.'
				: section.level === 2 && ` ${termKeyOf(section.heading)} `.includes(` ${keyword} `)
					? 'The heading holds the exact keyword, and so does its text.'
					: null;
		if (reason === null || main < 0 || section.locked || needs[main]! <= 0) return;
		if (kept[s]!.some(({ term }) => term === keyword) || !mayStand(keyword, section, confined))
			return;
		kept[s]!.push({
			term: keyword,
			uses: 1,
			affinity: affinityOf(parts[main]![s]!),
			parts: parts[main]![s]!,
			reason,
			locked: false
		});
		needs[main]! -= 1;
		room[s]! -= 1;
	});
}

/** What the first use of a term in a section is worth. */
function gainOf(term: Term, section: PlanSection, parts: AffinityParts): number {
	const affinity = affinityOf(parts);
	// what the brief asks for and no page uses goes where a heading speaks of it, else where there is room
	if (term.uses.length === 0)
		return isRunning(section)
			? WEIGHT_VALUE[term.weight] *
					(PLACE_LIMITS.least + affinity + REQUIRED_BY_HEADING * parts.heading)
			: 0;
	return affinity < PLACE_LIMITS.least || !hasReason(parts)
		? 0
		: WEIGHT_VALUE[term.weight] * affinity;
}

/**
 * Uses of a term that a plan has places for: its least number within reason, less those that come by
 * themselves inside longer terms ("hammer" in "walling hammer").
 */
function wantedUses(term: Term, keyword: string, longer: readonly string[]): number {
	const isMain = term.key === keyword;
	const own = isMain || longer.length === 0 ? 1 : ownShare(term);
	if (own < COMES_BY_ITSELF) return 0;
	const most =
		!isMain && ` ${keyword} `.includes(` ${term.key} `)
			? PLACE_LIMITS.usesOfKeywordPart
			: PLACE_LIMITS.usesPerTerm;
	return Math.min(Math.ceil(own * term.min), most);
}

/** Part of its uses that lie outside longer terms, below which a term comes by itself. */
const COMES_BY_ITSELF = 0.4;

/** Placed uses that a section carries. */
function roomOf({ budget }: PlanSection): number {
	return Math.max(1, Math.floor(budget / PLACE_LIMITS.wordsPerUse));
}

/** Whether the writer lets a term stand in a section. */
function mayStand(term: string, section: PlanSection, confined: Plan['confined']): boolean {
	if (section.refused.includes(term)) return false;
	const only = confined[term];
	return only === undefined || only.includes(section.id);
}

/** Whether a section is made of running text on one matter. */
function isRunning({ kind, level }: PlanSection): boolean {
	return level > 1 && kind !== 'faq' && kind !== 'closing' && kind !== 'takeaways';
}

function ownShare({ uses }: Term): number {
	const all = uses.reduce((sum, use) => sum + use.count, 0);
	return all === 0 ? 1 : uses.reduce((sum, use) => sum + use.own, 0) / all;
}

function isInside(inner: string, outer: string): boolean {
	return inner.length < outer.length && ` ${outer} `.includes(` ${inner} `);
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

function weightRank(terms: readonly Term[], placement: TermPlacement): number {
	const weight = terms.find((term) => term.key === placement.term)?.weight ?? 'could';
	return weight === 'must' ? 0 : weight === 'should' ? 1 : 2;
}

interface Outcome {
	readonly wanted: readonly number[];
	readonly parts: readonly (readonly AffinityParts[])[];
	readonly confined: Plan['confined'];
}

/** Terms that stand nowhere, and wanted ones that stand too seldom, each with why and what would help. */
function unplacedOf(
	sections: readonly PlanSection[],
	findings: Findings,
	{ wanted, parts, confined }: Outcome
): Unplaced[] {
	const placed = new Map<string, number>();
	for (const { terms } of sections)
		for (const { term, uses } of terms) placed.set(term, (placed.get(term) ?? 0) + uses);
	const topicFor = missingTopics(sections, findings);
	return findings.terms.flatMap((term, t): Unplaced[] => {
		const count = placed.get(term.key) ?? 0;
		const isShort = term.weight === 'must' && count < wanted[t]!;
		if (count > 0 && !isShort) return [];
		const entry = { term: term.key, placed: count, wanted: wanted[t]! };
		if (term.uses.length === 0)
			return [{ ...entry, reason: 'no page uses it, so none says where', remedies: [] }];
		if (wanted[t] === 0)
			return [{ ...entry, reason: 'it comes by itself, inside longer terms', remedies: [] }];
		const open = sections
			.map((section, s) => ({ section, affinity: affinityOf(parts[t]![s]!), own: parts[t]![s]! }))
			.filter(({ affinity, own }) => affinity >= PLACE_LIMITS.least && hasReason(own))
			.sort((a, b) => b.affinity - a.affinity);
		const suiting = open.filter(
			({ section }) => !section.locked && mayStand(term.key, section, confined)
		);
		const topic = topicFor(term);
		const bySection: Remedy[] = topic ? [{ kind: 'section', topic: topic.id }] : [];
		const best = suiting.find(
			({ section }) => !section.terms.some((placement) => placement.term === term.key)
		);
		const byWords: Remedy[] = best
			? [
					{
						kind: 'words',
						section: best.section.id,
						words: wordsFor(best.section)
					}
				]
			: [];
		const reason =
			open.length === 0
				? 'no section speaks of what it stands under on the pages'
				: suiting.length === 0
					? 'the sections that suit it are locked or do not take it'
					: isShort && count > 0
						? `${count} of ${wanted[t]} uses have a place; the sections that suit it are full`
						: 'the sections that suit it are full';
		return [
			{
				...entry,
				reason,
				// a section that suits it well is the cheaper remedy; one of its own the better
				remedies:
					best && best.affinity >= SUITS_WELL
						? [...byWords, ...bySection]
						: [...bySection, ...byWords]
			}
		];
	});
}

/** Affinity from which a section suits a term well. */
const SUITS_WELL = 0.2;

/** Words by which a section has to grow for one more use, in steps of ten. */
function wordsFor(section: PlanSection): number {
	const uses = section.terms.reduce((sum, placement) => sum + placement.uses, 0);
	const least = (uses + 1) * PLACE_LIMITS.wordsPerUse - section.budget;
	return Math.max(10, Math.ceil(least / 10) * 10);
}

/** For a term the topic outside the outline under which most pages use it; null when there is none. */
function missingTopics(
	sections: readonly PlanSection[],
	findings: Findings
): (term: Term) => Topic | null {
	const match = topicMatcher(findings);
	const covered = new Set(
		sections.flatMap((section) => {
			const own = topicsOf(section, findings);
			const spoken = match(section.heading).map(({ topic }) => topic);
			return (own.length > 0 ? own : spoken.slice(0, 1)).map(({ id }) => id);
		})
	);
	const least = leastPagesOf(findings.pages.length);
	const open = findings.topics
		.filter(({ id, pages }) => !covered.has(id) && pages.length >= least)
		.map((topic) => ({
			topic,
			places: new Set(topic.headings.map(({ page, section }) => `${page}/${section}`))
		}));
	return (term) => {
		let best: { topic: Topic; pages: number } | null = null;
		for (const { topic, places } of open) {
			const pages = term.uses.filter(({ page, sections: on }) =>
				on.some(([section]) => places.has(`${page}/${section}`))
			).length;
			if (pages >= least && (best === null || pages > best.pages)) best = { topic, pages };
		}
		return best?.topic ?? null;
	};
}

function reasonOf(term: Term, parts: AffinityParts, findings: Findings): string {
	if (term.uses.length === 0)
		return parts.heading > 0
			? 'No page uses it; the heading shares words with it.'
			: 'No page uses it; it stands where there is room.';
	const said: string[] = [];
	const percent = (n: number) => `${Math.round(100 * n)}%`;
	if (parts.topic > 0) said.push(`pages use it under this topic (${percent(parts.topic)})`);
	if (parts.heading > 0) said.push('it shares words with the heading');
	if (parts.company > 0.1 && term.company.length > 0) {
		const phrases = term.company
			.slice(0, 2)
			.map((key) => findings.terms.find((other) => other.key === key)?.phrase ?? key);
		said.push(`it keeps company with ${andList(phrases)}`);
	}
	if (said.length === 0) said.push(`it usually comes ${percent(term.position)} of the way through`);
	const text = said.join('; ');
	return `${text[0]!.toUpperCase()}${text.slice(1)}.`;
}
