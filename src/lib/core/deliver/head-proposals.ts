import { titleOptionsOf, sentenceCase, type Plan } from '../plan';
import type { Findings } from '../findings';
import { placedQuantitiesOf } from '../reading';
import {
	capital,
	andList,
	contentStemsOf,
	countWords,
	keywordStemsOf,
	pixelWidthOf,
	RESULT_ROOM,
	RESULT_TYPE,
	sentencesOf
} from '../text';
import { standsAlone } from './alone';
import {
	partsOf,
	plainOfInlines,
	textOfBlock,
	type ArticlePart,
	type DeliveredArticle
} from './article';
import type { Step } from './steps';

/** A line that is proposed, and what there is to say about it. */
export interface ProposedLine {
	readonly text: string;
	/** Pixels on a results page; for lines that stand there. */
	readonly width: number;
	readonly isCut: boolean;
	/** Ids of pages whose title is much like it. */
	readonly like: readonly string[];
	/** Word at which the keyword begins, from 0; −1: it is not in it. */
	readonly keywordAt: number;
}

export interface HeadProposals {
	readonly titleTags: readonly ProposedLine[];
	readonly descriptions: readonly ProposedLine[];
	/** For the page itself: the title over the text, and what is said under it. */
	readonly headlines: readonly string[];
	readonly standfirsts: readonly string[];
}

/** A page that a title can resemble. */
export interface TitledPage {
	readonly id: string;
	readonly title: string;
}

const PROPOSED = 5;
/** A description narrower than this leaves its room empty, in pixels. */
const LEAST_DESCRIBED = 330;
/** Share of the words of a title, the keyword's left out, that another has too. */
const ALIKE = 0.6;
/** Words under a heading from which it can be promised. */
const KEPT_WORDS = 25;
const FIGURED = /^(?:money|measure|time|share)$/;

const NUMBERS = 'two,three,four,five,six,seven,eight,nine,ten,eleven,twelve'.split(',');
const numberWord = (n: number) => NUMBERS[n - 2] ?? String(n);

/**
 * Titles, descriptions, headlines and lines under them, made of the article that is there: every promise
 * names a section that has text, every figure stands in it.
 */
export function headProposalsOf(
	article: DeliveredArticle,
	{
		findings,
		plan,
		steps,
		pages
	}: {
		readonly findings: Findings;
		readonly plan: Plan | null;
		readonly steps: readonly Step[];
		readonly pages: readonly TitledPage[];
	}
): HeadProposals {
	const { keyword } = findings;
	const said = sentenceCase(keyword);
	const kept = keptPromises(article, findings, plan, steps);
	const options = titleOptionsOf(findings, keptSections(article, plan));
	const generic = /in one place|explained in order/;
	const fromPlan = options.titles.filter((title) => !generic.test(title));
	const { count, answers, what } = kept;
	const own = makeUpOf(article);
	const titles = unique(
		[
			count !== '' && answers !== '' ? `${said}: ${count} and ${answers} answers` : '',
			...fromPlan.slice(0, 1),
			what.length > 0 ? `${said}: ${andList(what)}` : '',
			...fromPlan.slice(1, 2),
			count === '' ? '' : `${said}: ${count}`,
			answers === '' ? '' : `${said}: ${answers} questions answered`,
			article.head.title,
			own.names.length > 1 ? `${said}: ${andList(own.names.slice(0, 2))}` : '',
			own.parts >= FEW ? `${said}, in ${numberWord(own.parts)} parts` : '',
			own.isFigured ? `${said}, with figures` : '',
			...fromPlan,
			...options.titles,
			`${said}: a guide`,
			said
		].filter(Boolean)
	);
	const promised = [count, ...what, answers === '' ? '' : `answers to ${answers} questions`].filter(
		Boolean
	);
	const sentences = openSentences(article).filter((text) => standsAlone(text, keyword));
	const descriptions = unique([
		...describedBy(sentences, said),
		...describedByFigures(article, said, keyword),
		...(promised.length > 1 ? [`${said}: ${andList(promised)}.`] : []),
		...(own.names.length > 1 ? [`${said}: ${andList(own.names.slice(0, 5))}.`] : []),
		...sentences.slice(1, 3).map((sentence) => `${said}. ${sentence}`),
		...options.descriptions,
		`${said}, in ${numberWord(own.parts)} parts${own.isFigured ? ', with figures' : ''}${answers === '' ? '' : `, and answers to ${answers} questions`}.`
	]);
	const look = (text: string, part: 'title' | 'description') => lineOf(text, part, keyword, pages);
	const fits = (part: 'title' | 'description') => (line: ProposedLine) =>
		part === 'title'
			? line.width <= RESULT_ROOM.title * 1.15
			: !line.isCut && line.width >= LEAST_DESCRIBED;
	return {
		titleTags: bestLines(titles.map((text) => look(text, 'title')).filter(fits('title'))),
		descriptions: bestLines(
			descriptions.map((text) => look(text, 'description')).filter(fits('description'))
		),
		headlines: unique([article.head.title, ...titles]).slice(0, PROPOSED),
		standfirsts: unique([
			...sentences.filter((text) => countWords(text) >= 8 && countWords(text) <= 28).slice(0, 2),
			...(promised.length > 1 ? [`${capital(andList(promised))}.`] : []),
			...describedByFigures(article, '', keyword).slice(0, 2)
		]).slice(0, PROPOSED)
	};
}

/** A line as results pages set it. */
export function lineOf(
	text: string,
	part: 'title' | 'description',
	keyword: string,
	pages: readonly TitledPage[]
): ProposedLine {
	const width = Math.round(pixelWidthOf(text, RESULT_TYPE[part]));
	const at = plainOf(text).indexOf(plainOf(keyword));
	return {
		text,
		width,
		isCut: width > RESULT_ROOM[part],
		like: part === 'title' ? alikeTitles(text, keyword, pages) : [],
		keywordAt: at < 0 ? -1 : countWords(plainOf(text).slice(0, at))
	};
}

/** Pages whose title says much of the same beside the keyword. */
function alikeTitles(text: string, keyword: string, pages: readonly TitledPage[]): string[] {
	const common = keywordStemsOf(keyword);
	const own = new Set(contentStemsOf(text).filter((stem) => !common.has(stem)));
	if (own.size === 0) return [];
	return pages.flatMap(({ id, title }) => {
		const theirs = new Set(contentStemsOf(title).filter((stem) => !common.has(stem)));
		const shared = [...own].filter((stem) => theirs.has(stem)).length;
		return shared / Math.max(own.size, theirs.size) >= ALIKE ? [id] : [];
	});
}

/** Planned sections that the text has, with words under their headings. */
function keptSections({ blocks }: DeliveredArticle, plan: Plan | null) {
	const written = new Set(
		partsOf(blocks).flatMap(({ heading, blocks: under }) =>
			heading?.section &&
			under.reduce((sum, block) => sum + countWords(textOfBlock(block)), 0) >= KEPT_WORDS
				? [heading.section]
				: []
		)
	);
	return (plan?.sections ?? []).filter(({ id }) => written.has(id));
}

/** Sections of the second level that can be promised, by the words under them and under what is deeper. */
function writtenParts(blocks: DeliveredArticle['blocks']): ArticlePart[] {
	const parts = partsOf(blocks);
	return parts.filter(({ heading }, i) => {
		if (heading?.level !== 2) return false;
		const next = parts.findIndex((other, j) => j > i && (other.heading?.level ?? 9) <= 2);
		const words = parts
			.slice(i, next < 0 ? parts.length : next)
			.flatMap(({ blocks: under }) => under)
			.reduce((sum, block) => sum + countWords(textOfBlock(block)), 0);
		return words >= KEPT_WORDS;
	});
}

/** What the text does, in words; only what is really there. */
interface Promises {
	/** "eleven steps"; empty: it is told in none. */
	readonly count: string;
	/** How many questions it answers, as a word; empty: few or none. */
	readonly answers: string;
	/** "what it costs", "how long it takes", each with its figure in the text. */
	readonly what: readonly string[];
}

const FEW = 3;

function keptPromises(
	article: DeliveredArticle,
	findings: Findings,
	plan: Plan | null,
	steps: readonly Step[]
): Promises {
	const sections = keptSections(article, plan);
	const textUnder = new Map(
		partsOf(article.blocks).flatMap(({ heading, blocks }) =>
			heading?.section ? [[heading.section, blocks.map(textOfBlock).join('\n')] as const] : []
		)
	);
	const holds = (intent: string, kind: RegExp) =>
		sections.some(
			(section) =>
				section.intent === intent &&
				placedQuantitiesOf(textUnder.get(section.id) ?? '').some((found) => kind.test(found.kind))
		);
	const asks = (word: RegExp) => word.test(findings.keyword);
	const { length: asked } = article.questions;
	return {
		count: steps.length >= FEW ? `${numberWord(steps.length)} steps` : '',
		answers: asked >= FEW ? numberWord(asked) : '',
		what: [
			...(holds('cost', /^money$/) && !asks(/cost|price/i) ? ['what it costs'] : []),
			...(holds('time', /^time$/) && !asks(/long|time/i) ? ['how long it takes'] : []),
			...(sections.some(({ intent }) => intent === 'mistakes') ? ['what goes wrong'] : [])
		]
	};
}

/** Sentences with a figure from which an article is called one with figures. */
const FIGURED_FROM = 5;

/** What an article is made of: short names of its sections as they stand in a sentence, how many there are, figures. */
function makeUpOf({ blocks }: DeliveredArticle) {
	const parts = writtenParts(blocks);
	const names = parts.flatMap(({ heading }) => {
		const text = plainOfInlines(heading!.inlines).trim();
		const isName =
			countWords(text) <= 4 &&
			!/[?:,!.]|^(?:what|how|which|where|when|why|who|is|are|do|does|can|should|if|in|on|at|before|after)\b/i.test(
				text
			);
		return isName
			? [/^\p{Lu}[\p{Lu}\d]/u.test(text) ? text : text[0]!.toLowerCase() + text.slice(1)]
			: [];
	});
	const figured = blocks
		.filter(({ kind }) => kind === 'paragraph' || kind === 'list')
		.flatMap((block) => sentencesOf(textOfBlock(block)))
		.filter(({ text }) => placedQuantitiesOf(text).some(({ kind }) => FIGURED.test(kind)));
	return { names, parts: parts.length, isFigured: figured.length >= FIGURED_FROM };
}

function openSentences({ blocks }: DeliveredArticle): string[] {
	const first = blocks.findIndex((block) => block.kind === 'heading' && block.level > 1);
	return blocks
		.slice(0, first < 0 ? blocks.length : first)
		.filter(({ kind }) => kind === 'paragraph')
		.flatMap((block) => sentencesOf(textOfBlock(block)).map(({ text }) => text));
}

const fitsRoom = (text: string) =>
	pixelWidthOf(text, RESULT_TYPE.description) <= RESULT_ROOM.description;

/** As many of the first sentences as find room, the keyword before them where they lack it. */
function describedBy(sentences: readonly string[], said: string): string[] {
	const fill = (start: string) => {
		let text = start;
		for (const sentence of sentences) {
			const longer = text === '' ? sentence : `${text} ${sentence}`;
			if (!fitsRoom(longer)) break;
			text = longer;
		}
		return text;
	};
	const plain = fill('');
	if (plainOf(plain).includes(plainOf(said))) return [plain];
	const led = fill(`${said}.`);
	return led === `${said}.` ? [] : [led];
}

/** Sentences with figures out of the sections, those that stand alone. */
function describedByFigures({ blocks }: DeliveredArticle, said: string, keyword: string): string[] {
	const found = partsOf(blocks).flatMap(({ heading, blocks: under }) =>
		heading && heading.level > 1
			? under
					.filter(({ kind }) => kind === 'paragraph')
					.flatMap((block) => sentencesOf(textOfBlock(block)).map(({ text }) => text))
					.filter(
						(text) =>
							countWords(text) >= 6 &&
							countWords(text) <= 20 &&
							standsAlone(text, keyword) &&
							placedQuantitiesOf(text).some(({ kind }) => FIGURED.test(kind))
					)
					.slice(0, 1)
			: []
	);
	return found
		.flatMap((sentence, i) => {
			const alone = said === '' ? sentence : `${said}. ${sentence}`;
			const both = found[i + 1] ? `${alone} ${found[i + 1]!}` : alone;
			return [said !== '' && fitsRoom(both) ? both : alone];
		})
		.filter(fitsRoom)
		.slice(0, 3);
}

/** Those with the keyword first, in their order. */
function bestLines(lines: readonly ProposedLine[]): ProposedLine[] {
	const rank = ({ keywordAt, isCut, like }: ProposedLine) =>
		(keywordAt < 0 ? 8 : keywordAt > 3 ? 3 : 0) + (isCut ? 4 : 0) + (like.length > 0 ? 1 : 0);
	return lines
		.map((line, i) => ({ line, i }))
		.sort((a, b) => rank(a.line) - rank(b.line) || a.i - b.i)
		.slice(0, PROPOSED)
		.map(({ line }) => line);
}

function unique(lines: readonly string[]): string[] {
	const seen = new Set<string>();
	return lines.filter((line) => {
		const key = plainOf(line).trim();
		if (key === '' || seen.has(key)) return false;
		seen.add(key);
		return true;
	});
}

function plainOf(text: string): string {
	return text.toLowerCase().replace(/[-‐]/g, ' ').replace(/\s+/g, ' ');
}
