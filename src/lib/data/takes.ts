import { followPlan, type TakeDoc } from '$lib/core/manuscript';
import { planOfToday, type Plan, type StoredShape } from '$lib/core/plan';
import { contentSign } from '$lib/core/text';
import { db, type StoredPlan, type Take } from './db';

export function readPlan(assignment: string): Promise<StoredPlan | undefined> {
	return db.plans.get(assignment);
}

/** The plan of an assignment in the shape of today, however old the stored one is; null: none. */
export async function readPlanOfToday(assignment: string): Promise<Plan | null> {
	const stored = await readPlan(assignment);
	return stored ? planOfToday(stored.plan) : null;
}

/** A sign that is the same for plans that are the same. */
export function planSign(plan: Plan | null): string {
	// in the shape of today a plan has all its fields, in one order
	return plan === null
		? ''
		: contentSign(JSON.stringify(planOfToday(plan as unknown as StoredShape)));
}

/** Stores a plan; the takes follow what has changed of its outline. */
export async function storePlan(
	assignment: string,
	from: Plan | null,
	to: Plan | null
): Promise<void> {
	const docs = new Map<string, TakeDoc>();
	if (from && to)
		for (const { id, doc } of await listTakes(assignment)) {
			const followed = followPlan(doc, from, to);
			if (followed !== doc) docs.set(id, followed);
		}
	await savePlanAndTakes(assignment, to, docs);
}

async function savePlan(assignment: string, plan: Plan | null): Promise<void> {
	if (plan === null) await db.plans.delete(assignment);
	else await db.plans.put({ assignment, plan, updatedAt: Date.now() });
}

/** Saves a plan and the manuscripts that follow it, as one; `docs` are new texts by take. */
export async function savePlanAndTakes(
	assignment: string,
	plan: Plan | null,
	docs: ReadonlyMap<string, TakeDoc>
): Promise<void> {
	await db.transaction('rw', db.plans, db.takes, async () => {
		await savePlan(assignment, plan);
		for (const [id, doc] of docs) {
			const stored = await db.takes.get(id);
			if (stored)
				await db.takes.update(id, { doc, revision: stored.revision + 1, updatedAt: Date.now() });
		}
	});
}

export function listTakes(assignment: string): Promise<Take[]> {
	return db.takes.where({ assignment }).sortBy('order');
}

export async function addTake(assignment: string, name: string, doc: TakeDoc): Promise<Take> {
	const takes = await listTakes(assignment);
	const order = Math.max(0, ...takes.map((take) => take.order)) + 1;
	const take: Take = {
		id: crypto.randomUUID(),
		assignment,
		name: name || `Take ${order}`,
		doc,
		revision: 1,
		order,
		updatedAt: Date.now()
	};
	await db.takes.add(take);
	return take;
}

export type SaveResult =
	| { kind: 'saved'; revision: number }
	| { kind: 'changed-elsewhere'; take: Take }
	| { kind: 'gone' };

/**
 * Saves a manuscript if nobody else has since `revision`. Read and write are one transaction,
 * so two tabs cannot both believe they came first.
 */
export async function saveTake(id: string, doc: TakeDoc, revision: number): Promise<SaveResult> {
	return db.transaction('rw', db.takes, async (): Promise<SaveResult> => {
		const stored = await db.takes.get(id);
		if (!stored) return { kind: 'gone' };
		if (stored.revision !== revision)
			// another window that puts right what this one left writes the same
			return JSON.stringify(stored.doc) === JSON.stringify(doc)
				? { kind: 'saved', revision: stored.revision }
				: { kind: 'changed-elsewhere', take: stored };
		await db.takes.update(id, { doc, revision: revision + 1, updatedAt: Date.now() });
		return { kind: 'saved', revision: revision + 1 };
	});
}

/**
 * Changes the text of a take outside the editor, as it stands in the browser; the text before and after,
 * or null where there is no such take.
 */
export async function changeTakeDoc(
	id: string,
	change: (doc: TakeDoc) => TakeDoc
): Promise<{ readonly before: TakeDoc; readonly after: TakeDoc } | null> {
	return db.transaction('rw', db.takes, async () => {
		const stored = await db.takes.get(id);
		if (!stored) return null;
		const after = change(stored.doc);
		await db.takes.update(id, {
			doc: after,
			revision: stored.revision + 1,
			updatedAt: Date.now()
		});
		return { before: stored.doc, after };
	});
}

export async function renameTake(id: string, name: string): Promise<void> {
	await db.takes.update(id, { name });
}

export async function deleteTake(id: string): Promise<Take | undefined> {
	return db.transaction('rw', db.takes, async () => {
		const take = await db.takes.get(id);
		await db.takes.delete(id);
		return take;
	});
}

export async function putTake(take: Take): Promise<void> {
	await db.takes.put(take);
}
