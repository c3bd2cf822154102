import type { Slip } from '$lib/core/standing';
import type { TakePoint } from '$lib/data/db';
import { noteGlance } from '$lib/data/glances';
import { notePoint } from '$lib/data/points';

/** Whether a slip has anything open. */
export function isOpen({ terms, questions, gaps }: Slip): boolean {
	return (
		gaps > 0 ||
		terms.some(({ state }) => state !== 'placed') ||
		questions.some(({ isAnswered }) => !isAnswered)
	);
}

/** How long a reading stands before the list is told. */
const REST_MS = 1_500;

/** Tells the list of assignments how a take reads, once it rests; returns what ends that. */
export function tellList(
	assignment: string,
	words: number,
	standing: number,
	slips: readonly Slip[]
): () => void {
	const timer = setTimeout(() => {
		// the list does without where storage is full
		void noteGlance(assignment, {
			words,
			standing: Math.round(standing),
			gaps: slips.reduce((sum, { gaps }) => sum + gaps, 0),
			openSlips: slips.filter(isOpen).length
		}).catch(() => undefined);
	}, REST_MS);
	return () => clearTimeout(timer);
}

/** Keeps how far a take is once typing has rested; returns what lets it be. */
export function keepPoint(point: Omit<TakePoint, 'id' | 'at'>): () => void {
	const timer = setTimeout(() => {
		// the picture of how it grew does without where storage is full
		void notePoint({ ...point, at: Date.now() }).catch(() => undefined);
	}, REST_MS);
	return () => clearTimeout(timer);
}
