/** Words that are read silently in a minute (Brysbaert 2019, non-fiction). */
const WORDS_A_MINUTE = 238;

/** @returns whole minutes, at least 1 */
export function minutesOf(words: number): number {
	return Math.max(1, Math.round(words / WORDS_A_MINUTE));
}
