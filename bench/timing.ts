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

/**
 * Milliseconds of several works in rounds of all of them, one after the other, so that a machine that
 * slows down slows all of them; of each the shortest first.
 */
export function timesTogether(runs: readonly (() => void)[], rounds: number): number[][] {
	const all = Array.from({ length: rounds }, () => runs.map((run) => times(run, 1)[0]!));
	return runs.map((_, i) => all.map((round) => round[i]!).sort((a, b) => a - b));
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
