import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { demoFindings } from '../../../../tests/support/demo';
import { NO_FILTER, termRowsOf, type TermRow } from './term-rows';
import TermsGrid from './TermsGrid.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
let findings: Findings;
let rows: TermRow[];
const on = {
	onsort: vi.fn(),
	ontick: vi.fn(),
	onchoose: vi.fn(),
	onstrike: vi.fn(),
	onpin: vi.fn(),
	onweigh: vi.fn()
};

beforeAll(() => {
	({ findings } = demoFindings());
	rows = termRowsOf(findings, NO_FILTER, 'rank');
}, 60_000);
beforeEach(() => {
	vi.clearAllMocks();
	// a grid draws what is in sight: here a window of 600 px
	vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(600);
	vi.spyOn(HTMLElement.prototype, 'offsetWidth', 'get').mockReturnValue(900);
	vi.stubGlobal(
		'ResizeObserver',
		class {
			observe() {}
			unobserve() {}
			disconnect() {}
		}
	);
	vi.stubGlobal('matchMedia', () => ({
		matches: false,
		addEventListener() {},
		removeEventListener() {}
	}));
	Element.prototype.scrollTo ??= () => {};
});

function draw(props: { ours?: ReadonlyMap<string, number> | null } = {}) {
	const letters = new Map(findings.pages.map(({ id }, i) => [id, String.fromCharCode(65 + i)]));
	render(TermsGrid, {
		findings,
		rows,
		letters,
		ours: null,
		sort: 'rank',
		ticked: new Set<string>(),
		chosen: null,
		...on,
		...props
	});
}
const nameOf = ({ term }: TermRow) => screen.getByRole('button', { name: term.phrase });
const rowOf = (row: TermRow) => nameOf(row).closest('tr')!;

describe('a row of the term grid', () => {
	it('says weight, range and pages of its term, and in our take how it stands', () => {
		const { term } = rows[0]!;
		draw({ ours: new Map([[term.key, term.max + 5]]) });
		const cells = within(rowOf(rows[0]!)).getAllByRole('cell');
		const said = cells.map(({ textContent }) => textContent!.trim());
		expect(said.slice(2, 5)).toEqual([
			term.weight,
			`${term.min}–${term.max}`,
			`${term.uses.length} of ${findings.pages.length}`
		]);
		const first = term.uses.find(({ page }) => page === findings.pages[0]!.id);
		expect(said[5]).toBe(first ? String(first.count) : '');
		expect(within(cells.at(-1)!).getByRole('img', { name: 'crowded' })).toBeTruthy();
	});

	it('is ticked, struck out, pinned and weighed by keyboard, and moves to the next', async () => {
		draw();
		nameOf(rows[0]!).focus();
		await user.keyboard(' ');
		expect([...(on.ontick.mock.lastCall![0] as Set<string>)]).toEqual([rows[0]!.term.key]);
		await user.keyboard('p');
		expect(on.onpin).toHaveBeenCalledWith(rows[0]);
		await user.keyboard('3');
		expect(on.onweigh).toHaveBeenCalledWith(rows[0], 'could');
		await user.keyboard('x');
		expect(on.onstrike).toHaveBeenCalledWith(rows[0]);
		await user.keyboard('{ArrowDown}');
		expect(on.onchoose).toHaveBeenLastCalledWith(rows[1]!.term.key);
	});

	it('leaves keys with Ctrl to the page: undo is no strike', async () => {
		draw();
		nameOf(rows[0]!).focus();
		await user.keyboard('{Control>}x{/Control}');
		expect(on.onstrike).not.toHaveBeenCalled();
	});

	it('sorts by a column, and back by strength', async () => {
		draw();
		await user.click(screen.getByRole('button', { name: 'Wanted' }));
		expect(on.onsort).toHaveBeenCalledWith('wanted');
	});
});
