import { db, type Note, type Page, type PageSource } from './db';

export function listPages(assignment: string): Promise<Page[]> {
	return db.pages.where({ assignment }).sortBy('order');
}

/** Adds pages and notes of one import in one step. */
export async function addEvidence(
	pages: readonly Page[],
	sources: readonly PageSource[],
	notes: readonly Note[]
): Promise<void> {
	await db.transaction('rw', [db.pages, db.pageSources, db.notes], async () => {
		await db.pages.bulkPut([...pages]);
		await db.pageSources.bulkPut([...sources]);
		await db.notes.bulkPut([...notes]);
	});
}

/** Takes pages and notes away and gives them back, for undoing. */
export async function takeEvidence(
	pageIds: readonly string[],
	noteIds: readonly string[]
): Promise<{ pages: Page[]; sources: PageSource[]; notes: Note[] }> {
	return db.transaction('rw', [db.pages, db.pageSources, db.notes], async () => {
		const pages = (await db.pages.bulkGet([...pageIds])).filter((page) => page !== undefined);
		const sources = (await db.pageSources.bulkGet([...pageIds])).filter(
			(source) => source !== undefined
		);
		const notes = (await db.notes.bulkGet([...noteIds])).filter((note) => note !== undefined);
		await db.pages.bulkDelete([...pageIds]);
		await db.pageSources.bulkDelete([...pageIds]);
		await db.notes.bulkDelete([...noteIds]);
		return { pages, sources, notes };
	});
}

export async function setCounted(id: string, counted: boolean): Promise<void> {
	await db.pages.update(id, { counted });
}

export async function setStruck(id: string, struck: readonly number[]): Promise<void> {
	await db.pages.update(id, { struck: [...struck] });
}

export function listNotes(assignment: string): Promise<Note[]> {
	return db.notes.where({ assignment }).sortBy('order');
}

export async function saveNote(note: Note): Promise<void> {
	await db.notes.put(note);
}

/** The next free place in the order of arrival. */
export async function nextOrder(assignment: string): Promise<number> {
	const [pages, notes] = await Promise.all([listPages(assignment), listNotes(assignment)]);
	return Math.max(0, ...pages.map(({ order }) => order), ...notes.map(({ order }) => order)) + 1;
}
