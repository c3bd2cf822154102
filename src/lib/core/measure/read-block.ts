import {
	docText,
	headOf,
	textRunsOf,
	childrenOf,
	type BlockNode,
	type BlockType,
	type DocNode,
	type Head,
	type Origin
} from '../manuscript';
import { placedQuantitiesOf, type PlacedQuantity } from '../reading';
import {
	addReading,
	clashesIn,
	contentStemsOf,
	countWords,
	findTermsIn,
	frameOf,
	prepareText,
	readingSumsOf,
	type ReadingSums,
	type TermCounts,
	type TermIndex,
	type TermMatch
} from '../text';
import { closeSpansOf, type CloseSpan, type RunIndex } from './runs';

/** What blocks are read by; two readings by the same ruler can be compared. */
export interface Ruler {
	readonly terms: TermIndex;
	readonly runs: RunIndex;
}

/** A sentence with its place in the block's text. */
export interface SentenceSpan {
	readonly start: number;
	readonly end: number;
	/** Stems that carry meaning, in order. */
	readonly stems: readonly string[];
	readonly words: number;
	/** Words of it that stand in terms. */
	readonly termWords: number;
	/** Neighbours that no English sentence has; see `clashesIn`. */
	readonly clashes: number;
	/** What it is like without its terms; see `frameOf`. */
	readonly frame: string | null;
	/** It ends with a stop, a colon or a closing mark. */
	readonly isEnded: boolean;
}

/** A stretch of text that leads somewhere. */
export interface LinkSpan {
	readonly start: number;
	readonly end: number;
	readonly href: string;
}

/** A stretch of text with its origin. */
export interface OriginSpan extends Origin {
	readonly start: number;
	readonly end: number;
}

/**
 * All that is read in one block of an article. Depends on the block and the ruler alone, so that it
 * is kept for as long as the block stays the same. Places are in UTF-16 units of `text`, end
 * excluded.
 */
export interface BlockReading extends Head {
	readonly kind: BlockType;
	/** Empty for a gap, which is no part of the article. */
	readonly text: string;
	readonly words: number;
	readonly sentences: readonly SentenceSpan[];
	/** Uses of terms, in order of start within each line. */
	readonly matches: readonly TermMatch[];
	/** The uses counted by term. */
	readonly counts: TermCounts;
	/** Stretches that stand too close to a page. */
	readonly close: readonly CloseSpan[];
	/** Words of those stretches. */
	readonly closeWords: number;
	readonly quantities: readonly PlacedQuantity[];
	readonly origins: readonly OriginSpan[];
	readonly reading: ReadingSums;
	/** Words, for paragraphs and quotations; 0 for other blocks. */
	readonly paragraphWords: number;
	readonly links: number;
	readonly leads: readonly LinkSpan[];
	/** The picture of a figure, with what it is said to show; null: it is none, or names none. */
	readonly picture: { readonly id: string; readonly alt: string } | null;
}

/** Reads one block. A gap reads as empty. */
export function readBlock(node: BlockNode, { terms, runs }: Ruler): BlockReading {
	const isGap = node.type === 'gap';
	const text = isGap ? '' : docText(node);
	const sentences: SentenceSpan[] = [];
	const matches: TermMatch[] = [];
	const quantities: PlacedQuantity[] = [];
	const readings: ReadingSums[] = [];
	let from = 0;
	for (const line of text.split('\n')) {
		const start = from;
		from += line.length + 1;
		if (line.trim() === '') continue;
		const cut = prepareText(line);
		const found = findTermsIn(terms, cut);
		for (const match of found) matches.push(moved(match, start));
		for (const sentence of cut) {
			const at = start + sentence.start;
			sentences.push(sentenceSpan(sentence.text, at, found, sentence.start));
			for (const quantity of placedQuantitiesOf(sentence.text))
				quantities.push(moved(quantity, at));
		}
		if (node.type !== 'heading') readings.push(readingSumsOf(line));
	}
	const words = countWords(text);
	const close = closeSpansOf(text, runs);
	return {
		...headOf(node),
		kind: node.type,
		text,
		words,
		sentences,
		matches,
		counts: countsOf(matches),
		close,
		closeWords: close.reduce((sum, span) => sum + span.words, 0),
		quantities,
		origins: isGap ? [] : originsOf(node),
		reading: addReading(readings),
		paragraphWords: node.type === 'paragraph' || node.type === 'blockquote' ? words : 0,
		links: countLinks(node),
		leads: isGap ? [] : leadsOf(node),
		picture: pictureOf(node)
	};
}

const ENDED = /[.!?…:;]["”’»)\]*]*$/;

/** @param matches terms of the line the sentence stands in, and `from`, where it starts in that line */
function sentenceSpan(
	text: string,
	start: number,
	matches: readonly TermMatch[],
	from: number
): SentenceSpan {
	const terms = matches
		.filter((match) => match.start >= from && match.end <= from + text.length)
		.map((match) => ({ start: match.start - from, end: match.end - from }));
	let end = 0;
	let termWords = 0;
	for (const term of terms) {
		if (term.end > end) termWords += countWords(text.slice(Math.max(term.start, end), term.end));
		end = Math.max(end, term.end);
	}
	return {
		start,
		end: start + text.length,
		stems: contentStemsOf(text),
		words: countWords(text),
		termWords,
		clashes: clashesIn(text),
		frame: frameOf(text, terms),
		isEnded: ENDED.test(text)
	};
}

function moved<T extends { readonly start: number; readonly end: number }>(span: T, by: number): T {
	return { ...span, start: span.start + by, end: span.end + by };
}

function countsOf(matches: readonly TermMatch[]): TermCounts {
	const all = new Map<number, number>();
	const own = new Map<number, number>();
	for (const match of matches) {
		all.set(match.term, (all.get(match.term) ?? 0) + 1);
		if (match.own) own.set(match.term, (own.get(match.term) ?? 0) + 1);
	}
	return { all, own };
}

/** Neighbouring runs of one origin are one stretch. */
function originsOf(node: BlockNode): OriginSpan[] {
	const spans: OriginSpan[] = [];
	for (const { start, end, marks } of textRunsOf(node)) {
		const origin = marks.find((mark) => mark.type === 'origin');
		if (!origin) continue;
		const last = spans.at(-1);
		if (last && last.end === start && last.source === origin.attrs.source)
			spans[spans.length - 1] = { ...last, end };
		else spans.push({ ...origin.attrs, start, end });
	}
	return spans;
}

/** Neighbouring runs that lead to one address are one link. */
function leadsOf(node: BlockNode): LinkSpan[] {
	const spans: LinkSpan[] = [];
	for (const { start, end, marks } of textRunsOf(node)) {
		const link = marks.find((mark) => mark.type === 'link');
		if (!link) continue;
		const { href } = link.attrs;
		const last = spans.at(-1);
		if (last && last.end === start && last.href === href)
			spans[spans.length - 1] = { ...last, end };
		else spans.push({ start, end, href });
	}
	return spans;
}

function pictureOf(node: BlockNode): BlockReading['picture'] {
	if (node.type !== 'figure' || !node.attrs?.picture) return null;
	return { id: node.attrs.picture, alt: node.attrs.alt ?? '' };
}

function countLinks(node: DocNode): number {
	const isLink = node.type === 'text' && node.marks?.some(({ type }) => type === 'link') === true;
	return childrenOf(node).reduce((sum, child) => sum + countLinks(child), isLink ? 1 : 0);
}
