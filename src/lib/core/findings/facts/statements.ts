import { contentStemsOf, wordsOfSentence, keywordStemsOf } from '../../text';
import type { Fact } from './facts';
import { numberOf, baseOf, type Quantity, unitOf } from '../../reading';

export interface Statement {
	readonly fact: Fact;
	readonly quantity: Quantity;
	readonly at: number;
	readonly ref: string;
	readonly dimension: string;
	readonly low: number;
	readonly high: number;
	/** Position in `EXTENTS` of what a length measures; −1 when nothing beside it says so. */
	readonly extent: number;
	/** Stems near the figure, those of the sentence before those of the heading. */
	readonly stems: readonly string[];
	readonly inSentence: number;
	/** Weight of each; the context is of length one. 0 for the keyword's own. */
	readonly weights: Float64Array;
}

/** Words to each side of a figure that tell what it is a figure of. */
const REACH = 12;

/** Words away from a figure at which a word says half as much of it. */
const HALF_WAY = 6;

/** Figures of a kind from which a sentence lists them, each with its own words. */
const LISTED_FROM = 3;

/** What a word counts that speaks of another figure of the sentence. */
const BESIDE = 0.25;

/** Weight of a word that stands in the heading alone. */
const IN_HEADING = 0.4;

/** What a length can be the length of; two that say different things are never compared. */
export const EXTENTS: readonly (readonly [name: string, words: RegExp])[] = [
	['depth', /^(?:deep|depth|deeper|down)$/i],
	['width', /^(?:wide|width|wider|breadth|across|broad)$/i],
	['height', /^(?:high|height|higher|tall|taller)$/i],
	['length', /^(?:long|length|longer)$/i],
	['spacing', /^(?:apart|centres|centers|intervals|spacing|spaced|distance|between|every)$/i],
	['thickness', /^(?:thick|thickness|thicker)$/i]
];

export const EXTENT_STEMS: ReadonlySet<string> = new Set(
	contentStemsOf(
		'deep depth down wide width breadth across broad high height tall long length apart centre interval spacing distance every thick thickness row'
	)
);

/** Name of a figure in its sentence for decisions by hand. */
function figureRef(fact: Fact, quantity: Quantity): string {
	return `${fact.source}|${fact.text.slice(0, 240)}|${quantity.text}`;
}

export function statementsOf(facts: readonly Fact[], keyword: string): Statement[] {
	const common = keywordStemsOf(keyword);
	const raw = facts.flatMap((fact) =>
		fact.quantities.flatMap((quantity, at) =>
			fact.isData || quantity.kind === 'year'
				? []
				: [{ fact, quantity, at, ...surroundingsOf(fact, quantity) }]
		)
	);
	const spread = new Map<string, number>();
	for (const { near } of raw)
		for (const stem of near.stems) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	return raw.map(({ fact, quantity, at, near, extent }) => {
		const weights = Float64Array.from(near.nearness);
		let squares = 0;
		near.stems.forEach((stem, i) => {
			weights[i]! *= common.has(stem) ? 0 : Math.log(1 + raw.length / spread.get(stem)!);
			squares += weights[i]! ** 2;
		});
		const norm = Math.sqrt(squares) || 1;
		for (let i = 0; i < weights.length; i++) weights[i]! /= norm;
		const { dimension, value, upTo } = baseOf(quantity);
		return {
			fact,
			quantity,
			at,
			ref: figureRef(fact, quantity),
			dimension,
			low: value,
			high: upTo,
			extent: dimension === 'length' ? extent : -1,
			stems: near.stems,
			inSentence: near.inSentence,
			weights
		};
	});
}

interface Surroundings {
	readonly near: {
		readonly stems: readonly string[];
		/** Of each stem, 0–1: how near to the figure it stands. */
		readonly nearness: readonly number[];
		/** How many of them stand in the sentence; the rest are the heading's. */
		readonly inSentence: number;
	};
	readonly extent: number;
}
const surroundings = new WeakMap<Quantity, Surroundings>();

/** What stands around a figure, read once for as long as its page stays as it is. */
function surroundingsOf(fact: Fact, quantity: Quantity): Surroundings {
	let found = surroundings.get(quantity);
	if (!found) {
		found = { near: stemsAround(fact, quantity), extent: extentOf(fact.text, quantity) };
		surroundings.set(quantity, found);
	}
	return found;
}

/** Stems within reach of a figure, the nearest weighing most; those in the heading alone weigh little. */
function stemsAround(
	{ text, heading, quantities }: Fact,
	quantity: Quantity
): Surroundings['near'] {
	const start = Math.max(0, text.indexOf(quantity.text));
	const end = start + quantity.text.length;
	const [from, to] = ownPart({ text, quantities }, quantity, start, end);
	const words = wordsOfSentence(text);
	const before = words.filter((word) => word.end <= start).slice(-REACH);
	const after = words.filter((word) => word.start >= end).slice(0, REACH);
	const near = new Map<string, number>();
	const put = ({ text: word, start: at }: WordAt, distance: number) => {
		if (/\d/.test(word) || !Number.isNaN(numberOf(word))) return;
		// other figures and their measures say nothing of what this one is
		if (unitOf(word.toLowerCase()) !== undefined) return;
		const weight = (at >= from && at < to ? 1 : BESIDE) / (1 + distance / HALF_WAY);
		for (const stem of contentStemsOf(word)) near.set(stem, Math.max(weight, near.get(stem) ?? 0));
	};
	before.reverse().forEach(put);
	after.forEach(put);
	const inSentence = near.size;
	for (const { text: word } of wordsOfSentence(heading)) {
		if (unitOf(word.toLowerCase()) !== undefined) continue;
		for (const stem of contentStemsOf(word)) if (!near.has(stem)) near.set(stem, IN_HEADING);
	}
	return { stems: [...near.keys()], nearness: [...near.values()], inSentence };
}

interface WordAt {
	readonly text: string;
	readonly start: number;
}

/**
 * The part of a sentence that speaks of one figure where the sentence lists figures of a kind:
 * "sunflower oil at 230 °C" of "rapeseed oil at 205 °C, sunflower oil at 230 °C and lard at 190 °C".
 */
function ownPart(
	{ text, quantities }: Pick<Fact, 'text' | 'quantities'>,
	quantity: Quantity,
	start: number,
	end: number
): [from: number, to: number] {
	const { dimension } = baseOf(quantity);
	let from = 0;
	let to = text.length;
	const alike = quantities.filter((other) => baseOf(other).dimension === dimension);
	if (alike.length < LISTED_FROM) return [from, to];
	for (const other of alike) {
		if (other === quantity) continue;
		const at = text.indexOf(other.text);
		const past = at + other.text.length;
		if (at < 0) continue;
		if (past <= start) from = Math.max(from, past + boundaryIn(text.slice(past, start), 0));
		else if (at >= end) to = Math.min(to, end + boundaryIn(text.slice(end, at), at - end));
	}
	return [from, to];
}

/** Where one statement ends and the next begins between two figures; without a sign of it, `otherwise`. */
function boundaryIn(between: string, otherwise: number): number {
	const last = (sign: RegExp) => [...between.matchAll(sign)].at(-1)?.index;
	return last(/[,;:·]/g) ?? last(/\b(?:and|or|but|while)\b/g) ?? otherwise;
}

/** The word of extent nearest to a length, at most three words away. */
function extentOf(text: string, quantity: Quantity): number {
	const start = Math.max(0, text.indexOf(quantity.text));
	const words = wordsOfSentence(text);
	const before = words.filter((word) => word.end <= start).slice(-3);
	const after = words.filter((word) => word.start >= start + quantity.text.length).slice(0, 2);
	for (const { text: word } of [...after, ...before.reverse()]) {
		const extent = EXTENTS.findIndex(([, words]) => words.test(word));
		if (extent >= 0) return extent;
	}
	return -1;
}
