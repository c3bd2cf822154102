import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { heading, list, paragraph, textNode, type BlockNode } from '$lib/core/manuscript';
import LinesOffer from './LinesOffer.svelte';

const user = userEvent.setup();
const listOf = (...lines: string[]) =>
	list(
		false,
		lines.map((line) => [textNode(line)])
	);
const NOW = {
	'title tag': 'Dry stone walls',
	description: '',
	headline: '',
	'line under the headline': ''
};

function shown(blocks: readonly BlockNode[]) {
	const [ontake, onclose] = [vi.fn(), vi.fn()];
	render(LinesOffer, { blocks, by: 'Stand-in', when: 'today', now: NOW, ontake, onclose });
	return { ontake, onclose };
}

describe('LinesOffer', () => {
	it('takes each line where its heading says, without quotation marks and once', async () => {
		const { ontake, onclose } = shown([
			listOf('“A wall without mortar”', 'A wall without mortar', 'Dry stone walls'),
			heading(3, 'Descriptions:'),
			listOf('How a wall is built.'),
			heading(3, 'Headlines'),
			listOf('Stone on stone'),
			heading(3, 'Lines under the headline'),
			listOf('What lasts a hundred years')
		]);
		const titles = within(screen.getByRole('list', { name: 'Titles' }));
		expect(titles.getAllByRole('listitem')).toHaveLength(2);
		expect(titles.getByText('is the title tag')).toBeTruthy();
		for (const name of [
			'Make it the title tag: A wall without mortar',
			'Make it the description: How a wall is built.',
			'Make it the headline: Stone on stone',
			'Make it the line under the headline: What lasts a hundred years'
		])
			await user.click(screen.getByRole('button', { name }));
		expect(ontake.mock.calls).toEqual([
			['title tag', 'A wall without mortar'],
			['description', 'How a wall is built.'],
			['headline', 'Stone on stone'],
			['line under the headline', 'What lasts a hundred years']
		]);
		await user.click(screen.getByRole('button', { name: 'Close' }));
		expect(onclose).toHaveBeenCalledTimes(1);
	});

	it('says which line results would cut, and when a reply holds none', () => {
		shown([listOf('Wide walls of stone without any mortar, built by hand in a weekend or in two')]);
		expect(screen.getByText(/^\d+ px, cut$/)).toBeTruthy();
		shown([paragraph(textNode('I cannot do that.'))]);
		expect(screen.getByText(/holds no list of lines/)).toBeTruthy();
	});
});
