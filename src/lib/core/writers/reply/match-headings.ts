import { plainOf, type PlanSection } from '../../plan';
import { contentStemsOf } from '../../text';
import { plainLine } from './reply-blocks';

/** How surely a heading of a reply stands for a section: the same words, like words, or the place it stands at. */
export type Sureness = 'same' | 'like' | 'by place';

export interface HeadingMatch {
	/** Id of the section; null: it was not asked for. */
	readonly section: string | null;
	readonly sure: Sureness | null;
	/** Other sections that the same heading speaks of and that have none of their own. */
	readonly also: readonly string[];
}

/** Likeness from which two headings are one renamed. */
const LIKE_AT = 0.5;

/** How alike two headings are, 0–1: stems in common against the mean of both; 1 for the same words. */
export function headingLikeness(a: string, b: string): number {
	if (plainLine(a) === plainLine(b) || (plainOf(a) !== '' && plainOf(a) === plainOf(b))) return 1;
	const mine = new Set(contentStemsOf(plainLine(a)));
	const theirs = new Set(contentStemsOf(plainLine(b)));
	const shared = [...mine].filter((stem) => theirs.has(stem)).length;
	return mine.size + theirs.size === 0 ? 0 : (1.8 * shared) / (mine.size + theirs.size);
}

/**
 * Matches headings of a reply to the sections that were asked for, each to one: the likest pairs first,
 * those in the same order before others; then what stands alone between two matched neighbours by its
 * place.
 *
 * @param heads headings of the reply in order, with their levels
 * @param wanted sections in order with their headings
 */
export function matchHeadings(
	heads: readonly { readonly text: string; readonly level: number }[],
	wanted: readonly Pick<PlanSection, 'id' | 'heading' | 'level'>[]
): HeadingMatch[] {
	const pairs = heads
		.flatMap(({ text }, h) =>
			wanted.map(({ heading }, w) => ({
				h,
				w,
				likeness: headingLikeness(text, heading),
				apart: Math.abs(h / Math.max(1, heads.length) - w / Math.max(1, wanted.length))
			}))
		)
		.filter(({ likeness }) => likeness >= LIKE_AT)
		.sort((a, b) => b.likeness - a.likeness || a.apart - b.apart || a.h - b.h || a.w - b.w);
	const matchOf = new Map<number, { w: number; sure: Sureness }>();
	const taken = new Set<number>();
	for (const { h, w, likeness } of pairs) {
		if (matchOf.has(h) || taken.has(w)) continue;
		matchOf.set(h, { w, sure: likeness === 1 ? 'same' : 'like' });
		taken.add(w);
	}
	// one heading and one section left between the same neighbours
	heads.forEach((head, h) => {
		if (matchOf.has(h)) return;
		const before = Math.max(
			-1,
			...[...matchOf].filter(([other]) => other < h).map(([, { w }]) => w)
		);
		const after = Math.min(
			wanted.length,
			...[...matchOf].filter(([other]) => other > h).map(([, { w }]) => w)
		);
		const free = wanted
			.map((_, w) => w)
			.filter((w) => w > before && w < after && !taken.has(w))
			// what opens the article stands under its title, not under a heading of its own
			.filter((w) => wanted[w]!.level > 1 || head.level === 1);
		const rivals = heads.filter(
			(other, o) =>
				!matchOf.has(o) &&
				other.level <= head.level &&
				o > lastBefore(matchOf, h) &&
				o < firstAfter(matchOf, h, heads.length)
		);
		const level = wanted[before]?.level ?? 2;
		if (free.length === 1 && rivals.length === 1 && head.level <= Math.max(2, level)) {
			matchOf.set(h, { w: free[0]!, sure: 'by place' });
			taken.add(free[0]!);
		}
	});
	return heads.map(({ text }, h): HeadingMatch => {
		const match = matchOf.get(h);
		if (!match) return { section: null, sure: null, also: [] };
		const also = wanted
			.filter((_, w) => !taken.has(w))
			.filter(({ heading }) => holdsAll(text, heading))
			.map(({ id }) => id);
		return { section: wanted[match.w]!.id, sure: match.sure, also };
	});
}

function lastBefore(matchOf: ReadonlyMap<number, unknown>, h: number): number {
	return Math.max(-1, ...[...matchOf.keys()].filter((other) => other < h));
}

function firstAfter(matchOf: ReadonlyMap<number, unknown>, h: number, end: number): number {
	return Math.min(end, ...[...matchOf.keys()].filter((other) => other > h));
}

/** Whether a heading names all that another is about. */
function holdsAll(text: string, heading: string): boolean {
	const mine = new Set(contentStemsOf(plainLine(text)));
	const theirs = contentStemsOf(plainLine(heading));
	return theirs.length > 0 && theirs.every((stem) => mine.has(stem));
}
