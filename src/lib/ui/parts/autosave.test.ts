import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Autosave, SAVE_TIMES } from './autosave';

beforeEach(() => {
	vi.useFakeTimers();
	vi.stubGlobal('window', new EventTarget());
	vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }));
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('Autosave', () => {
	it('saves when typing pauses', async () => {
		const save = vi.fn();
		const autosave = new Autosave(save);
		autosave.changed();
		await vi.advanceTimersByTimeAsync(SAVE_TIMES.pauseMs - 1);
		expect(save).not.toHaveBeenCalled();
		await vi.advanceTimersByTimeAsync(1);
		expect(save).toHaveBeenCalledTimes(1);
		await vi.advanceTimersByTimeAsync(5_000);
		expect(save).toHaveBeenCalledTimes(1);
	});

	it('saves within a second of the first unsaved key, however steadily somebody types', async () => {
		const savedAt: number[] = [];
		let typed = 0;
		let saved = 0;
		const autosave = new Autosave(() => {
			savedAt.push(Date.now());
			saved = typed;
		});
		const start = Date.now();
		for (; Date.now() - start < 5_000; await vi.advanceTimersByTimeAsync(200)) {
			typed++;
			autosave.changed();
		}
		expect(savedAt.length).toBeGreaterThanOrEqual(5);
		expect(typed - saved).toBeLessThanOrEqual(5);
		savedAt.reduce((last, at) => (expect(at - last).toBeLessThanOrEqual(1_000), at), start);
	});

	it('saves one after the other, and what was typed while saving as well', async () => {
		let isSaving = false;
		const saved: number[] = [];
		let typed = 0;
		const autosave = new Autosave(async () => {
			expect(isSaving).toBe(false);
			isSaving = true;
			const now = typed;
			await new Promise((resolve) => setTimeout(resolve, 3_000));
			saved.push(now);
			isSaving = false;
		});
		for (typed = 1; typed <= 3; typed++) {
			autosave.changed();
			await vi.advanceTimersByTimeAsync(1_000);
		}
		await vi.advanceTimersByTimeAsync(20_000);
		expect(saved.at(-1)).toBe(4);
		expect(autosave.isPending).toBe(false);
	});

	it('saves at once when asked, and nothing when nothing is pending', async () => {
		const save = vi.fn();
		const autosave = new Autosave(save);
		await autosave.flush();
		expect(save).not.toHaveBeenCalled();
		autosave.changed();
		await autosave.flush();
		autosave.changed();
		autosave.forget();
		await autosave.flush();
		expect(save).toHaveBeenCalledTimes(1);
	});

	it('writes down what no save has brought to its end when the page is left or hidden', async () => {
		const keep = vi.fn();
		const autosave = new Autosave(() => new Promise((done) => setTimeout(done, 3_000)), keep);
		autosave.watch();
		const leave = () => window.dispatchEvent(new Event('pagehide'));
		leave();
		expect(keep).not.toHaveBeenCalled();
		autosave.changed();
		leave();
		expect(keep).toHaveBeenCalledTimes(1);
		// the save is under way, and a slow disk may never see its end
		await vi.advanceTimersByTimeAsync(1_000);
		expect(autosave.isPending).toBe(false);
		Object.assign(document, { visibilityState: 'hidden' });
		document.dispatchEvent(new Event('visibilitychange'));
		expect(keep).toHaveBeenCalledTimes(2);
		await vi.advanceTimersByTimeAsync(3_000);
		leave();
		expect(keep).toHaveBeenCalledTimes(2);
	});
});
