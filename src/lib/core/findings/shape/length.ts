import { EFFORT_RULES, type Effort } from '../../brief';
import { quantileOf } from '../spread';

/**
 * Length the evidence asks for, to the next fifty: between median and upper quartile of the pages
 * for a pillar, under the median for a supporting article; 1,200 without pages.
 */
export function lengthOfEvidence(
	pages: readonly { readonly words: number }[],
	effort: Effort = 'pillar'
): number {
	if (pages.length === 0) return 1200;
	const words = quantileOf(
		pages.map((page) => page.words),
		EFFORT_RULES[effort].lengthQuantile
	);
	return Math.max(300, Math.round(words / 50) * 50);
}
