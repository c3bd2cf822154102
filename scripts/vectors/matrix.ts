// Rows of vectors, one after the other in one array.

/** Brings a row to length one. */
export function toUnit(rows: Float64Array, start: number, dims: number): void {
	let square = 0;
	for (let k = start; k < start + dims; k++) square += rows[k]! ** 2;
	const length = Math.sqrt(square) || 1;
	for (let k = start; k < start + dims; k++) rows[k]! /= length;
}

const POWER_ROUNDS = 500;

/**
 * Takes off the mean and the strongest directions of the first rows, which say how common a word is
 * and not what it means (Mu and Viswanath 2018), by power iteration; rows end at length one.
 */
export function takeOffCommon(
	rows: Float64Array,
	dims: number,
	{ count, top, directions }: { count: number; top: number; directions: number }
): void {
	const mean = new Float64Array(dims);
	for (let i = 0; i < top; i++)
		for (let k = 0; k < dims; k++) mean[k]! += rows[i * dims + k]! / top;
	for (let i = 0; i < count; i++) for (let k = 0; k < dims; k++) rows[i * dims + k]! -= mean[k]!;
	const covariance = new Float64Array(dims * dims);
	for (let i = 0; i < top; i++)
		for (let a = 0; a < dims; a++) {
			const x = rows[i * dims + a]!;
			for (let b = 0; b < dims; b++) covariance[a * dims + b]! += x * rows[i * dims + b]!;
		}
	for (let m = 0; m < directions; m++) {
		const direction = strongest(covariance, dims);
		let strength = 0;
		for (let a = 0; a < dims; a++)
			for (let b = 0; b < dims; b++)
				strength += direction[a]! * covariance[a * dims + b]! * direction[b]!;
		for (let a = 0; a < dims; a++)
			for (let b = 0; b < dims; b++)
				covariance[a * dims + b]! -= strength * direction[a]! * direction[b]!;
		for (let i = 0; i < count; i++) {
			let along = 0;
			for (let k = 0; k < dims; k++) along += rows[i * dims + k]! * direction[k]!;
			for (let k = 0; k < dims; k++) rows[i * dims + k]! -= along * direction[k]!;
		}
	}
	for (let i = 0; i < count; i++) toUnit(rows, i * dims, dims);
}

function strongest(covariance: Float64Array, dims: number): Float64Array {
	let direction = Float64Array.from({ length: dims }, (_, k) => 1 + k / dims);
	for (let round = 0; round < POWER_ROUNDS; round++) {
		const next = new Float64Array(dims);
		for (let a = 0; a < dims; a++)
			for (let b = 0; b < dims; b++) next[a]! += covariance[a * dims + b]! * direction[b]!;
		toUnit(next, 0, dims);
		direction = next;
	}
	return direction;
}
