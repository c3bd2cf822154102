import type { Findings } from '../../findings';
import type { Plan } from '../../plan';
import type { RunIndex } from '../../measure';
import type { DraftNote } from './note-material';

/** What the built-in drafter works from. */
export interface DraftMaterial {
	readonly plan: Plan;
	readonly findings: Findings;
	readonly notes: readonly DraftNote[];
	/** Runs of the counted pages; a sentence that stands in one is not used. */
	readonly runs: RunIndex;
	/** Names of pages for gaps, by id. */
	readonly pageNames: Readonly<Record<string, string>>;
	/** Phrases no sentence may hold: a passage with one is left out. */
	readonly mustNotSay?: readonly string[];
	/** What the closing asks of the reader, in the brief's own words. */
	readonly callToAction?: string;
}

/** Stands for the brief where a passage names its origin. */
export const BRIEF_ORIGIN = { source: 'brief', label: 'brief' } as const;
