import { beforeEach, describe, expect, it, vi } from 'vitest';
import { readKeywordList, runThrough, type ColumnMeaning } from '$lib/core/keywords';
import { db } from '$lib/data/db';
import type { WholeList } from '$lib/data/keywords';
import { ListImport } from './list-import.svelte';
import type { ScoutLists } from './scout-lists.svelte';
import { answering } from '../../../../tests/support/analyst';

interface Asked {
	readonly text: string;
	readonly meanings: Readonly<Record<number, ColumnMeaning>>;
	readonly answer: () => void;
}
/** Lists the worker was asked to read; each is answered when a test says so. */
const asked: Asked[] = [];
answering({
	readKeywords: ({ text, meanings }: Pick<Asked, 'text' | 'meanings'>) =>
		new Promise((resolve) => {
			const answer = () => {
				const read = runThrough(readKeywordList(text, { meanings }));
				resolve(read.kind === 'read' ? { ...read, encoding: 'utf-8' } : read);
			};
			asked.push({ text, meanings, answer });
		}),
	stopReading: async () => {}
});

const stored: WholeList[] = [];
const scout = {
	scope: 'common',
	lists: [{ name: 'planner.csv' }],
	addLists: async (_label: string, lists: readonly WholeList[]) => {
		stored.push(...lists);
	}
} as unknown as ScoutLists;

/** Answers what the worker was asked last, once it was asked. */
async function answer(count: number): Promise<void> {
	await vi.waitFor(() => expect(asked).toHaveLength(count));
	asked[count - 1]!.answer();
}
const list = (text: string) =>
	({ name: 'planner.csv', origin: 'file', bytes: null, text }) as const;
const PLANNER = 'Keyword,Volume,Bid\nwall,10,4\nhedge,20,6';

let coming: ListImport;
beforeEach(async () => {
	asked.length = 0;
	stored.length = 0;
	await Promise.all(db.tables.map((table) => table.clear()));
	coming = new ListImport(scout);
});

describe('lists on their way in', () => {
	it('brings in with the meanings chosen, however soon after', async () => {
		const read = coming.readOne(list(PLANNER));
		await answer(1);
		await read;
		void coming.changeMeaning(coming.incoming[0]!.id, 1, 'titleMatches');
		const brought = coming.bring();
		await answer(2);
		await brought;
		expect(stored[0]!.rows.map(({ titleMatches }) => titleMatches)).toEqual([10, 20]);
		expect(coming.incoming).toEqual([]);
	});

	it('keeps both of two meanings chosen one soon after the other', async () => {
		const read = coming.readOne(list(PLANNER));
		await answer(1);
		await read;
		const { id } = coming.incoming[0]!;
		const first = coming.changeMeaning(id, 1, 'titleMatches');
		const second = coming.changeMeaning(id, 2, 'bidHigh');
		await answer(2);
		await answer(3);
		await Promise.all([first, second]);
		expect(asked[2]!.meanings).toEqual({ 0: 'phrase', 1: 'titleMatches', 2: 'bidHigh' });
	});

	it('tells lists of one name apart, those that are there already among them', async () => {
		const first = coming.readOne(list(PLANNER));
		await answer(1);
		await first;
		const second = coming.readOne(list('Keyword,Volume\nlate,1'));
		await answer(2);
		await second;
		await coming.bring();
		expect(stored.map((whole) => whole.list.name)).toEqual(['planner.csv (2)', 'planner.csv (3)']);
	});

	it('leaves a list that comes in meanwhile for its own word', async () => {
		const read = coming.readOne(list(PLANNER));
		await answer(1);
		await read;
		const later = coming.readOne(list('Keyword,Volume\nlate,1'));
		const brought = coming.bring();
		await answer(2);
		await Promise.all([later, brought]);
		expect(stored).toHaveLength(1);
		expect(coming.incoming.map(({ text }) => text)).toEqual(['Keyword,Volume\nlate,1']);
	});

	it('names what it cannot read, and reads the next one', async () => {
		const bad = coming.readOne(list(''));
		await answer(1);
		await bad;
		const good = coming.readOne(list(PLANNER));
		await answer(2);
		await good;
		expect(coming.incoming.map(({ read }) => read.kind)).toEqual(['unreadable', 'read']);
	});
});
