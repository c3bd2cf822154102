import { describe, expect, it } from 'vitest';
import { isAmountList, isLineOfValues, rowStatementsOf } from './data-blocks';
import { quantitiesOf } from './quantities';

const table = (header: boolean, ...rows: string[][]) => ({ kind: 'table' as const, header, rows });

describe('rows of a table', () => {
	it('are said with what their columns are called', () => {
		expect(
			rowStatementsOf(
				table(
					true,
					['', 'Weight', 'Price'],
					['Ferrow 300', '720 g', '£195'],
					['Ferrow 500', '', '£245']
				)
			)
		).toEqual(['Ferrow 300 · Weight 720 g · Price £195', 'Ferrow 500 · Price £245']);
	});

	it('take the only row without a figure for the names of the columns', () => {
		const rows = [
			['Grass', 'Seed', 'Depth'],
			['Fescue', '35 g', '1 cm'],
			['Rye', '40 g', '2 cm']
		];
		expect(rowStatementsOf(table(false, ...rows))[0]).toBe('Fescue · Seed 35 g · Depth 1 cm');
	});

	it('stay as they are where nothing names the columns', () => {
		const rows = [
			['Energy', '175 kcal'],
			['Fat', '3 g']
		];
		expect(rowStatementsOf(table(false, ...rows))).toEqual(['Energy · 175 kcal', 'Fat · 3 g']);
	});
});

describe('a list of amounts', () => {
	it.each([
		['of a recipe', ['500 g flour', '2 tsp. salt', '▢ ½ cup water', 'a pinch of sugar'], true],
		[
			'of advice with figures',
			['Wait 5 minutes.', '10 minutes are better.', '3 are too few.'],
			false
		],
		['of two entries', ['2 cups oats', '1 egg'], false],
		['of things', ['A spade', 'A rake', 'Two buckets'], false]
	])('%s', (_, items, is) => {
		expect(isAmountList(items)).toBe(is);
	});
});

describe('a line of values', () => {
	it.each([
		['551 calories; protein 28.9g; carbohydrates 54.4g; fat 25.6g', true],
		[
			'It took 3 hours, then 20 minutes, then a further 5 days and 2 weeks before the wall was dry.',
			false
		],
		['Between 20 and 30 cm deep', false]
	])('%s', (text, is) => {
		expect(isLineOfValues(text, quantitiesOf(text).length)).toBe(is);
	});
});

describe('figures that are none', () => {
	it.each(['A 5-minute read', 'March 2019', 'a (1/16-inch'])('in “%s”', (text) => {
		expect(quantitiesOf(text).filter(({ text: said }) => /5|2019|^16/.test(said))).toEqual([]);
	});
});
