import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Filter, SavedFilter } from '$lib/core/keywords';
import FilterMenu from './FilterMenu.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
// what floats has no place in jsdom, so that its roles are hidden: it is found by its labels
const named = (name: string | RegExp) => screen.getByRole('button', { name });

function shown(filters: readonly Filter[] = [], saved: readonly SavedFilter[] = []) {
	const [onfilters, onsaved] = [vi.fn(), vi.fn()];
	render(FilterMenu, { filters, saved, clusters: ['stone walls', 'mortar'], onfilters, onsaved });
	return { onfilters, onsaved };
}

describe('FilterMenu', () => {
	it('adds conditions on words, figures, intent, bidding and cluster', async () => {
		const { onfilters } = shown();
		await user.click(named('Add a filter'));
		await user.selectOptions(screen.getByLabelText('With or without'), 'without');
		await user.type(screen.getByLabelText('Words of the phrase'), 'near me{Enter}');
		expect(onfilters).toHaveBeenLastCalledWith([
			{ kind: 'text', text: 'near me', isWithout: true }
		]);
		await user.click(named('Add a filter'));
		const bound = screen.getByLabelText('Bound');
		await user.clear(bound);
		await user.type(bound, '1,200{Enter}');
		expect(onfilters).toHaveBeenLastCalledWith([
			{ kind: 'number', field: 'volume', bound: 'most', value: 1200 }
		]);
		await user.click(named('Add a filter'));
		await user.click(screen.getByLabelText('informational'));
		expect(onfilters).toHaveBeenLastCalledWith([{ kind: 'intent', intents: ['informational'] }]);
		await user.selectOptions(screen.getByLabelText('Cluster'), 'mortar');
		expect(onfilters).toHaveBeenLastCalledWith([{ kind: 'cluster', names: ['mortar'] }]);
	});

	it('takes a second bound in place of the first, and leaves what is no number out', async () => {
		const text: Filter = { kind: 'text', text: 'stone', isWithout: false };
		const { onfilters } = shown([
			text,
			{ kind: 'number', field: 'volume', bound: 'most', value: 250 }
		]);
		await user.click(named('Add a filter'));
		const bound = screen.getByLabelText('Bound');
		await user.clear(bound);
		await user.type(bound, 'many{Enter}');
		expect(onfilters).not.toHaveBeenCalled();
		await user.clear(bound);
		await user.type(bound, '90{Enter}');
		expect(onfilters).toHaveBeenCalledWith([
			text,
			{ kind: 'number', field: 'volume', bound: 'most', value: 90 }
		]);
	});

	it('takes a condition away by its chip', async () => {
		const { onfilters } = shown([{ kind: 'weak' }, { kind: 'question' }]);
		await user.click(named(/^with a weak spot/));
		expect(onfilters).toHaveBeenCalledWith([{ kind: 'question' }]);
	});

	it('keeps conditions under a name, takes them again, and forgets them', async () => {
		const kept: SavedFilter = { name: 'Easy', filters: [{ kind: 'weak' }] };
		const { onfilters, onsaved } = shown([{ kind: 'question' }], [kept]);
		await user.click(named('Kept filters'));
		await user.type(screen.getByLabelText('Name of the filter'), 'Easy{Enter}');
		expect(onsaved).toHaveBeenLastCalledWith([{ name: 'Easy', filters: [{ kind: 'question' }] }]);
		await user.click(screen.getByLabelText('Forget the filter Easy'));
		expect(onsaved).toHaveBeenLastCalledWith([]);
		await user.click(screen.getByText('Easy'));
		expect(onfilters).toHaveBeenLastCalledWith([{ kind: 'weak' }]);
	});
});
