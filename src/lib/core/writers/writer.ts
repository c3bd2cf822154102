import type { SectionKind } from '../brief';
import type { BlockNode } from '../manuscript';
import type { SectionLevel } from '../plan';

/** What a writer can be asked to do with a section. */
export const MOVES = [
	'draft',
	'another version',
	'lengthen',
	'continue',
	'shorten',
	'answer',
	'list',
	'table',
	'steps',
	'opening',
	'closing',
	'takeaways',
	'faq',
	'work in terms',
	'titles'
] as const;

export type Move = (typeof MOVES)[number];

/** A piece of the writer's own material that fits a section. */
export interface Material {
	readonly id: string;
	/** Id of the note it comes from. */
	readonly source: string;
	readonly text: string;
}

/** All that is asked of a writer for one section. Plain data. */
export interface SectionRequest {
	/** Id of the planned section. */
	readonly section: string;
	readonly heading: string;
	readonly level: SectionLevel;
	readonly kind: SectionKind;
	readonly move: Move;
	/** Words the section is to have. */
	readonly budget: number;
	readonly terms: readonly { readonly phrase: string; readonly uses: number }[];
	readonly questions: readonly { readonly id: string; readonly text: string }[];
	readonly facts: readonly Material[];
	readonly material: readonly Material[];
	readonly mustNotSay: readonly string[];
	/** Headings around it, so that nothing is said twice; null at either end. */
	readonly neighbours: { readonly before: string | null; readonly after: string | null };
	/** What stands under the heading already. */
	readonly stands: readonly BlockNode[];
	/** Whether `stands` is a passage of the section, and only what takes its place is asked for. */
	readonly isPassage?: boolean;
}

/** A part of the answer: whole blocks, with the ids of what they draw on. */
export interface WriterStep {
	readonly blocks: readonly BlockNode[];
	readonly sources: readonly string[];
	/** What came and is no part of the section, such as a greeting or a section nobody asked for. */
	readonly left?: readonly LeftOver[];
}

/** Something that a writer gave and that was not put into the version. */
export interface LeftOver {
	readonly text: string;
	/** "said around the text", "not asked for": after the text, in words. */
	readonly reason: string;
}

/** How the answer ended. What came before the end is kept in every case. */
export type WriterOutcome =
	| { readonly kind: 'done' }
	/** It stopped in the middle and can go on. */
	| { readonly kind: 'cut off' }
	| { readonly kind: 'cancelled' }
	/** Ends the sentence "Nothing was written: …". */
	| { readonly kind: 'refused'; readonly reason: string };

/** What asks a writer to stop; an abort signal is one. */
export interface Stop {
	readonly aborted: boolean;
}

/** Writes one section at a time. Whatever it yields is offered beside the text, never put in unasked. */
export interface Writer {
	/** Name in data, such as "built-in". */
	readonly id: string;
	write(request: SectionRequest, stop: Stop): AsyncGenerator<WriterStep, WriterOutcome>;
}
