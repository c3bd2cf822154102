import type { UnitSystem } from '$lib/core/reading';
import { StoredChoice } from './stored-choice';

export const MEASURES = ['given', 'metric', 'imperial'] as const;
export type Measures = (typeof MEASURES)[number];

const stored = new StoredChoice<Measures>('corvan-measures', MEASURES);

/** Which measures stand beside those that sources give. */
class MeasureSetting {
	#chosen = $state<Measures>(stored.read());

	get chosen(): Measures {
		return this.#chosen;
	}

	set chosen(chosen: Measures) {
		this.#chosen = chosen;
		stored.keep(chosen);
	}

	/** Null: figures stand as their sources give them. */
	get system(): UnitSystem | null {
		return this.#chosen === 'given' ? null : this.#chosen;
	}
}

export const measures = new MeasureSetting();
