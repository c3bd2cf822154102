import { isStopWord, plainWord, stemOf, wordsOf } from '../../text';
import {
	isQuestionWord,
	QUESTION_CARRIERS,
	purposesBeside,
	purposesOf,
	measuredIn,
	questionKindOf,
	type QuestionKind
} from '../../reading';

/** What a question asks, ready to be compared. */
export interface QuestionSense {
	readonly kind: QuestionKind | 'degree' | 'how often' | 'how long';
	/** Stems and matters with their weights. */
	readonly parts: ReadonlyMap<string, number>;
	/** What a question of degree measures: "deep" in "how deep"; null for others. */
	readonly measured: string | null;
}

/** Weight of a stem, 0–1: low for what every page says. */
export type StemWeight = (stem: string) => number;

/** Share of what two questions ask that they must have in common. Set on the labelled subjects. */
const SAME_AT = 0.58;

/** Matters whose words stand for one another: "price" and "cost", "eat" and "feed". */
const MATTERS = new Set(['cost', 'food', 'sound', 'lifespan', 'health', 'season', 'rules']);

/**
 * The sense of a question: its stems, in which words for one matter are one, with weights. Words
 * that only carry a question weigh little, and so do those that all pages use.
 *
 * @param weightOf weight of a stem that the keyword or every page shares, 0–1
 * @param keywordStems stems of the keyword; they stand for no matter ("season a pan")
 */
export function senseOf(
	question: string,
	weightOf: StemWeight,
	keywordStems: ReadonlySet<string>
): QuestionSense {
	const parts = new Map<string, number>();
	const put = (part: string, weight: number) =>
		parts.set(part, Math.max(weight, parts.get(part) ?? 0));
	let measuredPart: string | null = null;
	const measured = measuredIn(question);
	for (const { text } of wordsOf(question)) {
		const plain = plainWord(text);
		if (/^\d/.test(plain)) continue;
		if (isStopWord(plain) || isQuestionWord(plain)) continue;
		const matter = purposesBeside(plain, keywordStems).find((purpose) => MATTERS.has(purpose));
		if (matter) {
			if (plain === measured) measuredPart = `@${matter}`;
			put(`@${matter}`, 1);
			continue;
		}
		const stem = stemOf(plain);
		if (plain === measured) measuredPart = stem;
		// "how many weeks" and "how many days" ask different things
		put(stem, plain === measured ? 1 : QUESTION_CARRIERS.has(stem) ? 0.3 : weightOf(stem));
	}
	if (purposesOf(question).includes('lifespan')) put('@lifespan', 1);
	return {
		kind: finerKindOf(question, measured),
		parts,
		measured: measuredPart
	};
}

/** The kind of a question; those of degree and of time are told apart by what they measure. */
function finerKindOf(question: string, measured: string | null): QuestionSense['kind'] {
	const kind = questionKindOf(question);
	if (kind === 'how' && measured !== null) return 'degree';
	if (kind !== 'time' || measured === null) return kind;
	return /^(?:often|frequently|regularly)$/.test(measured) ? 'how often' : 'how long';
}

/** Whether two questions ask the same. */
export function isSameQuestion(a: QuestionSense, b: QuestionSense): boolean {
	if (!isKindred(a.kind, b.kind)) return false;
	// "how deep are they" is not "are they needed"
	for (const [one, other] of [
		[a, b],
		[b, a]
	] as const)
		if (one.kind === 'degree' && one.measured !== null && !other.parts.has(one.measured))
			return false;
	let shared = 0;
	let all = 0;
	for (const [part, weight] of a.parts) {
		const other = b.parts.get(part);
		all += Math.max(weight, other ?? 0);
		if (other !== undefined) shared += Math.min(weight, other);
	}
	for (const [part, weight] of b.parts) if (!a.parts.has(part)) all += weight;
	return all > 0 && shared / all >= SAME_AT;
}

/** "How noisy are hens?" asks what "Are hens noisy?" asks; "How do I" is not "Can I". */
function isKindred(a: QuestionSense['kind'], b: QuestionSense['kind']): boolean {
	if (a === b || a === 'other' || b === 'other') return true;
	const pair = [a, b].sort().join(' ');
	return ['how what', 'how which', 'what which', 'can degree'].includes(pair);
}
