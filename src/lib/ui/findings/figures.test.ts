import { describe, expect, it } from 'vitest';
import { valueShown } from './figures';

const shown = (low: number, high: number, unit: string, per = '', isCount = false) =>
	valueShown({ low, high }, { unit, per, isCount });

describe('valueShown', () => {
	it.each([
		[shown(15, 30, 'cm'), '15–30 cm'],
		[shown(40, 40, '£', 'm'), '£40 a metre'],
		[shown(12, 12, '£', 'piece'), '£12 each'],
		[shown(1 / 6, 1 / 6, ''), '1 in 6'],
		[shown(2, 3, 'hen', '', true), '2–3 hens'],
		[shown(20, 20, '°C'), '20 °C']
	])('says %s', (said, expected) => expect(said).toBe(expected));

	it('says times in the unit in which people say them', () => {
		expect(shown(0.167, 1, 'hour')).toBe('10–60 minutes');
		expect(shown(30, 60.875, 'day')).toBe('1–2 months');
		expect(shown(3, 14, 'day')).toBe('3–14 days');
		expect(shown(1.5, 2, 'hour')).toBe('1.5–2 hours');
		expect(shown(60, 60, 'day')).toBe('60 days');
	});

	it('gives one value where both ends are said alike', () => {
		expect(shown(1, 1.001, 'cup')).toBe('1 cup');
		expect(shown(0.1241, 0.1243, 'kg')).toBe('0.12 kg');
	});
});
