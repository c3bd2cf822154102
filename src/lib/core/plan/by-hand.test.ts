import { describe, expect, it } from 'vitest';
import type { Findings, Topic } from '../findings';
import {
	confinedTo,
	putByHand,
	sectionNumbers,
	withHeldTurned,
	withoutThese,
	withTopics
} from './by-hand';
import { newSection, type Plan, type PlanSection, type TermPlacement } from './outline';

const parts = { topic: 1, company: 0, heading: 0, level: 0, position: 0 };
const placed = (term: string, values: Partial<TermPlacement> = {}): TermPlacement => ({
	term,
	uses: 1,
	affinity: 0.5,
	parts,
	reason: 'same topic',
	locked: false,
	...values
});
const held = (id: string) => ({ reason: '', locked: false, id });
const section = (id: string, values: Partial<PlanSection> = {}): PlanSection => ({
	...newSection(id, `Section ${id}`, 100),
	...values
});
const findings = {
	keyword: 'dry stone wall',
	pages: [],
	terms: ['cope', 'hearting'].map((key) => ({ key, phrase: key, verbs: [], variants: [] })),
	topics: [],
	questions: [],
	notePassages: []
} as unknown as Findings;
const affinities = [
	[parts, parts],
	[parts, { ...parts, topic: 0.2 }]
];

describe('putByHand', () => {
	const a = section('a', { terms: [placed('cope', { uses: 3 })], refused: ['hearting'] });
	const b = section('b', { terms: [placed('hearting')], refused: ['cope'] });

	it('moves a term with its uses, and the section takes again what it had refused', () => {
		const [from, to] = putByHand(
			[a, b],
			{ kind: 'term', ids: ['cope'], from: 'a' },
			'b',
			findings,
			affinities
		);
		expect(from!.terms).toEqual([]);
		expect(to!.terms.map(({ term }) => term)).toEqual(['hearting', 'cope']);
		expect(to!.terms[1]).toMatchObject({ uses: 3, locked: true, reason: 'You put it here.' });
		expect(to!.refused).toEqual([]);
	});

	it('puts nothing twice, and a term without evidence with no affinity', () => {
		const put = (ids: readonly string[]) =>
			putByHand([a, b], { kind: 'term', ids, from: null }, 'b', findings, affinities)[1]!.terms;
		expect(put(['hearting'])).toEqual(b.terms);
		expect(put(['unheard of'])[1]).toMatchObject({ affinity: 0, uses: 1 });
	});

	it('puts questions, facts and notes, each locked in its place', () => {
		for (const [kind, list, name] of [
			['question', 'questions', 'question'],
			['fact', 'facts', 'fact'],
			['note', 'notes', 'note']
		] as const) {
			const [, to] = putByHand([a, b], { kind, ids: ['x', 'y'], from: null }, 'b', findings, []);
			expect(to![list]).toEqual(
				['x', 'y'].map((id) => ({ [name]: id, reason: 'You put it here.', locked: true }))
			);
		}
	});
});

describe('withoutThese and withHeldTurned', () => {
	const full = section('a', {
		terms: [placed('cope'), placed('hearting')],
		questions: [{ question: 'q', ...held('q') }],
		facts: [{ fact: 'f', ...held('f') }],
		notes: [{ note: 'n', ...held('n') }]
	});

	it('take out what is named and leave the rest', () => {
		expect(withoutThese(full, 'term', new Set(['cope'])).terms).toHaveLength(1);
		for (const [kind, list, id] of [
			['question', 'questions', 'q'],
			['fact', 'facts', 'f'],
			['note', 'notes', 'n']
		] as const) {
			expect(withoutThese(full, kind, new Set([id]))[list]).toEqual([]);
			expect(withoutThese(full, kind, new Set(['z']))).toEqual(full);
			const turned = withHeldTurned(full, kind, id);
			expect(turned[list][0]!.locked).toBe(true);
			expect(withHeldTurned(turned, kind, id)).toEqual(full);
		}
	});
});

describe('confinedTo', () => {
	const plan = {
		sections: [
			section('a', { terms: [placed('cope')] }),
			section('b', { terms: [placed('cope'), placed('hearting')] }),
			section('c', { terms: [placed('cope', { locked: true })] })
		],
		confined: {}
	} as unknown as Plan;

	it('keeps a term to one section, except where it is locked', () => {
		const confined = confinedTo(plan, 'cope', 'a');
		expect(confined.confined).toEqual({ cope: ['a'] });
		expect(confined.sections.map(({ terms }) => terms.map(({ term }) => term))).toEqual([
			['cope'],
			['hearting'],
			['cope']
		]);
	});

	it('lets it stand anywhere again, and changes nothing where it could', () => {
		expect(confinedTo(confinedTo(plan, 'cope', 'a'), 'cope', null).confined).toEqual({});
		expect(confinedTo(plan, 'cope', null)).toBe(plan);
	});
});

describe('withTopics', () => {
	const topic = (id: string, position: number) =>
		({
			id,
			label: id,
			position,
			words: 118,
			intent: 'plain',
			headings: [],
			matter: []
		}) as unknown as Topic;
	const outline = [
		{ ...section('top'), level: 1 as const },
		section('first', { position: 0.1 }),
		section('last', { position: 0.8 }),
		section('faq', { kind: 'faq' })
	];

	it('takes each where pages usually treat it, before FAQ and closing', () => {
		let made = 0;
		const { sections, added } = withTopics(
			outline,
			[topic('Tools', 0.4), topic('Upkeep', 0.95)],
			findings,
			() => `new ${++made}`
		);
		expect(sections.map(({ id }) => id)).toEqual(['top', 'first', 'new 1', 'last', 'new 2', 'faq']);
		expect(added).toEqual(['new 1', 'new 2']);
		expect(sections[2]).toMatchObject({ budget: 120, topics: ['Tools'], position: 0.4 });
	});
});

describe('sectionNumbers', () => {
	it('counts sections within those they are nested in', () => {
		const levels = [1, 2, 3, 3, 4, 2, 3] as const;
		const sections = levels.map((level, i) => ({ ...section(String(i)), level }));
		expect([...sectionNumbers(sections).values()]).toEqual([
			'',
			'1',
			'1.1',
			'1.2',
			'1.2.1',
			'2',
			'2.1'
		]);
	});
});
