import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import Hint from './Hint.svelte';
import { hints, STAGE_HINTS } from './hints.svelte';
import { measures, unitSystem } from './measures';
import { ownDialect, spelling } from './spelling';

const user = userEvent.setup();
const shown = () => screen.queryByRole('complementary', { name: 'First time here' });

beforeEach(() => hints.showAgain());

describe('a first-time hint', () => {
	it('goes for good once it is read, and leaves the others', async () => {
		render(Hint, { stage: 'gather' });
		expect(shown()!.textContent).toContain(STAGE_HINTS.gather);
		await user.click(screen.getByRole('button', { name: 'Got it' }));
		expect(shown()).toBeNull();
		expect(localStorage.getItem('corvan-hints')).toBe('gather');
		expect(hints.of('plan')).toBe(STAGE_HINTS.plan);
	});

	it('goes with all others, and they come again when they are asked for', async () => {
		render(Hint, { stage: 'plan' });
		await user.click(screen.getByRole('button', { name: 'No more of these' }));
		expect(Object.keys(STAGE_HINTS).map((stage) => hints.of(stage))).toEqual(
			Object.keys(STAGE_HINTS).map(() => null)
		);
		hints.showAgain();
		expect(await screen.findByRole('complementary', { name: 'First time here' })).toBeTruthy();
	});

	it('is not missed where a private window forbids storing', () => {
		const forbid = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
			throw new Error('forbidden');
		});
		hints.take('write');
		expect(hints.of('write')).toBeNull();
		forbid.mockRestore();
	});

	it('is there for every stage and for nothing else', () => {
		expect(Object.keys(STAGE_HINTS)).toEqual(
			'scout brief gather findings plan write proof deliver'.split(' ')
		);
		expect(hints.of('')).toBeNull();
	});
});

describe('what is chosen once for all', () => {
	it('is nothing at first: texts and sources say it themselves', () => {
		expect([ownDialect(), unitSystem()]).toEqual([null, null]);
		spelling.chosen = 'american';
		measures.chosen = 'imperial';
		expect([ownDialect(), unitSystem()]).toEqual(['american', 'imperial']);
		expect(localStorage.getItem('corvan-spelling')).toBe('american');
		spelling.chosen = 'notes';
		measures.chosen = 'given';
	});
});
