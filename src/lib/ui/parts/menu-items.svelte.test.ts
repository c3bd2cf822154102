import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import MenuItems from './MenuItems.svelte';

it('runs a choice when what held it has closed, so that the keys stay where the choice puts them', async () => {
	let isOpen = $state(true);
	const log: string[] = [];
	const stop = $effect.root(() => {
		$effect(() => {
			log.push(isOpen ? 'open' : 'closed');
		});
	});
	render(MenuItems, {
		items: [
			['Table', () => log.push('table')],
			['Quote', () => log.push('quote')]
		],
		onclose: () => (isOpen = false)
	});
	expect(screen.getAllByRole('button').map(({ textContent }) => textContent)).toEqual([
		'Table',
		'Quote'
	]);
	await userEvent.setup().click(screen.getByRole('button', { name: 'Table' }));
	expect(log).toEqual(['open', 'closed', 'table']);
	stop();
});
