import type { UnitEdits } from './units';

/** What the writer's own material comes as. */
export const NOTE_KINDS = ['note', 'transcript', 'questions'] as const;

export type NoteKind = (typeof NOTE_KINDS)[number];

export interface NoteText {
	readonly kind: NoteKind;
	readonly name: string;
	readonly text: string;
	/** What the writer said about its units; left out: they are as they are read. */
	readonly unitEdits?: UnitEdits;
}

/** Whether a note holds sentences to draw on, and not only questions. */
export function isMaterial({ kind }: Pick<NoteText, 'kind'>): boolean {
	return kind !== 'questions';
}
