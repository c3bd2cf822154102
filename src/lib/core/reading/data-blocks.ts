import type { Block } from '../pages';

type Table = Extract<Block, { readonly kind: 'table' }>;

/** Separates what stands side by side; the first part of a row is what the row is about. */
const BESIDE = ' · ';

/**
 * The rows of a table, each as one statement with what its columns are called: "Brindle 300 · Comfort
 * +2 °C · Weight 720 g". A cell means nothing alone.
 */
export function rowStatementsOf(table: Table): string[] {
	const head = headOf(table);
	const rows = head && table.rows.length > 1 ? table.rows.slice(1) : table.rows;
	return rows.map((row) =>
		row
			.map((cell, i) => {
				const name = i === 0 ? '' : (head?.[i] ?? '');
				return name === '' || cell === '' ? cell : `${name} ${cell}`;
			})
			.filter((cell) => cell !== '')
			.join(BESIDE)
	);
}

/** The row that names the columns: marked as such, or the only one of several without a figure. */
function headOf({ header, rows }: Table): readonly string[] | null {
	const [first, ...rest] = rows;
	if (!first) return null;
	if (header) return first;
	const hasFigure = (row: readonly string[]) => row.some((cell) => /\d/.test(cell));
	return rest.length > 1 && first.length > 2 && !hasFigure(first) && rest.every(hasFigure)
		? first
		: null;
}

/** Entries from which a list can be one of amounts. */
const LEAST_AMOUNTS = 3;

/** Share of the entries of a list of amounts that begin with a figure. */
const MOSTLY = 0.6;

/** Words that an entry of amounts has at most on average. */
const SHORT_ENTRY = 12;

const OPENS_WITH_FIGURE = /^[\s\p{So}•▢□☐*–-]*[\d½¼¾⅓⅔⅛]/u;

/**
 * Whether a list gives amounts of things, as that of a recipe or of a kit: its entries begin with
 * figures and end without a full stop. Its figures are those of this page alone.
 */
export function isAmountList(items: readonly string[]): boolean {
	if (items.length < LEAST_AMOUNTS) return false;
	const opening = items.filter((item) => OPENS_WITH_FIGURE.test(item)).length;
	const words = items.join(' ').split(/\s+/).length;
	const ended = items.filter((item) => /\p{Ll}[.!?]$/u.test(item)).length;
	return (
		opening >= MOSTLY * items.length &&
		words <= SHORT_ENTRY * items.length &&
		ended < items.length / 2
	);
}

/** Figures from which a line can be a list of values. */
const LEAST_VALUES = 4;

/** Words to a figure that a line of values has at most. */
const WORDS_TO_A_VALUE = 3;

/** Whether a line only lists values: "551 calories; protein 28.9 g; carbohydrates 54.4 g; fat 25.6 g". */
export function isLineOfValues(text: string, figures: number): boolean {
	if (figures < LEAST_VALUES) return false;
	const words = text.match(/\p{L}[\p{L}'’-]*/gu)?.length ?? 0;
	return words <= WORDS_TO_A_VALUE * figures && text.split(/[;,·|]/).length >= LEAST_VALUES;
}

const NUTRIENT =
	/\b(?:(?:saturated|unsaturated|trans|polyunsaturated|monounsaturated|total|dietary|net|added|of which) )*(?:fats?|saturates|carb(?:ohydrate)?s?|proteins?|fib(?:er|re)|sugars?|sodium|salt|cholesterol|calories|energy|potassium|calcium|iron|magnesium|zinc|vitamins? [a-k]\d{0,2})\b/gi;
/** What else a table of nutrition says: measures, and what they are reckoned by. */
const NUTRITION_MEASURE =
	/\b(?:g|mg|mcg|µg|kcal|kj|cal|iu|grams?|milligrams?|per|a|serving|portion|daily|value|dv|amount|% ?dv)\b|[\d.,:;·|/%*()=<~–-]+/gi;

/** Whether a line is one of a table of nutrition: "Saturated fat 1 g · 3%". It is data of its page. */
export function isNutritionLine(text: string): boolean {
	const rest = text.replace(NUTRIENT, '');
	return (
		rest !== text &&
		/\d/.test(text) &&
		!/\p{L}/u.test(rest.replace(/(\d)(\p{L})/gu, '$1 $2').replace(NUTRITION_MEASURE, ''))
	);
}
