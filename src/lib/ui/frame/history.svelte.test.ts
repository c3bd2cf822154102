import { describe, expect, it } from 'vitest';
import { history } from './history.svelte';

describe('steps that are done together', () => {
	it('are taken back and done again as one, in the right order', async () => {
		const said: string[] = [];
		const step = (name: string) => ({
			label: name,
			redo: () => void said.push(`+${name}`),
			undo: () => void said.push(`-${name}`)
		});
		await history.run(step('before'), { quiet: true });
		await history.together('both', async () => {
			await history.run(step('a'), { quiet: true });
			await history.run(step('b'), { quiet: true });
		});
		expect(history.last!.label).toBe('both');
		await history.undo();
		expect(history.last!.label).toBe('before');
		await history.redo();
		expect(said).toEqual(['+before', '+a', '+b', '-b', '-a', '+a', '+b']);
	});

	it('stay as they are where there is one or none', async () => {
		const step = { label: 'alone', redo: () => {}, undo: () => {} };
		await history.together('of one', () => history.run(step, { quiet: true }));
		expect(history.last).toBe(step);
		await history.together('of none', async () => {});
		expect(history.last).toBe(step);
	});
});
