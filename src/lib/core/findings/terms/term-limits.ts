/** Bounds of the selection; set on the demo and on the fixtures under tests/fixtures. */
export const TERM_LIMITS = {
	/** Candidates that are counted exactly. */
	counted: 420,
	/** Terms that are shown. A writer can work with 120; 300 is a list again. */
	shown: 120,
	/** Wished phrases that come along beside them. */
	wished: 60,
	/** Score below which a phrase is an accident of two pages; set on the demo, where it cuts "check" and "hill". */
	leastScore: 1.5,
	/** The same for a phrase that the notes use as well: what the writer has matter on is no accident. */
	leastScoreWithNotes: 0.8,
	/** Part of an article's words that a single term may take. */
	wordShare: 0.02,
	/** Uses of a phrase that lie inside longer ones, beyond which it has no life of its own. */
	insideShare: 0.6,
	insideShareSingle: 0.8,
	/** Uses that have to be no part of a longer run of nouns: "source heat pump" never stands alone. */
	wholeShare: 0.08,
	/** Uses of a part of the keyword that have to lie outside it and the other terms. */
	ownShareOfPart: 0.05
} as const;
