import { readFileSync, readdirSync } from 'node:fs';
import { cleanPage, keptBlocksOf, textOf, type Article } from '../../src/lib/core/pages';
import { decodeBytes, wordsOf } from '../../src/lib/core/text';

/** A page of an assignment with the text that should be left of it. */
export interface JobPage {
	readonly file: string;
	readonly html: string;
	/** Lines of the article: title, headings, paragraphs, list items, table rows. */
	readonly lines: readonly string[];
	/** Lines that may stay or go, such as captions. */
	readonly optional: readonly string[];
	readonly headings: readonly string[];
	/** Whether an expert set the page aside. */
	readonly isAside: boolean;
}

/** A whole assignment under tests/fixtures/jobs: what came in and what an expert made of it. */
export interface Job {
	readonly name: string;
	readonly keyword: string;
	readonly pages: readonly JobPage[];
}

const FOLDER = new URL('../fixtures/jobs/', import.meta.url);

interface Manifest {
	readonly keyword: string;
	readonly pages: readonly string[];
	readonly irrelevant: string | readonly string[];
	readonly gold: {
		readonly headings: string;
		readonly clean: Readonly<Record<string, string>>;
		readonly cleanOptional?: Readonly<Record<string, readonly string[]>>;
	};
}

export function readJobs(): Job[] {
	return readdirSync(FOLDER).sort().map(readJob);
}

function readJob(name: string): Job {
	const at = new URL(`${name}/`, FOLDER);
	const text = (path: string) => readFileSync(new URL(path, at), 'utf8');
	const { keyword, pages, irrelevant, gold } = JSON.parse(text('manifest.json')) as Manifest;
	const headings = JSON.parse(text(gold.headings)) as { page: string; text: string }[];
	return {
		name,
		keyword,
		pages: pages.map((file) => {
			const decoded = decodeBytes(readFileSync(new URL(file, at)));
			return {
				file,
				html: decoded.kind === 'text' ? decoded.text : '',
				lines: text(gold.clean[file]!).trim().split('\n'),
				optional: gold.cleanOptional?.[file] ?? [],
				headings: headings.filter(({ page }) => page === file).map((heading) => heading.text),
				isAside: [irrelevant].flat().includes(file)
			};
		})
	};
}

export interface CleaningMatch {
	readonly article: Article | null;
	/** Harmonic mean of precision and recall over words; optional ones count neither way. */
	readonly f1: number;
	readonly found: number;
	readonly wanted: number;
	/** Lines that are kept and belong to nothing in the article. */
	readonly strangeHeadings: readonly string[];
}

/** How well cleaning agrees with what should be left of a page. */
export function cleaningOf({ html, lines, optional, headings }: JobPage): CleaningMatch {
	const cleaned = cleanPage(html);
	const article = cleaned.kind === 'cleaned' ? cleaned.article : null;
	const blocks = article ? keptBlocksOf(article) : [];
	const ours = countsOf(blocks.map(textOf));
	const theirs = countsOf(lines);
	const spare = countsOf(optional);
	let [shared, extra, lost] = [0, 0, 0];
	for (const [word, n] of ours) {
		const expected = theirs.get(word) ?? 0;
		shared += Math.min(n, expected);
		extra += Math.max(0, n - expected - (spare.get(word) ?? 0));
	}
	for (const [word, n] of theirs) lost += Math.max(0, n - (ours.get(word) ?? 0));
	const kept = blocks.flatMap((block) =>
		block.kind === 'heading'
			? [plain(block.text)]
			: block.kind === 'answer'
				? [plain(block.question)]
				: []
	);
	const known = new Set([...lines, ...optional].map(plain));
	return {
		article,
		f1: shared === 0 ? 0 : (2 * shared) / (2 * shared + extra + lost),
		found: headings.filter((heading) => kept.includes(plain(heading))).length,
		wanted: headings.length,
		strangeHeadings: kept.filter((heading) => !known.has(heading))
	};
}

function plain(text: string): string {
	return wordsOf(text)
		.map((word) => word.text.toLowerCase())
		.join(' ');
}

function countsOf(lines: readonly string[]): Map<string, number> {
	const counts = new Map<string, number>();
	for (const word of lines.flatMap((line) => plain(line).split(' ')))
		if (word !== '') counts.set(word, (counts.get(word) ?? 0) + 1);
	return counts;
}
