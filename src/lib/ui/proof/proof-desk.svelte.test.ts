import { fireEvent, render, screen, waitFor, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_BRIEF } from '$lib/core/brief';
import { docOf, docText, heading, paragraph, textNode, type TakeDoc } from '$lib/core/manuscript';
import { indexRuns } from '$lib/core/measure';
import { newSection } from '$lib/core/plan';
import { NO_PROOF_CHOICES, type Mark, type ProofChoices, type ReadFor } from '$lib/core/proof';
import { db, type Take } from '$lib/data/db';
import { addTake } from '$lib/data/takes';
import { answering } from '../../../../tests/support/analyst';
import { demoFindings, type DemoEvidence } from '../../../../tests/support/demo';
import { planOf } from '../../../../tests/support/plans';
import { Session } from '../assignment/session.svelte';
import ProofDesk from './ProofDesk.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
const plan = planOf(newSection('dig', 'Dig the trench', 80));
const said = (text: string) => paragraph(textNode(text));
const WALL = docOf([
	heading(1, 'Walls', 'top'),
	said('We recieve stone on pallets.'),
	heading(2, 'Dig the trench', 'dig'),
	said('Every wall needs 3 tonnes of stone.')
]);

/** Marks the words where they stand, as the worker does; what stands there no more is no mark. */
function marksIn(doc: TakeDoc): Mark[] {
	const mark = (id: string, reads: ReadFor, quote: string, more: Partial<Mark> = {}) =>
		doc.content.flatMap((node, block): Mark[] => {
			const sentence = docText(node);
			const start = sentence.indexOf(quote);
			if (start < 0) return [];
			const place = { block, start, end: start + quote.length };
			const nothing = { fixes: [], gain: null, beside: [], shared: [] };
			return [
				{
					id,
					check: reads,
					reads,
					about: quote,
					quote,
					sentence,
					reason: 'so',
					place,
					...nothing,
					...more
				}
			];
		});
	return [
		...mark('spelled', 'spelling', 'recieve', {
			fixes: [{ label: 'receive', replacement: 'receive' }]
		}),
		...mark('claimed', 'claims', '3 tonnes', { check: 'claim' })
	];
}

let demo: DemoEvidence;
let take: Take;
let trouble: Error | null;
answering({
	proofread: async (...given: unknown[]) => {
		if (trouble) throw trouble;
		return { marks: marksIn(given.at(-1) as TakeDoc), claims: [] };
	}
});

beforeAll(() => {
	demo = demoFindings({ pages: 3 });
});
beforeEach(async () => {
	trouble = null;
	await db.takes.clear();
	take = await addTake('walls', 'Take 1', WALL);
});

async function draw() {
	let proof = $state.raw<ProofChoices>(NO_PROOF_CHOICES);
	const session = {
		id: 'walls',
		isCurrent: true,
		evidence: {},
		client: null,
		assignment: { client: null, brief: EMPTY_BRIEF },
		mustNotSay: [],
		required: [],
		findings: demo.findings,
		runs: indexRuns(demo.texts),
		standings: [],
		takes: [take],
		pictures: [],
		counted: [],
		notes: [],
		noteSigns: new Map(),
		letters: new Map(),
		openMarks: null as number | null,
		nameOf: (id: string) => id,
		findStandings: vi.fn(),
		get proof() {
			return proof;
		},
		decideProof: async (_label: string, change: (choices: ProofChoices) => ProofChoices) => {
			proof = change(proof);
		}
	};
	const on = { onchoose: vi.fn(), onplan: vi.fn<(doc: TakeDoc) => void>() };
	render(ProofDesk, {
		props: { take, plan, isPlanned: true, ...on },
		context: new Map<symbol, unknown>([[Session.KEY, session]])
	});
	flushSync();
	if (!trouble) await screen.findByText('2 marks');
	return { on, session };
}
const cards = () =>
	within(screen.getByRole('region', { name: 'Marks' }))
		.getAllByRole('article')
		.map((one) => one.getAttribute('aria-label'));
const text = () => screen.getByRole('textbox', { name: 'Manuscript' }).textContent;
const press = (key: string, on: Element = document.body) => fireEvent.keyDown(on, { key });

describe('the desk where a take is proofread', () => {
	it('shows a card for each mark under the section it stands in', async () => {
		const { session } = await draw();
		expect(cards()).toEqual(['Spelling: recieve', 'A claim without backing: 3 tonnes']);
		expect(screen.getByRole('heading', { level: 3, name: 'Dig the trench' })).toBeTruthy();
		expect(session.openMarks).toBe(2);
		await waitFor(() => expect(session.findStandings).toHaveBeenCalled());
	});

	it('goes through the marks by key: fixes one, and the next is in hand', async () => {
		await draw();
		await press('j');
		expect(screen.getByRole('button', { name: 'receive' })).toBeTruthy();
		await press('f');
		expect(text()).toContain('We receive stone');
		await screen.findByText('1 mark');
		expect(cards()).toEqual(['A claim without backing: 3 tonnes']);
		expect(screen.getByRole('button', { name: 'Leave a gap for its source' })).toBeTruthy();
	});

	it('leaves the keys alone while something is typed', async () => {
		await draw();
		await press('j');
		await press('f', screen.getByRole('textbox', { name: 'Manuscript' }));
		expect(text()).toContain('We recieve stone');
	});

	it('dismisses a mark with its reason, lists it, and brings it back', async () => {
		await draw();
		await press('j');
		await press('d');
		await user.type(await screen.findByLabelText('Why it is dismissed'), 'a name{Enter}');
		await screen.findByText('1 mark');
		await user.click(screen.getByText('1 mark dismissed'));
		expect(screen.getByText(/because a name/)).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Bring back' }));
		await screen.findByText('2 marks');
	});

	it('puts a gap where a claim has no source', async () => {
		await draw();
		await press('k');
		await user.click(screen.getByRole('button', { name: 'Leave a gap for its source' }));
		await waitFor(() => expect(text()).toContain('Where is “3 tonnes” from?'));
	});

	it('shows one reading alone, and says what that is', async () => {
		await draw();
		await user.click(screen.getByRole('button', { name: 'Claims' }));
		expect(cards()).toEqual(['A claim without backing: 3 tonnes']);
		expect(screen.getByText('1 mark for claims')).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Claims' }));
		expect(cards()).toHaveLength(2);
	});

	it('says so when the text could not be read, and that nothing is gathered', async () => {
		trouble = new Error('the worker is gone');
		await draw();
		await screen.findByText('The text was not read: the worker is gone');
		expect(screen.getByText(/^Nothing is gathered yet/)).toBeTruthy();
	});
});
