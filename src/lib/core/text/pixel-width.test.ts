import { describe, expect, it } from 'vitest';
import { fitsResult, pixelWidthOf } from './pixel-width';

describe('pixelWidthOf', () => {
	it('adds up the published widths', () => {
		// W 944, i 222, space 278 thousandths of an em
		expect(pixelWidthOf('W i', 20)).toBeCloseTo((944 + 278 + 222) * 0.02);
		expect(pixelWidthOf('', 20)).toBe(0);
	});

	it('takes an accented letter written in two signs as one', () => {
		expect(pixelWidthOf('e\u0301', 14)).toBe(pixelWidthOf('é', 14));
	});

	it('knows what fits a results page', () => {
		expect(fitsResult('m'.repeat(34), 'title')).toBe(true);
		expect(fitsResult('m'.repeat(35), 'title')).toBe(false);
		expect(fitsResult('i'.repeat(120), 'title')).toBe(true);
		expect(fitsResult('x'.repeat(200), 'description')).toBe(false);
	});
});
