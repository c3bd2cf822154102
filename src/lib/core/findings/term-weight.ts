/** How much an article leans on a term. */
export const TERM_WEIGHTS = ['must', 'should', 'could'] as const;

export type TermWeight = (typeof TERM_WEIGHTS)[number];
