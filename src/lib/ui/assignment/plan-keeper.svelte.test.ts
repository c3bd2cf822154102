import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { docOfHeadings, docText, type TakeDoc } from '$lib/core/manuscript';
import { newSection, type Plan } from '$lib/core/plan';
import { db, type Assignment } from '$lib/data/db';
import { restoreUnsaved } from '$lib/data/unsaved';
import { addTake, listTakes, readPlan, savePlanAndTakes } from '$lib/data/takes';
import { history } from '../frame/history.svelte';
import { planOf as emptyPlan } from '../../../../tests/support/plans';
import { PlanKeeper } from './plan-keeper.svelte';

const planOf = (...headings: readonly string[]): Plan => ({
	...emptyPlan(),
	sections: headings.map((heading, i) => newSection(`s${i}`, heading, 100))
});
const headings = (plan: Plan | null | undefined) => plan?.sections.map(({ heading }) => heading);
const stored = async () => headings((await readPlan('a'))?.plan);
const headingsIn = (doc: TakeDoc) =>
	doc.content.filter(({ type }) => type === 'heading').map(docText);

let keeper: PlanKeeper;
let end: () => void;

beforeEach(async () => {
	await Promise.all([db.plans.clear(), db.takes.clear()]);
	keeper = new PlanKeeper('a');
	end = keeper.follow(() => {});
	await vi.waitFor(() => expect(keeper.plan).toBeNull());
});
afterEach(() => {
	end();
	vi.restoreAllMocks();
});

describe('PlanKeeper', () => {
	it('shows a change at once and stores it behind, so that quick ones build on one another', async () => {
		const first = keeper.change('Proposed', planOf('One'));
		flushSync();
		expect(headings(keeper.plan)).toEqual(['One']);
		const second = keeper.change('Added', planOf('One', 'Two'));
		expect(headings(keeper.plan)).toEqual(['One', 'Two']);
		await Promise.all([first, second]);
		expect(await stored()).toEqual(['One', 'Two']);
		await history.undo();
		expect(await stored()).toEqual(['One']);
		await history.undo();
		expect(await stored()).toBeUndefined();
		await history.redo();
		await vi.waitFor(() => expect(headings(keeper.plan)).toEqual(['One']));
	});

	it('takes the manuscripts along, and back with undo', async () => {
		const plan = planOf('One', 'Two');
		await keeper.change('Proposed', plan);
		await addTake('a', '', docOfHeadings(plan));
		await keeper.change('Renamed', planOf('One', 'Second'));
		expect(headingsIn((await listTakes('a'))[0]!.doc)).toEqual(['One', 'Second']);
		await history.undo();
		expect(headingsIn((await listTakes('a'))[0]!.doc)).toEqual(['One', 'Two']);
	});

	it('refuses to turn a plan that another window has changed since', async () => {
		await keeper.change('Proposed', planOf('One'));
		await keeper.change('Added', planOf('One', 'Two'));
		await savePlanAndTakes('a', planOf('Theirs'), new Map());
		await history.undo();
		expect(await stored()).toEqual(['Theirs']);
		await vi.waitFor(() => expect(headings(keeper.plan)).toEqual(['Theirs']));
	});

	it('takes a manuscript’s outline into the plan', async () => {
		const plan = planOf('One', 'Two');
		await keeper.change('Proposed', plan);
		const take = await addTake('a', '', docOfHeadings(planOf('One, reworded', 'Two')));
		await keeper.fromTake(take, take.doc);
		expect(await stored()).toEqual(['One, reworded', 'Two']);
		await history.undo();
		expect(await stored()).toEqual(['One', 'Two']);
	});

	describe('left before storage has taken a change', () => {
		/** Another page finds what this one wrote down on leaving, and storage as it was then. */
		async function left(change: () => Promise<void>, meanwhile = async () => {}): Promise<void> {
			const unwatch = keeper.watch();
			const before = await readPlan('a');
			const changed = change();
			window.dispatchEvent(new Event('pagehide'));
			const written = { ...localStorage };
			await changed;
			unwatch();
			if (before) await db.plans.put(before);
			else await db.plans.clear();
			// as if storage had not come to its end
			for (const [key, value] of Object.entries(written))
				localStorage.setItem(key, value as string);
			await meanwhile();
			await restoreUnsaved('a');
		}

		/** Plans that are written down; other fields of a page leave what is theirs. */
		const writtenDown = () => Object.keys(localStorage).filter((key) => key.includes('|plan|'));

		beforeEach(async () => {
			localStorage.clear();
			await db.assignments.put({ id: 'a' } as Assignment);
		});
		afterEach(() => db.assignments.clear());

		it('puts it right when the assignment is opened, takes included', async () => {
			await left(() => keeper.change('Proposed', planOf('One', 'Two')));
			expect(await stored()).toEqual(['One', 'Two']);
			await addTake('a', '', docOfHeadings(planOf('One', 'Two')));
			await vi.waitFor(() => expect(headings(keeper.plan)).toEqual(['One', 'Two']));
			await left(async () => {
				await Promise.all([
					keeper.change('Renamed', planOf('One', 'Second')),
					keeper.change('Renamed', planOf('First', 'Second'))
				]);
			});
			expect(await stored()).toEqual(['First', 'Second']);
			expect(headingsIn((await listTakes('a'))[0]!.doc)).toEqual(['First', 'Second']);
		});

		it('leaves a plan that another window has changed since, and one that was stored', async () => {
			await keeper.change('Proposed', planOf('One'));
			await left(
				() => keeper.change('Added', planOf('One', 'Two')),
				() => savePlanAndTakes('a', planOf('Theirs'), new Map())
			);
			expect(await stored()).toEqual(['Theirs']);
			expect(writtenDown()).toEqual([]);
			await vi.waitFor(() => expect(headings(keeper.plan)).toEqual(['Theirs']));
			const unwatch = keeper.watch();
			window.dispatchEvent(new Event('pagehide'));
			unwatch();
			expect(writtenDown()).toEqual([]);
		});
	});

	it('shows what is stored again when storing fails', async () => {
		await keeper.change('Proposed', planOf('One'));
		vi.spyOn(db, 'transaction').mockRejectedValueOnce(new Error('no room'));
		await expect(keeper.change('Added', planOf('One', 'Two'))).rejects.toThrow('no room');
		expect(headings(keeper.plan)).toEqual(['One']);
	});
});
