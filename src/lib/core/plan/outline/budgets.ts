import type { Findings } from '../../findings';
import { PLAN_LIMITS } from './limits';
import { plannedWords, type PlanSection } from './outline';

/** Budgets from what pages spend on each topic, scaled to the target in steps of five words. */
export function withBudgets(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const target = findings.targetWords;
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const spends = sections.map((section, at) => {
		if (section.kind === 'opening') return PLAN_LIMITS.openingShare * target;
		if (section.kind === 'faq') return PLAN_LIMITS.faqShare * target;
		if (section.kind === 'closing') return PLAN_LIMITS.closingShare * target;
		if (section.kind === 'takeaways') return PLAN_LIMITS.takeawaysShare * target;
		const words = section.topics.reduce((sum, id) => sum + (topics.get(id)?.words ?? 0), 0);
		let inside = 0;
		for (let i = at + 1; i < sections.length && sections[i]!.level > section.level; i++) {
			inside += sections[i]!.topics.reduce((sum, id) => sum + (topics.get(id)?.words ?? 0), 0);
		}
		// long pages would drown the rest; the square root keeps order and narrows the span
		return -Math.sqrt(Math.max(40, words - 0.7 * inside));
	});
	const fixed = spends.reduce((sum, n) => sum + Math.max(0, n), 0);
	const open = spends.reduce((sum, n) => sum + Math.max(0, -n), 0);
	const exact = spends.map((n) => (n >= 0 ? n : open === 0 ? 0 : (-n / open) * (target - fixed)));
	const budgets = exact.map((n) => Math.max(PLAN_LIMITS.leastBudget, Math.round(n / 5) * 5));
	return fitToTarget(
		sections.map((section, i) => ({ ...section, budget: budgets[i]! })),
		target
	);
}

/** Spreads the difference to the target over the unlocked sections, largest first. */
export function fitToTarget(sections: readonly PlanSection[], target: number): PlanSection[] {
	const fitted = sections.map((section) => ({ ...section }));
	const open = fitted.filter(({ locked }) => !locked).sort((a, b) => b.budget - a.budget);
	let difference = target - plannedWords(fitted);
	const step = Math.sign(difference);
	for (let i = 0; difference !== 0 && open.length > 0 && i < 100_000; i++) {
		const section = open[i % open.length]!;
		if (step < 0 && section.budget <= 10) continue;
		const by = Math.min(5, Math.abs(difference)) * step;
		section.budget += by;
		difference -= by;
	}
	return fitted;
}
