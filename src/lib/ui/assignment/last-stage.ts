import { z } from 'zod';

/** Stages of an assignment that it can be opened at. */
const stageSchema = z.enum([
	'scout',
	'brief',
	'gather',
	'findings',
	'plan',
	'write',
	'proof',
	'deliver'
]);
type OpenStage = z.infer<typeof stageSchema>;

const keyOf = (id: string) => `corvan-stage|${id}`;

/** Where an assignment was worked on last in this browser; a new one begins with what is gathered. */
export function lastStage(id: string): OpenStage {
	const read = stageSchema.safeParse(localStorage.getItem(keyOf(id)));
	return read.success ? read.data : 'gather';
}

/** Notes the stage that an assignment stands open at, by the last part of its path. */
export function noteStage(id: string, part: string): void {
	if (!stageSchema.safeParse(part).success) return;
	try {
		localStorage.setItem(keyOf(id), part);
	} catch {
		// no room for it: it opens where it always does
	}
}
