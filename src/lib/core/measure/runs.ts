import { runHashesOf, RUN_WORDS, stemmedWordsOf } from '../text';

/** Hashes of every run of eight stems in one text, in order; see `runHashesOf`. */
export type TextRuns = Float64Array;

/** Runs of eight stems of all counted pages, sorted. */
export type RunIndex = Float64Array;

/** Every run of eight words of one text; worth keeping, since it reads the whole text. */
export function runsIn(text: string): TextRuns {
	return runHashesOf(stemmedWordsOf(text).map(({ stem }) => stem));
}

/** Joins the runs of several texts into an index for finding text that stands too close to one. */
export function joinRuns(parts: readonly TextRuns[]): RunIndex {
	const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
	let at = 0;
	for (const part of parts) {
		all.set(part, at);
		at += part.length;
	}
	return all.sort();
}

/** Index of every run of eight words of some texts. */
export function indexRuns(texts: readonly string[]): RunIndex {
	return joinRuns(texts.map(runsIn));
}

/** A stretch of text that stands in runs of eight words or more that a page has too. */
export interface CloseSpan {
	readonly start: number;
	readonly end: number;
	readonly words: number;
}

/** The stretches of a text that lie inside runs the index knows, in order; none touch. */
export function closeSpansOf(text: string, index: RunIndex): CloseSpan[] {
	if (index.length === 0) return [];
	const words = stemmedWordsOf(text);
	const hashes = runHashesOf(words.map(({ stem }) => stem));
	const spans: { from: number; to: number }[] = [];
	hashes.forEach((hash, at) => {
		if (!holds(index, hash)) return;
		const last = spans.at(-1);
		if (last && at <= last.to) last.to = at + RUN_WORDS;
		else spans.push({ from: at, to: at + RUN_WORDS });
	});
	return spans.map(({ from, to }) => ({
		start: words[from]!.start,
		end: words[to - 1]!.end,
		words: to - from
	}));
}

/** Words of a text that lie inside runs the index knows. */
export function closeWordsOf(text: string, index: RunIndex): number {
	return closeSpansOf(text, index).reduce((sum, { words }) => sum + words, 0);
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
