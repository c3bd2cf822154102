import { readText, type Article } from '../pages';
import { spokenParagraphsOf } from './transcript-text';

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
		...readText('', name),
		blocks: spokenParagraphsOf(text).map(({ text: said }) => ({
			block: { kind: 'paragraph', text: said },
			dropped: null
		}))
	};
}
