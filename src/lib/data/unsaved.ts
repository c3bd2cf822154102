import { z } from 'zod';
import type { TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import { contentSign } from '$lib/core/text';
import { db, type Assignment, type Take } from './db';
import { planSign, readPlanOfToday, storePlan } from './takes';

/*
 * What was typed when a page was left before storage could take it. Storage answers later, and a page
 * that is left does not wait; this is written at once and put right when the assignment is opened.
 */

/** Values typed and not stored yet. */
export type Unsaved =
	| {
			readonly kind: 'take';
			readonly id: string;
			readonly doc: TakeDoc;
			readonly revision: number;
			/** Sign of the text that was being stored over that revision meanwhile; null: none was. */
			readonly saving: string | null;
	  }
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
			/** Which part of the app left them: each puts its own right. */
			readonly part: 'brief' | 'steps';
			readonly values: Partial<Assignment>;
	  };

const PREFIX = 'corvan-unsaved';
/** What names something that was left unsaved. */
type Left = Pick<Unsaved, 'kind' | 'id'> & { readonly part?: string };
const keyOf = (assignment: string, { kind, id, part }: Left) =>
	[PREFIX, assignment, kind, id, ...(part ? [part] : [])].join('|');

/** A sign that is the same for texts that are the same. */
export const docSign = (doc: TakeDoc): string => contentSign(JSON.stringify(doc));

const unsavedSchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('take'),
		id: z.string(),
		doc: z.object({
			type: z.literal('doc'),
			content: z.array(z.looseObject({ type: z.string() }))
		}),
		revision: z.number(),
		saving: z.string().nullable().default(null)
	}),
	z.object({ kind: z.literal('note'), id: z.string(), text: z.string() }),
	z.object({
		kind: z.literal('plan'),
		id: z.string(),
		plan: z.unknown(),
		from: z.array(z.string())
	}),
	z.object({
		kind: z.literal('assignment'),
		id: z.string(),
		part: z.enum(['brief', 'steps']).default('brief'),
		values: z.looseObject({})
	})
]);

/** Writes down what is unsaved, at once; without room it is left to the save that is under way. */
export function keepUnsaved(assignment: string, unsaved: Unsaved): void {
	try {
		localStorage.setItem(keyOf(assignment, unsaved), JSON.stringify(unsaved));
	} catch {
		// no room: the save itself says so if it fails as well
	}
}

/** To be called when it has been stored, and nothing newer is unsaved. */
export function forgetUnsaved(assignment: string, left: Left): void {
	localStorage.removeItem(keyOf(assignment, left));
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
async function restoreTake({ id, doc, revision, saving }: Extract<Unsaved, { kind: 'take' }>) {
	return db.transaction('rw', db.takes, async () => {
		const stored = await db.takes.get(id);
		if (!stored || JSON.stringify(stored.doc) === JSON.stringify(doc)) return false;
		const now = Date.now();
		// the save that was under way when the page was left may have come to its end
		const isOurs = stored.revision === revision + 1 && docSign(stored.doc) === saving;
		if (stored.revision === revision || isOurs) {
			await db.takes.update(id, { doc, revision: stored.revision + 1, updatedAt: now });
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
