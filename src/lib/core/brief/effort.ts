/** How much an article has to carry: the main piece on its subject, or one that supports it. */
export const EFFORTS = ['pillar', 'supporting'] as const;

export type Effort = (typeof EFFORTS)[number];

/** Places where the exact keyword can be asked for. */
export const KEYWORD_PLACES = ['titleTag', 'h1', 'opening', 'h2', 'description'] as const;

export type KeywordPlace = (typeof KEYWORD_PLACES)[number];

export interface EffortRules {
	/** Quantile of the counted pages' lengths that "as the evidence says" takes. */
	readonly lengthQuantile: number;
	/** Words of an ordinary section; decides how many topics find room. */
	readonly wordsPerSection: number;
	readonly mostSections: number;
	readonly questionsInFaq: number;
	/** Questions that count towards a standing. */
	readonly questionsCounted: number;
	/** Topics on fewer pages than this share are not asked for. */
	readonly topicShare: number;
	readonly keywordPlaces: readonly KeywordPlace[];
}

/**
 * What each effort asks of the later stages. A supporting article answers one question well and
 * sends the reader on: it is as long as a shorter page, keeps to what most pages treat, and need
 * not hold the keyword in a sub-heading.
 */
export const EFFORT_RULES: Readonly<Record<Effort, EffortRules>> = {
	pillar: {
		lengthQuantile: 0.6,
		wordsPerSection: 115,
		mostSections: 24,
		questionsInFaq: 8,
		questionsCounted: 10,
		topicShare: 0,
		keywordPlaces: KEYWORD_PLACES
	},
	supporting: {
		lengthQuantile: 0.35,
		wordsPerSection: 140,
		mostSections: 8,
		questionsInFaq: 3,
		questionsCounted: 4,
		topicShare: 0.4,
		keywordPlaces: ['titleTag', 'h1', 'opening', 'description']
	}
};
