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

	it('folds away what the slip in hand would cover, and keeps the others beside their headings', () => {
		expect(placeSlips([0, 90, 180, 400], [300, 30, 30, 30], 0)).toEqual([0, null, null, 400]);
	});

	it('never lets slips overlap, and never sets one above its heading', () => {
		const section = fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 20, max: 300 }));
		fc.assert(
			fc.property(
				fc.array(section, { maxLength: 40 }),
				fc.integer({ min: -1, max: 39 }),
				(given, inHand) => {
					let at = 0;
					const wanted = given.map(([step]) => (at += step));
					const heights = given.map(([, height]) => height);
					const tops = placeSlips(wanted, heights, inHand);
					let free = Number.NEGATIVE_INFINITY;
					tops.forEach((top, i) => {
						if (top === null) return;
						expect(top).toBeGreaterThanOrEqual(wanted[i]!);
						expect(top).toBeGreaterThanOrEqual(free);
						free = top + heights[i]!;
					});
					if (inHand >= 0 && inHand < tops.length) expect(tops[inHand]).not.toBeNull();
				}
			)
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
