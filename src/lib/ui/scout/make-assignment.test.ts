import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { blankKeyword, mergeLists, scoutRowsOf } from '$lib/core/keywords';
import { db } from '$lib/data/db';
import { makeAssignmentFrom } from './make-assignment';

const rowsOf = (...phrases: string[]) =>
	scoutRowsOf(
		mergeLists([
			phrases.map((phrase, i) => ({
				...blankKeyword(phrase),
				volume: 100 - i,
				volumeMin: 100 - i,
				volumeMax: 100 - i
			}))
		]),
		[],
		{ today: '2026-11-24' }
	);

beforeEach(async () => {
	await Promise.all(db.tables.map((table) => table.clear()));
});

describe('makeAssignmentFrom', () => {
	it('takes the cluster along: volumes, questions, intent and titles', async () => {
		const rows = rowsOf(
			'dry stone wall cost',
			'how much does a dry stone wall cost',
			'cheap walls'
		);
		const id = await makeAssignmentFrom(rows[0]!, rows, 'client-1');
		const made = (await db.assignments.get(id))!;
		expect(made).toMatchObject({
			keyword: 'dry stone wall cost',
			title: 'Dry stone wall cost',
			client: 'client-1',
			targetWords: null,
			brief: { intent: 'commercial', agreedOn: '', effort: 'pillar' }
		});
		expect(made.brief.workingTitle).toMatch(/^Dry stone wall cost/);
		expect(made.brief.secondary).toEqual([
			{
				phrase: 'how much does a dry stone wall cost',
				volumeMin: 99,
				volumeMax: 99,
				isRequired: false
			},
			{ phrase: 'cheap walls', volumeMin: 98, volumeMax: 98, isRequired: false }
		]);
		const [note] = await db.notes.where({ assignment: id }).toArray();
		expect(note).toMatchObject({ kind: 'questions', text: 'How much does a dry stone wall cost?' });
	});

	it('makes no empty list of questions, and no client where there is none', async () => {
		const rows = rowsOf('dry stone wall');
		const id = await makeAssignmentFrom(rows[0]!, rows, '');
		expect((await db.assignments.get(id))!.client).toBeNull();
		expect(await db.notes.count()).toBe(0);
	});
});
