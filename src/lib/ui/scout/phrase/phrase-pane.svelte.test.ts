import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
	blankKeyword,
	clusterPhrases,
	mergeLists,
	OPENING_WEIGHTS,
	runThrough,
	scoutRowsOf,
	type Keyword,
	type PhraseNote
} from '$lib/core/keywords';
import * as search from '$lib/services/search';
import PhrasePane from './PhrasePane.svelte';

const service = { complete: vi.spyOn(search, 'complete') };

const user = userEvent.setup({ pointerEventsCheck: 0 });
const on = {
	onweights: vi.fn(),
	ontitles: vi.fn(),
	onintent: vi.fn(),
	oncluster: vi.fn(),
	onask: vi.fn(),
	onresults: vi.fn(),
	onchoose: vi.fn(),
	onadd: vi.fn(),
	onfreshen: vi.fn(),
	onassign: vi.fn()
};
beforeEach(() => vi.clearAllMocks());

const keyword = (phrase: string, volume: number | null): Keyword => ({
	...blankKeyword(phrase),
	volume,
	volumeMin: volume,
	volumeMax: volume
});
const list = [
	keyword('dry stone wall cost', 900),
	keyword('dry stone wall costs', 300),
	keyword('walling hammer', null)
];

function draw(phrase: string, notes: readonly PhraseNote[] = []) {
	const rows = scoutRowsOf(mergeLists([list]), notes, { today: '2026-04-20' });
	const byKey = new Map(rows.map((row) => [row.key, row]));
	const row = rows.find((one) => one.phrase === phrase)!;
	const clusters = runThrough(
		clusterPhrases(
			rows.map((one) => ({
				...one,
				intent: one.searchIntent,
				addresses: null,
				given: one.givenCluster
			}))
		)
	);
	const cluster = clusters.find(({ members }) => members.includes(row.key)) ?? null;
	render(PhrasePane, {
		row,
		cluster,
		clusters,
		rows: byKey,
		weights: OPENING_WEIGHTS,
		isKeyword: false,
		...on
	});
	return { row, cluster: cluster! };
}
const part = (name: string) => within(screen.getByRole('region', { name }));

describe('PhrasePane', () => {
	it('sums up what is known, names what is not, and re-weighs', async () => {
		draw('dry stone wall cost');
		const opening = screen.getByRole('region', { name: 'Opening' });
		expect(opening.textContent).toContain('not known yet, for one part alone says little');
		expect(opening.textContent).toMatch(/Not known: .*title matches, who ranks\. Left out/);
		const slider = part('Opening').getByLabelText<HTMLInputElement>(/Volume/);
		slider.value = '10';
		slider.dispatchEvent(new Event('change', { bubbles: true }));
		expect(on.onweights).toHaveBeenCalledWith({ ...OPENING_WEIGHTS, volume: 10 });
	});

	it('says that nothing is known instead of a nought', () => {
		draw('walling hammer');
		expect(part('Opening').getByText('Opening: not known yet, for nothing is known')).toBeTruthy();
		expect(part('Who ranks').getByText('Nobody has looked who ranks.')).toBeTruthy();
	});

	it('takes a count of titles with commas, an empty field as unknown, and puts nonsense back', async () => {
		draw('dry stone wall cost');
		const field = screen.getByLabelText<HTMLInputElement>('Title matches of dry stone wall cost');
		await user.type(field, '1,240');
		await user.tab();
		expect(on.ontitles).toHaveBeenLastCalledWith(1240);
		await user.clear(field);
		await user.type(field, 'many');
		await user.tab();
		expect(field.value).toBe('');
		expect(on.ontitles).toHaveBeenCalledTimes(1);
	});

	it('shows the cluster with its sum, renames it, and takes the phrase out', async () => {
		const { row, cluster } = draw('dry stone wall cost');
		expect(screen.getByRole('region', { name: 'Cluster' }).textContent).toContain(
			'2 phrases, 1,200 searches'
		);
		await user.click(part('Cluster').getByRole('button', { name: 'dry stone wall costs' }));
		expect(on.onchoose).toHaveBeenCalledWith(cluster.members[1]);
		const name = screen.getByLabelText('Name of the cluster');
		await user.clear(name);
		await user.type(name, 'What it costs');
		await user.tab();
		expect(on.oncluster).toHaveBeenLastCalledWith(
			'What it costs',
			cluster.members,
			`Renamed the cluster “${cluster.name}”`
		);
		await user.click(screen.getByRole('button', { name: 'Take this phrase out' }));
		expect(on.oncluster).toHaveBeenLastCalledWith(
			row.phrase,
			[row.key],
			expect.stringContaining('out of its cluster')
		);
	});

	it('lists completions, offers only the new ones, and says why there are none', async () => {
		draw('dry stone wall cost');
		service.complete.mockResolvedValueOnce({
			kind: 'answered',
			reply: { isSample: true, completions: ['walling hammer', 'dry stone wall cost per metre'] }
		});
		await user.click(screen.getByRole('button', { name: 'Complete it' }));
		const offered = part('How it goes on').getAllByRole('button', { name: /^Add / });
		expect(offered).toHaveLength(1);
		await user.click(offered[0]!);
		expect(on.onadd).toHaveBeenCalledWith(['dry stone wall cost per metre'], 'Completions');
		service.complete.mockResolvedValueOnce({ kind: 'unreachable', reason: 'no answer came' });
		await user.click(screen.getByRole('button', { name: 'Complete it' }));
		expect(screen.getByText('No completions: no answer came.')).toBeTruthy();
	});

	it('says by which words the intent was decided, and takes the writer’s word', async () => {
		const { row } = draw('dry stone wall cost');
		expect(row.cues).toContain('cost');
		expect(screen.getByText(/Decided by “cost”/)).toBeTruthy();
		await user.selectOptions(screen.getByRole('combobox', { name: 'Intent' }), 'informational');
		expect(on.onintent).toHaveBeenCalledWith('informational');
	});
});
