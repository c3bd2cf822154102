import type { PlanForm } from '$lib/core/clients';
import { putForms } from '$lib/data/clients';
import type { Client } from '$lib/data/db';
import { history } from '../frame/history.svelte';

/** Changes the forms of a client as one step. */
export function changeForms(
	{ id, forms: before }: Pick<Client, 'id' | 'forms'>,
	label: string,
	forms: readonly PlanForm[]
): Promise<void> {
	return history.run({
		label,
		redo: () => putForms(id, forms),
		undo: () => putForms(id, before)
	});
}
