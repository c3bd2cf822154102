import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { moveSection, newSection, removeSection, type Plan, type PlanSection } from '../plan';
import { docText, type TakeDoc } from './node';
import { headOf } from './sections';
import { followPlan, outlineDifference, planFromTake } from './follow-plan';
import { heading, paragraph, textNode } from './build';
import { planOf } from '../../../../tests/support/plans';

const [a, b, c] = ['A', 'B', 'C'].map((name) => newSection(name, `Section ${name}`, 100)) as [
	PlanSection,
	PlanSection,
	PlanSection
];
const plan = planOf(a, b, c);
const words = (text: string) => paragraph(textNode(text));
const doc: TakeDoc = {
	type: 'doc',
	content: [
		heading(1, 'Walls', 'top'),
		words('in the opening'),
		...[a, b, c].flatMap(({ id, heading: text }) => [
			heading(2, text, id),
			words(`under ${id}`),
			words(`more under ${id}`)
		])
	]
};
const headings = (of: TakeDoc) =>
	of.content.filter(({ type }) => type === 'heading').map((node) => docText(node));
const texts = (of: TakeDoc) =>
	of.content.filter(({ type }) => type === 'paragraph').map((node) => docText(node));

describe('a manuscript that follows its plan', () => {
	it('is renamed, moved and given new headings without losing a word', () => {
		const after: Plan = {
			...planOf(c, { ...a, heading: 'The first' }, newSection('N', 'New', 50), b),
			title: 'Walls that last'
		};
		const followed = followPlan(doc, plan, after);
		expect(headings(followed)).toEqual([
			'Walls that last',
			'Section C',
			'The first',
			'New',
			'Section B'
		]);
		expect(texts(followed).filter(Boolean).sort()).toEqual(texts(doc).sort());
		expect(texts(followed).slice(1, 3)).toEqual(['under C', 'more under C']);
	});

	it('leaves a heading the writer worded otherwise, and text of sections that are gone', () => {
		const own: TakeDoc = {
			...doc,
			content: doc.content.map((node) =>
				headOf(node).section === 'A' ? heading(2, 'My own words', 'A') : node
			)
		};
		const after = planOf({ ...a, heading: 'Renamed' }, c);
		const followed = followPlan(own, plan, after);
		expect(headings(followed)).toEqual(['Walls', 'My own words', 'Section B', 'Section C']);
		expect(texts(followed)).toEqual(texts(doc));
		expect(followPlan(doc, plan, plan)).toBe(doc);
	});

	it('comes back when the change is taken back, after any moves, renames and removals', () => {
		const change = fc.tuple(
			fc.constantFrom('A', 'B', 'C'),
			fc.constantFrom('up', 'down', 'name', 'remove')
		);
		fc.assert(
			fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
				let sections: readonly PlanSection[] = plan.sections;
				let take = doc;
				changes.forEach(([id, how], i) => {
					const before = { ...plan, sections };
					sections =
						how === 'remove'
							? removeSection(sections, id)
							: how === 'name'
								? sections.map((one) => (one.id === id ? { ...one, heading: `Name ${i}` } : one))
								: moveSection(sections, id, how === 'up' ? -1 : 1);
					const next = followPlan(take, before, { ...plan, sections });
					expect(followPlan(next, { ...plan, sections }, before)).toEqual(take);
					take = next;
					expect(texts(take).sort()).toEqual(texts(doc).sort());
				});
			})
		);
	});
});

describe('a plan in the words of its manuscript', () => {
	const written: TakeDoc = {
		type: 'doc',
		content: [
			heading(1, 'Walls of mine', 'top'),
			words('opening'),
			heading(2, 'B, worded by me', 'B'),
			words('under B'),
			heading(3, 'A thought of my own'),
			words('five words of my own'),
			heading(2, 'Section A', 'A')
		]
	};

	it('says what differs', () => {
		expect(outlineDifference(doc, plan)).toEqual({ renamed: [], added: [], isMoved: false });
		const { renamed, added, isMoved } = outlineDifference(written, plan);
		expect(renamed.map(({ to }) => to)).toEqual(['Walls of mine', 'B, worded by me']);
		expect(added).toEqual([{ level: 3, text: 'A thought of my own' }]);
		expect(isMoved).toBe(true);
	});

	it('takes titles, order and new headings, and keeps what the manuscript lacks', () => {
		let n = 0;
		const { plan: taken, doc: bound } = planFromTake(written, plan, () => `new${n++}`);
		expect(taken.title).toBe('Walls of mine');
		expect(taken.sections.map(({ id, level, heading: text }) => [id, level, text])).toEqual([
			['top', 1, 'Opening'],
			['B', 2, 'B, worded by me'],
			['C', 2, 'Section C'],
			['new0', 3, 'A thought of my own'],
			['A', 2, 'Section A']
		]);
		expect(outlineDifference(bound, taken)).toEqual({ renamed: [], added: [], isMoved: false });
		expect(texts(bound)).toEqual(texts(written));
	});
});
