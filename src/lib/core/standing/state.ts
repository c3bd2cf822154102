import type { Shape } from '../findings';
import { addReading, contentStemsOf, countWords, gradeOf, type ReadingSums } from '../text';
import { takeSectionsOf, type BlockMeasure, type TakeSection } from '../takes';
import type { Evidence } from './evidence';

/** Everything a standing is worked out from; moves are judged by changing it. */
export interface ArticleState {
	readonly words: number;
	/** Uses by term position. */
	readonly uses: ArrayLike<number>;
	readonly keywordPlaces: Readonly<
		Record<'titleTag' | 'h1' | 'opening' | 'h2' | 'description', boolean>
	>;
	/** By topic position. */
	readonly covered: readonly boolean[];
	/** By question position. */
	readonly answered: readonly boolean[];
	/** By position in `homes`: the term stands in a section on its topic. */
	readonly atHome: readonly boolean[];
	readonly shape: Shape;
	readonly reading: ReadingSums;
	readonly paragraphWords: readonly number[];
	readonly closeWords: number;
}

/** What surrounds the text of an article. */
export interface ArticleMeta {
	readonly titleTag: string;
	readonly description: string;
}

/** Words under a heading from which a topic can be called treated. */
const TREATED_WORDS = 15;

/** Works out the state of an article from its measured blocks. Takes and pages go the same way. */
export function stateOf(
	blocks: readonly BlockMeasure[],
	meta: ArticleMeta,
	evidence: Evidence,
	uses?: ArrayLike<number>
): ArticleState {
	const sections = takeSectionsOf(blocks);
	const counted = uses ?? usesOf(blocks, evidence.terms.length);
	const crowded = evidence.terms.map(({ max }, t) => (counted[t] ?? 0) > max);
	const topicsOf = sections.map((section) => topicsIn(section, blocks, evidence, crowded));
	const covered = evidence.topics.map((_, t) => topicsOf.some((topics) => topics.has(t)));
	const atHome = evidence.homes.map(({ term, topic }) =>
		sections.some((section, s) => topicsOf[s]!.has(topic) && holds(blocks, section, term))
	);
	const reading = addReading(blocks.map((block) => block.reading));
	const paragraphWords = blocks.flatMap((block) =>
		block.paragraphWords > 0 ? [block.paragraphWords] : []
	);
	return {
		words: blocks.reduce((sum, block) => sum + block.words, 0),
		uses: counted,
		keywordPlaces: keywordPlacesOf(blocks, meta, evidence),
		covered,
		answered: answersOf(blocks, evidence),
		atHome,
		shape: shapeOfBlocks(blocks, sections, meta, reading, paragraphWords),
		reading,
		paragraphWords,
		closeWords: blocks.reduce((sum, block) => sum + block.closeWords, 0)
	};
}

function usesOf(blocks: readonly BlockMeasure[], terms: number): Int32Array {
	const uses = new Int32Array(terms);
	for (const { counts } of blocks) for (const [term, n] of counts.all) uses[term]! += n;
	return uses;
}

const headStems = new Map<string, readonly string[]>();

function headStemsOf(heading: string): readonly string[] {
	let stems = headStems.get(heading);
	if (!stems) {
		stems = contentStemsOf(heading);
		if (headStems.size > 2_000) headStems.clear();
		headStems.set(heading, stems);
	}
	return stems;
}

/**
 * Topics a section treats: those the plan gave it, those whose headings are worded alike, and
 * those of whose tell-tale terms it holds at least 60%. Crowded terms tell nothing.
 */
function topicsIn(
	section: TakeSection,
	blocks: readonly BlockMeasure[],
	evidence: Evidence,
	crowded: readonly boolean[]
): Set<number> {
	const found = new Set<number>();
	if (section.words < TREATED_WORDS) return found;
	if (section.id !== null) for (const topic of evidence.planned[section.id] ?? []) found.add(topic);
	const stems = headStemsOf(section.heading);
	evidence.topics.forEach(({ headings, signature }, t) => {
		if (found.has(t)) return;
		const alike = headings.some((words) => {
			if (words.length === 0) return false;
			const shared = words.filter((stem) => stems.includes(stem)).length;
			return shared / words.length >= 0.5 && shared / Math.max(1, stems.length) >= 0.34;
		});
		if (alike) {
			found.add(t);
			return;
		}
		if (signature.length < 2) return;
		const held = signature.filter((term) => !crowded[term] && holds(blocks, section, term)).length;
		if (held / signature.length >= 0.6) found.add(t);
	});
	return found;
}

function holds(blocks: readonly BlockMeasure[], { from, to }: TakeSection, term: number): boolean {
	for (let i = from; i < to; i++) if (blocks[i]!.counts.all.has(term)) return true;
	return false;
}

const answersByEvidence = new WeakMap<Evidence, WeakMap<BlockMeasure, readonly number[]>>();

/** Questions for which some sentence holds at least 60% of what they ask, or which stand as a heading over text. */
function answersOf(blocks: readonly BlockMeasure[], evidence: Evidence): boolean[] {
	let known = answersByEvidence.get(evidence);
	if (!known) answersByEvidence.set(evidence, (known = new WeakMap()));
	const answered = evidence.questions.map(() => false);
	let heading: BlockMeasure | null = null;
	for (const block of blocks) {
		if (block.level > 0) {
			heading = block;
			continue;
		}
		let found = known.get(block);
		if (!found) known.set(block, (found = answersInBlock(block, evidence)));
		for (const q of found) answered[q] = true;
		if (heading && block.words >= 8) {
			const stems = new Set(headStemsOf(heading.text));
			evidence.questions.forEach((question, q) => {
				if (shareOf(question, stems) >= 0.75) answered[q] = true;
			});
		}
	}
	return answered;
}

function answersInBlock({ sentenceStems, text }: BlockMeasure, { questions }: Evidence): number[] {
	if (/\?\s*$/.test(text)) return [];
	const sets = sentenceStems.filter((stems) => stems.length >= 4).map((stems) => new Set(stems));
	return questions.flatMap((question, q) =>
		sets.some((set) => shareOf(question, set) >= 0.6) ? [q] : []
	);
}

/** How much of a question's meaning is among some stems, 0–1. */
function shareOf(
	{ stems, weights }: Evidence['questions'][number],
	among: ReadonlySet<string>
): number {
	return stems.reduce((sum, stem, i) => sum + (among.has(stem) ? weights[i]! : 0), 0);
}

function keywordPlacesOf(
	blocks: readonly BlockMeasure[],
	meta: ArticleMeta,
	evidence: Evidence
): ArticleState['keywordPlaces'] {
	const term = evidence.keywordTerm;
	const inText = (text: string) =>
		text !== '' &&
		text
			.toLowerCase()
			.replace(/[-‐]/g, ' ')
			.includes(evidence.keyword.toLowerCase().replace(/[-‐]/g, ' '));
	let words = 0;
	let opening = false;
	for (const block of blocks) {
		if (block.level === 1) continue;
		if (words >= 100) break;
		if (term >= 0 && block.level === 0 && block.counts.all.has(term)) opening = true;
		words += block.words;
	}
	const inLevel = (level: number) =>
		blocks.some(
			(block) =>
				block.level === level && (term >= 0 ? block.counts.all.has(term) : inText(block.text))
		);
	return {
		titleTag: inText(meta.titleTag),
		h1: inLevel(1),
		opening,
		h2: inLevel(2),
		description: inText(meta.description)
	};
}

/** The measurable make-up of a take, by the measures that pages have. */
export function shapeOfTake(blocks: readonly BlockMeasure[], meta: ArticleMeta): Shape {
	return shapeOfBlocks(
		blocks,
		takeSectionsOf(blocks),
		meta,
		addReading(blocks.map((block) => block.reading)),
		blocks.flatMap((block) => (block.paragraphWords > 0 ? [block.paragraphWords] : []))
	);
}

function shapeOfBlocks(
	blocks: readonly BlockMeasure[],
	sections: readonly TakeSection[],
	meta: ArticleMeta,
	reading: ReadingSums,
	paragraphWords: readonly number[]
): Shape {
	const count = (kinds: readonly string[]) =>
		blocks.filter(({ kind }) => kinds.includes(kind)).length;
	const firstH2 = blocks.findIndex(({ level }) => level === 2);
	const opening = blocks
		.slice(0, firstH2 < 0 ? blocks.length : firstH2)
		.filter(({ level }) => level === 0);
	const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
	return {
		words: sum(blocks.map(({ words }) => words)),
		h2: blocks.filter(({ level }) => level === 2).length,
		h3: blocks.filter(({ level }) => level >= 3).length,
		paragraphs: paragraphWords.length,
		paragraphWords: paragraphWords.length === 0 ? 0 : sum(paragraphWords) / paragraphWords.length,
		sentenceWords: reading.sentences === 0 ? 0 : reading.words / reading.sentences,
		lists: count(['bulletList', 'orderedList']),
		tables: count(['table']),
		figures: count(['image', 'figure']),
		links: sum(blocks.map(({ links }) => links)),
		faq: sections.filter(({ heading }) => heading.endsWith('?')).length,
		openingWords: sum(opening.map(({ words }) => words)),
		grade: gradeOf(reading),
		titleChars: meta.titleTag.length,
		descriptionChars: meta.description.length
	};
}

/** Words of a keyword, for callers that report load per 1,000 words. */
export function keywordLoadOf(state: ArticleState, evidence: Evidence): number {
	const { keyword, keywordTerm, terms } = evidence;
	if (state.words === 0) return 0;
	const object = terms.findIndex(
		({ phrase }) =>
			keyword.toLowerCase().endsWith(phrase) &&
			phrase.includes(' ') &&
			phrase !== keyword.toLowerCase()
	);
	const at = object >= 0 ? object : keywordTerm;
	return at < 0 ? 0 : ((state.uses[at] ?? 0) * countWords(terms[at]!.phrase) * 100) / state.words;
}
