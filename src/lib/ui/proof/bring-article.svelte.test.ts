import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { docText, type TakeDoc } from '$lib/core/manuscript';
import * as pages from '$lib/services/pages';
import BringArticle from './BringArticle.svelte';
import { answering } from '../../../../tests/support/analyst';

const outside = {
	fetchPage: vi.spyOn(pages, 'fetchPage'),
	clean: vi.fn(),
	readFile: vi.fn()
};
answering({ clean: outside.clean, readFile: outside.readFile });

const ARTICLE = {
	title: 'Walls',
	blocks: [
		{ block: { kind: 'paragraph', text: 'A wall stands.', links: [] }, dropped: null, path: '' }
	]
};

function draw() {
	const onbring = vi.fn<(doc: TakeDoc) => void>();
	render(BringArticle, { keyword: 'dry stone wall', onbring });
	return onbring;
}

describe('BringArticle', () => {
	beforeEach(() => Object.values(outside).forEach((call) => call.mockReset()));

	it('takes what is pasted, with its headings', async () => {
		const onbring = draw();
		const read = screen.getByRole<HTMLButtonElement>('button', { name: 'Read it' });
		expect(read.disabled).toBe(true);
		await userEvent.type(
			screen.getByLabelText('An article that exists'),
			'# Walls{Enter}{Enter}They stand.'
		);
		await userEvent.click(read);
		expect(onbring.mock.calls[0]![0].content.map(docText)).toEqual(['Walls', 'They stand.']);
	});

	it('fetches an address, whole or not, and says what is none without asking anybody', async () => {
		const onbring = draw();
		const address = screen.getByLabelText('or its address');
		await userEvent.type(address, 'no address{Enter}');
		expect(screen.getByRole('alert').textContent).toContain('“no address” is no address');
		expect(outside.fetchPage).not.toHaveBeenCalled();
		outside.fetchPage.mockResolvedValue({
			kind: 'fetched',
			address: 'https://walls.example/how',
			html: '<p>A wall stands.</p>',
			isSample: true
		});
		outside.clean.mockResolvedValue({ kind: 'failed', reason: 'there is no article in it' });
		await userEvent.clear(address);
		await userEvent.type(address, 'walls.example/how{Enter}');
		await waitFor(() =>
			expect(screen.getByRole('alert').textContent).toBe(
				'“https://walls.example/how” was not read: there is no article in it.'
			)
		);
		expect(outside.fetchPage.mock.calls[0]![0]).toBe('https://walls.example/how');
		outside.clean.mockResolvedValue({ kind: 'cleaned', article: ARTICLE });
		await userEvent.click(screen.getByRole('button', { name: 'Fetch it' }));
		await waitFor(() => expect(onbring).toHaveBeenCalledOnce());
	});

	it('says why a page was refused, and what to do', async () => {
		draw();
		outside.fetchPage.mockResolvedValue({
			kind: 'refused',
			reason: 'the site wants a login',
			canRetry: false
		});
		await userEvent.type(screen.getByLabelText('or its address'), 'walls.example{Enter}');
		await waitFor(() =>
			expect(screen.getByRole('alert').textContent).toContain(
				'the site wants a login. Save the page from your browser and choose the file.'
			)
		);
	});

	it('names a file that holds no article', async () => {
		draw();
		outside.readFile.mockResolvedValue([{ kind: 'failed', name: 'x', reason: 'it is empty' }]);
		await userEvent.upload(
			screen.getByLabelText('File of the article'),
			new File([''], 'post.md', { type: 'text/markdown' })
		);
		await waitFor(() =>
			expect(screen.getByRole('alert').textContent).toContain('“post.md” was not read: it is empty')
		);
	});
});
