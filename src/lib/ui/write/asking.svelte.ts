import type { Plan } from '$lib/core/plan';
import type { Move } from '$lib/core/writers';
import type { Part } from './reply-match.svelte';
import type { ManuscriptEditor } from './manuscript-editor.svelte';
import type { Passage } from './text-in-hand.svelte';
import type { Scope } from './moves';
import type { TakeVersions } from './take-versions.svelte';
import type { Writing } from './writing.svelte';

/** What is asked of a writer for a take, and the reply that is brought back to it. */
export class Asking {
	readonly #editor: ManuscriptEditor;
	readonly #writing: Writing;
	readonly #versions: TakeVersions;
	isOpen = $state(false);
	scope = $state<Scope>('section');
	move = $state<Move>('draft');
	/** Ids of the sections that are ticked. */
	ticked = $state.raw<readonly string[]>([]);
	#lacked = $state.raw<readonly string[]>([]);
	#reply = $state.raw<readonly string[] | null>(null);
	/** What was asked for by hand, for the reply to it. */
	#byHand = $state.raw<{ readonly move: Move; readonly passage: Passage | null }>({
		move: 'draft',
		passage: null
	});

	/** Ids of the sections that the last reply lacked. */
	readonly lacked = $derived(this.#lacked);
	/** Ids of the sections that a reply is brought back for; null: none is. */
	readonly reply = $derived(this.#reply);
	/** Whether the reply gives lines to choose from. */
	readonly isLines = $derived(this.#byHand.move === 'titles');

	constructor(editor: ManuscriptEditor, writing: Writing, versions: TakeVersions) {
		this.#editor = editor;
		this.#writing = writing;
		this.#versions = versions;
	}

	show(scope: Scope, move: Move): void {
		this.scope = scope;
		this.move = move;
		this.isOpen = true;
	}

	/** Has one section written; whoever is asked by hand is shown what to ask. */
	draft(section: string): void {
		const wanted: Move =
			this.#editor.isEmpty(section) || this.#writing.endpoint === null
				? 'draft'
				: 'another version';
		if (this.#writing.writer === 'by hand') this.show('section', wanted);
		else void this.#versions.ask([section], wanted);
	}

	/** Waits for the reply to what has been asked by hand. */
	awaitReply(sections: readonly string[], passage: Passage | null): void {
		this.#byHand = { move: this.move, passage };
		this.#reply = sections;
	}

	/** Takes a reply or an article for any section of a plan. */
	awaitAny(plan: Plan): void {
		this.#byHand = { move: 'draft', passage: null };
		this.#reply = plan.sections.map(({ id }) => id);
	}

	/** Parts of a reply become versions of their sections; what it lacked is kept for the next request. */
	async offerReply(parts: readonly Part[], missing: readonly string[]): Promise<void> {
		if (!(await this.#versions.offerReply(parts, this.#byHand))) return;
		this.#reply = null;
		this.#lacked = missing;
	}

	/** Asks for what a reply lacked. */
	askForLacked(missing: readonly string[]): void {
		this.#lacked = missing;
		this.#reply = null;
		this.show('lacked', 'draft');
	}

	leaveReply(): void {
		this.#reply = null;
	}
}
