import { sectionsOf, textOf, type Block } from '../pages';
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
import { quantitiesOf, type Quantity } from './quantities';
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
import { faqPlaces } from './faq-places';
import { cuts, cutOf, textsOf, statementsOf } from './cut';
import { statementsIn, type Statement } from './statements';
import { countCandidates } from './count-candidates';

/** Works out everything that depends on one source alone. */
export function workOnPage(source: Source, tag: Tagger): PageWork {
	const sections = sectionsOf(source.blocks);
	const units: Unit[] = [{ text: source.title, place: 'title', section: -1, at: 0, words: 0 }];
	const works: (SectionWork & { readonly start: number })[] = [];
	const questions: FoundQuestion[] = [];
	const facts: FoundFact[] = [];
	const statements: Statement[] = [];
	const readings: ReadingSums[] = [];
	const paragraphWords: number[] = [];
	const faqs = faqPlaces(sections);
	let at = 0;
	let wholes = 0;

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
		for (const block of section.blocks) {
			const form = wholeFormOf(block);
			const whole = form && { whole: { form, at: wholes++ } };
			const ofBlock = textsOf(block).map((text): Unit => {
				const words = wordCountOf(text);
				const place = inFaq ? 'faq' : 'body';
				const unit: Unit = { text, place, section: index, at, words, ...whole };
				at += words;
				return unit;
			});
			units.push(...ofBlock);
			texts.push(...ofBlock.map(({ text }) => text));
			const said = statementsOf(block, ofBlock);
			statements.push(...statementsIn(block, said, index));
			facts.push(...factsIn(block, said, index));
			if (block.kind === 'paragraph' || block.kind === 'quote') {
				readings.push(readingSumsOf(block.text));
				paragraphWords.push(units.at(-1)!.words);
			} else if (block.kind === 'list') {
				readings.push(addReading(block.items.map(readingSumsOf)));
			}
		}
		if (isQuestion(heading))
			questions.push({ text: heading, answer: texts.slice(1, 4).join(' '), section: index });
		for (const text of questionsSaidIn(section.blocks, source.isNote))
			questions.push({ text, answer: '', section: index });
		works.push({
			heading,
			level,
			words: at - start,
			start,
			position: 0,
			stems: stemsOf(units.slice(first)),
			parent: parentOf(works, level),
			isFaq,
			formats: formatsOf(section.blocks)
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
		statements,
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
