/** The day of a date where the writer is, as "2026-11-16". */
export function localDay(date: Date): string {
	const two = (n: number) => String(n).padStart(2, '0');
	return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}
