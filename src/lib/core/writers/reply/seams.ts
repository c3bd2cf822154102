import { isEverydayWord, singularOf } from '../../text';

/** Words that must be said again for a seam to be one. */
const LEAST_AGAIN = 3;
/** Words at either side of a seam that are looked at. */
const REACH = 60;

interface Word {
	readonly plain: string;
	readonly start: number;
	readonly end: number;
}

function wordsIn(text: string): Word[] {
	return [...text.matchAll(/[\p{L}\p{N}'’]+/gu)].map((match) => ({
		plain: match[0].toLowerCase(),
		start: match.index,
		end: match.index + match[0].length
	}));
}

/**
 * A reply that was cut off, with its continuation: what the continuation says again is left out, and a
 * word that was cut in two is whole.
 *
 * @returns the joined text, and the words said twice that were left out
 * @example
 * joinContinued('Set the stones in two li', 'in two lines.').text; // 'Set the stones in two lines.'
 */
export function joinContinued(
	before: string,
	after: string
): { readonly text: string; readonly again: string } {
	const opening = after.replace(/^\s*(?:\.{3}|…)\s*/, '');
	const tail = wordsIn(before).slice(-REACH);
	const head = wordsIn(opening).slice(0, REACH);
	for (let length = Math.min(tail.length, head.length); length >= 2; length--) {
		const from = tail.length - length;
		const isSame = head.slice(0, length).every(({ plain }, i) => {
			const mine = tail[from + i]!.plain;
			// the last word may have been cut
			return i === length - 1 && length > 2
				? plain === mine || (plain.startsWith(mine) && !endsWhole(before))
				: plain === mine;
		});
		if (!isSame || (length < LEAST_AGAIN && endsWhole(before))) continue;
		const start = tail[from]!.start;
		return {
			text: before.slice(0, start) + opening.slice(head[0]!.start),
			again: before.slice(start).trim()
		};
	}
	if (endsWhole(before))
		return { text: `${before.trimEnd()}\n\n${opening.trimStart()}`, again: '' };
	// in the middle of a word, or of a sentence
	const isInWord =
		/\p{L}$/u.test(before) && /^\p{Ll}/u.test(after) && !(isWord(tail.at(-1)) && isWord(head[0]));
	return {
		text: isInWord ? before + after : `${before.trimEnd()} ${opening.trimStart()}`,
		again: ''
	};
}

/** Whether everyday English has it: two halves of a word seldom are words both. */
function isWord(word: Word | undefined): boolean {
	return word !== undefined && (word.plain.length === 1 || isEverydayWord(singularOf(word.plain)));
}

/** Whether a text ends as a finished one does: with a stop, or with an entry or a row of its own. */
export function endsWhole(text: string): boolean {
	const last = text.trimEnd().split('\n').at(-1)?.trim() ?? '';
	if (last === '') return true;
	if (/[.!?…:]["”’)\]*_]*$/.test(last) || /[\])】]$/.test(last)) return true;
	if (/^#{1,6}\s/.test(last)) return false;
	if (/^\|.*\|$/.test(last)) return true;
	// entries of a list often have no stop
	return (
		/^(?:[-*+]|\d+[.)])\s+\S/.test(last) &&
		!/[,;–-]$|\b(?:a|an|the|of|to|and|or|with|for|in|on)$/i.test(last)
	);
}
