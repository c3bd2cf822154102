// Files that are neither pages nor notes: link maps, client profiles, lists of who ranks and of keywords.
import { readClientFile, readLinkMap } from '$lib/core/clients';
import { phraseKeyOf, readResultsList, type PhraseNote } from '$lib/core/keywords';
import { changeAssignment } from '$lib/data/assignments';
import {
	addClient,
	listClients,
	putClient,
	putLinks,
	readLinks,
	takeClient
} from '$lib/data/clients';
import { db, type Assignment } from '$lib/data/db';
import {
	addLists,
	notePhrases,
	notesFor,
	putBackNotes,
	readLists,
	takeLists
} from '$lib/data/keywords';
import { analysis } from '$lib/workers/client';
import type { Step } from '../frame/history.svelte';
import { countOf } from '../parts/count-of';
import { toldApart, wholeListsOf } from '../scout/incoming';

/** What came of such a file. Remarks say what was put right or left out on the way. */
export type OtherRead =
	| {
			readonly kind: 'taken';
			/** What it brings, for the notice: "12 links for Fellgate Tools". */
			readonly said: string;
			readonly step: Pick<Step, 'undo' | 'redo'>;
			readonly remarks: readonly string[];
	  }
	| {
			readonly kind: 'failed' | 'skipped';
			readonly reason: string;
			readonly remarks: readonly string[];
	  };

/** Links go to the assignment's client, beside those it has. */
export async function takeLinks(assignment: Assignment, text: string): Promise<OtherRead> {
	const { client } = assignment;
	const known = client ? await db.clients.get(client) : null;
	if (!client || !known)
		return {
			kind: 'failed',
			reason: 'a link map belongs to a client, and this assignment has none; name one in the brief',
			remarks: []
		};
	const { links, rejected } = readLinkMap(text);
	const before = await readLinks(client);
	const keyOf = ({ phrase, address }: (typeof links)[number]) =>
		`${phrase.toLowerCase()}\n${address}`;
	const keys = new Set(before.map(keyOf));
	const fresh = links.filter((link) => !keys.has(keyOf(link)));
	const remarks =
		rejected.length > 0 ? [`${countOf(rejected.length, 'line')} of it hold no link`] : [];
	if (fresh.length === 0)
		return { kind: 'skipped', reason: `${known.name} has all its links already`, remarks };
	return {
		kind: 'taken',
		said: `${countOf(fresh.length, 'link')} for ${known.name}`,
		step: {
			redo: () => putLinks(client, [...before, ...fresh]),
			undo: () => putLinks(client, before)
		},
		remarks
	};
}

/** A profile becomes that of the assignment's client, with its facts and links. */
export async function takeClientFile(assignment: Assignment, text: string): Promise<OtherRead> {
	const read = readClientFile(text);
	if (read.kind !== 'read') return { kind: 'failed', reason: read.reason, remarks: [] };
	const tie = assignment.client;
	const known = (await listClients()).find(({ name }) => name === read.client.name);
	const linksBefore = known ? await readLinks(known.id) : [];
	let made: string | null = null;
	return {
		kind: 'taken',
		said: `the profile of ${read.client.name}`,
		step: {
			redo: async () => {
				if (known)
					await putClient(
						{ ...known, ...read.client, updatedAt: Date.now() },
						read.links.length > 0 ? [...read.links] : linksBefore
					);
				else made = (await addClient(read.client, read.links)).id;
				await changeAssignment(assignment.id, { client: known?.id ?? made });
			},
			undo: async () => {
				await changeAssignment(assignment.id, { client: tie });
				if (known) await putClient(known, linksBefore);
				else if (made) await takeClient(made);
			}
		},
		remarks: []
	};
}

/** Who ranks is noted beside the phrases of the assignment's client. */
export async function takeResults(assignment: Assignment, text: string): Promise<OtherRead> {
	const read = readResultsList(text);
	if (read.kind !== 'read') return { kind: 'failed', reason: read.reason, remarks: [] };
	const scope = assignment.client ?? '';
	const notes = read.lists.map(({ phrase, results }): PhraseNote => ({
		key: phraseKeyOf(phrase === '' ? assignment.keyword : phrase),
		results: { list: results, origin: 'imported' }
	}));
	const keys = notes.map(({ key }) => key);
	const before = await notesFor(scope, keys);
	const all = read.lists.reduce((sum, { results }) => sum + results.length, 0);
	return {
		kind: 'taken',
		said: countOf(all, 'result'),
		step: {
			redo: () => notePhrases(scope, notes),
			undo: () => putBackNotes(scope, keys, before)
		},
		remarks:
			read.rejected.length > 0
				? [`${countOf(read.rejected.length, 'line')} of it could not be read`]
				: []
	};
}

/** A keyword list goes to Scout, beside the lists of the assignment's client. */
export async function takeKeywords(
	assignment: Assignment,
	{ name, text }: { readonly name: string; readonly text: string }
): Promise<OtherRead> {
	const read = await analysis.readKeywords({ bytes: null, text, meanings: {} }, () => {});
	if (read.kind === 'cancelled') return { kind: 'skipped', reason: 'it was stopped', remarks: [] };
	if (read.kind === 'unreadable') return { kind: 'failed', reason: read.reason, remarks: [] };
	const scope = assignment.client ?? '';
	const lists = toldApart(
		await wholeListsOf(
			[{ id: crypto.randomUUID(), name, origin: 'file', bytes: null, text, read }],
			scope,
			Date.now()
		),
		(await readLists(scope)).map((list) => list.name)
	);
	const { rejected, rows } = read.list;
	return {
		kind: 'taken',
		said: `${countOf(rows.length, 'keyword')} for Scout`,
		step: {
			redo: () => addLists(lists),
			undo: async () => {
				await takeLists(lists.map(({ list }) => list.id));
			}
		},
		remarks:
			rejected.length > 0 ? [`${countOf(rejected.length, 'line')} of it could not be read`] : []
	};
}
