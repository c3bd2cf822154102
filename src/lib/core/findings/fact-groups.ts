import {
	contentStemsOf,
	everydayRateOfForm,
	isStopWord,
	plainWord,
	singularOf,
	wordsOfSentence
} from '../text';
import { NO_EDITS, rulesOf, type GroupEdits, type GroupRules } from './edits';
import type { Fact } from './facts';
import { numberOf } from './number-words';
import { baseOf, type Quantity } from './quantities';
import { toBase, unitOf } from './units';

/** One statement of a quantity, in the unit of its group. */
export interface FactValue {
	/** Id of the fact and position of the quantity in it. */
	readonly fact: string;
	readonly quantity: number;
	/** Name of the figure for decisions by hand. */
	readonly ref: string;
	readonly source: string;
	readonly origin: Fact['origin'];
	readonly low: number;
	readonly high: number;
}

/** Statements of several sentences about the same quantity. */
export interface FactGroup {
	readonly id: string;
	/** What it is a figure of: words the sentences share; empty for a single sentence. */
	readonly label: string;
	/** What is measured: figures of one dimension can be compared. */
	readonly dimension: string;
	/** Unit the values are given in: the one used most. */
	readonly unit: string;
	readonly per: string;
	readonly values: readonly FactValue[];
	readonly low: number;
	readonly high: number;
	/** Pages and notes that state it, by id. */
	readonly sources: readonly string[];
	/**
	 * Whether sources differ by more than a tenth, agree, or only one speaks; `mixed` when figures
	 * lie apart whose sentences have too little in common to say that they contradict each other.
	 */
	readonly agreement: 'differs' | 'agrees' | 'mixed' | 'alone';
	/** Whether things are counted and not measured. */
	readonly isCount: boolean;
	/** Whether no counted page has it. */
	readonly onlyNotes: boolean;
}

interface Statement {
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
const EXTENTS: readonly (readonly [name: string, words: RegExp])[] = [
	['depth', /^(?:deep|depth|deeper|down)$/i],
	['width', /^(?:wide|width|wider|breadth|across|broad)$/i],
	['height', /^(?:high|height|higher|tall|taller)$/i],
	['length', /^(?:long|length|longer)$/i],
	['spacing', /^(?:apart|centres|centers|intervals|spacing|spaced|distance|between|every)$/i],
	['thickness', /^(?:thick|thickness|thicker)$/i]
];
const EXTENT_STEMS: ReadonlySet<string> = new Set(
	contentStemsOf(
		'deep depth down wide width breadth across broad high height tall long length apart centre interval spacing distance every thick thickness row'
	)
);
/** Likeness of contexts from which two figures are of the same thing; set on the labelled subjects and the demo. */
const SAME_AT = 0.38;
/** What a word must add to the likeness of two contexts to count among those they share. */
const SHARED_AT = 0.07;
/** Likeness of contexts from which one shared word is enough for two figures to contradict each other. */
const PLAIN_AT = 0.65;
/** Uses in a million everyday words from which a word that is no term names nothing. */
const TOO_COMMON = 700;
/** Ratio from which two figures are of different things, whatever the words. */
const MOST_APART = 8;
/** Part by which two statements may miss one another and still agree. */
const TOLERANCE = 0.1;

export interface FiguresFound {
	readonly figures: readonly FactGroup[];
	/** Groups struck out by hand. */
	readonly struck: readonly FactGroup[];
}

/**
 * Groups statements of the same quantity, those of several sources first, then by how far they
 * differ. Years are no quantity to compare. The keyword's own words say nothing here.
 */
export function groupFacts(
	facts: readonly Fact[],
	keyword: string,
	edits: GroupEdits = NO_EDITS.figures
): FiguresFound {
	const rules = rulesOf(edits);
	const byDimension = new Map<string, Statement[]>();
	const statements = statementsOf(facts, keyword);
	for (const statement of statements) {
		const list = byDimension.get(statement.dimension);
		if (list) list.push(statement);
		else byDimension.set(statement.dimension, [statement]);
	}
	const groups = [...byDimension.values()]
		.flatMap((list) => cluster(list, rules))
		.map((group) => {
			const made = groupOf(group);
			return { ...made, label: rules.nameOf(made.values.map(({ ref }) => ref)) ?? made.label };
		})
		.sort(
			(a, b) =>
				b.sources.length - a.sources.length ||
				Number(a.isCount) - Number(b.isCount) ||
				b.values.length - a.values.length ||
				(a.id < b.id ? -1 : 1)
		);
	const isStruck = ({ values }: FactGroup) => rules.isStruck(values.map(({ ref }) => ref));
	return { figures: groups.filter((group) => !isStruck(group)), struck: groups.filter(isStruck) };
}

/** Name of a figure in its sentence for decisions by hand. */
function figureRef(fact: Fact, quantity: Quantity): string {
	return `${fact.source}|${fact.text.slice(0, 240)}|${quantity.text}`;
}

function statementsOf(facts: readonly Fact[], keyword: string): Statement[] {
	const common = new Set(contentStemsOf(keyword));
	const raw = facts.flatMap((fact) =>
		fact.quantities.flatMap((quantity, at) =>
			quantity.kind === 'year' ? [] : [{ fact, quantity, at, ...surroundingsOf(fact, quantity) }]
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
	return last(/[,;:]/g) ?? last(/\b(?:and|or|but|while)\b/g) ?? otherwise;
}

interface Gathering {
	readonly members: Statement[];
	/** What its lengths measure; −1 while none says so. */
	extent: number;
	least: number;
	most: number;
}

/** Puts each statement into the group it is most like, on average over its members, or opens one. */
function cluster(statements: readonly Statement[], rules: GroupRules): Statement[][] {
	const groups: Gathering[] = [];
	const sums: ContextSums = new Map();
	// by what is said and not by who says it: the ids of pages differ from one import to the next
	const ordered = [...statements].sort((a, b) =>
		a.fact.text < b.fact.text ? -1 : a.fact.text > b.fact.text ? 1 : a.at - b.at
	);
	for (const statement of ordered) {
		let group = byHand(statement, groups, rules) ?? mostAlike(statement, groups, sums, rules);
		if (!group) groups.push((group = { members: [], extent: -1, least: Infinity, most: 0 }));
		add(group, statement);
		const at = groups.indexOf(group);
		statement.stems.forEach((stem, i) => {
			const by = sums.get(stem) ?? new Map<number, number>();
			sums.set(stem, by.set(at, (by.get(at) ?? 0) + statement.weights[i]!));
		});
	}
	return groups.map(({ members }) => members);
}

function byHand(statement: Statement, groups: readonly Gathering[], rules: GroupRules) {
	const set = rules.setOf(statement.ref);
	if (set < 0) return undefined;
	return groups.find(({ members }) => members.some(({ ref }) => rules.setOf(ref) === set));
}

/** For each stem the groups it stands in, by position, with the sum of the members' weights. */
type ContextSums = Map<string, Map<number, number>>;

function mostAlike(
	statement: Statement,
	groups: readonly Gathering[],
	sums: ContextSums,
	rules: GroupRules
) {
	const dots = new Float64Array(groups.length);
	statement.stems.forEach((stem, i) => {
		const weight = statement.weights[i]!;
		if (weight > 0) sums.get(stem)?.forEach((sum, at) => (dots[at]! += weight * sum));
	});
	let best: Gathering | undefined;
	let most = SAME_AT;
	for (const [at, group] of groups.entries()) {
		const likeness = dots[at]! / group.members.length;
		if (likeness <= most) continue;
		if (group.extent >= 0 && statement.extent >= 0 && group.extent !== statement.extent) continue;
		if (isFarApart(group, statement)) continue;
		// one sentence never gives the same figure twice: "20 cm wider and 30 cm deep"
		if (group.members.some(({ fact }) => fact === statement.fact)) continue;
		if (!group.members.every(({ ref }) => rules.mayMeet(ref, statement.ref))) continue;
		[best, most] = [group, likeness];
	}
	return best;
}

function add(group: Gathering, statement: Statement): void {
	group.members.push(statement);
	if (statement.extent >= 0) group.extent = statement.extent;
	const size = Math.abs(statement.high);
	group.least = Math.min(group.least, size);
	group.most = Math.max(group.most, size);
}

/** The same words with a figure many times as large speak of something else. */
function isFarApart({ least, most }: Gathering, { high }: Statement): boolean {
	const size = Math.abs(high);
	const ratio = Math.max(most, size) / Math.max(1e-9, Math.min(least, size));
	return ratio > MOST_APART && Math.max(most, size) - Math.min(least, size) > 1e-9;
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

function groupOf(group: readonly Statement[]): FactGroup {
	const units = new Map<string, number>();
	for (const { quantity } of group) units.set(quantity.unit, (units.get(quantity.unit) ?? 0) + 1);
	const unit = [...units].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]![0];
	const of = (value: number, own: string) => (own === unit ? value : inUnit(value, own, unit));
	const values = group
		.map(({ fact, quantity, at, ref }): FactValue => {
			const [low, high] = [of(quantity.value, quantity.unit), of(quantity.upTo, quantity.unit)];
			return {
				fact: fact.id,
				quantity: at,
				ref,
				source: fact.source,
				origin: fact.origin,
				low,
				high
			};
		})
		.sort((a, b) => a.low - b.low || a.high - b.high || (a.fact < b.fact ? -1 : 1));
	const sources = [...new Set(values.map(({ source }) => source))].sort();
	return {
		id: `figure:${group[0]!.fact.id}/${group[0]!.at}`,
		label: group.length > 1 ? labelOf(group) : '',
		dimension: group[0]!.dimension,
		unit,
		per: group[0]!.quantity.per,
		values,
		low: Math.min(...values.map(({ low }) => low)),
		high: Math.max(...values.map(({ high }) => high)),
		sources,
		agreement: sources.length < 2 ? 'alone' : agreementOf(group),
		isCount: group[0]!.quantity.kind === 'count',
		onlyNotes: values.every(({ origin }) => origin === 'note')
	};
}

function inUnit(value: number, from: string, to: string): number {
	if (to === '°F') return (toBase(value, from).value * 9) / 5 + 32;
	return toBase(value, from).value / toBase(1, to).value;
}

/**
 * Whether two sources cannot both be right, an "at least" being open upwards and an "up to"
 * downwards. Figures far apart contradict each other only when their sentences plainly speak of
 * the same thing: "9 a month for feed and bedding" and "12 a month", not the heights of two walls.
 */
function agreementOf(group: readonly Statement[]): FactGroup['agreement'] {
	const spans = group.map((statement) => {
		const { quantity, low, high } = statement;
		return {
			source: statement.fact.source,
			said: said(statement),
			low: quantity.hedge === 'most' ? -Infinity : low,
			high: quantity.hedge === 'least' ? Infinity : high
		};
	});
	let found: FactGroup['agreement'] = 'agrees';
	for (const [i, a] of spans.entries()) {
		for (const b of spans.slice(i + 1)) {
			if (a.source === b.source) continue;
			if (!isApart(a, b) && !isApart(b, a)) continue;
			if (isOfOneThing(a.said(), b.said())) return 'differs';
			found = 'mixed';
		}
	}
	return found;
}

/** Weights of the words a sentence has around a figure, and the sum of their squares. */
interface Said {
	readonly weights: ReadonlyMap<string, number>;
	readonly size: number;
}

/** What the sentence itself says around a figure, the heading and words of extent left out; read when asked for. */
function said({ stems, weights, inSentence }: Statement): () => Said {
	let known: Said | undefined;
	return () => {
		if (known) return known;
		const found = new Map<string, number>();
		let squares = 0;
		for (let i = 0; i < inSentence; i++) {
			if (EXTENT_STEMS.has(stems[i]!)) continue;
			found.set(stems[i]!, weights[i]!);
			squares += weights[i]! ** 2;
		}
		return (known = { weights: found, size: squares || 1 });
	};
}

interface Span {
	readonly low: number;
	readonly high: number;
}

/** Whether one span ends more than a tenth below the other's beginning. */
function isApart(under: Span, over: Span): boolean {
	return over.low - under.high > TOLERANCE * Math.abs(under.high);
}

function isOfOneThing(a: Said, b: Said): boolean {
	const length = Math.sqrt(a.size * b.size);
	let likeness = 0;
	let shared = 0;
	for (const [stem, weight] of a.weights) {
		const part = (weight * (b.weights.get(stem) ?? 0)) / length;
		likeness += part;
		if (part >= SHARED_AT) shared++;
	}
	return shared >= 2 || likeness >= PLAIN_AT;
}

/**
 * Up to three words that most of the sentences share, in the order of the first; before them what
 * a length measures. Words of terms name things; of the others those that everybody uses all day
 * ("come", "take", "keep") do not. Empty when nothing is left.
 */
function labelOf(group: readonly Statement[]): string {
	const spread = new Map<string, number>();
	const members = new Map<string, number>();
	for (const { stems, weights } of group) {
		stems.forEach((stem, i) => {
			if (weights[i] === 0) return;
			spread.set(stem, (spread.get(stem) ?? 0) + weights[i]!);
			members.set(stem, (members.get(stem) ?? 0) + 1);
		});
	}
	const [first] = group;
	const names = [...new Set(group.map(({ extent }) => extent))].filter((extent) => extent >= 0);
	const words = new Map<string, string>();
	const least = Math.max(2, group.length / 2);
	const ofTerms = new Set(
		group.flatMap(({ fact }) => fact.terms).flatMap((key) => key.split(/[ -]/))
	);
	for (const text of [first!.fact.heading, first!.fact.text]) {
		for (const { text: word } of wordsOfSentence(text)) {
			const stem = contentStemsOf(word)[0];
			if (stem === undefined || (members.get(stem) ?? 0) < least || words.has(stem)) continue;
			const plain = singularOf(plainWord(word));
			const isMeasure =
				unitOf(plain) !== undefined || EXTENTS.some(([, extent]) => extent.test(plain));
			if (isStopWord(plain) || isMeasure || /ly$/.test(plain)) continue;
			if (ofTerms.has(plain) || everydayRateOfForm(plain) < TOO_COMMON) words.set(stem, plain);
		}
	}
	const order = [...words.keys()];
	const said = [...words]
		.sort((a, b) => spread.get(b[0])! - spread.get(a[0])! || (a[0] < b[0] ? -1 : 1))
		.slice(0, 3)
		.sort((a, b) => order.indexOf(a[0]) - order.indexOf(b[0]))
		.map(([, word]) => word)
		.join(', ');
	if (names.length !== 1) return said;
	const extent = EXTENTS[names[0]!]![0];
	return said === '' ? extent : `${extent}: ${said}`;
}
