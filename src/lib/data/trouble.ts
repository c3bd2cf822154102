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

/** What an error says, for a sentence that tells what did not happen. */
export function messageOf(error: unknown): string {
	return error instanceof Error ? error.message : String(error);
}

/** Begins every sentence about a browser that cannot store more; what to do follows. */
export const NO_ROOM = 'This browser has no room left';
