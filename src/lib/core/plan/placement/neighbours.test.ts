import { describe, expect, it } from 'vitest';
import { jobAnalysis } from '../../../../../tests/support/job-analysis';
import { placeRest, proposePlan } from '../propose';
import { neighboursOf, withNeighbours } from './neighbours';

describe('neighbours', () => {
	const near = neighboursOf(
		['a1', 'a2', 'b1', 'a3'],
		(one, other) => one[0] === other[0],
		() => 2
	);

	it('are what belongs together within reach', () => {
		expect(near).toEqual([[1], [0, 3], [], [1]]);
	});

	it('add the mean of their values; who has none keeps its own', () => {
		expect(withNeighbours([1, 2, 5, 4], near)).toEqual([3, 4.5, 5, 6]);
	});
});

describe('notes put somewhere by hand', () => {
	// sections that are full: room that is taken twice would leave half of the notes out
	it.each(['moss-lawn', 'running-shoes-wear'])('take room in their section once: %s', (job) => {
		const { findings } = jobAnalysis(job);
		const plan = proposePlan(findings);
		const fullest = plan.sections.toSorted((a, b) => b.notes.length - a.notes.length)[0]!;
		expect(fullest.notes.length).toBeGreaterThan(4);
		const half = plan.sections.map((section) =>
			section === fullest
				? {
						...section,
						notes: section.notes.map((placed, i) => ({ ...placed, locked: i % 2 === 0 }))
					}
				: section
		);
		const again = placeRest({ ...plan, sections: half }, findings);
		const ids = (notes: typeof fullest.notes) => notes.map(({ note }) => note).sort();
		const after = again.sections.find(({ id }) => id === fullest.id)!;
		expect(ids(after.notes)).toEqual(ids(fullest.notes));
	});
});
