import { describe, expect, it } from 'vitest';
import { demoStore } from '../../../../tests/support/demo';
import { jobEvidence } from '../../../../tests/support/job-analysis';
import { runThrough } from '../keywords';
import { docText } from '../manuscript';
import { proposePlan } from '../plan';
import { draftArticle } from '../writers';
import { analyse, draftMaterialOf } from './analyse';
import type { Evidence } from './evidence';

/** The same evidence under other ids, in another order. */
function renamed(evidence: Evidence, idOf: (at: number) => string): Evidence {
	return {
		...evidence,
		pages: evidence.pages.map((page, i) => ({ ...page, id: idOf(i) })).reverse(),
		notes: evidence.notes.map((note, i) => ({ ...note, id: idOf(100 + i) }))
	};
}

/** All that a writer sees of plan and draft, without ids. */
function seen(evidence: Evidence) {
	const analysis = runThrough(analyse(evidence, demoStore()));
	const { findings } = analysis;
	const plan = proposePlan(findings);
	const textOf = (list: readonly { id: string; text: string }[], id: string) =>
		list.find((one) => one.id === id)?.text;
	return {
		terms: findings.terms.map(({ phrase }) => phrase),
		topics: findings.topics.map(({ label }) => label),
		questions: findings.questions.map(({ text }) => text),
		figures: findings.figures.map(({ label, low, high }) => ({ label, low, high })),
		title: plan.title,
		sections: plan.sections.map((section) => ({
			heading: section.heading,
			budget: section.budget,
			terms: section.terms.map(({ term, uses }) => `${term} ×${uses}`),
			questions: section.questions.map(({ question }) => textOf(findings.questions, question)),
			facts: section.facts.map(({ fact }) => textOf(findings.facts, fact)),
			notes: section.notes.map(({ note }) => textOf(findings.notePassages, note))
		})),
		draft: draftArticle(draftMaterialOf(analysis, plan)).content.map(docText)
	};
}

describe('what comes of some evidence', () => {
	it.each(['moss-lawn', 'house-move'])(
		'is the same whatever pages and notes are called inside: %s',
		(job) => {
			const evidence = jobEvidence(job);
			const one = seen(renamed(evidence, (at) => `id-${1000 + at}`));
			const two = seen(renamed(evidence, (at) => `id-${9000 - at}`));
			const three = seen(renamed(evidence, (at) => `${(at * 7919) % 1009}`));
			expect(two).toEqual(one);
			expect(three).toEqual(one);
		},
		120_000
	);
});
