import type { Version } from '$lib/core/writers';
import { db, type StoredVersion, type VersionState } from './db';

/** The versions of an assignment, the newest first. */
export async function listVersions(assignment: string): Promise<StoredVersion[]> {
	return (await db.versions.where({ assignment }).sortBy('madeAt')).reverse();
}

/** Keeps versions beside the take they were made for; those without a word are not kept. */
export async function addVersions(
	assignment: string,
	take: string,
	writerName: string,
	made: readonly Version[]
): Promise<StoredVersion[]> {
	const now = Date.now();
	const stored = made
		.filter(({ blocks }) => blocks.length > 0)
		.map((version, i): StoredVersion => ({
			...version,
			id: crypto.randomUUID(),
			assignment,
			take,
			writerName,
			// those made at once keep their order
			madeAt: now + i / 1000,
			state: 'offered'
		}));
	await db.versions.bulkAdd(stored);
	return stored;
}

export async function setVersionState(id: string, state: VersionState): Promise<void> {
	await db.versions.update(id, { state });
}
