import type { Dialect } from '$lib/core/text';
import { StoredChoice } from './stored-choice';

export const SPELLINGS = ['notes', 'british', 'american'] as const;
export type Spelling = (typeof SPELLINGS)[number];

const stored = new StoredChoice<Spelling>('corvan-spelling', SPELLINGS);

/** The English of this writer's articles, where an assignment does not say its own. */
class SpellingSetting {
	#chosen = $state<Spelling>(stored.read());

	get chosen(): Spelling {
		return this.#chosen;
	}

	set chosen(chosen: Spelling) {
		this.#chosen = chosen;
		stored.keep(chosen);
	}

	/** Null: as the notes of an assignment are spelled. */
	get dialect(): Dialect | null {
		return this.#chosen === 'notes' ? null : this.#chosen;
	}
}

export const spelling = new SpellingSetting();
