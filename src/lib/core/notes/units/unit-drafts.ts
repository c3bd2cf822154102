import { contentSign } from '../../text';
import type { NoteUnit, UnitKind } from './unit';

/** A note as it is read. */
export interface NoteToRead {
	readonly kind: 'note' | 'transcript' | 'questions';
	readonly name: string;
	readonly text: string;
}

/** A unit before its key is known. */
export type UnitDraft = Omit<NoteUnit, 'key'>;

/** Names every unit by its text, and by its number among equal ones. */
export function withKeys(drafts: readonly UnitDraft[]): NoteUnit[] {
	const times = new Map<string, number>();
	return drafts.map((draft) => {
		const sign = contentSign(draft.text);
		const nth = times.get(sign) ?? 0;
		times.set(sign, nth + 1);
		return { ...draft, key: nth === 0 ? sign : `${sign}~${nth}` };
	});
}

/** Whether somebody can be said to say it: an aside or a wish has no speaker. */
export function isSaid(kind: UnitKind): boolean {
	return (
		kind === 'quote' ||
		kind === 'claim' ||
		kind === 'definition' ||
		kind === 'step' ||
		kind === 'row' ||
		kind === 'item'
	);
}

/** "Can we get more chairs in the back?": asked of those who are there, not of the subject. */
export function isPractical(text: string): boolean {
	return /(?:^|[.!?,] )(?:can|could|shall|may|should) (?:we|i|you) (?:\p{L}+ )?(?:get|have|start|stop|begin|hear|move|turn|take|ask|go|hand|sit|come in|record|switch|open)\b[^?]*\?$/iu.test(
		text
	);
}
