import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { docOf, heading, paragraph, textNode, type TakeDoc } from '$lib/core/manuscript';
import { newSection } from '$lib/core/plan';
import type { Slip } from '$lib/core/standing';
import type { Take } from '$lib/data/db';
import { planOf } from '../../../../tests/support/plans';
import type { Reading } from './live-reading';
import { sectionsIn } from './moves';
import TakesCompared from './TakesCompared.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
const plan = planOf(newSection('a', 'Dig the trench', 100), newSection('b', 'Lay the cope', 100));
const docWith = (trench: string, cope: string): TakeDoc =>
	docOf([
		heading(1, 'Walls', 'top'),
		heading(2, 'Dig the trench', 'a'),
		paragraph(textNode(trench)),
		heading(2, 'Lay the cope', 'b'),
		paragraph(textNode(cope))
	]);
const takeOf = (id: string, doc: TakeDoc): Take => ({
	id,
	assignment: 'x',
	name: `Take ${id}`,
	doc,
	revision: 1,
	order: 1,
	updatedAt: 0
});
const reading = (words: number, standing: number) =>
	({
		article: { words },
		standing: {
			standing,
			parts: { coverage: 0.5, placement: 0.5, shape: 0.5, clarity: 0.5 }
		},
		holds: [],
		slips: []
	}) as unknown as Reading;

describe('TakesCompared', () => {
	const mine = docWith('Dig until it is firm.', 'Set the heavy stones.');
	const props = {
		plan,
		mine,
		mineName: 'Take 1',
		others: [
			takeOf('2', docWith('Dig until it is firm and dry.', 'Set the heavy stones.')),
			takeOf('3', docWith('Dig until it is firm.', 'Quite another thing stands here.'))
		],
		read: (doc: TakeDoc) => (doc === mine ? reading(9, 60) : reading(11, 64)),
		ontake: vi.fn(),
		ongive: vi.fn(),
		onclose: vi.fn()
	};

	it('shows where two takes differ, by section, with the words of either', async () => {
		const { container } = render(TakesCompared, props);
		expect(screen.getByRole('heading', { name: /^Dig the trench/ })).toBeTruthy();
		expect(screen.queryByRole('heading', { name: /^Lay the cope/ })).toBeNull();
		expect([...container.querySelectorAll('ins')].map((ins) => ins.textContent?.trim())).toEqual([
			'and dry'
		]);
		await user.click(screen.getByRole('checkbox'));
		expect(screen.getByRole('heading', { name: /^Lay the cope.*the same/ })).toBeTruthy();
	});

	it('takes a section over from the other take or gives ours to it, and compares with a third', async () => {
		const [ontake, ongive] = [vi.fn(), vi.fn()];
		render(TakesCompared, { ...props, ontake, ongive });
		await user.click(screen.getByRole('button', { name: 'Give to Take 2: Dig the trench' }));
		expect(ongive).toHaveBeenCalledWith('2', 'a', [paragraph(textNode('Dig until it is firm.'))]);
		await user.click(screen.getByRole('button', { name: 'Take over: Dig the trench' }));
		expect(ontake).toHaveBeenCalledWith('a', [
			paragraph(textNode('Dig until it is firm and dry.'))
		]);
		await user.selectOptions(screen.getByRole('combobox', { name: 'The other take' }), '3');
		expect(screen.queryByRole('heading', { name: /^Dig the trench/ })).toBeNull();
		expect(screen.getByRole('heading', { name: /^Lay the cope/ })).toBeTruthy();
	});

	it('sets the measures of both side by side', () => {
		render(TakesCompared, props);
		const table = screen.getByRole('table', { name: 'Measures of both takes' });
		const rows = within(table)
			.getAllByRole('row')
			.map((row) => row.textContent?.replace(/\s+/g, ' ').trim());
		expect(rows[1]).toMatch(/^Take 160/);
		expect(rows[2]).toMatch(/^Take 264/);
	});
});

describe('sectionsIn', () => {
	const slip = (section: string, values: Partial<Slip>): Slip => ({
		section,
		heading: section,
		kind: 'explanation',
		budget: 100,
		words: 100,
		terms: [],
		questions: [],
		facts: [],
		gaps: 0,
		at: 1,
		...values
	});
	const slips = [
		slip('empty', { words: 0 }),
		slip('half', { words: 49 }),
		slip('gap', { gaps: 1 }),
		slip('open', { questions: [{ id: 'q', text: 'How?', isAnswered: false }] }),
		slip('done', { questions: [{ id: 'q', text: 'How?', isAnswered: true }] })
	];
	it.each([
		['section', ['gap']],
		['all', ['empty', 'half', 'gap', 'open', 'done']],
		['empty', ['empty']],
		['half', ['empty', 'half']],
		['gaps', ['gap']],
		['unanswered', ['open']],
		['terms', []],
		['lacked', ['done']]
	] as const)('%s', (scope, ids) => {
		expect(sectionsIn(scope, slips, 'gap', ['done'])).toEqual(ids);
	});

	it('follows what is ticked, in the order of the plan, and the chosen passage', () => {
		const chosen = { ticked: ['done', 'half'], passage: 'open' };
		expect(sectionsIn('ticked', slips, null, [], chosen)).toEqual(['half', 'done']);
		expect(sectionsIn('passage', slips, 'gap', [], chosen)).toEqual(['open']);
		expect(sectionsIn('passage', slips, 'gap', [])).toEqual([]);
	});
});
