import { StoredChoice } from './stored-choice';

/** A choice for the whole app that screens follow, kept in this browser. */
export class Setting<T extends string> {
	readonly #stored: StoredChoice<T>;
	#chosen: T;

	/** @param values what can be chosen; the first where nothing else was */
	constructor(key: string, values: readonly [T, ...T[]]) {
		this.#stored = new StoredChoice(key, values);
		this.#chosen = $state(this.#stored.read());
	}

	get chosen(): T {
		return this.#chosen;
	}

	set chosen(chosen: T) {
		this.#chosen = chosen;
		this.#stored.keep(chosen);
	}
}
