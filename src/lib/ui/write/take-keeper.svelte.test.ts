import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { docOf, paragraph, textNode, type TakeDoc } from '$lib/core/manuscript';
import { db, type Take } from '$lib/data/db';
import { addTake, listTakes, saveTake } from '$lib/data/takes';
import { restoreUnsaved } from '$lib/data/unsaved';
import { Autosave } from '../parts/autosave';
import { TakeKeeper } from './take-keeper.svelte';

const docWith = (text: string): TakeDoc => docOf([paragraph(textNode(text))]);
const stored = async () => (await listTakes('a')).map(({ name, doc }) => [name, doc]);
let take: Take;

beforeEach(async () => {
	await db.takes.clear();
	localStorage.clear();
	take = await addTake('a', 'Take 1', docWith('one'));
});
afterEach(() => void vi.restoreAllMocks());

describe('TakeKeeper', () => {
	it('stores what is typed, and says so', async () => {
		const keeper = new TakeKeeper(take);
		expect(keeper.said).toBe('saved');
		keeper.changed(() => docWith('two'));
		expect(keeper.said).toBe('saving …');
		await keeper.flush();
		expect(keeper.said).toBe('saved');
		expect(await stored()).toEqual([['Take 1', docWith('two')]]);
	});

	it('asks when another tab has stored meanwhile, and gives up or keeps what was typed here', async () => {
		const keeper = new TakeKeeper(take);
		await saveTake(take.id, docWith('theirs'), take.revision);
		keeper.changed(() => docWith('mine'));
		await keeper.flush();
		expect(keeper.said).toBe('not saved');
		expect(keeper.conflict?.doc).toEqual(docWith('theirs'));
		// what is typed while it asks is not stored over theirs either
		keeper.changed(() => docWith('mine and more'));
		await keeper.flush();
		expect((await stored())[0]![1]).toEqual(docWith('theirs'));
		expect(keeper.takeTheirs()?.doc).toEqual(docWith('theirs'));
		keeper.changed(() => docWith('theirs, then mine'));
		await keeper.flush();
		expect((await stored())[0]![1]).toEqual(docWith('theirs, then mine'));
	});

	it('follows a newer state only while nothing is unsaved here', () => {
		const keeper = new TakeKeeper(take);
		expect(keeper.follows({ ...take, revision: take.revision + 1 })).toBe(true);
		expect(keeper.follows({ ...take, revision: take.revision + 1 })).toBe(false);
		keeper.changed(() => docWith('mine'));
		expect(keeper.follows({ ...take, revision: take.revision + 2 })).toBe(false);
		keeper.letGo();
	});

	it('tries again after a save that failed, with the newest text', async () => {
		const keeper = new TakeKeeper(take);
		const fails = vi
			.spyOn(db, 'transaction')
			.mockRejectedValueOnce(Object.assign(new Error('full'), { name: 'QuotaExceededError' }));
		keeper.changed(() => docWith('two'));
		await keeper.flush();
		expect(fails).toHaveBeenCalled();
		expect(keeper.said).toBe('not saved: this browser is full');
		keeper.changed(() => docWith('three'));
		await keeper.flush();
		expect(keeper.said).toBe('saved');
		expect((await stored())[0]![1]).toEqual(docWith('three'));
	});

	it('writes down at once what is unsaved when the page is left, for the next one to store', async () => {
		const keeper = new TakeKeeper(take);
		const unwatch = keeper.watch();
		// storage that never answers, as when the page dies
		vi.spyOn(db, 'transaction').mockImplementation(() => new Promise(() => {}) as never);
		keeper.changed(() => docWith('typed last'));
		window.dispatchEvent(new Event('pagehide'));
		await new Promise((resolve) => setTimeout(resolve));
		vi.restoreAllMocks();
		expect((await stored())[0]![1]).toEqual(docWith('one'));
		expect(await restoreUnsaved('other')).toBe(0);
		expect(await restoreUnsaved('a')).toBe(1);
		expect(await stored()).toEqual([['Take 1', docWith('typed last')]]);
		expect(await restoreUnsaved('a')).toBe(0);
		unwatch();
	});

	it('keeps both when the take was stored otherwise after the page was left', async () => {
		const keeper = new TakeKeeper(take);
		keeper.watch();
		vi.spyOn(db, 'transaction').mockImplementation(() => new Promise(() => {}) as never);
		keeper.changed(() => docWith('typed last'));
		window.dispatchEvent(new Event('pagehide'));
		await new Promise((resolve) => setTimeout(resolve));
		vi.restoreAllMocks();
		await saveTake(take.id, docWith('theirs'), take.revision);
		await restoreUnsaved('a');
		expect(await stored()).toEqual([
			['Take 1', docWith('theirs')],
			['Take 1 (left unsaved)', docWith('typed last')]
		]);
	});

	describe('of a page that is left', () => {
		const reopened = async () => {
			await restoreUnsaved('a');
			return stored();
		};
		/** Holds back every save until it is let go. */
		function slowStorage() {
			let letGo = () => {};
			const held = new Promise<void>((done) => (letGo = done));
			const real = db.transaction.bind(db) as (...all: unknown[]) => Promise<unknown>;
			vi.spyOn(db, 'transaction').mockImplementation(((...all: unknown[]) =>
				held.then(() => real(...all))) as never);
			return letGo;
		}
		const leave = () => window.dispatchEvent(new Event('pagehide'));

		it('keeps what a save that is under way may never bring to its end', async () => {
			const keeper = new TakeKeeper(take);
			const end = keeper.watch();
			slowStorage();
			keeper.changed(() => docWith('two'));
			void keeper.flush();
			await Promise.resolve();
			leave();
			vi.restoreAllMocks();
			expect(await reopened()).toEqual([['Take 1', docWith('two')]]);
			end();
		});

		it('keeps the last letters though the save before them ends while it is left', async () => {
			const keeper = new TakeKeeper(take);
			const end = keeper.watch();
			const letGo = slowStorage();
			keeper.changed(() => docWith('two'));
			void keeper.flush();
			await Promise.resolve();
			keeper.changed(() => docWith('two, to the last letter'));
			// the save that leaving asks for never comes to its end
			const flush = vi.spyOn(Autosave.prototype, 'flush').mockResolvedValue();
			leave();
			flush.mockRestore();
			vi.mocked(db.transaction).mockRestore();
			letGo();
			await vi.waitFor(async () => expect((await stored())[0]![1]).toEqual(docWith('two')));
			// no second take: the stored one is the one that it goes on from
			expect(await reopened()).toEqual([['Take 1', docWith('two, to the last letter')]]);
			end();
		});
	});
});
