import type { UnitKind } from '../../notes';
import {
	cutSections,
	docText,
	gap,
	headOf,
	list,
	paragraph,
	textNode,
	textRunsOf,
	type BlockNode,
	type TakeDoc
} from '../../manuscript';
import { closeWordsOf } from '../../measure';
import { headingOf, type Plan, type PlanSection } from '../../plan';
import { indexTerms } from '../../text';
import { forbiddenIn } from './allocate';
import { LEAST_FIT } from './choose-passages';
import type { DraftMaterial } from './draft-material';
import { fitAll, placedIn, type Fitted } from './fit-passages';
import {
	asSentence,
	readPassages,
	type DraftNote,
	type Passage,
	type UnfitReason
} from './note-material';
import { Narrator } from './narrator';
import { isLooseEntry, paragraphs, TO_WORK_IN } from './running-text';

/** Why something of the notes is not in a manuscript. */
export type LeftOutReason =
	| UnfitReason
	/** Its kind: a question, where it was noted, something said in passing. */
	| 'question'
	| 'background'
	| 'aside'
	/** A page has it in the same words. */
	| 'on a page'
	/** No section of the plan treats it. */
	| 'no section'
	/** The section that suits it best has its words. */
	| 'no room'
	/** Nearly the same stands in the section that suits it best. */
	| 'said already'
	/** Nothing speaks against it. */
	| 'open';

/** Why something of the notes is never printed. */
export type KeptBackReason = 'off-record' | 'do-not-say' | 'brief' | 'todo' | 'forbidden phrase';

export type Fate =
	/** It stands under the heading at this place of the manuscript; −1 is before the first. */
	| { readonly kind: 'used'; readonly block: number; readonly heading: string }
	/** It stands in a gap, to be worked in. */
	| {
			readonly kind: 'to work in';
			readonly block: number;
			readonly heading: string;
			/** What can stand in place of the gap. */
			readonly blocks: readonly BlockNode[];
	  }
	| {
			readonly kind: 'left out';
			readonly reason: LeftOutReason;
			/** Sections of the plan that suit it best, best first; empty when none does. */
			readonly nearest: readonly string[];
			/** As it can be put into the manuscript. */
			readonly blocks: readonly BlockNode[];
	  }
	| { readonly kind: 'kept back'; readonly reason: KeptBackReason };

/** What became of a unit of the notes, or of units that go together. */
export interface NoteFate {
	readonly note: string;
	/** Keys of the units, in order. */
	readonly units: readonly string[];
	readonly kind: UnitKind;
	readonly speaker: string;
	readonly text: string;
	readonly fate: Fate;
}

/**
 * What became of every unit of the notes in a manuscript, in the order of the notes. Units that are
 * used whole, such as the rows of a table, are one entry; every unit is in exactly one.
 */
export function noteFatesOf(doc: TakeDoc, material: DraftMaterial): NoteFate[] {
	const { notes } = material;
	const places = placesOf(doc);
	const { passages, unfit } = readPassages(notes);
	const leftOut = leftOutReader(passages, places, material);
	const byUnit = new Map<string, () => NoteFate>();
	const unitKey = (note: string, key: string) => `${note}\n${key}`;
	for (const passage of passages) {
		const { note, units, raw, sentences } = passage;
		byUnit.set(unitKey(note, units[0]!.key), () => {
			const place = usedAt(places, note, sentences.join(' ')) ?? usedAt(places, note, raw);
			const marked = place ? null : markedAt(places, raw);
			return entryOf(
				note,
				units,
				place
					? { kind: 'used', ...place }
					: marked
						? { kind: 'to work in', ...marked, blocks: sentenceOf(passage) }
						: leftOut(passage)
			);
		});
	}
	for (const { note, label, units, reason } of unfit) {
		const text = units.map((unit) => unit.text).join(' ');
		byUnit.set(unitKey(note, units[0]!.key), () => {
			const place = usedAt(places, note, text);
			const blocks = [paragraph(textNode(text, { source: note, label }))];
			return entryOf(
				note,
				units,
				place ? { kind: 'used', ...place } : { kind: 'left out', reason, nearest: [], blocks }
			);
		});
	}
	const grouped = new Set(
		[...passages, ...unfit].flatMap(({ note, units }) =>
			units.slice(1).map(({ key }) => unitKey(note, key))
		)
	);
	return notes.flatMap((note) =>
		note.units.units.flatMap((unit) => {
			const key = unitKey(note.id, unit.key);
			if (grouped.has(key)) return [];
			return [byUnit.get(key)?.() ?? entryOf(note.id, [unit], unprinted(unit.kind, unit.text))];
		})
	);

	function unprinted(kind: UnitKind, text: string): Fate {
		if (kind === 'off-record' || kind === 'do-not-say' || kind === 'brief' || kind === 'todo')
			return { kind: 'kept back', reason: kind };
		const reason = kind === 'question' || kind === 'background' ? kind : 'aside';
		return { kind: 'left out', reason, nearest: [], blocks: [paragraph(textNode(text))] };
	}
}

function entryOf(
	note: string,
	units: readonly DraftNote['units']['units'][number][],
	fate: Fate
): NoteFate {
	const [first] = units;
	return {
		note,
		units: units.map(({ key }) => key),
		kind: first!.kind,
		speaker: first!.speaker,
		text: units.map(({ text }) => text).join(first!.table >= 0 ? '\n' : ' '),
		fate
	};
}

/** A stretch of a manuscript under one heading. */
interface Place {
	/** Place of the heading among the blocks; −1 before the first. */
	readonly block: number;
	readonly heading: string;
	/** Section of the plan that the heading opens, or null. */
	readonly section: string | null;
	/** Words of what is printed, and of its gaps, each between spaces. */
	readonly words: string;
	readonly gapWords: string;
	/** Words that are marked as drawn from a note, by note. */
	readonly drawn: ReadonlyMap<string, ReadonlySet<string>>;
}

function placesOf({ content }: TakeDoc): Place[] {
	return cutSections(content.map(headOf)).map(({ from, to, level, section }): Place => {
		const blocks = content.slice(level > 0 ? from + 1 : from, to);
		const drawn = new Map<string, Set<string>>();
		for (const block of blocks)
			for (const { text, marks } of textRunsOf(block))
				for (const mark of marks)
					if (mark.type === 'origin') {
						const words = drawn.get(mark.attrs.source) ?? new Set();
						for (const word of wordsOf(text)) words.add(word);
						drawn.set(mark.attrs.source, words);
					}
		const joined = (isGap: boolean) =>
			` ${blocks
				.filter(({ type }) => (type === 'gap') === isGap)
				.flatMap((block) => wordsOf(docText(block)))
				.join(' ')} `;
		return {
			block: level > 0 ? from : -1,
			heading: level > 0 ? docText(content[from]!) : '',
			section,
			words: joined(false),
			gapWords: joined(true),
			drawn
		};
	});
}

/** Last words of a text that stand in a row where it is used, whatever its start has become. */
const TAIL = 6;
/** Share of the words of a text that stand in what is drawn from its note under one heading. */
const HELD_AT = 0.85;
/** A text of fewer words is found by all of them in a row only. */
const LEAST_HELD = 5;

type At = Pick<Place, 'block' | 'heading'>;

function usedAt(places: readonly Place[], note: string, text: string): At | null {
	const words = wordsOf(text);
	if (words.length === 0) return null;
	const tail = ` ${words.slice(-TAIL).join(' ')} `;
	const isHeld = ({ drawn }: Place) => {
		const here = drawn.get(note);
		if (!here || words.length < LEAST_HELD) return false;
		return words.filter((word) => here.has(word)).length >= HELD_AT * words.length;
	};
	return atOf(
		places.find((one) => one.drawn.has(note) && one.words.includes(tail)) ??
			places.find((one) => words.length >= TAIL && one.words.includes(tail)) ??
			places.find(isHeld)
	);
}

/** Where a gap says that a jotting is to be worked in. */
function markedAt(places: readonly Place[], text: string): At | null {
	const words = [...wordsOf(TO_WORK_IN), ...wordsOf(text)].join(' ');
	return atOf(places.find(({ gapWords }) => gapWords.includes(` ${words} `)));
}

function atOf(place: Place | undefined): At | null {
	return place ? { block: place.block, heading: place.heading } : null;
}

/**
 * The stretch of a text that a unit of the notes has become, `end` excluded: from its first words to its
 * last, where both stand in this order, else its last words alone; null when they do not stand there.
 */
export function stretchOf(text: string, unit: string): { start: number; end: number } | null {
	const wanted = wordsOf(unit);
	const words = [...text.matchAll(/[\p{L}\p{N}]+/gu)].map((match) => ({
		word: match[0].toLowerCase(),
		start: match.index,
		end: match.index + match[0].length
	}));
	const rowAt = (row: readonly string[], from: number) => {
		for (let at = from; row.length > 0 && at + row.length <= words.length; at++)
			if (row.every((word, i) => words[at + i]!.word === word)) return at;
		return -1;
	};
	const tail = wanted.slice(-TAIL);
	const last = rowAt(tail, 0);
	if (last < 0) return null;
	const first = rowAt(wanted.slice(0, HEAD), 0);
	const start = first >= 0 && first <= last ? first : last;
	return { start: words[start]!.start, end: words[last + tail.length - 1]!.end };
}

const HEAD = 3;

function wordsOf(text: string): string[] {
	return text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
}

/** Sections that are shown as those that suit a passage. */
const NEAREST = 3;
/** Part of its budget from which a section has no room. */
const FULL_AT = 0.9;
/** Share of the stems of a passage that stand in its section from which it says nothing new. */
const SAID_AT = 0.8;

/** Tells why a passage that a manuscript lacks was left out. */
function leftOutReader(
	passages: readonly Passage[],
	places: readonly Place[],
	material: DraftMaterial
): (passage: Passage) => Fate {
	const { plan, findings, runs } = material;
	const isForbidden = forbiddenIn(material);
	const placed = placedIn(plan.sections, passages, findings);
	let fits: ReadonlyMap<string, readonly Fitted[]> | null = null;
	const fitsOf = (passage: Passage) => {
		fits ??= fitAll(plan.sections, passages, findings, {
			index: indexTerms(findings.terms),
			placed
		});
		return plan.sections
			.filter(({ kind }) => kind !== 'faq' && kind !== 'closing')
			.map((section) => ({ section, fit: fits!.get(section.id)![passage.at]!.fit }))
			.filter(({ fit }) => fit > 0)
			.sort((a, b) => b.fit - a.fit);
	};
	return (passage) => {
		const text = passage.sentences.join(' ');
		if (isForbidden(text)) return { kind: 'kept back', reason: 'forbidden phrase' };
		const ranked = fitsOf(passage);
		const [best] = ranked;
		const nearest = ranked.slice(0, NEAREST).map(({ section }) => section.id);
		const reason = (): LeftOutReason => {
			if (closeWordsOf(text, runs) > 0) return 'on a page';
			if (!best || best.fit < LEAST_FIT) return 'no section';
			const place = places.find(({ section }) => section === best.section.id);
			if (!place) return 'open';
			const words = wordsOf(passage.raw);
			const said = words.filter((word) => place.words.includes(` ${word} `)).length;
			if (said >= SAID_AT * words.length) return 'said already';
			const length = place.words.split(' ').length - 2;
			return length >= FULL_AT * best.section.budget ? 'no room' : 'open';
		};
		return {
			kind: 'left out',
			reason: reason(),
			nearest,
			blocks: blocksOf(passage, best?.section ?? plan.sections[0], plan)
		};
	};
}

/** A jotting as a sentence, for the writer to mend. */
function sentenceOf(passage: Passage): BlockNode[] {
	const { sentences, note, label } = asSentence(passage);
	return [paragraph(textNode(sentences.join(' '), { source: note, label }))];
}

/** A passage as it can stand in a manuscript by itself: a jotting as an entry of a list. */
function blocksOf(passage: Passage, section: PlanSection | undefined, plan: Plan): BlockNode[] {
	if ((passage.hold === 'jotting' && passage.form === 'entry') || isLooseEntry(passage))
		return [
			list(false, [
				[textNode(passage.sentences[0]!, { source: passage.note, label: passage.label })]
			])
		];
	if (!section) return [gap(passage.raw)];
	const under = { ...section, heading: headingOf(plan, section) };
	return paragraphs([{ ...passage, hold: null }], under, new Narrator());
}
