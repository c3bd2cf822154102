import Dexie from 'dexie';
import { describe, expect, it } from 'vitest';
import { isStorageFull } from './trouble';

describe('isStorageFull', () => {
	const full = new DOMException('no room', 'QuotaExceededError');

	it('knows a full browser, also behind what the database wraps around it', () => {
		expect(isStorageFull(full)).toBe(true);
		expect(isStorageFull(new Dexie.AbortError('aborted', full))).toBe(true);
		expect(
			isStorageFull({ name: 'ModifyError', failures: [{ name: 'AbortError', inner: full }] })
		).toBe(true);
	});

	it('takes no other trouble for it', () => {
		for (const other of [new Error('x'), new Dexie.AbortError('aborted'), null, 'full', undefined])
			expect(isStorageFull(other)).toBe(false);
	});
});
