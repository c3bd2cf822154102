import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { describe, expect, it, vi } from 'vitest';
import { unitsOfNote, type UnitEdits } from '$lib/core/notes';
import type { Note } from '$lib/data/db';
import UnitsView from './UnitsView.svelte';

const user = userEvent.setup();
const TEXT = `# Call with the quarry

Speaker: Rowan (quarry foreman)

Rowan: We sell the stone by the tonne, and we deliver within a week.

- Sorting took half a day. Nobody helped.
- off the record: the lorry is not insured
- do not say "cheap stone"

To do: ask for the price of copes
`;

/** A view over a note whose edits are kept, as the stored note would be. */
function draw(more: Partial<Note> = {}, isTaken: () => boolean = () => false) {
	let note = $state.raw({
		id: 'n',
		assignment: 'a',
		name: 'quarry.md',
		kind: 'note',
		text: TEXT,
		order: 1,
		...more
	} as unknown as Note);
	const labels: string[] = [];
	const onoffer = vi.fn();
	const props = {
		get note() {
			return note;
		},
		onedits: (edits: UnitEdits, label: string) => {
			labels.push(label);
			note = { ...note, unitEdits: edits };
			flushSync();
		},
		onoffer,
		isTaken
	};
	render(UnitsView, props);
	return { labels, onoffer, units: () => unitsOfNote(note).units };
}
const list = () => screen.getByRole('list', { name: 'Units of quarry.md' });
const row = (says: string) =>
	within(list())
		.getAllByRole('listitem')
		.find((one) => one.dataset.key !== undefined && one.textContent!.includes(says))!;

describe('a note as its units', () => {
	it('says of each what it is, and what is kept out of drafts', () => {
		const { units } = draw();
		const kindOf = (says: string) => units().find(({ text }) => text.includes(says))!.kind;
		expect(kindOf('not insured')).toBe('off-record');
		expect(row('not insured').getAttribute('aria-label')).toMatch(/^off record: /);
		expect(kindOf('cheap stone')).toBe('do-not-say');
		expect(screen.getByText(/^Kept out of every draft and request: \d+ units\.$/)).toBeTruthy();
	});

	it('changes a type by its key, by the list, and goes by arrows', async () => {
		const { labels, units } = draw();
		const sorting = row('Sorting took');
		sorting.focus();
		await user.keyboard('o');
		expect(labels.at(-1)).toBe('Called a unit “off record”');
		expect(units().find(({ text }) => text.includes('Sorting'))!.kind).toBe('off-record');
		expect(row('Sorting took').textContent).toContain('it never leaves this note');
		await user.selectOptions(within(row('Sorting took')).getByRole('combobox'), 'claim');
		expect(labels.at(-1)).toBe('Called a unit “claim”');
		row('Sorting took').focus();
		await user.keyboard('{ArrowDown}');
		expect(document.activeElement?.textContent).toContain('not insured');
		await user.keyboard('{Control>}c{/Control}');
		expect(labels).toHaveLength(2);
	});

	it('parts a unit behind its first sentence and joins it again', async () => {
		const { labels, units } = draw();
		const before = units().length;
		row('Sorting took').focus();
		await user.keyboard('p');
		expect(units()).toHaveLength(before + 1);
		expect(labels.at(-1)).toBe('Parted a unit');
		row('Nobody helped').focus();
		await user.keyboard('j');
		expect(labels.at(-1)).toBe('Joined what was parted');
		expect(units()).toHaveLength(before);
		row('not insured').focus();
		await user.click(
			await within(row('not insured')).findByRole('button', { name: 'Join with the one above' })
		);
		expect(labels.at(-1)).toBe('Joined two units');
		expect(units()).toHaveLength(before - 1);
	});

	it('names a speaker once for all that was said, also a second time', async () => {
		const { labels, units } = draw();
		const field = () => screen.getByLabelText<HTMLInputElement>(/^Name of the speaker /);
		await user.clear(field());
		await user.type(field(), 'Rowan Hythe{Tab}');
		expect(labels).toEqual(['Named the speaker Rowan Hythe']);
		const said = () => units().find(({ text }) => text.includes('by the tonne'))!;
		expect(said().speaker).toBe('Rowan Hythe');
		await user.clear(field());
		await user.type(field(), 'R. Hythe{Tab}');
		expect(said().speaker).toBe('R. Hythe');
		// an empty name is none
		await user.clear(field());
		await user.tab();
		expect(labels).toHaveLength(2);
	});

	it('offers to the brief what is meant for it, unless it stands there', async () => {
		const { onoffer } = draw();
		await user.click(screen.getByRole('button', { name: /^Add to must not say: / }));
		expect(onoffer).toHaveBeenCalledWith(
			expect.objectContaining({ field: 'mustNotSay', value: 'cheap stone' })
		);
		document.body.replaceChildren();
		draw({}, () => true);
		expect(screen.queryByRole('button', { name: /^Add to must not say: / })).toBeNull();
		expect(screen.getByText('stands in the brief')).toBeTruthy();
	});

	it('of the client’s facts can be read and not changed', async () => {
		const { labels } = draw({ client: 'c' } as Partial<Note>);
		row('Sorting took').focus();
		await user.keyboard('op');
		expect(labels).toEqual([]);
		expect(within(list()).queryByRole('combobox')).toBeNull();
		await user.keyboard('{ArrowDown}');
		expect(document.activeElement?.textContent).toContain('not insured');
	});
});
