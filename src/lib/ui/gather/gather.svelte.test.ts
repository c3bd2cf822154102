import { fireEvent, render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { addAssignment } from '$lib/data/assignments';
import { db, type Assignment, type Note, type Page } from '$lib/data/db';
import { changeEvidence, listNotes } from '$lib/data/pages';
import { answering } from '../../../../tests/support/analyst';
import { NOTHING_CAME } from '../../../../tests/support/import-report';
import { storedPage } from '../../../../tests/support/stored-page';
import { actions } from '../frame/actions.svelte';
import { Session } from '../assignment/session.svelte';
import Gather from './Gather.svelte';
import * as importRun from './import-run';

const user = userEvent.setup({ pointerEventsCheck: 0 });
const guess = vi.fn(async () => [{ line: 0, text: 'Dig the trench', level: 2 }]);
answering({ guessHeadings: guess });

let assignment: Assignment;
beforeEach(async () => {
	vi.clearAllMocks();
	await Promise.all(db.tables.map((table) => table.clear()));
	assignment = await addAssignment({
		title: 'Walls',
		keyword: 'dry stone wall',
		client: null,
		targetWords: null
	});
});

const noteOf = (id: string, kind: Note['kind'], text: string): Note => ({
	id,
	assignment: assignment.id,
	kind,
	name: id,
	text,
	order: 9
});

function draw(pages: readonly Page[] = [], notes: readonly Note[] = []) {
	const counted = pages.filter((page) => page.counted);
	const session = {
		id: assignment.id,
		assignment,
		pages,
		counted,
		notes,
		awaited: [],
		results: [],
		alike: new Map(),
		letters: new Map(counted.map(({ id }, i) => [id, 'ABC'[i]!])),
		noteSigns: new Map(notes.map(({ id }, i) => [id, `n${i + 1}`])),
		findings: null,
		isCurrent: true
	};
	render(Gather, { context: new Map<symbol, unknown>([[Session.KEY, session]]) });
	flushSync();
	return session;
}
const wall = (id: string, order: number, title: string) =>
	storedPage(assignment, id, order, `# ${title}\n\nThe cope locks the wall.`);
const tab = (name: string) => user.click(screen.getByRole('tab', { name }));
const reading = () => within(screen.getByRole('region', { name: 'Reading pane' }));
const run = (label: string) => {
	actions.all.find((one) => one.label === label)!.run();
	flushSync();
};

describe('Gather', () => {
	it('says what to bring while there is nothing, of every kind', async () => {
		draw();
		expect(screen.getByText(/Bring the pages that rank for “dry stone wall”/)).toBeTruthy();
		expect(reading().getByText(/read here, cleaned, before it counts/)).toBeTruthy();
		for (const name of ['Notes 0', 'Transcripts 0', 'Questions 0']) {
			await tab(name);
			expect(screen.getByRole('tab', { name, selected: true })).toBeTruthy();
			expect(screen.queryByText(/Bring the pages that rank/)).toBeNull();
		}
	});

	it('shows the page in hand beside the table, and the first one that counts before', async () => {
		draw([{ ...wall('a', 1, 'Aside'), counted: false }, wall('b', 2, 'Counted')]);
		expect(screen.getByText(/^1 page counted, 1 set aside/)).toBeTruthy();
		expect(reading().getByRole('heading', { name: 'Counted' })).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Aside' }));
		expect(reading().getByRole('heading', { name: 'Aside' })).toBeTruthy();
	});

	it('tells notes, transcripts and questions apart, and reads the one in hand', async () => {
		draw(
			[],
			[
				noteOf('visit', 'note', '# On the wall\n\nFrost lifts footings.'),
				noteOf('talk', 'transcript', '00:01 Vera: Set the frames.'),
				noteOf('asked', 'questions', 'How deep is the trench?')
			]
		);
		await tab('Notes 1');
		expect(reading().getAllByText(/Frost lifts footings/).length).toBeGreaterThan(0);
		await tab('Questions 1');
		expect(reading().getByLabelText<HTMLTextAreaElement>('Text of asked').value).toBe(
			'How deep is the trench?'
		);
		expect(reading().queryByText(/Frost lifts footings/)).toBeNull();
	});

	it('takes what is pasted outside of a field into a box, and never from within one', async () => {
		draw();
		const paste = (on: Element) =>
			fireEvent.paste(on, {
				clipboardData: {
					files: [],
					getData: (type: string) => (type === 'text/plain' ? 'Dig the trench\n\nDeep.' : '')
				}
			});
		await paste(document.body);
		const box = await screen.findByLabelText<HTMLTextAreaElement>('Paste the copied page');
		expect(box.value).toBe('Dig the trench\n\nDeep.');
		await waitFor(() => expect(guess).toHaveBeenCalledWith('Dig the trench\n\nDeep.'));
		await user.click(screen.getByRole('button', { name: 'Cancel' }));
		expect(screen.queryByLabelText('Paste the copied page')).toBeNull();
		run('Bring in pages by address');
		await paste(screen.getAllByRole('textbox')[0]!);
		expect(screen.queryByLabelText('Paste the copied page')).toBeNull();
	});

	it('counts a note that is a page in truth as one; the note goes, unless nothing came of it', async () => {
		const imports = vi.spyOn(importRun, 'importEvidence').mockResolvedValue(NOTHING_CAME);
		await changeEvidence({ notes: [noteOf('visit', 'note', 'Frost lifts footings.')] }, {});
		draw([], await listNotes(assignment.id));
		await tab('Notes 1');
		const count = () => user.click(reading().getByRole('button', { name: 'Count it as a page' }));
		await count();
		expect(imports.mock.calls[0]![1].pages).toMatchObject([
			{ name: 'visit', origin: 'text', text: 'Frost lifts footings.' }
		]);
		expect(await listNotes(assignment.id)).toHaveLength(1);
		imports.mockResolvedValue({
			...NOTHING_CAME,
			pages: [{ ...wall('p', 1, 'Frost'), name: 'visit' }]
		});
		await tab('Notes 1');
		await count();
		await waitFor(async () => expect(await listNotes(assignment.id)).toEqual([]));
	});

	it('closes one way of bringing pages in when another is opened', async () => {
		draw();
		run('Pick pages from who ranks');
		expect(screen.getByRole('button', { name: 'Who ranks' }).getAttribute('aria-expanded')).toBe(
			'true'
		);
		run('Bring in pages by address');
		expect(screen.getByRole('button', { name: 'Who ranks' }).getAttribute('aria-expanded')).toBe(
			'false'
		);
		expect(screen.getByRole('button', { name: 'By address' }).getAttribute('aria-expanded')).toBe(
			'true'
		);
	});
});
