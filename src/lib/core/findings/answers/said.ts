import {
	cutOf,
	purposesOf,
	type PageWork,
	type Purpose,
	type Quantity,
	type SectionWork,
	type Statement
} from '../../reading';
import {
	contentStemsOf,
	isStopWord,
	needsBefore,
	POINTS_BACK,
	rarityOf,
	stemOf,
	textVectorOf,
	type StemVectors
} from '../../text';
import { holdsWanted, type Wanted } from './wanted';

/** A statement of a source, ready to be held against questions. */
export interface Said {
	readonly source: string;
	readonly statement: Statement;
	readonly stems: ReadonlySet<string>;
	/** Stems of its heading and of the one that it is nested in; the title of the whole is left out. */
	readonly headingStems: ReadonlySet<string>;
	/** Stems of what it leans on: of the sentence before "Lay them flat". */
	readonly before: ReadonlySet<string>;
	/** What these headings are about. */
	readonly purposes: readonly Purpose[];
	/** Stems of its label: of "Washing" in "Washing: by hand". */
	readonly label: ReadonlySet<string>;
	/** Figures, where the facts of the source have them. */
	readonly quantities: readonly Quantity[];
}

/** Shortest statement that can answer, in words. */
const LEAST_WORDS = 2;

const NOTHING: ReadonlySet<string> = new Set();
const saidBySource = new WeakMap<PageWork, readonly Said[]>();

/** What a page says, its questions left out; kept with the work on the page. */
export function saidBy(source: PageWork): readonly Said[] {
	return keptSaid(source, false);
}

/** What a note says. The title of a note without other headings is what all of it is about: "My costs". */
export function saidByNote(source: PageWork): readonly Said[] {
	return keptSaid(
		source,
		source.sections.every(({ level }) => level <= 1)
	);
}

function keptSaid(source: PageWork, isTitled: boolean): readonly Said[] {
	let said = saidBySource.get(source);
	if (!said) saidBySource.set(source, (said = readSaid(source, isTitled)));
	return said;
}

function readSaid(source: PageWork, isTitled: boolean): Said[] {
	const named = (section: SectionWork | undefined) =>
		section && (isTitled || section.level !== 1) ? section.heading : '';
	const headings = source.sections.map((section) =>
		`${named(section)} ${named(source.sections[section.parent])}`.trim()
	);
	const headingStems = headings.map((heading) => new Set(contentStemsOf(heading)));
	const purposes = headings.map(purposesOf);
	const figures = new Map(
		source.facts.map(({ section, text, quantities }) => [`${section} ${text}`, quantities])
	);
	return source.statements.flatMap((statement, i): Said[] => {
		const { text, section } = statement;
		const last = source.statements[i - 1];
		const leans = last?.section === section && (needsBefore(text) || POINTS_BACK.test(text));
		if (text.endsWith('?') || cutOf(statement).every(({ words }) => words.length < LEAST_WORDS))
			return [];
		return [
			{
				source: source.id,
				statement,
				stems: stemsOf(statement),
				before: leans ? stemsOf(last) : NOTHING,
				headingStems: headingStems[section]!,
				purposes: purposes[section]!,
				label: labelStemsOf(text),
				quantities: figures.get(`${section} ${text}`) ?? []
			}
		];
	});
}

function stemsOf(statement: Statement): Set<string> {
	const stems = new Set<string>();
	for (const { words } of cutOf(statement))
		for (const { key } of words) if (key.length > 1 && !isStopWord(key)) stems.add(stemOf(key));
	return stems;
}

/** What stands before a colon, a dash, an arrow or a sign of equality. */
const LABEL = /^[\s"“]*([^:–—=→>|]{2,50}?)\s?(?::\s|\s[–—-]\s|=|→|->|\s·\s)/u;
const LABEL_WORDS = 5;

function labelStemsOf(text: string): ReadonlySet<string> {
	const label = LABEL.exec(text)?.[1];
	if (!label || label.split(/\s+/).length > LABEL_WORDS) return NOTHING;
	return new Set(contentStemsOf(label));
}

const held = new WeakMap<Said, Map<string, number>>();

/** How well a statement holds what is wanted, 0–1; many questions want the same of it, time and again. */
export function heldBy(said: Said, wanted: Wanted): number {
	let known = held.get(said);
	if (!known) held.set(said, (known = new Map()));
	let value = known.get(wanted.sign);
	if (value === undefined) {
		value = holdsWanted(wanted, said.statement.text, said.quantities);
		known.set(wanted.sign, value);
	}
	return value;
}

/** Meaning of what a statement says, its headings included. */
export interface Meaning {
	readonly rows: readonly number[];
	readonly vector: Float32Array;
}

const meanings = new WeakMap<Said, Meaning>();

export function meaningOf(said: Said, vectors: StemVectors): Meaning {
	let meaning = meanings.get(said);
	if (!meaning) {
		const rows = [...new Set([...said.stems, ...said.headingStems])]
			.map(vectors.rowOf)
			.filter((row) => row >= 0);
		const weighted = rows.map((row) => [row, rarityOf(vectors, row)] as const);
		meanings.set(said, (meaning = { rows, vector: textVectorOf(vectors, weighted) }));
	}
	return meaning;
}

/** An order of statements that is the same whatever order their sources come in. */
export function inOrderOfText(a: Said, b: Said): number {
	const [one, other] = [a.statement.text, b.statement.text];
	if (one !== other) return one < other ? -1 : 1;
	return a.source < b.source ? -1 : 1;
}
