import {
	contentStemsOf,
	countWords,
	everydayRateOf,
	isStopWord,
	singularOf,
	wordsOf
} from '../text';
import { keptBlocksOf, textOf, type Article, type Block } from './article';

/** What sort of page it is, as far as that decides whether to count it. */
export const PAGE_KINDS = [
	'article',
	'shop',
	'official',
	'forum',
	'video',
	'home',
	'list',
	'thin'
] as const;

export type PageKind = (typeof PAGE_KINDS)[number];

/** A judgement with what speaks for it, in words for the writer. */
export interface PageJudgement {
	readonly kind: PageKind;
	/** Fit to the keyword, 0–100. */
	readonly fit: number;
	readonly reasons: readonly string[];
	/** Whether to propose setting the page aside. */
	readonly proposeAside: boolean;
}

const NAMED_KIND: Readonly<Record<string, string>> = {
	shop: 'a shop',
	official: 'official',
	forum: 'a forum',
	video: 'a video',
	home: 'a front page',
	list: 'a list'
};

const MONEY = /[£$€]\s?\d/g;

const ARTICLE_TYPES =
	/\b(?:Article|NewsArticle|BlogPosting|TechArticle|ReportageNewsArticle|Recipe|HowTo)\b/;

/** Words kept below which a page may be its film or its product and little else. */
const FEW_WORDS = 200;

/** What tells the kind of a page. */
interface PageSigns {
	readonly article: Article;
	readonly blocks: readonly Block[];
	readonly text: string;
	readonly words: number;
	/** Words of running text. */
	readonly prose: number;
	/** Types of its structured data. */
	readonly types: string;
	readonly host: string;
	/** Whether it is an article in spite of a film or a product beside it. */
	readonly isArticle: boolean;
	readonly hasBasket: boolean;
}

/** A sign that a page is of a kind: how much it speaks for it, and in words for the writer. */
type Speaks = readonly [kind: PageKind, score: number, reason: string];

/**
 * Guesses the kind of a page and its fit to a keyword. Scores add up from features that can
 * be named; the highest kind wins, an article when nothing speaks against it.
 *
 * @param listedAs kind that a list of results gives the page; one feature among others
 */
export function judgePage(article: Article, keyword: string, listedAs = ''): PageJudgement {
	const signs = signsOf(article);
	const scores = new Map<PageKind, { score: number; reasons: string[] }>();
	for (const [kind, score, reason] of [
		...shopSigns(signs),
		...forumSigns(signs),
		...videoSigns(signs),
		...officialSigns(signs),
		...otherSigns(signs),
		...listedSigns(listedAs)
	]) {
		const entry = scores.get(kind) ?? { score: 0, reasons: [] };
		scores.set(kind, { score: entry.score + score, reasons: [...entry.reasons, reason] });
	}
	let best: { kind: PageKind; score: number; reasons: string[] } = {
		kind: 'article',
		score: 2,
		reasons: []
	};
	for (const [kind, { score, reasons }] of scores) {
		if (score > best.score) best = { kind, score, reasons };
	}
	const fit = fitOf(article, keyword, signs.text, signs.words, signs.prose);
	const proposeAside = best.kind !== 'article' || fit.isElsewhere;
	const reasons = [...best.reasons, ...(fit.isElsewhere || fit.value < 35 ? fit.reasons : [])];
	return { kind: best.kind, fit: fit.value, reasons, proposeAside };
}

function signsOf(article: Article): PageSigns {
	const blocks = keptBlocksOf(article);
	const text = blocks.map(textOf).join('\n');
	const words = countWords(text);
	const types = article.structured.join(' ');
	return {
		article,
		blocks,
		text,
		words,
		prose: proseWordsOf(blocks),
		types,
		host: article.address.toLowerCase(),
		isArticle: ARTICLE_TYPES.test(types) || words >= FEW_WORDS,
		hasBasket: /\b(?:add to (?:basket|cart|bag)|in stock|checkout|your basket)\b/i.test(text)
	};
}

function* shopSigns({ types, isArticle, text, prose, hasBasket }: PageSigns): Generator<Speaks> {
	if (/\b(?:Product|Offer)\b/.test(types)) {
		if (!isArticle) yield ['shop', 3, 'its data describe a product'];
		else if (!ARTICLE_TYPES.test(types)) yield ['shop', 1, 'its data describe a product'];
	}
	const prices = text.match(MONEY)?.length ?? 0;
	if (hasBasket) yield ['shop', 2, 'it has a basket'];
	if (prices >= 4 && prose < 350) yield ['shop', 2, `${prices} prices and ${prose} words of prose`];
}

function* forumSigns({ types, text, host }: PageSigns): Generator<Speaks> {
	if (/DiscussionForumPosting|QAPage/.test(types))
		yield ['forum', 4, 'its data describe a discussion'];
	// comments under an article do not make it a forum
	const posts =
		text.match(
			/\b(?:wrote:|replied|reply|quote|posted|joined|posts:|member since|original poster|thread)\b/gi
		)?.length ?? 0;
	if (posts >= 8) yield ['forum', 3, 'many short posts by different people'];
	if (/forum|thread|topic|community|talk/.test(host))
		yield ['forum', 1.5, 'its address speaks of a forum'];
}

function* videoSigns({ types, isArticle, text, words }: PageSigns): Generator<Speaks> {
	if (isArticle) return;
	if (/VideoObject/.test(types)) yield ['video', 3, 'its data describe a video'];
	const speaksOfFilm =
		/\b(?:watch now|views\b.{0,40}\bsubscribers|subscribe to (?:the|our) channel|\d+ views)\b/i.test(
			text
		);
	if (speaksOfFilm && words < FEW_WORDS) yield ['video', 3, 'it shows a video with little text'];
}

function* officialSigns({ article, host, text }: PageSigns): Generator<Speaks> {
	if (
		/\.gov|council|ministry|parish|authority|\.gob\.|government/.test(
			host + ' ' + article.siteName.toLowerCase()
		) ||
		/\b(?:office|agency|department|commission|municipality)$/i.test(article.siteName)
	)
		yield ['official', 3.5, 'an official body runs the site'];
	if (
		/\b(?:planning (?:portal|permission|department)|by-?laws?|statutory|council tax|report it online|apply online)\b/i.test(
			text
		) &&
		/council|authority/i.test(text)
	)
		yield ['official', 1, 'it speaks of rules and applications'];
}

function* otherSigns(signs: PageSigns): Generator<Speaks> {
	const { article, blocks, words, prose, host, hasBasket } = signs;
	if (/^https?:\/\/[^/]+\/?$/.test(host)) yield ['home', 3, 'it is the front page of a site'];
	const headings = blocks.filter(({ kind }) => kind === 'heading').length;
	const hasShortParts = headings > 6 && prose < 20 * headings;
	if (hasShortParts && article.links.length > 15 && !hasBasket)
		yield ['list', 2.5, 'it mostly links to other pages'];
	if (words < 120) yield ['thin', 2.2, `only ${words} words`];
}

function* listedSigns(listedAs: string): Generator<Speaks> {
	const kind = PAGE_KINDS.find((one) => one === listedAs);
	if (kind && kind !== 'article')
		yield [kind, 2.5, `the list of results calls it ${NAMED_KIND[kind] ?? kind}`];
}

/** Stems of a keyword, each weighted by how rare its word is: in "keep bees", bees tell more. */
function stemWeightsOf(keyword: string): Map<string, number> {
	const weights = new Map<string, number>();
	for (const { text } of wordsOf(keyword)) {
		const [stem] = contentStemsOf(text);
		if (stem !== undefined)
			weights.set(stem, 1 / Math.sqrt(20 + everydayRateOf(singularOf(text.toLowerCase()))));
	}
	return weights;
}

/** One of the four things a page's fit to a keyword adds up from. */
export interface FitPart {
	/** What was looked at and what was found, in words. */
	readonly said: string;
	/** Points it gave, and the most it could have given. */
	readonly points: number;
	readonly most: number;
}

/** Points each part of the fit can give; together 100. */
const FIT_POINTS = { title: 35, headings: 20, density: 25, prose: 20 } as const;

/**
 * How a page's fit to a keyword comes about: the keyword's words in title and headings, how much
 * of the text they make up, and how much prose there is. The points add up to the fit.
 */
export function fitPartsOf(article: Article, keyword: string): FitPart[] {
	const blocks = keptBlocksOf(article);
	return partsOf(article, keyword, proseWordsOf(blocks));
}

function partsOf(article: Article, keyword: string, prose: number): FitPart[] {
	const weights = stemWeightsOf(keyword);
	const wanted = [...weights.keys()];
	if (wanted.length === 0) return [];
	const all = wanted.reduce((sum, stem) => sum + weights.get(stem)!, 0);
	const found = (text: string) => {
		const stems = new Set(contentStemsOf(text));
		const here = wanted.filter((stem) => stems.has(stem));
		return {
			count: `${here.length} of ${wanted.length} words of the keyword`,
			share: here.reduce((sum, stem) => sum + weights.get(stem)!, 0) / all
		};
	};
	const blocks = keptBlocksOf(article);
	const [title, headings] = [
		found(article.title),
		found(blocks.flatMap((b) => (b.kind === 'heading' ? [b.text] : [])).join(' '))
	];
	const stems = contentStemsOf(blocks.map(textOf).join('\n'));
	const most = Math.max(...weights.values());
	const hits = stems.reduce((sum, stem) => sum + (weights.get(stem) ?? 0) / most, 0);
	const density = hits / Math.max(1, stems.length);
	const part = (said: string, share: number, points: number): FitPart => ({
		said,
		points: points * share,
		most: points
	});
	return [
		part(`the title has ${title.count}`, title.share, FIT_POINTS.title),
		part(`headings have ${headings.count}`, headings.share, FIT_POINTS.headings),
		// on pages about a subject, its words are 2–6% of the content words
		part(
			`they make up ${(100 * density).toFixed(1)}% of its content words`,
			Math.min(1, density / 0.03),
			FIT_POINTS.density
		),
		part(
			`it has ${prose.toLocaleString('en')} words of prose`,
			Math.min(1, prose / 500),
			FIT_POINTS.prose
		)
	];
}

/** Words of paragraphs that are long enough to be prose, of list items and of rows. */
function proseWordsOf(blocks: readonly Block[]): number {
	return blocks.reduce((sum, block) => {
		const words = block.kind === 'heading' ? 0 : countWords(textOf(block));
		const isText = block.kind === 'list' || block.kind === 'table' || words >= 15;
		return sum + (isText ? words : 0);
	}, 0);
}

/** Words of a keyword that say what is wanted of a subject and not which one it is. */
const NO_SUBJECT = new Set(
	contentStemsOf(
		'how make making made do doing home best near top good easy simple quick guide way ways tip tips idea ideas step steps beginner beginners complete ultimate list get buy use need'
	)
);

/** Uses of the subject's words, of all words, below which a page speaks of something else. */
const LEAST_DENSITY = 0.004;

/** Whether a page says none of the subject's words in its title and hardly any in its text. */
function isAboutElse(article: Article, keyword: string, text: string, words: number): boolean {
	const all = contentStemsOf(keyword);
	const own = all.filter((stem) => !NO_SUBJECT.has(stem));
	const subject = new Set(own.length > 0 ? own : all);
	if (subject.size === 0) return false;
	const hasWord = (stem: string) => subject.has(stem);
	if (contentStemsOf(`${article.title} ${article.titleTag ?? ''}`).some(hasWord)) return false;
	return contentStemsOf(text).filter(hasWord).length < LEAST_DENSITY * words;
}

/** Share of stop words under which a text is no English: 0.19 and more on English pages, 0.11 and less on others. */
const LEAST_STOP_WORDS = 0.13;

/** Whether a text of some length is written in another language. */
function isForeign(text: string): boolean {
	const words = wordsOf(text).filter(({ text: word }) => /\p{L}/u.test(word));
	const stops = words.filter(({ text: word }) => isStopWord(word.toLowerCase())).length;
	return words.length >= 60 && stops < LEAST_STOP_WORDS * words.length;
}

function fitOf(
	article: Article,
	keyword: string,
	text: string,
	words: number,
	prose: number
): { value: number; reasons: string[]; isElsewhere: boolean } {
	const parts = partsOf(article, keyword, prose);
	if (parts.length === 0) return { value: 50, reasons: [], isElsewhere: false };
	const share = ({ points, most }: FitPart) => points / most;
	const reasons: string[] = [];
	if (share(parts[0]!) < 0.5) reasons.push('the title speaks of something else');
	if (share(parts[2]!) < 0.4) reasons.push('it hardly uses the words of the keyword');
	if (words < 300) reasons.push('it has little text');
	if (isForeign(text)) reasons.unshift('it is not written in English');
	return {
		value: Math.round(parts.reduce((sum, { points }) => sum + points, 0)),
		reasons,
		isElsewhere: isAboutElse(article, keyword, text, words)
	};
}
