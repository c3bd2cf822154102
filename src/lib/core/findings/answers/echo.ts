import type { Asked, Pool } from './asked';
import { heldBy, inOrderOfText, type Said } from './said';

/** Stems of what pages say to a question, with weights; a vector of length one. */
export type Echo = ReadonlyMap<string, number>;

const SILENCE: Echo = new Map();

/** Statements of pages that are heard. */
const HEARD = 6;
/** Share of the question that one of them must hold, and what it loses when it lacks what is wanted. */
const HEARD_FROM = 0.5;
const LACKS_WANTED = 0.3;
/** What a word in the heading is worth beside one in the text. */
const IN_HEADING = 0.9;

interface Heard {
	readonly said: Said;
	readonly share: number;
}

/**
 * What pages say to a question, in whatever words: those of their statements that hold most of it
 * give the words that an answer elsewhere is likely to use (Rocchio 1971, by pseudo-relevance).
 */
export class PagesEcho {
	readonly #heard: readonly Heard[];
	readonly #pool: Pool;

	/** @param candidates what pages say with one of the question's own words */
	constructor(asked: Asked, candidates: ReadonlySet<Said>, pool: Pool) {
		this.#pool = pool;
		this.#heard = [...candidates]
			.map((said) => ({ said, share: shareIn(asked, said) }))
			.filter(({ share }) => share >= HEARD_FROM)
			.sort((a, b) => b.share - a.share || inOrderOfText(a.said, b.said));
	}

	/** The words of the statements heard best, those of one page left out. */
	without(page: string | null): Echo {
		const heard: Heard[] = [];
		for (const one of this.#heard) {
			if (heard.length === HEARD) break;
			if (one.said.source !== page) heard.push(one);
		}
		if (heard.length === 0) return SILENCE;
		const { keyword, spread, count } = this.#pool;
		const echo = new Map<string, number>();
		for (const { said, share } of heard)
			for (const stem of said.stems)
				if (!keyword.has(stem)) echo.set(stem, (echo.get(stem) ?? 0) + share);
		let square = 0;
		for (const [stem, sum] of echo) {
			const weight = sum * Math.log(1 + count / (1 + (spread.get(stem) ?? 0)));
			echo.set(stem, weight);
			square += weight * weight;
		}
		const length = Math.sqrt(square) || 1;
		for (const [stem, weight] of echo) echo.set(stem, weight / length);
		return echo;
	}
}

function shareIn({ parts, weight, wanted }: Asked, said: Said): number {
	let share = 0;
	for (const [stem, of] of parts)
		share += of * (said.stems.has(stem) ? 1 : said.headingStems.has(stem) ? IN_HEADING : 0);
	share /= weight;
	const lacks = wanted.isStrict && heldBy(said, wanted) === 0;
	return lacks ? share - LACKS_WANTED : share;
}

/** How much of an echo is in a statement, 0–1; long statements hold some of anything. */
export function echoIn(echo: Echo, said: Said): number {
	if (echo.size === 0) return 0;
	let sum = 0;
	for (const stem of said.stems) sum += echo.get(stem) ?? 0;
	for (const stem of said.headingStems)
		if (!said.stems.has(stem)) sum += 0.7 * (echo.get(stem) ?? 0);
	return Math.min(1, sum / Math.sqrt(Math.max(4, said.stems.size) / 6));
}
