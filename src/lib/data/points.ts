import { db, type TakePoint } from './db';

/** Typing that goes on makes a point every so often, in milliseconds. */
const EVERY_MS = 120_000;
/** Points of one take that are kept; past that, of the older half every other one goes. */
const MOST = 400;

/** The points of a take, the oldest first. */
export function listPoints(take: string): Promise<TakePoint[]> {
	return db.points.where({ take }).sortBy('at');
}

/**
 * Notes how far a take is. A point that is younger than two minutes is brought up to date; one that
 * says the same as the last is not noted.
 */
export async function notePoint(point: Omit<TakePoint, 'id'>): Promise<void> {
	await db.transaction('rw', db.points, async () => {
		const all = await listPoints(point.take);
		const last = all.at(-1);
		const isSame =
			last?.words === point.words &&
			last.standing === point.standing &&
			last.placed === point.placed &&
			last.gaps === point.gaps;
		if (isSame) return;
		const before = all.at(-2);
		// a clock that was set back makes no point younger than the one before it
		const isYoung = last && before && point.at - before.at < EVERY_MS;
		if (isYoung) {
			const { words, standing, placed, gaps } = point;
			await db.points.update(last.id, {
				words,
				standing,
				placed,
				gaps,
				at: Math.max(last.at, point.at)
			});
			return;
		}
		await db.points.add({
			...point,
			id: crypto.randomUUID(),
			at: Math.max(point.at, (last?.at ?? -1) + 1)
		});
		if (all.length >= MOST) {
			const old = all.slice(0, MOST / 2).filter((_, i) => i % 2 === 1);
			await db.points.bulkDelete(old.map(({ id }) => id));
		}
	});
}
