import { fireEvent, render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { docText, type BlockNode } from '$lib/core/manuscript';
import { newSection } from '$lib/core/plan';
import { originsBySign, readReply } from '$lib/core/writers';
import type { Plan } from '$lib/core/plan';
import { planOf } from '../../../../tests/support/plans';
import BringBack from './BringBack.svelte';
import { answering } from '../../../../tests/support/analyst';

const worker = {
	readReply: vi.fn<(...of: unknown[]) => Promise<unknown>>(),
	readFile: vi.fn<(...of: unknown[]) => Promise<unknown>>()
};
answering(worker);

interface Part {
	readonly section: string;
	readonly blocks: readonly BlockNode[];
}

const user = userEvent.setup({ pointerEventsCheck: 0 });
const plan = planOf(
	newSection('dig', 'Dig the trench', 40),
	newSection('cope', 'Set the cope', 30),
	newSection('cost', 'What it costs', 60)
);
const REPLY = `Sure! Here is your article.

## About our company

We have walled since 1950 and love what we do.

## Digging the trench

The trench goes down to firm subsoil, which is 15 to 30 cm on most ground [n1]. In clay it has to be deeper, or frost lifts the footings.

## Set the cope

Lay the heaviest copes last and wedge them tight.

Let me know if you want anything changed!`;

beforeEach(() => {
	vi.clearAllMocks();
	worker.readReply.mockImplementation((text, of, asked, signs) =>
		Promise.resolve(
			readReply(text as string, of as Plan, {
				asked: asked as string[],
				originOf: originsBySign(signs as ReadonlyMap<string, string>)
			})
		)
	);
});

function draw(asked: readonly string[] = ['dig', 'cope', 'cost'], isLines = false) {
	const handlers = {
		onoffer: vi.fn<(parts: readonly Part[], lacked: readonly string[]) => void>(),
		ontake: vi.fn<(parts: readonly Part[], rest: readonly unknown[]) => void>(),
		onrequest: vi.fn<(lacked: readonly string[]) => void>(),
		onclose: vi.fn<() => void>()
	};
	render(BringBack, {
		props: { plan, asked, signs: new Map([['interview', 'n1']]), isLines, ...handlers }
	});
	return handlers;
}
async function read(text = REPLY) {
	await fireEvent.input(screen.getByLabelText('The reply'), { target: { value: text } });
	await user.click(screen.getByRole('button', { name: 'Read it' }));
	await screen.findByRole('list', { name: 'Parts of the reply' });
}
const part = (name: string) => screen.getByRole('listitem', { name: `Part: ${name}` });
const said = ({ blocks }: Part) => blocks.map(docText).join('\n');

describe('a reply that came back', () => {
	it('is matched to sections; what is missing, and what was left out, is said', async () => {
		draw();
		await read();
		expect(screen.getByText('3 sections; 2 came back, 1 missing.')).toBeTruthy();
		const asked = within(screen.getByRole('list', { name: 'Sections asked for' }));
		expect(
			asked.getAllByRole('listitem').map(({ textContent }) => /missing/.test(textContent))
		).toEqual([false, false, true]);
		expect(part('Digging the trench').textContent).toContain('worded otherwise');
		expect(part('Digging the trench').textContent).toContain('1 sentence without a source');
		expect(part('About our company').textContent).toContain('not asked for');
		expect(screen.getByText(/Here is your article/).textContent).toContain('said around the text');
	});

	it('becomes versions of the sections it was matched to, and nothing else', async () => {
		const { onoffer } = draw();
		await read();
		await user.click(screen.getByRole('button', { name: 'Offer 2 versions' }));
		const [parts, lacked] = onoffer.mock.calls[0]!;
		expect(parts.map(({ section }) => section)).toEqual(['dig', 'cope']);
		expect(said(parts[0]!)).toMatch(/^The trench goes down/);
		expect(parts.map(said).join()).not.toMatch(/Sure!|company|anything changed/);
		expect(JSON.stringify(parts[0]!.blocks)).toContain('"source":"interview"');
		expect(lacked).toEqual(['cost']);
	});

	it('is put right by key and by list: two parts of one section stand there one after the other', async () => {
		const { onoffer } = draw();
		await read();
		await user.selectOptions(
			screen.getByLabelText('Section for “About our company”'),
			'What it costs'
		);
		expect(screen.getByText('3 sections; 3 came back.')).toBeTruthy();
		part('About our company').focus();
		await user.keyboard('{ArrowLeft}');
		await user.click(screen.getByRole('button', { name: 'Offer 2 versions' }));
		const cope = onoffer.mock.calls[0]![0].find(({ section }) => section === 'cope')!;
		expect(said(cope)).toMatch(/We have walled[^]*Set the cope\n[^]*heaviest copes/);
	});

	it('can be a take of its own, with what belongs nowhere, and the rest asked for', async () => {
		const { ontake, onrequest } = draw();
		await read();
		await user.click(screen.getByRole('button', { name: 'Make it a take of its own' }));
		const [parts, rest] = ontake.mock.calls[0]!;
		expect(parts).toHaveLength(2);
		expect(rest).toMatchObject([{ heading: 'About our company' }]);
		await user.click(screen.getByRole('button', { name: 'Request the rest' }));
		expect(onrequest).toHaveBeenCalledWith(['cost']);
	});

	it('is one version where lines to choose from were asked for', async () => {
		const { onoffer } = draw(['dig'], true);
		await read('## Titles\n\n- A wall that stands\n- Stone on stone\n\n## More\n\n- Dry and true');
		await user.click(screen.getByRole('button', { name: 'Offer 1 version' }));
		const [[only]] = onoffer.mock.calls[0]!;
		expect(said(only!)).toMatch(/A wall that stands[^]*Stone on stone[^]*Dry and true/);
	});

	it('is taken from what is pasted: from the markup, unless the text marks its headings itself', async () => {
		draw();
		const paste = (html: string, text: string) =>
			fireEvent.paste(screen.getByLabelText('The reply'), {
				clipboardData: { getData: (type: string) => (type === 'text/html' ? html : text) }
			});
		await paste('<h2>Set the cope</h2><p>Lay the copes.</p>', 'Set the cope Lay the copes.');
		await waitFor(() => expect(worker.readReply.mock.calls[0]![0]).toMatch(/^<h2>/));
		await user.click(await screen.findByRole('button', { name: 'Another reply' }));
		await paste('<div><p>## Set the cope</p></div>', '## Set the cope\n\nLay the copes.');
		await waitFor(() => expect(worker.readReply.mock.calls[1]![0]).toMatch(/^## /));
	});

	it('is left as it was typed when it cannot be read', async () => {
		draw();
		worker.readReply.mockRejectedValueOnce(new Error('the worker is gone'));
		await fireEvent.input(screen.getByLabelText('The reply'), { target: { value: REPLY } });
		await user.click(screen.getByRole('button', { name: 'Read it' }));
		await waitFor(() =>
			expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Read it' }).disabled).toBe(
				false
			)
		);
		expect(screen.getByLabelText<HTMLTextAreaElement>('The reply').value).toBe(REPLY);
	});
});
