/** A year in a phrase that has passed, and the phrase with this year in its place. */
export interface StaleYear {
	/** The years as they stand: "2023", "2023/24". */
	readonly years: string;
	/** Place in the phrase: start included, end excluded. */
	readonly start: number;
	readonly end: number;
	readonly fresh: string;
}

const YEARS = /(?<![\d.,/:-])(20\d\d)(?:\s?([-–/])\s?(20\d\d|\d\d))?(?![\d%/-]|[.,]\d)/g;

/** Years of events, standards and laws belong to their phrase. */
const BELONGS =
	/\b(?:since|after|before|until|from|act|iso|en|bs|din|of|in history|built in|history)\s*$/i;

/**
 * The passed year of a phrase, or null. Spans such as "2023/24" move as a whole; a phrase that
 * names this year or a later one is up to date.
 */
export function staleYearOf(phrase: string, thisYear: number): StaleYear | null {
	const found = [...phrase.matchAll(YEARS)].filter(
		({ index }) => !BELONGS.test(phrase.slice(0, index))
	);
	const last = found.at(-1);
	if (!last) return null;
	const [years, first = '', joint, second] = last;
	const from = Number(first);
	const to = second ? Number(second.length === 2 ? first.slice(0, 2) + second : second) : from;
	if (Math.max(from, to) >= thisYear || to < from) return null;
	const by = thisYear - to;
	const shifted = second
		? `${from + by}${joint}${second.length === 2 ? String(to + by).slice(2) : to + by}`
		: String(thisYear);
	return {
		years,
		start: last.index,
		end: last.index + years.length,
		fresh: phrase.slice(0, last.index) + shifted + phrase.slice(last.index + years.length)
	};
}
