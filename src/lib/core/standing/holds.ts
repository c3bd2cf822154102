import { crowdedWordsOf, HOLDS, type Held, type Standing } from './score';
import type { ArticleState } from './state';
import type { Yardstick } from './yardstick';

/** Something that holds the whole standing down. */
export interface Hold {
	readonly hold: keyof Held;
	/** What it counted, in words: "31 words stand in a page as they are". */
	readonly text: string;
	/** Points of standing that it costs. */
	readonly cost: number;
}

/** Points below which a hold is not told. */
const LEAST_COST = 0.05;

/** What holds a standing down, the dearest first. */
export function holdsOf(
	{ standing, held }: Standing,
	state: ArticleState,
	yardstick: Yardstick
): Hold[] {
	return HOLDS.map((hold): Hold => ({
		hold,
		text: textOf(hold, state, yardstick),
		cost: standing / held[hold] - standing
	}))
		.filter(({ cost }) => cost >= LEAST_COST)
		.sort((a, b) => b.cost - a.cost);
}

function textOf(hold: keyof Held, state: ArticleState, yardstick: Yardstick): string {
	const { words, closeWords, runningWords, faultyWords, gaps } = state;
	switch (hold) {
		case 'ownWords':
			return `${shareOf(closeWords, words)} in a page`;
		case 'sense':
			return `${shareOf(faultyWords, runningWords)} in no sentence of its own`;
		case 'crowding':
			return `${Math.round(crowdedWordsOf(state, yardstick))} words are terms too many`;
		case 'length':
			return `${words.toLocaleString('en')} of ${yardstick.targetWords.toLocaleString('en')} words`;
		case 'whole':
			return gaps === 1 ? 'one gap' : `${gaps} gaps`;
	}
}

function shareOf(part: number, all: number): string {
	const share = all === 0 ? 0 : part / all;
	if (share > 0.9) return 'nearly all of it stands';
	if (share > 0.6) return 'most of it stands';
	if (share > 0.4) return 'half of it stands';
	return `${part.toLocaleString('en')} words stand`;
}
