import type { FactGroup } from './fact-group';
import { type Statement, EXTENT_STEMS } from './statements';

/** What a word must add to the likeness of two contexts to count among those they share. */
const SHARED_AT = 0.07;

/** Likeness of contexts from which one shared word is enough for two figures to contradict each other. */
const PLAIN_AT = 0.65;

/** Part by which two statements may miss one another and still agree. */
const TOLERANCE = 0.1;

/**
 * Whether two sources cannot both be right, an "at least" being open upwards and an "up to"
 * downwards. Figures far apart contradict each other only when their sentences plainly speak of
 * the same thing: "9 a month for feed and bedding" and "12 a month", not the heights of two walls.
 */
export function agreementOf(group: readonly Statement[]): FactGroup['agreement'] {
	const spans = group.map((statement) => {
		const { quantity, low, high } = statement;
		return {
			source: statement.fact.source,
			wording: wordingOf(statement),
			low: quantity.hedge === 'most' ? -Infinity : low,
			high: quantity.hedge === 'least' ? Infinity : high
		};
	});
	let found: FactGroup['agreement'] = 'agrees';
	for (const [i, a] of spans.entries()) {
		for (const b of spans.slice(i + 1)) {
			if (a.source === b.source) continue;
			if (!isApart(a, b) && !isApart(b, a)) continue;
			if (isOfOneThing(a.wording(), b.wording())) return 'differs';
			found = 'mixed';
		}
	}
	return found;
}

/** Weights of the words a sentence has around a figure, and the sum of their squares. */
interface Wording {
	readonly weights: ReadonlyMap<string, number>;
	readonly size: number;
}

/** What the sentence itself says around a figure, the heading and words of extent left out; read when asked for. */
function wordingOf({ stems, weights, inSentence }: Statement): () => Wording {
	let known: Wording | undefined;
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

function isOfOneThing(a: Wording, b: Wording): boolean {
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
