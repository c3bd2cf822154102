import { untrack } from 'svelte';

/** Something the writer can do, found with Ctrl/⌘+K. */
export interface Action {
	readonly label: string;
	/** Words that also find it. */
	readonly also?: string;
	readonly keys?: string;
	readonly run: () => void;
}

/** Actions of the screens that are open; each screen adds its own while it stands. */
class Actions {
	#groups = $state.raw<readonly { readonly actions: () => readonly Action[] }[]>([]);

	get all(): readonly Action[] {
		return this.#groups.flatMap(({ actions }) => actions());
	}

	/** Adds actions; returns what takes them away again. */
	offer(actions: () => readonly Action[]): () => void {
		const group = { actions };
		// called from effects, which must not follow the list they add to
		untrack(() => (this.#groups = [...this.#groups, group]));
		return () => {
			untrack(() => (this.#groups = this.#groups.filter((other) => other !== group)));
		};
	}
}

export const actions = new Actions();
