import type { PlanSection } from '../../plan';
import type { Passage } from './note-material';
import type { Fitted } from './fit-passages';

/** Words beyond a budget that a section may take rather than cut a thought short. */
const OVERRUN = 1.2;
/** The same for a table or steps, which cannot be cut. */
const OVERRUN_WHOLE = 1.8;

/** Fit under which a passage says nothing to the section; set on the demo's notes. */
export const LEAST_FIT = 0.9;

/**
 * Takes passages by fit, less what they repeat (maximal marginal relevance, Carbonell and
 * Goldstein 1998), until the budget is spent. In the first round only those that fit no other
 * section better.
 */
export function choose(
	section: PlanSection,
	fitted: readonly Fitted[],
	taken: Set<Passage>,
	mine: Passage[],
	used: number
): void {
	let words = used;
	const candidates = fitted.filter(({ fit, passage }) => fit >= LEAST_FIT && !taken.has(passage));
	const have = new Set<string>();
	for (;;) {
		let best: Fitted | null = null;
		let most = LEAST_FIT * 0.8;
		for (const candidate of candidates) {
			if (
				taken.has(candidate.passage) ||
				words + candidate.passage.words > section.budget * overrunOf(candidate.passage)
			)
				continue;
			const fresh = [...candidate.terms].filter((term) => !have.has(term)).length;
			const repeat =
				mine.length === 0 ? 0 : Math.max(...mine.map((other) => overlap(other, candidate.passage)));
			const near = mine.some(
				(other) =>
					other.note === candidate.passage.note && other.paragraph === candidate.passage.paragraph
			)
				? 0.35
				: 0;
			const value = candidate.fit + 0.15 * fresh + near - 2.5 * repeat;
			if (value > most) [best, most] = [candidate, value];
		}
		if (!best) return;
		taken.add(best.passage);
		mine.push(best.passage);
		for (const term of best.terms) have.add(term);
		words += best.passage.words;
		if (words >= section.budget) return;
	}
}

function overrunOf({ form }: Passage): number {
	return form === 'steps' || form === 'table' ? OVERRUN_WHOLE : OVERRUN;
}

function overlap(a: Passage, b: Passage): number {
	const mine = new Set(a.stems);
	const shared = new Set(b.stems.filter((stem) => mine.has(stem))).size;
	return shared / Math.max(1, Math.min(mine.size, new Set(b.stems).size));
}
