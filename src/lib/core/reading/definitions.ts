import { termKeyOf, type PreparedSentence } from '../text';

/** A sentence that says what something is. */
export interface Definition {
	/** Folded form of what is defined. */
	readonly key: string;
	/** As the sentence names it: "throughstones". */
	readonly name: string;
	readonly isPlural: boolean;
	readonly section: number;
	readonly text: string;
}

const DEFINES =
	/^(?:an?\s)?(?!the\s)([\p{L}'’ -]{3,40}?)(?:\s?\([^)]{1,40}\))?,?\s(is|are|means)\s(?:an?|the|any|what|simply|called|made of|part of|small|large|long)\s/iu;

/** What a sentence defines: a name of at most three words at its start, followed by "is a". */
export function definitionIn(
	{ text, words }: PreparedSentence,
	section: number
): Definition | null {
	if (words.length < 6) return null;
	const match = DEFINES.exec(text);
	if (!match) return null;
	const name = match[1]!.trim().toLowerCase();
	if (
		name.split(/\s+/).length > 3 ||
		/^(?:it|this|that|these|those|there|here|what|which|who|he|she|they|we|you|i|one|all|most|some|each|another|both|how|why|where|when)\b/.test(
			name
		)
	)
		return null;
	return {
		key: termKeyOf(name),
		name,
		isPlural: match[2]!.toLowerCase() === 'are',
		section,
		text
	};
}
