import { fireEvent, render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
	clusterPhrases,
	readKeywordList,
	runThrough,
	type ColumnMeaning
} from '$lib/core/keywords';
import { db } from '$lib/data/db';
import { answering } from '../../../../tests/support/analyst';
import { actions } from '../frame/actions.svelte';
import { history } from '../frame/history.svelte';
import Scout from './Scout.svelte';

type Read = {
	readonly bytes: Uint8Array | null;
	readonly text: string;
	readonly meanings: Readonly<Record<number, ColumnMeaning>>;
};
answering({
	readKeywords: async ({ bytes, text, meanings }: Read) => {
		const given = bytes ? new TextDecoder().decode(bytes) : text;
		const read = runThrough(readKeywordList(given, { meanings }));
		return read.kind === 'read' ? { ...read, encoding: 'utf-8' } : read;
	},
	cluster: async (input: Parameters<typeof clusterPhrases>[0]) => runThrough(clusterPhrases(input)),
	stopReading: async () => {}
});

const user = userEvent.setup({ pointerEventsCheck: 0 });
const PLANNER =
	'Keyword\tAvg. monthly searches\ndry stone wall\t900\ndry stone wall cost\t300\nhedge laying 2019\t80';
const on = {
	onassignment: vi.fn<(id: string) => void>(),
	onkeyword: vi.fn<(phrase: string) => void>()
};

beforeEach(async () => {
	vi.clearAllMocks();
	// a table draws what is in sight: here a window of 600 px
	vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(600);
	vi.spyOn(HTMLElement.prototype, 'offsetWidth', 'get').mockReturnValue(900);
	Element.prototype.scrollTo ??= () => {};
	await Promise.all(db.tables.map((table) => table.clear()));
});

const draw = (more: { keyword?: string } = {}) =>
	render(Scout, { props: { scope: '', ...on, ...more } });
const run = (label: string | RegExp) =>
	actions.all.find((one) => one.label.match(label) !== null)!.run();
const phrases = () =>
	[...screen.getByRole('table').querySelectorAll('button.open')].map((one) =>
		one.textContent.trim()
	);

/** Pastes cells of a planner, looks at what was read, and brings it in. */
async function bringPlanner(text = PLANNER) {
	await screen.findByText(/Bring the keyword lists of no client/);
	run('Paste phrases');
	await fireEvent.input(await screen.findByLabelText(/^Paste lines, or cells/), {
		target: { value: text }
	});
	await user.click(screen.getByRole('button', { name: 'Read it' }));
	await user.click(await screen.findByRole('button', { name: /^Bring in \d/ }));
	await screen.findByText(/^\s*3 phrases/);
}

describe('Scout', () => {
	it('says what to bring while there is nothing, and then shows what came', async () => {
		draw();
		await bringPlanner();
		expect(phrases().sort()).toEqual([
			'dry stone wall',
			'dry stone wall cost',
			'hedge laying 2019'
		]);
		expect(await db.keywordLists.count()).toBe(1);
		expect(screen.getByRole('complementary', { name: 'The phrase in hand' }).textContent).toMatch(
			/dry stone wall|hedge/
		);
	});

	it('makes a passed year this year’s, and strikes what is ticked; both can be undone', async () => {
		draw();
		await bringPlanner();
		expect(screen.getByText(/one passed year/)).toBeTruthy();
		await user.click(screen.getByRole('button', { name: /^make it \d{4}$/ }));
		const fresh = `hedge laying ${new Date().getFullYear()}`;
		await waitFor(() => expect(phrases()).toContain(fresh));
		await user.click(screen.getByRole('checkbox', { name: new RegExp(fresh) }));
		const group = screen.getByRole('group', { name: 'What to do with the ticked phrases' });
		await user.click(within(group).getByRole('button', { name: 'Strike' }));
		await waitFor(() => expect(phrases()).toHaveLength(2));
		expect(screen.queryByRole('group', { name: 'What to do with the ticked phrases' })).toBeNull();
		await history.undo();
		await waitFor(() => expect(phrases()).toContain(fresh));
		await history.undo();
		await waitFor(() => expect(phrases()).toContain('hedge laying 2019'));
	});

	it('makes an assignment of a phrase with its cluster, and says which it is', async () => {
		draw();
		await bringPlanner();
		await user.click(screen.getByRole('button', { name: 'dry stone wall' }));
		await waitFor(() => expect(actions.all.some(({ label }) => /“dry stone wall”/.test(label))));
		run('Make an assignment of “dry stone wall”');
		await waitFor(() => expect(on.onassignment).toHaveBeenCalledTimes(1));
		const made = await db.assignments.get(on.onassignment.mock.calls[0]![0]);
		expect(made).toMatchObject({ keyword: 'dry stone wall', client: null });
	});

	it('offers to add the keyword of an assignment that no list has', async () => {
		draw({ keyword: 'retaining wall' });
		await bringPlanner();
		expect(screen.getByText(/stands in none of these lists/)).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Add it' }));
		await waitFor(() => expect(phrases()).toContain('retaining wall'));
		expect(screen.queryByText(/stands in none of these lists/)).toBeNull();
	});

	it('keeps what is typed until it is read, and says why a list could not be', async () => {
		draw();
		await screen.findByText(/Bring the keyword lists of no client/);
		run('Bring in a results list');
		const field = await screen.findByLabelText(/^Paste who ranks/);
		await fireEvent.input(field, { target: { value: 'not a list' } });
		await user.click(screen.getByRole('button', { name: 'Cancel' }));
		run('Paste phrases');
		const empty = await screen.findByLabelText<HTMLTextAreaElement>(/^Paste lines, or cells/);
		expect(empty.value).toBe('');
		expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Read it' }).disabled).toBe(true);
	});
});
