import { contentStemsOf } from '../text';
import { keptBlocksOf, textOf, type Article } from './article';

/** Pages that a set must have before a page is compared with it. */
const LEAST_SET = 3;
/** Part of the set's own likeness from which a page belongs to it, whatever words it uses for the subject. */
const BELONGS_FROM = 0.75;

/**
 * Whether a page speaks of what the others speak of: its median likeness to them is at least three
 * quarters of their median likeness to one another. Likeness is the cosine of the square roots of
 * the counts of content stems. False where there are fewer than three others.
 */
export function speaksAsOthers(article: Article, others: readonly Article[]): boolean {
	if (others.length < LEAST_SET) return false;
	const vectors = others.map(vectorOf);
	const own = vectorOf(article);
	const among = vectors.flatMap((one, i) => vectors.slice(i + 1).map((two) => cosine(one, two)));
	return median(vectors.map((one) => cosine(own, one))) >= BELONGS_FROM * median(among);
}

function vectorOf(article: Article): Map<string, number> {
	const counts = new Map<string, number>();
	for (const stem of contentStemsOf(keptBlocksOf(article).map(textOf).join('\n')))
		counts.set(stem, (counts.get(stem) ?? 0) + 1);
	let square = 0;
	for (const n of counts.values()) square += n;
	for (const [stem, n] of counts) counts.set(stem, Math.sqrt(n / square));
	return counts;
}

function cosine(a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): number {
	let sum = 0;
	for (const [stem, n] of a) sum += n * (b.get(stem) ?? 0);
	return sum;
}

function median(values: readonly number[]): number {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
