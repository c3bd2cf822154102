import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { paragraph, textNode } from '$lib/core/manuscript';
import { PARTS, type PageStanding, type Slip, type Standing } from '$lib/core/standing';
import { REQUEST_WORDING } from '$lib/core/writers';
import { Session } from '../assignment/session.svelte';
import AskPanel from './AskPanel.svelte';
import Ladder from './Ladder.svelte';

const user = userEvent.setup();

const slip = (section: string, heading: string, more: Partial<Slip> = {}) =>
	({
		section,
		heading,
		words: 100,
		budget: 120,
		gaps: 0,
		questions: [],
		terms: [],
		facts: [],
		...more
	}) as unknown as Slip;
const slips = [
	slip('top', 'Opening'),
	slip('dig', 'Dig the trench', { words: 0 }),
	slip('cope', 'Set the cope', { words: 30, budget: 200, gaps: 1 })
];

describe('asking a writer', () => {
	const on = { onask: vi.fn(), onbring: vi.fn(), onclose: vi.fn() };
	function writingOf(more: Record<string, unknown> = {}) {
		return {
			writer: 'far',
			endpoints: [{ id: 'far', name: 'Far away', model: 'm-1' }],
			run: null,
			wording: '',
			choose: vi.fn(),
			setWording: vi.fn(),
			cannot: () => '',
			requestsFor: vi.fn((sections: readonly string[]) => sections.map((section) => ({ section }))),
			textOf: (requests: readonly { section: string }[]) =>
				requests.map(({ section }) => `Write ${section}.`).join('\n'),
			...more
		};
	}
	function draw(more: Record<string, unknown> = {}, writing = writingOf()) {
		render(AskPanel, {
			props: {
				writing: writing as never,
				slips,
				section: 'dig',
				lacked: [],
				passage: null,
				ticked: [],
				scope: 'section',
				move: 'draft',
				standsOf: () => [],
				...on,
				...more
			},
			context: new Map<symbol, unknown>([[Session.KEY, { client: null, analysed: {} }]])
		});
		return writing;
	}
	const scope = () => screen.getByRole('combobox', { name: 'For' });
	const said = () =>
		screen.getByText(/^(?:\d+ sections?: |No section is like that|Tick the)/).textContent;
	beforeEach(() => void vi.clearAllMocks());

	it('is for the sections that a scope names, and says which', async () => {
		draw();
		expect(said()).toBe('1 section: Dig the trench');
		const choose = async (name: string | RegExp) => {
			const option = within(scope()).getByRole('option', { name });
			await user.selectOptions(scope(), option);
		};
		await choose('the whole plan');
		expect(said()).toBe('3 sections: Opening, Dig the trench, Set the cope');
		await choose(/^sections under half their words/);
		expect(said()).toBe('2 sections: Dig the trench, Set the cope');
		await choose(/^sections with gaps/);
		expect(said()).toBe('1 section: Set the cope');
		expect(
			within(scope()).getByRole<HTMLOptionElement>('option', { name: /with an open question/ })
				.disabled
		).toBe(true);
		await user.click(screen.getByRole('button', { name: 'Have it drafted' }));
		expect(on.onask).toHaveBeenCalledWith(['cope'], 'draft', null);
	});

	it('is for the sections that are ticked', async () => {
		draw({ scope: 'ticked' });
		expect(said()).toBe('Tick the sections to ask for.');
		expect(
			screen.getByRole<HTMLButtonElement>('button', { name: 'Bring a reply back' }).disabled
		).toBe(true);
		await user.click(screen.getByRole('checkbox', { name: /^Set the cope/ }));
		await user.click(screen.getByRole('checkbox', { name: /^Opening/ }));
		expect(said()).toBe('2 sections: Opening, Set the cope');
		await user.click(screen.getByRole('button', { name: 'Bring a reply back' }));
		expect(on.onbring).toHaveBeenCalledWith(['top', 'cope'], null);
	});

	it('of a passage offers what changes words that stand, and sends the passage alone', async () => {
		const blocks = [paragraph(textNode('Three words stand'))];
		const writing = draw({ scope: 'passage', passage: { section: 'dig', blocks } });
		const moves = within(screen.getByRole('combobox', { name: 'To' })).getAllByRole('option');
		expect(moves.map(({ textContent }) => textContent)).not.toContain('draft it');
		expect(screen.getByText('3 words of Dig the trench')).toBeTruthy();
		const standsOf = (
			writing.requestsFor.mock.lastCall as unknown as [unknown, unknown, (id: string) => unknown]
		)[2];
		expect(standsOf('dig')).toBe(blocks);
	});

	it('says what a writer cannot do, and leaves the request to be copied', async () => {
		draw({}, writingOf({ cannot: () => 'By hand means: copy the request.' }));
		expect(screen.getByRole('note').textContent).toBe('By hand means: copy the request.');
		expect(screen.queryByRole('button', { name: 'Have it drafted' })).toBeNull();
		await user.click(screen.getByRole('button', { name: 'Copy request' }));
		expect(await navigator.clipboard.readText()).toBe('Write dig.');
		expect(screen.getByLabelText<HTMLTextAreaElement>('The request').value).toBe('Write dig.');
	});

	it('takes a wording of the writer’s own, none with unknown fields, and gives ours back', async () => {
		const writing = draw();
		await user.click(screen.getByRole('button', { name: 'Change the wording' }));
		const field = screen.getByLabelText<HTMLTextAreaElement>('Wording of requests');
		expect(field.value).toBe(REQUEST_WORDING);
		await user.type(field, ' {{nonsense}');
		expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
		const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep this wording' });
		expect(keep.disabled).toBe(true);
		await user.type(field, '{Backspace>10/}Be brief.');
		expect(keep.disabled).toBe(false);
		await user.click(keep);
		expect(writing.setWording.mock.lastCall![0]).toMatch(/Be brief\.$/);
		await user.click(screen.getByRole('button', { name: 'Change the wording' }));
		await user.click(screen.getByRole('button', { name: 'Put ours back' }));
		expect(writing.setWording).toHaveBeenLastCalledWith('');
	});
});

describe('the ladder', () => {
	const standing = (value: number): Standing =>
		({
			standing: value,
			parts: Object.fromEntries(PARTS.map((part) => [part, 0.5]))
		}) as unknown as Standing;
	const page = (id: string, value: number, keywordLoad: number) =>
		({ page: id, standing: value, keywordLoad }) as unknown as PageStanding;
	const pages = [page('p1', 71, 0.8), page('p2', 64, 1.2), page('aside', 90, 9)];
	const letters = new Map([
		['p1', 'A'],
		['p2', 'B']
	]);
	const draw = (more: Record<string, unknown> = {}) =>
		render(Ladder, {
			pages,
			letters,
			standing: standing(58),
			holds: [],
			keywordLoad: 1,
			progress: null,
			...more
		});
	const said = () => screen.getByRole('img').getAttribute('aria-label')!;

	it('says where the take stands among the counted pages, the lowest first', () => {
		draw();
		expect(said()).toMatch(/^Standing 58 of 100 \(.+\)\. Pages: B 64, A 71\. Keyword load 1\.0%/);
		expect(said()).toContain('within the pages’ range');
	});

	it('names what holds it down, and where the ticked moves lead', () => {
		draw({
			holds: [{ hold: 'gaps', text: '3 gaps are open', cost: 4.2 }],
			ghost: { standing: 66, moves: 2 }
		});
		expect(said()).toContain('held down by: 3 gaps are open');
		expect(screen.getByText('66 with the 2 ticked')).toBeTruthy();
	});

	it('tells a load beyond the pages’ from one below it, and that pages are on their way', () => {
		draw({ keywordLoad: 3, pages: null, progress: { done: 2, all: 9 } });
		expect(said()).toContain('Pages: not scored yet');
		expect(screen.getByText('scoring pages 2 of 9')).toBeTruthy();
		document.body.replaceChildren();
		draw({ keywordLoad: 3 });
		expect(said()).toContain('over the pages’ range');
		document.body.replaceChildren();
		draw({ keywordLoad: 0.1 });
		expect(said()).toContain('under the pages’ range');
	});
});
