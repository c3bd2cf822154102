/**
 * Meaning of words by stem: rows of a table made once from word vectors and WordNet (see
 * docs/METHODS.md, "Stem vectors"). Rows are in the order of how common a stem is. Integer rows, and
 * only sums, products, quotients and square roots in a fixed order: the same everywhere.
 */
export interface StemVectors {
	readonly dims: number;
	readonly size: number;
	/** Row of a stem, or −1 where the table does not have it. */
	readonly rowOf: (stem: string) => number;
	/** `size` × `dims` values, −8 to 7. */
	readonly rows: Int8Array;
	/** One over the length of each row. */
	readonly scales: Float32Array;
}

const MAGIC = 'SEM1';
const HEAD_BYTES = 20;

/**
 * Reads the packed table: "SEM1", then number of stems, dimensions, bits of a value and bytes of the
 * stems as 32-bit little-endian numbers, the stems separated by line breaks, and the values, two to a
 * byte, the first in the lower half, 8 standing for 0.
 *
 * @throws RangeError when the bytes are no such table
 */
export function readStemVectors(bytes: Uint8Array): StemVectors {
	const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
	const magic = new TextDecoder().decode(bytes.subarray(0, MAGIC.length));
	if (bytes.length < HEAD_BYTES || magic !== MAGIC)
		throw new RangeError('The table of stem vectors does not begin as one');
	const [size, dims, bits, keyBytes] = [4, 8, 12, 16].map((at) => view.getUint32(at, true)) as [
		number,
		number,
		number,
		number
	];
	const body = bytes.subarray(HEAD_BYTES + keyBytes);
	if (bits !== 4 || body.length * 2 !== size * dims)
		throw new RangeError('The table of stem vectors is cut off or of another make');
	const keys = new TextDecoder().decode(bytes.subarray(HEAD_BYTES, HEAD_BYTES + keyBytes));
	const at = new Map(keys.split('\n').map((stem, row) => [stem, row]));
	const rows = new Int8Array(size * dims);
	for (let i = 0; i < body.length; i++) {
		rows[2 * i] = (body[i]! & 15) - 8;
		rows[2 * i + 1] = (body[i]! >> 4) - 8;
	}
	const scales = new Float32Array(size);
	for (let row = 0; row < size; row++) {
		let sum = 0;
		for (let k = row * dims; k < (row + 1) * dims; k++) sum += rows[k]! * rows[k]!;
		scales[row] = 1 / Math.sqrt(sum || 1);
	}
	return { dims, size, rowOf: (stem) => at.get(stem) ?? -1, rows, scales };
}

/** Cosine of two rows, −1 to 1; 0 where one of them is −1. */
export function closenessOf({ dims, rows, scales }: StemVectors, a: number, b: number): number {
	if (a < 0 || b < 0) return 0;
	let sum = 0;
	const [x, y] = [a * dims, b * dims];
	for (let k = 0; k < dims; k++) sum += rows[x + k]! * rows[y + k]!;
	return sum * scales[a]! * scales[b]!;
}

/** How much a word says by how common it is, 0–1: smooth inverse frequency by Zipf's law, rows being in order of frequency. */
export function rarityOf({ size }: StemVectors, row: number): number {
	// Arora, Liang and Ma 2017, with the probability of a rank in place of a count
	const p = 1 / (row + 3.7) / Math.log(size * 4);
	return row < 0 ? 1 : 1e-3 / (1e-3 + p);
}

/** Sum of the unit vectors of rows with weights, at length 1; all zero where none is known. */
export function textVectorOf(
	{ dims, rows, scales }: StemVectors,
	weighted: Iterable<readonly [row: number, weight: number]>
): Float32Array {
	const sum = new Float32Array(dims);
	for (const [row, weight] of weighted) {
		if (row < 0) continue;
		const scale = weight * scales[row]!;
		const start = row * dims;
		for (let k = 0; k < dims; k++) sum[k]! += scale * rows[start + k]!;
	}
	let square = 0;
	for (const value of sum) square += value * value;
	if (square > 0) {
		const length = Math.sqrt(square);
		for (let k = 0; k < dims; k++) sum[k]! /= length;
	}
	return sum;
}

export function dotOf(a: Float32Array, b: Float32Array): number {
	let sum = 0;
	for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!;
	return sum;
}
