import type { TakeDoc } from '$lib/core/takes';
import type { Take } from '$lib/data/db';
import { saveTake } from '$lib/data/takes';

/** Time from the last keystroke to the save. */
const SAVE_AFTER_MS = 450;

/** Saves one take as it is written, and notices when another tab has saved it meanwhile. */
export class TakeKeeper {
	readonly #id: string;
	#revision: number;
	#read: (() => TakeDoc) | null = null;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#saving: Promise<void> | null = null;
	#isUnsaved = $state(false);
	#trouble = $state<string | null>(null);
	#conflict = $state.raw<Take | null>(null);

	readonly conflict = $derived(this.#conflict);
	/** State of the save, in a word. */
	readonly said = $derived(
		this.#conflict
			? 'not saved'
			: this.#trouble
				? this.#trouble
				: this.#isUnsaved
					? 'saving …'
					: 'saved'
	);

	constructor({ id, revision }: Take) {
		this.#id = id;
		this.#revision = revision;
	}

	/** Notes a change; `read` gives the manuscript when it is saved. */
	changed(read: () => TakeDoc): void {
		this.#read = read;
		this.#isUnsaved = true;
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.flush(), SAVE_AFTER_MS);
	}

	/** Saves what is unsaved, at once; one save at a time. */
	async flush(): Promise<void> {
		clearTimeout(this.#timer);
		await this.#saving;
		const read = this.#read;
		if (!read || this.#conflict) return;
		this.#read = null;
		this.#saving = this.#save(read());
		await this.#saving;
		this.#saving = null;
	}

	async #save(doc: TakeDoc): Promise<void> {
		try {
			const result = await saveTake(this.#id, doc, this.#revision);
			if (result.kind === 'saved') {
				this.#revision = result.revision;
				this.#trouble = null;
				this.#isUnsaved = this.#read !== null;
			} else if (result.kind === 'changed-elsewhere') {
				this.#conflict = result.take;
			} else {
				this.#trouble = 'not saved: the take was taken away';
			}
		} catch (error) {
			const isFull = error instanceof DOMException && error.name === 'QuotaExceededError';
			this.#trouble = isFull ? 'not saved: this browser is full' : 'not saved';
			this.#read ??= () => doc;
		}
	}

	/** Whether a stored take is newer than ours and nothing of ours is unsaved; then ours is its revision. */
	follows(stored: Take): boolean {
		if (stored.id !== this.#id || stored.revision <= this.#revision || this.#saving) return false;
		if (this.#isUnsaved) return false;
		this.#revision = stored.revision;
		return true;
	}

	/** Gives up what was typed here for what the other tab saved. */
	takeTheirs(): Take | null {
		const theirs = this.#conflict;
		if (!theirs) return null;
		this.#revision = theirs.revision;
		this.letGo();
		return theirs;
	}

	/** Forgets what is unsaved: it was kept elsewhere or given up. */
	letGo(): void {
		this.#read = null;
		this.#conflict = null;
		this.#isUnsaved = false;
		clearTimeout(this.#timer);
	}
}
