/** "1 page", "2 pages". */
export function countOf(n: number, thing: string, things = `${thing}s`): string {
	return `${n} ${n === 1 ? thing : things}`;
}
