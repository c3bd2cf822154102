/** State of a term in a text, always shown as a word and a shape. */
export const TERM_STATES = ['absent', 'thin', 'placed', 'crowded'] as const;

export type TermState = (typeof TERM_STATES)[number];

/**
 * The state of a term by its uses.
 * @param min uses from which it is placed
 * @param max uses up to which it is not crowded
 */
export function termStateOf(uses: number, min: number, max: number): TermState {
	if (uses <= 0) return 'absent';
	if (uses < min) return 'thin';
	return uses <= max ? 'placed' : 'crowded';
}

/** What there is to do about a term, in deeds: "wants 2", "1 more", "2 too many"; empty when placed. */
export function deedFor(uses: number, min: number, max: number): string {
	switch (termStateOf(uses, min, max)) {
		case 'absent':
			return `wants ${min}`;
		case 'thin':
			return `${min - uses} more`;
		case 'crowded':
			return `${uses - max} too many`;
		case 'placed':
			return '';
	}
}
