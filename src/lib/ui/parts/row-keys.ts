/** An entry of a list with a key that no other entry has. */
export interface Keyed<T> {
	readonly rowKey: string;
	readonly item: T;
}

/**
 * Entries with keys for `{#each}`. What evidence says can be equal in every way, and two equal keys
 * end a screen; so an entry that repeats a key gets one of its own, by which repetition it is.
 */
export function withRowKeys<T>(
	items: readonly T[],
	keyOf: (item: T) => string | number
): Keyed<T>[] {
	const times = new Map<string, number>();
	const taken = new Set<string>();
	return items.map((item) => {
		const key = String(keyOf(item));
		let nth = times.get(key) ?? 0;
		let rowKey = nth === 0 ? key : `${key} (${nth + 1})`;
		// a key can look like the repetition of another
		while (taken.has(rowKey)) rowKey = `${key} (${++nth + 1})`;
		times.set(key, nth + 1);
		taken.add(rowKey);
		return { rowKey, item };
	});
}
