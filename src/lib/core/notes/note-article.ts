import { EMPTY_ARTICLE, readText, type Article } from '../pages';
import { readQuestions } from './read-questions';
import { readTranscript } from './subtitles';
import { spokenParagraphsOf, transcriptText } from './transcript-text';

/** What the writer's own material comes as. */
export const NOTE_KINDS = ['note', 'transcript', 'questions'] as const;

export type NoteKind = (typeof NOTE_KINDS)[number];

export interface NoteText {
	readonly kind: NoteKind;
	readonly name: string;
	readonly text: string;
}

/** Whether a note holds sentences to draw on, and not only questions. */
export function isMaterial({ kind }: Pick<NoteText, 'kind'>): boolean {
	return kind !== 'questions';
}

/** A note as an article. Of a transcript, what was said: times and speakers are left out. */
export function noteArticleOf({ kind, name, text }: NoteText): Article {
	if (kind !== 'transcript') return readText(text, name);
	return {
		...EMPTY_ARTICLE,
		title: name,
		blocks: spokenParagraphsOf(text).map(({ text: said }) => ({
			block: { kind: 'paragraph', text: said },
			dropped: null
		}))
	};
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
		const { title, paragraphs, remarks } = timed.transcript;
		return { noteKind: 'transcript', title, text: transcriptText(paragraphs), remarks };
	}
	const lines = text.split('\n').filter((line) => line.trim() !== '').length;
	const asks = readQuestions(text).length;
	const isList = asks >= 2 && asks > 0.4 * lines;
	return { noteKind: isList ? 'questions' : 'note', title: '', text, remarks: [] };
}
