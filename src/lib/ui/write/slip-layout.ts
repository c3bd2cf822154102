/** Height of a slip's head with its budget line, and of one row, in pixels; set by Slips.svelte. */
export const SLIP_HEAD = 30;
export const SLIP_ROW = 21;
const SPACE = 10;

/** How many rows a slip may show before the next section begins; the chosen one shows all. */
export function rowsThatFit(top: number, nextTop: number | null): number {
	if (nextTop === null) return Number.POSITIVE_INFINITY;
	return Math.max(0, Math.floor((nextTop - top - SLIP_HEAD - SPACE) / SLIP_ROW));
}

/**
 * Tops of slips that follow their headings and never overlap: each stands beside its heading,
 * or right below the slip before it.
 *
 * @param wanted tops of the headings, ascending
 * @param heights of the slips
 */
export function placeSlips(wanted: readonly number[], heights: readonly number[]): number[] {
	const tops: number[] = [];
	let free = Number.NEGATIVE_INFINITY;
	wanted.forEach((top, i) => {
		const placed = Math.max(top, free);
		tops.push(placed);
		free = placed + (heights[i] ?? SLIP_HEAD) + SPACE;
	});
	return tops;
}
