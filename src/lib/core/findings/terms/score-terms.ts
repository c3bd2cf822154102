import { everydayRateOf, isStopWord } from '../../text';
import type { TermUse, Term } from './term';
import type { Candidate } from './fold-candidates';

export function roughScore(
	{ count, inside, length, pages, key }: Candidate,
	pageCount: number
): number {
	return (
		Math.log2(1 + length) *
		Math.log(1 + count - 0.5 * inside) *
		(pages.size / pageCount) *
		unusualnessOf(key, count * 20)
	);
}

/**
 * Score = unusual × frequency × pages × prominence.
 *
 * - unusual: log ratio of the rate on the pages to the rate in everyday English;
 * - frequency: log of the C-value (Frantzi and Ananiadou 2000), which takes off uses inside longer terms;
 * - pages: share of pages, to the power 0.8 so that half the pages weigh 0.57;
 * - prominence: 1 to 2.2, by the share of pages with the term in title, headings and opening.
 */
export function scoreOf(
	candidate: Candidate,
	uses: readonly TermUse[],
	pageCount: number,
	totalWords: number
): { score: number; scoreParts: Term['scoreParts'] } {
	const count = uses.reduce((sum, use) => sum + use.count, 0);
	if (count === 0)
		return { score: 0, scoreParts: { unusual: 0, frequency: 0, pages: 0, prominence: 1 } };
	const unusual = unusualnessOf(candidate.key, (count / totalWords) * 1_000_000);
	const cValue =
		Math.log2(1 + candidate.length) *
		Math.max(0.5, count - 0.6 * Math.min(candidate.inside, count));
	const frequency = Math.log(1 + cValue);
	const pages = (uses.length / pageCount) ** 0.8;
	const share = (has: (use: TermUse) => boolean) => uses.filter(has).length / pageCount;
	const prominence =
		1 +
		0.5 * share((use) => use.title || use.h1) +
		0.5 * share((use) => use.h2 || use.h3) +
		0.2 * share((use) => use.opening);
	return {
		score: unusual * frequency * pages * prominence,
		scoreParts: { unusual, frequency, pages, prominence }
	};
}

/** Log ratio to everyday English; a phrase is as unusual as its rarest word, and rarer by its length. */
function unusualnessOf(key: string, ratePerMillion: number): number {
	let everyday = everydayRates.get(key);
	if (everyday === undefined) {
		everyday = everydayRateOfPhrase(key);
		if (everydayRates.size > 60_000) everydayRates.clear();
		everydayRates.set(key, everyday);
	}
	return Math.max(0, Math.log(ratePerMillion / everyday));
}
const everydayRates = new Map<string, number>();

/** Uses in a million words of everyday English; infinite for stop words alone, which are never unusual. */
function everydayRateOfPhrase(key: string): number {
	const words = key.split(' ');
	const rates = words.filter((word) => !isStopWord(word)).map(everydayRateOf);
	return words.length === 1 && rates.length === 1
		? rates[0]!
		: Math.min(...rates) * 0.15 ** (words.length - 1);
}
