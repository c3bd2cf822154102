/** How well one grouping agrees with another, each 0–1. */
export interface Agreement {
	readonly precision: number;
	readonly recall: number;
	readonly f1: number;
}

export function f1Of(precision: number, recall: number): number {
	return precision + recall === 0 ? 0 : (2 * precision * recall) / (precision + recall);
}

/** B³ (Bagga and Baldwin 1998): for each item the share of its group that belongs with it, averaged. */
export function bCubed(
	items: readonly string[],
	found: (item: string) => string,
	gold: (item: string) => string
): Agreement {
	let precision = 0;
	let recall = 0;
	for (const item of items) {
		const ours = items.filter((other) => found(other) === found(item));
		const theirs = items.filter((other) => gold(other) === gold(item));
		const both = ours.filter((other) => gold(other) === gold(item)).length;
		precision += both / ours.length;
		recall += both / theirs.length;
	}
	precision /= items.length;
	recall /= items.length;
	return { precision, recall, f1: f1Of(precision, recall) };
}

/** Of all pairs put together, how many belong together, and the other way round. */
export function pairwise(
	items: readonly string[],
	found: (item: string) => string,
	gold: (item: string) => string
): Agreement {
	let [ours, theirs, both] = [0, 0, 0];
	items.forEach((a, i) => {
		for (const b of items.slice(i + 1)) {
			const [x, y] = [found(a) === found(b), gold(a) === gold(b)];
			if (x) ours++;
			if (y) theirs++;
			if (x && y) both++;
		}
	});
	const precision = ours === 0 ? 1 : both / ours;
	const recall = theirs === 0 ? 1 : both / theirs;
	return { precision, recall, f1: f1Of(precision, recall) };
}
