import { leastPagesOf } from '../least-pages';
import { isEverydayWord } from '../../text';
import type { PageWork } from '../../reading';
import type { TermUse } from './term';
import { TERM_LIMITS } from './term-limits';
import type { Candidate } from './fold-candidates';
import { roughScore } from './score-terms';

/**
 * Whether a phrase is a term of its own: enough of its uses lie outside longer ones, and a
 * single word is a noun in at least half of them ("dig" and "long" are not).
 */
export function livesAlone(
	candidate: Candidate,
	uses: readonly TermUse[],
	keyword: string
): boolean {
	const all = uses.reduce((sum, use) => sum + use.count, 0);
	const own = uses.reduce((sum, use) => sum + use.own, 0);
	// a part of the keyword that is a phrase needs little life of its own, but some
	if (candidate.length > 1 && ` ${keyword} `.includes(` ${candidate.key} `))
		return own >= Math.max(1, TERM_LIMITS.ownShareOfPart * all);
	const most = candidate.length === 1 ? TERM_LIMITS.insideShareSingle : TERM_LIMITS.insideShare;
	if (all - own >= most * all) return false;
	// taggers do not know the nouns of a craft; words that everyday English lacks get the benefit
	const asNoun = isEverydayWord(candidate.key) ? 0.5 : 0.15;
	return candidate.length > 1 || candidate.count >= asNoun * all;
}

export function preselect(
	candidates: readonly Candidate[],
	pages: readonly PageWork[],
	keyword: string,
	fixed: ReadonlyMap<string, string>,
	/** Terms that others count for; they stay whatever their own uses. */
	isMain: (key: string) => boolean,
	/** Phrases that the notes use too; one page is enough for them. */
	isInNotes: (key: string) => boolean = () => false
): Candidate[] {
	const leastPages = leastPagesOf(pages.length);
	const chosen = candidates
		.filter(
			({ key, pages: on, count }) =>
				!fixed.has(key) && (isMain(key) || isInNotes(key) || (on.size >= leastPages && count >= 2))
		)
		.filter(({ inside, count, length, key, whole }) => {
			if (isMain(key)) return true;
			if (whole < TERM_LIMITS.wholeShare * count) return false;
			if (` ${keyword} `.includes(` ${key} `)) return true;
			const most = length === 1 ? TERM_LIMITS.insideShareSingle : TERM_LIMITS.insideShare;
			return inside <= most * count;
		})
		.map((candidate) => ({ candidate, score: roughScore(candidate, pages.length) }))
		.sort((a, b) => b.score - a.score || (a.candidate.key < b.candidate.key ? -1 : 1))
		.slice(0, TERM_LIMITS.counted - 1)
		.map(({ candidate }) => candidate);
	const known = new Map(candidates.map((candidate) => [candidate.key, candidate]));
	const always = [...fixed.keys()].map((key): Candidate => {
		const { count, pages: on, inside, longer } = known.get(key) ?? NOT_FOUND;
		// the keyword's own phrase is no candidate of the pages: it has its places by rule
		const isKeyword = key === keyword;
		return {
			key,
			length: key.split(' ').length,
			count: isKeyword ? 0 : count,
			pages: isKeyword ? new Set() : on,
			surfaces: new Map(),
			inside: isKeyword ? 0 : inside,
			longer: isKeyword ? 0 : longer,
			whole: 0,
			asAction: 0,
			asName: 0
		};
	});
	return [...always, ...chosen];
}
const NOT_FOUND = { count: 0, pages: new Set<string>(), inside: 0, longer: 0 };
