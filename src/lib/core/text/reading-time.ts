/** Words a minute of silent reading (Brysbaert 2019: 238 for non-fiction in English). */
const READING_SPEED = 238;

/** @returns whole minutes, at least 1 */
export function minutesOf(words: number): number {
	return Math.max(1, Math.round(words / READING_SPEED));
}
