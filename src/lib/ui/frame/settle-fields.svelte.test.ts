import { afterEach, expect, it, vi } from 'vitest';
import { settleFieldsOnLeave } from './settle-fields';

afterEach(() => document.body.replaceChildren());

it('has the field in hand take what is typed when the page is left, and no other', () => {
	const fields = ['one', 'two'].map((value) => {
		const field = document.body.appendChild(document.createElement('input'));
		field.value = value;
		return field;
	});
	const taken: string[] = [];
	for (const field of fields) field.addEventListener('change', () => taken.push(field.value));
	const end = settleFieldsOnLeave();
	window.dispatchEvent(new Event('pagehide'));
	expect(taken).toEqual([]);
	fields[1]!.focus();
	window.dispatchEvent(new Event('pagehide'));
	expect(taken).toEqual(['two']);
	// only what is hidden is settled
	const visible = vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('visible');
	document.dispatchEvent(new Event('visibilitychange'));
	visible.mockReturnValue('hidden');
	document.dispatchEvent(new Event('visibilitychange'));
	expect(taken).toEqual(['two', 'two']);
	end();
	window.dispatchEvent(new Event('pagehide'));
	expect(taken).toHaveLength(2);
	visible.mockRestore();
});
