import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Findings } from '../findings';
import { demoFindings } from '../../../../tests/support/demo';
import { containsTerm, headingFor, objectOf, plainOf, slugOf, withBriefTitles } from './wording';
import {
	fitToTarget,
	indentSection,
	moveSection,
	newSection,
	placeSection,
	plannedWords,
	removeSection,
	type Plan,
	type PlanSection
} from './outline';
import { FlowNetwork, PLACE_LIMITS } from './placement';
import { placeRest, proposePlan } from './propose';
import { warningsOf } from './warnings';

let findings: Findings;
let plan: Plan;

beforeAll(() => {
	({ findings } = demoFindings());
	plan = proposePlan(findings);
}, 60_000);

describe('FlowNetwork', () => {
	/** Best total gain by trying every assignment of uses, each term at most once in a section. */
	function bruteForce(
		gains: readonly (readonly number[])[],
		needs: readonly number[],
		room: readonly number[]
	): number {
		const cells = gains.flatMap((row, t) => row.map((gain, s) => ({ t, s, gain })));
		const search = (at: number, left: number[], free: number[]): number => {
			if (at === cells.length) return 0;
			const { t, s, gain } = cells[at]!;
			const skip = search(at + 1, left, free);
			if (left[t]! < 1 || free[s]! < 1) return skip;
			const take = gain + search(at + 1, left.with(t, left[t]! - 1), free.with(s, free[s]! - 1));
			return Math.max(skip, take);
		};
		return search(0, [...needs], [...room]);
	}

	it('finds the best assignment, as trying all of them does', () => {
		const small = fc.record({
			gains: fc.array(fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 3, maxLength: 3 }), {
				minLength: 1,
				maxLength: 4
			}),
			needs: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 4, maxLength: 4 }),
			room: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 3, maxLength: 3 })
		});
		fc.assert(
			fc.property(small, ({ gains, needs, room }) => {
				const terms = gains.length;
				const network = new FlowNetwork(terms + 5);
				const sink = terms + 4;
				gains.forEach((row, t) => {
					network.connect(0, 1 + t, needs[t]!, 0);
					row.forEach((gain, s) => network.connect(1 + t, 1 + terms + s, 1, -gain));
				});
				room.forEach((free, s) => network.connect(1 + terms + s, sink, free, 0));
				expect(-network.minimise(0, sink)).toBeCloseTo(bruteForce(gains, needs, room), 6);
			})
		);
	});
});

describe('proposePlan', () => {
	it('gives budgets that sum to the target', () => {
		expect(plannedWords(plan.sections)).toBe(findings.targetWords);
	});

	it('puts the exact keyword into title, title tag, one H2, the opening, description and slug', () => {
		expect(plan.title.toLowerCase()).toContain(findings.keyword);
		expect(plan.titleTag.toLowerCase()).toContain(findings.keyword);
		expect(plan.description.toLowerCase()).toContain(findings.keyword);
		expect(plan.slug).toBe('how-to-build-a-dry-stone-wall');
		expect(
			plan.sections.some(
				({ level, heading }) => level === 2 && containsTerm(heading, findings.keyword)
			)
		).toBe(true);
		expect(plan.sections[0]!.terms.map(({ term }) => term)).toContain(findings.terms[0]!.key);
	});

	it('takes no page’s heading of more than three words', () => {
		const theirs = new Set(
			findings.topics.flatMap(({ headings }) => headings.map(({ text }) => plainOf(text)))
		);
		for (const { heading } of plan.sections) {
			if (heading.split(' ').length > 3) expect(theirs.has(plainOf(heading)), heading).toBe(false);
		}
	});

	it('places every must term or says why not', () => {
		const placed = new Set(plan.sections.flatMap(({ terms }) => terms.map(({ term }) => term)));
		for (const { key, weight } of findings.terms) {
			if (weight === 'must' && !placed.has(key))
				expect(plan.unplaced.find(({ term }) => term === key)?.reason).toBeTruthy();
		}
	});

	it('loads no section beyond what its budget carries, and no term into too many sections', () => {
		const holders = new Map<string, number>();
		for (const { terms, budget, kind } of plan.sections) {
			const uses = terms.reduce((sum, placement) => sum + placement.uses, 0);
			const room = Math.max(1, Math.floor(budget / PLACE_LIMITS.wordsPerUse));
			// the exact keyword joins the opening whatever its room
			expect(uses).toBeLessThanOrEqual(room + (kind === 'opening' ? 1 : 0));
			for (const { term } of terms) holders.set(term, (holders.get(term) ?? 0) + 1);
		}
		expect(Math.max(...holders.values())).toBeLessThanOrEqual(PLACE_LIMITS.sectionsPerTerm + 1);
	});

	it('stays within a hundredth of its bound', () => {
		expect(plan.value).toBeLessThanOrEqual(plan.bound + 1e-9);
		expect(plan.value).toBeGreaterThanOrEqual(0.99 * plan.bound);
	});

	it('sets terms where pages use them', () => {
		const sectionOf = (term: string) =>
			plan.sections
				.filter(({ terms }) => terms.some((placed) => placed.term === term))
				.map(({ heading }) => heading);
		expect(sectionOf('foundation trench').join()).toMatch(/trench/i);
		expect(sectionOf('walling hammer').join()).toMatch(/tools/i);
		expect(sectionOf('cope').join()).toMatch(/cope/i);
	});

	it('gives the same plan for the same findings', () => {
		expect(proposePlan(findings)).toEqual(plan);
	});

	it('plans something for one page alone, and for a keyword nobody treats', () => {
		const { findings: few } = demoFindings({
			pages: 1,
			keyword: 'growing tulips in pots',
			targetWords: null
		});
		const thin = proposePlan(few);
		expect(thin.sections.length).toBeGreaterThan(2);
		expect(plannedWords(thin.sections)).toBe(few.targetWords);
	});
});

describe('placeRest', () => {
	it('leaves locked sections and locked placements alone', () => {
		const locked = plan.sections.map((section, i) =>
			i === 3
				? { ...section, locked: true }
				: i === 5
					? {
							...section,
							terms: section.terms.map((placed, t) =>
								t === 0 ? { ...placed, uses: 2, locked: true } : placed
							)
						}
					: section
		);
		const again = placeRest({ ...plan, sections: locked }, findings);
		expect(again.sections[3]).toEqual(locked[3]);
		expect(again.sections[5]!.terms).toContainEqual(locked[5]!.terms[0]);
	});
});

describe('outline', () => {
	const outline = (levels: readonly (1 | 2 | 3 | 4)[]): PlanSection[] =>
		levels.map((level, i) => ({ ...newSection(`s${i}`, `Section ${i}`, 100), level: level as 2 }));
	const ids = (sections: readonly PlanSection[]) =>
		sections.map(({ id, level }) => `${id}:${level}`).join(' ');

	it('moves a section with its sub-sections past its neighbour', () => {
		const sections = outline([1, 2, 3, 3, 2, 2]);
		expect(ids(moveSection(sections, 's4', -1))).toBe('s0:1 s4:2 s1:2 s2:3 s3:3 s5:2');
		expect(ids(moveSection(sections, 's1', 1))).toBe('s0:1 s4:2 s1:2 s2:3 s3:3 s5:2');
		expect(moveSection(sections, 's5', 1)).toBe(sections);
		expect(moveSection(sections, 's0', 1)).toBe(sections);
	});

	it('drops a section where it was dragged, never above the opening', () => {
		expect(ids(placeSection(outline([1, 2, 2]), 's2', 0))).toBe('s0:1 s2:2 s1:2');
	});

	it('indents, brings out, and leaves no sub-section without a section', () => {
		expect(ids(indentSection(outline([1, 2, 2]), 's2', 1))).toBe('s0:1 s1:2 s2:3');
		expect(ids(removeSection(outline([1, 2, 3]), 's1'))).toBe('s0:1 s2:2');
	});

	it('keeps every section and the opening first through any moves', () => {
		const move = fc.tuple(
			fc.integer({ min: 0, max: 7 }),
			fc.constantFrom('up', 'down', 'in', 'out', 'drop'),
			fc.integer({ min: 0, max: 8 })
		);
		fc.assert(
			fc.property(fc.array(move, { maxLength: 30 }), (moves) => {
				let sections: readonly PlanSection[] = outline([1, 2, 3, 2, 2, 3, 3, 2]);
				for (const [n, how, to] of moves) {
					const id = `s${n}`;
					if (how === 'up') sections = moveSection(sections, id, -1);
					if (how === 'down') sections = moveSection(sections, id, 1);
					if (how === 'in') sections = indentSection(sections, id, 1);
					if (how === 'out') sections = indentSection(sections, id, -1);
					if (how === 'drop') sections = placeSection(sections, id, to);
				}
				expect(sections[0]!.id).toBe('s0');
				expect(sections.map(({ id }) => id).sort()).toEqual([
					's0',
					's1',
					's2',
					's3',
					's4',
					's5',
					's6',
					's7'
				]);
				sections.forEach(({ level }, i) => {
					if (level === 3) expect(sections[i - 1]!.level).toBeGreaterThan(1);
				});
			})
		);
	});

	it('fits budgets to any target without touching locked ones', () => {
		const sections = outline([1, 2, 2, 2]).map((section, i) =>
			i === 1 ? { ...section, locked: true } : section
		);
		const fitted = fitToTarget(sections, 1003);
		expect(plannedWords(fitted)).toBe(1003);
		expect(fitted[1]!.budget).toBe(100);
	});
});

describe('wording', () => {
	it('finds what a keyword is about', () => {
		expect(objectOf('How to build a dry stone wall')).toBe('a dry stone wall');
		expect(objectOf('what is hearting')).toBe('hearting');
		expect(objectOf('dry stone wall cost')).toBe('dry stone wall cost');
	});

	it('never gives a heading that is taken', () => {
		const topic = findings.topics.find(({ intent }) => intent === 'cost')!;
		const first = headingFor(topic, findings, new Set());
		expect(headingFor(topic, findings, new Set([plainOf(first)]))).not.toBe(first);
	});

	it('makes slugs of letters, digits and hyphens', () => {
		expect(slugOf('Mother’s café: 3 ways!')).toBe('mothers-cafe-3-ways');
	});
});

describe('warningsOf', () => {
	const texts = (changed: Partial<Plan>) =>
		warningsOf({ ...plan, ...changed }, findings)
			.map(({ text }) => text)
			.join('\n');

	it('finds a proposed plan in order', () => {
		// what the notes do not feed is the writer's to find out
		const ofThePlan = warningsOf(plan, findings).filter(({ id }) => !id.startsWith('unfed'));
		expect(ofThePlan).toEqual([]);
	});

	it('warns of a missing keyword, doubled and copied headings, and a crowded section', () => {
		expect(texts({ title: 'Walls' })).toMatch(/title does not hold/);
		const [a, b, ...rest] = plan.sections.slice(1);
		expect(
			texts({ sections: [plan.sections[0]!, a!, { ...b!, heading: a!.heading }, ...rest] })
		).toMatch(/stands twice/);
		expect(
			texts({
				sections: [plan.sections[0]!, { ...a!, heading: 'What goes wrong, and how to mend it' }]
			})
		).toMatch(/worded like a page/);
		expect(texts({ sections: [plan.sections[0]!, { ...a!, budget: 20 }] })).toMatch(/too many/);
	});
});

describe('effort and titles of the brief', () => {
	const supporting = (): Findings => ({ ...findings, effort: 'supporting' });

	it('asks less of a supporting article: fewer sections and questions, no keyword in an H2', () => {
		const small = proposePlan(supporting());
		const questionsIn = (plan: Plan) =>
			plan.sections.find(({ kind }) => kind === 'faq')?.questions.length ?? 0;
		expect(small.sections.length).toBeLessThan(plan.sections.length);
		expect(questionsIn(small)).toBeLessThanOrEqual(3);
		expect(questionsIn(plan)).toBeGreaterThan(questionsIn(small));
		expect(plannedWords(small.sections)).toBe(1800);
		const plain = {
			...small,
			sections: small.sections.map((section) =>
				section.level === 2 ? { ...section, heading: `Part ${section.id}` } : section
			)
		};
		const asksForH2 = (held: Findings) =>
			warningsOf(plain, held).some(({ text }) => text.startsWith('No H2 holds'));
		expect(asksForH2(findings)).toBe(true);
		expect(asksForH2(supporting())).toBe(false);
	});

	it('takes the titles that were agreed, the title tag only where it fits', () => {
		const long =
			'How to build a dry stone wall that outlives you, your children and the lane it stands in';
		expect(
			withBriefTitles(plan, { workingTitle: 'Walls that last', description: ' A guide. ' })
		).toEqual({
			...plan,
			title: 'Walls that last',
			titleTag: 'Walls that last',
			description: 'A guide.'
		});
		expect(withBriefTitles(plan, { workingTitle: long, description: '' })).toEqual({
			...plan,
			title: long
		});
		expect(withBriefTitles(plan, { workingTitle: '', description: '' })).toEqual(plan);
	});
});
