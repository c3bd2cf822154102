import { describe, expect, it } from 'vitest';
import { decimalOf, readAmount, readChange, readCount, readNumber, readVolume } from './numbers';

const exactly = (volume: number) => ({ volume, volumeMin: volume, volumeMax: volume });
const range = (volumeMin: number, volumeMax: number | null) => ({
	volume: null,
	volumeMin,
	volumeMax
});

describe('decimalOf', () => {
	it.each([
		[['1.300,50', '900'], ','],
		[['1,300.50'], '.'],
		[['0,11', '12'], ','],
		[['1.300.000'], ','],
		[['1,300', '2.400'], null],
		[['1,300'], null],
		[[], null]
	])('of %j is %s', (cells, decimal) => {
		expect(decimalOf(cells)).toBe(decimal);
	});
});

describe('readNumber', () => {
	it.each([
		['1,300', '.', 1300],
		['1.300', ',', 1300],
		['1.300', '.', 1.3],
		['1 300', '.', 1300],
		['1\u00a0300', '.', 1300],
		['1\u202f300', ',', 1300],
		["1'300", '.', 1300],
		['2.4K', '.', 2400],
		['1.5M', ',', 1_500_000],
		['-12', '.', -12],
		['−12', '.', -12],
		['+900', '.', 900],
		['１２', '.', 12],
		['abc', '.', undefined],
		['1,2,3', '.', undefined],
		['12 apples', '.', undefined],
		['', '.', undefined]
	] as const)('reads %j with %s as %s', (text, decimal, value) => {
		expect(readNumber(text, decimal)).toBe(value);
	});
});

describe('readVolume', () => {
	it.each([
		['1,300', exactly(1300)],
		['1K – 10K', range(1000, 10_000)],
		['1K-10K', range(1000, 10_000)],
		['100–1000', range(100, 1000)],
		['100 to 1,000', range(100, 1000)],
		['100 – 1K', range(100, 1000)],
		['10K+', range(10_000, null)],
		['> 1M', range(1_000_000, null)],
		['<10', range(0, 10)],
		['10–10', exactly(10)],
		['about 50', exactly(50)],
		['1,300 / mo', exactly(1300)],
		['0', exactly(0)]
	])('keeps %s as it is meant', (cell, volume) => {
		expect(readVolume(cell, '.')).toEqual(volume);
	});

	it('tells what is not known from what is no number', () => {
		for (const cell of ['', '–', '-', 'n/a', 'No data']) {
			expect(readVolume(cell, '.')).toEqual({ volume: null, volumeMin: null, volumeMax: null });
		}
		for (const cell of ['abc', '-5', '1-2-3', 'K – 10K']) {
			expect(readVolume(cell, '.')).toBeUndefined();
		}
	});
});

describe('readChange', () => {
	it.each([
		['+900%', 900],
		['-12 %', -12],
		['−12%', -12],
		['(12%)', -12],
		['0%', 0],
		['∞', Infinity],
		['–', null],
		['', null],
		['up', undefined]
	])('reads %j as %s', (cell, value) => {
		expect(readChange(cell, '.')).toBe(value);
	});
});

describe('readAmount and readCount', () => {
	it('read money with its currency on either side', () => {
		expect(readAmount('£1.20', '.')).toEqual({ value: 1.2, currency: '£' });
		expect(readAmount('1,20 €', ',')).toEqual({ value: 1.2, currency: '€' });
		expect(readAmount('US$ 0.45', '.')).toEqual({ value: 0.45, currency: 'US$' });
		expect(readAmount('cheap', '.')).toBeUndefined();
	});

	it('counts whole things, also with what a counter writes around them', () => {
		expect(readCount('about 1,240', '.')).toBe(1240);
		expect(readCount('–', '.')).toBeNull();
		expect(readCount('many', '.')).toBeUndefined();
	});
});
