import type { Findings } from '../findings';
import { fitToTarget, type Plan, type PlanSection } from './outline';
import { plainOf } from './wording';
import { NO_WISHES, placeRest, proposePlan, type Wishes } from './propose';

/**
 * Proposes anew over a plan that stands. Sections on the same matter keep their ids, so that
 * manuscripts stay with them; locked sections stay as they are and where they were; what the writer
 * put into sections that still stand, and decided about terms and warnings, holds.
 *
 * @param newId makes an id for a section that the old plan did not have
 */
export function proposeAgain(
	before: Plan,
	findings: Findings,
	newId: () => string,
	wishes: Wishes = NO_WISHES
): Plan {
	const proposed = proposePlan(findings, wishes);
	const sections = withPutByHand(
		withLocked(withIdsOf(proposed.sections, before.sections, newId), before.sections),
		before.sections
	);
	const ids = new Set(sections.map(({ id }) => id));
	const confined = Object.fromEntries(
		Object.entries(before.confined).filter(([, only]) => only.some((id) => ids.has(id)))
	);
	const plan = {
		...proposed,
		sections: fitToTarget(sections, findings.targetWords),
		confined,
		dismissed: before.dismissed
	};
	return placeRest(plan, findings);
}

/** New sections under the ids of the old ones that treat the same. */
export function withIdsOf(
	sections: readonly PlanSection[],
	before: readonly PlanSection[],
	newId: () => string
): PlanSection[] {
	const free = new Set(before);
	const likeness = (a: PlanSection, b: PlanSection): number => {
		if (a.level === 1 || b.level === 1) return a.level === b.level ? 9 : 0;
		const isNamed = plainOf(a.heading) === plainOf(b.heading) ? 2 : 0;
		const isKind = a.kind === b.kind && (a.kind === 'faq' || a.kind === 'closing') ? 1 : 0;
		const refs = new Set(b.headings);
		const shared = a.headings.filter((ref) => refs.has(ref)).length;
		return isNamed + isKind + (shared === 0 ? 0 : shared / Math.max(a.headings.length, refs.size));
	};
	// the likeliest pairs first, so that a near namesake does not take what is another's
	const pairs = sections
		.flatMap((section) => before.map((old) => ({ section, old, value: likeness(section, old) })))
		.filter(({ value }) => value >= 0.3)
		.sort((a, b) => b.value - a.value);
	const idOf = new Map<PlanSection, string>();
	for (const { section, old } of pairs) {
		if (idOf.has(section) || !free.has(old)) continue;
		idOf.set(section, old.id);
		free.delete(old);
	}
	return sections.map((section) => ({ ...section, id: idOf.get(section) ?? newId() }));
}

/** What was put into sections by hand, or kept out of them, holds where the section still stands. */
function withPutByHand(
	sections: readonly PlanSection[],
	before: readonly PlanSection[]
): PlanSection[] {
	const old = new Map(before.map((section) => [section.id, section]));
	return sections.map((section) => {
		const was = old.get(section.id);
		if (!was || section.locked) return section;
		const terms = was.terms.filter(({ locked }) => locked);
		const keys = new Set(terms.map(({ term }) => term));
		return {
			...section,
			terms: [...terms, ...section.terms.filter(({ term }) => !keys.has(term))],
			questions: was.questions.filter(({ locked }) => locked),
			facts: was.facts.filter(({ locked }) => locked),
			notes: was.notes.filter(({ locked }) => locked),
			refused: was.refused
		};
	});
}

/** Locked sections as they were: in place of the new one on the same, else after what they followed. */
function withLocked(
	sections: readonly PlanSection[],
	before: readonly PlanSection[]
): PlanSection[] {
	const locked = new Map(
		before.filter((section) => section.locked).map((section) => [section.id, section])
	);
	const merged = sections.map((section) => locked.get(section.id) ?? section);
	before.forEach((section, i) => {
		if (!section.locked || merged.some(({ id }) => id === section.id)) return;
		const previous = before
			.slice(0, i)
			.findLast(({ id }) => merged.some((other) => other.id === id));
		const at = previous ? merged.findIndex(({ id }) => id === previous.id) + 1 : merged.length;
		merged.splice(at, 0, section);
	});
	return merged;
}
