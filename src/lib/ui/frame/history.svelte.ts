import { toast } from 'svelte-sonner';

/** One step that can be taken back. */
export interface Step {
	/** In the past tense: "Set aside 2 pages". */
	readonly label: string;
	readonly undo: () => Promise<void> | void;
	readonly redo: () => Promise<void> | void;
}

/** Why a step cannot be taken back or done again; the words are for the writer. */
export class StepRefused extends Error {}

/** Steps of this session, newest last. Reloading keeps the data and forgets the steps. */
class History {
	#done = $state.raw<readonly Step[]>([]);
	#undone = $state.raw<readonly Step[]>([]);
	#turn: Promise<void> = Promise.resolve();

	get last(): Step | undefined {
		return this.#done.at(-1);
	}

	get next(): Step | undefined {
		return this.#undone.at(-1);
	}

	/** Does a step and keeps it; the notice offers to take it back. */
	run(step: Step, { quiet = false } = {}): Promise<void> {
		return this.#inTurn(async () => {
			await step.redo();
			this.#done = [...this.#done, step];
			this.#undone = [];
			if (!quiet) this.#tell(step);
		});
	}

	/** Makes one step of those that are done inside. */
	async together(label: string, act: () => Promise<void>): Promise<void> {
		const from = this.#done.length;
		await act();
		const steps = this.#done.slice(from);
		if (steps.length < 2) return;
		const step: Step = {
			label,
			undo: async () => {
				for (const one of steps.toReversed()) await one.undo();
			},
			redo: async () => {
				for (const one of steps) await one.redo();
			}
		};
		this.#done = [...this.#done.slice(0, from), step];
	}

	undo(): Promise<void> {
		return this.#inTurn(async () => {
			const step = this.#done.at(-1);
			if (!step) return;
			await step.undo();
			this.#done = this.#done.slice(0, -1);
			this.#undone = [...this.#undone, step];
			toast(`Undone: ${step.label}`, { duration: 2500 });
		});
	}

	redo(): Promise<void> {
		return this.#inTurn(async () => {
			const step = this.#undone.at(-1);
			if (!step) return;
			await step.redo();
			this.#undone = this.#undone.slice(0, -1);
			this.#done = [...this.#done, step];
			toast(`Done again: ${step.label}`, { duration: 2500 });
		});
	}

	/** One after the other: a quick Ctrl+Z must not overtake the step it is meant for. */
	#inTurn(act: () => Promise<void>): Promise<void> {
		const turn = this.#turn.then(act).catch((error: unknown) => {
			if (!(error instanceof StepRefused)) throw error;
			toast.error(error.message, { duration: 10_000 });
		});
		this.#turn = turn.catch(() => undefined);
		return turn;
	}

	#tell(step: Step): void {
		toast(step.label, { action: { label: 'Undo', onClick: () => this.#takeBack(step) } });
	}

	/** A notice may be older than the newest step; then only the newest can be taken back. */
	#takeBack(step: Step): void {
		if (this.last === step) void this.undo();
		else toast('Newer steps stand on this one. Take them back first with Ctrl+Z.');
	}
}

export const history = new History();
