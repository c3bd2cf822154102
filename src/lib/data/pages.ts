import type { StrikeRule } from '$lib/core/pages';
import type { UnitEdits } from '$lib/core/notes';
import { db, type AwaitedPage, type Note, type Page, type PageSource } from './db';

/** What was gathered, as far as one step touches it. */
export interface Evidence {
	readonly pages: readonly Page[];
	readonly sources: readonly PageSource[];
	readonly notes: readonly Note[];
	readonly awaited: readonly AwaitedPage[];
}

/** Ids of what is taken away. */
export interface EvidenceIds {
	readonly pages?: readonly string[];
	readonly notes?: readonly string[];
	readonly awaited?: readonly string[];
}

const TABLES = [db.pages, db.pageSources, db.notes, db.awaited];

export function listPages(assignment: string): Promise<Page[]> {
	return db.pages.where({ assignment }).sortBy('order');
}

/** The markup or text a page came in as; empty where it is not kept. */
export async function sourceOf(page: string): Promise<string> {
	return (await db.pageSources.get(page))?.source ?? '';
}

export function listNotes(assignment: string): Promise<Note[]> {
	return db.notes.where({ assignment }).sortBy('order');
}

export function listAwaited(assignment: string): Promise<AwaitedPage[]> {
	return db.awaited.where({ assignment }).sortBy('order');
}

/** Takes away and puts in as one step; what stands under the same ids is replaced. */
export async function changeEvidence(put: Partial<Evidence>, take: EvidenceIds): Promise<void> {
	await db.transaction('rw', TABLES, async () => {
		await db.pages.bulkDelete([...(take.pages ?? [])]);
		await db.pageSources.bulkDelete([...(take.pages ?? [])]);
		await db.notes.bulkDelete([...(take.notes ?? [])]);
		await db.awaited.bulkDelete([...(take.awaited ?? [])]);
		await db.pages.bulkPut([...(put.pages ?? [])]);
		await db.pageSources.bulkPut([...(put.sources ?? [])]);
		await db.notes.bulkPut([...(put.notes ?? [])]);
		await db.awaited.bulkPut([...(put.awaited ?? [])]);
	});
}

/** What stands under these ids now, for putting it back. */
export async function readEvidence(ids: EvidenceIds): Promise<Evidence> {
	return db.transaction('r', TABLES, async () => ({
		pages: known(await db.pages.bulkGet([...(ids.pages ?? [])])),
		sources: known(await db.pageSources.bulkGet([...(ids.pages ?? [])])),
		notes: known(await db.notes.bulkGet([...(ids.notes ?? [])])),
		awaited: known(await db.awaited.bulkGet([...(ids.awaited ?? [])]))
	}));
}

function known<T>(found: readonly (T | undefined)[]): T[] {
	return found.filter((one) => one !== undefined);
}

export async function setCounted(id: string, counted: boolean): Promise<void> {
	await db.pages.update(id, { counted });
}

export async function setStruck(id: string, struck: readonly number[]): Promise<void> {
	await db.pages.update(id, { struck: [...struck] });
}

/** Sets the struck blocks of several pages, and the rules of their assignment, as one step. */
export async function setStruckByRules(
	assignment: string,
	rules: readonly StrikeRule[],
	pages: readonly { readonly id: string; readonly struck: readonly number[] }[]
): Promise<void> {
	await db.transaction('rw', [db.pages, db.assignments], async () => {
		await db.assignments.update(assignment, { strikeRules: [...rules] });
		for (const { id, struck } of pages) await setStruck(id, struck);
	});
}

export async function saveNote(note: Note): Promise<void> {
	await db.notes.put(note);
}

/** The next free place in the order of arrival. */
export async function nextOrder(assignment: string): Promise<number> {
	const all = await Promise.all([
		listPages(assignment),
		listNotes(assignment),
		listAwaited(assignment)
	]);
	return Math.max(0, ...all.flat().map(({ order }) => order)) + 1;
}

/** Stores what the writer said about a note's units; gives what stood there before. */
export async function setUnitEdits(
	id: string,
	edits: UnitEdits | undefined
): Promise<UnitEdits | undefined> {
	return db.transaction('rw', db.notes, async () => {
		const before = (await db.notes.get(id))?.unitEdits;
		await db.notes.update(id, { unitEdits: edits });
		return before;
	});
}
