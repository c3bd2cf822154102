import { toast } from 'svelte-sonner';
import type { Assignment } from '$lib/data/db';
import { isStorageFull, NO_ROOM } from '$lib/data/trouble';
import type { Delivery, ImportReport, Repeat, RepeatChoice } from './import-report';
import { importEvidence } from './import-run';

/** The import that is under way, its question to the writer, and the report of the last one. */
export class EvidenceImport {
	readonly #assignment: () => Assignment | null | undefined;
	readonly #onreport: (report: ImportReport) => void;
	#work = $state<{ label: string; done: number; all: number } | null>(null);
	#repeats = $state.raw<readonly Repeat[] | null>(null);
	#stop: AbortController | null = null;
	#settle: ((choices: readonly RepeatChoice[]) => void) | null = null;
	/** What came of the last one; null once the writer has closed it. */
	report = $state.raw<ImportReport | null>(null);

	/** How far it is; null while none is under way. */
	readonly work = $derived(this.#work);
	/** Pages that are here already, while it waits for the writer's word on them. */
	readonly repeats = $derived(this.#repeats);

	constructor(
		assignment: () => Assignment | null | undefined,
		onreport: (report: ImportReport) => void
	) {
		this.#assignment = assignment;
		this.#onreport = onreport;
	}

	/** Brings in as one step; nothing where an import is under way. Tells trouble with the storage. */
	async bring(delivery: Delivery): Promise<void> {
		const assignment = this.#assignment();
		if (!assignment || this.#work) return;
		const verb = delivery.addresses ? 'Fetching' : 'Reading';
		this.report = null;
		this.#stop = new AbortController();
		this.#work = { label: verb, done: 0, all: 1 };
		try {
			const report = await importEvidence(assignment, delivery, {
				signal: this.#stop.signal,
				onProgress: ({ done, all, name }) =>
					(this.#work = { label: `${verb} ${name},`, done, all }),
				onRepeats: (found) => this.#ask(found)
			});
			this.report = report;
			this.#onreport(report);
		} catch (error) {
			tellStorageTrouble(error);
		} finally {
			this.#work = null;
			this.#stop = null;
		}
	}

	/** Answers the question about pages that are here already. */
	choose(choices: readonly RepeatChoice[]): void {
		this.#settle?.(choices);
	}

	stop(): void {
		this.#stop?.abort();
	}

	/** Ends what is under way; what was read until then comes in. */
	leave(): void {
		this.stop();
		this.choose([]);
	}

	/** Waits for the writer's word; without one, both pages are kept. */
	#ask(found: readonly Repeat[]): Promise<readonly RepeatChoice[]> {
		return new Promise((resolve) => {
			this.#repeats = found;
			this.#settle = (choices) => {
				this.#repeats = null;
				this.#settle = null;
				resolve(choices.length > 0 ? choices : found.map(() => 'keep'));
			};
		});
	}
}

function tellStorageTrouble(error: unknown): void {
	const why = isStorageFull(error)
		? `${NO_ROOM}. Deliver an archive of an old assignment and delete it, then try again.`
		: error instanceof Error
			? error.message
			: String(error);
	toast.error(`Nothing was brought in. ${why}`, { duration: 15_000 });
}
