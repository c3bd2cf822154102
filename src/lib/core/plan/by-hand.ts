import type { Findings, Topic } from '../findings';
import {
	headingRefsOf,
	newSection,
	type AffinityParts,
	type Plan,
	type PlanSection,
	type TermPlacement
} from './outline';
import { affinityOf } from './placement';
import { headingFor, plainOf } from './wording';

/** What can be placed in a section. */
export const PLACEABLE = ['term', 'question', 'fact', 'note'] as const;

export type Placeable = (typeof PLACEABLE)[number];

/** Things of one kind on their way to a section, and the one they come from, if any. */
export interface Placing {
	readonly kind: Placeable;
	readonly ids: readonly string[];
	readonly from: string | null;
}

const NO_PARTS: AffinityParts = { topic: 0, company: 0, heading: 0, level: 0, position: 0 };
const BY_HAND = 'You put it here.';

/**
 * The sections after things were put into one by hand, where they stay; they leave the section they
 * came from. What is there already is not put twice.
 *
 * @param affinities of all terms to all sections, by position; see `affinitiesOf`
 */
export function putByHand(
	sections: readonly PlanSection[],
	{ kind, ids, from }: Placing,
	into: string,
	findings: Findings,
	affinities: readonly (readonly AffinityParts[])[]
): PlanSection[] {
	const leaving = new Set(ids);
	const before = sections.find(({ id }) => id === from);
	return sections.map((section, s): PlanSection => {
		const rest = section.id === from ? withoutThese(section, kind, leaving) : section;
		if (section.id !== into) return rest;
		switch (kind) {
			case 'term': {
				const placed = newOnes(rest.terms, ids, ({ term }) => term).map((term): TermPlacement => {
					const t = findings.terms.findIndex(({ key }) => key === term);
					const parts = affinities[t]?.[s] ?? NO_PARTS;
					return {
						term,
						uses: before?.terms.find((other) => other.term === term)?.uses ?? 1,
						affinity: affinityOf(parts),
						parts,
						reason: BY_HAND,
						locked: true
					};
				});
				return {
					...rest,
					terms: [...rest.terms, ...placed],
					refused: rest.refused.filter((term) => !ids.includes(term))
				};
			}
			case 'question': {
				const placed = newOnes(rest.questions, ids, ({ question }) => question);
				return {
					...rest,
					questions: [
						...rest.questions,
						...placed.map((question) => ({ question, reason: BY_HAND, locked: true }))
					]
				};
			}
			case 'fact': {
				const placed = newOnes(rest.facts, ids, ({ fact }) => fact);
				return {
					...rest,
					facts: [...rest.facts, ...placed.map((fact) => ({ fact, reason: BY_HAND, locked: true }))]
				};
			}
			case 'note': {
				const placed = newOnes(rest.notes, ids, ({ note }) => note);
				return {
					...rest,
					notes: [...rest.notes, ...placed.map((note) => ({ note, reason: BY_HAND, locked: true }))]
				};
			}
		}
	});
}

function newOnes<T>(
	here: readonly T[],
	ids: readonly string[],
	idOf: (placed: T) => string
): string[] {
	const known = new Set(here.map(idOf));
	return ids.filter((id) => !known.has(id));
}

/** A section without some of what is placed in it. */
export function withoutThese(
	section: PlanSection,
	kind: Placeable,
	ids: ReadonlySet<string>
): PlanSection {
	switch (kind) {
		case 'term':
			return { ...section, terms: section.terms.filter(({ term }) => !ids.has(term)) };
		case 'question':
			return {
				...section,
				questions: section.questions.filter(({ question }) => !ids.has(question))
			};
		case 'fact':
			return { ...section, facts: section.facts.filter(({ fact }) => !ids.has(fact)) };
		case 'note':
			return { ...section, notes: section.notes.filter(({ note }) => !ids.has(note)) };
	}
}

/** Lets placing again move a question, fact or note of a section, or keeps it from doing so. */
export function withHeldTurned(
	section: PlanSection,
	kind: Exclude<Placeable, 'term'>,
	id: string
): PlanSection {
	const turned = <T extends { readonly locked: boolean }>(
		all: readonly T[],
		idOf: (placed: T) => string
	) => all.map((one) => (idOf(one) === id ? { ...one, locked: !one.locked } : one));
	switch (kind) {
		case 'question':
			return { ...section, questions: turned(section.questions, ({ question }) => question) };
		case 'fact':
			return { ...section, facts: turned(section.facts, ({ fact }) => fact) };
		case 'note':
			return { ...section, notes: turned(section.notes, ({ note }) => note) };
	}
}

/**
 * A plan that keeps a term to one section, or (null) lets it stand anywhere again. Where it is not
 * locked it leaves the other sections.
 */
export function confinedTo(plan: Plan, term: string, section: string | null): Plan {
	const { [term]: before, ...others } = plan.confined;
	if (section === null) return before === undefined ? plan : { ...plan, confined: others };
	return {
		...plan,
		confined: { ...others, [term]: [section] },
		sections: plan.sections.map((one) =>
			one.id === section
				? one
				: { ...one, terms: one.terms.filter((placed) => placed.term !== term || placed.locked) }
		)
	};
}

/** The outline with topics taken into it, each where pages usually treat it; and their new sections. */
export function withTopics(
	sections: readonly PlanSection[],
	topics: readonly Topic[],
	findings: Findings,
	newId: () => string
): { readonly sections: PlanSection[]; readonly added: readonly string[] } {
	let outline = [...sections];
	const added: string[] = [];
	for (const topic of topics) {
		const taken = new Set(outline.map(({ heading }) => plainOf(heading)));
		const words = Math.max(50, Math.round(topic.words / 5) * 5);
		const section: PlanSection = {
			...newSection(newId(), headingFor(topic, findings, taken), words),
			topics: [topic.id],
			headings: headingRefsOf([topic]),
			intent: topic.intent,
			position: topic.position
		};
		const after = outline.findIndex(
			({ level, position, kind }) =>
				level === 2 &&
				(kind === 'faq' || kind === 'closing' || (position !== null && position > topic.position))
		);
		outline = outline.toSpliced(after < 0 ? outline.length : after, 0, section);
		added.push(section.id);
	}
	return { sections: outline, added };
}

/** "1", "2", "2.1", "2.1.1" by section; the opening has an empty one. */
export function sectionNumbers(sections: readonly PlanSection[]): Map<string, string> {
	const counts = [0, 0, 0];
	return new Map(
		sections.map(({ id, level }) => {
			if (level === 1) return [id, ''];
			const depth = level - 2;
			counts[depth]!++;
			counts.fill(0, depth + 1);
			return [id, counts.slice(0, depth + 1).join('.')];
		})
	);
}
