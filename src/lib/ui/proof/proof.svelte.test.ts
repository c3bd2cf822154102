import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Claim, Mark, ProofChoices, ProofRules, ReadFor } from '$lib/core/proof';
import { NO_PROOF_CHOICES } from '$lib/core/proof';
import { docOf } from '$lib/core/manuscript';
import type { Session } from '../assignment/session.svelte';
import ClaimsList from './ClaimsList.svelte';
import MarkCard from './MarkCard.svelte';
import MovesList from './MovesList.svelte';
import { ProofBeside } from './proof-beside.svelte';
import { ProofReading } from './proof-reading.svelte';
import ReadForList from './ReadForList.svelte';
import RhythmPicture from './RhythmPicture.svelte';
import { answering } from '../../../../tests/support/analyst';

const worker = {
	answers: [] as unknown[],
	asked: 0,
	beside: [] as unknown[][]
};
answering({
	proofread: async () => {
		worker.asked++;
		const answer = worker.answers.shift();
		if (answer instanceof Error) throw answer;
		return answer;
	},
	proofreadBeside: async (...given: unknown[]) => {
		worker.beside.push(given);
		const answer = worker.answers.shift();
		if (answer instanceof Error) throw answer;
		return answer;
	}
});

const mark = (id: string, reads: ReadFor = 'spelling', more: Partial<Mark> = {}): Mark => ({
	id,
	check: reads,
	reads,
	about: id,
	quote: id,
	sentence: `A sentence with ${id} in it.`,
	reason: `${id} is marked`,
	fixes: [],
	gain: null,
	beside: [],
	shared: [],
	place: { block: 0, start: 0, end: id.length },
	...more
});
const RULES = {} as ProofRules;
const DOC = docOf([]);

/** A session that keeps what is decided, as the stored assignment would. */
function sessionOf() {
	let proof = $state.raw<ProofChoices>(NO_PROOF_CHOICES);
	return {
		evidence: {},
		letters: new Map(),
		noteSigns: new Map(),
		openMarks: null as number | null,
		get proof() {
			return proof;
		},
		decideProof: async (_label: string, change: (choices: ProofChoices) => ProofChoices) => {
			proof = change(proof);
		}
	};
}

beforeEach(() => {
	worker.answers.length = 0;
	worker.asked = 0;
});

describe('ProofReading', () => {
	async function readingOf(...marks: Mark[]) {
		const session = sessionOf();
		const proof = new ProofReading(session as unknown as Session);
		worker.answers.push({ marks, claims: [] });
		proof.follow(DOC, null, RULES);
		await vi.waitFor(() => expect(proof.isRead).toBe(true));
		return { proof, session };
	}

	it('reads at once at first, and tells what is new since it looked last', async () => {
		const { proof, session } = await readingOf(mark('a'), mark('b'));
		expect(session.openMarks).toBe(2);
		expect(proof.open.some((one) => proof.isFresh(one))).toBe(false);
		worker.answers.push({ marks: [mark('b'), mark('c')], claims: [] });
		proof.follow(DOC, null, RULES);
		await vi.waitFor(() => expect(proof.open.map(({ id }) => id)).toEqual(['b', 'c']));
		expect(proof.open.map((one) => proof.isFresh(one))).toEqual([false, true]);
	});

	it('goes from mark to mark among those that are looked at', async () => {
		const { proof } = await readingOf(mark('a'), mark('b', 'close'), mark('c'));
		expect(proof.step(1)?.id).toBe('a');
		expect(proof.step(1)?.id).toBe('b');
		proof.only = 'spelling';
		flushSync();
		expect(proof.inHand).toBeNull();
		expect([proof.step(1)?.id, proof.step(1)?.id, proof.step(1)?.id]).toEqual(['a', 'c', 'c']);
		expect(proof.step(-1)?.id).toBe('a');
	});

	it('keeps what is dismissed out of sight with its reason, and brings it back', async () => {
		const { proof, session } = await readingOf(mark('a'), mark('b'));
		proof.take(mark('a'));
		await proof.dismiss(mark('a'), 'a name');
		expect(proof.open.map(({ id }) => id)).toEqual(['b']);
		expect(proof.inHand?.id).toBe('b');
		expect(proof.dismissed.map(({ reason }) => reason)).toEqual(['a name']);
		expect(session.openMarks).toBe(1);
		await proof.bringBack('a');
		expect(proof.open).toHaveLength(2);
	});

	it('leaves the marks when a newer text has taken its place, and says what went wrong', async () => {
		const { proof } = await readingOf(mark('a'));
		worker.answers.push(null);
		proof.follow(DOC, null, RULES);
		await vi.waitFor(() => expect(worker.asked).toBe(2));
		expect(proof.open).toHaveLength(1);
		worker.answers.push(new Error('the worker is gone'));
		proof.follow(DOC, null, RULES);
		await vi.waitFor(() => expect(proof.trouble).toBe('The text was not read: the worker is gone'));
		expect(proof.open).toHaveLength(1);
	});

	it('switches a reading off and on', async () => {
		const { proof, session } = await readingOf(mark('a'));
		await proof.toggle('aged');
		expect(session.proof.off).toEqual(['aged']);
		await proof.toggle('aged');
		expect(session.proof.off).toEqual([]);
	});
});

describe('MarkCard', () => {
	const given = (one: Mark, more = {}) => ({
		mark: one,
		isInHand: true,
		isFresh: false,
		isDismissing: false,
		nameOf: (source: string) => source,
		onchoose: vi.fn(),
		onfix: vi.fn(),
		ongap: vi.fn(),
		ondismiss: vi.fn(),
		onask: vi.fn(),
		onleave: vi.fn(),
		...more
	});

	it('shows both passages side by side with what they share', () => {
		const close = mark('heavy stones', 'close', {
			beside: [
				{ source: 'C', text: 'The heavy stones run along.', shared: [{ start: 4, end: 16 }] }
			]
		});
		render(MarkCard, given(close));
		expect(screen.getByText('here')).toBeTruthy();
		expect(screen.getByText('C')).toBeTruthy();
		expect([...document.querySelectorAll('mark')].map(({ textContent }) => textContent)).toEqual([
			'heavy stones',
			'heavy stones'
		]);
	});

	it('offers each fix, a gap for a claim, and asks for a reason before it dismisses', async () => {
		const claim = mark('90 years', 'claims', {
			check: 'claim',
			about: 'differs',
			fixes: [{ label: 'Write “150 years”', replacement: '150 years' }]
		});
		const props = given(claim);
		const { rerender } = render(MarkCard, props);
		await userEvent.click(screen.getByRole('button', { name: 'Write “150 years”' }));
		expect(props.onfix).toHaveBeenCalledWith('150 years');
		await userEvent.click(screen.getByRole('button', { name: /Leave a gap/ }));
		expect(props.ongap).toHaveBeenCalled();
		await userEvent.click(screen.getByRole('button', { name: /Dismiss/ }));
		expect(props.onask).toHaveBeenCalledWith(true);
		await rerender({ ...props, isDismissing: true });
		await userEvent.type(screen.getByLabelText('Why it is dismissed'), 'measured{Enter}');
		expect(props.ondismiss).toHaveBeenCalledWith('measured');
	});

	it('keeps what can be done to the card in hand', () => {
		render(MarkCard, given(mark('haevy'), { isInHand: false, isFresh: true }));
		expect(screen.queryByRole('button', { name: /Dismiss/ })).toBeNull();
		expect(screen.getByText('new')).toBeTruthy();
	});
});

describe('ProofBeside', () => {
	const article = { title: 'A page', blocks: [] };
	const session = {
		evidence: {},
		takes: [
			{ id: 't1', name: 'Take A', doc: DOC },
			{ id: 't2', name: 'Take B', doc: DOC }
		],
		counted: [{ id: 'p', article, struck: [] }],
		letters: new Map([['p', 'C']]),
		noteSigns: new Map(),
		nameOf: () => 'greenplot.example',
		proof: NO_PROOF_CHOICES
	} as unknown as Session;
	const besideOf = () => {
		let beside!: ProofBeside;
		const end = $effect.root(() => {
			beside = new ProofBeside(session, 't1');
		});
		return { beside, end };
	};

	it('counts the marks of another take or a page, which is not held against itself', async () => {
		const { beside, end } = besideOf();
		expect(beside.others.map(({ name }) => name)).toEqual(['Take B', 'page C, greenplot.example']);
		worker.answers = [{ marks: [mark('a', 'claims'), mark('b', 'claims')], claims: [] }];
		await beside.choose('page: p', null, RULES);
		expect(worker.beside.at(-1)!.at(-1)).toBe('p');
		expect([beside.countOf('claims'), beside.countOf('aged')]).toEqual([2, 0]);
		worker.answers = [{ marks: [], claims: [] }];
		await beside.choose('take: t2', null, RULES);
		expect(worker.beside.at(-1)!.at(-1)).toBeNull();
		expect(beside.countOf('claims')).toBe(0);
		await beside.choose('', null, RULES);
		expect(beside.countOf('claims')).toBeNull();
		end();
	});

	it('says when the other text could not be read', async () => {
		const { beside, end } = besideOf();
		worker.answers = [new Error('the worker is gone')];
		await beside.choose('take: t2', null, RULES);
		expect(beside.trouble).toBe('It was not read: the worker is gone');
		expect(beside.countOf('claims')).toBeNull();
		end();
	});
});

describe('RhythmPicture', () => {
	it('draws a stroke for each sentence of each section, and goes to the section', async () => {
		const onshow = vi.fn();
		render(RhythmPicture, {
			sections: [
				{ heading: '', at: 0, words: [12] },
				{ heading: 'Dig', at: 3, words: [8, 41, 10] }
			],
			onshow
		});
		expect(
			screen.getByRole('img', { name: '3 sentences, half of them under 10 words' })
		).toBeTruthy();
		expect(screen.getByText('41 words')).toBeTruthy();
		await userEvent.click(screen.getByRole('button', { name: 'Dig' }));
		expect(onshow).toHaveBeenCalledWith(3);
	});
});

describe('what stands beside the text', () => {
	it('counts the marks of each reading, and lets one be looked at alone or switched off', async () => {
		const onchoose = vi.fn();
		const ontoggle = vi.fn();
		const ontoggleclient = vi.fn();
		const ondialect = vi.fn();
		const onother = vi.fn();
		render(ReadForList, {
			only: null,
			off: ['aged'],
			countOf: (reads) => (reads === 'claims' ? 4 : 0),
			isRead: true,
			onchoose,
			ontoggle,
			client: { name: 'Fellgate Tools', off: ['links'] },
			ontoggleclient,
			dialect: null,
			ondialect,
			others: [{ key: 'take: 2', name: 'Take B' }],
			other: 'take: 2',
			besideOf: (reads) => (reads === 'claims' ? 7 : 0),
			onother
		});
		const rows = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
		expect(rows.find((row) => row?.includes('Claims'))).toContain('4');
		expect(rows.find((row) => row?.includes('Aged'))).toContain('off');
		await userEvent.click(screen.getByRole('button', { name: 'Claims' }));
		expect(onchoose).toHaveBeenCalledWith('claims');
		await userEvent.click(screen.getByRole('button', { name: 'Do not read for Claims' }));
		expect(ontoggle).toHaveBeenCalledWith('claims');
		expect(rows.find((row) => row?.includes('Links'))).toContain('off');
		await userEvent.click(
			screen.getByRole('button', { name: 'Read for Links, images for Fellgate Tools' })
		);
		expect(ontoggleclient).toHaveBeenCalledWith('links');
		expect(rows.find((row) => row?.includes('Claims'))).toMatch(/4\s*7/);
		await userEvent.selectOptions(screen.getByLabelText('Beside'), '');
		expect(onother).toHaveBeenCalledWith('');
		await userEvent.selectOptions(screen.getByLabelText('Spelling'), 'american');
		expect(ondialect).toHaveBeenCalledWith('american');
	});

	it('ticks moves and goes to their sections', async () => {
		const ontick = vi.fn();
		const ongo = vi.fn();
		render(MovesList, {
			moves: [
				{ id: 'a', kind: 'use', text: 'use “cope” once', section: 's', gain: 1.2 },
				{ id: 'b', kind: 'hold', text: 'close 3 gaps', section: null, gain: 4.5 }
			],
			ticked: new Set(['b']),
			ontick,
			ongo
		});
		expect(screen.getByText(/1 ticked/)).toBeTruthy();
		await userEvent.click(screen.getByRole('checkbox', { name: 'Tick: use “cope” once' }));
		expect(ontick).toHaveBeenCalledWith('a');
		await userEvent.click(screen.getByRole('button', { name: 'use “cope” once' }));
		expect(ongo).toHaveBeenCalledWith('s');
	});

	it('lists claims by how they stand, and makes references of those that are backed', async () => {
		const claim = (quote: string, backing: Claim['backing'], more: Partial<Claim> = {}): Claim => ({
			place: { block: 0, start: 0, end: 1 },
			quote,
			sentence: quote,
			backing,
			same: [],
			other: [],
			...more
		});
		const user = userEvent.setup();
		render(ClaimsList, {
			claims: [
				claim('£870', 'no backing'),
				claim('150 years', 'backed', {
					same: [{ source: 'n1', text: 'It lasts 150 years.', value: '' }]
				})
			],
			nameOf: (source) => source,
			onshow: vi.fn()
		});
		expect(screen.getByText('2 claims: 1 without backing, 1 backed')).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Copy references' }));
		expect(await navigator.clipboard.readText()).toBe('n1\n- 150 years: It lasts 150 years.');
	});
});
