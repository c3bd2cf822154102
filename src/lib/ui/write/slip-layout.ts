/** Height of a slip's head with its budget line, and of one row, in pixels; set by Slips.svelte. */
const SLIP_HEAD = 30;
const SLIP_ROW = 21;
const SPACE = 10;

/** How many rows a slip may show before the next section begins; the chosen one shows all. */
export function rowsThatFit(top: number, nextTop: number | null): number {
	if (nextTop === null) return Number.POSITIVE_INFINITY;
	return Math.max(0, Math.floor((nextTop - top - SLIP_HEAD - SPACE) / SLIP_ROW));
}

/**
 * Tops of slips that stand beside their headings and never overlap. The slip in hand may be
 * taller than its section: those it would cover are folded away (null) rather than pushed
 * down, so that every slip that shows stands beside its own text. Others give way downwards.
 *
 * @param wanted tops of the headings, ascending
 * @param heights of the slips
 * @param inHand position of the slip in hand, or −1
 */
export function placeSlips(
	wanted: readonly number[],
	heights: readonly number[],
	inHand = -1
): (number | null)[] {
	const tops: (number | null)[] = [];
	let free = Number.NEGATIVE_INFINITY;
	let covered = Number.NEGATIVE_INFINITY;
	wanted.forEach((top, i) => {
		if (i > inHand && top < covered) {
			tops.push(null);
			return;
		}
		const placed = Math.max(top, free);
		tops.push(placed);
		free = placed + (heights[i] ?? SLIP_HEAD) + SPACE;
		if (i === inHand) covered = free;
	});
	return tops;
}
