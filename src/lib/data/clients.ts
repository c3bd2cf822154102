import { EMPTY_CLIENT, type ClientProfile, type Link, type PlanForm } from '$lib/core/clients';
import { db, type Assignment, type Client, type Scope, type StoredPhraseNote } from './db';

const NO_CLIENT: Scope = '';
const OWNED = [db.clients, db.linkMaps, db.assignments, db.keywordLists, db.phraseNotes];

/** Clients by name. */
export async function listClients(): Promise<Client[]> {
	const all = await db.clients.toArray();
	return all.sort((a, b) => a.name.localeCompare(b.name, 'en') || (a.id < b.id ? -1 : 1));
}

export function readClient(id: string): Promise<Client | undefined> {
	return db.clients.get(id);
}

export async function addClient(
	profile: ClientProfile,
	links: readonly Link[] = []
): Promise<Client> {
	const now = Date.now();
	const client: Client = { ...profile, id: crypto.randomUUID(), createdAt: now, updatedAt: now };
	await putClient(client, links);
	return client;
}

/** Writes a client and, where they are given, its links in one step. */
export async function putClient(client: Client, links?: readonly Link[]): Promise<void> {
	await db.transaction('rw', [db.clients, db.linkMaps], async () => {
		await db.clients.put(client);
		if (links) await putLinks(client.id, links);
	});
}

/** The client of that name, made when there is none; null for an empty name. */
export async function clientNamed(name: string): Promise<Client | null> {
	const plain = name.trim();
	if (plain === '') return null;
	const all = await listClients();
	const known = all.find((client) => client.name.toLowerCase() === plain.toLowerCase());
	return known ?? addClient({ ...EMPTY_CLIENT, name: plain });
}

export async function readLinks(client: string): Promise<Link[]> {
	return (await db.linkMaps.get(client))?.links ?? [];
}

export async function putLinks(client: string, links: readonly Link[]): Promise<void> {
	if (links.length === 0) await db.linkMaps.delete(client);
	else await db.linkMaps.put({ client, links: [...links] });
}

/** Assignments that share a client, the bin included. */
export function assignmentsOf(client: string): Promise<Assignment[]> {
	return db.assignments.where({ client }).sortBy('updatedAt');
}

/**
 * Takes a client away and gives back all it owned, for undoing. Its assignments lose the tie and
 * no more; its keyword lists stand among those without a client from then on.
 */
export async function takeClient(id: string): Promise<TakenClient | null> {
	return db.transaction('rw', OWNED, async () => {
		const client = await db.clients.get(id);
		if (!client) return null;
		const lists = (await db.keywordLists.where({ scope: id }).toArray()).map((one) => one.id);
		await db.keywordLists.where({ scope: id }).modify({ scope: NO_CLIENT });
		const notes = await db.phraseNotes.where({ scope: id }).toArray();
		const moved: string[] = [];
		for (const note of notes) {
			if (await db.phraseNotes.get([NO_CLIENT, note.key])) continue;
			await db.phraseNotes.put({ ...note, scope: NO_CLIENT });
			moved.push(note.key);
		}
		await db.phraseNotes.where({ scope: id }).delete();
		const links = (await db.linkMaps.get(id))?.links ?? [];
		const assignments = (await db.assignments.where({ client: id }).toArray()).map((one) => one.id);
		await db.clients.delete(id);
		await db.linkMaps.delete(id);
		await db.assignments.where({ client: id }).modify({ client: null });
		return { client, links, assignments, lists, notes, moved };
	});
}

export interface TakenClient {
	readonly client: Client;
	readonly links: readonly Link[];
	readonly assignments: readonly string[];
	readonly lists: readonly string[];
	readonly notes: readonly StoredPhraseNote[];
	/** Keys of the notes that were moved to those without a client. */
	readonly moved: readonly string[];
}

export async function putBackClient({
	client,
	links,
	assignments,
	lists,
	notes,
	moved
}: TakenClient): Promise<void> {
	await db.transaction('rw', OWNED, async () => {
		await putClient(client, links);
		for (const id of lists) await db.keywordLists.update(id, { scope: client.id });
		await db.phraseNotes.bulkDelete(moved.map((key): [Scope, string] => [NO_CLIENT, key]));
		await db.phraseNotes.bulkPut([...notes]);
		for (const id of assignments) await db.assignments.update(id, { client: client.id });
	});
}

/** Writes how requests are worded for a client, and nothing else of it. */
export async function putRequestWording(client: string, requestWording: string): Promise<void> {
	await db.clients.update(client, { requestWording, updatedAt: Date.now() });
}

/** Writes what is not marked for a client, and nothing else of it. */
export async function putUnmarked(client: string, unmarked: readonly string[]): Promise<void> {
	await db.clients.update(client, { unmarked: [...unmarked], updatedAt: Date.now() });
}

/** Writes the forms of plans a client has, and nothing else of it. */
export async function putForms(client: string, forms: readonly PlanForm[]): Promise<void> {
	await db.clients.update(client, { forms: [...forms], updatedAt: Date.now() });
}
