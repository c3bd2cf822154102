import { leastPagesOf } from '../../findings';
import type { Findings } from '../../findings';
import type { Plan } from './outline';
import { topicsOf } from './section-topics';

/** Something the evidence says now that the plan was not made from. */
export type EvidenceChange =
	| { readonly kind: 'term'; readonly id: string; readonly term: string }
	| { readonly kind: 'topic'; readonly id: string; readonly topic: string }
	| { readonly kind: 'question'; readonly id: string; readonly question: string }
	/** A section whose topics no counted page has any more. */
	| { readonly kind: 'gone'; readonly id: string; readonly section: string }
	/** Terms that stand in the plan and are no findings any more. */
	| { readonly kind: 'lost-term'; readonly id: string; readonly term: string };

/** How far the evidence has moved since the plan was made: proposals, never changes. */
export function changesSince(plan: Plan, findings: Findings): EvidenceChange[] {
	const { basis } = plan;
	// a plan of earlier days says nothing of what it was made from
	if (basis.terms.length + basis.headings.length + basis.questions.length === 0) return [];
	const placed = new Set(plan.sections.flatMap(({ terms }) => terms.map(({ term }) => term)));
	const asked = new Set(
		plan.sections.flatMap(({ questions }) => questions.map(({ question }) => question))
	);
	const [terms, headings, questions] = [
		new Set(basis.terms),
		new Set(basis.headings),
		new Set(basis.questions)
	];
	const here = new Set(findings.terms.map(({ key }) => key));
	const least = leastPagesOf(findings.pages.length);
	return [
		...plan.sections.flatMap((section): EvidenceChange[] =>
			section.headings.length > 0 && topicsOf(section, findings).length === 0
				? [{ kind: 'gone', id: `gone:${section.id}`, section: section.id }]
				: []
		),
		...findings.topics.flatMap((topic): EvidenceChange[] =>
			topic.pages.length >= least && topic.headings.every(({ ref }) => !headings.has(ref))
				? [{ kind: 'topic', id: `topic:${topic.headings[0]!.ref}`, topic: topic.id }]
				: []
		),
		...findings.terms.flatMap(({ key, weight }): EvidenceChange[] =>
			weight !== 'could' && !terms.has(key) && !placed.has(key)
				? [{ kind: 'term', id: `term:${key}`, term: key }]
				: []
		),
		...findings.questions.flatMap(({ id, pages, lists }): EvidenceChange[] =>
			pages.length + lists.length > 1 && !questions.has(id) && !asked.has(id)
				? [{ kind: 'question', id: `question:${id}`, question: id }]
				: []
		),
		...[...placed].flatMap((term): EvidenceChange[] =>
			here.has(term) ? [] : [{ kind: 'lost-term', id: `lost:${term}`, term }]
		)
	];
}
