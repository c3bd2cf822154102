import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeSlips, rowsThatFit } from './slip-layout';

describe('placeSlips', () => {
	it('sets a slip beside its heading when there is room', () => {
		expect(placeSlips([0, 200, 500], [60, 60, 60])).toEqual([0, 200, 500]);
	});

	it('pushes a slip below the one before it', () => {
		expect(placeSlips([0, 40], [60, 30])).toEqual([0, 70]);
	});

	it('never lets slips overlap, and never sets one above its heading', () => {
		const sections = fc.array(
			fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 20, max: 300 })),
			{ maxLength: 40 }
		);
		fc.assert(
			fc.property(sections, (given) => {
				let at = 0;
				const wanted = given.map(([step]) => (at += step));
				const heights = given.map(([, height]) => height);
				const tops = placeSlips(wanted, heights);
				tops.forEach((top, i) => {
					expect(top).toBeGreaterThanOrEqual(wanted[i]!);
					if (i > 0) expect(top).toBeGreaterThanOrEqual(tops[i - 1]! + heights[i - 1]!);
				});
			})
		);
	});
});

describe('rowsThatFit', () => {
	it('counts whole rows between the head and the next section', () => {
		expect(rowsThatFit(0, 30 + 10 + 2 * 21)).toBe(2);
		expect(rowsThatFit(0, 20)).toBe(0);
		expect(rowsThatFit(0, null)).toBe(Infinity);
	});
});
