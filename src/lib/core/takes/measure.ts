import {
	addReading,
	contentStemsOf,
	countTerms,
	countWords,
	readingSumsOf,
	runHashesOf,
	RUN_WORDS,
	sentencesOf,
	stemmedWordsOf,
	type ReadingSums,
	type TermCounts,
	type TermIndex
} from '../text';
import { docText, type DocNode, type TakeDoc } from './doc';

/** What one block of a manuscript adds to the whole. Depends on the block and the index alone. */
export interface BlockMeasure {
	readonly kind: string;
	/** Heading level, 0 for other blocks. */
	readonly level: number;
	/** Id of the planned section a heading belongs to. */
	readonly section: string | null;
	readonly text: string;
	readonly words: number;
	readonly counts: TermCounts;
	readonly reading: ReadingSums;
	/** Words, for paragraphs; 0 for other blocks. */
	readonly paragraphWords: number;
	/** Stems that carry meaning, sentence by sentence. */
	readonly sentenceStems: readonly (readonly string[])[];
	/** Words inside runs of eight that a page has too. */
	readonly closeWords: number;
	readonly links: number;
}

/** Runs of eight stems of all counted pages, sorted; see `runHashesOf`. */
export type RunIndex = Float64Array;

/** Index of every run of eight words on the pages, for finding text that stands too close. */
export function indexRuns(texts: readonly string[]): RunIndex {
	const parts = texts.map((text) => runHashesOf(stemmedWordsOf(text).map(({ stem }) => stem)));
	const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
	let at = 0;
	for (const part of parts) {
		all.set(part, at);
		at += part.length;
	}
	return all.sort();
}

/** Words of a text that lie inside runs the index knows. */
export function closeWordsOf(text: string, index: RunIndex): number {
	if (index.length === 0) return 0;
	const words = stemmedWordsOf(text);
	const hashes = runHashesOf(words.map(({ stem }) => stem));
	let close = 0;
	let upTo = 0;
	hashes.forEach((hash, at) => {
		if (!holds(index, hash)) return;
		close += at + RUN_WORDS - Math.max(at, upTo);
		upTo = at + RUN_WORDS;
	});
	return close;
}

function holds(index: RunIndex, hash: number): boolean {
	let low = 0;
	let high = index.length - 1;
	while (low <= high) {
		const middle = (low + high) >> 1;
		const value = index[middle]!;
		if (value === hash) return true;
		if (value < hash) low = middle + 1;
		else high = middle - 1;
	}
	return false;
}

/** Measures one block. Gaps measure nothing: they are no part of the article. */
export function measureBlock(node: DocNode, terms: TermIndex, runs: RunIndex): BlockMeasure {
	const isGap = node.type === 'gap';
	const text = isGap ? '' : docText(node);
	const lines = text === '' ? [] : text.split('\n').filter((line) => line.trim() !== '');
	const counts = lines.map((line) => countTerms(terms, line));
	const isHeading = node.type === 'heading';
	return {
		kind: node.type,
		level: isHeading ? Number(node.attrs?.level ?? 2) : 0,
		section: isHeading ? ((node.attrs?.section as string | null | undefined) ?? null) : null,
		text,
		words: countWords(text),
		counts: counts.length === 1 ? counts[0]! : joinCounts(counts),
		reading: isHeading ? readingSumsOf('') : addReading(lines.map(readingSumsOf)),
		paragraphWords: node.type === 'paragraph' || node.type === 'blockquote' ? countWords(text) : 0,
		sentenceStems: lines.flatMap((line) =>
			sentencesOf(line).map((sentence) => contentStemsOf(sentence.text))
		),
		closeWords: closeWordsOf(text, runs),
		links: countLinks(node)
	};
}

function joinCounts(counts: readonly TermCounts[]): TermCounts {
	const all = new Map<number, number>();
	const own = new Map<number, number>();
	for (const count of counts) {
		for (const [term, n] of count.all) all.set(term, (all.get(term) ?? 0) + n);
		for (const [term, n] of count.own) own.set(term, (own.get(term) ?? 0) + n);
	}
	return { all, own };
}

function countLinks(node: DocNode): number {
	const here = node.marks?.some(({ type }) => type === 'link') ? 1 : 0;
	return (node.content ?? []).reduce((sum, child) => sum + countLinks(child), here);
}

/** A stretch of a manuscript from one heading to the next. */
export interface TakeSection {
	/** Id of the planned section, or null for a heading of the writer's own. */
	readonly id: string | null;
	readonly level: number;
	readonly heading: string;
	/** Positions of its blocks, heading included: `from` included, `to` excluded. */
	readonly from: number;
	readonly to: number;
	/** Words under the heading, without it. */
	readonly words: number;
}

/** Cuts measured blocks at their headings; what stands before the first is a section of level 0. */
export function takeSectionsOf(blocks: readonly BlockMeasure[]): TakeSection[] {
	const sections: TakeSection[] = [];
	let from = 0;
	const close = (to: number) => {
		if (to === from) return;
		const head = blocks[from]!.level > 0 ? blocks[from]! : null;
		let words = 0;
		for (let i = head ? from + 1 : from; i < to; i++) words += blocks[i]!.words;
		sections.push({
			id: head?.section ?? null,
			level: head?.level ?? 0,
			heading: head?.text ?? '',
			from,
			to,
			words
		});
		from = to;
	};
	blocks.forEach(({ level }, i) => {
		if (level > 0) close(i);
	});
	close(blocks.length);
	return sections;
}

/** Measures a whole manuscript from scratch. */
export function measureDoc(doc: TakeDoc, terms: TermIndex, runs: RunIndex): BlockMeasure[] {
	return doc.content.map((node) => measureBlock(node, terms, runs));
}
