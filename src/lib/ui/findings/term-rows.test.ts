import { beforeAll, describe, expect, it } from 'vitest';
import type { FactGroup, Findings } from '$lib/core/findings';
import { demoFindings } from '../../../../tests/support/demo';
import { rangeShown, valueShown } from './figures';
import { NO_FILTER, termRowsOf, termsAsCsv, termsAsText } from './term-rows';

let findings: Findings;
beforeAll(() => {
	({ findings } = demoFindings());
}, 60_000);

describe('termRowsOf', () => {
	it('shows the terms in order of strength, and behind them what only notes have', () => {
		const rows = termRowsOf(findings, NO_FILTER, 'rank');
		expect(rows[0]!.term.phrase).toBe(findings.keyword);
		expect(rows.map(({ state }) => state).lastIndexOf('term')).toBe(findings.terms.length - 1);
		const sorted = termRowsOf(findings, NO_FILTER, 'phrase');
		expect(sorted.map(({ state }) => state).indexOf('note')).toBe(findings.terms.length);
	});

	it('narrows by place, length, kind and weight at once', () => {
		const rows = termRowsOf(
			findings,
			{ ...NO_FILTER, place: 'heading', words: '2', weight: 'must', kind: 'thing' },
			'pages'
		);
		expect(rows.length).toBeGreaterThan(2);
		for (const { term } of rows) {
			expect(term.key.split(' ')).toHaveLength(2);
			expect(term.weight).toBe('must');
			expect(term.places.h1 + term.places.h2 + term.places.h3).toBeGreaterThan(0);
		}
		const pages = rows.map(({ term }) => term.uses.length);
		expect(pages).toEqual([...pages].sort((a, b) => b - a));
	});
});

describe('ways out', () => {
	it('copies with commas, as lines and as Markdown', () => {
		const rows = termRowsOf(findings, { ...NO_FILTER, search: 'hearting' }, 'rank').slice(0, 1);
		expect(termsAsText(rows, 'commas')).toBe('hearting');
		expect(termsAsText(rows, 'markdown').split('\n')[2]).toMatch(
			/^\| hearting \| must \| \d+–\d+ \| 9 \|$/
		);
	});

	it('exports every page’s uses under its letter', () => {
		const letters = new Map(findings.pages.map(({ id }, i) => [id, String.fromCharCode(65 + i)]));
		const rows = termRowsOf(findings, { ...NO_FILTER, search: 'hearting' }, 'rank').slice(0, 1);
		const [head, line] = termsAsCsv(findings, rows, letters).trim().split(/\r?\n/);
		expect(head).toMatch(/^term,variants,kind,weight,min,max,pages,/);
		const uses = line!.split(',').slice(-findings.pages.length).map(Number);
		expect(uses).toEqual(
			findings.pages.map(({ id }) => rows[0]!.term.uses.find(({ page }) => page === id)?.count ?? 0)
		);
	});
});

describe('figures in words', () => {
	const group = (values: Partial<FactGroup>) =>
		({ unit: 'cm', per: '', isCount: false, low: 1, high: 1, ...values }) as FactGroup;

	it.each([
		[group({ low: 15, high: 30 }), '15–30 cm'],
		[group({ low: 40, high: 40, unit: '£', per: 'm' }), '£40 a metre'],
		[group({ low: 1 / 6, high: 1 / 6, unit: '' }), '1 in 6'],
		[group({ low: 3, high: 4, unit: 'box', isCount: true }), '3–4 boxes'],
		[group({ low: 2, high: 2, unit: 'time', isCount: true, per: 'year' }), '2 times a year'],
		[group({ low: 60, high: 150, unit: 'year' }), '60–150 years'],
		[group({ low: 3, high: 5, unit: 'day' }), '3–5 days'],
		[group({ low: 0.5, high: 0.5, unit: 'mile' }), '0.5 mile'],
		[group({ low: 4, high: 4, unit: 'foot' }), '4 feet'],
		[group({ low: 100 / 3, high: 50, unit: '%' }), '33.3–50%']
	])('are shown as a writer would write them', (given, shown) => {
		expect(rangeShown(given)).toBe(shown);
		expect(valueShown(given, given)).toBe(shown);
	});
});
