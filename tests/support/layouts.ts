import { readFileSync, readdirSync } from 'node:fs';
import {
	keptBlocksOf,
	rawTextOf,
	parseHtml,
	textOf,
	tidyText,
	cleanPage
} from '../../src/lib/core/pages';
import { wordsOf } from '../../src/lib/core/text';

/**
 * Page layouts written for the project. What belongs to the article stands between the comments
 * `keep` and `/keep`, less what stands between `drop` and `/drop`; readers never see comments.
 */
export interface Layout {
	readonly name: string;
	readonly html: string;
	/** Text of the article, as labelled. */
	readonly expected: string;
	/** Headings of the article, as labelled. */
	readonly headings: readonly string[];
}

const FOLDER = new URL('../fixtures/layouts/', import.meta.url);

export function readLayouts(): Layout[] {
	return readdirSync(FOLDER)
		.filter((file) => file.endsWith('.html'))
		.sort()
		.map((file) =>
			layoutOf(file.replace(/\.html$/, ''), readFileSync(new URL(file, FOLDER), 'utf8'))
		);
}

function layoutOf(name: string, html: string): Layout {
	const kept = keptMarkupOf(html);
	return {
		name,
		html: html.replace(/<!--\/?(?:keep|drop)-->/g, ''),
		expected: plainTextOf(kept),
		headings: [...kept.matchAll(/<h([1-6])[^>]*>(.*?)<\/h\1>/gis)]
			.map(([, , inner]) => plainTextOf(inner!))
			.filter(Boolean)
	};
}

function keptMarkupOf(html: string): string {
	return [...html.matchAll(/<!--keep-->(.*?)<!--\/keep-->/gs)]
		.map(([, inner]) => inner!.replace(/<!--drop-->.*?<!--\/drop-->/gs, ' '))
		.join('\n');
}

/** Text of markup with a space wherever a tag stands, except inside words. */
export function plainTextOf(html: string): string {
	const spaced = html.replace(
		/<\/?(?!(?:a|b|i|em|strong|span|font|sup|sub|code|time|o:p)\b)[a-z][^>]*>/gi,
		' $& '
	);
	return tidyText(rawTextOf(parseHtml(`<body>${spaced}</body>`).body));
}

/** Precision, recall and their harmonic mean over words, each counted as often as it stands there. */
export function wordMatch(
	found: string,
	expected: string
): { readonly precision: number; readonly recall: number; readonly f1: number } {
	const count = (text: string) => {
		const counts = new Map<string, number>();
		for (const { text: word } of wordsOf(text)) {
			const key = word.toLowerCase();
			counts.set(key, (counts.get(key) ?? 0) + 1);
		}
		return counts;
	};
	const [ours, theirs] = [count(found), count(expected)];
	const sum = (counts: ReadonlyMap<string, number>) =>
		[...counts.values()].reduce((total, n) => total + n, 0);
	let shared = 0;
	for (const [word, n] of ours) shared += Math.min(n, theirs.get(word) ?? 0);
	const precision = shared / Math.max(1, sum(ours));
	const recall = shared / Math.max(1, sum(theirs));
	const f1 = shared === 0 ? 0 : (2 * precision * recall) / (precision + recall);
	return { precision, recall, f1 };
}

/** What cleaning makes of a layout: its text and its headings. */
export function cleanedOf(layout: Layout): {
	readonly text: string;
	readonly headings: readonly string[];
} {
	const result = cleanPage(layout.html);
	if (result.kind !== 'cleaned') return { text: '', headings: [] };
	const blocks = keptBlocksOf(result.article);
	return {
		text: blocks.map(textOf).join('\n'),
		headings: blocks.flatMap((block) =>
			block.kind === 'heading' ? [block.text] : block.kind === 'answer' ? [block.question] : []
		)
	};
}

/** Share of the labelled headings that were found. */
export function headingRecall(found: readonly string[], expected: readonly string[]): number {
	const left = found.map((text) => text.toLowerCase());
	let hits = 0;
	for (const heading of expected) {
		const at = left.indexOf(heading.toLowerCase());
		if (at >= 0) {
			hits++;
			left.splice(at, 1);
		}
	}
	return expected.length === 0 ? 1 : hits / expected.length;
}
