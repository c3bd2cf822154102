import { askedOf, onPagesOf, type Pool } from './asked';
import { PagesEcho, type Echo } from './echo';
import { inOrderOfText, type Said } from './said';
import { BY_MEANING, BY_WORDS, featuresOf, weigh } from './weigh';

/** A statement that answers a question, or may. */
export interface FoundAnswer {
	readonly said: Said;
	/** How it is ranked, about 0 to 10. */
	readonly value: number;
	/** How likely it is the answer, 0–1. */
	readonly likely: number;
	/** Words and kind agree, so that it can be called an answer. */
	readonly isSure: boolean;
}

/** Value by words from which a statement is called an answer; of questions that nothing answers few get there. */
const SURE_FROM = 3.2;
/** Value from which it may be one, by meaning and, where there are no vectors, by words. */
const MAY_FROM = 2.5;
const MAY_FROM_BY_WORDS = 1.6;

/**
 * The statements of notes and pages that answer a question best, the best first: one for
 * every section of a note and for every page. Sure ones are told by the words and by what is wanted alone.
 */
export function findAnswers(
	question: string,
	pool: Pool,
	isRefused: (said: Said) => boolean = () => false
): { notes: FoundAnswer[]; pages: FoundAnswer[] } {
	const asked = askedOf(question, pool);
	const candidates = onPagesOf(asked, pool);
	const echo = new PagesEcho(asked, candidates, pool);
	const fromPages = echo.without(null);
	const notes = pool.notes
		.flatMap((note) => pool.bySource.get(note)!)
		.filter((said) => !isRefused(said));
	const byPage = new Map<string, Said[]>();
	for (const said of candidates) {
		const list = byPage.get(said.source);
		if (list) list.push(said);
		else byPage.set(said.source, [said]);
	}
	const weighed = (said: Said, heard: Echo): FoundAnswer => {
		const features = featuresOf(asked, said, heard, pool);
		const byWords = weigh(features, BY_WORDS);
		const value = pool.vectors ? weigh(features, BY_MEANING) : byWords;
		const isSure = byWords >= SURE_FROM && features.lacks === 0;
		return { said, value, likely: 1 / (1 + Math.exp(SURE_FROM - value)), isSure };
	};
	const least = pool.vectors ? MAY_FROM : MAY_FROM_BY_WORDS;
	return {
		notes: bestOfEach(
			({ statement, source }) => `${statement.section} ${source}`,
			notes.map((said) => weighed(said, fromPages)),
			least
		),
		pages: bestOfEach(
			({ source }) => source,
			[...byPage].flatMap(([page, all]) => {
				const others = echo.without(page);
				return all.filter((said) => !isRefused(said)).map((said) => weighed(said, others));
			}),
			least
		)
	};
}

function bestOfEach(
	placeOf: (said: Said) => string,
	found: readonly FoundAnswer[],
	least: number
): FoundAnswer[] {
	const best = new Map<string, FoundAnswer>();
	for (const one of found) {
		if (!one.isSure && one.value < least) continue;
		const place = placeOf(one.said);
		const known = best.get(place);
		if (!known || inOrder(one, known) < 0) best.set(place, one);
	}
	return [...best.values()].sort(inOrder);
}

function inOrder(a: FoundAnswer, b: FoundAnswer): number {
	if (a.isSure !== b.isSure) return a.isSure ? -1 : 1;
	return b.value - a.value || inOrderOfText(a.said, b.said);
}
