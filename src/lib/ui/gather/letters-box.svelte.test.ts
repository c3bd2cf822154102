import 'fake-indexeddb/auto';
import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { db } from '$lib/data/db';
import LettersBox from './LettersBox.svelte';

const user = userEvent.setup();
/** "Стену сухой кладки" in KOI8-R, as Windows-1252 shows it. */
const WRONG = 'óÔÅÎÕ ÓÕÈÏÊ ËÌÁÄËÉ';
const source = (text: string) => `<html><body><p>${text}</p></body></html>`;

async function shown(text: string, onread = vi.fn<(source: string) => Promise<string | null>>()) {
	await db.pageSources.put({ id: 'p', assignment: 'a', source: source(text) });
	render(LettersBox, { page: 'p', text, onread });
	return onread;
}

beforeEach(() => db.pageSources.clear());

describe('LettersBox', () => {
	it('says that letters look wrong, shows the likeliest reading first, and has it read so', async () => {
		const onread = await shown(`${WRONG} `.repeat(4));
		expect(screen.getByRole('status').textContent).toBe('The letters of this page look wrong.');
		await user.click(screen.getByRole('button', { name: 'Read it otherwise' }));
		const ways = within(await screen.findByRole('list', { name: 'How the page would read' }));
		const first = ways.getAllByRole('button')[0]!;
		expect(first.textContent).toContain('Cyrillic (KOI8)');
		expect(first.textContent).toContain('Стену сухой кладки');
		onread.mockResolvedValue(null);
		await user.click(first);
		expect(onread).toHaveBeenCalledWith(source('Стену сухой кладки '.repeat(4)));
	});

	it('offers nothing where letters are lost for good, and says what to do', async () => {
		await shown('La derni\ufffdre pierre, la derni\ufffdre assise, la premi\ufffdre.');
		expect(screen.getByRole('status').textContent).toContain('Save it anew, as UTF-8');
		expect(screen.queryByRole('button')).toBeNull();
	});

	it('can be asked where letters look right, and says what kept a reading from being taken', async () => {
		const onread = await shown('Le mur en pierre sèche se bâtit sans mortier.');
		expect(screen.queryByRole('status')).toBeNull();
		await user.click(screen.getByRole('button', { name: 'Letters wrong?' }));
		onread.mockResolvedValue('no text of an article was found in it');
		const ways = within(await screen.findByRole('list', { name: 'How the page would read' }));
		await user.click(ways.getAllByRole('button')[0]!);
		expect((await screen.findByRole('alert')).textContent).toBe(
			'It could not be read so: no text of an article was found in it.'
		);
	});

	it('says so where there is no other way', async () => {
		await shown('Plain words alone.');
		await user.click(screen.getByRole('button', { name: 'Letters wrong?' }));
		expect(await screen.findByText('Its letters can be read in no other way.')).toBeTruthy();
	});
});
