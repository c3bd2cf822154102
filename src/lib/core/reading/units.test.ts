import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inSystem, toBase } from './units';

describe('a measure in the other system', () => {
	it.each([
		[30, 45, 'cm', 'imperial', '12–18 inch'],
		[1.2, 1.2, 'm', 'imperial', '3.9–3.9 foot'],
		[5, 5, 'mile', 'metric', '8–8 km'],
		[4, 6, 'inch', 'metric', '10–15 cm'],
		[0.25, 0.25, 'inch', 'metric', '6.3–6.3 mm'],
		[2, 2, 'acre', 'metric', '8100–8100 m²'],
		[100, 100, 'square foot', 'metric', '9.3–9.3 m²'],
		[3, 3, 'm³', 'imperial', '3.9–3.9 cubic yard'],
		[2, 2, 'cubic yard', 'metric', '1.5–1.5 m³'],
		[10, 10, 'litre', 'imperial', '2.2–2.2 gallon'],
		[350, 350, '°F', 'metric', '177–177 °C'],
		[-5, 10, '°C', 'imperial', '23–50 °F'],
		[8, 8, 'ounce', 'metric', '230–230 g'],
		[2000, 2000, 'kg', 'imperial', '4400–4400 pound'],
		[30, 30, 'mph', 'metric', '48–48 km/h']
	] as const)('%s–%s %s is told in %s as %s', (low, high, unit, system, said) => {
		const found = inSystem({ low, high }, unit, system)!;
		expect(`${found.low}–${found.high} ${found.unit}`).toBe(said);
	});

	it.each([
		['cm', 'metric'],
		['foot', 'imperial'],
		['cup', 'metric'],
		['£', 'imperial'],
		['%', 'metric'],
		['week', 'imperial'],
		['kcal', 'metric'],
		['', 'metric']
	] as const)('has nothing to say of %s in %s', (unit, system) =>
		expect(inSystem({ low: 3, high: 4 }, unit, system)).toBeNull()
	);

	it('is the same amount to two digits, and keeps which end is larger', () => {
		fc.assert(
			fc.property(
				fc.constantFrom('mm', 'cm', 'm', 'km', 'inch', 'foot', 'yard', 'mile', 'kg', 'ounce', 'ml'),
				fc.constantFrom('metric' as const, 'imperial' as const),
				fc.double({ min: 0.01, max: 9_999, noNaN: true }),
				fc.double({ min: 1, max: 8, noNaN: true }),
				(unit, system, low, times) => {
					const found = inSystem({ low, high: low * times }, unit, system);
					if (!found) return;
					expect(found.low).toBeLessThanOrEqual(found.high);
					for (const [given, said] of [
						[low, found.low],
						[low * times, found.high]
					] as const) {
						const exact = toBase(given, unit).value;
						expect(Math.abs(toBase(said, found.unit).value - exact) / exact).toBeLessThan(0.051);
					}
				}
			)
		);
	});
});
