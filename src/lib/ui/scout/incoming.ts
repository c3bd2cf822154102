import type { StoredList, Scope } from '$lib/data/db';
import { nextListOrder, type WholeList } from '$lib/data/keywords';
import type { ListRead } from '$lib/workers/client';

/** A list that was read and waits for the writer's word. */
export interface ReadingList {
	readonly id: string;
	readonly name: string;
	readonly origin: StoredList['origin'];
	readonly bytes: Uint8Array | null;
	readonly text: string;
	readonly read: Exclude<ListRead, { kind: 'cancelled' }>;
}

/** Browsers and planners export tens of thousands of rows in a few megabytes. */
export const MOST_LIST_BYTES = 60_000_000;
const REJECTED_KEPT = 500;

/** Lists as they are stored, in order behind those of the scope. */
export async function wholeListsOf(
	lists: readonly ReadingList[],
	scope: Scope,
	now: number
): Promise<WholeList[]> {
	let order = await nextListOrder(scope);
	return lists.flatMap(({ name, origin, read }): WholeList[] => {
		if (read.kind !== 'read') return [];
		const { rows, rejected } = read.list;
		const list: StoredList = {
			id: crypto.randomUUID(),
			scope,
			name,
			origin,
			order: order++,
			addedAt: now,
			count: rows.length,
			rejected: rejected.slice(0, REJECTED_KEPT),
			isHidden: false
		};
		return [{ list, rows }];
	});
}

/** Planners name all their files alike: a list of a name that is there already says which it is. */
export function toldApart(lists: readonly WholeList[], names: readonly string[]): WholeList[] {
	const taken = new Set(names);
	return lists.map((whole) => {
		const { name } = whole.list;
		let own = name;
		for (let n = 2; taken.has(own); n++) own = `${name} (${n})`;
		taken.add(own);
		return own === name ? whole : { ...whole, list: { ...whole.list, name: own } };
	});
}
