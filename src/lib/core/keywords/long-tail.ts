import { plainWord, singularOf, wordsOf } from '../text';
import { phraseKeyOf } from './keyword';

/** Ways in which a subject is asked for at length. */
export const PATTERN_NAMES = [
	'how',
	'how much',
	'how long',
	'what',
	'why',
	'when',
	'where',
	'which',
	'who',
	'can',
	'cost',
	'comparison',
	'without',
	'with',
	'near',
	'for',
	'on',
	'best',
	'ideas',
	'types',
	'repair',
	'tools'
] as const;

export type PatternName = (typeof PATTERN_NAMES)[number];

const PATTERNS: readonly (readonly [PatternName, RegExp])[] = [
	['cost', /\b(?:costs?|prices?|pricing|how expensive)\b/],
	['how much', /\bhow (?:much|many)\b/],
	['how long', /\bhow (?:long|often|soon)\b/],
	['comparison', /\b(?:vs\.?|versus|compared|difference between|or)\b/],
	['how', /\bhow\b/],
	['why', /\bwhy\b/],
	['when', /\bwhen\b/],
	['where', /\bwhere\b/],
	['which', /\bwhich\b/],
	['who', /\bwho\b/],
	['what', /\bwhat\b/],
	['can', /^(?:can|could|do|does|is|are|should|will|must)\b/],
	['without', /\bwithout\b/],
	['near', /\b(?:near me|nearby|near)\b/],
	['best', /\b(?:best|top)\b/],
	['ideas', /\b(?:ideas?|designs?|examples?|inspiration)\b/],
	['types', /\b(?:types?|kinds?|sorts?) of\b|\btypes?$/],
	['repair', /\b(?:repair|fix|mend|rebuild|restore)\w*\b/],
	['tools', /\b(?:tools?|equipment|kit)\b/],
	['for', /\bfor (?:beginners?|\w+)\b/],
	['with', /\bwith\b/],
	['on', /\bon (?:a|an|the)?\s?\w+/]
];

/** The pattern of a phrase, or null when it only names its subject. */
export function patternOf(phrase: string): PatternName | null {
	const plain = phraseKeyOf(phrase);
	return PATTERNS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
}

export interface LongTail {
	/** The subject that was looked for: "dry stone wall". */
	readonly subject: string;
	/** Longer phrases of the lists on the subject, by pattern, in the order of the lists. */
	readonly found: readonly { readonly pattern: PatternName; readonly phrases: readonly string[] }[];
	/** Phrases nobody has listed: wordings the lists have for other subjects, put to this one. */
	readonly made: readonly {
		readonly phrase: string;
		readonly pattern: PatternName;
		/** Phrases of the lists that it is worded after. */
		readonly after: readonly string[];
	}[];
}

const MOST_MADE = 40;

/** Phrases that must name a thing before wordings are taken from it. */
const LEAST_NAMED = 3;

/**
 * The long tail of a phrase from the lists themselves. A wording is put to the subject only when
 * the lists have it for at least two other subjects: one may be an accident.
 */
export function longTailOf(phrase: string, phrases: readonly string[]): LongTail {
	const subject = subjectOfPhrase(phrase);
	const words = keysIn(subject);
	const listed = new Set(phrases.map(phraseKeyOf));
	const found = new Map<PatternName, string[]>();
	const wordings = new Map<
		string,
		{ pattern: PatternName; after: string[]; subjects: Set<string> }
	>();
	const subjects = phrases.map(subjectOfPhrase);
	const frequency = new Map<string, number>();
	for (const each of subjects) frequency.set(each, (frequency.get(each) ?? 0) + 1);
	for (const [i, each] of phrases.entries()) {
		const pattern = patternOf(each);
		if (pattern === null) continue;
		if (holds(keysIn(each), words)) {
			found.set(pattern, [...(found.get(pattern) ?? []), each]);
			continue;
		}
		const other = subjects[i]!;
		const plain = phraseKeyOf(each);
		const at = plain.indexOf(other);
		// what the lists name often is a thing; what stands once may be half a sentence
		if (other.split(' ').length < 2 || at < 0 || frequency.get(other)! < LEAST_NAMED) continue;
		if (isPlural(other) !== isPlural(subject)) continue;
		const wording = `${plain.slice(0, at)}…${plain.slice(at + other.length)}`;
		const known = wordings.get(wording) ?? { pattern, after: [], subjects: new Set<string>() };
		known.after.push(each);
		known.subjects.add(keysIn(other).join(' '));
		wordings.set(wording, known);
	}
	const made = [...wordings]
		.filter(([, { subjects }]) => subjects.size >= 2)
		.map(([wording, { pattern, after }]) => ({
			phrase: wording.replace('…', subject).replace(/\s+/g, ' ').trim(),
			pattern,
			after: after.slice(0, 5)
		}))
		.filter(({ phrase: each }) => !listed.has(phraseKeyOf(each)))
		.sort((a, b) => b.after.length - a.after.length || (a.phrase < b.phrase ? -1 : 1))
		.slice(0, MOST_MADE);
	return {
		subject,
		found: PATTERN_NAMES.flatMap((pattern) => {
			const of = found.get(pattern);
			return of ? [{ pattern, phrases: of }] : [];
		}),
		made
	};
}

const LEADS: readonly RegExp[] = [
	/^how (?:to|do (?:you|i|we)|can (?:you|i|we)|should (?:you|i|we)) \w+ (?!$)/,
	/^how (?:much|many|long|deep|wide|high|tall|thick|far|often|big|heavy|strong)(?: (?:does|do|is|are|should|can|will|would|for|did))? /,
	/^(?:what|why|when|where|which|who|can|could|do|does|is|are|should|will|must)(?: (?:is|are|do|does|did|can|should|you|i|to))* /,
	/^(?:best|top|cheap(?:est)?|types? of|cost of|price of|ideas for|guide to|diy|buy|repair(?:ing)?|fix(?:ing)?|build(?:ing)?|make|making) /
];

const TAILS =
	/ (?:costs?|prices?|pricing|cost per .+|price per .+|near me|nearby|ideas?|designs?|examples?|types?|tools?|equipment|kits?|repairs?|calculator|diagram|uk|last|be|take|weigh|vs\.? .+|versus .+|or .+|without .+|with .+|for .+|on .+|in .+|per .+)$/;

/** What a phrase is about, without its question words, articles and endings: "how much does a dry stone wall cost" → "dry stone wall". */
export function subjectOfPhrase(phrase: string): string {
	let plain = phraseKeyOf(phrase);
	for (let i = 0; i < 3; i++) {
		const lead = LEADS.find((pattern) => pattern.test(plain));
		const shorter = (lead ? plain.replace(lead, '') : plain)
			.replace(/^(?:an?|the|my|your) /, '')
			.replace(TAILS, '')
			.trim();
		if (shorter === plain || shorter === '') break;
		plain = shorter;
	}
	return plain;
}

function isPlural(subject: string): boolean {
	const last = subject.split(' ').at(-1) ?? '';
	return singularOf(last) !== last;
}

function keysIn(phrase: string): string[] {
	return wordsOf(phrase)
		.flatMap(({ text }) => plainWord(text).split('-'))
		.map(singularOf);
}

function holds(all: readonly string[], part: readonly string[]): boolean {
	if (part.length === 0) return false;
	return all.some((_, at) => part.every((word, i) => all[at + i] === word));
}
