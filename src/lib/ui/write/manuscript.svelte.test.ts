import { fireEvent, render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { NO_DELIVERY_CHOICES } from '$lib/core/deliver';
import { docOf, docText, gap, heading, paragraph, textNode } from '$lib/core/manuscript';
import { indexRuns } from '$lib/core/measure';
import { newSection, type Plan } from '$lib/core/plan';
import { readReply } from '$lib/core/writers';
import { EMPTY_BRIEF } from '$lib/core/brief';
import { db, type Take } from '$lib/data/db';
import { addTake, putTake } from '$lib/data/takes';
import { answering } from '../../../../tests/support/analyst';
import { demoFindings, type DemoEvidence } from '../../../../tests/support/demo';
import { planOf } from '../../../../tests/support/plans';
import { actions } from '../frame/actions.svelte';
import { Session } from '../assignment/session.svelte';
import Manuscript from './Manuscript.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
const plan = planOf(newSection('dig', 'Dig the trench', 80), newSection('cope', 'The cope', 40));
const said = (text: string) => paragraph(textNode(text));
const WALL = docOf([
	heading(1, 'Walls', 'top'),
	said('An opening.'),
	heading(2, 'Dig the trench', 'dig'),
	said('The trench is dug first.'),
	gap('How deep is it in clay?'),
	heading(2, 'The cope', 'cope')
]);
let demo: DemoEvidence;
let take: Take;

beforeAll(() => {
	demo = demoFindings({ pages: 3 });
});
beforeEach(async () => {
	await db.takes.clear();
	take = await addTake('walls', 'Take 1', WALL);
});

/** A manuscript on screen, with a session that has what it needs of one. */
function draw({ takes = [take], writer = 'built-in' } = {}) {
	const session = {
		id: 'walls',
		client: null,
		assignment: { client: null, brief: EMPTY_BRIEF },
		mustNotSay: [],
		findings: demo.findings,
		runs: indexRuns(demo.texts),
		standings: [],
		takes,
		versions: [],
		pictures: [],
		counted: [],
		notes: [],
		noteSigns: new Map(),
		letters: new Map(),
		delivery: NO_DELIVERY_CHOICES,
		nameOf: (id: string) => id,
		timeOf: () => '',
		planFromTake: vi.fn()
	};
	const writing = {
		run: null,
		writer,
		writerName: writer,
		endpoint: null,
		endpoints: [],
		wording: '',
		signs: new Map(),
		cannot: () => '',
		refusal: () => '',
		requestsFor: vi.fn((sections: readonly string[]) => sections.map((section) => ({ section }))),
		textOf: () => '',
		write: vi.fn(async () => ({ versions: [], open: [], reason: 'stopped' }))
	};
	const on = {
		onpending: vi.fn(),
		ontakereply: vi.fn(),
		onchoose: vi.fn<(id: string) => void>(),
		ondraftall: vi.fn(),
		onheadings: vi.fn(),
		oncopy: vi.fn(),
		onremove: vi.fn(),
		onrename: vi.fn()
	};
	const shown = (of: Take, pending: readonly string[] = []) => ({
		take: of,
		plan,
		writing: writing as never,
		pending,
		...on
	});
	const drawn = render(Manuscript, {
		props: shown(take),
		context: new Map<symbol, unknown>([[Session.KEY, session]])
	});
	flushSync();
	return {
		on,
		writing,
		session,
		again: (of: Take, pending?: string[]) => drawn.rerender(shown(of, pending))
	};
}

const text = () => screen.getByRole('textbox', { name: 'Manuscript', hidden: true });
const key = (code: string, on: Element = text()) =>
	fireEvent.keyDown(on, { code, altKey: true, key: code.slice(-1).toLowerCase() });
// a slip that has no room is folded away, and then has no role
const slip = (name: string) => screen.getByLabelText(`Slip of ${name}`);
/** The writer does something that is found by its name. */
const act = (name: string) => {
	actions.all.find(({ label }) => label === name)!.run();
	flushSync();
};

describe('a manuscript', () => {
	it('is searched by key, and the text has the keys again when the search is closed', async () => {
		draw();
		await fireEvent.keyDown(document.body, { key: 'f', ctrlKey: true });
		expect(screen.queryByLabelText('Find')).toBeNull();
		await fireEvent.keyDown(text(), { key: 'f', ctrlKey: true });
		await user.type(screen.getByLabelText('Find'), 'trench');
		expect(
			screen.getByText(/2/, { selector: '[role=status], [aria-live] *, [aria-live]' })
		).toBeTruthy();
		await user.keyboard('{Escape}');
		expect(screen.queryByLabelText('Find')).toBeNull();
		await waitFor(() => expect(document.activeElement).toBe(text()));
	});

	it('leads to its gaps and to what is open by key', async () => {
		draw();
		await screen.findByLabelText('Slip of The cope');
		for (const code of ['KeyG', 'KeyJ']) {
			await user.click(within(slip('The cope')).getByText(/The cope/));
			expect(slip('The cope').className).toMatch(/\bon\b/);
			await key(code);
			expect(slip('Dig the trench').className).toMatch(/\bon\b/);
			expect(slip('The cope').className).not.toMatch(/\bon\b/);
		}
	});

	it('is all that shows in quiet, until the same key', async () => {
		draw();
		act('Outline: fold and move sections');
		expect(screen.getByRole('complementary', { name: 'Bench' })).toBeTruthy();
		await key('KeyQ');
		expect(screen.queryByRole('complementary', { name: 'Bench' })).toBeNull();
		await key('KeyQ');
		expect(screen.getByRole('complementary', { name: 'Bench' })).toBeTruthy();
	});

	it('stays as it is while another take or its growth is looked at', async () => {
		const other = await addTake('walls', 'Take 2', docOf([heading(2, 'The cope', 'cope')]));
		draw({ takes: [take, other] });
		const before = text();
		act('Compare with another take');
		expect(screen.getByRole('region', { name: 'Takes compared' })).toBeTruthy();
		act('How this take grew');
		expect(screen.queryByRole('region', { name: 'Takes compared' })).toBeNull();
		const growth = screen.getByRole('region', { name: 'How this take grew' });
		await user.click(within(growth).getByRole('button', { name: /Back|Close/ }));
		expect(text()).toBe(before);
		expect(screen.queryByRole('region', { name: 'How this take grew' })).toBeNull();
	});

	it('that another tab has changed is never written over: mine becomes a take of its own', async () => {
		const { on } = draw();
		await putTake({ ...take, revision: 2, doc: docOf([said('Theirs.')]) });
		await user.click(screen.getByRole('button', { name: 'Bulleted list' }));
		const told = await screen.findByRole('alert', {}, { timeout: 4000 });
		expect(told.textContent).toContain('changed in another tab');
		await user.click(within(told).getByRole('button', { name: /Keep mine/ }));
		await waitFor(() => expect(on.onchoose).toHaveBeenCalledTimes(1));
		const mine = (await db.takes.get(on.onchoose.mock.lastCall![0]))!;
		expect(mine.name).toBe('Take 1 (this tab)');
		expect(mine.doc.content.map(docText)).toContain('The trench is dug first.');
		expect((await db.takes.get(take.id))!.doc.content.map(docText)).toEqual(['Theirs.']);
	});

	it('that another tab has changed takes theirs when the writer says so', async () => {
		draw();
		await putTake({ ...take, revision: 2, doc: docOf([said('Theirs.')]) });
		await user.click(screen.getByRole('button', { name: 'Bulleted list' }));
		const told = await screen.findByRole('alert', {}, { timeout: 4000 });
		await user.click(within(told).getByRole('button', { name: /Load the other/ }));
		expect(text().textContent).toBe('Theirs.');
		expect(screen.queryByRole('alert')).toBeNull();
	});

	it('follows what another tab stores while nothing is unsaved here', async () => {
		const { again } = draw();
		await again({ ...take, revision: 2, doc: docOf([said('Theirs.')]) });
		expect(text().textContent).toBe('Theirs.');
	});

	it('has sections that wait for it written once', async () => {
		const { again, on, writing } = draw();
		await again(take, ['cope']);
		expect(on.onpending).toHaveBeenCalledTimes(1);
		expect(writing.write).toHaveBeenCalledTimes(1);
	});

	it('is brought a reply for the whole plan, and what that lacked is asked for', async () => {
		answering({
			readReply: async (text: string, of: Plan, asked: string[]) => readReply(text, of, { asked })
		});
		const { writing } = draw({ writer: 'by hand' });
		act('Bring a reply or an article in');
		await fireEvent.input(screen.getByLabelText('The reply'), {
			target: { value: '## Dig the trench\n\nThe trench goes down to firm subsoil.' }
		});
		await user.click(screen.getByRole('button', { name: 'Read it' }));
		await user.click(await screen.findByRole('button', { name: 'Request the rest' }));
		expect(screen.queryByRole('region', { name: 'What came back' })).toBeNull();
		const ask = screen.getByRole('region', { name: 'Ask a writer' });
		expect(within(ask).getByLabelText<HTMLSelectElement>('For').selectedOptions[0]!.text).toBe(
			'what the last reply lacked · 2'
		);
		expect(writing.requestsFor).toHaveBeenLastCalledWith(
			['top', 'cope'],
			'draft',
			expect.anything(),
			false
		);
	});
});
