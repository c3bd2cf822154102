import { z } from 'zod';
import type { TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import { db, type Assignment, type Take } from './db';
import { planSign, readPlanOfToday, storePlan } from './takes';

/*
 * What was typed when a page was left before storage could take it. Storage answers later, and a page
 * that is left does not wait; this is written at once and put right when the assignment is opened.
 */

/** Values typed and not stored yet. */
export type Unsaved =
	| { readonly kind: 'take'; readonly id: string; readonly doc: TakeDoc; readonly revision: number }
	| { readonly kind: 'note'; readonly id: string; readonly text: string }
	| {
			readonly kind: 'plan';
			readonly id: string;
			readonly plan: Plan | null;
			/** Signs of the plans that it was made from, one after the other; see `planSign`. */
			readonly from: readonly string[];
	  }
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
	z.object({
		kind: z.literal('plan'),
		id: z.string(),
		plan: z.unknown(),
		from: z.array(z.string())
	}),
	z.object({ kind: z.literal('assignment'), id: z.string(), values: z.looseObject({}) })
]);

/** Writes down what is unsaved, at once; without room it is left to the save that is under way. */
export function keepUnsaved(assignment: string, unsaved: Unsaved): void {
	const key = keyOf(assignment, unsaved);
	try {
		localStorage.setItem(
			key,
			JSON.stringify(withEarlier(readUnsaved(localStorage.getItem(key)), unsaved))
		);
	} catch {
		// no room: the save itself says so if it fails as well
	}
}

/** Several parts of the app can leave values of one assignment. */
function withEarlier(earlier: Unsaved | null, unsaved: Unsaved): Unsaved {
	return unsaved.kind === 'assignment' && earlier?.kind === 'assignment'
		? { ...unsaved, values: { ...earlier.values, ...unsaved.values } }
		: unsaved;
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
		case 'plan':
			return restorePlan(unsaved);
		case 'take':
			return restoreTake(unsaved);
	}
}

/** A plan that another window has changed since stays as it is there, as it does with any step. */
async function restorePlan({ id, plan: left, from }: Extract<Unsaved, { kind: 'plan' }>) {
	// what reads archives is large, and a plan is seldom left
	const { planSchema } = await import('./plan-schema');
	const read = planSchema.nullable().safeParse(left);
	if (!read.success) return false;
	const plan = read.data as Plan | null;
	const stored = await readPlanOfToday(id);
	const sign = planSign(stored);
	if (sign === planSign(plan) || !from.includes(sign)) return false;
	if (!(await db.assignments.get(id))) return false;
	await storePlan(id, stored, plan);
	return true;
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
