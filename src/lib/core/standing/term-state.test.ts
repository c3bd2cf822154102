import { describe, expect, it } from 'vitest';
import { deedFor, termStateOf } from './term-state';

describe('term states', () => {
	it.each([
		[0, 'absent', 'wants 2'],
		[1, 'thin', '1 more'],
		[3, 'placed', ''],
		[6, 'crowded', '2 too many']
	])('%i uses of 2 to 4 are %s', (uses, state, deed) => {
		expect(termStateOf(uses, 2, 4)).toBe(state);
		expect(deedFor(uses, 2, 4)).toBe(deed);
	});
});
