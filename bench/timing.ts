// Rows of the table that the benchmarks print.

interface Row {
	readonly work: string;
	readonly ms: string;
	readonly baseline: string;
	readonly ratio: string;
	readonly budget: string;
}
const rows: Row[] = [];

/** Milliseconds of each round, the shortest first. */
export function times(run: () => void, rounds: number): number[] {
	return Array.from({ length: rounds }, () => {
		const start = performance.now();
		run();
		return performance.now() - start;
	}).sort((a, b) => a - b);
}

export const at = (sorted: readonly number[], share: number) =>
	sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
export const shown = (ms: number) => (ms < 10 ? ms.toFixed(2) : ms.toFixed(0));

export function add(
	work: string,
	ms: string,
	baseline: string,
	ratio: number,
	budget: string
): void {
	rows.push({ work, ms, baseline, ratio: `${ratio.toFixed(ratio < 10 ? 2 : 0)}×`, budget });
}

export function printRows(): void {
	console.table(rows);
	rows.length = 0;
}
