import { readQuestions } from './read-questions';
import { readTranscript } from './subtitles';
import { transcriptText } from './transcript-text';
import { readNoteUnits, withUnitEdits, type ReadNoteUnits, type UnitEdits } from './units';

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

/** The units of a note as the writer left them. */
export function unitsOfNote(note: NoteText): ReadNoteUnits {
	const read = readNoteUnits(note);
	return note.unitEdits ? withUnitEdits(read, note.unitEdits) : read;
}

/** What a text is, and how it is kept: transcripts as paragraphs with times. */
export function noteTextOf(text: string): {
	readonly noteKind: NoteKind;
	/** Its own title, where it gives one that is no heading of the text. */
	readonly title: string;
	readonly text: string;
	readonly remarks: readonly string[];
} {
	const timed = readTranscript(text);
	if (timed.kind === 'read') {
		const { title, head, paragraphs, remarks } = timed.transcript;
		return { noteKind: 'transcript', title, text: transcriptText(paragraphs, head), remarks };
	}
	const lines = text.split('\n').filter((line) => line.trim() !== '').length;
	const asks = readQuestions(text).length;
	const isList = asks >= 2 && asks > 0.4 * lines;
	return { noteKind: isList ? 'questions' : 'note', title: '', text, remarks: [] };
}
