import type { Shape } from '../findings';
import type { BlockType } from '../manuscript';
import { senseOf, type ArticleReading, type BlockReading, type SectionReading } from '../measure';
import { contentStemsOf, countWords, gradeOf, type ReadingSums } from '../text';
import type { Yardstick } from './yardstick';

/** Everything a standing is worked out from; moves are judged by changing it. */
export interface ArticleState {
	readonly words: number;
	/** Uses by term position. */
	readonly uses: ArrayLike<number>;
	/** Those of the uses that stand in sentences which are sentences, by term position. */
	readonly earned: ArrayLike<number>;
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
	/** Words of running text, and of those the ones in sentences that are none. */
	readonly runningWords: number;
	readonly faultyWords: number;
	/** Places that are left open. */
	readonly gaps: number;
}

/** What surrounds the text of an article. */
export interface ArticleMeta {
	readonly titleTag: string;
	readonly description: string;
}

/** Words under a heading from which a topic can be called treated. */
const TREATED_WORDS = 15;

/** Works out the state of an article from its reading. Takes and pages go the same way. */
export function stateOf(
	article: ArticleReading,
	meta: ArticleMeta,
	yardstick: Yardstick
): ArticleState {
	const { blocks, sections, uses } = article;
	const crowded = yardstick.terms.map(({ max }, t) => (uses[t] ?? 0) > max);
	const topicsOf = sections.map((section) => topicsIn(section, blocks, yardstick, crowded));
	const covered = yardstick.topics.map((_, t) => topicsOf.some((topics) => topics.has(t)));
	const atHome = yardstick.homes.map(({ term, topic }) =>
		sections.some((section, s) => topicsOf[s]!.has(topic) && holds(blocks, section, term))
	);
	const sense = senseOf(article);
	return {
		words: article.words,
		uses,
		earned: sense.earned,
		keywordPlaces: keywordPlacesOf(blocks, meta, yardstick),
		covered,
		answered: answersOf(blocks, yardstick),
		atHome,
		shape: shapeOfArticle(article, meta),
		reading: article.reading,
		paragraphWords: article.paragraphWords,
		closeWords: article.closeWords,
		runningWords: sense.words,
		faultyWords: sense.faultyWords,
		gaps: blocks.filter(({ kind }) => kind === 'gap').length
	};
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
	section: SectionReading,
	blocks: readonly BlockReading[],
	yardstick: Yardstick,
	crowded: readonly boolean[]
): Set<number> {
	const found = new Set<number>();
	if (section.words < TREATED_WORDS) return found;
	if (section.section !== null)
		for (const topic of yardstick.planned[section.section] ?? []) found.add(topic);
	const stems = headStemsOf(section.heading);
	yardstick.topics.forEach(({ headings, signature }, t) => {
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

function holds(
	blocks: readonly BlockReading[],
	{ from, to }: SectionReading,
	term: number
): boolean {
	for (let i = from; i < to; i++) if (blocks[i]!.counts.all.has(term)) return true;
	return false;
}

const answersByEvidence = new WeakMap<Yardstick, WeakMap<BlockReading, readonly number[]>>();

/** Questions for which some sentence holds at least 60% of what they ask, or which stand as a heading over text. */
function answersOf(blocks: readonly BlockReading[], yardstick: Yardstick): boolean[] {
	let known = answersByEvidence.get(yardstick);
	if (!known) answersByEvidence.set(yardstick, (known = new WeakMap()));
	const answered = yardstick.questions.map(() => false);
	let heading: BlockReading | null = null;
	for (const block of blocks) {
		if (block.level > 0) {
			heading = block;
			continue;
		}
		let found = known.get(block);
		if (!found) known.set(block, (found = answersInBlock(block, yardstick)));
		for (const q of found) answered[q] = true;
		if (heading && block.words >= 8) {
			const stems = new Set(headStemsOf(heading.text));
			yardstick.questions.forEach((question, q) => {
				if (shareOf(question, stems) >= 0.75) answered[q] = true;
			});
		}
	}
	return answered;
}

function answersInBlock({ sentences, text }: BlockReading, { questions }: Yardstick): number[] {
	if (/\?\s*$/.test(text)) return [];
	const sets = sentences.flatMap(({ stems }) => (stems.length >= 4 ? [new Set(stems)] : []));
	return questions.flatMap((question, q) =>
		sets.some((set) => shareOf(question, set) >= 0.6) ? [q] : []
	);
}

/** How much of a question's meaning is among some stems, 0–1. */
function shareOf(
	{ stems, weights }: Yardstick['questions'][number],
	among: ReadonlySet<string>
): number {
	return stems.reduce((sum, stem, i) => sum + (among.has(stem) ? weights[i]! : 0), 0);
}

function keywordPlacesOf(
	blocks: readonly BlockReading[],
	meta: ArticleMeta,
	yardstick: Yardstick
): ArticleState['keywordPlaces'] {
	const term = yardstick.keywordTerm;
	const inText = (text: string) =>
		text !== '' &&
		text
			.toLowerCase()
			.replace(/[-‐]/g, ' ')
			.includes(yardstick.keyword.toLowerCase().replace(/[-‐]/g, ' '));
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

/** The measurable make-up of an article, by the measures that findings take of pages. */
export function shapeOfArticle(
	{ blocks, sections, reading, paragraphWords, words }: ArticleReading,
	meta: ArticleMeta
): Shape {
	const count = (kinds: readonly BlockType[]) =>
		blocks.filter(({ kind }) => kinds.includes(kind)).length;
	const firstH2 = blocks.findIndex(({ level }) => level === 2);
	const opening = blocks
		.slice(0, firstH2 < 0 ? blocks.length : firstH2)
		.filter(({ level }) => level === 0);
	const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
	return {
		words,
		h2: blocks.filter(({ level }) => level === 2).length,
		h3: blocks.filter(({ level }) => level >= 3).length,
		paragraphs: paragraphWords.length,
		paragraphWords: paragraphWords.length === 0 ? 0 : sum(paragraphWords) / paragraphWords.length,
		sentenceWords: reading.sentences === 0 ? 0 : reading.words / reading.sentences,
		lists: count(['bulletList', 'orderedList']),
		tables: count(['table']),
		figures: count(['figure']),
		links: sum(blocks.map(({ links }) => links)),
		faq: sections.filter(({ heading }) => heading.endsWith('?')).length,
		openingWords: sum(opening.map(({ words }) => words)),
		grade: gradeOf(reading),
		titleChars: meta.titleTag.length,
		descriptionChars: meta.description.length
	};
}

/** Words of the keyword's subject per 100 words of the article; of the exact keyword where no term names its subject. */
export function keywordLoadOf(state: ArticleState, yardstick: Yardstick): number {
	const { keyword, keywordTerm, terms } = yardstick;
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
