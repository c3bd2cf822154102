import { sentencesOf } from '../../text';

/** "not" and what denies like it; a wording with another number of them says something else. */
const DENIES =
	/\b(?:not|no|never|none|nobody|nothing|neither|nor|without|unless|cannot|hardly)\b|n['’]t\b/gi;

/**
 * Whether a wording has the figures, the names and the negations of another. Names are words with a capital
 * letter that open no sentence, and words with capitals or figures inside.
 */
export function saysTheSame(before: string, after: string): boolean {
	const [own, other] = [namesIn(before), namesIn(after)];
	return (
		same(figuresIn(before), figuresIn(after)) &&
		same(
			before.match(DENIES)?.map(() => 'not') ?? [],
			after.match(DENIES)?.map(() => 'not') ?? []
		) &&
		// a name that opened a sentence may stand inside now, and the other way round
		[...own].every((name) => after.includes(name)) &&
		[...other].every((name) => before.includes(name))
	);
}

function figuresIn(text: string): string[] {
	return text.match(/[£$€]?\d[\d.,:/–-]*%?/g)?.map((figure) => figure.replace(/[.,:]+$/, '')) ?? [];
}

function namesIn(text: string): Set<string> {
	return new Set(
		sentencesOf(text).flatMap(({ text: sentence }) =>
			(sentence.match(/\p{L}[\p{L}\p{N}’'-]*/gu) ?? []).filter(
				(word, at) =>
					!/^I(?:['’]\p{L}+)?$/u.test(word) &&
					(at > 0 ? /\p{Lu}/u.test(word) : /.\p{Lu}|\p{N}/u.test(word))
			)
		)
	);
}

function same(a: readonly string[], b: readonly string[]): boolean {
	return a.length === b.length && [...a].sort().join(' ') === [...b].sort().join(' ');
}
