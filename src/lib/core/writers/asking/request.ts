import type { Findings } from '../../findings';
import type { BlockNode } from '../../manuscript';
import { headingOf, type Plan, type PlanSection } from '../../plan';
import { wordsOfBlocks } from '../version';
import type { Material, Move, SectionRequest } from '../writer';

/** The request for one planned section. What the findings no longer hold is left out. */
export function sectionRequestOf(
	section: PlanSection,
	plan: Plan,
	findings: Findings,
	{
		move = 'draft' as Move,
		stands = [] as readonly BlockNode[],
		isPassage = false,
		mustNotSay = [] as readonly string[]
	} = {}
): SectionRequest {
	const at = plan.sections.findIndex(({ id }) => id === section.id);
	const headingAt = (position: number) => {
		const other = plan.sections[position];
		return other ? headingOf(plan, other) : null;
	};
	const material = (known: { id: string; source: string; text: string } | undefined): Material[] =>
		known ? [{ id: known.id, source: known.source, text: known.text }] : [];
	return {
		section: section.id,
		heading: headingOf(plan, section),
		level: section.level,
		kind: section.kind,
		move,
		budget: isPassage ? passageBudget(stands, move) : section.budget,
		terms: section.terms.flatMap(({ term, uses }) => {
			const known = findings.terms.find(({ key }) => key === term);
			return known ? [{ phrase: known.phrase, uses }] : [];
		}),
		questions: section.questions.flatMap(({ question }) => {
			const known = findings.questions.find(({ id }) => id === question);
			return known ? [{ id: known.id, text: known.text }] : [];
		}),
		facts: section.facts.flatMap(({ fact }) =>
			material(findings.facts.find(({ id }) => id === fact))
		),
		material: section.notes.flatMap(({ note }) =>
			material(findings.notePassages.find(({ id }) => id === note))
		),
		mustNotSay,
		neighbours: {
			before: at > 0 ? headingAt(at - 1) : null,
			after: at >= 0 ? headingAt(at + 1) : null
		},
		stands,
		...(isPassage ? { isPassage } : {})
	};
}

/** Words that what takes the place of a passage is to have. */
function passageBudget(stands: readonly BlockNode[], move: Move): number {
	const words = wordsOfBlocks(stands);
	const factor = move === 'lengthen' ? 1.6 : move === 'shorten' ? 0.6 : 1;
	return Math.max(20, Math.round((words * factor) / 5) * 5);
}
