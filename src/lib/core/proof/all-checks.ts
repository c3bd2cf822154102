import type { Voice } from '../clients';
import type { Findings } from '../findings';
import type { ArticleReading } from '../measure';
import type { Plan } from '../plan';
import type { ArticleMeta, Yardstick } from '../standing';
import { plainWord, sentencesOf, wordsOf } from '../text';
import {
	agedCheck,
	bareAddressCheck,
	brandCheck,
	callToActionCheck,
	claimsBy,
	claimsCheck,
	closenessCheck,
	deadLinkCheck,
	forbiddenCheck,
	grammarCheck,
	headingsCheck,
	hedgeCheck,
	leftoverCheck,
	longCheck,
	mustSayCheck,
	passiveCheck,
	picturesCheck,
	requiredCheck,
	rhythmCheck,
	richnessCheck,
	senseCheck,
	spellingCheck,
	stockCheck,
	termEditsCheck,
	termsCheck,
	twoPlacesCheck,
	voiceCheck,
	wholeReadingCheck,
	wholenessCheck,
	type KeptPicture,
	type Speller,
	type WordingRules
} from './checks';
import { ClaimChecker, type Claim } from './claims';
import { READS, type BlockCheck, type ReadFor } from './mark';
import { PassageIndex, type ProofSource } from './passages';
import type { Checks } from './run-checks';

/** What brief and client ask of a text, beyond what findings say. */
export interface ProofRules extends WordingRules, ArticleMeta {
	readonly callToAction: string;
	readonly required: readonly string[];
	/** Readings that are switched off. */
	readonly off: readonly ReadFor[];
	/** The year it is read in. */
	readonly thisYear: number;
	/** What is kept of the pictures of the take. */
	readonly pictures?: readonly KeptPicture[];
	/** Other articles of the client, for what this one says again. */
	readonly ownArticles?: readonly OwnArticle[];
	/** How the client's own texts sound; null: there are none. */
	readonly voice?: Voice | null;
}

/** An article that the client has already. */
export interface OwnArticle {
	readonly name: string;
	readonly text: string;
}

/** What a text is proofread against; indexes are made once for the evidence. */
export interface ProofEvidence {
	readonly findings: Findings;
	readonly yardstick: Yardstick;
	/** Sections that the plan gives a term, by its phrase. */
	readonly homes: ReadonlyMap<string, ReadonlySet<string>>;
	readonly passages: PassageIndex;
	readonly claims: ClaimChecker;
	/** In lower case: words that are right though no dictionary has them. */
	readonly knownWords: ReadonlySet<string>;
	/** Null: no dictionary could be had, and spelling is not checked. */
	readonly speller: Speller | null;
	/** Letter or name of a page, sign of a note. */
	readonly nameOf: (source: string) => string;
}

/** Indexes of pages and notes for proofreading. */
export function proofEvidenceOf(
	sources: readonly ProofSource[],
	findings: Findings,
	yardstick: Yardstick,
	plan: Pick<Plan, 'sections'> | null,
	speller: Speller | null,
	nameOf: (source: string) => string
): ProofEvidence {
	return {
		findings,
		yardstick,
		homes: homesOf(findings, plan),
		passages: new PassageIndex(sources.filter(({ isNote }) => !isNote)),
		claims: new ClaimChecker(sources, findings.keyword),
		knownWords: knownWordsOf(sources),
		speller,
		nameOf
	};
}

/** Sections that a plan gives each term, by its phrase. */
export function homesOf(
	{ terms }: Findings,
	plan: Pick<Plan, 'sections'> | null
): Map<string, Set<string>> {
	const phrases = new Map(terms.map(({ key, phrase }) => [key, phrase]));
	const homes = new Map<string, Set<string>>();
	for (const section of plan?.sections ?? [])
		for (const { term } of section.terms) {
			const phrase = phrases.get(term);
			if (phrase) homes.set(phrase, (homes.get(phrase) ?? new Set()).add(section.id));
		}
	return homes;
}

/** Marks what stands in another article of the client already. */
function ownArticlesCheck(own: readonly OwnArticle[]): BlockCheck {
	const sources = own.map(({ text }, i): ProofSource => ({
		id: ownArticleId(i),
		isNote: false,
		statements: text
			.split('\n')
			.flatMap((line) => sentencesOf(line).map((sentence) => sentence.text)),
		names: []
	}));
	const names = new Map(own.map(({ name }, i) => [ownArticleId(i), `“${name}”`]));
	const check = closenessCheck(new PassageIndex(sources), (id) => names.get(id) ?? id);
	return { ...check, id: 'close to an own article' };
}

/** What a mark calls the n-th of the client's own articles. */
function ownArticleId(nth: number): string {
	return `own article ${nth + 1}`;
}

/** Words that stand in a note, or on two pages: names and words of the trade are no slips. */
function knownWordsOf(sources: readonly ProofSource[]): Set<string> {
	const pages = new Map<string, number>();
	const known = new Set<string>();
	for (const { isNote, statements, names } of sources) {
		const own = new Set(
			[...statements, ...names].flatMap((text) =>
				wordsOf(text).flatMap(({ text: word }) => plainWord(word).split('-'))
			)
		);
		for (const word of own) {
			const times = (pages.get(word) ?? 0) + 1;
			pages.set(word, times);
			if (isNote || times >= 2) known.add(word);
		}
	}
	return known;
}

/** All checks for some evidence and rules, and the claims of the article they read last. */
export function checksOf(
	evidence: ProofEvidence,
	rules: ProofRules
): Checks & { readonly claimsOf: (article: ArticleReading) => readonly Claim[] } {
	const { findings, yardstick, homes, passages, knownWords, speller, nameOf } = evidence;
	const claimsOf = claimsBy(evidence.claims);
	const meta = { titleTag: rules.titleTag, description: rules.description };
	const names = new Set([
		...knownWords,
		...rules.brands.flatMap(({ name }) => name.toLowerCase().split(/\s+/))
	]);
	const own = rules.ownArticles ?? [];
	const blocks = [
		closenessCheck(passages, nameOf),
		...(own.length > 0 ? [ownArticlesCheck(own)] : []),
		longCheck,
		passiveCheck,
		stockCheck,
		hedgeCheck,
		rhythmCheck,
		leftoverCheck,
		grammarCheck,
		...(speller ? [spellingCheck(speller, names)] : []),
		agedCheck(rules.thisYear),
		bareAddressCheck,
		deadLinkCheck,
		forbiddenCheck(rules.mustNotSay),
		brandCheck(rules.brands)
	];
	const article = [
		claimsCheck(claimsOf, nameOf),
		termsCheck(yardstick, meta),
		termEditsCheck(yardstick, meta, homes),
		wholeReadingCheck(yardstick.targetGrade),
		...(rules.voice ? [voiceCheck(rules.voice)] : []),
		senseCheck,
		wholenessCheck,
		headingsCheck(findings, meta),
		richnessCheck(findings.shape),
		twoPlacesCheck,
		picturesCheck(rules.pictures ?? [], findings.keyword),
		mustSayCheck(rules.mustSay),
		callToActionCheck(rules.callToAction),
		requiredCheck(rules.required)
	];
	const isOn = ({ reads }: { readonly reads: ReadFor }) =>
		READS.includes(reads) && !rules.off.includes(reads);
	return { blocks: blocks.filter(isOn), article: article.filter(isOn), claimsOf };
}
