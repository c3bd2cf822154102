import {
	everydayRateOf,
	findTermsIn,
	isEverydayWord,
	indexTerms,
	isDoingVerb,
	isStopWord,
	termKeyOf,
	verbFormsOf
} from '../text';
import { cutOf, type PageWork, type Place } from './page-work';
import { NO_EDITS, type FindingEdits } from './edits';
import { quantileOf } from './spread';
import type { TermWeight } from './term-weight';

/** How one page uses a term. */
export interface TermUse {
	readonly page: string;
	readonly count: number;
	/** Uses per 1,000 words of the page. */
	readonly rate: number;
	readonly title: boolean;
	readonly h1: boolean;
	readonly h2: boolean;
	readonly h3: boolean;
	/** In the first 100 words. */
	readonly opening: boolean;
	readonly faq: boolean;
	/** Where the first use stands, as a share of the page's words, 0–1. */
	readonly position: number;
	/** Uses that do not lie inside a longer candidate. */
	readonly own: number;
	/** Uses in each section of the page that has any: [section, uses]. */
	readonly sections: readonly (readonly [number, number])[];
}

/** What a term names: a thing, something done, or somebody or something with a name of its own. */
export const TERM_KINDS = ['thing', 'action', 'name'] as const;
export type TermKind = (typeof TERM_KINDS)[number];

export interface Term {
	/** Folded form; the identity of a term across changes of the evidence. */
	readonly key: string;
	/** The spelling met most often. */
	readonly phrase: string;
	/** Positions of verbs in the phrase, which match in every inflection. */
	readonly verbs: readonly number[];
	/** Other phrases that count for it, put there by hand. */
	readonly variants: readonly string[];
	readonly kind: TermKind;
	readonly weight: TermWeight;
	/** Added by hand, or pinned to the top by hand. */
	readonly isOwn: boolean;
	readonly isPinned: boolean;
	/** Whether the weight or the range was set by hand. */
	readonly isSet: boolean;
	/** Uses recommended for the target length, both ends included. */
	readonly min: number;
	readonly max: number;
	readonly uses: readonly TermUse[];
	/** Shares of all counted pages, 0–1. */
	readonly places: Readonly<Record<'title' | 'h1' | 'h2' | 'h3' | 'opening' | 'faq', number>>;
	/** Median of the positions of first use, 0–1. */
	readonly position: number;
	/** Terms that share its sections more often than chance, strongest first; keys. */
	readonly company: readonly string[];
	readonly score: number;
	readonly scoreParts: {
		readonly unusual: number;
		readonly frequency: number;
		readonly pages: number;
		readonly prominence: number;
	};
}

export interface TermOptions {
	readonly keyword: string;
	readonly targetWords: number;
	/** Phrases that come along whether pages use them or not. */
	readonly required?: readonly string[];
	/** Phrases that come along where a page uses them, those that matter most first. */
	readonly wished?: readonly string[];
	/** What the writer decided about terms. */
	readonly edits?: FindingEdits['terms'];
}

export interface TermsFound {
	readonly terms: readonly Term[];
	/** Terms struck out by hand that the pages would give. */
	readonly struck: readonly Term[];
}

/** Bounds of the selection; set on the demo and on the fixtures under tests/fixtures. */
export const TERM_LIMITS = {
	/** Candidates that are counted exactly. */
	counted: 420,
	/** Terms that are shown. A writer can work with 120; 300 is a list again. */
	shown: 120,
	/** Wished phrases that come along beside them. */
	wished: 60,
	/** Score below which a phrase is an accident of two pages; set on the demo, where it cuts "check" and "hill". */
	leastScore: 2.2,
	/** Part of an article's words that a single term may take. */
	wordShare: 0.02,
	/** Uses of a phrase that lie inside longer ones, beyond which it has no life of its own. */
	insideShare: 0.6,
	insideShareSingle: 0.8,
	/** Uses that have to be no part of a longer run of nouns: "source heat pump" never stands alone. */
	wholeShare: 0.08,
	/** Uses of a part of the keyword that have to lie outside it and the other terms. */
	ownShareOfPart: 0.05
} as const;

interface Naming {
	readonly count: number;
	readonly asName: number;
	readonly asAction: number;
}

interface Candidate {
	key: string;
	length: number;
	count: number;
	pages: Set<string>;
	surfaces: Map<string, number>;
	inside: number;
	longer: number;
	whole: number;
	asAction: number;
	asName: number;
}

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
	const leastPages = pages.length <= 3 ? 1 : 2;
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

/**
 * Whether a phrase is a term of its own: enough of its uses lie outside longer ones, and a
 * single word is a noun in at least half of them ("dig" and "long" are not).
 */
function livesAlone(candidate: Candidate, uses: readonly TermUse[], keyword: string): boolean {
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

/** What a candidate names, by how most of its uses are written. */
export function kindOfCandidate(candidate: Naming): TermKind {
	if (isAction(candidate)) return 'action';
	const { asName, count } = candidate;
	return count > 0 && asName >= NAME_SHARE * count ? 'name' : 'thing';
}

/** Taggers take nouns for verbs now and then, so most uses have to open with one. */
function isAction({ asAction, count }: Naming): boolean {
	return asAction > 0.6 * count;
}

/** Share of its uses in which a phrase is written as a name, from which it is one. */
const NAME_SHARE = 0.8;

function rankOf(
	{ candidate, score }: { candidate: Candidate; score: number },
	keyword: string
): number {
	return candidate.key === keyword ? Number.POSITIVE_INFINITY : score;
}

/** Candidates of all pages joined under one key; joined spellings ("drystone") meet the open ones. */
function foldCandidates(pages: readonly PageWork[]): Candidate[] {
	const names = new Set(
		pages.flatMap((page) => page.siteNames.map((name) => termKeyOf(name))).filter(Boolean)
	);
	const joinedNames = new Set([...names].map((name) => name.replace(/ /g, '')));
	// most phrases stand on one page alone; they are passed over before anything is joined
	const leastPages = pages.length <= 3 ? 1 : 2;
	const on = new Map<string, number>();
	for (const { candidates } of pages)
		for (const { joined } of candidates) on.set(joined, (on.get(joined) ?? 0) + 1);
	const byJoined = new Map<string, Candidate[]>();
	for (const page of pages) {
		for (const candidate of page.candidates) {
			const { key, joined, length, count, surfaces, whole, asAction, asName } = candidate;
			if (on.get(joined)! < leastPages || joinedNames.has(joined)) continue;
			const alike = byJoined.get(joined) ?? [];
			byJoined.set(joined, alike);
			let folded = alike.find((other) => other.key === key);
			if (!folded) {
				folded = {
					key,
					length,
					count: 0,
					pages: new Set(),
					surfaces: new Map(),
					inside: 0,
					longer: 0,
					whole: 0,
					asAction: 0,
					asName: 0
				};
				alike.push(folded);
			}
			folded.count += count;
			folded.whole += whole;
			folded.asAction += asAction;
			folded.asName += asName;
			folded.pages.add(page.id);
			for (const [surface, n] of surfaces)
				folded.surfaces.set(surface, (folded.surfaces.get(surface) ?? 0) + n);
		}
	}
	const folded = [...byJoined.values()].map((alike) => {
		// the open spelling is the key, since it also matches hyphens and the joined form
		const [first, ...rest] = alike.sort(
			(a, b) => b.length - a.length || b.count - a.count || (a.key < b.key ? -1 : 1)
		);
		for (const other of rest) {
			first!.count += other.count;
			for (const page of other.pages) first!.pages.add(page);
		}
		return first!;
	});
	const kept = withoutParticiples(folded);
	markNesting(kept);
	return kept;
}

/** "Laying footings" is "lay footings" once pages say that too: the action matches both. */
function withoutParticiples(candidates: readonly Candidate[]): Candidate[] {
	const forms = new Map<string, Candidate>();
	for (const action of candidates) {
		if (!isAction(action) || action.pages.size < 2) continue;
		const [verb, ...rest] = action.key.split(' ');
		for (const form of verbFormsOf(verb!).slice(1)) forms.set([form, ...rest].join(' '), action);
	}
	return candidates.filter((candidate) => {
		const action = isAction(candidate) ? undefined : forms.get(candidate.key);
		if (!action) return true;
		action.count += candidate.count;
		for (const page of candidate.pages) action.pages.add(page);
		return false;
	});
}

/** Notes for each candidate how many of its uses lie inside longer candidates. */
function markNesting(candidates: readonly Candidate[]): void {
	const byKey = new Map(candidates.map((candidate) => [candidate.key, candidate]));
	for (const outer of candidates) {
		if (outer.length < 2 || outer.pages.size < 2) continue;
		const words = outer.key.split(' ');
		for (let length = 1; length < words.length; length++) {
			for (let start = 0; start + length <= words.length; start++) {
				const inner = byKey.get(words.slice(start, start + length).join(' '));
				if (!inner) continue;
				inner.inside = Math.max(inner.inside, outer.count);
				inner.longer++;
			}
		}
	}
}

function preselect(
	candidates: readonly Candidate[],
	pages: readonly PageWork[],
	keyword: string,
	fixed: ReadonlyMap<string, string>,
	/** Terms that others count for; they stay whatever their own uses. */
	isMain: (key: string) => boolean
): Candidate[] {
	const leastPages = pages.length <= 3 ? 1 : 2;
	const chosen = candidates
		.filter(
			({ key, pages: on, count }) =>
				!fixed.has(key) && (isMain(key) || (on.size >= leastPages && count >= 2))
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

function roughScore({ count, inside, length, pages, key }: Candidate, pageCount: number): number {
	return (
		Math.log2(1 + length) *
		Math.log(1 + count - 0.5 * inside) *
		(pages.size / pageCount) *
		unusualnessOf(key, count * 20)
	);
}

/**
 * Score = unusual × frequency × pages × prominence.
 *
 * - unusual: log ratio of the rate on the pages to the rate in everyday English;
 * - frequency: log of the C-value (Frantzi and Ananiadou 2000), which takes off uses inside longer terms;
 * - pages: share of pages, to the power 0.8 so that half the pages weigh 0.57;
 * - prominence: 1 to 2.2, by the share of pages with the term in title, headings and opening.
 */
function scoreOf(
	candidate: Candidate,
	uses: readonly TermUse[],
	pageCount: number,
	totalWords: number
): { score: number; scoreParts: Term['scoreParts'] } {
	const count = uses.reduce((sum, use) => sum + use.count, 0);
	if (count === 0)
		return { score: 0, scoreParts: { unusual: 0, frequency: 0, pages: 0, prominence: 1 } };
	const unusual = unusualnessOf(candidate.key, (count / totalWords) * 1_000_000);
	const cValue =
		Math.log2(1 + candidate.length) *
		Math.max(0.5, count - 0.6 * Math.min(candidate.inside, count));
	const frequency = Math.log(1 + cValue);
	const pages = (uses.length / pageCount) ** 0.8;
	const share = (has: (use: TermUse) => boolean) => uses.filter(has).length / pageCount;
	const prominence =
		1 +
		0.5 * share((use) => use.title || use.h1) +
		0.5 * share((use) => use.h2 || use.h3) +
		0.2 * share((use) => use.opening);
	return {
		score: unusual * frequency * pages * prominence,
		scoreParts: { unusual, frequency, pages, prominence }
	};
}

/** Log ratio to everyday English; a phrase is as unusual as its rarest word, and rarer by its length. */
function unusualnessOf(key: string, ratePerMillion: number): number {
	let everyday = everydayRates.get(key);
	if (everyday === undefined) {
		everyday = everydayRateOfPhrase(key);
		if (everydayRates.size > 60_000) everydayRates.clear();
		everydayRates.set(key, everyday);
	}
	return Math.max(0, Math.log(ratePerMillion / everyday));
}

const everydayRates = new Map<string, number>();

/** Uses in a million words of everyday English; infinite for stop words alone, which are never unusual. */
function everydayRateOfPhrase(key: string): number {
	const words = key.split(' ');
	const rates = words.filter((word) => !isStopWord(word)).map(everydayRateOf);
	return words.length === 1 && rates.length === 1
		? rates[0]!
		: Math.min(...rates) * 0.15 ** (words.length - 1);
}

/** Weight by share of pages and rank; the thresholds are data. */
export const WEIGHT_THRESHOLDS = {
	must: { share: 0.6, rank: 30 },
	should: { share: 0.4, rank: 70 }
} as const;

function weightOf(rank: number, share: number): TermWeight {
	if (share >= WEIGHT_THRESHOLDS.must.share && rank < WEIGHT_THRESHOLDS.must.rank) return 'must';
	if (share >= WEIGHT_THRESHOLDS.should.share && rank < WEIGHT_THRESHOLDS.should.rank)
		return 'should';
	return 'could';
}

/**
 * Range of uses for an article of `targetWords`: lower and upper quartile of the rates of the
 * pages that use the term (least and most when fewer than four do), rounded outwards, at least
 * one, and never so many that the term takes more than 2% of the words.
 */
export function rangeOf(
	uses: readonly Pick<TermUse, 'rate'>[],
	termWords: number,
	targetWords: number
): { min: number; max: number } {
	if (uses.length === 0) return { min: 1, max: 2 };
	const rates = uses.map(({ rate }) => rate);
	const [low, high] = uses.length < 4 ? [0, 1] : [0.25, 0.75];
	const cap = Math.max(1, Math.floor((TERM_LIMITS.wordShare * targetWords) / termWords));
	const min = Math.max(1, Math.floor((quantileOf(rates, low) * targetWords) / 1000));
	const max = Math.max(min, Math.ceil((quantileOf(rates, high) * targetWords) / 1000));
	return { min: Math.min(min, cap), max: Math.min(max, cap) };
}

/** The exact keyword has its places whatever pages do: H1, opening and one H2, and one more in every 1,000 words. */
function keywordRangeOf(
	uses: readonly TermUse[],
	termWords: number,
	targetWords: number
): { min: number; max: number } {
	const { min, max } = rangeOf(uses, termWords, targetWords);
	return { min: Math.max(3, min), max: Math.max(4 + Math.round(targetWords / 1000), max) };
}

const PLACES: Readonly<Record<Place, number>> = {
	title: 1,
	h1: 2,
	h2: 4,
	h3: 8,
	body: 16,
	faq: 32
};

function usesOn(
	page: PageWork,
	index: ReturnType<typeof indexTerms>,
	size: number
): (TermUse | undefined)[] {
	const counts = new Int32Array(size);
	const owns = new Int32Array(size);
	/** One bit for each of `PLACES`. */
	const places = new Uint8Array(size);
	const firstAt = new Float64Array(size).fill(-1);
	const opening = new Uint8Array(size);
	const sections: (Map<number, number> | undefined)[] = [];
	for (const unit of page.units) {
		const place = PLACES[unit.place];
		for (const { term, start, own } of findTermsIn(index, cutOf(unit))) {
			places[term]! |= place;
			if (unit.place === 'title') continue;
			counts[term]!++;
			if (own) owns[term]!++;
			const at = unit.at + (unit.words * start) / Math.max(1, unit.text.length);
			if (firstAt[term]! < 0) firstAt[term] = at;
			if (at < 100 && unit.place !== 'h1') opening[term] = 1;
			const inSections = (sections[term] ??= new Map<number, number>());
			inSections.set(unit.section, (inSections.get(unit.section) ?? 0) + 1);
		}
	}
	return Array.from({ length: size }, (_, term) => {
		const on = (place: Place) => (places[term]! & PLACES[place]) > 0;
		if (counts[term] === 0) return undefined;
		return {
			page: page.id,
			count: counts[term]!,
			own: owns[term]!,
			rate: (counts[term]! / Math.max(1, page.words)) * 1000,
			title: on('title'),
			h1: on('h1'),
			h2: on('h2'),
			h3: on('h3'),
			opening: opening[term] === 1,
			faq: on('faq'),
			position: Math.max(0, firstAt[term]!) / Math.max(1, page.words),
			sections: [...(sections[term] ?? [])]
		};
	});
}

/** The spelling met most often; capitals stay on names and abbreviations alone. */
export function surfaceOf(
	candidate: Naming & { readonly surfaces: ReadonlyMap<string, number>; readonly key: string }
): string {
	const { surfaces, key } = candidate;
	const counts = new Map<string, number>();
	for (const [surface, count] of surfaces) {
		const plain = kindOfCandidate(candidate) === 'name' ? surface : withoutCapitals(surface);
		counts.set(plain, (counts.get(plain) ?? 0) + count);
	}
	let best = key;
	let most = 0;
	for (const [surface, count] of [...counts].sort(([a], [b]) => (a < b ? -1 : 1))) {
		if (count > most) [best, most] = [surface, count];
	}
	return best;
}

function withoutCapitals(phrase: string): string {
	return phrase
		.split(' ')
		.map((word) => (/\p{Lu}.*\p{Lu}/u.test(word) ? word : word.toLowerCase()))
		.join(' ');
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

/** For each term the others it shares sections with, by Dice's coefficient; at most five. */
function companyOf(uses: readonly (readonly TermUse[])[]): number[][] {
	const numbers = new Map<string, Map<number, number>>();
	const termsIn: number[][] = [];
	const sectionsOfTerm = uses.map((of, term) => {
		const sections: number[] = [];
		for (const use of of) {
			let onPage = numbers.get(use.page);
			if (!onPage) numbers.set(use.page, (onPage = new Map()));
			for (const [s] of use.sections) {
				let section = onPage.get(s);
				if (section === undefined) onPage.set(s, (section = termsIn.length));
				sections.push(section);
				(termsIn[section] ??= []).push(term);
			}
		}
		return sections;
	});
	const shared = new Int32Array(uses.length);
	return sectionsOfTerm.map((mine, i) => {
		shared.fill(0);
		for (const section of mine) for (const term of termsIn[section]!) shared[term]!++;
		const scored: [number, number][] = [];
		sectionsOfTerm.forEach((theirs, j) => {
			if (i === j || shared[j]! < 2) return;
			const dice = (2 * shared[j]!) / (mine.length + theirs.length);
			if (dice > 0.2) scored.push([j, dice]);
		});
		return scored
			.sort((a, b) => b[1] - a[1] || a[0] - b[0])
			.slice(0, 5)
			.map(([j]) => j);
	});
}
