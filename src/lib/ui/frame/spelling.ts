import type { Dialect } from '$lib/core/text';
import { Setting } from './setting.svelte';

export const SPELLINGS = ['notes', 'british', 'american'] as const;
export type Spelling = (typeof SPELLINGS)[number];

/** The English of this writer's articles, where an assignment does not say its own. */
export const spelling = new Setting<Spelling>('corvan-spelling', SPELLINGS);

/** Null: as the notes of an assignment are spelled. */
export function ownDialect(): Dialect | null {
	return spelling.chosen === 'notes' ? null : spelling.chosen;
}
