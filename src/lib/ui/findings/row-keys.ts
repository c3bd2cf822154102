/**
 * Keys for the rows of a list that is worked out anew again and again. An entry keeps its key for as
 * long as it keeps most of its parts, so that what is open, ticked or typed in a row stays there; no
 * two entries share one, however equal they are.
 */
export class RowKeys<T> {
	readonly #refsOf: (entry: T) => readonly string[];
	/** Part → keys of the rows that had it last. */
	#before = new Map<string, string[]>();
	#made = 0;

	/** @param refsOf names of an entry's parts, the same for the same part in every list */
	constructor(refsOf: (entry: T) => readonly string[]) {
		this.#refsOf = refsOf;
	}

	of(entries: readonly T[]): Map<T, string> {
		const shared: { entry: T; key: string; parts: number; at: number }[] = [];
		entries.forEach((entry, at) => {
			const counts = new Map<string, number>();
			for (const ref of new Set(this.#refsOf(entry)))
				for (const key of this.#before.get(ref) ?? []) counts.set(key, (counts.get(key) ?? 0) + 1);
			for (const [key, parts] of counts) shared.push({ entry, key, parts, at });
		});
		const keys = new Map<T, string>();
		const taken = new Set<string>();
		for (const { entry, key } of shared.sort((a, b) => b.parts - a.parts || a.at - b.at)) {
			if (keys.has(entry) || taken.has(key)) continue;
			keys.set(entry, key);
			taken.add(key);
		}
		for (const entry of entries) if (!keys.has(entry)) keys.set(entry, `row ${++this.#made}`);
		this.#before = new Map();
		for (const [entry, key] of keys)
			for (const ref of new Set(this.#refsOf(entry)))
				this.#before.set(ref, [...(this.#before.get(ref) ?? []), key]);
		return keys;
	}
}
