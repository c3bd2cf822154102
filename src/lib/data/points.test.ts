import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { db } from './db';
import { listPoints, notePoint } from './points';

const MINUTE = 60_000;
const point = (at: number, words: number, more = {}) => ({
	assignment: 'a',
	take: 't',
	at,
	words,
	standing: 40,
	placed: 3,
	gaps: 1,
	...more
});
const words = async () => (await listPoints('t')).map((one) => one.words);

beforeEach(async () => {
	await db.points.clear();
});

describe('points of a take', () => {
	it('are kept every two minutes; what is younger is brought up to date', async () => {
		await notePoint(point(0, 10));
		await notePoint(point(1 * MINUTE, 20));
		await notePoint(point(1.5 * MINUTE, 25));
		expect(await words()).toEqual([10, 25]);
		await notePoint(point(4 * MINUTE, 60));
		await notePoint(point(9 * MINUTE, 80));
		expect(await words()).toEqual([10, 25, 60, 80]);
	});

	it('say nothing twice, and stay in order when the clock is set back', async () => {
		await notePoint(point(10 * MINUTE, 10));
		await notePoint(point(20 * MINUTE, 10));
		expect(await words()).toEqual([10]);
		await notePoint(point(0, 30));
		const all = await listPoints('t');
		expect(all.map((one) => one.words)).toEqual([10, 30]);
		expect(all[1]!.at).toBeGreaterThanOrEqual(all[0]!.at);
	});

	it('thin out, the older half first, and belong to one take', async () => {
		await db.points.bulkAdd(
			Array.from({ length: 400 }, (_, i) => ({ ...point(i * 3 * MINUTE, i), id: `p${i}` }))
		);
		await notePoint(point(400 * 3 * MINUTE, 400));
		expect((await words()).length).toBe(301);
		expect((await words()).slice(0, 3)).toEqual([0, 2, 4]);
		expect((await words()).at(-1)).toBe(400);
		expect(await listPoints('other')).toEqual([]);
	});
});
