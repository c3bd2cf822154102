/** A choice that is kept in this browser and answers at once, before any database is open. */
export class StoredChoice<T extends string> {
	readonly #key: string;
	readonly #values: readonly T[];

	/** @param values what can be chosen; the first where nothing else was */
	constructor(key: string, values: readonly [T, ...T[]]) {
		this.#key = key;
		this.#values = values;
	}

	read(): T {
		try {
			const stored = localStorage.getItem(this.#key);
			return this.#values.find((value) => value === stored) ?? this.#values[0]!;
		} catch {
			return this.#values[0]!;
		}
	}

	keep(value: T): void {
		try {
			localStorage.setItem(this.#key, value);
		} catch {
			// private windows may forbid it; the choice then lasts until the page closes
		}
	}
}
