import { archiveName, readBundle, writeBundle, type BundledArchive } from '$lib/core/deliver';
import { archiveOf } from '$lib/data/archive';
import { listAssignments, readWhole } from '$lib/data/assignments';
import { analysis } from '$lib/workers/client';

/** The archive of one assignment; null when it is gone. */
export async function archiveBytes(id: string): Promise<Uint8Array | null> {
	const whole = await readWhole(id);
	return whole && analysis.writeArchive(archiveOf(whole));
}

/** All assignments in use as one file, and how many there are. */
export async function copyOfAll(
	onProgress: (done: number, all: number) => void = () => {}
): Promise<{ bytes: Uint8Array; count: number }> {
	const assignments = await listAssignments();
	const archives: BundledArchive[] = [];
	for (const [i, { id, title, updatedAt }] of assignments.entries()) {
		onProgress(i, assignments.length);
		const bytes = await archiveBytes(id);
		if (bytes) archives.push({ id, title, updatedAt, bytes });
	}
	return { bytes: writeBundle(archives), count: archives.length };
}

/** Name of a copy of all assignments, by its day. */
export function nameOfCopy(day: Date): string {
	const two = (n: number) => String(n).padStart(2, '0');
	return `corvan-${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}.zip`;
}

// what the list needs of archives, loaded when it is asked for
export { archiveName, readBundle };
