/** Whether something could not be stored because the browser has no room left. */
export function isStorageFull(error: unknown): boolean {
	if (typeof error !== 'object' || error === null) return false;
	const { name, inner, failures } = error as {
		name?: unknown;
		inner?: unknown;
		failures?: readonly unknown[];
	};
	// the database wraps what the browser threw, once or twice
	return (
		name === 'QuotaExceededError' ||
		(inner !== error && isStorageFull(inner)) ||
		(failures ?? []).some(isStorageFull)
	);
}
