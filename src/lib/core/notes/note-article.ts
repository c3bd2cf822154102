import { readQuestions } from './read-questions';
import { readTranscript } from './subtitles';
import { transcriptText } from './transcript-text';
import type { NoteKind, NoteText } from './note-kind';
import { readNoteUnits, withUnitEdits, type ReadNoteUnits } from './units';

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
