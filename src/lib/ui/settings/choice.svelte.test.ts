import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { StoredChoice } from '../frame/stored-choice';
import { typeSetting } from '../frame/type-size.svelte';
import Choice from './Choice.svelte';

const SIZES = ['small', 'large'] as const;

describe('StoredChoice', () => {
	beforeEach(() => localStorage.clear());

	it('keeps what was chosen, and takes nothing that cannot be', () => {
		const choice = new StoredChoice('size', SIZES);
		expect(choice.read()).toBe('small');
		choice.keep('large');
		expect(new StoredChoice('size', SIZES).read()).toBe('large');
		localStorage.setItem('size', 'huge');
		expect(choice.read()).toBe('small');
	});

	it('does without storage where a private window forbids it', () => {
		const forbid = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
			throw new Error('forbidden');
		});
		expect(() => new StoredChoice('size', SIZES).keep('large')).not.toThrow();
		forbid.mockRestore();
	});
});

describe('settings', () => {
	it('offer each value by name and take the one that is chosen', async () => {
		render(Choice, {
			label: 'Size',
			values: SIZES,
			names: { small: 'As usual', large: 'Larger' },
			chosen: 'small'
		});
		expect(screen.getByRole('group', { name: 'Size' })).toBeTruthy();
		const large = screen.getByRole<HTMLInputElement>('radio', { name: 'Larger' });
		expect(large.checked).toBe(false);
		await userEvent.click(large);
		expect(large.checked).toBe(true);
		expect(screen.getByRole<HTMLInputElement>('radio', { name: 'As usual' }).checked).toBe(false);
	});

	it('set the type of manuscripts at once', () => {
		const scale = () => document.documentElement.style.getPropertyValue('--type-scale');
		typeSetting.size = 'largest';
		expect(scale()).toBe('1.32');
		typeSetting.size = 'usual';
		expect(scale()).toBe('1');
	});
});
