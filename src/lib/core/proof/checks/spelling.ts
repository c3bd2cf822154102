import { wordsOf } from '../../text';
import type { BlockCheck, BlockFinding } from '../mark';
import { findingIn, sentencesIn } from '../places';

/** A dictionary of one dialect. */
export interface Speller {
	correct(word: string): boolean;
	/** Words that may be meant, the likeliest first. */
	suggest(word: string): readonly string[];
}

/** Words longer than this are not guessed at: it takes half a second. */
const MOST_LETTERS = 16;
const MOST_FIXES = 3;

/**
 * Marks words that no dictionary, page or note knows.
 *
 * @param known in lower case: words of two pages and more, of notes, names
 */
export function spellingCheck(speller: Speller, known: ReadonlySet<string>): BlockCheck {
	const judged = new Map<string, boolean>();
	const isRight = (word: string): boolean => {
		let right = judged.get(word);
		if (right === undefined) judged.set(word, (right = isKnown(word, speller, known)));
		return right;
	};
	const guessed = new Map<string, readonly string[]>();
	return {
		id: 'spelling',
		reads: 'spelling',
		look: (block) =>
			block.kind === 'codeBlock' || block.kind === 'gap'
				? []
				: sentencesIn(block).flatMap((sentence) =>
						wordsOf(sentence.text).flatMap(({ text, start, end }): BlockFinding[] => {
							if (isAddress(sentence.text, start, end) || isRight(text)) return [];
							let words = guessed.get(text);
							if (!words)
								guessed.set(
									text,
									(words =
										text.length > MOST_LETTERS
											? []
											: speller.suggest(text.replace(/’/g, "'")).slice(0, MOST_FIXES))
								);
							return [
								findingIn(
									sentence,
									{
										about: text.toLowerCase(),
										reason: `“${text}” stands in no dictionary, page or note`,
										fixes: words.map((word) => ({ label: `Write “${word}”`, replacement: word }))
									},
									{ start, end }
								)
							];
						})
					)
	};
}

/** Parts of addresses are no words. */
function isAddress(sentence: string, start: number, end: number): boolean {
	return (
		/[@/.\w]$/.test(sentence.slice(0, start)) || /^(?:@|\.\p{L}|\/)/u.test(sentence.slice(end))
	);
}

function isKnown(word: string, speller: Speller, known: ReadonlySet<string>): boolean {
	const plain = word.replace(/[’‘]/g, "'").replace(/'s?$/, '');
	// figures, units and other scripts are no matter of this dictionary
	if (!/^[a-z'\-\u2010\u2011\u00c0-\u024f]+$/i.test(plain)) return true;
	// names inside a text are nobody's slip, and letters that stand for words neither
	if (/^\p{Lu}{2,6}s?$/u.test(plain)) return true;
	const parts = plain.split(/[-\u2010\u2011]/).filter(Boolean);
	if (parts.length > 1) return parts.every((part) => isKnown(part, speller, known));
	const lower = plain.toLowerCase();
	return (
		known.has(lower) ||
		speller.correct(plain) ||
		speller.correct(lower) ||
		// a plural of what is known
		(lower.endsWith('s') && known.has(lower.slice(0, -1))) ||
		(plain.length === 1 && /\p{L}/u.test(plain))
	);
}
