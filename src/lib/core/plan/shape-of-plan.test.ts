import { beforeAll, describe, expect, it } from 'vitest';
import { jobAnalysis } from '../../../../tests/support/job-analysis';
import type { Findings } from '../findings';
import { nearestSections } from './placement';
import { NO_WISHES, proposePlan } from './propose';
import { warningsOf } from './warnings';

let findings: Findings;
beforeAll(() => {
	({ findings } = jobAnalysis('moss-lawn'));
}, 60_000);

const between = (plan: ReturnType<typeof proposePlan>) =>
	plan.sections.filter(({ kind }) => !['opening', 'faq', 'closing', 'takeaways'].includes(kind));

describe('a plan as the brief wants it', () => {
	it('has as many sections as asked for', () => {
		for (const sections of [3, 6, 9])
			expect(between(proposePlan(findings, { ...NO_WISHES, sections }))).toHaveLength(sections);
	});

	it('has as many questions in its FAQ as asked for, and no FAQ for none', () => {
		const faqOf = (questions: number) =>
			proposePlan(findings, { ...NO_WISHES, questions }).sections.find(
				({ kind }) => kind === 'faq'
			);
		expect(faqOf(2)!.questions.length).toBeLessThanOrEqual(2);
		expect(faqOf(2)!.questions.length).toBeGreaterThan(0);
		expect(faqOf(0)).toBeUndefined();
	});

	it('differs by form: a list at a glance and flat, a comparison side by side, an answer short', () => {
		const of = (form: 'guide' | 'list' | 'comparison' | 'answer') =>
			proposePlan(findings, { ...NO_WISHES, form });
		expect(of('list').sections.map(({ heading }) => heading)).toContain('The list at a glance');
		expect(Math.max(...of('list').sections.map(({ level }) => level))).toBe(2);
		expect(of('comparison').sections[1]).toMatchObject({
			heading: 'Side by side',
			kind: 'comparison'
		});
		expect(between(of('answer')).length).toBeLessThan(between(of('guide')).length);
	});

	it('puts nothing of the notes twice, and every table and list of steps in one section', () => {
		const plan = proposePlan(findings);
		const wholes = new Map<string, Set<string>>();
		const seen = new Set<string>();
		for (const { id, notes } of plan.sections)
			for (const { note } of notes) {
				expect(seen.has(note)).toBe(false);
				seen.add(note);
				const whole = findings.notePassages.find((one) => one.id === note)?.whole?.id;
				if (whole) wholes.set(whole, (wholes.get(whole) ?? new Set()).add(id));
			}
		expect(wholes.size).toBeGreaterThan(1);
		for (const [whole, sections] of wholes) expect([...sections], whole).toHaveLength(1);
	});
});

describe('nearestSections', () => {
	it('names sections of the plan, the best first, and only for what is asked', () => {
		const plan = proposePlan(findings);
		const asked = new Set(findings.notePassages.slice(0, 5).map(({ id }) => id));
		const found = nearestSections(asked, plan.sections, findings, 2);
		expect([...found.keys()].sort()).toEqual([...asked].sort());
		for (const ids of found.values()) expect(ids.length).toBeLessThanOrEqual(2);
	});
});

describe('a section that the notes do not feed', () => {
	it('is warned of with what to find out, and not when there are no notes at all', () => {
		const plan = proposePlan(findings);
		const fed = plan.sections.find(({ notes, level }) => level === 2 && notes.length > 0)!;
		const starved = {
			...plan,
			sections: plan.sections.map((one) =>
				one === fed ? { ...one, notes: [], facts: [], questions: [] } : one
			)
		};
		const said = (now: Findings) =>
			warningsOf(starved, now).filter(
				({ id, section }) => id.startsWith('unfed') && section === fed.id
			);
		expect(said(findings)[0]!.text).toMatch(/^Nothing in your notes feeds “.+”\. .{10,}[.?]$/);
		expect(said({ ...findings, notePassages: [] })).toEqual([]);
	});
});
