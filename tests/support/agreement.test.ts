import { describe, expect, it } from 'vitest';
import { bCubed, pairwise } from './agreement';

const items = ['a', 'b', 'c', 'd'];
const by = (groups: Readonly<Record<string, string>>) => (item: string) => groups[item]!;
const gold = by({ a: '1', b: '1', c: '2', d: '2' });

describe('agreement of groupings', () => {
	it('is whole for the same groups under other names', () => {
		const same = by({ a: 'x', b: 'x', c: 'y', d: 'y' });
		expect(bCubed(items, same, gold).f1).toBe(1);
		expect(pairwise(items, same, gold).f1).toBe(1);
	});

	it('loses precision for one heap and recall for items on their own', () => {
		const heap = by({ a: '1', b: '1', c: '1', d: '1' });
		expect(bCubed(items, heap, gold)).toMatchObject({ precision: 0.5, recall: 1 });
		expect(bCubed(items, (item) => item, gold)).toMatchObject({ precision: 1, recall: 0.5 });
		expect(pairwise(items, (item) => item, gold).f1).toBe(0);
	});
});
