import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Assignment, Page } from '$lib/data/db';
import { storedPage } from '../../../../tests/support/stored-page';
import ReadingPane from './ReadingPane.svelte';
import { answering } from '../../../../tests/support/analyst';

const worker = { brings: vi.fn<(page: unknown) => Promise<unknown>>() };
answering(worker);

const user = userEvent.setup({ pointerEventsCheck: 0 });
const assignment = { id: 'a', keyword: 'dry stone wall' } as Assignment;
const TEXT = `# How a wall stands

A dry stone wall stands by its weight.

## Dig the trench

Dig it 30 cm deep on firm ground.

| Part | Width |
| --- | --- |
| Base | 70 cm |

## Set the cope

The heaviest stones go on top.

Buy our book on walling.`;

/** The pane over a page whose blocks are struck as the stage would. */
function draw(more: Record<string, unknown> = {}, changed: Partial<Page> = {}) {
	const stored = storedPage(assignment, 'p', 1, TEXT, 'https://hill.example/walls');
	let page = $state.raw<Page>({
		...stored,
		...changed,
		article: { ...stored.article, siteName: 'Hillfoot' }
	});
	const handlers = {
		onstrike: vi.fn((struck: number[]) => {
			flushSync(() => (page = { ...page, struck }));
		}),
		onstrikelike: vi.fn<(at: number) => void>(),
		onremove: vi.fn<() => void>(),
		ontoggle: vi.fn<() => void>(),
		ontake: vi.fn<() => void>(),
		onread: vi.fn<(source: string) => Promise<string | null>>()
	};
	render(ReadingPane, {
		props: {
			get page() {
				return page;
			},
			keyword: 'dry stone wall',
			pages: [],
			letter: 'A',
			...handlers,
			...more
		}
	});
	return handlers;
}
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }));
const blocks = () => screen.getByRole('list', { name: /^Blocks of the page/ });
const rows = () =>
	[...blocks().querySelectorAll<HTMLElement>('[data-at]')].map(({ textContent }) =>
		textContent.replace(/\s+/g, ' ').trim()
	);

beforeEach(() => {
	vi.clearAllMocks();
	worker.brings.mockResolvedValue({
		facts: ['Dig it 30 cm deep on firm ground.'],
		questions: []
	});
});

describe('the reading pane', () => {
	it('says of a page what it is, how it fits, and of how many words', () => {
		draw();
		const head = screen.getByRole('heading', { level: 1 }).closest('header')!;
		expect(head.textContent).toMatch(/A ·\s*Hillfoot · \d+ words kept, 0 dropped/);
		expect(head.textContent).toMatch(/Fit\s*\d+ of 100: the title has/);
		expect(screen.getByRole('link', { name: 'https://hill.example/walls' })).toBeTruthy();
	});

	it('strikes a block out by key and brings it back, the words with it', async () => {
		const { onstrike } = draw();
		const before = rows().length;
		const row = blocks().querySelector<HTMLElement>('[data-at]')!;
		row.focus();
		await user.keyboard('{ArrowDown}');
		const second = document.activeElement as HTMLElement;
		expect(second.dataset.at).not.toBe(row.dataset.at);
		await user.keyboard('x');
		const at = Number(second.dataset.at);
		expect(onstrike).toHaveBeenLastCalledWith([at]);
		expect(screen.getByText(/words kept, [1-9]\d* dropped/)).toBeTruthy();
		// what is struck out stays where it was, to be brought back
		expect(rows()).toHaveLength(before);
		blocks().querySelector<HTMLElement>(`[data-at="${at}"]`)!.focus();
		await user.keyboard('x');
		expect(onstrike).toHaveBeenLastCalledWith([]);
	});

	it('strikes out what is alike on the site by a capital X', async () => {
		const { onstrikelike } = draw();
		const row = [...blocks().querySelectorAll<HTMLElement>('[data-at]')].at(-1)!;
		row.focus();
		await user.keyboard('{Shift>}X{/Shift}');
		expect(onstrikelike).toHaveBeenCalledWith(Number(row.dataset.at));
	});

	it('shows the outline, and goes from a heading to its place', async () => {
		draw();
		await press('Outline');
		const outline = within(screen.getByRole('list', { name: 'Outline' }));
		expect(outline.getAllByRole('button').map(({ textContent }) => textContent.trim())).toEqual(
			expect.arrayContaining([expect.stringMatching(/^H2\s+Dig the trench$/)])
		);
		await user.click(outline.getByRole('button', { name: /Set the cope/ }));
		await vi.waitFor(() => expect(document.activeElement?.textContent).toContain('Set the cope'));
	});

	it('shows the facts and questions that a page brings', async () => {
		draw();
		await press('Facts and questions');
		expect(await screen.findByText('Dig it 30 cm deep on firm ground.')).toBeTruthy();
		expect(screen.getByRole('heading', { name: 'Questions 0' })).toBeTruthy();
		expect(worker.brings.mock.calls[0]![0]).toMatchObject({ id: 'p', struck: [] });
		await press('Show the article');
		expect(rows().join()).toContain('The heaviest stones go on top.');
	});

	it('opens at the words that another stage asks for', async () => {
		draw({ says: 'The heaviest stones go on top.' });
		await vi.waitFor(() =>
			expect(document.activeElement?.textContent).toContain('The heaviest stones go on top.')
		);
	});

	it('is set aside, taken out and made a take of by its buttons', async () => {
		const { ontoggle, onremove, ontake } = draw();
		await press('Set aside');
		await press('Take it out');
		await press('Start a take from it');
		expect([ontoggle, onremove, ontake].map(({ mock }) => mock.calls.length)).toEqual([1, 1, 1]);
	});
});
