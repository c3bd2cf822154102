/** Proportions of an outline, as data. */
export const PLAN_LIMITS = {
	leastSections: 3,
	openingShare: 0.07,
	takeawaysShare: 0.04,
	faqShare: 0.13,
	closingShare: 0.05,
	leastBudget: 50,
	questions: 30,
	questionsPerSection: 3,
	factsPerSection: 4,
	/** Share of pages that make a part of their own of key facts from which we do too. */
	takeawaysAt: 0.34
} as const;
