import type { PlanSection, SectionLevel } from './outline';

/*
 * Changes of an outline. Each gives a new list, or the same list when nothing can change; the
 * opening stays first, and no heading skips a level.
 */

type Sections = readonly PlanSection[];

const DEEPEST = 4;

/** Positions of a section and what stands inside it: `from` included, `to` excluded. */
function branchOf(sections: Sections, at: number): { from: number; to: number } {
	const { level } = sections[at]!;
	let to = at + 1;
	while (to < sections.length && sections[to]!.level > level && level > 1) to++;
	return { from: at, to };
}

function found(sections: Sections, id: string): number {
	const at = sections.findIndex((section) => section.id === id);
	return at >= 0 && sections[at]!.level > 1 ? at : -1;
}

/** Moves a section with what is inside it past its neighbour; the first and last leave their parent. */
export function moveSection(sections: Sections, id: string, by: -1 | 1): Sections {
	const at = found(sections, id);
	if (at < 0) return sections;
	const { from, to } = branchOf(sections, at);
	const moved = sections.slice(from, to);
	const rest = [...sections.slice(0, from), ...sections.slice(to)];
	const { level } = moved[0]!;
	let target: number;
	if (by < 0) {
		target = from - 1;
		while (target > 0 && rest[target]!.level > level) target--;
		if (target < 1 || (level > 2 && rest[target]!.level === 1)) return sections;
	} else {
		if (from >= rest.length) return sections;
		target = from + 1;
		while (target < rest.length && rest[target]!.level > level) target++;
	}
	return tidyLevels([...rest.slice(0, target), ...moved, ...rest.slice(target)]);
}

/** Puts a section with what is inside it before the section at `target` of the list without them. */
export function placeSection(sections: Sections, id: string, target: number): Sections {
	const at = found(sections, id);
	if (at < 0) return sections;
	const { from, to } = branchOf(sections, at);
	const rest = [...sections.slice(0, from), ...sections.slice(to)];
	const into = Math.max(1, Math.min(rest.length, target));
	return tidyLevels([...rest.slice(0, into), ...sections.slice(from, to), ...rest.slice(into)]);
}

/** Puts a section inside the one before it, or brings it out; what is inside it comes along. */
export function indentSection(sections: Sections, id: string, by: 1 | -1): Sections {
	const at = found(sections, id);
	if (at < 0) return sections;
	const { from, to } = branchOf(sections, at);
	const { level } = sections[at]!;
	const deepest = Math.max(...sections.slice(from, to).map((section) => section.level));
	if (by < 0 && level === 2) return sections;
	if (by > 0 && (deepest === DEEPEST || sections[at - 1]!.level < level)) return sections;
	return tidyLevels(
		sections.map((section, i) =>
			i >= from && i < to ? { ...section, level: (section.level + by) as SectionLevel } : section
		)
	);
}

/** No heading stands more than one level below the one before it. */
export function tidyLevels(sections: Sections): PlanSection[] {
	let above = 0;
	return sections.map((section, i) => {
		const level = i === 0 ? section.level : (Math.min(section.level, above + 1) as SectionLevel);
		above = level;
		return level === section.level ? section : { ...section, level };
	});
}

/** Takes a section out; what was inside it stays, a level higher where it must. */
export function removeSection(sections: Sections, id: string): Sections {
	const at = found(sections, id);
	return at < 0 ? sections : tidyLevels(sections.filter((_, i) => i !== at));
}

/** Joins a section with the one before it, which takes its words and all that stands in it. */
export function mergeSection(sections: Sections, id: string): Sections {
	const at = found(sections, id);
	if (at < 2) return sections;
	const gone = sections[at]!;
	const into = sections[at - 1]!;
	const taken = <P>(mine: readonly P[], theirs: readonly P[], nameOf: (one: P) => string) => {
		const names = new Set(mine.map(nameOf));
		return [...mine, ...theirs.filter((one) => !names.has(nameOf(one)))];
	};
	const uses = new Map(gone.terms.map((placement) => [placement.term, placement.uses]));
	const merged: PlanSection = {
		...into,
		budget: into.budget + gone.budget,
		topics: [...new Set([...into.topics, ...gone.topics])],
		headings: [...new Set([...into.headings, ...gone.headings])],
		terms: taken(
			into.terms.map((placement) => ({
				...placement,
				uses: placement.uses + (uses.get(placement.term) ?? 0)
			})),
			gone.terms,
			({ term }) => term
		),
		questions: taken(into.questions, gone.questions, ({ question }) => question),
		facts: taken(into.facts, gone.facts, ({ fact }) => fact),
		notes: taken(into.notes, gone.notes, ({ note }) => note),
		refused: into.refused.filter((term) => gone.refused.includes(term))
	};
	return tidyLevels(
		sections.flatMap((section, i) => (i === at ? [] : i === at - 1 ? [merged] : [section]))
	);
}

/** Splits a section in two of half its words; the second takes the later half of what stands in it. */
export function splitSection(sections: Sections, id: string, newId: string): Sections {
	const at = found(sections, id);
	if (at < 0) return sections;
	const whole = sections[at]!;
	const half = Math.round(whole.budget / 10) * 5;
	const parts = <P>(all: readonly P[]) => {
		const middle = Math.ceil(all.length / 2);
		return [all.slice(0, middle), all.slice(middle)] as const;
	};
	const [topics, terms] = [parts(whole.topics), parts(whole.terms)];
	const [questions, facts, notes] = [
		parts(whole.questions),
		parts(whole.facts),
		parts(whole.notes)
	];
	const first: PlanSection = {
		...whole,
		budget: half,
		topics: topics[0],
		terms: terms[0],
		questions: questions[0],
		facts: facts[0],
		notes: notes[0]
	};
	const second: PlanSection = {
		...whole,
		id: newId,
		heading: `${whole.heading}, continued`,
		budget: whole.budget - half,
		// a topic that cannot be halved speaks of both
		topics: topics[1].length > 0 ? topics[1] : whole.topics,
		terms: terms[1],
		questions: questions[1],
		facts: facts[1],
		notes: notes[1],
		locked: false
	};
	return [...sections.slice(0, at), first, second, ...sections.slice(at + 1)];
}

/** A second section like this one after it, with nothing placed in it. */
export function duplicateSection(sections: Sections, id: string, newId: string): Sections {
	const at = found(sections, id);
	if (at < 0) return sections;
	const { to } = branchOf(sections, at);
	const copy: PlanSection = {
		...sections[at]!,
		id: newId,
		heading: `${sections[at]!.heading}, once more`,
		terms: [],
		questions: [],
		facts: [],
		notes: [],
		locked: false
	};
	return [...sections.slice(0, to), copy, ...sections.slice(to)];
}
