import {
	ANY_NUMBER,
	END,
	NUMBER_WORDS,
	OF_STANDARDS,
	PATTERNS,
	singular,
	type NumberStarts
} from './quantity-patterns';
import { baseOf, type Quantity } from './quantity';
import { wordsOfSentence } from '../text';
import { toBase, UNIT_WORD, unitOf } from './units';

const PER = new RegExp(
	String.raw`^\s?(?:(?:an?|each|every|in an?)\s(${UNIT_WORD}|head|person)s?${END}|(?:per|for every|in every|for each|apiece per|\/)\s?(square\s\p{L}+|cubic\s\p{L}+|\p{L}[\p{L}²³]*)${END}|(each|apiece)${END})`,
	'iu'
);

const HEDGES: readonly (readonly [Quantity['hedge'], RegExp])[] = [
	[
		'about',
		/(?:\b(?:about|around|roughly|approximately|approx\.?|some|nearly|almost|circa|or so|typically|usually)|~|≈)\s?$/i
	],
	[
		'most',
		/\b(?:up to|at most|no more than|not more than|under|less than|fewer than|below|within|a maximum of|maximum)\s$/i
	],
	[
		'least',
		/\b(?:at least|over|more than|no less than|not less than|above|a minimum of|minimum|upwards of)\s$/i
	]
];

/** What a number names instead of counting: "Figure 3 shows". */
const LABELS =
	/\b(?:figure|fig\.|table|step|chapter|page|part|section|phase|version|no\.|number|line|item)\s$/i;

/** A quantity with its place in the sentence: `start` included, `end` excluded. */
export interface PlacedQuantity extends Quantity {
	readonly start: number;
	readonly end: number;
}

/**
 * Quantities of a sentence in order: money, shares, ratios, measures and times in metric or
 * imperial units, in digits, words or fractions, frequencies, years, and counts of things. Figures
 * of one place are given once; "600 g to 900 g" and "2 hours 24 minutes" are one quantity.
 */
export function quantitiesOf(sentence: string): Quantity[] {
	return placedQuantitiesOf(sentence).map(({ kind, value, upTo, unit, per, hedge, text }) => ({
		kind,
		value,
		upTo,
		unit,
		per,
		hedge,
		text
	}));
}

/** As `quantitiesOf`, each with its place in the sentence. */
export function placedQuantitiesOf(sentence: string): PlacedQuantity[] {
	if (!wordsOfSentence(sentence).some(({ text }) => saysNumber(text))) return [];
	const found: PlacedQuantity[] = [];
	let starts: NumberStarts | undefined;
	for (const { gate, pattern, atNumbers, read } of PATTERNS) {
		if (!gate.test(sentence)) continue;
		for (const match of atNumbers
			? matchesAt(pattern, sentence, (starts ??= numberStarts(sentence))[atNumbers])
			: sentence.matchAll(pattern)) {
			const start = match.index;
			const end = start + match[0].length;
			if (found.some((other) => start < other.end && other.start < end)) continue;
			const before = sentence.slice(Math.max(0, start - 10), start);
			if (LABELS.test(before) || OF_STANDARDS.test(before)) continue;
			const quantity = read(match.slice(1), match[0]);
			if (!quantity || !Number.isFinite(quantity.value) || !Number.isFinite(quantity.upTo))
				continue;
			const per = perAfter(sentence.slice(end));
			found.push({
				...quantity,
				per: per.unit,
				hedge: hedgeBefore(sentence.slice(Math.max(0, start - 24), start)),
				text: sentence.slice(start, end + per.length),
				start,
				end: end + per.length
			});
		}
	}
	return joined(
		found.sort((a, b) => a.start - b.start),
		sentence
	);
}

/** Whether a number can begin in a word; most words have been met before. */
function saysNumber(word: string): boolean {
	let says = numberWords.get(word);
	if (says === undefined) {
		says = ANY_NUMBER.test(word);
		if (numberWords.size > 60_000) numberWords.clear();
		numberWords.set(word, says);
	}
	return says;
}

const numberWords = new Map<string, boolean>();

const NUMBER_START = new RegExp(
	`(?<![\\p{L}\\p{N}.,/])(?:[\\d½¼¾⅓⅔⅛]|(?:an?\\s(?:couple|dozen|hundred|thousand|million)|half a dozen|${NUMBER_WORDS})(?![\\p{L}]))`,
	'giu'
);

function numberStarts(sentence: string): NumberStarts {
	const digits: number[] = [];
	const words: number[] = [];
	const any: number[] = [];
	for (const { index } of sentence.matchAll(NUMBER_START)) {
		const kind = /\p{L}/u.test(sentence[index]!) ? words : digits;
		const at = /[-−–]/.test(sentence[index - 1] ?? '') ? [index - 1, index] : [index];
		kind.push(...at);
		any.push(...at);
	}
	return { digits, words, any };
}

/** Matches of a sticky pattern at given places, none of which overlap. */
function* matchesAt(pattern: RegExp, text: string, starts: readonly number[]) {
	let from = 0;
	for (const start of starts) {
		if (start < from) continue;
		pattern.lastIndex = start;
		const match = pattern.exec(text);
		if (!match) continue;
		yield match;
		from = start + match[0].length;
	}
}

function perAfter(rest: string): { unit: string; length: number } {
	const match = PER.exec(rest);
	if (!match) return { unit: '', length: 0 };
	const [text, time, thing, piece] = match;
	const name = piece ? 'piece' : (time ?? thing)!.toLowerCase();
	return { unit: unitOf(name)?.name ?? singular(name), length: text.length };
}

function hedgeBefore(before: string): Quantity['hedge'] {
	return HEDGES.find(([, pattern]) => pattern.test(before))?.[0] ?? null;
}

/** Joins what is said in two units ("2 hours 24 minutes", "5 ft 6 in") into one quantity. */
function joined(found: readonly PlacedQuantity[], sentence: string): PlacedQuantity[] {
	const result: PlacedQuantity[] = [];
	for (const next of found) {
		const last = result.at(-1);
		const between = last ? sentence.slice(last.end, next.start) : '';
		const [a, b] = [last && baseOf(last), baseOf(next)];
		const isPart =
			last !== undefined &&
			/^(?:\s|\sand\s|,\s)$/.test(between) &&
			last.value === last.upTo &&
			next.value === next.upTo &&
			(last.kind === 'measure' || last.kind === 'time') &&
			last.kind === next.kind &&
			last.per === '' &&
			a!.dimension === b.dimension &&
			toBase(1, next.unit).value < toBase(1, last.unit).value &&
			!between.includes(',');
		if (!isPart) {
			result.push(next);
			continue;
		}
		const value = last.value + toBase(next.value, next.unit).value / toBase(1, last.unit).value;
		result[result.length - 1] = {
			...last,
			value,
			upTo: value,
			per: next.per,
			text: sentence.slice(last.start, next.end),
			end: next.end
		};
	}
	return result;
}
