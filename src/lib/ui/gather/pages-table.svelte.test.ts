import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Assignment, AwaitedPage, Page } from '$lib/data/db';
import { storedPage } from '../../../../tests/support/stored-page';
import PagesTable from './PagesTable.svelte';

const user = userEvent.setup();
const on = { onchoose: vi.fn(), ontoggle: vi.fn(), onretry: vi.fn(), ongiveup: vi.fn() };
const assignment = { id: 'a', keyword: 'dry stone wall' } as Assignment;

function pageOf(id: string, order: number, text: string, more: Partial<Page> = {}): Page {
	return { ...storedPage(assignment, id, order, text), ...more };
}
const long = pageOf(
	'long',
	1,
	`# Walls of old\n\n## How old are they?\n\n${'A dry stone wall stands long. '.repeat(20)}\n\n## Mending`
);
const short = pageOf('short', 2, '# A short word\n\nHedges are green.', { counted: false });
const ranked = pageOf('ranked', 3, '# Middling\n\nA wall and a gate, and a gate and a wall.', {
	result: { position: 2, strength: 61, kind: '' }
});
const awaited = (id: string): AwaitedPage => ({
	id,
	assignment: assignment.id,
	address: `https://${id}.example/wall`,
	title: '',
	reason: 'the site does not answer',
	result: null,
	order: 9
});

function draw(pages: readonly Page[], more: Record<string, unknown> = {}) {
	render(PagesTable, {
		pages,
		awaited: [],
		alike: new Map(),
		letters: new Map(pages.filter(({ counted }) => counted).map(({ id }, i) => [id, 'AB'[i]!])),
		chosen: null,
		...on,
		...more
	});
}
const titles = () =>
	[...screen.getByRole('table').querySelectorAll('button.open')].map((one) => one.textContent);
const rowOf = (title: string) => screen.getByRole('button', { name: title }).closest('tr')!;

beforeEach(() => void vi.clearAllMocks());

describe('the table of pages', () => {
	it('says of each page what it is, and whether it counts', () => {
		draw([long, short]);
		const cells = within(rowOf('Walls of old')).getAllByRole('cell');
		expect(cells[0]!.textContent).toBe('A');
		expect(cells.map(({ textContent }) => textContent)).toEqual(
			expect.arrayContaining(['2', '1', 'counted'].map((text) => expect.stringMatching(text)))
		);
		const aside = within(rowOf('A short word'));
		expect(aside.getAllByRole('cell')[0]!.textContent).toBe('–');
		expect(aside.getByRole('button', { name: 'A short word: set aside. Count it' })).toBeTruthy();
		// who ranks is not known: no column for it
		expect(screen.queryByRole('button', { name: /^Sort by rank/ })).toBeNull();
	});

	it('sorts by every column, back by a second click, and as they came by the first', async () => {
		draw([long, short, ranked]);
		const sort = (title: string) =>
			user.click(screen.getByRole('button', { name: `Sort by ${title}` }));
		await sort('words kept');
		expect(titles()).toEqual(['Walls of old', 'Middling', 'A short word']);
		await sort('words kept');
		expect(titles()).toEqual(['A short word', 'Middling', 'Walls of old']);
		expect(
			screen.getByRole('button', { name: 'Sort by words kept' }).closest('th')!.ariaSort ??
				screen
					.getByRole('button', { name: 'Sort by words kept' })
					.closest('th')!
					.getAttribute('aria-sort')
		).toBe('descending');
		await sort('rank in the list of results');
		expect(titles()[0]).toBe('Middling');
		await sort('title');
		expect(titles()).toEqual(['A short word', 'Middling', 'Walls of old']);
		await sort('counted or set aside');
		expect(titles().at(-1)).toBe('A short word');
		await sort('order of arrival');
		expect(titles()).toEqual(['Walls of old', 'A short word', 'Middling']);
	});

	it('is walked by arrows; space sets a page aside and opens none', async () => {
		draw([long, short]);
		screen.getByRole('button', { name: 'Walls of old' }).focus();
		await user.keyboard('{ArrowDown}');
		expect(on.onchoose).toHaveBeenLastCalledWith('short');
		expect(document.activeElement?.textContent).toBe('A short word');
		await user.keyboard('{ArrowDown}');
		expect(document.activeElement?.textContent).toBe('A short word');
		on.onchoose.mockClear();
		await user.keyboard(' ');
		expect(on.ontoggle).toHaveBeenCalledExactlyOnceWith(short);
		await user.click(screen.getByRole('button', { name: /^Walls of old: counted/ }));
		expect(on.ontoggle).toHaveBeenLastCalledWith(long);
		expect(on.onchoose).not.toHaveBeenCalled();
	});

	it('says which page another nearly repeats', () => {
		draw([long, ranked], { alike: new Map([['ranked', { id: 'long', likeness: 0.93 }]]) });
		expect(rowOf('Middling').textContent).toContain('93 of 100 parts of it stand in A too');
	});

	it('keeps what has not come in, with the reason, to ask for again or to take out', async () => {
		const rows = [awaited('one'), awaited('two')];
		draw([long], { awaited: rows });
		expect(screen.getAllByText(/has not come in: the site does not answer/)).toHaveLength(2);
		await user.click(screen.getByRole('button', { name: 'Try again: https://one.example/wall' }));
		expect(on.onretry).toHaveBeenLastCalledWith([rows[0]]);
		await user.click(screen.getByRole('button', { name: 'Take out: https://two.example/wall' }));
		expect(on.ongiveup).toHaveBeenLastCalledWith([rows[1]]);
		await user.click(screen.getByRole('button', { name: 'Try all 2 again' }));
		expect(on.onretry).toHaveBeenLastCalledWith(rows);
		await user.click(screen.getByRole('button', { name: 'Take all of them out' }));
		expect(on.ongiveup).toHaveBeenLastCalledWith(rows);
	});
});
