import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import NewAssignment from './NewAssignment.svelte';

const user = userEvent.setup();
const MAKE = { name: 'Make the assignment' };

function shown() {
	const onsubmit = vi.fn();
	render(NewAssignment, { submit: MAKE.name, onsubmit, clients: ['Fellgate Tools'] });
	return onsubmit;
}

describe('NewAssignment', () => {
	it('asks for the keyword alone; the rest has its meaning when it is left out', async () => {
		const onsubmit = shown();
		await user.type(screen.getByLabelText(/^Exact keyword/), '  how to build a wall ');
		await user.click(screen.getByRole('button', MAKE));
		expect(onsubmit).toHaveBeenCalledWith({
			keyword: 'how to build a wall',
			title: 'How to build a wall',
			client: '',
			targetWords: null
		});
	});

	it('takes lengths as people write them', async () => {
		const onsubmit = shown();
		await user.type(screen.getByLabelText(/^Exact keyword/), 'walls');
		await user.type(screen.getByLabelText(/^Length in words/), '1,800');
		await user.type(screen.getByLabelText(/^Client/), 'Fellgate Tools');
		await user.type(screen.getByLabelText(/^Working title/), 'Walls for spring{Enter}');
		expect(onsubmit).toHaveBeenCalledWith({
			keyword: 'walls',
			title: 'Walls for spring',
			client: 'Fellgate Tools',
			targetWords: 1800
		});
	});

	it('says beside each field what is wrong with it, and makes nothing', async () => {
		const onsubmit = shown();
		await user.type(screen.getByLabelText(/^Length in words/), 'some');
		await user.click(screen.getByRole('button', MAKE));
		expect(screen.getByText('Give the exact keyword, as people type it.')).toBeTruthy();
		expect(screen.getByText(/^Give a number of words from 100/)).toBeTruthy();
		expect(screen.getByLabelText(/^Exact keyword/).getAttribute('aria-invalid')).toBe('true');
		for (const words of ['20', '60000']) {
			const field = screen.getByLabelText(/^Length in words/);
			await user.clear(field);
			await user.type(field, words);
			await user.click(screen.getByRole('button', MAKE));
			expect(screen.getByText(/^Give a number of words from 100/)).toBeTruthy();
		}
		expect(onsubmit).not.toHaveBeenCalled();
	});
});
