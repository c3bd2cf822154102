import { liveQuery, type Observable } from 'dexie';

/** Hands over what a query gives, now and after every change of what it read; returns what ends it. */
export function follow<T>(
	query: () => Promise<T>,
	take: (value: T) => void,
	onTrouble: (message: string) => void
): () => void {
	const subscription = (liveQuery(query) as Observable<T>).subscribe({
		next: take,
		error: (error: unknown) => onTrouble(String(error))
	});
	return () => subscription.unsubscribe();
}
