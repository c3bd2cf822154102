import { EFFORT_RULES } from '../brief';
import type { Findings } from '../findings';
import { containsTerm } from './contains';
import { plannedWords, type Plan } from './outline';
import { PLACE_LIMITS } from './place';
import { plainOf } from './wording';
import { countWords } from '../text';

/** Something about the plan the writer may want to change. */
export interface PlanWarning {
	/** Section it is about, or null for the whole plan. */
	readonly section: string | null;
	readonly text: string;
}

/** What is questionable about a plan, in order of the sections. */
export function warningsOf(plan: Plan, findings: Findings): PlanWarning[] {
	const warnings: PlanWarning[] = [];
	const { keyword, targetWords } = findings;
	if (!containsTerm(plan.title, keyword))
		warnings.push({ section: null, text: `The title does not hold “${keyword}”.` });
	if (
		EFFORT_RULES[findings.effort].keywordPlaces.includes('h2') &&
		!plan.sections.some(({ level, heading }) => level === 2 && containsTerm(heading, keyword))
	) {
		warnings.push({ section: null, text: `No H2 holds “${keyword}”.` });
	}
	const words = plannedWords(plan.sections);
	if (Math.abs(words - targetWords) > 0.1 * targetWords) {
		warnings.push({
			section: null,
			text: `The budgets come to ${words} words, not ${targetWords}.`
		});
	}
	const theirs = new Map(
		findings.topics.flatMap((topic) =>
			topic.headings.map((h) => [plainOf(h.text), h.text] as const)
		)
	);
	const seen = new Map<string, string>();
	for (const { id, heading, budget, terms, kind } of plan.sections) {
		const add = (text: string) => warnings.push({ section: id, text });
		const plain = plainOf(heading);
		if (heading.trim() === '') add('This section has no heading.');
		else if (seen.has(plain)) add(`“${heading}” stands twice.`);
		seen.set(plain, id);
		if (countWords(heading) > 3 && theirs.has(plain))
			add(`“${heading}” is worded like a page’s heading.`);
		if (
			kind !== 'opening' &&
			/\b(?:you won’t believe|you won't believe|secret|shocking|must-know|never|don’t|don't|avoid these)\b/i.test(
				heading
			)
		) {
			add(`“${heading}” promises badly: say what the reader will find.`);
		}
		const uses = terms.reduce((sum, placement) => sum + placement.uses, 0);
		if (uses * PLACE_LIMITS.wordsPerUse > budget * 1.15 && uses > 1)
			add(`“${heading}” carries ${uses} uses in ${budget} words: too many.`);
	}
	return warnings;
}
