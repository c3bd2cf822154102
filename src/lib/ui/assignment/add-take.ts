import type { TakeDoc } from '$lib/core/manuscript';
import type { Take } from '$lib/data/db';
import { addTake, deleteTake, putTake } from '$lib/data/takes';
import { history } from '../frame/history.svelte';

/** Adds a take as a step that can be taken back; gives its id, null when it was not added. */
export async function addTakeAsStep(
	assignment: string,
	{ label, name, doc }: { readonly label: string; readonly name: string; readonly doc: TakeDoc },
	{ quiet = false } = {}
): Promise<string | null> {
	let made: Take | null = null;
	await history.run(
		{
			label,
			redo: async () => {
				if (made) await putTake(made);
				else made = await addTake(assignment, name, doc);
			},
			undo: async () => {
				if (made) made = (await deleteTake(made.id)) ?? made;
			}
		},
		{ quiet }
	);
	return (made as Take | null)?.id ?? null;
}
