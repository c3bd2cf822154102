import { strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readBundle, writeBundle } from './bundle';

const archive = (id: string, title: string) => ({
	id,
	title,
	updatedAt: 5,
	bytes: zipSync({ 'assignment.json': strToU8(`{"id":"${id}"}`) })
});

describe('archives of several assignments in one file', () => {
	it('come back as they went in, and each can be taken out by its name', () => {
		const given = [archive('a', 'Walls: how?'), archive('b', 'Walls: how?'), archive('c', '…')];
		const bytes = writeBundle(given);
		expect(readBundle(bytes)).toEqual({ kind: 'read', archives: given });
		expect(writeBundle(given)).toEqual(bytes);
		expect(Object.keys(unzipSync(bytes))).toEqual([
			'assignments.json',
			'001-walls-how.corvan.zip',
			'002-walls-how.corvan.zip',
			'003-assignment.corvan.zip'
		]);
	});

	it('are told from one archive and from anything else', () => {
		expect(readBundle(archive('a', 'Walls').bytes).kind).toBe('other');
		expect(readBundle(strToU8('no zip')).kind).toBe('other');
	});

	it('are refused with the reason when they are damaged or newer', () => {
		const broken = (list: string) => readBundle(zipSync({ 'assignments.json': strToU8(list) }));
		expect(broken('{')).toMatchObject({ kind: 'refused', reason: expect.stringContaining('JSON') });
		expect(broken('{"format":"else"}')).toMatchObject({ kind: 'refused' });
		expect(broken('{"format":"corvan-assignments","version":9,"assignments":[]}')).toMatchObject({
			reason: 'it was written by a newer Corvan'
		});
		expect(
			broken(
				'{"format":"corvan-assignments","version":1,"assignments":[{"id":"a","title":"A","updatedAt":1,"file":"x.zip"}]}'
			)
		).toMatchObject({ reason: 'the archive x.zip is missing from it' });
	});
});
