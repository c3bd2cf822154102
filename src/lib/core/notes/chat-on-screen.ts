/*
 * A chat as it is copied from the screen: the name of who sent a message on a line of its own, what it
 * says below, and the time on a line of its own before or behind it.
 */

const TIME_ALONE = /^\d{1,2}[:.]\d{2}(?:\s?[ap]\.?m\.?)?(?:\s*[✓✔]+)?$/iu;
const DAY_ALONE =
	/^(?:today|yesterday|(?:mon|tues|wednes|thurs|fri|satur|sun)day|(?:(?:mon|tues|wednes|thurs|fri|satur|sun)day,?\s)?\d{1,2}(?:st|nd|rd|th)?[ ./-](?:\d{1,2}|\p{L}{3,9})(?:[ ./-]\d{2,4})?)$/iu;
const NAME_ALONE = /^(?:you|me|\p{Lu}[\p{L}.'’-]*(?:\s\p{Lu}[\p{L}.'’-]*){0,2})$/u;

/** Times on lines of their own, and names that come again, from which a text is such a chat. */
const LEAST_TIMES = 3;
const LEAST_NAMES = 2;

/** Part of a line in such a chat: a message with who sent it, or what stands around messages. */
export type ChatLine = { readonly sender: string } | 'around';

/**
 * What each line of a text is in a chat from the screen; null where the text is none.
 *
 * @param lines trimmed; blank ones are passed over and have no part
 */
export function chatLinesOf(lines: readonly string[]): (ChatLine | null)[] | null {
	const isTime = (line: string) => TIME_ALONE.test(line) || DAY_ALONE.test(line);
	if (lines.filter((line) => TIME_ALONE.test(line)).length < LEAST_TIMES) return null;
	const uses = new Map<string, number>();
	let before = '';
	for (const line of lines) {
		if (line === '') continue;
		// whoever speaks again is named behind a time
		if (NAME_ALONE.test(line) && (before === '' || isTime(before)))
			uses.set(line, (uses.get(line) ?? 0) + 1);
		before = line;
	}
	const names = new Set([...uses].filter(([, count]) => count >= 2).map(([name]) => name));
	if (names.size < LEAST_NAMES) return null;
	let sender = '';
	return lines.map((line): ChatLine | null => {
		if (line === '') return null;
		if (names.has(line)) {
			sender = line;
			return 'around';
		}
		if (isTime(line)) return 'around';
		return sender === '' ? null : { sender };
	});
}
