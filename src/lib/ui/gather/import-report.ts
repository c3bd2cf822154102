import type { NoteKind } from '$lib/core/notes';
import type { ResultPlace } from '$lib/core/pages';
import type { AwaitedPage, Note, Page } from '$lib/data/db';
import type { FileAim, Incoming, Progress } from '$lib/workers/client';

export interface NamedBytes {
	readonly name: string;
	readonly bytes: Uint8Array;
}

/** A page to be fetched. */
export interface WantedAddress {
	readonly address: string;
	readonly title: string;
	readonly result: ResultPlace | null;
	/** The row it had while it had not come in, when it is asked for again. */
	readonly awaited?: string;
}

export interface NewNote {
	readonly name: string;
	readonly kind: NoteKind;
	readonly text: string;
}

/** What is to be brought in with one step. */
export interface Delivery {
	readonly files?: readonly (File | NamedBytes)[];
	/** Where the files were meant to go. */
	readonly aim?: FileAim;
	readonly pages?: readonly Incoming[];
	readonly notes?: readonly NewNote[];
	readonly addresses?: readonly WantedAddress[];
}

export interface NamedReason {
	readonly name: string;
	readonly reason: string;
}

/** What came of one import. */
export interface ImportReport {
	readonly pages: readonly Page[];
	readonly notes: readonly Note[];
	/** Addresses that did not come in and keep their row. */
	readonly awaited: readonly AwaitedPage[];
	/** Titles of pages that took the place of older ones. */
	readonly replaced: readonly string[];
	/** What else came: links, a client's profile, results. */
	readonly others: readonly string[];
	readonly failed: readonly NamedReason[];
	readonly skipped: readonly NamedReason[];
	/** What was put right on the way. */
	readonly remarks: readonly NamedReason[];
	readonly isCancelled: boolean;
}

/** A page that is here already. */
export interface Repeat {
	readonly incoming: Page;
	readonly here: Page;
}
export const REPEAT_CHOICES = ['replace', 'keep', 'leave'] as const;
export type RepeatChoice = (typeof REPEAT_CHOICES)[number];

export interface ImportOptions {
	/** No notice, for work that announces itself. */
	readonly isQuiet?: boolean;
	readonly onProgress?: (progress: Progress & { readonly name: string }) => void;
	readonly signal?: AbortSignal;
	/** Asked once for all pages that are here already; without it both are kept. */
	readonly onRepeats?: (repeats: readonly Repeat[]) => Promise<readonly RepeatChoice[]>;
}
