import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { delimiterOf, plainCell, plainLines, readRecords, safeCell, writeCsv } from './delimited';

const recordsOf = (text: string, delimiter: ',' | ';' | '\t' = ',') =>
	readRecords(plainLines(text), delimiter).records.map(({ line, cells }) => [line, ...cells]);

describe('delimiterOf', () => {
	it.each([
		['a\tb\tc\n1\t2\t3\n', '\t'],
		['a;1,5;2,5\nb;2,5;3,5\n', ';'],
		['a,1\nb,2\n', ','],
		['a|1\nb|2\n', '|'],
		['sep=;\na,b;1\n', ';'],
		['how to build\nwalls, and gates\nwall cost\n', ''],
		['"a,b,c";1\n"d,e";2\n', ';'],
		['', '']
	])('of %j is %j', (text, delimiter) => {
		expect(delimiterOf(text)).toBe(delimiter);
	});
});

describe('readRecords', () => {
	it('counts lines through quoted breaks and empty lines', () => {
		expect(recordsOf('a,1\n\n"b\nc",2\nd,3\n')).toEqual([
			[1, 'a', '1'],
			[3, 'b\nc', '2'],
			[5, 'd', '3']
		]);
	});

	it('takes inch marks and doubled marks as they are meant', () => {
		expect(recordsOf('6" pipe,1\n"12"" bar",2\n"say ""hi""" ,3\n')).toEqual([
			[1, '6" pipe', '1'],
			[2, '12" bar', '2'],
			[3, 'say "hi"', '3']
		]);
	});

	it('gives up a stray mark’s own line, however many there are', () => {
		const lines = Array.from({ length: 40 }, (_, i) =>
			i % 2 ? `wall ${i},"1,300"` : `"stray ${i},1`
		);
		const { records, rejected } = readRecords(lines.join('\n'), ',');
		expect(records.map(({ cells }) => cells[1])).toEqual(Array(20).fill('1,300'));
		expect(rejected.map(({ line }) => line)).toEqual(
			Array.from({ length: 20 }, (_, i) => 2 * i + 1)
		);
	});

	it('does not let two stray marks far apart swallow what is between them', () => {
		const text = [
			'"open,1',
			...Array.from({ length: 30 }, (_, i) => `wall ${i},2`),
			'closed",3'
		].join('\n');
		expect(readRecords(text, ',').records).toHaveLength(31);
	});
});

describe('writeCsv', () => {
	it('comes back cell for cell, whatever is in the cells', () => {
		const cell = fc.string({
			unit: fc.constantFrom('a', ' ', ',', ';', '"', '\n', '=', '+', '-', "'", '@', '石'),
			maxLength: 8
		});
		fc.assert(
			fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
				const trimmed = rows.map((row) => row.map((value) => value.trim()));
				const { records } = readRecords(plainLines(writeCsv(trimmed)), ',');
				const wanted = trimmed.filter((row) => row.some((value) => value !== ''));
				expect(records.map(({ cells }) => cells.map(plainCell))).toEqual(wanted);
			}),
			{ numRuns: 500 }
		);
	});

	it('keeps formulas from being formulas, and numbers numbers', () => {
		expect(['=1+1', '+44 1', '-x', '@a', "'=a", '-12', '-1.5%', 'a=b'].map(safeCell)).toEqual([
			"'=1+1",
			"'+44 1",
			"'-x",
			"'@a",
			"''=a",
			'-12',
			'-1.5%',
			'a=b'
		]);
		expect(plainCell('="007"')).toBe('007');
	});
});
