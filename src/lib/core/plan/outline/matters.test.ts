import { beforeAll, describe, expect, it } from 'vitest';
import { assignmentAnalysis } from '../../../../../tests/support/job-analysis';
import type { Findings } from '../../findings';
import { proposePlan } from '../propose';

let findings: Findings;
let headings: string[];
beforeAll(() => {
	({ findings } = assignmentAnalysis('hens'));
	headings = proposePlan(findings)
		.sections.filter(({ level, kind }) => level === 2 && kind !== 'faq' && kind !== 'closing')
		.map(({ heading }) => heading);
}, 60_000);

const at = (word: RegExp) => headings.findIndex((heading) => word.test(heading));

/*
 * Four pages of four makes: one in a cell of a table with bold lines for headings, one that answers
 * question after question.
 */
describe('what an article treats, from few and unlike pages', () => {
	it('reads headings that are bold lines in a cell', () => {
		const said = findings.topics.flatMap(({ headings }) => headings.map(({ text }) => text));
		expect(said).toContain('Buy or build a coop');
		expect(said.length).toBeGreaterThan(25);
	});

	it('keeps two things apart that are chosen alike', () => {
		expect(at(/coop/i)).toBeGreaterThanOrEqual(0);
		expect(at(/hens/i)).toBeGreaterThanOrEqual(0);
		expect(at(/coop/i)).not.toBe(at(/hens/i));
	});

	it('begins where pages that are a course begin, and not with a question of a list', () => {
		expect(at(/nois|sound/i)).toBeGreaterThan(1);
		expect(at(/rules/i)).toBe(0);
		expect(at(/cost/i)).toBeGreaterThan(at(/coop/i));
	});

	it('fills room that is left with what one page treats at length', () => {
		expect(headings).toContain('Keep the foxes out');
	});
});
