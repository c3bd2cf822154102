import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { EMPTY_CLIENT } from '$lib/core/clients';
import { docOf, heading, paragraph, textNode } from '$lib/core/manuscript';
import { addAssignment, binAssignment } from './assignments';
import { addClient } from './clients';
import { db } from './db';
import { ownArticlesOf } from './own-articles';
import { addTake } from './takes';

const doc = (text: string) => docOf([heading(1, 'A wall'), paragraph(textNode(text))]);

describe('ownArticlesOf', () => {
	beforeEach(() => Promise.all(db.tables.map((table) => table.clear())));

	async function assignmentOf(client: string, keyword: string, ...texts: string[]) {
		const { id } = await addAssignment({ title: keyword, keyword, client, targetWords: null });
		for (const text of texts) await addTake(id, '', doc(text));
		return id;
	}

	it('gives the last take of each other assignment and the samples of the voice', async () => {
		const { id: client } = await addClient({
			...EMPTY_CLIENT,
			name: 'Fellgate Tools',
			voice: [{ name: 'A letter', text: 'Lift with your legs.' }]
		});
		const here = await assignmentOf(client, 'dry stone wall', 'This one is being read.');
		await assignmentOf(client, 'gabion wall', 'An early take.', 'Fill the basket by hand.');
		await assignmentOf(client, 'empty', '');
		await assignmentOf('somebody else', 'hedges', 'Lay it in winter.');
		const binned = await assignmentOf(client, 'binned', 'Nobody wants it.');
		await binAssignment(binned);
		const found = await ownArticlesOf(client, here);
		expect(found.map(({ name, text }) => [name, text.split('\n').at(-1)])).toEqual(
			expect.arrayContaining([
				['gabion wall', 'Fill the basket by hand.'],
				['A letter', 'Lift with your legs.']
			])
		);
		expect(found.map(({ name }) => name)).not.toContain('dry stone wall');
		expect(found.map(({ name }) => name)).not.toContain('hedges');
		expect(found.map(({ name }) => name)).not.toContain('binned');
	});

	it('gives nothing of a client who is not here', async () => {
		expect(await ownArticlesOf('nobody', 'x')).toEqual([]);
	});
});
