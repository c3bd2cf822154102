import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fillGreedily, solvePlacement, valueOf, type PlacementProblem } from './solve';

/** The best value by trying every number of uses everywhere. */
function bestByTrying(problem: PlacementProblem): number {
	const { needs, room, mostHere, mostOfOne, spread, gains } = problem;
	const uses = gains.map((row) => row.map(() => 0));
	const search = (t: number, s: number, left: number, free: number[]): number => {
		if (t === gains.length) return valueOf(problem, uses);
		if (s === room.length) return search(t + 1, 0, t + 1 < needs.length ? needs[t + 1]! : 0, free);
		let best = Number.NEGATIVE_INFINITY;
		const most = gains[t]![s]! > 0 ? Math.min(left, free[s]!, mostHere[t]!, mostOfOne[s]!) : 0;
		for (let n = 0; n <= most; n++) {
			uses[t]![s] = n;
			if (uses[t]!.filter((count) => count > 0).length <= spread[t]!)
				best = Math.max(best, search(t, s + 1, left - n, free.with(s, free[s]! - n)));
		}
		uses[t]![s] = 0;
		return best;
	};
	return search(0, 0, needs[0]!, [...room]);
}

const SECTIONS = 3;
const small: fc.Arbitrary<PlacementProblem> = fc.integer({ min: 1, max: 3 }).chain((terms) => {
	const each = <V>(value: fc.Arbitrary<V>, length: number) =>
		fc.array(value, { minLength: length, maxLength: length });
	return fc.record({
		gains: each(each(fc.integer({ min: 0, max: 20 }), SECTIONS), terms),
		needs: each(fc.integer({ min: 0, max: 4 }), terms),
		room: each(fc.integer({ min: 0, max: 3 }), SECTIONS),
		firstUse: each(fc.integer({ min: 0, max: 10 }), terms),
		mostHere: each(fc.integer({ min: 1, max: 2 }), terms),
		mostOfOne: each(fc.integer({ min: 1, max: 2 }), SECTIONS),
		spread: each(fc.integer({ min: 0, max: 2 }), terms),
		repeat: fc.constantFrom(0.9, 1, 0.5)
	});
});

const nothing = ({ gains }: PlacementProblem) => gains.map((row) => row.map(() => 0));

describe('solvePlacement', () => {
	it('finds what trying everything finds, and says that it is the best', () => {
		fc.assert(
			fc.property(small, (problem) => {
				const { value, bound, isOptimal, uses } = solvePlacement(problem);
				expect(isOptimal).toBe(true);
				expect(value).toBeCloseTo(bestByTrying(problem), 6);
				expect(bound).toBeCloseTo(value, 6);
				expect(valueOf(problem, uses)).toBeCloseTo(value, 9);
			}),
			{ numRuns: 150 }
		);
	});

	it('keeps every limit, is never worth less than greed, and never more than its bound', () => {
		const large = fc.record({ terms: fc.integer({ min: 5, max: 30 }), seed: fc.nat() });
		fc.assert(
			fc.property(large, ({ terms, seed }) => {
				let state = seed + 1;
				const random = (below: number) => (state = (state * 48_271) % 2_147_483_647) % below;
				const problem: PlacementProblem = {
					gains: Array.from({ length: terms }, () =>
						Array.from({ length: 8 }, () => (random(3) === 0 ? 0 : random(100) / 50))
					),
					needs: Array.from({ length: terms }, () => random(6)),
					room: Array.from({ length: 8 }, () => random(9)),
					firstUse: Array.from({ length: terms }, () => random(3) / 2),
					mostHere: Array.from({ length: terms }, () => 1 + random(3)),
					mostOfOne: Array.from({ length: 8 }, () => 1 + random(3)),
					spread: Array.from({ length: terms }, () => 1 + random(3)),
					repeat: 0.9
				};
				const { uses, value, bound } = solvePlacement(problem);
				uses.forEach((row, t) => {
					expect(row.reduce((sum, n) => sum + n, 0)).toBeLessThanOrEqual(problem.needs[t]!);
					expect(row.filter((n) => n > 0).length).toBeLessThanOrEqual(problem.spread[t]!);
					row.forEach((n, s) => {
						expect(n).toBeLessThanOrEqual(Math.min(problem.mostHere[t]!, problem.mostOfOne[s]!));
						if (problem.gains[t]![s] === 0) expect(n).toBe(0);
					});
				});
				problem.room.forEach((most, s) =>
					expect(uses.reduce((sum, row) => sum + row[s]!, 0)).toBeLessThanOrEqual(most)
				);
				expect(value).toBeGreaterThanOrEqual(fillGreedily(problem, nothing(problem)).value - 1e-9);
				expect(value).toBeLessThanOrEqual(bound + 1e-9);
			}),
			{ numRuns: 40 }
		);
	});

	it('would rather have two terms placed once than one placed twice', () => {
		const { uses } = solvePlacement({
			gains: [[1], [0.6]],
			needs: [2, 2],
			room: [2],
			firstUse: [0.5, 0.5],
			mostHere: [2, 2],
			mostOfOne: [2],
			spread: [1, 1],
			repeat: 1
		});
		expect(uses).toEqual([[1], [1]]);
	});
});
