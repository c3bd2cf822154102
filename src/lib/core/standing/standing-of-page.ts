import { assembleFindings, type FindOptions } from '../findings';
import { docOfBlocks, joinRuns, readArticle, type TextRuns } from '../measure';
import type { Block } from '../pages';
import type { PageWork } from '../reading';
import { scoreState, type Standing } from './score';
import { keywordLoadOf, stateOf } from './state';
import { termIndexOf, yardstickOf } from './yardstick';

/** A counted page with its article, ready to be scored like a take. */
export interface ScoredPage {
	readonly work: PageWork;
	readonly blocks: readonly Block[];
	/** Runs of eight words of its article. */
	readonly runs: TextRuns;
	readonly titleTag: string;
	readonly description: string;
}

export interface PageStanding extends Standing {
	readonly page: string;
	/** Words of the keyword's subject per 100 words. */
	readonly keywordLoad: number;
}

/**
 * The standing of one counted page, with that page left out of the evidence it is held
 * against. Its links are those counted on the page.
 */
export function standingOfPage(
	page: ScoredPage,
	all: readonly ScoredPage[],
	notes: readonly PageWork[],
	options: FindOptions
): PageStanding {
	const others = all.filter(({ work }) => work.id !== page.work.id);
	const findings = assembleFindings(
		others.map(({ work }) => work),
		notes,
		options
	);
	const yardstick = yardstickOf(findings, null);
	const article = readArticle(docOfBlocks(page.blocks), {
		terms: termIndexOf(yardstick),
		runs: joinRuns(others.map(({ runs }) => runs))
	});
	const measured = stateOf(article, page, yardstick);
	const { links, figures } = page.work.counts;
	const state = { ...measured, shape: { ...measured.shape, links, figures } };
	return {
		page: page.work.id,
		...scoreState(state, yardstick),
		keywordLoad: keywordLoadOf(state, yardstick)
	};
}
