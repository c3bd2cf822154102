import { NUMBER_NAMES } from '$lib/core/reading';

/** A count as running text has it: words up to twelve, figures beyond. */
export function inWords(n: number): string {
	if (n === 0) return 'no';
	return n <= 12 ? NUMBER_NAMES[n]! : n.toLocaleString('en');
}
