import { fireEvent, render, screen } from '@testing-library/svelte';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { addAssignment, changeAssignment } from '$lib/data/assignments';
import { db, type Assignment } from '$lib/data/db';
import { history } from '../frame/history.svelte';
import { BriefForm } from './brief-form.svelte';
import BriefFields from './BriefFields.svelte';

let assignment: Assignment;
const stored = async () => (await db.assignments.get(assignment.id))!;

beforeEach(async () => {
	await db.assignments.clear();
	assignment = await addAssignment({
		title: 'Walls',
		keyword: 'dry stone wall',
		client: null,
		targetWords: null
	});
});

describe('BriefForm', () => {
	it('stores every field while it is typed, and makes one step of it when it is left', async () => {
		const form = new BriefForm(assignment);
		form.draft.brief.tone = 'dry';
		form.changed();
		form.draft.brief.tone = 'dry and warm';
		await form.commit();
		expect((await stored()).brief.tone).toBe('dry and warm');
		await history.undo();
		expect((await stored()).brief.tone).toBe('');
		await history.redo();
		expect((await stored()).brief.tone).toBe('dry and warm');
	});

	it('takes over what is a value, and says beside the field what is none', async () => {
		const form = new BriefForm(assignment);
		form.typed.words = '1,800';
		form.typed.grade = '7,5';
		form.typed.mustSay = ' lift with two \n\nno mortar';
		form.changed();
		await form.commit();
		expect(await stored()).toMatchObject({
			targetWords: 1800,
			brief: { grade: 7.5, mustSay: ['lift with two', 'no mortar'] }
		});
		form.typed.words = 'many';
		form.typed.grade = '90';
		form.draft.keyword = ' ';
		form.changed();
		await form.commit();
		expect(Object.keys(form.errors).sort()).toEqual(['grade', 'keyword', 'words']);
		// what cannot be stored leaves what is stored alone
		expect(await stored()).toMatchObject({
			keyword: 'dry stone wall',
			targetWords: 1800,
			brief: { grade: 7.5 }
		});
	});

	it('shows what another tab has stored, and takes no echo of its own for that', async () => {
		const form = new BriefForm(assignment);
		form.draft.brief.tone = 'mine';
		await form.commit();
		form.draft.brief.purpose = 'being typed';
		form.follow(await stored());
		expect(form.draft.brief.purpose).toBe('being typed');
		await changeAssignment(assignment.id, { keyword: 'from elsewhere' });
		form.follow(await stored());
		expect(form.draft.keyword).toBe('from elsewhere');
	});

	it('puts a whole brief in as one step', async () => {
		const form = new BriefForm(assignment);
		await form.replace({ ...form.snapshot(), keyword: 'cope stones' }, 'Brought in brief.md');
		expect((await stored()).keyword).toBe('cope stones');
		expect(history.last?.label).toBe('Brought in brief.md');
		await history.undo();
		expect((await stored()).keyword).toBe('dry stone wall');
	});

	it('says that the last changes are not stored, and stores them with the next', async () => {
		const form = new BriefForm(assignment);
		const update = vi
			.spyOn(db.assignments, 'update')
			.mockRejectedValueOnce(Object.assign(new Error('x'), { name: 'QuotaExceededError' }));
		form.draft.brief.tone = 'dry';
		await form.commit();
		expect(form.trouble).toContain('no room left');
		update.mockRestore();
		form.draft.brief.purpose = 'trust';
		await form.commit();
		expect(form.trouble).toBe('');
		expect((await stored()).brief).toMatchObject({ tone: 'dry', purpose: 'trust' });
	});
});

describe('the fields of the brief', () => {
	const show = () => {
		const form = new BriefForm(assignment);
		render(BriefFields, { form, clients: [], client: null, voice: '', evidenceWords: 1450 });
		return form;
	};

	it('say where each is used, and what is wrong with what is typed', async () => {
		const form = show();
		const words = screen.getByLabelText<HTMLInputElement>('Length in words');
		expect(screen.getByText(/as the evidence says, 1,450 now/)).toBeTruthy();
		await fireEvent.input(words, { target: { value: '7' } });
		flushSync(() => form.changed());
		expect(screen.getByRole('alert').textContent).toContain('100 to 50,000');
	});

	it('add a secondary keyword once, and take it off again', async () => {
		const form = show();
		const field = screen.getByLabelText('Another secondary keyword');
		const add = async (phrase: string) => {
			await fireEvent.input(field, { target: { value: phrase } });
			await fireEvent.click(screen.getByRole('button', { name: 'Add' }));
		};
		await add('dry stone walling');
		await add('Dry stone WALLING');
		expect(form.draft.brief.secondary.map(({ phrase }) => phrase)).toEqual(['dry stone walling']);
		await fireEvent.click(screen.getByRole('button', { name: 'Take dry stone walling off' }));
		expect(form.draft.brief.secondary).toEqual([]);
	});
});
