import { leastPagesOf } from '../least-pages';
import { indexTerms, isDoingVerb, isStopWord, termKeyOf, verbFormsOf } from '../../text';
import type { PageWork } from '../../reading';
import { NO_EDITS, type FindingEdits } from '../edits';
import { quantileOf } from '../spread';
import type { TermUse, Term, TermOptions, TermsFound } from './term';
import { TERM_LIMITS } from './term-limits';
import {
	type Candidate,
	kindOfCandidate,
	isAction,
	foldCandidates,
	surfaceOf
} from './fold-candidates';
import { scoreOf } from './score-terms';
import { weightOf, rangeOf, keywordRangeOf } from './range';
import { usesOn } from './uses-on-page';
import { companyOf } from './company';
import { livesAlone, preselect } from './choose-candidates';

/**
 * Terms of the counted pages: what is pinned, what was added by hand, then the strongest first. The exact keyword, what is
 * required and what was added by hand always come along, what is wished where a page uses it.
 */
export function findTermsOf(pages: readonly PageWork[], options: TermOptions): TermsFound {
	if (pages.length === 0) return { terms: [], struck: [] };
	const edits = options.edits ?? NO_EDITS.terms;
	const keyword = termKeyOf(options.keyword);
	const variants = variantsOf(edits);
	const candidates = foldCandidates(pages).filter(({ key }) => !isVariant(edits, key));
	// folded form → spelling: "stone walls" and "stone wall" are one requirement
	const fixed = new Map<string, string>();
	const required = [options.keyword, ...(options.required ?? [])];
	const byHand = Object.values(edits).flatMap(({ isOwn, isPinned, into, phrase }) =>
		(isOwn || isPinned) && into === null ? [phrase] : []
	);
	for (const phrase of [...required, ...byHand]) {
		const key = termKeyOf(phrase);
		if (key !== '' && !fixed.has(key)) fixed.set(key, phrase.trim().toLowerCase());
	}
	const needed = new Set(required.map(termKeyOf));
	const wished = new Set<string>();
	for (const phrase of (options.wished ?? []).slice(0, TERM_LIMITS.wished)) {
		const key = termKeyOf(phrase);
		if (key === '' || fixed.has(key)) continue;
		fixed.set(key, phrase.trim().toLowerCase());
		wished.add(key);
	}
	const chosen = preselect(candidates, pages, keyword, fixed, (key) => variants.has(key));
	const phrases = chosen.map((candidate) => ({
		phrase: fixed.get(candidate.key) ?? surfaceOf(candidate),
		verbs: isAction(candidate) ? [0] : fixed.has(candidate.key) ? verbsOf(candidate.key) : [],
		variants: variants.get(candidate.key) ?? []
	}));
	const index = indexTerms(phrases);
	const uses = pages.map((page) => usesOn(page, index, chosen.length));
	const totalWords = pages.reduce((sum, page) => sum + page.words, 0);
	const leastPages = leastPagesOf(pages.length);
	const isFixed = (key: string) => fixed.has(key) || variants.has(key);
	const ranked = chosen
		.map((candidate, i) => ({
			candidate,
			...phrases[i]!,
			uses: uses.flatMap((onPage) => (onPage[i] ? [onPage[i]] : []))
		}))
		.filter(({ candidate, uses: on }) => on.length > 0 || !wished.has(candidate.key))
		.filter(
			({ candidate, uses: on }) =>
				isFixed(candidate.key) || (on.length >= leastPages && livesAlone(candidate, on, keyword))
		)
		.map((entry) => ({
			...entry,
			edit: edits[entry.candidate.key],
			...scoreOf(entry.candidate, entry.uses, pages.length, totalWords)
		}))
		.filter(({ candidate, score }) => score > TERM_LIMITS.leastScore || isFixed(candidate.key))
		.sort(
			(a, b) =>
				rankOf(b, keyword) - rankOf(a, keyword) || (a.candidate.key < b.candidate.key ? -1 : 1)
		);
	const isStruck = ({ candidate, edit }: (typeof ranked)[number]) =>
		edit?.isStruck === true && candidate.key !== keyword;
	const scored = ranked
		.filter((entry) => !isStruck(entry))
		.filter(
			({ candidate, edit }, rank) =>
				rank < TERM_LIMITS.shown || isFixed(candidate.key) || (edit?.weight ?? null) !== null
		);
	const company = companyOf(scored.map((entry) => entry.uses));
	const build = (entry: (typeof ranked)[number], rank: number, kept: readonly string[]): Term => {
		const { candidate, edit, uses: on } = entry;
		const share = (has: (use: TermUse) => boolean) => on.filter(has).length / pages.length;
		const weight = needed.has(candidate.key)
			? 'must'
			: edit?.isOwn && on.length === 0
				? 'should'
				: weightOf(rank, on.length / pages.length);
		const range =
			candidate.key === keyword
				? keywordRangeOf(on, candidate.length, options.targetWords)
				: rangeOf(on, candidate.length, options.targetWords);
		return {
			key: candidate.key,
			phrase: entry.phrase,
			verbs: entry.verbs,
			variants: entry.variants,
			kind: kindOfCandidate(candidate),
			weight: edit?.weight ?? weight,
			isOwn: edit?.isOwn === true,
			isPinned: edit?.isPinned === true,
			isSet: (edit?.weight ?? null) !== null || (edit?.range ?? null) !== null,
			...(edit?.range ?? range),
			uses: on,
			places: {
				title: share((use) => use.title),
				h1: share((use) => use.h1),
				h2: share((use) => use.h2),
				h3: share((use) => use.h3),
				opening: share((use) => use.opening),
				faq: share((use) => use.faq)
			},
			position:
				on.length === 0
					? 0
					: quantileOf(
							on.map(({ position }) => position),
							0.5
						),
			company: kept,
			score: entry.score,
			scoreParts: entry.scoreParts
		};
	};
	const terms = scored.map((entry, rank) =>
		build(
			entry,
			rank,
			company[rank]!.map((other) => scored[other]!.candidate.key)
		)
	);
	return {
		// the sort is stable, so the order of strength stays within both halves
		terms: terms.sort((a, b) => placeOf(b, keyword) - placeOf(a, keyword)),
		struck: ranked.filter(isStruck).map((entry, rank) => build(entry, rank, []))
	};
}

function placeOf({ key, isPinned, isOwn }: Term, keyword: string): number {
	return key === keyword ? 3 : isPinned ? 2 : isOwn ? 1 : 0;
}

function isVariant(edits: FindingEdits['terms'], key: string): boolean {
	return (edits[key]?.into ?? null) !== null;
}

/** Phrases that count for another term, by the key of that term. */
function variantsOf(edits: FindingEdits['terms']): Map<string, string[]> {
	const variants = new Map<string, string[]>();
	for (const [key, { into, phrase }] of Object.entries(edits)) {
		if (into === null || into === key) continue;
		const list = variants.get(into);
		if (list) list.push(phrase);
		else variants.set(into, [phrase]);
	}
	return variants;
}

function rankOf(
	{ candidate, score }: { candidate: Candidate; score: number },
	keyword: string
): number {
	return candidate.key === keyword ? Number.POSITIVE_INFINITY : score;
}

/** Verbs of a keyword: the word after "how to" or "to", and a common verb of doing at its start. */
export function verbsOf(key: string): number[] {
	const words = key.split(' ');
	return words.flatMap((word, i) => {
		const after = words[i - 1];
		const isVerb = after === 'to' || (i === 0 && isDoingVerb(word));
		return isVerb && !isStopWord(word) && verbFormsOf(word).length > 1 ? [i] : [];
	});
}
