import { capital, everydayRateOf, hasVerb, isStopWord, wordsOf } from '../../text';
import { contracted, inFull } from './contractions';
import { pastOf } from './participles';
import { FILLERS } from './phrases';
import { saysTheSame } from './says-the-same';
import { EMPTY_OPENINGS, WORDY } from './wordy';

/** The ways in which a sentence is said again, in the order they are offered. */
export const WAYS = ['shorter', 'split', 'active', 'turned', 'contracted', 'in full'] as const;

export type Way = (typeof WAYS)[number];

/**
 * A sentence said again in one way, by rules that need no understanding of it: phrases with shorter ones
 * for the same, a cut between two whole clauses, a passive whose doer is named, a clause of condition or
 * time moved to the other end, contractions. Null where no rule applies, or where figures, names or
 * negations would not be those of the sentence. What stands in quotation marks is left alone.
 */
export function rewordSentence(sentence: string, way: Way): string | null {
	// what somebody says stays as it was said
	if (/["“”«»]/.test(sentence)) return null;
	const said = RULES[way](sentence);
	if (said === null || said === sentence || said.trim() === '') return null;
	return saysTheSame(sentence, said) ? said : null;
}

const RULES: Readonly<Record<Way, (sentence: string) => string | null>> = {
	shorter,
	split,
	active,
	turned,
	contracted,
	'in full': inFull
};

const WORDY_IN = /* @__PURE__ */ WORDY.map(
	([phrase, plain]) => [new RegExp(`(?<![\\p{L}-])${phrase}(?![\\p{L}-])`, 'giu'), plain] as const
);
/** Fillers that weaken or strengthen what they stand before, or tell how it is meant, are more than that. */
const KEPT_FILLERS = new Set(['quite', 'literally']);
/** Before a quality or a deed, where it can go. */
const FILLER = /* @__PURE__ */ new RegExp(
	`(?<!\\b(?:the|put|so|too|how|no|not) )\\b(${[...FILLERS].filter((word) => !KEPT_FILLERS.has(word)).join('|')}) (?=\\p{Ll}{3,})(?!(?:and|but|the|for|with|from|into|over|that|when|much|few|little|well|same|soon|first|last|best)\\b)`,
	'giu'
);

/** "not very", "cannot simply": without the word it would say something else. */
const DENIED = /(?:\b(?:not|never|cannot|without|hardly)|n['’]t)(?: \S+){0,2} $/i;

function shorter(sentence: string): string {
	const behind = sentence.replace(EMPTY_OPENINGS, '');
	let said = behind === sentence ? sentence : capital(behind);
	for (const [pattern, plain] of WORDY_IN)
		said = said.replace(pattern, (phrase) => (/^\p{Lu}/u.test(phrase) ? capital(plain) : plain));
	said = said
		// "an extremely old wall" → "an old wall", "a really old one" → "an old one"
		.replace(
			/\b(an?) (\p{L}+) (?=(\p{L}))/giu,
			(all, article: string, word: string, next: string) =>
				FILLERS.has(word.toLowerCase()) && !KEPT_FILLERS.has(word.toLowerCase())
					? `${articleBefore(article, next)} `
					: all
		)
		.replace(FILLER, (filler, _, at: number, all: string) =>
			DENIED.test(all.slice(0, at)) ? filler : ''
		)
		.replace(/\s{2,}/g, ' ');
	return /^\p{Lu}/u.test(sentence) ? capital(said) : said;
}

function articleBefore(article: string, letter: string): string {
	const an = /[aeiou]/i.test(letter) ? 'an' : 'a';
	return /^A/.test(article) ? capital(an) : an;
}

/** Opens a clause that can stand alone. */
const SUBJECT =
	/^(?:it|they|he|she|we|you|I|there|this|these|those|the|an?|your|our|its|their|his|her|most|some|many|few|every|each|no|nobody|nothing|one|two|three|both)\b/;
const OPENS_BELOW =
	/^(?:like|if|when|whenever|once|unless|until|because|since|although|though|while|whereas|where|as|before|after|whether|what|who|how|for)\b/i;
const LEAST_CLAUSE = 4;
/** Opens a clause that borrows its verb from the one before. */
const ELLIPTIC = /^(?:another|others?|the (?:other|first|second|third|latter|former|rest)s?)\b/i;

/** Two sentences in place of two whole clauses: at a semicolon, or before "and", "but", "so" with a subject behind. */
function split(sentence: string): string | null {
	if (/[()]/.test(sentence) || OPENS_BELOW.test(sentence)) return null;
	for (const { index, 0: seam, 1: joint = '' } of sentence.matchAll(/(?:;|, (and|but|so|yet)) /g)) {
		const before = sentence.slice(0, index);
		const behind = sentence.slice(index + seam.length);
		const isClause = (clause: string) =>
			wordsOf(clause).length >= LEAST_CLAUSE && hasFinite(clause);
		// behind a comma it could be the end of a list
		if (joint !== '' && (!SUBJECT.test(behind) || /[,:]/.test(before))) continue;
		if (ELLIPTIC.test(behind)) continue;
		if (!isClause(before) || !isClause(behind)) continue;
		// what a clause below covers is covered in both
		if (/,? (?:if|unless|because|whether|that|so that|which|who)\b[^,;]*$/i.test(before)) continue;
		const word = joint === 'and' || joint === '' ? '' : joint;
		return `${before}. ${capital(word === '' ? behind : `${word} ${behind}`)}`;
	}
	return null;
}

/** Whether a clause has a verb, looked for piece by piece: `hasVerb` takes it for granted of a long one. Words with a capital are names. */
function hasFinite(clause: string): boolean {
	const words = clause.split(/\s+/).filter((word, at) => at === 0 || !/^\p{Lu}/u.test(word));
	for (let from = 0; from < words.length; from += 8)
		if (hasVerb(words.slice(from, from + 12).join(' '))) return true;
	return false;
}

const BE_PASSIVE =
	/^((?:The|This|That|These|Those|An?|Each|Every|Our|Your|Its|Their|His|Her|All|It|They|He|She|We|\p{Lu}\p{L}+)(?: [\p{L}-]+){0,5}?) (?:was|were) (?:(\p{Ll}+ly) )?(\p{Ll}+) by ([^.,;:!?]+)\.$/u;
const DOER =
	/^(?:the|an?|two|three|four|five|six|some|many|most|our|your|his|her|their|its|local|\p{Lu}\p{L}+)\b/u;
const NO_DOER =
	/^(?:the (?:metre|meter|foot|hour|day|week|month|year|time|end|weight|kilo|ton|tonne|pound|hundred|thousand)|(?:January|February|March|April|May|June|July|August|September|October|November|December|Monday|Tuesday|Wednesday|Thursday|Friday|Saturday|Sunday)|a (?:third|quarter|half|fifth|tenth|factor|few|lot|margin|metre|foot|day|week|month|year))\b/i;
const OBJECT_FORMS: Readonly<Record<string, string>> = {
	It: 'it',
	They: 'them',
	He: 'him',
	She: 'her',
	We: 'us'
};

/** "The wall was rebuilt by two farmers." → "Two farmers rebuilt the wall." */
function active(sentence: string): string | null {
	const [, done, how = '', participle, doer] = BE_PASSIVE.exec(sentence) ?? [];
	if (!done || !participle || !doer) return null;
	const past = pastOf(participle);
	if (past === null || !DOER.test(doer) || NO_DOER.test(doer)) return null;
	if (
		wordsOf(doer).length > 5 ||
		/\b(?:who|that|which|when|in|on|at|and|with|for|from|\p{Ll}+ing)\b/u.test(doer)
	)
		return null;
	if (/\b(?:and|or|that|which|who|if|when|because|of)\b/.test(done) || /\b\d/.test(doer))
		return null;
	const object = OBJECT_FORMS[done] ?? lowered(done);
	if (object === null) return null;
	return `${capital(doer)} ${how === '' ? '' : `${how} `}${past} ${object}.`;
}

const CONJUNCTION = '(?:if|when|whenever|once|unless|until|because|although|before|after|wherever)';
const OPENS_WITH_CLAUSE = /* @__PURE__ */ new RegExp(
	`^(${CONJUNCTION}) ([^,;:()–—]+), ([^,;:()–—]+)([.!])$`,
	'iu'
);
const ENDS_WITH_CLAUSE = /* @__PURE__ */ new RegExp(
	`^([^,;:()–—]+?) (if|when|whenever|once|unless|because|although) ([^,;:()–—]+)([.!])$`,
	'u'
);
/** Words that lean on what was said before them. */
const LEANING =
	/\b(?:it|its|they|them|their|he|him|his|she|her|this|that|these|those|one|ones|so|such|then|there)\b/i;
/** Before a conjunction that belongs to them. */
const HOLDS_ON =
	/\b(?:even|only|as|just|not|than|except|especially|particularly|but|and|or|is|was|are|were|be|like|of|for|about|on|note)$|['’]s$/i;
/** Verbs whose "if" and "when" say what is asked or known. */
const ASKS =
	/\b(?:ask|wonder|know|knew|see|saw|check|decide|tell|told|sure|say|said|matter|find out|remember|depend|test|show|care|doubt|mind)(?:s|ed|ing)?\b/i;

/** A clause of condition, time or cause at the other end of its sentence, where no pronoun would lose what it stands for. */
function turned(sentence: string): string | null {
	const opens = OPENS_WITH_CLAUSE.exec(sentence);
	if (opens) {
		const [, conjunction, clause, main, end] = opens as unknown as [
			string,
			string,
			string,
			string,
			string
		];
		if (LEANING.test(main) || !isWhole(main) || !hasFinite(clause)) return null;
		if (isDoubtful(conjunction, main)) return null;
		if (new RegExp(`\\b${CONJUNCTION}\\b`, 'i').test(`${clause} ${main}`)) return null;
		return `${capital(main)} ${conjunction.toLowerCase()} ${clause}${end}`;
	}
	const ends = ENDS_WITH_CLAUSE.exec(sentence);
	if (!ends) return null;
	const [, main, conjunction, clause, end] = ends as unknown as [
		string,
		string,
		string,
		string,
		string
	];
	const conjunctions = sentence.match(new RegExp(`\\b${CONJUNCTION}\\b`, 'gi')) ?? [];
	if (conjunctions.length !== 1 || HOLDS_ON.test(main) || LEANING.test(clause)) return null;
	if (/^(?:if|when|whenever)$/.test(conjunction) && ASKS.test(main)) return null;
	if (!SUBJECT.test(clause) || !hasFinite(clause) || !isWhole(main)) return null;
	if (isDoubtful(conjunction, main)) return null;
	const small = lowered(main);
	return small === null ? null : `${capital(conjunction)} ${clause}, ${small}${end}`;
}

/** A main clause that opens neither with what ties it to the sentence before nor as a part of one. */
function isWhole(main: string): boolean {
	return hasFinite(main) && !/^(?:and|but|so|or|yet|\p{L}+ed)\b/iu.test(main);
}

/** "I don't care because …": what is denied could be the cause. */
function isDoubtful(conjunction: string, main: string): boolean {
	return /^because$/i.test(conjunction) && /\b(?:not|never)\b|n['’]t\b/i.test(main);
}

/** With a small letter where the first word is no name; null where that is not sure. */
function lowered(text: string): string | null {
	const [first = ''] = /^\p{L}+/u.exec(text) ?? [];
	if (/^(?:I|\p{Lu}{2,})$/u.test(first))
		return first === 'A' ? text : text.startsWith('I ') ? text : null;
	const small = first.toLowerCase();
	if (/^(?:may|march|august|will|mark|rose|bill|frank|grace|hope|joy)$/.test(small)) return null;
	if (!isStopWord(small) && everydayRateOf(small) < EVERYDAY) return null;
	return small + text.slice(first.length);
}

/** Uses in a million words from which a word that opens a sentence is taken for no name. */
const EVERYDAY = 5;
