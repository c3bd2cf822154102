import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { describe, expect, it } from 'vitest';
import { NO_EDITS, type FindingEdits } from '$lib/core/findings';
import type { Session } from '../assignment/session.svelte';
import { GroupList } from './group-list.svelte';
import GroupTools from './GroupTools.svelte';

interface Entry {
	readonly id: string;
	readonly name: string;
	readonly refs: readonly string[];
}

/** A list whose findings the test works out anew, and what was edited by hand. */
function listOf(first: readonly Entry[]) {
	let entries = $state.raw(first);
	const edited: { label: string; edits: FindingEdits }[] = [];
	const session = {
		edit: async (label: string, change: (edits: FindingEdits) => FindingEdits) => {
			edited.push({ label, edits: change(edited.at(-1)?.edits ?? NO_EDITS) });
		}
	} as unknown as Session;
	const list = new GroupList<Entry>({
		session,
		edits: 'topics',
		noun: 'topics',
		entries: () => entries,
		refsOf: ({ refs }) => [...refs],
		nameOf: ({ name }) => name
	});
	return {
		list,
		edited,
		find: (next: readonly Entry[]) => {
			entries = next;
			flushSync();
			return next;
		}
	};
}

const footings: Entry = { id: 'topic:p/1', name: 'Lay the footings', refs: ['p|a', 'q|b', 'r|c'] };
const cope: Entry = { id: 'topic:p/2', name: 'Cope it', refs: ['p|d'] };

describe('GroupList', () => {
	it('keeps open, ticked and typed what it was when the findings are worked out anew', () => {
		const { list, find } = listOf([footings, cope]);
		list.toggleOpen(footings);
		list.tick(cope);
		list.tickPart('q|b');
		list.typedName = 'Footings first';
		// the same topics under other ids, one of them with a part split off
		const [gone, rest, other] = find([
			{ id: 'topic:q/9', name: 'Footings', refs: ['q|b'] },
			{ ...footings, id: 'topic:r/4', refs: ['p|a', 'r|c'] },
			{ ...cope, id: 'topic:r/5' }
		]);
		expect([gone, rest, other].map((entry) => list.isOpen(entry!))).toEqual([false, true, false]);
		expect(list.tickedEntries).toEqual([other]);
		expect(list.parting.has('q|b')).toBe(true);
		expect(list.typedName).toBe('Footings first');
		list.toggleOpen(rest!);
		expect(list.typedName).toBeNull();
	});

	it('gives entries that are equal in every way rows of their own', () => {
		const { list } = listOf([footings, { ...footings }]);
		const other = { ...footings };
		expect(list.keyOf(footings)).not.toBe(list.keyOf(other));
	});

	it('merges, splits, names and strikes by what the parts say', () => {
		const { list, edited } = listOf([footings, cope]);
		list.tick(footings);
		list.tick(cope);
		list.merge();
		expect(edited.at(-1)).toMatchObject({
			label: 'Merged 2 topics into “Lay the footings”',
			edits: { topics: { together: [expect.arrayContaining(['p|a', 'p|d']) as string[]] } }
		});
		expect(list.tickedEntries).toEqual([]);
		list.part(footings, ['q|b']);
		expect(edited.at(-1)!.edits.topics.apart.length).toBeGreaterThan(0);
		list.strike(cope, true);
		expect(edited.at(-1)!.edits.topics.struck).toContain('p|d');
		const steps = edited.length;
		list.part(footings, footings.refs);
		list.rename(footings, ' Lay the footings ');
		expect(edited).toHaveLength(steps);
	});
});

describe('GroupTools', () => {
	it('names the entry in hand, and keeps what is typed while findings come', async () => {
		const { list, edited, find } = listOf([footings]);
		list.toggleOpen(footings);
		const user = userEvent.setup();
		const props = { list, entry: footings, parts: 'headings', naming: 'Name of the topic' };
		const { rerender } = render(GroupTools<Entry>, props);
		const field = screen.getByLabelText<HTMLInputElement>('Name of the topic');
		await user.clear(field);
		await user.type(field, 'Footings fi');
		const [anew] = find([{ ...footings, id: 'topic:z/1', name: 'Footings' }]);
		await rerender({ ...props, entry: anew! });
		expect(field.value).toBe('Footings fi');
		await user.type(field, 'rst{Enter}');
		expect(edited.at(-1)!.label).toBe('Renamed “Footings” to “Footings first”');
	});

	it('splits off only a part of the parts', async () => {
		const { list, edited } = listOf([footings]);
		render(GroupTools<Entry>, { list, entry: footings, parts: 'headings' });
		const button = () => screen.getByRole<HTMLButtonElement>('button', { name: /split|Split/ });
		expect(button().disabled).toBe(true);
		flushSync(() => list.tickPart('q|b'));
		await userEvent.setup().click(button());
		expect(edited.at(-1)!.label).toBe('Split “Lay the footings”');
	});
});
