import { z } from 'zod';
import { listAssignments } from '$lib/data/assignments';
import { readSetting, saveSetting } from '$lib/data/settings';
import { canSaveFolder, chooseFolder, writeInto, type Folder } from '../parts/folder';

const SETTING = 'daily-copy';
/** A copy is due from then on: whoever begins an hour earlier than yesterday gets one as well. */
const DUE_AFTER_MS = 20 * 3_600_000;

const storedSchema = z.object({
	folder: z.custom<Folder>((value) => typeof value === 'object' && value !== null),
	lastAt: z.number()
});

/** A copy of all assignments, once a day, in a folder that the writer has chosen. */
class DailyCopy {
	#folder = $state.raw<Folder | null>(null);
	#lastAt = $state(0);
	#isDue = $state(false);
	#trouble = $state('');

	/** Name of the folder; null: none is chosen. */
	readonly folder = $derived(this.#folder?.name ?? null);
	/** When the last copy was written; 0: none yet. */
	readonly lastAt = $derived(this.#lastAt);
	/** A copy waits for a click, without which this browser does not write. */
	readonly isDue = $derived(this.#isDue);
	readonly trouble = $derived(this.#trouble);

	get isPossible(): boolean {
		return canSaveFolder();
	}

	/** Reads what was chosen, and writes today's copy where that needs no question. */
	async begin(now = Date.now()): Promise<boolean> {
		const stored = storedSchema.safeParse(await readSetting(SETTING));
		if (!stored.success) return false;
		this.#folder = stored.data.folder;
		this.#lastAt = stored.data.lastAt;
		const age = now - this.#lastAt;
		// a clock that was set back has never written anything tomorrow
		if (age >= 0 && age < DUE_AFTER_MS) return false;
		if ((await listAssignments()).length === 0) return false;
		const may = await this.#folder.queryPermission?.({ mode: 'readwrite' });
		if (may !== undefined && may !== 'granted') {
			this.#isDue = true;
			return false;
		}
		return this.write(now);
	}

	/** Asks for the folder and writes the first copy; false: none was chosen. */
	async choose(now = Date.now()): Promise<boolean> {
		const folder = await chooseFolder();
		if (!folder) return false;
		this.#folder = folder;
		return this.write(now);
	}

	/** Writes a copy now. Call from a click where the browser has to ask. */
	async write(now = Date.now()): Promise<boolean> {
		const folder = this.#folder;
		if (!folder) return false;
		try {
			const may = await folder.requestPermission?.({ mode: 'readwrite' });
			if (may !== undefined && may !== 'granted') {
				this.#isDue = true;
				return false;
			}
			const { copyOfAll, nameOfCopy } = await import('./copies');
			const { bytes } = await copyOfAll();
			await writeInto(folder, nameOfCopy(new Date(now)), bytes);
			this.#lastAt = now;
			this.#isDue = false;
			this.#trouble = '';
			await saveSetting(SETTING, { folder, lastAt: now });
			return true;
		} catch (error) {
			this.#trouble = `The copy was not written into “${folder.name}”: ${error instanceof Error ? error.message : String(error)}. Choose the folder anew, or another one.`;
			return false;
		}
	}

	/** No more copies; those that were written stay. */
	async end(): Promise<void> {
		this.#folder = null;
		this.#isDue = false;
		this.#trouble = '';
		await saveSetting(SETTING, null);
	}
}

export const dailyCopy = new DailyCopy();
