import type { UnitSystem } from '$lib/core/reading';
import { Setting } from './setting.svelte';

export const MEASURES = ['given', 'metric', 'imperial'] as const;
export type Measures = (typeof MEASURES)[number];

/** Which measures stand beside those that sources give. */
export const measures = new Setting<Measures>('corvan-measures', MEASURES);

/** Null: figures stand as their sources give them. */
export function unitSystem(): UnitSystem | null {
	return measures.chosen === 'given' ? null : measures.chosen;
}
