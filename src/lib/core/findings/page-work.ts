import { sectionsOf, textOf, type Block, type HeadingLevel, type Section } from '../pages';
import {
	addReading,
	countWords,
	isStopWord,
	prepareText,
	readingSumsOf,
	sentencesOf,
	stemOf,
	wordsOfSentence,
	type PreparedSentence,
	type ReadingSums,
	type Tagger
} from '../text';
import { candidatesOf } from './candidates';
import { isQuestion, spokenQuestionIn } from './question-form';
import { definitionIn, type Definition } from './definitions';
import { habitsOfPage, type HabitId } from './habits';
import { namedBodiesIn } from './named-bodies';
import { quantitiesOf, type Quantity } from './quantities';

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
	readonly surfaces: Map<string, number>;
}

export interface FoundFact {
	readonly text: string;
	readonly section: number;
	readonly quantities: readonly Quantity[];
	readonly names: readonly string[];
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

const FAQ_HEADING =
	/^(?:faqs?\b|frequently asked|common questions|questions? (?:and|&) answers|q\s?&\s?a|your questions)/i;

/** Works out everything that depends on one source alone. */
export function workOnPage(source: Source, tag: Tagger): PageWork {
	const sections = sectionsOf(source.blocks);
	const units: Unit[] = [{ text: source.title, place: 'title', section: -1, at: 0, words: 0 }];
	const works: (SectionWork & { readonly start: number })[] = [];
	const questions: FoundQuestion[] = [];
	const facts: FoundFact[] = [];
	const readings: ReadingSums[] = [];
	const paragraphWords: number[] = [];
	const faqs = faqPlaces(sections);
	let at = 0;

	sections.forEach((section, index) => {
		const level = section.heading?.level ?? 0;
		const heading = section.heading?.text ?? '';
		const inFaq = faqs[index] === 'inside';
		const isFaq = faqs[index] !== 'outside';
		const start = at;
		const first = units.length;
		const texts: string[] = heading === '' ? [] : [heading];
		if (heading !== '') {
			const words = wordCountOf(heading);
			const place: Place = inFaq ? 'faq' : level === 1 ? 'h1' : level === 2 ? 'h2' : 'h3';
			units.push({ text: heading, place, section: index, at, words });
			at += words;
		}
		const formats = new Set<'list' | 'steps' | 'table'>();
		for (const block of section.blocks) {
			if (block.kind === 'list') formats.add(block.ordered ? 'steps' : 'list');
			if (block.kind === 'table') formats.add('table');
			for (const text of textsOf(block)) {
				const words = wordCountOf(text);
				units.push({ text, place: inFaq ? 'faq' : 'body', section: index, at, words });
				at += words;
				texts.push(text);
			}
			for (const sentence of statementsOf(
				block,
				units.slice(units.length - textsOf(block).length)
			)) {
				const { text } = sentence;
				const quantities = quantitiesOf(text);
				const names = namedBodiesIn(text);
				if (quantities.length === 0 && names.length === 0) continue;
				const fact = { text, section: index, quantities, names };
				facts.push(fact);
				cuts.set(fact, [{ ...sentence, start: 0 }]);
			}
			if (block.kind === 'paragraph' || block.kind === 'quote') {
				readings.push(readingSumsOf(block.text));
				paragraphWords.push(units.at(-1)!.words);
			} else if (block.kind === 'list') {
				readings.push(addReading(block.items.map(readingSumsOf)));
			}
		}
		if (isQuestion(heading)) {
			questions.push({ text: heading, answer: texts.slice(1, 4).join(' '), section: index });
		}
		for (const block of section.blocks) {
			const asked = source.isNote
				? sentencesOf(textOf(block)).map(({ text }) => text)
				: block.kind === 'list'
					? block.items
					: [];
			for (const said of asked) {
				const text = spokenQuestionIn(said);
				if (text !== null) questions.push({ text, answer: '', section: index });
			}
		}
		works.push({
			heading,
			level,
			words: at - start,
			start,
			position: 0,
			stems: stemsOf(units.slice(first)),
			parent: parentOf(works, level),
			isFaq,
			formats: [...formats]
		});
	});

	return {
		id: source.id,
		title: source.title,
		description: source.description,
		siteNames: source.siteNames,
		date: source.date ?? '',
		words: at,
		units,
		sections: works.map(({ start, ...section }) => ({
			...section,
			position: start / Math.max(1, at)
		})),
		candidates: countCandidates(units, tag),
		questions,
		facts,
		definitions: definitionsIn(units),
		habits: habitsOfPage(sections, source.blocks, {
			hasFaq: works.some(({ isFaq }) => isFaq),
			figures: source.blocks.filter(({ kind }) => kind === 'figure').length
		}),
		reading: addReading(readings),
		paragraphWords,
		counts: {
			lists: source.blocks.filter(({ kind }) => kind === 'list').length,
			tables: source.blocks.filter(({ kind }) => kind === 'table').length,
			figures: source.blocks.filter(({ kind }) => kind === 'figure').length,
			links: source.links,
			faq: questions.length
		}
	};
}

/** As `countWords`, by way of the sentences that are needed anyway. */
function wordCountOf(text: string): number {
	return sentencesOf(text).reduce((sum, cut) => sum + wordsOfSentence(cut.text).length, 0);
}

/** Stems of the words of units that carry meaning. */
function stemsOf(units: readonly Unit[]): string[] {
	return units.flatMap((unit) =>
		cutOf(unit).flatMap(({ words }) =>
			words.flatMap(({ key }) => (key.length > 1 && !isStopWord(key) ? [stemOf(key)] : []))
		)
	);
}

/** The first definition of everything that a page defines. */
function definitionsIn(units: readonly Unit[]): Definition[] {
	const byKey = new Map<string, Definition>();
	for (const unit of units) {
		if (unit.place !== 'body' && unit.place !== 'faq') continue;
		for (const sentence of cutOf(unit)) {
			const found = definitionIn(sentence, unit.section);
			if (found && !byKey.has(found.key)) byKey.set(found.key, found);
		}
	}
	return [...byKey.values()];
}

/** A heading with little under it but at least two sub-headings, all of them questions. */
/** Of every section, whether it opens a part of questions and answers, stands in one, or neither. */
export function faqPlaces(sections: readonly Section[]): ('opens' | 'inside' | 'outside')[] {
	let faqLevel = 0;
	return sections.map(({ heading }, index) => {
		const level = heading?.level ?? 0;
		if (faqLevel > 0 && level > 0 && level <= faqLevel) faqLevel = 0;
		const isInside = faqLevel > 0;
		if (FAQ_HEADING.test(heading?.text ?? '') || opensQuestions(sections, index)) faqLevel = level;
		return isInside ? 'inside' : faqLevel > 0 ? 'opens' : 'outside';
	});
}

function opensQuestions(sections: readonly Section[], index: number): boolean {
	const { heading, blocks } = sections[index]!;
	if (!heading || heading.level < 2) return false;
	let inside = 0;
	for (let i = index + 1; i < sections.length; i++) {
		const next = sections[i]!.heading;
		if (!next || next.level <= heading.level) break;
		if (!isQuestion(next.text)) return false;
		inside++;
	}
	if (inside < 2) return false;
	return blocks.reduce((sum, block) => sum + countWords(textOf(block)), 0) <= 40;
}

const cuts = new WeakMap<{ readonly text: string }, readonly PreparedSentence[]>();

/** The sentences of a unit or fact, cut once for as long as it lives. */
export function cutOf(unit: { readonly text: string }): readonly PreparedSentence[] {
	let cut = cuts.get(unit);
	if (!cut) cuts.set(unit, (cut = prepareText(unit.text)));
	return cut;
}

/** The pieces of a block that are searched each on its own. */
export function textsOf(block: Block): string[] {
	switch (block.kind) {
		case 'list':
			return [...block.items];
		case 'table':
			return block.rows.flat().filter((cell) => cell !== '');
		case 'code':
			return [];
		case 'figure':
			return block.caption === '' ? [] : [block.caption];
		default:
			return [textOf(block)];
	}
}

/**
 * What a block states, piece by piece: the sentences of its units, and the rows of a table, whose
 * cells mean nothing alone.
 */
function statementsOf(block: Block, units: readonly Unit[]): readonly PreparedSentence[] {
	if (block.kind !== 'table') return units.flatMap(cutOf);
	return block.rows.flatMap((row) => {
		const text = row.filter((cell) => cell !== '').join(' · ');
		const words = prepareText(text).flatMap((cut) =>
			cut.words.map((word) => ({
				...word,
				start: word.start + cut.start,
				end: word.end + cut.start
			}))
		);
		return [{ text, start: 0, words }];
	});
}

function parentOf(works: readonly SectionWork[], level: number): number {
	if (level <= 2) return -1;
	for (let i = works.length - 1; i >= 0; i--) {
		const other = works[i]!;
		if (other.level > 0 && other.level < level) return other.level === 1 ? -1 : i;
	}
	return -1;
}

function countCandidates(units: readonly Unit[], tag: Tagger): CandidateCount[] {
	const counts = new Map<string, CandidateCount>();
	// a line that stands three times on a page ("Read more") is no part of what it says
	const times = new Map<string, number>();
	for (const { text, words } of units) if (words <= 8) times.set(text, (times.get(text) ?? 0) + 1);
	for (const unit of units) {
		if ((times.get(unit.text) ?? 0) > 2) continue;
		// title case makes every word a proper noun; small letters let the tagger see what it is
		const text =
			unit.place === 'body' || unit.place === 'faq' ? unit.text : unit.text.toLowerCase();
		for (const { key, surface, length, isAction, isName, isWhole } of candidatesOf(tag(text))) {
			let entry = counts.get(key);
			if (!entry) {
				entry = {
					key,
					joined: key.replaceAll(' ', ''),
					length,
					count: 0,
					whole: 0,
					asAction: 0,
					asName: 0,
					surfaces: new Map()
				};
				counts.set(key, entry);
			}
			entry.count++;
			if (isWhole) entry.whole++;
			if (isAction) entry.asAction++;
			if (isName) entry.asName++;
			entry.surfaces.set(surface, (entry.surfaces.get(surface) ?? 0) + 1);
		}
	}
	return [...counts.values()];
}
