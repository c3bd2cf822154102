/** Quartiles of a measure over pages. */
export interface Spread {
	readonly min: number;
	readonly lower: number;
	readonly median: number;
	readonly upper: number;
	readonly max: number;
}

/**
 * Quantile by linear interpolation between order statistics (Hyndman and Fan 1996, type 7).
 * @param q 0–1
 * @throws RangeError for an empty list
 */
export function quantileOf(values: readonly number[], q: number): number {
	if (values.length === 0) throw new RangeError('A quantile needs at least one value');
	const sorted = [...values].sort((a, b) => a - b);
	const at = (sorted.length - 1) * q;
	const low = sorted[Math.floor(at)]!;
	const high = sorted[Math.ceil(at)]!;
	return low + (high - low) * (at - Math.floor(at));
}

/** Spread of a measure; all zero for an empty list. */
export function spreadOf(values: readonly number[]): Spread {
	if (values.length === 0) return { min: 0, lower: 0, median: 0, upper: 0, max: 0 };
	return {
		min: quantileOf(values, 0),
		lower: quantileOf(values, 0.25),
		median: quantileOf(values, 0.5),
		upper: quantileOf(values, 0.75),
		max: quantileOf(values, 1)
	};
}
