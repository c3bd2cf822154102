import { describe, expect, it } from 'vitest';
import { RowKeys } from './row-keys';

interface Entry {
	readonly refs: readonly string[];
}
const entry = (...refs: string[]): Entry => ({ refs });
const keysOf = (rows: RowKeys<Entry>, entries: readonly Entry[]) => {
	const keys = rows.of(entries);
	return entries.map((one) => keys.get(one)!);
};

describe('RowKeys', () => {
	it('keeps the key of an entry that is worked out anew', () => {
		const rows = new RowKeys<Entry>(({ refs }) => refs);
		const [a, b] = keysOf(rows, [entry('a1', 'a2'), entry('b1')]);
		expect(keysOf(rows, [entry('b1'), entry('a1', 'a2', 'a3')])).toEqual([b, a]);
	});

	it('leaves the key with the larger part of a split, wherever it stands', () => {
		const rows = new RowKeys<Entry>(({ refs }) => refs);
		const [whole] = keysOf(rows, [entry('1', '2', '3')]);
		const [gone, rest] = keysOf(rows, [entry('3'), entry('1', '2')]);
		expect(rest).toBe(whole);
		expect(gone).not.toBe(whole);
	});

	it('gives equal entries keys of their own, and keeps both', () => {
		const rows = new RowKeys<Entry>(({ refs }) => refs);
		const first = keysOf(rows, [entry('x', 'x'), entry('x'), entry()]);
		expect(new Set(first).size).toBe(3);
		expect(new Set(keysOf(rows, [entry('x'), entry('x')])).size).toBe(2);
	});
});
