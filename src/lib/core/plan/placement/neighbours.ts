/**
 * Positions of the items that stand beside each one and belong together with it.
 *
 * @param reachOf how many places before and behind an item are looked at
 */
export function neighboursOf<T>(
	items: readonly T[],
	belongTogether: (one: T, other: T) => boolean,
	reachOf: (item: T) => number
): number[][] {
	return items.map((item, i) => {
		const reach = reachOf(item);
		const near: number[] = [];
		for (let k = Math.max(0, i - reach); k <= Math.min(items.length - 1, i + reach); k++)
			if (k !== i && belongTogether(item, items[k]!)) near.push(k);
		return near;
	});
}

/** Each value with the mean of those of its neighbours added. */
export function withNeighbours(
	values: readonly number[],
	near: readonly (readonly number[])[]
): number[] {
	return values.map((value, i) => {
		const beside = near[i]!;
		if (beside.length === 0) return value;
		return value + beside.reduce((sum, k) => sum + values[k]!, 0) / beside.length;
	});
}
