import type { SortField } from '$lib/core/keywords';

interface ScoutColumn {
	readonly id: string;
	readonly name: string;
	/** What the column is, for a tip. */
	readonly title: string;
	readonly field: SortField;
	readonly isNumber: boolean;
	/** Whether the first click puts the largest on top. */
	readonly isDescending: boolean;
	/** Whether it stays on a narrow screen. */
	readonly isNarrow: boolean;
	readonly isUsual: boolean;
	/** Width in pixels; 0 takes what the others leave. */
	readonly width: number;
}

const column = <Id extends string>(
	id: Id,
	name: string,
	title: string,
	field: SortField,
	width: number,
	options: Partial<Pick<ScoutColumn, 'isNumber' | 'isNarrow' | 'isUsual' | 'isDescending'>> = {}
) => {
	const { isNumber = false, isNarrow = false, isUsual = true } = options;
	const isDescending = options.isDescending ?? isNumber;
	return { id, name, title, field, width, isNumber, isDescending, isNarrow, isUsual };
};

/** The columns Scout can show, in order. */
export const COLUMNS = [
	column('phrase', 'Phrase', 'The phrase people search', 'phrase', 0, { isNarrow: true }),
	column('words', 'Words', 'Words in the phrase', 'words', 56, { isNumber: true, isUsual: false }),
	column('volume', 'Volume', 'Searches a month', 'volume', 74, { isNumber: true, isNarrow: true }),
	column('change3m', '3 months', 'Change over three months', 'change3m', 70, { isNumber: true }),
	column('changeYear', 'Year', 'Change over a year', 'changeYear', 64, {
		isNumber: true,
		isUsual: false
	}),
	column('competition', 'Bidding', 'How many advertisers bid', 'competition', 70, {
		isUsual: false
	}),
	column('competitionIndex', 'Index', 'Competition, 0–100', 'competition', 56, {
		isNumber: true,
		isUsual: false
	}),
	column('bid', 'Bid', 'What advertisers pay for a click', 'bid', 80, {
		isNumber: true,
		isUsual: false
	}),
	column('titleMatches', 'Titles', 'Pages with the phrase in their title', 'titleMatches', 72, {
		isNumber: true,
		isUsual: false
	}),
	column(
		'ratio',
		'Title ratio',
		'Title matches for each search a month; bold is worth writing',
		'ratio',
		76,
		{
			isNumber: true,
			isDescending: false
		}
	),
	column('weak', 'Weak at', 'Positions held by weak sites, forums, thin or old pages', 'weak', 66),
	column('intent', 'Intent', 'What the searcher wants', 'intent', 94),
	column('cluster', 'Cluster', 'Phrases that one article can serve', 'cluster', 104),
	column(
		'opening',
		'Opening',
		'How open the phrase is, 0–100; hollow while parts are not known',
		'opening',
		104,
		{
			isDescending: true,
			isNarrow: true
		}
	)
] as const satisfies readonly ScoutColumn[];
export type ColumnId = (typeof COLUMNS)[number]['id'];

export const USUAL_COLUMNS: readonly ColumnId[] = COLUMNS.filter(({ isUsual }) => isUsual).map(
	({ id }) => id
);
