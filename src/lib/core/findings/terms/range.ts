import { quantileOf } from '../spread';
import type { TermWeight } from '../term-weight';
import type { TermUse } from './term';
import { TERM_LIMITS } from './term-limits';

/** Weight by share of pages and rank; the thresholds are data. */
const WEIGHT_THRESHOLDS = {
	must: { share: 0.6, rank: 30 },
	should: { share: 0.4, rank: 70 }
} as const;

export function weightOf(rank: number, share: number): TermWeight {
	if (share >= WEIGHT_THRESHOLDS.must.share && rank < WEIGHT_THRESHOLDS.must.rank) return 'must';
	if (share >= WEIGHT_THRESHOLDS.should.share && rank < WEIGHT_THRESHOLDS.should.rank)
		return 'should';
	return 'could';
}

/**
 * Range of uses for an article of `targetWords`: lower and upper quartile of the rates of the
 * pages that use the term (least and most when fewer than four do), rounded outwards, at least
 * one, and never so many that the term takes more than 2% of the words.
 */
export function rangeOf(
	uses: readonly Pick<TermUse, 'rate'>[],
	termWords: number,
	targetWords: number
): { min: number; max: number } {
	if (uses.length === 0) return { min: 1, max: 2 };
	const rates = uses.map(({ rate }) => rate);
	const [low, high] = uses.length < 4 ? [0, 1] : [0.25, 0.75];
	const cap = Math.max(1, Math.floor((TERM_LIMITS.wordShare * targetWords) / termWords));
	const min = Math.max(1, Math.floor((quantileOf(rates, low) * targetWords) / 1000));
	const max = Math.max(min, Math.ceil((quantileOf(rates, high) * targetWords) / 1000));
	return { min: Math.min(min, cap), max: Math.min(max, cap) };
}

/** The exact keyword has its places whatever pages do: H1, opening and one H2, and one more in every 1,000 words. */
export function keywordRangeOf(
	uses: readonly TermUse[],
	termWords: number,
	targetWords: number
): { min: number; max: number } {
	const { min, max } = rangeOf(uses, termWords, targetWords);
	return { min: Math.max(3, min), max: Math.max(4 + Math.round(targetWords / 1000), max) };
}
