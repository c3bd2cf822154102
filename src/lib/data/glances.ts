import { db, type Glance } from './db';

/** What is stored of an assignment, counted. */
export interface Stock {
	readonly pages: number;
	readonly notes: number;
	readonly hasPlan: boolean;
	readonly takes: number;
	/** As it was read last; null: nothing was drafted, or nobody has looked since it came in. */
	readonly glance: Glance | null;
}

/** Keeps what was read of an assignment; values that are left out stay as they are. */
export async function noteGlance(
	assignment: string,
	values: Partial<Omit<Glance, 'assignment'>>
): Promise<void> {
	const none: Glance = {
		assignment,
		words: 0,
		gaps: 0,
		openSlips: 0,
		standing: 0,
		openMarks: null
	};
	await db.transaction('rw', db.glances, async () => {
		const known = (await db.glances.get(assignment)) ?? none;
		await db.glances.put({ ...known, ...values });
	});
}

/** What is stored of each of some assignments, by id. */
export async function readStocks(ids: readonly string[]): Promise<Map<string, Stock>> {
	return db.transaction(
		'r',
		[db.pages, db.notes, db.plans, db.takes, db.glances],
		async () =>
			new Map(
				await Promise.all(
					ids.map(async (id) => {
						const [pages, notes, plans, takes, glance] = await Promise.all([
							db.pages.where({ assignment: id }).count(),
							db.notes.where({ assignment: id }).count(),
							db.plans.where({ assignment: id }).count(),
							db.takes.where({ assignment: id }).count(),
							db.glances.get(id)
						]);
						const stock: Stock = {
							pages,
							notes,
							hasPlan: plans > 0,
							takes,
							glance: takes > 0 ? (glance ?? null) : null
						};
						return [id, stock] as const;
					})
				)
			)
	);
}
