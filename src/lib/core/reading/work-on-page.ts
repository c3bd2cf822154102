import { sectionsOf, textOf, type Block, type Section } from '../pages';
import {
	addReading,
	isStopWord,
	readingSumsOf,
	sentencesOf,
	stemOf,
	wordsOfSentence,
	type PreparedSentence,
	type ReadingSums,
	type Tagger
} from '../text';
import { isQuestion, spokenQuestionIn } from './question-form';
import { definitionIn, type Definition } from './definitions';
import { habitsOfPage } from './habits';
import { namedBodiesIn } from './named-bodies';
import { isAmountList, isLineOfValues, isNutritionLine } from './data-blocks';
import { quantitiesOf } from './quantities';
import type { Quantity } from './quantity';
import type {
	Source,
	Place,
	Unit,
	SectionWork,
	FoundFact,
	FoundQuestion,
	PageWork,
	Whole
} from './page-work';
import { faqPlaces, type FaqPlace } from './faq-places';
import { cuts, cutOf, textsOf, statementsOf } from './cut';
import { statementsIn, type Statement } from './statements';
import { countCandidates } from './count-candidates';

/** Works out everything that depends on one source alone. */
export function workOnPage(source: Source, tag: Tagger): PageWork {
	const sections = sectionsOf(source.blocks);
	const faqs = faqPlaces(sections);
	const walk = new SourceWalk(source);
	sections.forEach((section, index) => walk.take(section, index, faqs[index]!));
	const { at: words, units, works, questions, facts, statements, paragraphWords } = walk;
	const count = (kind: Block['kind']) =>
		source.blocks.filter((block) => block.kind === kind).length;
	return {
		id: source.id,
		title: source.title,
		description: source.description,
		siteNames: source.siteNames,
		date: source.date ?? '',
		words,
		units,
		sections: works.map(({ start, ...section }) => ({
			...section,
			position: start / Math.max(1, words)
		})),
		candidates: countCandidates(units, tag),
		questions,
		facts,
		statements,
		definitions: definitionsIn(units),
		habits: habitsOfPage(sections, source.blocks, {
			hasFaq: works.some(({ isFaq }) => isFaq),
			figures: count('figure')
		}),
		reading: addReading(walk.readings),
		paragraphWords,
		counts: {
			lists: count('list'),
			tables: count('table'),
			figures: count('figure'),
			links: source.links,
			faq: questions.length
		}
	};
}

/** Goes through a source, section by section and block by block, and gathers what each says. */
class SourceWalk {
	readonly #isNote: boolean | undefined;
	readonly units: Unit[];
	readonly works: (SectionWork & { readonly start: number })[] = [];
	readonly questions: FoundQuestion[] = [];
	readonly facts: FoundFact[] = [];
	readonly statements: Statement[] = [];
	readonly readings: ReadingSums[] = [];
	readonly paragraphWords: number[] = [];
	/** Words so far. */
	at = 0;
	/** Tables and lists of steps so far. */
	#wholes = 0;

	constructor({ title, isNote }: Source) {
		this.#isNote = isNote;
		this.units = [{ text: title, place: 'title', section: -1, at: 0, words: 0 }];
	}

	take({ heading: head, blocks }: Section, index: number, faq: FaqPlace): void {
		const level = head?.level ?? 0;
		const heading = head?.text ?? '';
		const inFaq = faq === 'inside';
		const start = this.at;
		const first = this.units.length;
		if (heading !== '')
			this.#say(heading, inFaq ? 'faq' : level === 1 ? 'h1' : level === 2 ? 'h2' : 'h3', index);
		for (const block of blocks) this.#block(block, inFaq ? 'faq' : 'body', index);
		const said = this.units.slice(first);
		if (isQuestion(heading)) {
			const answer = said.slice(1, 4).map(({ text }) => text);
			this.questions.push({ text: heading, answer: answer.join(' '), section: index });
		}
		for (const text of questionsSaidIn(blocks, this.#isNote))
			this.questions.push({ text, answer: '', section: index });
		this.works.push({
			heading,
			level,
			words: this.at - start,
			start,
			position: 0,
			stems: stemsOf(said),
			parent: parentOf(this.works, level),
			isFaq: faq !== 'outside',
			formats: formatsOf(blocks)
		});
	}

	#say(text: string, place: Place, section: number, whole?: { readonly whole: Whole }): Unit {
		const words = wordCountOf(text);
		const unit: Unit = { text, place, section, at: this.at, words, ...whole };
		this.at += words;
		this.units.push(unit);
		return unit;
	}

	#block(block: Block, place: Place, section: number): void {
		const form = wholeFormOf(block);
		const whole = form ? { whole: { form, at: this.#wholes++ } } : undefined;
		const units = textsOf(block).map((text) => this.#say(text, place, section, whole));
		const said = statementsOf(block, units);
		this.statements.push(...statementsIn(block, said, section));
		this.facts.push(...factsIn(block, said, section));
		if (block.kind === 'paragraph' || block.kind === 'quote') {
			this.readings.push(readingSumsOf(block.text));
			this.paragraphWords.push(this.units.at(-1)!.words);
		} else if (block.kind === 'list') {
			this.readings.push(addReading(block.items.map(readingSumsOf)));
		}
	}
}

/** Sentences of a block that hold a quantity or name a body. A list of amounts is one fact. */
function factsIn(block: Block, said: readonly PreparedSentence[], section: number): FoundFact[] {
	if (block.kind === 'list' && isAmountList(block.items)) return amountsIn(block.items, section);
	return said.flatMap((sentence) => {
		const { text } = sentence;
		const quantities = quantitiesOf(text).filter(isOfSomething(text));
		const names = namedBodiesIn(text);
		if (quantities.length === 0 && names.length === 0) return [];
		const isData = isLineOfValues(text, quantities.length) || isNutritionLine(text);
		const isRow = block.kind === 'table';
		const fact: FoundFact = { text, section, quantities, names, isData, isRow };
		cuts.set(fact, [{ ...sentence, start: 0 }]);
		return [fact];
	});
}

function amountsIn(items: readonly string[], section: number): FoundFact[] {
	const text = items.join(' · ');
	const quantities = quantitiesOf(text);
	return quantities.length === 0
		? []
		: [{ text, section, quantities, names: [], isData: true, isRow: false }];
}

/** A figure needs something that it is a figure of: "½ tsp." alone says nothing. */
function isOfSomething(text: string): (quantity: Quantity) => boolean {
	const words = (said: string) =>
		wordsOfSentence(said).filter(
			({ text: word }) => /\p{L}{3}/u.test(word) && !isStopWord(word.toLowerCase())
		).length;
	const all = words(text);
	return (quantity) => quantity.kind === 'count' || all > words(quantity.text);
}

/** Questions below a heading: in a note any sentence may be one, on a page an item of a list. */
function questionsSaidIn(blocks: readonly Block[], isNote: boolean | undefined): string[] {
	return blocks
		.flatMap((block) =>
			isNote
				? sentencesOf(textOf(block)).map(({ text }) => text)
				: block.kind === 'list'
					? block.items
					: []
		)
		.flatMap((said) => spokenQuestionIn(said) ?? []);
}

/** What a section gives besides running text, in order of first use. */
function wholeFormOf(block: Block): Whole['form'] | null {
	if (block.kind === 'table') return 'table';
	return block.kind === 'list' && block.ordered ? 'steps' : null;
}

function formatsOf(blocks: readonly Block[]): SectionWork['formats'] {
	const formats = blocks.flatMap((block) =>
		block.kind === 'list'
			? [block.ordered ? ('steps' as const) : ('list' as const)]
			: block.kind === 'table'
				? ['table' as const]
				: []
	);
	return [...new Set(formats)];
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

function parentOf(works: readonly SectionWork[], level: number): number {
	if (level <= 2) return -1;
	for (let i = works.length - 1; i >= 0; i--) {
		const other = works[i]!;
		if (other.level > 0 && other.level < level) return other.level === 1 ? -1 : i;
	}
	return -1;
}
