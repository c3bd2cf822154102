import type { Block, HeadingLevel } from '../pages';
import type { ReadingSums } from '../text';
import type { Definition } from './definitions';
import type { HabitId } from './habits';
import type { Quantity } from './quantity';
import type { Statement } from './statements';

/** What findings need to know of one counted page or one note. */
export interface Source {
	readonly id: string;
	readonly title: string;
	readonly description: string;
	/** Names that belong to the site and never to the subject. */
	readonly siteNames: readonly string[];
	readonly blocks: readonly Block[];
	readonly links: number;
	/** A note of the writer's; what is asked in its running text counts as well. */
	readonly isNote?: boolean;
	/** When it was changed last or published, as an ISO date; empty or left out when unknown. */
	readonly date?: string;
}

/** Where on a page a piece of text stands. */
export type Place = 'title' | 'h1' | 'h2' | 'h3' | 'body' | 'faq';

/** A piece of text that is searched as one: a paragraph, a list entry, a cell, a heading. */
export interface Unit {
	readonly text: string;
	readonly place: Place;
	/** Position in `sections`; −1 for the page title. */
	readonly section: number;
	/** Words of the article before this unit. */
	readonly at: number;
	readonly words: number;
	/** Numbered list or table that it is a part of. */
	readonly whole?: Whole;
}

/** A structure that says what it says in one piece only. */
export interface Whole {
	readonly form: 'steps' | 'table';
	/** Its number on the page, from 0. */
	readonly at: number;
}

export interface SectionWork {
	readonly heading: string;
	/** 0 for what stands before the first heading. */
	readonly level: HeadingLevel | 0;
	readonly words: number;
	/** Share of the article's words before this section, 0–1. */
	readonly position: number;
	/** Stems of the text under the heading, heading included. */
	readonly stems: readonly string[];
	/** Position of the section this one is nested in, or −1. */
	readonly parent: number;
	readonly isFaq: boolean;
	readonly formats: readonly ('list' | 'steps' | 'table')[];
}

export interface CandidateCount {
	readonly key: string;
	/** The key without its spaces: "drystone" meets "dry stone". */
	readonly joined: string;
	readonly length: number;
	count: number;
	/** Uses that are no part of a longer run of nouns. */
	whole: number;
	/** Uses that open with a verb. */
	asAction: number;
	/** Uses inside a sentence in which every word is written as a name. */
	asName: number;
	/** Spellings with how often each was met. */
	readonly surfaces: readonly (readonly [surface: string, uses: number])[];
}

export interface FoundFact {
	readonly text: string;
	readonly section: number;
	readonly quantities: readonly Quantity[];
	readonly names: readonly string[];
	/** Amounts or values listed for this page alone, which are compared with no other page's. */
	readonly isData: boolean;
	/** A row of a table: the rows of one table speak of different things. */
	readonly isRow: boolean;
}

export interface FoundQuestion {
	readonly text: string;
	readonly answer: string;
	/** Position of the section that asks. */
	readonly section: number;
}

/** All that is worked out from one page alone; kept until the page changes. */
export interface PageWork {
	readonly id: string;
	readonly title: string;
	readonly description: string;
	readonly siteNames: readonly string[];
	readonly date: string;
	readonly words: number;
	readonly units: readonly Unit[];
	readonly sections: readonly SectionWork[];
	readonly candidates: readonly CandidateCount[];
	readonly questions: readonly FoundQuestion[];
	readonly facts: readonly FoundFact[];
	/** All that its text says, in order. */
	readonly statements: readonly Statement[];
	readonly definitions: readonly Definition[];
	readonly habits: readonly HabitId[];
	readonly reading: ReadingSums;
	readonly paragraphWords: readonly number[];
	readonly counts: {
		readonly lists: number;
		readonly tables: number;
		readonly figures: number;
		readonly links: number;
		readonly faq: number;
	};
}
