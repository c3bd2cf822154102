import { beforeEach, describe, expect, it } from 'vitest';
import { addAssignment } from '$lib/data/assignments';
import { db, type Assignment } from '$lib/data/db';
import { changeEvidence, listNotes, listPages } from '$lib/data/pages';
import { history } from '../frame/history.svelte';
import { storedPage } from '../../../../tests/support/stored-page';
import { strikeBlocks, strikeLike, takeOut, toggleCounted } from './change-evidence';

let assignment: Assignment;
const pages = () => listPages(assignment.id);
const struck = async () => (await pages()).map((page) => page.struck);
const offer = 'Order our wall kit today and save on the whole range of tools.';
const text = (say: string) => `# Walls\n\n${say}\n\n${offer}\n\nThe cope locks the wall.`;

beforeEach(async () => {
	await Promise.all(db.tables.map((table) => table.clear()));
	assignment = await addAssignment({
		title: 'Walls',
		keyword: 'dry stone wall',
		client: null,
		targetWords: null
	});
	const site = 'https://yardwise.example';
	await changeEvidence(
		{
			pages: [
				storedPage(assignment, 'a', 1, text('Dig the trench first.'), `${site}/a`),
				storedPage(assignment, 'b', 2, text('Sort the stone by size.'), `${site}/b`),
				storedPage(assignment, 'c', 3, text('Set the frames.'), 'https://moor.example/c'),
				storedPage(assignment, 'd', 4, text('Lay the footings.'))
			],
			notes: [
				{
					id: 'n',
					assignment: assignment.id,
					kind: 'note',
					name: 'Visit',
					text: 'We moved four tonnes.',
					order: 5
				}
			]
		},
		{}
	);
});

describe('what counts of the evidence', () => {
	it('sets a page aside and counts it again, each as a step', async () => {
		const [page] = await pages();
		await toggleCounted(page!);
		expect((await pages())[0]!.counted).toBe(false);
		expect(history.last!.label).toBe('Set “Walls” aside');
		await history.undo();
		expect((await pages())[0]!.counted).toBe(true);
	});

	it('strikes blocks of one page, and takes that back', async () => {
		const [page] = await pages();
		await strikeBlocks(page!, [1, 2]);
		expect(await struck()).toEqual([[1, 2], [], [], []]);
		await history.undo();
		expect(await struck()).toEqual([[], [], [], []]);
		await history.redo();
		expect(await struck()).toEqual([[1, 2], [], [], []]);
	});

	it('strikes what is like a block on every page of its site, now and later, and on no other', async () => {
		const all = await pages();
		await strikeBlocks(all[0]!, [1]);
		await strikeLike(assignment, await pages(), all[0]!, 2);
		expect(await struck()).toEqual([[1, 2], [2], [], []]);
		expect(history.last!.label).toBe('Struck out 2 blocks on yardwise.example');
		expect((await db.assignments.get(assignment.id))!.strikeRules).toHaveLength(1);
		await history.undo();
		expect(await struck()).toEqual([[1], [], [], []]);
		expect((await db.assignments.get(assignment.id))!.strikeRules).toEqual([]);
	});

	it('strikes nothing else where a page does not say which site it is from', async () => {
		const all = await pages();
		const before = history.last;
		await strikeLike(assignment, all, all[3]!, 2);
		expect(history.last).toBe(before);
		expect(await struck()).toEqual([[], [], [], []]);
	});

	it('takes pages and notes out and brings them back as they were', async () => {
		const [page] = await pages();
		await strikeBlocks(page!, [1]);
		await takeOut('pages', ['a', 'c'], '2 pages');
		await takeOut('notes', ['n'], '“Visit”');
		expect((await pages()).map(({ id }) => id)).toEqual(['b', 'd']);
		expect(await listNotes(assignment.id)).toEqual([]);
		await history.undo();
		await history.undo();
		expect((await pages()).map(({ id }) => id)).toEqual(['a', 'b', 'c', 'd']);
		expect(await struck()).toEqual([[1], [], [], []]);
		expect((await listNotes(assignment.id))[0]!.text).toBe('We moved four tonnes.');
	});
});
