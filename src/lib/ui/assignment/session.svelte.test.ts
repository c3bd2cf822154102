import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_CLIENT } from '$lib/core/clients';
import { addAssignment, changeAssignment } from '$lib/data/assignments';
import { addClient } from '$lib/data/clients';
import { db, type Assignment } from '$lib/data/db';
import { changeEvidence, saveNote, setCounted } from '$lib/data/pages';
import { keepUnsaved, restoreUnsaved } from '$lib/data/unsaved';
import { history } from '../frame/history.svelte';
import { Session } from './session.svelte';
import { storedPage } from '../../../../tests/support/stored-page';
import { answering } from '../../../../tests/support/analyst';

const answers = { asked: [] as string[] };
answering({
	findings: async ({ keyword }: { keyword: string }) => {
		answers.asked.push(keyword);
		return { keyword };
	}
});

let assignment: Assignment;
let session: Session;
let end: () => void;

const pageOf = (id: string, order: number) => storedPage(assignment, id, order);

async function open(): Promise<void> {
	session = new Session(assignment.id);
	const close = session.open();
	const stop = $effect.root(() => {
		$effect(() => session.follow());
	});
	end = () => {
		close();
		stop();
	};
	await vi.waitFor(() => expect(session.isRead).toBe(true));
}

beforeEach(async () => {
	localStorage.clear();
	answers.asked.length = 0;
	await Promise.all(db.tables.map((table) => table.clear()));
	assignment = await addAssignment({
		title: 'Walls',
		keyword: 'dry stone wall',
		client: null,
		targetWords: 900
	});
});
afterEach(() => end());

describe('Session', () => {
	it('makes evidence of what is stored, counted pages in their order, and finds in it', async () => {
		await changeEvidence({ pages: [pageOf('b', 2), pageOf('a', 1)], sources: [] }, {});
		await setCounted('b', false);
		await open();
		await vi.waitFor(() => expect(session.isCurrent).toBe(true));
		expect(session.evidence).toMatchObject({ keyword: 'dry stone wall', targetWords: 900 });
		expect(session.evidence!.pages.map(({ id, sign }) => [id, sign])).toEqual([
			['a', pageOf('a', 1).sign]
		]);
		expect([...session.letters]).toEqual([['a', 'A']]);
		await setCounted('b', true);
		await vi.waitFor(() => expect(session.evidence!.pages).toHaveLength(2));
		flushSync();
		await vi.waitFor(() => expect(session.isCurrent).toBe(true));
		expect(answers.asked).toHaveLength(2);
	});

	it('asks for nothing again when something changes that findings do not depend on', async () => {
		await open();
		await vi.waitFor(() => expect(session.isCurrent).toBe(true));
		await changeAssignment(assignment.id, {
			brief: { ...assignment.brief, mustNotSay: ['cheap'], tone: 'dry' }
		});
		await vi.waitFor(() => expect(session.mustNotSay).toEqual(['cheap']));
		flushSync();
		expect(answers.asked).toHaveLength(1);
		expect(session.isCurrent).toBe(true);
	});

	it('adds the facts of the client as a note, and the phrases it avoids', async () => {
		const client = await addClient(
			{ ...EMPTY_CLIENT, name: 'Fellgate Tools', facts: ['Made since 1902.'], avoid: ['cheap'] },
			[]
		);
		await changeAssignment(assignment.id, { client: client.id });
		await open();
		await vi.waitFor(() => expect(session.notes).toHaveLength(1));
		expect(session.notes[0]!.text).toContain('Made since 1902.');
		expect(session.mustNotSay).toEqual(['cheap']);
		expect(session.nameOf(session.notes[0]!.id)).toBe('Facts of Fellgate Tools');
	});

	it('stores what an earlier page left unsaved before it shows anything', async () => {
		const note = {
			id: 'n',
			assignment: assignment.id,
			kind: 'note' as const,
			name: 'Visit',
			text: 'Old.',
			order: 1
		};
		await saveNote(note);
		keepUnsaved(assignment.id, { kind: 'note', id: 'n', text: 'Typed last.' });
		const values = { targetWords: 1500 };
		keepUnsaved(assignment.id, { kind: 'assignment', id: assignment.id, part: 'brief', values });
		await open();
		expect(session.notes[0]!.text).toBe('Typed last.');
		expect(session.assignment!.targetWords).toBe(1500);
		expect(localStorage.length).toBe(0);
	});

	it('writes down changes that storage has not taken when the page is left', async () => {
		await open();
		const changes = [
			session.change('Changed the length', { targetWords: 1200 }),
			session.edit('Asked', (edits) => ({ ...edits, ownQuestions: ['How high?'] })),
			session.edit('Asked', (edits) => ({
				...edits,
				ownQuestions: [...edits.ownQuestions, 'How wide?']
			}))
		];
		window.dispatchEvent(new Event('pagehide'));
		const left = { ...localStorage };
		await Promise.all(changes);
		expect(localStorage.length).toBe(0);
		// as if storage had not come to its end
		for (const [key, value] of Object.entries(left)) localStorage.setItem(key, value as string);
		await changeAssignment(assignment.id, { targetWords: 900, edits: assignment.edits });
		expect(await restoreUnsaved(assignment.id)).toBe(1);
		expect(await db.assignments.get(assignment.id)).toMatchObject({
			targetWords: 1200,
			edits: { ownQuestions: ['How high?', 'How wide?'] }
		});
		window.dispatchEvent(new Event('pagehide'));
		expect(localStorage.length).toBe(0);
	});

	it('passes over what is left in a form it does not know', async () => {
		localStorage.setItem(`corvan-unsaved|${assignment.id}|note|n`, '{"kind":"poem"}');
		localStorage.setItem(`corvan-unsaved|${assignment.id}|note|m`, 'no data');
		await open();
		expect(session.trouble).toBeNull();
		expect(localStorage.length).toBe(0);
	});

	it('changes values and findings by hand as steps that can be taken back', async () => {
		await open();
		await session.change('Changed the length', { targetWords: 1200 });
		await session.edit('Asked', (edits) => ({ ...edits, ownQuestions: ['How high?'] }));
		const stored = async () => (await db.assignments.get(assignment.id))!;
		expect(await stored()).toMatchObject({
			targetWords: 1200,
			edits: { ownQuestions: ['How high?'] }
		});
		await history.undo();
		expect((await stored()).edits.ownQuestions).toEqual([]);
		await history.undo();
		expect((await stored()).targetWords).toBe(900);
	});

	it('says that there is no such assignment', async () => {
		session = new Session('nowhere');
		end = session.open();
		await vi.waitFor(() => expect(session.assignment).toBeNull());
		expect(session.evidence).toBeNull();
	});
});
