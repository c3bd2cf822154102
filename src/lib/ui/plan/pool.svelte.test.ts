import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { newSection, type Plan } from '$lib/core/plan';
import { demoFindings, type DemoEvidence } from '../../../../tests/support/demo';
import { planOf } from '../../../../tests/support/plans';
import { Session } from '../assignment/session.svelte';
import ComparePage from './ComparePage.svelte';
import { PlanEditor } from './plan-editor.svelte';
import Pool from './Pool.svelte';
import { answering } from '../../../../tests/support/analyst';

answering({});

const user = userEvent.setup();
let demo: DemoEvidence;
let findings: Findings;
beforeAll(() => {
	demo = demoFindings();
	({ findings } = demo);
}, 60_000);

/** An editor over a plan of two sections, whose steps stay in memory. */
function editorOf(change: (plan: Plan) => Plan = (plan) => plan) {
	let plan = $state.raw(
		change(
			planOf(newSection('dig', 'Dig the trench', 200), newSection('cope', 'Set the cope', 200))
		)
	);
	const steps: string[] = [];
	const session = {
		id: 'a1',
		get plan() {
			return plan;
		},
		findings,
		analysed: { evidence: {}, revision: 'r', findings },
		isCurrent: false,
		assignment: null,
		pages: [] as unknown[],
		letters: new Map(findings.pages.map(({ id }, i) => [id, String.fromCharCode(65 + i)])),
		noteSigns: new Map(demo.notes.map(({ id }, i) => [id, `n${i + 1}`])),
		nameOf: (id: string) => id,
		changePlan: async (label: string, next: Plan | null) => {
			steps.push(label);
			plan = next!;
			flushSync();
		}
	};
	const editor = new PlanEditor(session as unknown as Session);
	return { editor, session, steps, plan: () => plan };
}
type Made = ReturnType<typeof editorOf>;
const contextOf = ({ editor, session }: Made) =>
	new Map<unknown, unknown>([
		[PlanEditor.KEY, editor],
		[Session.KEY, session]
	]);

describe('the pool', () => {
	function draw(change?: (plan: Plan) => Plan) {
		const made = editorOf(change);
		const { rerender } = render(Pool, {
			props: { plan: made.plan(), findings },
			context: contextOf(made)
		});
		return { ...made, again: () => rerender({ plan: made.plan(), findings }) };
	}
	const rows = () =>
		within(screen.getByRole('list', { name: 'Not yet placed first' })).getAllByRole('listitem');
	const open = (tab: RegExp) => user.click(screen.getByRole('tab', { name: tab }));

	it('holds what the evidence brings, what has no place first, and counts it', async () => {
		const [first] = findings.questions;
		const last = findings.questions.at(-1)!;
		draw((plan) => ({
			...plan,
			sections: plan.sections.map((section) =>
				section.id === 'dig'
					? { ...section, questions: [{ question: first!.id, isHeading: false }] as never }
					: section
			)
		}));
		await open(/^Questions/);
		expect(
			screen.getByRole('tab', { name: `Questions ${findings.questions.length - 1}` })
		).toBeTruthy();
		const shown = rows().map(({ textContent }) => textContent!);
		expect(shown.at(-1)).toContain(first!.text);
		expect(shown.at(-1)).toMatch(/in 1/);
		expect(shown.some((text) => text.includes(last.text))).toBe(true);
		await user.type(screen.getByRole('searchbox', { name: 'Find in questions' }), 'zeppelin');
		expect(screen.getByText('Nothing here says that.')).toBeTruthy();
	});

	it('takes topics into the outline, one or those that are ticked', async () => {
		const { steps, plan, again } = draw();
		const label = /^Tick (.*)$/.exec(
			within(rows()[0]!).getByRole('checkbox').getAttribute('aria-label')!
		)![1]!;
		await user.click(within(rows()[0]!).getByRole('button', { name: 'Take it in' }));
		expect(steps).toEqual([`Took “${label}” into the outline`]);
		expect(plan().sections.length).toBeGreaterThan(3);
		await again();
		await user.click(within(rows()[0]!).getByRole('checkbox'));
		await user.click(within(rows()[1]!).getByRole('checkbox'));
		expect(screen.getByText('2 ticked')).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Take them in' }));
		expect(steps.at(-1)).toBe('Took 2 topics into the outline');
		expect(screen.queryByText('2 ticked')).toBeNull();
	});

	it('places what is ticked in the section in hand, and asks for one before', async () => {
		const { editor, plan, steps } = draw();
		await open(/^Terms/);
		await user.click(within(rows()[0]!).getByRole('checkbox'));
		expect(
			screen.getByRole<HTMLButtonElement>('button', { name: 'Choose a section' }).disabled
		).toBe(true);
		flushSync(() => (editor.chosen = 'cope'));
		expect(screen.getByText('into “Set the cope”')).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Place them' }));
		expect(steps.at(-1)).toMatch(/^Placed “.+” in “Set the cope”$/);
		expect(plan().sections.find(({ id }) => id === 'cope')!.terms).toHaveLength(1);
	});

	it('offers a note without a place the sections it is nearest to', async () => {
		const { steps, plan } = draw();
		await open(/^Notes/);
		const offered = rows().flatMap((row) =>
			within(row)
				.queryAllByRole('button')
				.filter(({ textContent }) => /trench|cope/i.test(textContent!))
		);
		expect(offered.length).toBeGreaterThan(0);
		await user.click(offered[0]!);
		expect(steps.at(-1)).toMatch(/^Placed “/);
		expect(plan().sections.flatMap(({ notes }) => notes)).toHaveLength(1);
	});

	it('says why a term has no place, with what would give it one', async () => {
		const term = findings.terms[0]!;
		const { plan } = draw((before) => ({
			...before,
			unplaced: [
				{
					term: term.key,
					reason: 'The outline has no section about it',
					remedies: [{ kind: 'words', section: 'dig', words: 120 }]
				}
			] as never
		}));
		await open(/^Terms/);
		expect(screen.getByText('The outline has no section about it.')).toBeTruthy();
		await user.click(screen.getByRole('button', { name: 'Give “Dig the trench” 120 more words' }));
		expect(plan().sections.find(({ id }) => id === 'dig')!.budget).toBe(320);
	});
});

describe('a plan beside a page', () => {
	it('pairs headings of one topic, and takes in what ours has not', async () => {
		const topic = findings.topics.find(
			({ headings, pages }) => headings.length > 1 && pages.length > 1
		)!;
		const made = editorOf();
		made.editor.takeTopics([topic]);
		const { page } = topic.headings[0]!;
		made.session.pages = demo.pages.map(({ work, blocks }) => ({
			id: work.id,
			struck: [],
			article: { blocks: blocks.map((block) => ({ block, dropped: null })) }
		}));
		const onclose = vi.fn();
		render(ComparePage, { props: { page, onclose }, context: contextOf(made) });
		const letter = made.session.letters.get(page)!;
		const ours = within(screen.getByRole('list', { name: 'Our plan' }));
		const theirs = within(screen.getByRole('list', { name: `Outline of ${letter}` }));
		const paired = theirs.getAllByText(topic.headings[0]!.text)[0]!.closest('li')!;
		expect(paired.textContent!.trim()).toMatch(/^(?:\d|top)/);
		expect(ours.getAllByRole('listitem')).toHaveLength(made.plan().sections.length);
		expect(screen.getByText(/^\d+ of \d+ headings have their counterpart in ours$/)).toBeTruthy();
		const before = made.plan().sections.length;
		await user.click(theirs.getAllByRole('button', { name: 'Take the topic in' })[0]!);
		expect(made.plan().sections.length).toBeGreaterThan(before);
		await user.click(screen.getByRole('button', { name: 'Back to the plan' }));
		expect(onclose).toHaveBeenCalledOnce();
	});
});
