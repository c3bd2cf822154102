import { contentStemsOf, countWords, hasVerb, keywordStemsOf } from '../text';

/** Words that lean on the sentence before them. */
const LEANS =
	/^(?:it|its|this|that|these|those|they|them|their|he|she|his|her|such|so|but|and|or|then|there|here|also|however|instead|otherwise|both|neither|none|yes|no|not|another|the (?:first|second|third|last|same|other|latter|former|rest))\b|^(?:for example|in short|after (?:that|this)|on the other hand|as (?:above|said)|if (?:it|they|so|not)\b)/i;
/** A jotting leaves its subject out. */
const SUBJECTLESS =
	/^(?:tried|did|went|got|had|saw|took|gave|made|said|says|asked|asks|told|tells|reckons|reckoned|thinks|thought|found|came|was|were|has|used|bought|paid)\b/i;
/** Signs of notes that were never written out. */
const JOTTED =
	/[=≥≤<>→←↔~[\]{}|]|\s\+\s|[£€$]\d+\/|\bapprox\.|\bw\.-|(?:^|\s)[x×]\s?\d|\d\/\d|\b\d+\+/;
/** What is added in a word or two, or left without its subject: "…, £15.", "…: shoe.", "…, yes; …", "…, can go over". */
const ADDED =
	/\bvs\b|,\s[£€$][\d.,]+\.$|:\s\S+(?:\s\S+)?\.$|,\s(?:yes|no)[;,.]|,\s(?:can|goes|gets|comes|saves)\s|:\s(?:saves?|costs?|takes?|lasts?|needs?|is|was)\s/;
/** "Lease: five years left", "Vinegar – killed both": a label and what stands for it. */
const LABELLED = /^[^\s:]+(?:\s[^\s:]+){0,3}:\s|^\S+(?:\s\S+){0,2}\s[–—]\s/;
/** Words that stand for something named before. */
const PRONOUN = /\b(?:it|them|they|he|she|him)\b/i;

/**
 * Whether a sentence of an article can be read by itself, away from what stands around it: a whole sentence
 * that leans on none, no jotting, no half of a quotation, and more than the keyword said again.
 */
export function standsAlone(text: string, keyword: string): boolean {
	if (!/^[\p{Lu}\p{N}£€$]/u.test(text) || !/[.]["”’)]*$/.test(text)) return false;
	if (LEANS.test(text) || SUBJECTLESS.test(text) || JOTTED.test(text) || LABELLED.test(text))
		return false;
	if (ADDED.test(text) || /["“”«»]/.test(text) || !hasVerb(text)) return false;
	// what a pronoun stands for is named in the sentence itself, and not by its first word alone
	const pronoun = PRONOUN.exec(text);
	if (pronoun && contentStemsOf(text.slice(0, pronoun.index)).length < 2) return false;
	const common = keywordStemsOf(keyword);
	return (
		contentStemsOf(text).filter((stem) => !common.has(stem)).length >= 2 && countWords(text) >= 5
	);
}
