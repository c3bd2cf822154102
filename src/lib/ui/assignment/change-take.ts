import type { TakeDoc } from '$lib/core/manuscript';
import { changeTakeDoc } from '$lib/data/takes';
import { history, StepRefused } from '../frame/history.svelte';

/**
 * Changes the text of a take outside the editor, as a step that can be taken back for as long as nobody
 * has changed the text since.
 */
export async function changeTakeAsStep(
	take: string,
	label: string,
	change: (doc: TakeDoc) => TakeDoc,
	{ quiet = false } = {}
): Promise<void> {
	let changed: Awaited<ReturnType<typeof changeTakeDoc>> = null;
	await history.run(
		{
			label,
			redo: async () => {
				changed = await changeTakeDoc(take, change);
			},
			undo: async () => {
				const { before, after } = changed ?? {};
				if (!before) return;
				await changeTakeDoc(take, (now) => {
					if (JSON.stringify(now) !== JSON.stringify(after))
						throw new StepRefused(
							`“${label}” cannot be taken back: the text was changed since. Undo that in Write first.`
						);
					return before;
				});
			}
		},
		{ quiet }
	);
}
