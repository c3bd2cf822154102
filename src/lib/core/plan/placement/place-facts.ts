import { purposesOf } from '../../reading';
import {
	matterFit,
	type Fact,
	type FactGroup,
	type Findings,
	type NotePassage
} from '../../findings';
import { contentStemsOf, keywordStemsOf } from '../../text';
import {
	PLAN_LIMITS,
	type FactPlacement,
	type NotePlacement,
	type PlanSection,
	topicsOf
} from '../outline';
import { neighboursOf, withNeighbours } from './neighbours';

/** Likeness below which a fact supports no section. */
const FACT_AT = 1.4;

/** Words of the keyword and of every page say little; a passage needs this much else in common. */
const NOTE_AT = 1;

/** What it is worth that pages write of the same under a section's headings. */
const BY_TEXT = 16;

/** What a word of the keyword counts among the terms that a passage and a section share. */
const EVERYWHERE = 0.3;

/**
 * Facts and notes go to the sections they support; what the writer's own notes say comes first. Those
 * that stand in the sections given stay.
 */
export function placeMaterial(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const readings = sections.map((section) => readingOf(section, findings));
	const valuesOf = (fitsOf: (reading: Reading) => number) =>
		sections.map((section, s) => (isOpen(section) ? fitsOf(readings[s]!) : 0));
	const facts = bestPlaces(
		findings.facts.map((fact) => ({ item: fact, id: fact.id, values: valuesOf(factFit(fact)) })),
		FACT_AT
	);
	// what the writer has put somewhere stays there, and stands nowhere else
	const held = new Set(
		sections.flatMap((section) => [
			...section.facts.map(({ fact }) => fact),
			...section.notes.map(({ note }) => note)
		])
	);
	const wordsOf = new Map(findings.notePassages.map(({ id, words }) => [id, words]));
	const notes = placesWithRoom(
		inWholes(
			weighedNotes(findings.notePassages, valuesOf).filter(({ id }) => !held.has(id)),
			sections
		),
		sections.map(
			(section) =>
				CARRIES * section.budget -
				section.notes.reduce((sum, { note }) => sum + (wordsOf.get(note) ?? 0), 0)
		)
	);
	const open = <T extends { readonly id: string }>(
		placed: readonly { readonly item: T; readonly at: number }[],
		s: number,
		most: number
	) =>
		placed
			.filter(({ item, at }) => at === s && !held.has(item.id))
			.slice(0, Math.max(0, most))
			.map(({ item }) => item);
	return sections.map((section, s) => {
		if (section.locked) return section;
		const factsLeft = PLAN_LIMITS.factsPerSection - section.facts.length;
		return {
			...section,
			facts: [
				...section.facts,
				...open(facts, s, factsLeft).map(({ id, origin }): FactPlacement => ({
					fact: id,
					reason: `${origin === 'note' ? 'Your notes say it' : 'A page says it'}, and it speaks of what stands here.`,
					locked: false
				}))
			],
			notes: [
				...section.notes,
				...notes
					.filter(({ at }) => at === s)
					.flatMap(({ item }) =>
						item.passages.map(({ id, whole }): NotePlacement => ({
							note: id,
							reason:
								whole && item.passages.length > 1
									? `Its ${whole.form === 'steps' ? 'list of steps' : 'table'} speaks of what stands here, and stays whole.`
									: 'It speaks of what stands here.',
							locked: false
						}))
					)
			]
		};
	});
}

/** Passages before and behind a passage that say along with it what it is about. */
const NEAR = 3;

/** What each passage is worth in every section, those beside it under the same heading of its note considered. */
function weighedNotes(
	passages: readonly NotePassage[],
	valuesOf: (fitsOf: (reading: Reading) => number) => readonly number[]
): Weighed<NotePassage>[] {
	const alone = passages.map((passage) => valuesOf(noteFit(passage)));
	const near = neighboursOf(
		passages,
		(one, other) => one.source === other.source && one.heading === other.heading,
		() => NEAR
	);
	const bySection = (alone[0] ?? []).map((_, s) =>
		withNeighbours(
			alone.map((values) => values[s]!),
			near
		)
	);
	return passages.map((item, p) => ({
		item,
		id: item.id,
		values: bySection.map((values) => values[p]!)
	}));
}

/** Passages that are placed together: all of a numbered list or a table, else one. */
interface NoteGroup {
	readonly words: number;
	readonly passages: readonly NotePassage[];
}

/** Kinds of sections that steps and tables belong to, and what it is worth that a section is of that kind. */
const KIND_OF_FORM: Readonly<Record<'steps' | 'table' | 'text', PlanSection['kind'] | null>> = {
	steps: 'steps',
	table: 'comparison',
	text: null
};
const OF_FORM = 1.2;

/** Passages of one numbered list or table as one, worth in each section what they are on average. */
function inWholes(
	notes: readonly Weighed<NotePassage>[],
	sections: readonly PlanSection[]
): Weighed<NoteGroup>[] {
	const groups = new Map<string, Weighed<NotePassage>[]>();
	for (const note of notes) {
		const key = note.item.whole?.id ?? note.id;
		const group = groups.get(key);
		if (group) group.push(note);
		else groups.set(key, [note]);
	}
	const isOfForm = (group: readonly Weighed<NotePassage>[], s: number) =>
		isOpen(sections[s]!) &&
		sections[s]!.kind === KIND_OF_FORM[group[0]!.item.whole?.form ?? 'text'];
	return [...groups.values()].map((group) => ({
		id: group[0]!.id,
		item: {
			words: group.reduce((sum, { item }) => sum + item.words, 0),
			passages: group.map(({ item }) => item)
		},
		values: group[0]!.values.map(
			(_, s) =>
				group.reduce((sum, { values }) => sum + values[s]!, 0) / group.length +
				(isOfForm(group, s) ? OF_FORM : 0)
		)
	}));
}

function factFit(fact: Fact): (reading: Reading) => number {
	const matter = matterOf(fact);
	const own = fact.origin === 'note' ? 0.5 : 0;
	return (reading) => {
		const { held, shared, headed } = inCommon(matter, reading);
		return (
			held + 0.6 * Math.min(3, shared) + 0.5 * headed + own + BY_TEXT * reading.text(matter.said)
		);
	};
}

function noteFit(passage: NotePassage): (reading: Reading) => number {
	const matter = matterOf(passage);
	return (reading) => {
		const { held, shared, headed } = inCommon(matter, reading);
		return held + 0.8 * Math.min(4, shared) + headed + BY_TEXT * reading.text(matter.said);
	};
}

/** How well each section suits a fact or a passage of a note, as when they are placed; 0 is not at all. */
export function materialFits(
	{ fact, note }: { readonly fact?: Fact | undefined; readonly note?: NotePassage | undefined },
	sections: readonly PlanSection[],
	findings: Findings
): number[] {
	const readings = sections.map((section) => readingOf(section, findings));
	if (fact) return readings.map(factFit(fact));
	if (!note) return sections.map(() => 0);
	const at = findings.notePassages.findIndex(({ id }) => id === note.id);
	const around = findings.notePassages.slice(Math.max(0, at - NEAR), at + NEAR + 1);
	const weighed = weighedNotes(at < 0 ? [note] : around, (fitsOf) => readings.map(fitsOf));
	return [...weighed.find(({ id }) => id === note.id)!.values];
}

/**
 * Sections that suit passages of the notes best, best first, by the passage's id: at most so many for
 * each, and none that does not suit it at all.
 */
export function nearestSections(
	ids: ReadonlySet<string>,
	sections: readonly PlanSection[],
	findings: Findings,
	most: number
): Map<string, string[]> {
	const readings = sections.map((section) => readingOf(section, findings));
	const weighed = weighedNotes(findings.notePassages, (fitsOf) =>
		sections.map((section, s) => (isOpen(section) ? fitsOf(readings[s]!) : 0))
	);
	return new Map(
		weighed
			.filter(({ id }) => ids.has(id))
			.map(({ id, values }) => [
				id,
				values
					.map((value, s) => ({ value, s }))
					.filter(({ value }) => value > 0)
					.sort((a, b) => b.value - a.value || a.s - b.s)
					.slice(0, most)
					.map(({ s }) => sections[s]!.id)
			])
	);
}

interface Reading {
	readonly wanted: ReadonlySet<string>;
	/** Stems of the heading and of the headings pages have for it, less the keyword's. */
	readonly stems: ReadonlySet<string>;
	readonly intent: PlanSection['intent'];
	/** Terms that are words of the keyword; they stand everywhere and say little. */
	readonly everywhere: ReadonlySet<string>;
	/** How much of some stems belongs to the text that pages have under its headings. */
	readonly text: (stems: ReadonlySet<string>) => number;
}

function readingOf(section: PlanSection, findings: Findings): Reading {
	const common = keywordStemsOf(findings.keyword);
	const texts = [
		section.heading,
		...topicsOf(section, findings).flatMap(({ headings }) => headings.map(({ text }) => text))
	];
	return {
		wanted: new Set(section.terms.map(({ term }) => term)),
		stems: new Set(texts.flatMap(contentStemsOf).filter((stem) => !common.has(stem))),
		intent: section.intent,
		everywhere: new Set(
			section.terms
				.map(({ term }) => term)
				.filter((term) => contentStemsOf(term).every((stem) => common.has(stem)))
		),
		text: matterFit(topicsOf(section, findings).map(({ matter }) => matter))
	};
}

/** What a fact or a passage of a note speaks of. */
interface Matter {
	readonly terms: readonly string[];
	/** Stems of its text and of the heading it stands under. */
	readonly said: ReadonlySet<string>;
	readonly headingStems: readonly string[];
	readonly purposes: readonly string[];
}

function matterOf({ terms, heading, text }: Pick<Fact, 'terms' | 'heading' | 'text'>): Matter {
	const headingStems = contentStemsOf(heading);
	return {
		terms,
		said: new Set([...headingStems, ...contentStemsOf(text)]),
		headingStems,
		purposes: purposesOf(heading)
	};
}

/**
 * Placed terms that it holds, words it shares with the section's headings, and what it is worth that
 * its own heading is about what the section is about.
 */
function inCommon(
	{ terms, said, headingStems, purposes }: Matter,
	{ wanted, stems, intent, everywhere }: Reading
): { held: number; shared: number; headed: number } {
	let held = 0;
	for (const term of terms) if (wanted.has(term)) held += everywhere.has(term) ? EVERYWHERE : 1;
	let shared = 0;
	for (const stem of said) if (stems.has(stem)) shared++;
	const named =
		headingStems.filter((stem) => stems.has(stem)).length / Math.max(1, headingStems.length);
	const isOfPurpose = intent !== 'plain' && purposes.includes(intent);
	return { held, shared, headed: 1.5 * named + (isOfPurpose ? OF_PURPOSE : 0) };
}

/** What it is worth that its heading, or the question it answers, is about what the section is about. */
const OF_PURPOSE = 2;

/** What opens an article is chosen when it is drafted: by what answers the query, not by the words of a section. */
function isOpen({ locked, kind }: PlanSection): boolean {
	return !locked && kind !== 'opening' && kind !== 'closing' && kind !== 'faq';
}

interface Weighed<T> {
	readonly item: T;
	readonly id: string;
	/** Value in each section. */
	readonly values: readonly number[];
}

/** Each item in the section where it is worth most, the most valuable first. */
function bestPlaces<T>(
	items: readonly Weighed<T>[],
	least: number
): { readonly item: T; readonly at: number }[] {
	return items
		.flatMap(({ item, id, values }) => {
			const most = Math.max(0, ...values);
			return most > least ? [{ item, id, at: values.indexOf(most), most }] : [];
		})
		.sort((a, b) => b.most - a.most);
}

/** Words of notes that a section takes, as a share of its budget: a draft leaves some out. */
const CARRIES = 1.5;
/** Part of what a passage is worth in its best section that another one with room must offer. */
const NEARLY = 0.6;

/**
 * Each passage in the section where it is worth most, the most valuable first; where that is full, in the
 * next one that is nearly as good. What suits none, or finds no room, has no place.
 *
 * @param room words that each section still takes
 */
function placesWithRoom(
	items: readonly Weighed<NoteGroup>[],
	room: readonly number[]
): { readonly item: NoteGroup; readonly at: number }[] {
	const left = [...room];
	return items
		.map((one) => ({ ...one, most: Math.max(0, ...one.values) }))
		.filter(({ most }) => most > NOTE_AT)
		.sort((a, b) => b.most - a.most)
		.flatMap(({ item, values, most }) => {
			const [at] = values
				.map((value, s) => ({ value, s }))
				.filter(({ value, s }) => value >= NEARLY * most && left[s]! >= item.words / 2)
				.sort((a, b) => b.value - a.value || a.s - b.s)
				.map(({ s }) => s);
			if (at === undefined) return [];
			left[at]! -= item.words;
			return [{ item, at }];
		});
}

/** A figure of a section on which its sources differ. */
export interface Conflict {
	/** Facts placed in the section that state it. */
	readonly facts: readonly string[];
	readonly figure: FactGroup;
}

/** Where the facts of a section disagree with other sources, or with one another. */
export function conflictsIn(section: PlanSection, findings: Findings): Conflict[] {
	const here = new Set(section.facts.map(({ fact }) => fact));
	return findings.figures.flatMap((figure) => {
		if (figure.agreement !== 'differs') return [];
		const facts = [...new Set(figure.values.map(({ fact }) => fact))].filter((id) => here.has(id));
		return facts.length > 0 ? [{ facts, figure }] : [];
	});
}
