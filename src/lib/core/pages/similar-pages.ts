import { stemmedWordsOf, runHashesOf } from '../text';
import { keptBlocksOf, textOf, type Article } from './article';
import { addressKeyOf } from './addresses';

/** The smallest hashes of a page's runs of words, in order: a sample that two pages can be compared by. */
export type PageSketch = readonly number[];

/** Size of a sketch; with 256 hashes a likeness is known to about 3 of 100. */
const SKETCH_SIZE = 256;

/** How alike two pages are before it is said: two texts on one subject share less than 5 of 100. */
const ALIKE_FROM = 0.5;

/** Sketch of an article as it was cleaned (bottom-k sampling after Broder, 1997). */
export function sketchOf(article: Article): PageSketch {
	const stems = keptBlocksOf(article).flatMap((block) =>
		stemmedWordsOf(textOf(block)).map(({ stem }) => stem)
	);
	const hashes = [...new Set(runHashesOf(stems))].sort((a, b) => a - b);
	return hashes.slice(0, SKETCH_SIZE);
}

/**
 * Share of word runs that two pages have in common, 0–1, as the sketches tell: of the smallest
 * hashes of both together, those that are in both.
 */
export function likenessOf(a: PageSketch, b: PageSketch): number {
	if (a.length === 0 || b.length === 0) return 0;
	const inB = new Set(b);
	const inA = new Set(a);
	// beyond the smaller sketch's last hash nothing is known of one of them, unless it is complete
	const size = Math.min(SKETCH_SIZE, new Set([...a, ...b]).size);
	const union = [...new Set([...a, ...b])].sort((x, y) => x - y).slice(0, size);
	return union.filter((hash) => inA.has(hash) && inB.has(hash)).length / union.length;
}

/** A page as far as it is compared with others. */
export interface ComparedPage {
	readonly id: string;
	readonly address: string;
	readonly sketch: PageSketch;
}

export interface AlikePage {
	readonly id: string;
	/** 0–1. */
	readonly likeness: number;
}

/** For each page that is nearly the same as an earlier one: which, and how alike. */
export function alikePagesOf(pages: readonly ComparedPage[]): Map<string, AlikePage> {
	const found = new Map<string, AlikePage>();
	pages.forEach((page, i) => {
		let best: AlikePage | null = null;
		for (const other of pages.slice(0, i)) {
			const likeness = likenessOf(page.sketch, other.sketch);
			if (likeness >= ALIKE_FROM && likeness > (best?.likeness ?? 0))
				best = { id: other.id, likeness };
		}
		if (best) found.set(page.id, best);
	});
	return found;
}

/** Whether a page that comes in is one that is here already: by its address, else by its text. */
export function isSamePage(a: Omit<ComparedPage, 'id'>, b: Omit<ComparedPage, 'id'>): boolean {
	const [keyA, keyB] = [addressKeyOf(a.address), addressKeyOf(b.address)];
	if (keyA !== '' && keyB !== '') return keyA === keyB;
	return likenessOf(a.sketch, b.sketch) >= 0.9;
}
