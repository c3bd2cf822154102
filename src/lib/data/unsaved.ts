import { z } from 'zod';
import type { TakeDoc } from '$lib/core/manuscript';
import { db, type Assignment, type Take } from './db';

/*
 * What was typed when a page was left before storage could take it. Storage answers later, and a page
 * that is left does not wait; this is written at once and put right when the assignment is opened.
 */

/** Values typed and not stored yet. */
export type Unsaved =
	| { readonly kind: 'take'; readonly id: string; readonly doc: TakeDoc; readonly revision: number }
	| { readonly kind: 'note'; readonly id: string; readonly text: string }
	| {
			readonly kind: 'assignment';
			readonly id: string;
			readonly values: Partial<Assignment>;
	  };

const PREFIX = 'corvan-unsaved';
const keyOf = (assignment: string, { kind, id }: Pick<Unsaved, 'kind' | 'id'>) =>
	[PREFIX, assignment, kind, id].join('|');

const unsavedSchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('take'),
		id: z.string(),
		doc: z.object({
			type: z.literal('doc'),
			content: z.array(z.looseObject({ type: z.string() }))
		}),
		revision: z.number()
	}),
	z.object({ kind: z.literal('note'), id: z.string(), text: z.string() }),
	z.object({ kind: z.literal('assignment'), id: z.string(), values: z.looseObject({}) })
]);

/** Writes down what is unsaved, at once; without room it is left to the save that is under way. */
export function keepUnsaved(assignment: string, unsaved: Unsaved): void {
	try {
		localStorage.setItem(keyOf(assignment, unsaved), JSON.stringify(unsaved));
	} catch {
		// no room: the save itself says so if it fails as well
	}
}

/** To be called when it has been stored. */
export function forgetUnsaved(assignment: string, unsaved: Pick<Unsaved, 'kind' | 'id'>): void {
	localStorage.removeItem(keyOf(assignment, unsaved));
}

/** Stores what was left unsaved in an assignment; returns how many pieces there were. */
export async function restoreUnsaved(assignment: string): Promise<number> {
	const prefix = `${PREFIX}|${assignment}|`;
	const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
	let restored = 0;
	for (const key of keys.filter((one) => one.startsWith(prefix)).sort()) {
		const unsaved = readUnsaved(localStorage.getItem(key));
		if (unsaved && (await restore(unsaved))) restored++;
		localStorage.removeItem(key);
	}
	return restored;
}

function readUnsaved(text: string | null): Unsaved | null {
	try {
		const read = unsavedSchema.safeParse(JSON.parse(text ?? 'null'));
		return read.success ? (read.data as Unsaved) : null;
	} catch {
		return null;
	}
}

async function restore(unsaved: Unsaved): Promise<boolean> {
	switch (unsaved.kind) {
		case 'note':
			return (await db.notes.update(unsaved.id, { text: unsaved.text })) > 0;
		case 'assignment':
			return (await db.assignments.update(unsaved.id, { ...unsaved.values })) > 0;
		case 'take':
			return restoreTake(unsaved);
	}
}

/** A take that was stored since in another state keeps that, and what was typed becomes one of its own. */
async function restoreTake({ id, doc, revision }: Extract<Unsaved, { kind: 'take' }>) {
	return db.transaction('rw', db.takes, async () => {
		const stored = await db.takes.get(id);
		if (!stored || JSON.stringify(stored.doc) === JSON.stringify(doc)) return false;
		const now = Date.now();
		if (stored.revision === revision) {
			await db.takes.update(id, { doc, revision: revision + 1, updatedAt: now });
			return true;
		}
		const takes = await db.takes.where({ assignment: stored.assignment }).toArray();
		const copy: Take = {
			...stored,
			id: crypto.randomUUID(),
			name: `${stored.name} (left unsaved)`,
			doc,
			revision: 1,
			order: Math.max(...takes.map(({ order }) => order)) + 1,
			updatedAt: now
		};
		await db.takes.add(copy);
		return true;
	});
}
