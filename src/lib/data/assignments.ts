import { EMPTY_BRIEF } from '$lib/core/brief';
import { NO_DELIVERY_CHOICES, type HandOver } from '$lib/core/deliver';
import { NO_EDITS } from '$lib/core/findings';
import { phrasesAbout, withPhrases, type PhraseAbout } from '$lib/core/keywords';
import { NO_PROOF_CHOICES } from '$lib/core/proof';
import {
	db,
	type Assignment,
	type AwaitedPage,
	type Client,
	type LinkMap,
	type Note,
	type Page,
	type PageSource,
	type Picture,
	type StoredPlan,
	type StoredVersion,
	type Take,
	type TakePoint
} from './db';
import { readAllRows } from './keywords';

/** An assignment with everything that belongs to it. */
export interface WholeAssignment {
	assignment: Assignment;
	pages: Page[];
	pageSources: PageSource[];
	notes: Note[];
	plan: StoredPlan | null;
	takes: Take[];
	versions: StoredVersion[];
	pictures: Picture[];
	points: TakePoint[];
	awaited: AwaitedPage[];
	/** What keyword lists say about its keyword. */
	listed: readonly PhraseAbout[];
	/** The client it is for, with links, as far as they are known. */
	client: Client | null;
	links: LinkMap['links'];
}

const OWNED = [
	'pages',
	'pageSources',
	'notes',
	'takes',
	'versions',
	'pictures',
	'points',
	'awaited'
] as const;

/** The tables that hold an assignment and what belongs to it. */
const ownTables = () => [db.assignments, db.plans, db.glances, ...OWNED.map((table) => db[table])];

/** Assignments in use, the one worked on last first. */
export async function listAssignments(): Promise<Assignment[]> {
	const all = await db.assignments.orderBy('updatedAt').reverse().toArray();
	return all.filter(({ binnedAt }) => binnedAt === null);
}

export async function listBinned(): Promise<Assignment[]> {
	const all = await db.assignments.orderBy('updatedAt').reverse().toArray();
	return all.filter(({ binnedAt }) => binnedAt !== null);
}

export async function addAssignment(
	values: Pick<Assignment, 'title' | 'keyword' | 'client' | 'targetWords'> &
		Partial<Pick<Assignment, 'brief'>>
): Promise<Assignment> {
	const now = Date.now();
	const assignment: Assignment = {
		brief: EMPTY_BRIEF,
		strikeRules: [],
		edits: NO_EDITS,
		proof: NO_PROOF_CHOICES,
		delivery: NO_DELIVERY_CHOICES,
		...values,
		id: crypto.randomUUID(),
		createdAt: now,
		updatedAt: now,
		binnedAt: null
	};
	await db.assignments.add(assignment);
	return assignment;
}

export async function changeAssignment(id: string, values: Partial<Assignment>): Promise<void> {
	await db.assignments.update(id, { ...values, updatedAt: Date.now() });
}

/** Notes what went to the client; it is a record and no step that can be taken back. */
export async function noteHandOver(id: string, entry: HandOver): Promise<void> {
	await db.transaction('rw', db.assignments, async () => {
		const stored = await db.assignments.get(id);
		if (!stored) return;
		const handedOver = [...stored.delivery.handedOver, entry].slice(-1000);
		await changeAssignment(id, { delivery: { ...stored.delivery, handedOver } });
	});
}

export async function binAssignment(id: string): Promise<void> {
	await db.assignments.update(id, { binnedAt: Date.now() });
}

export async function restoreAssignment(id: string): Promise<void> {
	await db.assignments.update(id, { binnedAt: null });
}

/** Deletes an assignment for good and gives it back whole, so that even this can be undone. */
export async function deleteAssignment(id: string): Promise<WholeAssignment | null> {
	const whole = await readWhole(id);
	if (!whole) return null;
	await db.transaction('rw', ownTables(), async () => {
		for (const table of OWNED) await db[table].where({ assignment: id }).delete();
		await db.plans.delete(id);
		await db.glances.delete(id);
		await db.assignments.delete(id);
	});
	return whole;
}

export async function readWhole(id: string): Promise<WholeAssignment | null> {
	const assignment = await db.assignments.get(id);
	if (!assignment) return null;
	const [pages, pageSources, notes, takes, versions, pictures, points, awaited, plan] =
		await Promise.all([
			db.pages.where({ assignment: id }).sortBy('order'),
			db.pageSources.where({ assignment: id }).toArray(),
			db.notes.where({ assignment: id }).sortBy('order'),
			db.takes.where({ assignment: id }).sortBy('order'),
			db.versions.where({ assignment: id }).sortBy('madeAt'),
			db.pictures.where({ assignment: id }).sortBy('order'),
			db.points.where({ assignment: id }).sortBy('at'),
			db.awaited.where({ assignment: id }).sortBy('order'),
			db.plans.get(id)
		]);
	const client = assignment.client ? ((await db.clients.get(assignment.client)) ?? null) : null;
	const listed = await listedFor(assignment);
	const links = client ? ((await db.linkMaps.get(client.id))?.links ?? []) : [];
	return {
		assignment,
		pages,
		pageSources,
		notes,
		plan: plan ?? null,
		takes,
		versions,
		pictures,
		points,
		awaited,
		listed,
		client,
		links
	};
}

/** What the keyword lists here, and those it came from, say about the keyword of an assignment. */
export async function listedFor({
	client,
	keyword,
	listed
}: Pick<Assignment, 'client' | 'keyword' | 'listed'>): Promise<readonly PhraseAbout[]> {
	const here = phrasesAbout(await readAllRows(client ?? ''), keyword);
	return withPhrases(here, listed?.keyword === keyword ? listed.phrases : []);
}

/**
 * Writes a whole assignment in one step: all of it or nothing. A client that is here already
 * stays as it is, since other assignments share it.
 */
export async function putWhole({
	assignment,
	pages,
	pageSources,
	notes,
	plan,
	takes,
	versions,
	pictures,
	points,
	awaited,
	client,
	links
}: WholeAssignment): Promise<void> {
	await db.transaction('rw', [...ownTables(), db.clients, db.linkMaps], async () => {
		if (client && !(await db.clients.get(client.id))) {
			await db.clients.put(client);
			if (links.length > 0) await db.linkMaps.put({ client: client.id, links });
		}
		await db.assignments.put(assignment);
		await db.pages.bulkPut(pages);
		await db.pageSources.bulkPut(pageSources);
		await db.notes.bulkPut(notes);
		if (plan) await db.plans.put(plan);
		await db.takes.bulkPut(takes);
		await db.versions.bulkPut(versions);
		await db.pictures.bulkPut(pictures);
		await db.points.bulkPut(points);
		await db.awaited.bulkPut(awaited);
	});
}
