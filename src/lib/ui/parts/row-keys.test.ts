import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withRowKeys } from './row-keys';

describe('withRowKeys', () => {
	it('keeps entries in order, each under a key of its own', () => {
		fc.assert(
			fc.property(fc.array(fc.constantFrom('a', 'a (2)', 'a (3)', 'b', '')), (names) => {
				const rows = withRowKeys(names, (name) => name);
				expect(rows.map(({ item }) => item)).toEqual(names);
				expect(new Set(rows.map(({ rowKey }) => rowKey)).size).toBe(names.length);
			})
		);
	});

	it('leaves keys that are unique as they are, so that rows stay when a list grows', () => {
		expect(withRowKeys(['x', 'y'], (name) => name).map(({ rowKey }) => rowKey)).toEqual(['x', 'y']);
	});
});
