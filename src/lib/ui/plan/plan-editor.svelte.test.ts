import { fireEvent, render, screen } from '@testing-library/svelte';
import { flushSync } from 'svelte';
import { describe, expect, it, vi } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { newSection, type Plan, type PlanSection } from '$lib/core/plan';
import type { Session } from '../assignment/session.svelte';
import { PlanEditor } from './plan-editor.svelte';
import SectionRow from './SectionRow.svelte';
import { planOf } from '../../../../tests/support/plans';
import { answering } from '../../../../tests/support/analyst';

const analysis = {
	propose: vi.fn(),
	proposeAgain: vi.fn(),
	placeRest: vi.fn()
};
answering(analysis);

const section = (id: string, heading: string): PlanSection => newSection(id, heading, 100);

/** A session that keeps the plan it is given, without a browser's storage. */
function sessionWith(first: Plan | null, findings: Findings | null = null) {
	let plan = $state.raw(first);
	const labels: string[] = [];
	const evidence = { keyword: 'walls' };
	const session = {
		get plan() {
			return plan;
		},
		findings,
		analysed: { evidence, revision: 'r', findings },
		isCurrent: false,
		assignment: null,
		letters: new Map(),
		changePlan: async (label: string, next: Plan | null) => {
			labels.push(label);
			plan = next;
			flushSync();
		}
	} as unknown as Session;
	return {
		session,
		labels,
		evidence,
		headings: () => plan?.sections.map(({ heading }) => heading)
	};
}

const two = () => planOf(section('a', 'Lay the footings'), section('b', 'Cope it'));

describe('PlanEditor', () => {
	it('arranges sections step by step, each named for what was done', async () => {
		const { session, labels, headings } = sessionWith(two());
		const editor = new PlanEditor(session);
		expect(editor.words).toBe(280);
		editor.move('b', -1);
		expect(headings()).toEqual(['Opening', 'Cope it', 'Lay the footings']);
		editor.chosen = 'b';
		editor.addSection();
		expect(headings()![2]).toBe('A new section');
		editor.remove(editor.chosen);
		editor.merge('a');
		expect(headings()).toEqual(['Opening', 'Cope it']);
		expect(labels).toEqual([
			'Moved a section',
			'Added a section',
			'Took “A new section” out of the outline',
			'Merged “Lay the footings” into “Cope it”'
		]);
	});

	it('changes nothing where nothing would be another', () => {
		const { session, labels } = sessionWith(two());
		const editor = new PlanEditor(session);
		editor.move('a', -1);
		editor.indent('a', -1);
		editor.put({ kind: 'question', ids: [], from: null }, 'a');
		expect(labels).toEqual([]);
	});

	it('proposes from the evidence that is shown, over a plan that stands', async () => {
		const first = sessionWith(null);
		analysis.propose.mockResolvedValueOnce(planOf(section('a', 'Proposed')));
		await new PlanEditor(first.session).propose();
		expect(analysis.propose.mock.calls[0]![0]).toBe(first.evidence);
		expect(first.labels).toEqual(['Proposed a plan']);
		const again = sessionWith(two());
		analysis.proposeAgain.mockResolvedValueOnce(planOf());
		await new PlanEditor(again.session).propose();
		expect(again.labels).toEqual(['Proposed the plan again']);
	});

	it('says so when no plan can be made, and can be asked again', async () => {
		const { session, labels } = sessionWith(null);
		const editor = new PlanEditor(session);
		analysis.propose.mockRejectedValueOnce(new Error('out of memory'));
		await editor.propose();
		expect(labels).toEqual([]);
		expect(editor.isWorking).toBe(false);
	});

	it('knows names and numbers also while no findings are there', () => {
		const { session } = sessionWith(two());
		const editor = new PlanEditor(session);
		expect(editor.nameOf('term', 'walling hammer')).toBe('walling hammer');
		expect([...editor.numbers.values()]).toEqual(['', '1', '2']);
		expect(editor.warnings).toEqual([]);
	});
});

describe('SectionRow', () => {
	function show() {
		const made = sessionWith(two());
		const editor = new PlanEditor(made.session);
		render(SectionRow, {
			props: { section: editor.plan!.sections[1]!, isFirst: true },
			context: new Map([[PlanEditor.KEY, editor]])
		});
		return { ...made, editor };
	}

	it('takes a heading when its field is left, and gives it up with Escape', async () => {
		const { headings } = show();
		const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Heading of section 1' });
		await fireEvent.input(field, { target: { value: 'Dig' } });
		await fireEvent.keyDown(field, { key: 'Escape' });
		expect(field.value).toBe('Lay the footings');
		await fireEvent.input(field, { target: { value: 'Dig the trench' } });
		await fireEvent.change(field);
		expect(headings()![1]).toBe('Dig the trench');
	});

	it('moves by its buttons, and chooses what has the focus', async () => {
		const { editor, headings } = show();
		await fireEvent.click(screen.getByRole('button', { name: 'Move down: Lay the footings' }));
		expect(headings()).toEqual(['Opening', 'Cope it', 'Lay the footings']);
		await fireEvent.focusIn(screen.getByRole('textbox', { name: /^Heading of section/ }));
		expect(editor.chosen).toBe('a');
	});
});
