import { sentencesOf } from '../../text';

/** A stretch of a line with its place in it. */
export interface Stretch {
	readonly text: string;
	readonly start: number;
	readonly end: number;
}

/** A stop in a jotting, behind which nobody puts a capital: "3 numbers. use comfort". */
const JOTTED_STOP = /(?<=[\p{L}\p{N})°%’'"”]{2}[.!?])\s+(?=[\p{Ll}\p{N}£$€"“])/gu;
const SHORTENED =
	/\d\s?(?:kg|g|ft|in|oz|lbs?|p)\.$|(?:^|[\s(])(?:approx|abt|c|ca|w|yrs?|mins?|hrs?|btw|e\.g|i\.e|vs|no|etc|inc|incl|sq|st|ed|fig|max|resp|pp|cf|dept|est|mr|mrs|ms|dr|prof|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|a\.m|p\.m|u\.s|u\.k)\.$/i;

/** What takes back the jotting before it and says it right: "£11 a month?? no - every 2 months". */
const CORRECTS =
	/^(?:no|nope|wait|sorry|scratch that|correction|i mean)\b(?:,? (?:no|wait|actually))?\s*[-–—,:]\s?\S/i;

/** Words of a paragraph from which one without stops was dictated. */
const DICTATED_WORDS = 40;

/** Words between two stops from which nobody writes so. */
const WORDS_WITHOUT_STOP = 60;

/** Words that a piece of dictated text has at least. */
const LEAST_PIECE = 7;

/**
 * Where somebody who dictates begins anew: "and he says", "but if", "because in september".
 * What is said after "because" and "so" belongs to what is before it, unless that is long.
 */
const BEGINS_ANEW = new RegExp(
	String.raw`\s(?=(?:${[
		'okay|ok|right so|anyway|also|plus|but|hang on|hold on|by the way|note to self|remember|oh',
		String.raw`and (?:he|she|it|they|i|you|we|an?|the|there|my|his|her|our|their|someone|somebody|then|in|if|when|for|find|must|also|actually|never|always|don['’]t)`,
		'so (?:that|it|you|he|she|they|i|we)|because (?:in|the|it|if|you|they|then)|now (?:the|for|it|you|we|i)',
		'the (?:other|next|last|second|third|main|best|worst) (?:thing|one|point|bit)|(?:first|second|third|last|next) thing|next (?:up|one)',
		String.raw`people|somebody|someone|summer|winter|spring|autumn|must|makes sense|there['’]s|that['’]s (?:what|why|how|because|it)`,
		'you (?:want|need|have|get|should|must|never) (?:to|a|the|your|some|it)'
	].join('|')})\b)`,
	'giu'
);

/**
 * Sentences of a line as a writer jots them down. Never cuts inside quotation marks or brackets;
 * text dictated without stops is cut where a new thought begins.
 */
export function cutSentences(text: string): Stretch[] {
	if (isDictated(text)) return trimmed(text, cutsOf(text, BEGINS_ANEW, LEAST_PIECE));
	const cuts = new Set<number>();
	for (const { start, text: said } of sentencesOf(text)) {
		// marks alone are no sentence: "?? still £1.10"
		if (start > 0 && /\p{L}/u.test(said) && /\p{L}/u.test(text.slice(0, start))) cuts.add(start);
	}
	for (const match of text.matchAll(JOTTED_STOP)) {
		if (!SHORTENED.test(text.slice(Math.max(0, match.index - 12), match.index)))
			cuts.add(match.index + match[0].length);
	}
	const open = enclosed(text);
	return trimmed(
		text,
		[...cuts].filter((at) => !open(at) && !CORRECTS.test(text.slice(at))).sort((a, b) => a - b)
	);
}

function isDictated(text: string): boolean {
	const words = text.split(/\s+/).length;
	const stops = text.match(/[.!?;:](?=\s|$)/g)?.length ?? 0;
	return words >= DICTATED_WORDS && words > WORDS_WITHOUT_STOP * stops;
}

/** Places where a pattern stands, no two nearer than a number of words. */
function cutsOf(text: string, pattern: RegExp, least: number): number[] {
	const cuts: number[] = [];
	let from = 0;
	for (const { index } of text.matchAll(pattern)) {
		const between = text.slice(from, index).trim().split(/\s+/).length;
		const left = text.slice(index).trim().split(/\s+/).length;
		if (between < least || left < 3) continue;
		cuts.push(index + 1);
		from = index + 1;
	}
	return cuts;
}

/** Tells whether a place lies inside quotation marks or brackets that are closed later. */
function enclosed(text: string): (at: number) => boolean {
	const spans: [number, number][] = [];
	const patterns = [/"[^"]*"/g, /“[^”]*”/g, /\([^()]*\)/g, /\[[^\][]*\]/g];
	for (const pattern of patterns)
		for (const { index, 0: part } of text.matchAll(pattern))
			spans.push([index, index + part.length]);
	return (at) => spans.some(([from, to]) => at > from && at < to);
}

function trimmed(text: string, cuts: readonly number[]): Stretch[] {
	const ends = [...cuts, text.length];
	let from = 0;
	return ends.flatMap((to) => {
		const part = text.slice(from, to);
		const said = part.trim();
		const start = from + part.indexOf(said);
		from = to;
		return said === '' ? [] : [{ text: said, start, end: start + said.length }];
	});
}
