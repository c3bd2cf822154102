import type { BlockMeasure } from './measure';

/**
 * Totals of a manuscript, kept up to date block by block: an edit takes off the blocks it
 * replaced and adds the new ones. Counts are whole numbers, so totals never drift from a
 * recount.
 */
export class TakeTally {
	#blocks: readonly BlockMeasure[] = [];
	readonly #uses: Int32Array;
	#words = 0;

	/** @param terms number of terms of the index that measured the blocks */
	constructor(terms: number) {
		this.#uses = new Int32Array(terms);
	}

	get blocks(): readonly BlockMeasure[] {
		return this.#blocks;
	}

	get words(): number {
		return this.#words;
	}

	/** Uses by term position; the caller must not change it. */
	get uses(): Int32Array {
		return this.#uses;
	}

	/** Takes a new list of blocks; those that are the same objects as before cost nothing. */
	update(blocks: readonly BlockMeasure[]): void {
		const before = this.#blocks;
		let start = 0;
		while (start < before.length && start < blocks.length && before[start] === blocks[start])
			start++;
		let end = 0;
		while (
			end < before.length - start &&
			end < blocks.length - start &&
			before[before.length - 1 - end] === blocks[blocks.length - 1 - end]
		) {
			end++;
		}
		for (let i = start; i < before.length - end; i++) this.#add(before[i]!, -1);
		for (let i = start; i < blocks.length - end; i++) this.#add(blocks[i]!, 1);
		this.#blocks = blocks;
	}

	#add({ counts, words }: BlockMeasure, sign: 1 | -1): void {
		this.#words += sign * words;
		for (const [term, n] of counts.all) this.#uses[term]! += sign * n;
	}
}
