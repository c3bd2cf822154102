import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { docText, paragraph, textNode, type BlockNode } from '$lib/core/manuscript';
import { newSection } from '$lib/core/plan';
import type { Slip } from '$lib/core/standing';
import type { NoteFate } from '$lib/core/writers';
import { planOf } from '../../../../tests/support/plans';
import { Session } from '../assignment/session.svelte';
import Bench from './Bench.svelte';
import NoteFates from './NoteFates.svelte';
import { answering } from '../../../../tests/support/analyst';

const worker = {
	noteFates: vi.fn<(...of: unknown[]) => Promise<readonly NoteFate[]>>(),
	context: vi.fn<(...of: unknown[]) => Promise<unknown>>()
};
answering(worker);

const user = userEvent.setup({ pointerEventsCheck: 0 });
const plan = planOf(newSection('dig', 'Dig the trench', 80), newSection('cope', 'The cope', 40));
const SPOKEN =
	'Dig the trench down to firm subsoil. In clay it has to be deeper, or frost lifts the footings.';

function sessionWith(more: Record<string, unknown> = {}) {
	return {
		analysed: { evidence: 'first' },
		mustNotSay: ['guaranteed'],
		assignment: { brief: { callToAction: 'Ring us' } },
		notes: [{ id: 'n', kind: 'note', name: 'Interview.md', text: SPOKEN }],
		noteSigns: new Map([['n', 'n1']]),
		letters: new Map([['p', 'A']]),
		nameOf: (id: string) => (id === 'n' ? 'Interview.md' : 'Hillfoot'),
		timeOf: () => '',
		...more
	};
}
const contextWith = (session: object) => new Map<symbol, unknown>([[Session.KEY, session]]);
beforeEach(() => vi.clearAllMocks());

describe('what became of the notes', () => {
	const fate = (text: string, what: NoteFate['fate'], unit = text): NoteFate => ({
		note: 'n',
		units: [unit],
		kind: 'claim',
		speaker: '',
		text,
		fate: what
	});
	const blocks = (text: string): BlockNode[] => [paragraph(textNode(text))];
	const FATES = [
		fate('Frost lifts footings.', { kind: 'used', block: 2, heading: 'Dig the trench' }),
		fate('Cope stones: heaviest last', {
			kind: 'left out',
			reason: 'no room',
			nearest: ['cope'],
			blocks: blocks('Lay the heaviest cope stones last.')
		}),
		fate('clay → deeper', {
			kind: 'to work in',
			block: 2,
			heading: 'Dig the trench',
			blocks: blocks('In clay it has to be deeper.')
		}),
		fate('His brother drinks.', { kind: 'kept back', reason: 'off-record' }),
		fate('What about gates?', { kind: 'left out', reason: 'question', nearest: [], blocks: [] })
	];

	async function draw(found: readonly NoteFate[] = FATES, session = sessionWith()) {
		worker.noteFates.mockResolvedValue(found);
		let reading = $state.raw({});
		const editor = {
			get reading() {
				return reading;
			},
			doc: { type: 'doc', content: [] },
			section: 'dig',
			inHand: { block: { text: 'Frost lifts footings.', sources: new Set(['n']) } },
			showWords: vi.fn<(block: number, words: string) => void>(),
			changes: {
				dragged: null,
				bringBlocks: vi.fn<(section: string | null, blocks: readonly BlockNode[]) => void>(),
				replaceGap: vi.fn<(block: number, words: string, blocks: readonly BlockNode[]) => void>()
			},
			typeOn: () => flushSync(() => (reading = {}))
		};
		render(NoteFates, {
			props: { editor: editor as never, plan },
			context: contextWith(session)
		});
		await screen.findByRole('group', { name: 'What became of the notes' }).catch(() => {});
		return editor;
	}
	const show = (what: RegExp) => user.click(screen.getByRole('button', { name: what }));

	it('is counted by kind; what is no matter of the article is kept out with a reason', async () => {
		await draw();
		const kinds = within(screen.getByRole('group', { name: 'What became of the notes' }));
		expect(kinds.getAllByRole('button').map(({ textContent }) => textContent.trim())).toEqual([
			'Left out 1',
			'To work in 1',
			'In the text 1',
			'Kept out 2'
		]);
		await show(/^Kept out/);
		const list = screen.getByRole('list', { name: 'Kept out: Interview.md' });
		expect(list.textContent).toContain('told off the record: it stays in the note');
		expect(within(list).queryByRole('button', { name: 'Show it' })).toBeNull();
		expect(worker.noteFates.mock.calls[0]![2]).toEqual({
			mustNotSay: ['guaranteed'],
			callToAction: 'Ring us'
		});
	});

	it('lets what was left out be brought into the section that suits it, or into another', async () => {
		const editor = await draw();
		const list = screen.getByRole('list', { name: 'Left out: Interview.md' });
		expect(list.textContent).toContain('its section has its words');
		await user.click(within(list).getByRole('button', { name: 'Bring in' }));
		await user.selectOptions(within(list).getByRole('combobox'), 'Dig the trench');
		await user.click(within(list).getByRole('button', { name: 'Bring in' }));
		expect(
			editor.changes.bringBlocks.mock.calls.map(([at, brought]) => [at, brought.map(docText)])
		).toEqual([
			['cope', ['Lay the heaviest cope stones last.']],
			['dig', ['Lay the heaviest cope stones last.']]
		]);
	});

	it('makes a sentence of a jotting where it is marked, and leads to what is used', async () => {
		const editor = await draw();
		await show(/^To work in/);
		await user.click(screen.getByRole('button', { name: 'Make it a sentence' }));
		const [block, words, put] = editor.changes.replaceGap.mock.calls[0]!;
		expect([block, words, ...put.map(docText)]).toEqual([
			2,
			'clay → deeper',
			'In clay it has to be deeper.'
		]);
		await show(/^In the text/);
		await user.click(screen.getByRole('button', { name: 'in Dig the trench' }));
		expect(editor.showWords).toHaveBeenCalledWith(2, 'Frost lifts footings.');
		// the paragraph in hand says what it is made of
		expect(screen.getByText('The paragraph in hand was made of')).toBeTruthy();
	});

	it('is asked again when the text has changed, and says when it cannot be told', async () => {
		const editor = await draw();
		worker.noteFates.mockRejectedValueOnce(new Error('the worker is gone'));
		editor.typeOn();
		expect((await screen.findByRole('alert', {}, { timeout: 3000 })).textContent).toContain(
			'the worker is gone'
		);
		expect(worker.noteFates).toHaveBeenCalledTimes(2);
	});

	it('says what a note is for where there is none', async () => {
		await draw([]);
		expect(await screen.findByText(/You have brought no notes/)).toBeTruthy();
	});
});

describe('the bench', () => {
	const SLIP = {
		section: 'dig',
		heading: 'Dig the trench',
		terms: [{ key: 'trench', phrase: 'trench' }],
		facts: [
			{ id: 'f1', text: 'The trench is 30 cm deep.' },
			{ id: 'f2', text: 'He digs 45 cm in clay.' }
		],
		questions: [
			{ id: 'q1', text: 'How deep should it be?', isAnswered: false },
			{ id: 'q2', text: 'Who digs it?', isAnswered: true }
		]
	} as unknown as Slip;
	const FINDINGS = {
		terms: [{ key: 'trench', phrase: 'trench', verbs: [], variants: [], uses: [{ page: 'p' }] }],
		facts: [
			{ id: 'f1', text: 'The trench is 30 cm deep.', source: 'p', origin: 'page' },
			{ id: 'f2', text: 'He digs 45 cm in clay.', source: 'n', origin: 'note' }
		],
		figures: [{ agreement: 'differs', values: [{ fact: 'f1' }, { fact: 'f2' }] }],
		questions: [
			{
				id: 'q1',
				answers: [{ source: 'n', text: 'Down to firm subsoil.' }],
				mayAnswer: [{ source: 'p', text: 'Thirty centimetres.' }]
			}
		]
	} as unknown as Findings;

	function draw(slip: Slip | null = SLIP) {
		worker.context.mockResolvedValue([
			{ page: 'p', text: 'A trench keeps the wall from moving.' },
			{ page: 'p', text: 'The trench again.' }
		]);
		const bringBlocks = vi.fn<(section: string | null, blocks: readonly BlockNode[]) => void>();
		const onbring = vi.fn<(text: string, origin: unknown) => void>();
		const set = vi.fn<(address: string, name: string) => void>();
		render(Bench, {
			props: {
				findings: FINDINGS,
				plan,
				slip,
				term: null,
				editor: {
					changes: { dragged: null, bringBlocks },
					links: { set, isChosen: false }
				} as never,
				targets: [
					{ address: 'https://hill.example/trench', name: 'Digging a trench', where: 'Hillfoot' }
				],
				onbring
			},
			context: contextWith(sessionWith())
		});
		return { bringBlocks, onbring, set };
	}
	const item = (words: RegExp) =>
		[...document.querySelectorAll<HTMLElement>('.item')].find(({ textContent }) =>
			words.test(textContent)
		)!;

	it('offers what the notes say, with its origin', async () => {
		const { onbring } = draw();
		const said = item(/Dig the trench down to firm subsoil/);
		await user.click(within(said).getByRole('button', { name: 'Bring in' }));
		expect(onbring.mock.calls[0]![0]).toContain('Dig the trench down to firm subsoil.');
		expect(onbring.mock.calls[0]![1]).toEqual({ source: 'n', label: 'n1' });
	});

	it('answers open questions from notes first; what a page says is only marked to be said', async () => {
		const { onbring, bringBlocks } = draw();
		expect(screen.queryByText(/Who digs it/)).toBeNull();
		const asked = item(/How deep should it be/);
		await user.click(within(asked).getByRole('button', { name: 'Bring in' }));
		expect(onbring).toHaveBeenCalledWith('Down to firm subsoil.', { source: 'n', label: 'n1' });
		await user.click(within(asked).getByRole('button', { name: 'Mark it to be said' }));
		const [section, put] = bringBlocks.mock.calls[0]!;
		expect(section).toBe('dig');
		expect(put.map(({ type }) => type)).toEqual(['gap']);
		expect(put.map(docText).join()).toContain('Thirty centimetres.');
		expect(put.map(docText).join()).toContain('Hillfoot');
	});

	it('shows figures that differ beside each other, and how a page uses the term', async () => {
		draw();
		const fact = item(/The trench is 30 cm deep/);
		expect(within(fact).getByText('1 other figure for the same')).toBeTruthy();
		expect(fact.textContent).toContain('He digs 45 cm in clay.');
		// one sentence a page is enough
		expect(await screen.findByText('A trench keeps the wall from moving.')).toBeTruthy();
		expect(screen.queryByText('The trench again.')).toBeNull();
	});

	it('offers links that fit, and asks for a section where none is in hand', async () => {
		const { set } = draw();
		await user.click(screen.getByRole('button', { name: 'Put it in' }));
		expect(set).toHaveBeenCalledWith('https://hill.example/trench', 'Digging a trench');
	});

	it('asks for a section where the cursor stands in none', () => {
		draw(null);
		expect(screen.getByRole('heading', { name: 'Put the cursor into a section' })).toBeTruthy();
		expect(screen.queryByRole('button', { name: 'Bring in' })).toBeNull();
	});
});
