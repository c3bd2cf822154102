import type { Keyword, PhraseNote } from '$lib/core/keywords';
import { db, type Scope, type StoredList, type StoredPhraseNote } from './db';

/** A list with its rows, as it goes in and comes out whole. */
export interface WholeList {
	readonly list: StoredList;
	readonly rows: readonly Keyword[];
}

/** Lists of a scope in order of arrival. */
export function readLists(scope: Scope): Promise<StoredList[]> {
	return db.keywordLists.where({ scope }).sortBy('order');
}

export async function readRows(list: string): Promise<readonly Keyword[]> {
	return (await db.keywordRows.get(list))?.rows ?? [];
}

export async function nextListOrder(scope: Scope): Promise<number> {
	return Math.max(0, ...(await readLists(scope)).map(({ order }) => order)) + 1;
}

/** Adds lists in one step. */
export async function addLists(lists: readonly WholeList[]): Promise<void> {
	await db.transaction('rw', [db.keywordLists, db.keywordRows], async () => {
		for (const { list, rows } of lists) {
			await db.keywordRows.put({ list: list.id, rows: [...rows] });
			await db.keywordLists.put(list);
		}
	});
}

/** Takes lists away and gives them back whole, for undoing. */
export async function takeLists(ids: readonly string[]): Promise<WholeList[]> {
	return db.transaction('rw', [db.keywordLists, db.keywordRows], async () => {
		const taken: WholeList[] = [];
		for (const id of ids) {
			const list = await db.keywordLists.get(id);
			if (!list) continue;
			taken.push({ list, rows: (await db.keywordRows.get(id))?.rows ?? [] });
			await db.keywordLists.delete(id);
			await db.keywordRows.delete(id);
		}
		return taken;
	});
}

export async function changeList(
	id: string,
	values: Partial<Pick<StoredList, 'name' | 'isHidden'>>
): Promise<void> {
	await db.keywordLists.update(id, values);
}

export function readPhraseNotes(scope: Scope): Promise<StoredPhraseNote[]> {
	return db.phraseNotes.where({ scope }).toArray();
}

/** What was known of some phrases; undefined stands for nothing. */
export async function notesFor(
	scope: Scope,
	keys: readonly string[]
): Promise<(StoredPhraseNote | undefined)[]> {
	return db.phraseNotes.bulkGet(keys.map((key): [Scope, string] => [scope, key]));
}

/** Adds to what is known of phrases: values that are given take the place of older ones. */
export async function notePhrases(scope: Scope, notes: readonly PhraseNote[]): Promise<void> {
	await db.transaction('rw', db.phraseNotes, async () => {
		const known = await notesFor(
			scope,
			notes.map(({ key }) => key)
		);
		await db.phraseNotes.bulkPut(notes.map((note, i) => ({ ...known[i], ...note, scope })));
	});
}

/** Puts back what was known of phrases before, or nothing. */
export async function putBackNotes(
	scope: Scope,
	keys: readonly string[],
	before: readonly (StoredPhraseNote | undefined)[]
): Promise<void> {
	await db.transaction('rw', db.phraseNotes, async () => {
		await db.phraseNotes.bulkDelete(keys.map((key): [Scope, string] => [scope, key]));
		await db.phraseNotes.bulkPut(before.filter((note) => note !== undefined));
	});
}

/** Rows of all lists of a scope that are not hidden, in order of arrival. */
export async function readAllRows(scope: Scope): Promise<Keyword[]> {
	const lists = (await readLists(scope)).filter(({ isHidden }) => !isHidden);
	const rows = await db.keywordRows.bulkGet(lists.map(({ id }) => id));
	return rows.flatMap((stored) => stored?.rows ?? []);
}
