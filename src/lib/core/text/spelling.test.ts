import { describe, expect, it } from 'vitest';
import { findTerms, indexTerms, patternOf, termKeyOf } from './term-index';
import { oneSpelling } from './spelling';

describe('oneSpelling', () => {
	it.each([
		['colour', 'color'],
		['neighbours', 'neighbors'],
		['organisation', 'organization'],
		['insulating', 'insulating'],
		['centimetres', 'centimeters'],
		['centred', 'centered'],
		['travelled', 'traveled'],
		['catalogue', 'catalog'],
		['analyse', 'analyze'],
		['moulding', 'molding']
	])('makes “%s” “%s”', (british, american) => {
		expect(oneSpelling(british)).toBe(american);
		expect(oneSpelling(american)).toBe(american);
	});

	it.each(
		'four hour flour tour pour promise exercise noise otherwise surprise bruise tortoise raise acre more fire store apprentice harvester'.split(
			' '
		)
	)('leaves “%s” as it is', (word) => {
		expect(oneSpelling(word)).toBe(word);
	});

	it('lets both spellings count for one term', () => {
		expect(termKeyOf('garden colours')).toBe(termKeyOf('garden color'));
		const index = indexTerms([patternOf('fertiliser')]);
		expect(findTerms(index, 'Fertilizer or fertilisers?')).toHaveLength(2);
	});
});
