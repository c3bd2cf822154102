import type { TakeDoc } from '$lib/core/manuscript';
import type { Take } from '$lib/data/db';
import { saveTake } from '$lib/data/takes';
import { isStorageFull } from '$lib/data/trouble';
import { docSign, forgetUnsaved, keepUnsaved } from '$lib/data/unsaved';
import { Autosave } from '../parts/autosave';

/** Saves one take as it is written, and notices when another tab has saved it meanwhile. */
export class TakeKeeper {
	readonly #id: string;
	readonly #assignment: string;
	#revision: number;
	#read: (() => TakeDoc) | null = null;
	/** What a save that is under way stores; null: none is. */
	#saving: TakeDoc | null = null;
	#isUnsaved = $state(false);
	#trouble = $state<string | null>(null);
	#conflict = $state.raw<Take | null>(null);
	readonly #autosave = new Autosave(
		() => this.#save(),
		() => this.#keep()
	);

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

	constructor({ id, assignment, revision }: Take) {
		this.#id = id;
		this.#assignment = assignment;
		this.#revision = revision;
	}

	/** Notes a change; `read` gives the manuscript when it is saved. */
	changed(read: () => TakeDoc): void {
		this.#read = read;
		this.#isUnsaved = true;
		this.#autosave.changed();
	}

	/** Saves what is unsaved, at once. */
	flush(): Promise<void> {
		return this.#autosave.flush();
	}

	/** Saves when the page is hidden or left; returns what ends that. */
	watch(): () => void {
		return this.#autosave.watch();
	}

	#keep(): void {
		const doc = this.#read ? this.#read() : this.#saving;
		if (doc && !this.#conflict)
			keepUnsaved(this.#assignment, {
				kind: 'take',
				id: this.#id,
				doc,
				revision: this.#revision,
				saving: this.#saving && docSign(this.#saving)
			});
	}

	async #save(): Promise<void> {
		const read = this.#read;
		if (!read || this.#conflict) return;
		this.#read = null;
		const doc = read();
		this.#saving = doc;
		try {
			const result = await saveTake(this.#id, doc, this.#revision);
			if (result.kind === 'saved') {
				this.#revision = result.revision;
				this.#trouble = null;
				this.#isUnsaved = this.#read !== null;
				// what was typed meanwhile may be written down already
				if (!this.#isUnsaved) forgetUnsaved(this.#assignment, { kind: 'take', id: this.#id });
			} else if (result.kind === 'changed-elsewhere') {
				// what was typed meanwhile stays to be kept or given up
				this.#read ??= () => doc;
				this.#conflict = result.take;
			} else {
				this.#trouble = 'not saved: the take was taken away';
			}
		} catch (error) {
			this.#trouble = isStorageFull(error) ? 'not saved: this browser is full' : 'not saved';
			this.#read ??= () => doc;
		} finally {
			this.#saving = null;
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
		this.#autosave.forget();
		forgetUnsaved(this.#assignment, { kind: 'take', id: this.#id });
	}
}
