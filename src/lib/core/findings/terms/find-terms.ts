import { leastPagesOf } from '../least-pages';
import { indexTerms, isDoingVerb, isStopWord, termKeyOf, verbFormsOf } from '../../text';
import { isTermByUse, type PageWork } from '../../reading';
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

/** What is asked for whatever the pages say, by the folded form of each phrase. */
interface Asked {
	readonly keyword: string;
	/** Folded form → spelling: "stone walls" and "stone wall" are one requirement. */
	readonly spellings: ReadonlyMap<string, string>;
	/** The keyword and what is required. */
	readonly needed: ReadonlySet<string>;
	/** What comes along only where a page uses it. */
	readonly wished: ReadonlySet<string>;
	/** Phrases that count for another term, by the key of that term. */
	readonly variants: ReadonlyMap<string, readonly string[]>;
	readonly edits: FindingEdits['terms'];
	/** Phrases of the notes, without spaces. */
	readonly inNotes: ReadonlySet<string>;
}

/** A candidate that is a term, with how pages use it and how it scores. */
interface Entry {
	readonly candidate: Candidate;
	readonly phrase: string;
	readonly verbs: readonly number[];
	readonly variants: readonly string[];
	readonly uses: readonly TermUse[];
	readonly edit: FindingEdits['terms'][string] | undefined;
	readonly score: number;
	readonly scoreParts: Term['scoreParts'];
}

/**
 * Terms of the counted pages: what is pinned, what was added by hand, then the strongest first. The exact keyword, what is
 * required and what was added by hand always come along, what is wished where a page uses it.
 */
export function findTermsOf(pages: readonly PageWork[], options: TermOptions): TermsFound {
	if (pages.length === 0) return { terms: [], struck: [] };
	const asked = askedFor(options);
	const { keyword } = asked;
	const ranked = rankedEntries(pages, asked);
	const isStruck = ({ candidate, edit }: Entry) =>
		edit?.isStruck === true && candidate.key !== keyword;
	const shown = ranked
		.filter((entry) => !isStruck(entry))
		.filter(
			({ candidate, edit }, rank) =>
				rank < TERM_LIMITS.shown || isFixed(candidate.key, asked) || (edit?.weight ?? null) !== null
		);
	const company = companyOf(shown.map(({ uses }) => uses));
	const build = (entry: Entry, rank: number, kept: readonly string[]) =>
		termOf(entry, rank, kept, { asked, pageCount: pages.length, targetWords: options.targetWords });
	const terms = shown.map((entry, rank) =>
		build(
			entry,
			rank,
			company[rank]!.map((other) => shown[other]!.candidate.key)
		)
	);
	return {
		// the sort is stable, so the order of strength stays within both halves
		terms: terms.sort((a, b) => placeOf(b, keyword) - placeOf(a, keyword)),
		struck: ranked.filter(isStruck).map((entry, rank) => build(entry, rank, []))
	};
}

function askedFor({
	keyword,
	required = [],
	wished = [],
	edits = NO_EDITS.terms,
	notes = []
}: TermOptions): Asked {
	const spellings = new Map<string, string>();
	const byHand = Object.values(edits).flatMap(({ isOwn, isPinned, into, phrase }) =>
		(isOwn || isPinned) && into === null ? [phrase] : []
	);
	const needed = [keyword, ...required];
	for (const phrase of [...needed, ...byHand]) {
		const key = termKeyOf(phrase);
		if (key !== '' && !spellings.has(key)) spellings.set(key, phrase.trim().toLowerCase());
	}
	const onlyWished = new Set<string>();
	for (const phrase of wished.slice(0, TERM_LIMITS.wished)) {
		const key = termKeyOf(phrase);
		if (key === '' || spellings.has(key)) continue;
		spellings.set(key, phrase.trim().toLowerCase());
		onlyWished.add(key);
	}
	return {
		keyword: termKeyOf(keyword),
		spellings,
		needed: new Set(needed.map(termKeyOf)),
		wished: onlyWished,
		variants: variantsOf(edits),
		edits,
		inNotes: new Set(
			notes.flatMap(({ candidates }) =>
				candidates.filter(({ whole }) => whole > 0).map(({ joined }) => joined)
			)
		)
	};
}

function isFixed(key: string, { spellings, variants }: Asked): boolean {
	return spellings.has(key) || variants.has(key);
}

/** Everything that is a term by itself or was asked for, the strongest first. */
function rankedEntries(pages: readonly PageWork[], asked: Asked): Entry[] {
	const { keyword, spellings, variants, wished, edits, inNotes } = asked;
	const isInNotes = (key: string) => inNotes.has(key.replaceAll(' ', ''));
	const candidates = foldCandidates(pages, asked.inNotes).filter(
		({ key }) => !isVariant(edits, key)
	);
	const chosen = preselect(
		candidates,
		pages,
		keyword,
		spellings,
		(key) => variants.has(key),
		isInNotes
	);
	const phrases = chosen.map((candidate) => ({
		phrase: spellings.get(candidate.key) ?? surfaceOf(candidate),
		verbs: isAction(candidate) ? [0] : spellings.has(candidate.key) ? verbsOf(candidate.key) : [],
		variants: variants.get(candidate.key) ?? []
	}));
	const index = indexTerms(phrases);
	const uses = pages.map((page) => usesOn(page, index, chosen.length));
	const totalWords = pages.reduce((sum, page) => sum + page.words, 0);
	const leastPages = leastPagesOf(pages.length);
	return chosen
		.map((candidate, i) => ({
			candidate,
			...phrases[i]!,
			uses: uses.flatMap((onPage) => (onPage[i] ? [onPage[i]] : []))
		}))
		.filter(({ candidate, uses: on }) => on.length > 0 || !wished.has(candidate.key))
		.filter(
			({ candidate, uses: on }) =>
				isFixed(candidate.key, asked) ||
				((on.length >= leastPages || (on.length > 0 && isInNotes(candidate.key))) &&
					livesAlone(candidate, on, keyword) &&
					(!isTermByUse(candidate.key) || isMatter(on, pages.length)))
		)
		.map((entry) => ({
			...entry,
			edit: edits[entry.candidate.key],
			...scoreOf(entry.candidate, entry.uses, pages.length, totalWords)
		}))
		.filter(
			({ candidate, score }) =>
				score >
					(isInNotes(candidate.key) ? TERM_LIMITS.leastScoreWithNotes : TERM_LIMITS.leastScore) ||
				isFixed(candidate.key, asked)
		)
		.sort(
			(a, b) =>
				rankOf(b, keyword) - rankOf(a, keyword) || (a.candidate.key < b.candidate.key ? -1 : 1)
		);
}

/** Part of the pages that make a measure or a time of year a term where no heading does. */
const MATTER_OF = 0.5;

/** Whether headings speak of it, or many pages. */
function isMatter(uses: readonly TermUse[], pageCount: number): boolean {
	return uses.some(({ h1, h2, h3 }) => h1 || h2 || h3) || uses.length >= MATTER_OF * pageCount;
}

/**
 * @param rank among all entries, from 0
 * @param company keys of the terms that keep it
 */
function termOf(
	{ candidate, edit, uses, phrase, verbs, variants, score, scoreParts }: Entry,
	rank: number,
	company: readonly string[],
	{
		asked,
		pageCount,
		targetWords
	}: { readonly asked: Asked; readonly pageCount: number; readonly targetWords: number }
): Term {
	const share = (has: (use: TermUse) => boolean) => uses.filter(has).length / pageCount;
	const weight = asked.needed.has(candidate.key)
		? 'must'
		: edit?.isOwn && uses.length === 0
			? 'should'
			: weightOf(rank, uses.length / pageCount);
	const rangeFor = candidate.key === asked.keyword ? keywordRangeOf : rangeOf;
	const positions = uses.map(({ position }) => position);
	return {
		key: candidate.key,
		phrase,
		verbs,
		variants,
		kind: kindOfCandidate(candidate),
		weight: edit?.weight ?? weight,
		isOwn: edit?.isOwn === true,
		isPinned: edit?.isPinned === true,
		isSet: (edit?.weight ?? null) !== null || (edit?.range ?? null) !== null,
		...(edit?.range ?? rangeFor(uses, candidate.length, targetWords)),
		uses,
		places: {
			title: share((use) => use.title),
			h1: share((use) => use.h1),
			h2: share((use) => use.h2),
			h3: share((use) => use.h3),
			opening: share((use) => use.opening),
			faq: share((use) => use.faq)
		},
		position: positions.length === 0 ? 0 : quantileOf(positions, 0.5),
		company,
		score,
		scoreParts
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
