import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { blankKeyword, mergeLists, scoutRowsOf, type Keyword } from '$lib/core/keywords';
import { COLUMNS } from './columns';
import ScoutTable from './ScoutTable.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
const on = { onsort: vi.fn(), ontick: vi.fn(), onchoose: vi.fn() };
const keyword = (phrase: string, values: Partial<Keyword> = {}): Keyword => ({
	...blankKeyword(phrase),
	...values
});
const PHRASES = [
	keyword('dry stone wall cost', { volume: 900, volumeMin: 900, volumeMax: 900, change3m: 0.5 }),
	keyword('dry stone walls 2019', { competition: 'low' }),
	keyword('walling hammer', { bidLow: 0.4, bidHigh: 1.25, currency: 'GBP' }),
	keyword('batter frame'),
	keyword('stone on site')
];
const rows = scoutRowsOf(mergeLists([PHRASES]), [], { today: '2026-04-20' });

beforeEach(() => {
	vi.clearAllMocks();
	// a table draws what is in sight: here a window of 600 px
	vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(600);
	vi.spyOn(HTMLElement.prototype, 'offsetWidth', 'get').mockReturnValue(900);
	vi.stubGlobal('matchMedia', () => ({
		matches: false,
		addEventListener() {},
		removeEventListener() {}
	}));
	Element.prototype.scrollTo ??= () => {};
});

function draw(props: Record<string, unknown> = {}) {
	return render(ScoutTable, {
		rows,
		columns: COLUMNS.map(({ id }) => id),
		clusterOf: new Map([[rows[0]!.key, 'stone walls']]),
		sorting: { field: 'volume', isDescending: true },
		ticked: new Set<string>(),
		chosen: null,
		...on,
		...props
	});
}
const rowOf = (phrase: string) =>
	within(screen.getByRole('button', { name: phrase }).closest('tr')!);
const cell = (phrase: string, column: string) => {
	const heads = screen.getAllByRole('columnheader').map(({ textContent }) => textContent!.trim());
	const at = heads.findIndex((head) => head.startsWith(column));
	return rowOf(phrase).getAllByRole('cell')[at]!.textContent!.trim();
};
const lastTicked = () => [...(on.ontick.mock.lastCall![0] as Set<string>)];

describe('the table of phrases', () => {
	it('shows what is known, and a dash for what is not', () => {
		draw();
		expect(cell('dry stone wall cost', 'Volume')).toBe('900');
		expect(cell('batter frame', 'Volume')).toBe('–');
		expect(cell('walling hammer', 'Bid')).toMatch(/^(?:GBP 1\.25|–)$/);
		expect(cell('dry stone wall cost', 'Cluster')).toBe('stone walls');
		expect(rowOf('dry stone walls 2019').getByTitle('This year has passed').textContent).toBe(
			'2019'
		);
	});

	it('shows the columns that are chosen', () => {
		draw({ columns: ['phrase', 'volume'] });
		expect(screen.getAllByRole('columnheader')).toHaveLength(3);
	});

	it('sorts anew by another column, and turns the same one round', async () => {
		draw();
		await user.click(screen.getByRole('button', { name: /^Volume/ }));
		expect(on.onsort).toHaveBeenLastCalledWith({ field: 'volume', isDescending: false });
		await user.click(screen.getByRole('button', { name: /^Phrase/ }));
		expect(on.onsort).toHaveBeenLastCalledWith({ field: 'phrase', isDescending: false });
		expect(screen.getByRole('columnheader', { name: /^Volume/ }).getAttribute('aria-sort')).toBe(
			'descending'
		);
	});

	it('ticks all that is shown and only that, and takes it back', async () => {
		const elsewhere = new Set(['a phrase that a filter hides']);
		const { rerender } = draw({ ticked: elsewhere });
		const all = screen.getByRole('checkbox', { name: 'Tick all phrases shown' });
		await user.click(all);
		expect(lastTicked()).toEqual([...elsewhere, ...rows.map(({ key }) => key)]);
		await rerender({ ticked: new Set(lastTicked()) });
		await user.click(all);
		expect(lastTicked()).toEqual([...elsewhere]);
	});

	it('ticks all between two with shift, by mouse and by key', async () => {
		const { rerender } = draw();
		await user.click(rowOf(rows[1]!.phrase).getByRole('checkbox'));
		await rerender({ ticked: new Set(lastTicked()) });
		await user.keyboard('{Shift>}');
		await user.click(rowOf(rows[3]!.phrase).getByRole('checkbox'));
		await user.keyboard('{/Shift}');
		expect(lastTicked()).toEqual([1, 2, 3].map((at) => rows[at]!.key));
		expect(on.onchoose).not.toHaveBeenCalled();
		await rerender({ ticked: new Set(lastTicked()) });
		screen.getByRole('button', { name: rows[2]!.phrase }).focus();
		await user.keyboard(' ');
		expect(lastTicked()).toEqual([1, 3].map((at) => rows[at]!.key));
	});

	it('goes from row to row by key, to both ends, and leaves Ctrl to the page', async () => {
		draw();
		screen.getByRole('button', { name: rows[0]!.phrase }).focus();
		await user.keyboard('{ArrowDown}');
		expect(on.onchoose).toHaveBeenLastCalledWith(rows[1]!.key);
		screen.getByRole('button', { name: rows[1]!.phrase }).focus();
		await user.keyboard('{End}');
		expect(on.onchoose).toHaveBeenLastCalledWith(rows.at(-1)!.key);
		on.onchoose.mockClear();
		await user.keyboard('{Control>}{ArrowDown}{/Control}');
		expect(on.onchoose).not.toHaveBeenCalled();
	});
});
