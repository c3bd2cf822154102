/** What a stretch of a note is for. The first four never reach a draft, a request or an export. */
export const UNIT_KINDS = [
	'brief',
	'todo',
	'off-record',
	'do-not-say',
	'claim',
	'definition',
	'quote',
	'step',
	'row',
	'item',
	'question',
	'background',
	'aside'
] as const;

export type UnitKind = (typeof UNIT_KINDS)[number];

/** Kinds that can be printed; the others tell the writer something. */
const PRINTABLE: ReadonlySet<UnitKind> = new Set([
	'claim',
	'definition',
	'quote',
	'step',
	'row',
	'item'
]);

/** Somebody who speaks in a note, introduced once with what the note says of them. */
export interface Speaker {
	readonly name: string;
	/** "sleeping bag repairer", empty where the note does not say. */
	readonly role: string;
}

/** A stretch of a note that means one thing, in the order of the note. */
export interface NoteUnit {
	/** Sign of its text, with its number among equal ones; outlives edits elsewhere in the note. */
	readonly key: string;
	readonly kind: UnitKind;
	/** Its text without marks of lists, quoting or speakers. */
	readonly text: string;
	/** Place in the note's text in UTF-16 units, `end` excluded; marks included. */
	readonly start: number;
	readonly end: number;
	/** Heading it stands under, empty before the first. */
	readonly heading: string;
	/** Who says it, empty where it is the writer or nobody is named. */
	readonly speaker: string;
	/** List it belongs to, from 0, and its place there from 1; −1 and 0 for none. */
	readonly list: number;
	readonly position: number;
	/** Table it belongs to, from 0; −1 for none. */
	readonly table: number;
	/** Cells of a row. */
	readonly cells: readonly string[];
	/** Paragraph or list entry it comes from, from 0: units of one paragraph stand together. */
	readonly paragraph: number;
	/** Cannot stand without the unit before it: a pronoun, an arrow, "the 500". */
	readonly leans: boolean;
}

/** A heading of a note, which is no unit. */
export interface NoteHeading {
	readonly text: string;
	readonly level: 1 | 2 | 3 | 4;
	readonly start: number;
	readonly end: number;
	/** Number of units before it. */
	readonly before: number;
}

/** Names of the columns of a table, by its number. */
export type ColumnNames = ReadonlyMap<number, readonly string[]>;

/** A note, read. */
export interface ReadNoteUnits {
	readonly title: string;
	readonly speakers: readonly Speaker[];
	readonly units: readonly NoteUnit[];
	readonly headings: readonly NoteHeading[];
	readonly columns: ColumnNames;
}

export function isPrintable({ kind }: Pick<NoteUnit, 'kind'>): boolean {
	return PRINTABLE.has(kind);
}
