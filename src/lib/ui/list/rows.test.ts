import { describe, expect, it } from 'vitest';
import { EMPTY_BRIEF } from '$lib/core/brief';
import { NO_DELIVERY_CHOICES } from '$lib/core/deliver';
import type { Assignment } from '$lib/data/db';
import type { Stock } from '$lib/data/glances';
import { dueIn, rowsOf, wantedRows, type Wanted } from './rows';

const TODAY = new Date(2026, 2, 10, 15, 0);
const assignment = (id: string, values: Partial<Assignment> = {}): Assignment =>
	({
		id,
		title: id,
		keyword: 'dry stone wall',
		client: null,
		targetWords: 1000,
		createdAt: 1,
		updatedAt: 1,
		binnedAt: null,
		brief: EMPTY_BRIEF,
		delivery: NO_DELIVERY_CHOICES,
		...values
	}) as Assignment;
const stock = (values: Partial<Stock>): Stock => ({
	pages: 6,
	notes: 2,
	hasPlan: true,
	takes: 1,
	glance: null,
	...values
});
const glance = (values: object) => ({
	assignment: 'a',
	words: 950,
	gaps: 0,
	openSlips: 0,
	standing: 60,
	openMarks: null,
	...values
});
const stepOf = (values: Partial<Assignment>, of: Stock | null) =>
	rowsOf([assignment('a', values)], new Map(), new Map(of ? [['a', of]] : []), TODAY)[0]!.step;

describe('how far an assignment is', () => {
	it('is the stage that has the next thing to do', () => {
		expect(stepOf({}, null)).toBe('brief');
		expect(stepOf({}, stock({ pages: 0, hasPlan: false, takes: 0 }))).toBe('gather');
		expect(stepOf({}, stock({ hasPlan: false, takes: 0 }))).toBe('plan');
		expect(stepOf({}, stock({ takes: 0 }))).toBe('write');
		expect(stepOf({}, stock({}))).toBe('write');
		expect(stepOf({}, stock({ glance: glance({ gaps: 2 }) }))).toBe('write');
		expect(stepOf({}, stock({ glance: glance({ words: 500 }) }))).toBe('write');
		expect(stepOf({}, stock({ glance: glance({}) }))).toBe('proof');
		expect(stepOf({}, stock({ glance: glance({ openMarks: 3 }) }))).toBe('proof');
		expect(stepOf({}, stock({ glance: glance({ openMarks: 0 }) }))).toBe('deliver');
		const handedOver = [{} as (typeof NO_DELIVERY_CHOICES.handedOver)[number]];
		expect(stepOf({ delivery: { ...NO_DELIVERY_CHOICES, handedOver } }, stock({}))).toBe(
			'handed over'
		);
	});

	it('counts the days by the calendar, whatever time it is', () => {
		const days = (deadline: string) =>
			rowsOf(
				[assignment('a', { brief: { ...EMPTY_BRIEF, deadline } })],
				new Map(),
				new Map(),
				TODAY
			)[0]!.daysLeft;
		expect([
			days('2026-03-10'),
			days('2026-03-11'),
			days('2026-03-08'),
			days('2026-04-01')
		]).toEqual([0, 1, -2, 22]);
		expect([0, 1, -1, -2, 9, 30].map(dueIn)).toEqual([
			'due today',
			'due tomorrow',
			'a day late',
			'2 days late',
			'due in 9 days',
			''
		]);
	});
});

describe('wantedRows', () => {
	const rows = rowsOf(
		[
			assignment('Walls', { client: 'c', updatedAt: 3 }),
			assignment('bees', { keyword: 'keeping bees', updatedAt: 2 }),
			assignment('Apples', {
				client: 'd',
				updatedAt: 1,
				brief: { ...EMPTY_BRIEF, deadline: '2026-03-12' }
			})
		],
		new Map([
			['c', 'Fellgate Tools'],
			['d', 'Orchard Press']
		]),
		new Map([['bees', stock({ glance: { ...glance({ standing: 71 }), assignment: 'bees' } })]]),
		TODAY
	);
	const titles = (wanted: Partial<Wanted>) =>
		wantedRows(rows, { text: '', client: '', order: 'worked', ...wanted }).map(
			({ assignment: { title } }) => title
		);

	it('finds words of title, keyword and client in any order', () => {
		expect(titles({ text: 'tools wall' })).toEqual(['Walls']);
		expect(titles({ text: 'BEE' })).toEqual(['bees']);
		expect(titles({ text: 'pears' })).toEqual([]);
		expect(titles({ client: 'Orchard Press' })).toEqual(['Apples']);
	});

	it('sorts by what is asked for, what is not known last', () => {
		expect(titles({})).toEqual(['Walls', 'bees', 'Apples']);
		expect(titles({ order: 'due' })).toEqual(['Apples', 'Walls', 'bees']);
		expect(titles({ order: 'title' })).toEqual(['Apples', 'bees', 'Walls']);
		expect(titles({ order: 'client' })).toEqual(['Walls', 'Apples', 'bees']);
		expect(titles({ order: 'standing' })).toEqual(['bees', 'Walls', 'Apples']);
		expect(titles({ order: 'step' })).toEqual(['Walls', 'Apples', 'bees']);
	});
});
