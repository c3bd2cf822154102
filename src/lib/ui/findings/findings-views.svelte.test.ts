import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import {
	NO_EDITS,
	OWN_AS_SOURCE,
	questionRef,
	type Answer,
	type FactGroup,
	type FindingEdits,
	type Findings,
	type LongPhrase,
	type Question
} from '$lib/core/findings';
import { demoFindings } from '../../../../tests/support/demo';
import { Session } from '../assignment/session.svelte';
import * as downloads from '../parts/download';
import FactsView from './FactsView.svelte';
import PhrasesView from './PhrasesView.svelte';
import QuestionsView from './QuestionsView.svelte';
import TermDetail from './TermDetail.svelte';
import TopicsView from './TopicsView.svelte';
import { NO_FILTER, termRowsOf } from './term-rows';
import { answering } from '../../../../tests/support/analyst';

const worker = {
	longPhrases: vi.fn<(of: unknown) => Promise<unknown>>(),
	context: vi.fn<(of: unknown, term: unknown) => Promise<unknown>>()
};
answering(worker);
const download = vi.spyOn(downloads, 'download').mockImplementation(() => {});

// what floats has no place in jsdom, so that its roles are hidden: it is found by its words
const user = userEvent.setup({ pointerEventsCheck: 0 });
let demo: Findings;
beforeAll(() => {
	demo = demoFindings().findings;
}, 60_000);
beforeEach(() => {
	vi.clearAllMocks();
});

/** A session that keeps what is edited by hand, as the stored assignment would. */
function sessionOf(findings: Findings) {
	let edits = $state.raw<FindingEdits>(NO_EDITS);
	let analysed = $state.raw<{ evidence: string }>({ evidence: 'first' });
	const steps: string[] = [];
	return {
		id: 'a1',
		pages: [],
		letters: new Map(findings.pages.map(({ id }, i) => [id, String.fromCharCode(65 + i)])),
		noteSigns: new Map<string, string>(),
		nameOf: (id: string) => (id === OWN_AS_SOURCE ? 'your own' : `note ${id}`),
		timeOf: () => '',
		steps,
		get edits() {
			return edits;
		},
		get analysed() {
			return analysed;
		},
		anew: (evidence: string) => flushSync(() => (analysed = { evidence })),
		edit: async (label: string, change: (edits: FindingEdits) => FindingEdits) => {
			steps.push(label);
			edits = change(edits);
		}
	};
}

type View = Parameters<typeof render>[0];
function draw(view: unknown, findings: Findings = demo, more: Record<string, unknown> = {}) {
	const session = sessionOf(findings);
	render(view as View, {
		props: { findings, ...more } as never,
		context: new Map<symbol, unknown>([[Session.KEY, session]])
	});
	return session;
}
const textsOf = (list: HTMLElement) =>
	within(list)
		.getAllByRole('button', { expanded: false })
		.map(({ textContent }) => textContent!.trim());

describe('the facts', () => {
	const list = () => screen.getByRole('list', { name: 'Figures, those of most sources first' });
	const show = (what: string) =>
		user.selectOptions(screen.getByRole('combobox', { name: 'Facts shown' }), what);

	it('are those of several sources first, and others by choice', async () => {
		draw(FactsView);
		const shared = demo.figures.filter(({ sources }) => sources.length > 1);
		expect(screen.getByRole('status').textContent).toBe(`${shared.length} figures`);
		await show('where sources differ');
		const differing = demo.figures.filter(({ agreement }) => agreement === 'differs');
		expect(within(list()).getAllByText('they differ')).toHaveLength(differing.length);
		await show('only in your notes');
		expect(within(list()).queryByText('they differ')).toBeNull();
		await show('naming a body, law or standard');
		expect(screen.getByRole('status').textContent).toMatch(/^\d+ sentences$/);
		await user.type(screen.getByRole('searchbox', { name: 'Find a fact' }), 'no such words');
		expect(screen.getByText('No sentence names a body, law or standard.')).toBeTruthy();
		await show('where sources differ');
		expect(screen.getByText('Nowhere do two sources differ.')).toBeTruthy();
	});

	it('open to every sentence, its figure marked, with the way to the page', async () => {
		draw(FactsView);
		const group = demo.figures.find(({ sources, onlyNotes }) => sources.length > 2 && !onlyNotes)!;
		await user.click(
			within(list()).getAllByRole('button', { name: group.label, expanded: false })[0]!
		);
		const inside = within(list()).getByRole('button', { name: group.label, expanded: true });
		const row = inside.closest('li')!;
		for (const { fact, quantity, origin } of group.values) {
			const said = demo.facts.find(({ id }) => id === fact)!;
			expect(row.textContent).toContain(said.text.slice(0, 40));
			const marks = [...row.querySelectorAll('mark')].map(({ textContent }) => textContent);
			expect(marks).toContain(said.quantities[quantity]!.text);
			if (origin === 'page')
				expect(
					[...row.querySelectorAll('a')].some(({ href }) =>
						href.includes(`page=${encodeURIComponent(said.source)}`)
					)
				).toBe(true);
		}
	});

	it('are merged within a kind only, and a single figure is split off', async () => {
		const session = draw(FactsView);
		const shared = demo.figures.filter(({ sources }) => sources.length > 1);
		const [first] = shared as [FactGroup];
		const alike = shared.find((one) => one !== first && one.dimension === first.dimension)!;
		const other = shared.find(({ dimension }) => dimension !== first.dimension)!;
		const boxOf = (group: FactGroup) =>
			within(list()).getAllByRole('checkbox')[shared.indexOf(group)]!;
		await user.click(boxOf(first));
		await user.click(boxOf(other));
		expect(screen.getByText(/^Only figures of one kind can be merged/)).toBeTruthy();
		expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Merge' }).disabled).toBe(true);
		await user.click(boxOf(other));
		await user.click(boxOf(alike));
		await user.click(screen.getByRole('button', { name: /^Merge into/ }));
		expect(session.edits.figures.together[0]).toEqual(
			expect.arrayContaining([first.values[0]!.ref, alike.values[0]!.ref])
		);
		await user.click(
			within(list()).getAllByRole('button', { name: first.label, expanded: false })[0]!
		);
		await user.click(within(list()).getAllByRole('checkbox', { name: / of [A-Z]$/ })[0]!);
		await user.click(screen.getByRole('button', { name: 'Split off 1' }));
		expect(session.edits.figures.apart.length).toBeGreaterThan(0);
	});

	it('are copied as sentences with their source, none twice, and exported with every figure', async () => {
		draw(FactsView);
		await show('where sources differ');
		const differing = demo.figures.filter(({ agreement }) => agreement === 'differs');
		const values = differing.flatMap((group) => group.values);
		await user.click(screen.getByRole('button', { name: 'Copy' }));
		await user.click(await screen.findByText('Sentences with source'));
		const lines = (await navigator.clipboard.readText()).split('\n');
		expect(new Set(lines).size).toBe(lines.length);
		expect(new Set(values.map(({ fact }) => fact)).size).toBeGreaterThanOrEqual(lines.length);
		expect(lines.every((line) => /^- .+ \((?:[A-Z]|note .+)\)$/.test(line))).toBe(true);
		await user.click(screen.getByRole('button', { name: 'Copy' }));
		await user.click(await screen.findByText('Export as CSV'));
		const [name, csv] = download.mock.lastCall!;
		expect(name).toBe('facts.csv');
		expect(String(csv).trim().split('\r\n')).toHaveLength(values.length + 1);
	});

	it('that were struck out are listed, and come back', async () => {
		const [struck, ...figures] = demo.figures;
		const session = draw(FactsView, {
			...demo,
			figures,
			struck: { ...demo.struck, figures: [struck!] }
		});
		await show('struck out (1)');
		await user.click(within(list()).getByRole('button', { expanded: false }));
		await user.click(screen.getByRole('button', { name: 'Bring back' }));
		expect(session.steps).toHaveLength(1);
	});
});

describe('the questions', () => {
	const list = () => screen.getByRole('list', { name: 'Questions, those asked most first' });
	const choose = (name: string, what: string) =>
		user.selectOptions(screen.getByRole('combobox', { name }), what);
	const answer = (source: string, text: string): Answer => ({
		...demo.questions.flatMap((one) => one.answers)[0]!,
		source,
		text
	});
	const asking = (text: string, more: Partial<Question>): Question => ({
		...demo.questions[0]!,
		id: text,
		text,
		wordings: [text],
		pages: [],
		lists: [],
		volume: null,
		answers: [],
		mayAnswer: [],
		...more
	});
	const page = () => demo.pages[0]!.id;

	it('say who answers, and are chosen by it', async () => {
		const questions = [
			asking('Does it need mortar?', { answers: [answer(page(), 'No mortar.')] }),
			asking('Is it warm?', { answers: [answer('n', 'It is not.')] }),
			asking('Can two do it?', { mayAnswer: [answer('n', 'Two friends did it.')] }),
			asking('Will cows push it over?', {})
		];
		draw(QuestionsView, { ...demo, questions });
		const said = within(list())
			.getAllByRole('listitem')
			.map((row) => row.textContent!.replace(/\s+/g, ' ').trim());
		expect(said[0]).toMatch(/no note · A$/);
		expect(said[1]).toMatch(/only your notes$/);
		expect(said[2]).toMatch(/perhaps a note$/);
		expect(said[3]).toMatch(/no answer$/);
		const shown = async (what: string) => {
			await choose('Answered', what);
			return textsOf(list());
		};
		expect(await shown('answered on a page')).toEqual(['Does it need mortar?']);
		expect(await shown('answered in your notes')).toEqual(['Is it warm?']);
		expect(await shown('may be answered')).toEqual(['Can two do it?']);
		expect(await shown('no page answers it')).toEqual([
			'Is it warm?',
			'Can two do it?',
			'Will cows push it over?'
		]);
		await user.type(screen.getByRole('searchbox', { name: 'Find a question' }), 'sheep');
		expect(screen.getByText('No question fits the filter.')).toBeTruthy();
	});

	it('have what may answer confirmed and refused by key, and refusals taken back', async () => {
		const may = answer('n', 'Two friends did it in a week.');
		const question = asking('Can two do it?', { mayAnswer: [may] });
		const session = draw(QuestionsView, { ...demo, questions: [question] });
		const row = within(list()).getByRole('button', { name: 'Can two do it?' });
		await user.click(row);
		row.focus();
		await user.keyboard('y');
		expect(session.steps.at(-1)).toBe('Confirmed an answer to “Can two do it?”');
		expect(session.edits.answers).toMatchObject([
			{ question: questionRef('Can two do it?'), source: 'n', isRight: true }
		]);
		await user.keyboard('n');
		expect(session.edits.answers).toMatchObject([{ isRight: false }]);
		await user.click(await screen.findByText('1 answer refused'));
		await user.click(screen.getByRole('button', { name: /^Take back: Two friends/ }));
		expect(session.edits.answers).toEqual([]);
	});

	it('leave the keys to the list where nothing may answer', async () => {
		const session = draw(QuestionsView, { ...demo, questions: [asking('Is it old?', {})] });
		const row = within(list()).getByRole('button', { name: 'Is it old?' });
		await user.click(row);
		expect(screen.getByText(/^Neither a counted page nor a note answers it/)).toBeTruthy();
		row.focus();
		await user.keyboard('y');
		expect(session.steps).toEqual([]);
		await user.keyboard('x');
		expect(session.edits.questions.struck).toEqual([questionRef('Is it old?')]);
	});

	it('have other wordings split off', async () => {
		const wordings = ['How wide is it?', 'What width should it have?'];
		const session = draw(QuestionsView, {
			...demo,
			questions: [asking(wordings[0]!, { wordings })]
		});
		await user.click(within(list()).getByRole('button', { name: wordings[0]! }));
		await user.click(screen.getAllByRole('button', { name: 'Split off' })[1]!);
		expect(session.edits.questions.apart).toMatchObject([{ one: [questionRef(wordings[1]!)] }]);
	});

	it('take one of the writer’s own, once, and give it up again', async () => {
		const own = asking('May it lean?', { lists: [OWN_AS_SOURCE] });
		const session = draw(QuestionsView, { ...demo, questions: [own] });
		for (const text of ['ha', 'May it lean?', 'May it lean?']) {
			await user.click(screen.getByRole('button', { name: 'Add' }));
			await user.type(await screen.findByLabelText('A question of your own'), `${text}{Enter}`);
		}
		expect(session.edits.ownQuestions).toEqual(['May it lean?']);
		await user.click(within(list()).getByRole('button', { name: 'May it lean?' }));
		await user.click(screen.getByRole('button', { name: 'Take out your own' }));
		expect(session.edits.ownQuestions).toEqual([]);
	});

	it('are exported with what answers and what may', async () => {
		draw(QuestionsView, {
			...demo,
			questions: [
				asking('Can two, or "three", do it?', {
					volume: 90,
					answers: [answer(page(), 'Two can.')],
					mayAnswer: [answer('n', 'Friends did.')]
				})
			]
		});
		await user.click(screen.getByRole('button', { name: 'Copy' }));
		await user.click(await screen.findByText('Export as CSV'));
		const [, csv] = download.mock.lastCall!;
		expect(String(csv).split('\r\n')[1]).toBe(
			`"Can two, or ""three"", do it?",${demo.questions[0]!.kind},0,0,90,Two can.,A,note n: Friends did.`
		);
		await user.click(screen.getByRole('button', { name: 'Copy' }));
		await user.click(await screen.findByText('as Markdown, with answers'));
		expect(await navigator.clipboard.readText()).toBe(
			'### Can two, or "three", do it?\n\nTwo can.'
		);
	});

	it('that nobody asks are offered where something answers them', async () => {
		const session = draw(QuestionsView, {
			...demo,
			questions: [],
			followUps: [{ ...demo.followUps[0]!, id: 'f', text: 'Why do walls bulge?', answers: [] }]
		});
		expect(screen.getByText(/^Nobody asks anything yet/)).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Take it in' }));
		expect(session.edits.ownQuestions).toEqual(['Why do walls bulge?']);
	});
});

describe('the topics', () => {
	const list = () => screen.getByRole('list', { name: 'Topics in their usual order' });

	it('stand in their order, inner ones behind their own, those of one page when asked for', async () => {
		draw(TopicsView);
		const shared = demo.topics.filter(({ pages }) => pages.length > 1);
		const single = demo.topics.length - shared.length;
		expect(textsOf(list()).toSorted()).toEqual(shared.map(({ label }) => label).toSorted());
		const inner = shared.find(
			({ parent }) => parent !== null && shared.some(({ id }) => id === parent)
		);
		if (inner) {
			const outer = shared.find(({ id }) => id === inner.parent)!;
			const order = textsOf(list());
			expect(order.indexOf(inner.label)).toBeGreaterThan(order.indexOf(outer.label));
		}
		await user.click(screen.getByRole('button', { name: `Show ${single} that only one page has` }));
		expect(textsOf(list())).toHaveLength(demo.topics.length);
		await user.type(screen.getByRole('searchbox', { name: 'Find a topic' }), 'zeppelin');
		expect(screen.getByText('No topic is called that.')).toBeTruthy();
	});

	it('open to their headings and what belongs under them, are named and split', async () => {
		const session = draw(TopicsView);
		const topic = demo.topics.find(
			({ headings, pages }) => headings.length > 2 && pages.length > 1
		)!;
		await user.click(within(list()).getByRole('button', { name: topic.label, expanded: false }));
		const row = within(list())
			.getByRole('button', { name: topic.label, expanded: true })
			.closest('li')!;
		for (const { text } of topic.headings) expect(row.textContent).toContain(text);
		expect(within(row).getByText('Made as')).toBeTruthy();
		await user.click(within(row).getAllByRole('checkbox', { name: /^Tick heading / })[0]!);
		await user.click(within(row).getByRole('button', { name: 'Split off 1' }));
		expect(session.steps.at(-1)).toBe(`Split “${topic.label}”`);
		const field = within(row).getByLabelText(`Name of the topic ${topic.label}`);
		await user.clear(field);
		await user.type(field, 'Digging{Enter}');
		expect(session.steps.at(-1)).toBe(`Renamed “${topic.label}” to “Digging”`);
	});

	it('that were struck out wait behind a button', async () => {
		const [struck, ...topics] = demo.topics;
		const session = draw(TopicsView, {
			...demo,
			topics,
			struck: { ...demo.struck, topics: [struck!] }
		});
		await user.click(screen.getByRole('button', { name: '1 struck out' }));
		await user.click(
			within(screen.getByRole('list', { name: 'Struck out' })).getByRole('button', {
				name: 'Bring back'
			})
		);
		expect(session.steps).toEqual([`Brought back “${struck!.label}”`]);
	});
});

describe('the long phrases', () => {
	const phrase = (text: string, more: Partial<LongPhrase> = {}): LongPhrase => ({
		phrase: text,
		of: demo.terms[0]!.key,
		count: 2,
		pages: [demo.pages[1]!.id],
		isAsked: false,
		isListed: false,
		volume: null,
		...more
	});

	it('stand under what they vary, and are taken in as terms', async () => {
		worker.longPhrases.mockResolvedValue([
			phrase('small cope stones', { isAsked: true }),
			phrase('cheap cope stones', { volume: 1300, isListed: true })
		]);
		const session = draw(PhrasesView);
		const row = (await screen.findByText('small cope stones')).closest('li')!;
		expect(screen.getByRole('heading', { name: demo.terms[0]!.phrase })).toBeTruthy();
		expect(row.textContent).toMatch(/B · asked/);
		expect(screen.getByText('1,300 a month · B')).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Take in as a term: small cope stones' }));
		expect(session.steps).toEqual(['Added “small cope stones”']);
		expect(Object.values(session.edits.terms)).toMatchObject([
			{ phrase: 'small cope stones', isOwn: true }
		]);
		await user.type(screen.getByRole('searchbox', { name: 'Find a phrase' }), 'cheap');
		expect(screen.getByRole('status').textContent).toBe('1 phrases');
	});

	it('of older evidence never take the place of newer ones', async () => {
		let late: (found: unknown) => void = () => {};
		worker.longPhrases.mockImplementation((evidence) =>
			evidence === 'first'
				? new Promise((resolve) => (late = resolve))
				: Promise.resolve([phrase('new wording')])
		);
		const session = draw(PhrasesView);
		session.anew('second');
		expect(await screen.findByText('new wording')).toBeTruthy();
		late([phrase('old wording')]);
		await Promise.resolve();
		expect(screen.queryByText('old wording')).toBeNull();
	});
});

describe('a term opened', () => {
	const on = { onstrike: vi.fn(), onadd: vi.fn(), onchoose: vi.fn() };

	it('shows every sentence by page, its uses marked, and is decided on', async () => {
		const row = termRowsOf(demo, NO_FILTER, 'rank')[0]!;
		const { phrase } = row.term;
		const sentence = `A ${phrase} is no ${phrase}.`;
		worker.context.mockResolvedValue([
			{
				page: demo.pages[0]!.id,
				section: 1,
				heading: 'On top',
				text: sentence,
				marks: [
					[2, 2 + phrase.length],
					[sentence.length - 1 - phrase.length, sentence.length - 1]
				]
			}
		]);
		const session = draw(TermDetail, demo, { row, ...on });
		expect(await screen.findAllByText(phrase, { selector: 'mark' })).toHaveLength(2);
		await user.selectOptions(
			screen.getByRole('combobox', { name: `Weight of ${phrase}` }),
			'could'
		);
		expect(session.edits.terms[row.term.key]).toMatchObject({ weight: 'could' });
	});

	it('takes a range that a number can be, the ends never crossing', async () => {
		worker.context.mockResolvedValue([]);
		const row = termRowsOf(demo, NO_FILTER, 'rank')[0]!;
		const session = draw(TermDetail, demo, { row, ...on });
		const set = async (end: 'Fewest uses' | 'Most uses', text: string) => {
			const field = screen.getByLabelText(end);
			await user.clear(field);
			await user.type(field, `${text}{Tab}`);
		};
		await set('Fewest uses', 'many');
		await set('Most uses', '-4');
		expect(session.edits.terms).toEqual({});
		await set('Fewest uses', String(row.term.max + 7));
		expect(session.edits.terms[row.term.key]).toMatchObject({
			range: { min: row.term.max + 7, max: row.term.max + 7 }
		});
		await set('Most uses', '1');
		expect(session.edits.terms[row.term.key]).toMatchObject({ range: { min: 1, max: 1 } });
	});

	it('counts another term for it, and no stranger', async () => {
		worker.context.mockResolvedValue([]);
		const [row, other] = termRowsOf(demo, NO_FILTER, 'rank');
		const session = draw(TermDetail, demo, { row: row!, ...on });
		const field = screen.getByLabelText('Count another term for it');
		await user.type(field, 'no term at all{Enter}');
		expect(session.steps).toEqual([]);
		await user.clear(field);
		await user.type(field, `${other!.term.phrase.toUpperCase()}{Enter}`);
		expect(session.edits.terms[other!.term.key]).toMatchObject({
			into: row!.term.key
		});
		expect(screen.getByText('No counted page uses it word for word.')).toBeTruthy();
	});

	it('of the notes alone counts for nothing until it is taken in', async () => {
		worker.context.mockResolvedValue([]);
		const row = { ...termRowsOf(demo, NO_FILTER, 'rank')[0]!, state: 'note' as const };
		draw(TermDetail, demo, { row, ...on });
		expect(screen.queryByLabelText('Fewest uses')).toBeNull();
		await user.click(screen.getByRole('button', { name: 'Take it in as a term' }));
		expect(on.onadd).toHaveBeenCalledOnce();
	});
});
