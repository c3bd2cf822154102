import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { gap, paragraph, textNode, type BlockNode } from '$lib/core/manuscript';
import type { Mark } from '$lib/core/proof';
import type { Move, PageStanding, Slip } from '$lib/core/standing';
import type { Version } from '$lib/core/writers';
import FormatBar from './FormatBar.svelte';
import NextMove from './NextMove.svelte';
import OutlineNotes from './OutlineNotes.svelte';
import Slips from './Slips.svelte';
import TakeBar from './TakeBar.svelte';
import VersionOffer from './VersionOffer.svelte';
import WordingLine from './WordingLine.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
const named = (name: string | RegExp) => screen.getByRole('button', { name });

describe('FormatBar', () => {
	it('presses what is on at the cursor, and commands the editor', async () => {
		const command = vi.fn();
		const onbench = vi.fn();
		const isOn = (name: string, attributes?: Record<string, unknown>) =>
			name === 'bold' || (name === 'heading' && attributes?.level === 2);
		render(FormatBar, { editor: { isOn, command }, isBenchOpen: false, onbench });
		const pressed = screen
			.getAllByRole('button', { pressed: true })
			.map((button) => button.getAttribute('aria-label'));
		expect(pressed).toEqual(['Heading 2', 'Bold']);
		await user.click(named('Numbered list'));
		const chain = { toggleOrderedList: vi.fn() };
		(command.mock.calls[0]![0] as (of: typeof chain) => void)(chain);
		expect(chain.toggleOrderedList).toHaveBeenCalled();
		await user.click(named('Bench'));
		expect(onbench).toHaveBeenCalledTimes(1);
	});

	it('opens links and comments', async () => {
		const [onlink, oncomment] = [vi.fn(), vi.fn()];
		const editor = { isOn: () => false, command: vi.fn() };
		render(FormatBar, { editor, isBenchOpen: false, onbench() {}, onlink, oncomment });
		await user.click(named('Link'));
		await user.click(named('Comment for the client'));
		expect([onlink, oncomment].map((deed) => deed.mock.calls.length)).toEqual([1, 1]);
	});
});

describe('TakeBar', () => {
	const props = {
		take: { id: 'b', name: 'Take 2' },
		takes: [
			{ id: 'a', name: 'Take 1' },
			{ id: 'b', name: 'Take 2' }
		],
		said: 'saved',
		words: 1234,
		targetWords: 1800,
		isDrafting: false,
		onchoose: vi.fn(),
		ondraftall: vi.fn(),
		onheadings: vi.fn(),
		oncopy: vi.fn(),
		onremove: vi.fn(),
		onask: vi.fn(),
		onbring: vi.fn(),
		onrename: vi.fn()
	};

	it('says the state of the save and the length, also before the evidence is read', async () => {
		const { rerender } = render(TakeBar, props);
		expect(screen.getByRole('status').textContent).toBe('saved');
		expect(screen.getByText('1,234 of 1,800 words · 5 min')).toBeTruthy();
		await rerender({ ...props, words: null, targetWords: null });
		expect(screen.getByText('… words')).toBeTruthy();
	});

	it('opens another take, and renames the one in hand but never to nothing', async () => {
		render(TakeBar, props);
		const menu = () => screen.getByRole('button', { name: 'Take 2, takes' });
		const choose = async (name: string) => {
			menu().focus();
			await user.keyboard('{Enter}');
			// the menu is placed by measuring, which jsdom does not do: it counts as hidden
			await user.click(await screen.findByText(name));
		};
		await choose('Take 1');
		expect(props.onchoose).toHaveBeenCalledWith('a');
		await choose('Rename it');
		const field = await screen.findByRole('textbox', { name: 'Name of the take' });
		await user.clear(field);
		await user.type(field, '  {Enter}');
		expect(props.onrename).not.toHaveBeenCalled();
		await choose('Rename it');
		const again = await screen.findByRole('textbox', { name: 'Name of the take' });
		await user.clear(again);
		await user.type(again, 'For the client{Enter}');
		expect(props.onrename).toHaveBeenCalledWith('For the client');
	});
});

describe('NextMove', () => {
	const page = (id: string, standing: number) => ({ page: id, standing }) as PageStanding;
	const moves: Move[] = [
		{ id: 'a', kind: 'use', text: 'use “cope” once in Building up', section: 's', gain: 1.25 },
		{ id: 'b', kind: 'cut', text: 'cut one “stone”', section: null, gain: 0.5 }
	];

	it('ranks the take among the counted pages, and goes to the section of the best step', async () => {
		const ongo = vi.fn();
		render(NextMove, {
			standing: 60,
			pages: [page('p', 70), page('q', 50), page('gone', 99)],
			letters: new Map([
				['p', 'A'],
				['q', 'B']
			]),
			moves,
			ongo
		});
		expect(screen.getByText('second of 3 · best 70 (A)')).toBeTruthy();
		await user.click(named('Next: use “cope” once in Building up +1.3'));
		expect(ongo).toHaveBeenCalledWith('s');
	});

	it('has nowhere to go for a step of the whole article, and no rank without pages', () => {
		render(NextMove, {
			standing: 60,
			pages: null,
			letters: new Map(),
			moves: moves.slice(1),
			ongo: () => {}
		});
		expect(screen.getByText('standing of 100')).toBeTruthy();
		expect((named(/^Next: cut/) as HTMLButtonElement).disabled).toBe(true);
	});
});

const slip = (values: Partial<Slip>): Slip => ({
	section: 's',
	heading: 'Building up',
	kind: 'explanation',
	budget: 100,
	words: 40,
	terms: [],
	questions: [],
	facts: [],
	gaps: 0,
	at: 1,
	...values
});
const term = (key: string, deed: string) =>
	({ key, phrase: key, state: deed === '' ? 'placed' : 'thin', deed, uses: 1, wanted: 2 }) as const;

describe('Slips', () => {
	const handlers = {
		onopen: vi.fn(),
		ondraft: vi.fn(),
		onmore: vi.fn(),
		onversion: vi.fn(),
		versionsOf: () => [{ id: 'v', by: 'Larch', when: '14:02', isOpen: true }],
		onterm: vi.fn()
	};

	it('says in deeds what a section still needs, and opens a term on the bench', async () => {
		const one = slip({
			terms: [term('hearting', '1 more'), term('cope', '')],
			questions: [
				{ id: 'q', text: 'How high?', isAnswered: true },
				{ id: 'q', text: 'How high?', isAnswered: true }
			],
			gaps: 2
		});
		render(Slips, {
			slips: [one],
			tops: new Map([['s', 0]]),
			active: 's',
			isDrafting: false,
			...handlers
		});
		const shown = screen.getByRole('region', { name: 'Slip of Building up' });
		expect(shown.textContent).toContain('1 more');
		expect(shown.textContent).toContain('2 gaps to fill');
		expect(shown.textContent).toContain('1 placed: cope');
		expect(shown.textContent).toContain('answered');
		await user.click(named('hearting'));
		expect(handlers.onterm).toHaveBeenCalledWith('hearting');
		await user.click(named('Larch 14:02'));
		expect(handlers.onversion).toHaveBeenCalledWith('v');
		await user.click(named('More moves'));
		expect(handlers.onmore).toHaveBeenCalledWith('s');
	});

	it('shows no slip for a section the manuscript lacks', () => {
		render(Slips, {
			slips: [slip({ section: 'x', heading: 'Gone' })],
			tops: new Map(),
			active: null,
			isDrafting: false,
			...handlers
		});
		expect(screen.queryByRole('region', { name: 'Slip of Gone' })).toBeNull();
	});
});

describe('OutlineNotes', () => {
	it('offers to take the outline into the plan, and to put in what is lacking', async () => {
		const [ontake, onput] = [vi.fn(), vi.fn()];
		render(OutlineNotes, {
			differences: ['1 worded otherwise', '2 new'],
			lacking: [slip({}), slip({ section: 't', heading: 'Cope it' })],
			ontake,
			onput
		});
		expect(screen.getByRole('status').textContent).toContain('1 worded otherwise, 2 new');
		await user.click(named('Take them into the plan'));
		await user.click(named('Cope it'));
		expect(ontake).toHaveBeenCalledTimes(1);
		expect(onput).toHaveBeenCalledWith('t');
	});
});

describe('VersionOffer', () => {
	const version: Version = {
		section: 's',
		heading: 'Building up',
		writer: 'built-in',
		move: 'draft',
		blocks: [paragraph(textNode('Lay each course level.')), gap('How high?')],
		words: 4,
		sources: ['n'],
		outcome: { kind: 'done' }
	};

	const props = {
		version,
		by: 'Larch',
		when: '14:02',
		sources: ['n1'],
		stands: [paragraph(textNode('Lay each course.'))],
		measure: (blocks: readonly BlockNode[]) => ({
			standing: 60 + blocks.length,
			words: 4 * blocks.length,
			placed: 1,
			terms: 2,
			states: [
				{ phrase: 'cope', state: blocks.length > 1 ? 'placed' : 'thin' },
				{ phrase: 'hearting', state: 'absent' }
			],
			gaps: blocks.length > 1 ? 0 : 1,
			answered: 0,
			questions: 0
		}),
		onput: vi.fn(),
		onkeep: vi.fn(),
		onclose: vi.fn()
	};

	it('is taken whole in place of the section or below it, kept or left', async () => {
		const [onput, onkeep, onclose] = [vi.fn(), vi.fn(), vi.fn()];
		render(VersionOffer, { ...props, onput, onkeep, onclose });
		expect(screen.getByText(/drew on n1/)).toBeTruthy();
		expect(screen.getByText('61 →', { exact: false }).textContent).toMatch(/standing\s+61 → 62/);
		for (const name of ['Replace the section', 'Put it below', 'Keep for later', 'Leave it'])
			await user.click(named(name));
		expect(onput.mock.calls).toEqual([
			[version.blocks, 'replace'],
			[version.blocks, 'below']
		]);
		expect(onkeep).toHaveBeenCalledTimes(1);
		expect(onclose).toHaveBeenCalledTimes(1);
	});

	it('marks the words it adds, and leaves ours where a paragraph is not ticked', async () => {
		const onput = vi.fn();
		const { container } = render(VersionOffer, { ...props, onput });
		expect([...container.querySelectorAll('ins')].map((ins) => ins.textContent)).toEqual([
			' level',
			'How high?'
		]);
		await user.click(screen.getByRole('checkbox', { name: 'Take: Lay each course level.' }));
		await user.click(named('Take the ticked'));
		expect(onput).toHaveBeenCalledWith([props.stands[0], version.blocks[1]], 'replace');
	});

	it('says what the slip would say, and which passage it replaces, unless that has changed', async () => {
		const { rerender } = render(VersionOffer, { ...props, version: { ...version, over: ['Lay'] } });
		const effect = within(screen.getByRole('list', { name: 'What the slip would say' }));
		expect(effect.getAllByRole('listitem').map((line) => line.textContent)).toEqual([
			'placed: cope',
			'gaps 1 → 0'
		]);
		expect(named('Replace the passage')).toBeTruthy();
		await rerender({ ...props, version: { ...version, over: ['Lay'] }, isGone: true });
		expect((named('Replace the passage') as HTMLButtonElement).disabled).toBe(true);
		expect((named('Put it below') as HTMLButtonElement).disabled).toBe(false);
	});

	it('says why nothing was written, and what was left out, and then offers nothing to put', () => {
		render(VersionOffer, {
			...props,
			version: {
				...version,
				blocks: [],
				outcome: { kind: 'refused', reason: 'it cannot' },
				left: [{ text: 'Sure!', reason: 'said around the text' }]
			}
		});
		expect(screen.getByText('Nothing was written: it cannot.')).toBeTruthy();
		expect(screen.getByText('1 left out of the reply')).toBeTruthy();
		expect((named('Replace the section') as HTMLButtonElement).disabled).toBe(true);
	});
});

describe('WordingLine', () => {
	const mark = (values: Partial<Mark>): Mark => ({
		id: Math.random().toString(),
		check: 'must not be said',
		reads: 'brief',
		beside: [],
		shared: [],
		about: 'cheap',
		quote: 'cheap',
		sentence: 'A cheap wall.',
		reason: '“cheap” must not be said',
		fixes: [],
		gain: null,
		place: { block: 0, start: 2, end: 7 },
		...values
	});

	it('counts rules and not words, what is unsaid first, and shows a sentence in the text', async () => {
		const onshow = vi.fn();
		const cheap = [mark({}), mark({ sentence: 'So cheap!' })];
		const unsaid = mark({
			check: 'must be said',
			about: 'lift with two',
			quote: '',
			sentence: '',
			reason: '“lift with two” is not said yet',
			place: null
		});
		render(WordingLine, { marks: [...cheap, unsaid], onshow });
		expect(screen.getByText('Brief: 1 still to be said, 1 not to be said so')).toBeTruthy();
		const lines = screen.getAllByRole('listitem', { hidden: true }).map((line) => line.textContent);
		expect(lines[0]).toContain('is not said yet');
		expect(lines[1]).toContain('must not be said and stands in 2 sentences');
		screen.getByText('“So cheap!”').click();
		expect(onshow).toHaveBeenCalledWith(cheap[1]);
	});

	it('says nothing when all is said as it should be', () => {
		const { container } = render(WordingLine, { marks: [], onshow: () => {} });
		expect(container.textContent?.trim()).toBe('');
	});
});
