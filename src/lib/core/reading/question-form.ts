import { stemOf } from '../text';

/** What a question is after; the FAQ and the plan treat kinds alike. */
export const QUESTION_KINDS = [
	'what',
	'how',
	'why',
	'cost',
	'time',
	'which',
	'can',
	'where',
	'other'
] as const;

export type QuestionKind = (typeof QUESTION_KINDS)[number];

/** Words that carry a question without saying what it is about, as stems. */
export const QUESTION_CARRIERS: ReadonlySet<string> = new Set(
	'need want get use make put do take have work good possible happen suitable any best much many long often way idea should must part whole lot'
		.split(' ')
		.map(stemOf)
);

/** Whether a plain word only asks: "how", "which". */
export function isQuestionWord(plain: string): boolean {
	return /^(?:who|what|when|where|why|which|how)$/.test(plain);
}

const OPENS =
	/^(?:who|what|when|where|why|which|how|can|could|do|does|did|is|are|was|were|should|will|would|may|must|has|have|am)\b/i;

/** Whether a line asks something: it ends with a question mark, or opens like a question and is short. */
export function isQuestion(line: string): boolean {
	const plain = line.trim();
	if (plain === '' || plain.length > 200) return false;
	if (/\?["”’)]*$/.test(plain)) return true;
	return /^(?:can|could|do|does|did|is|are|should|will|would|may|must)\s+(?:i|you|we|it|a|an|the|there|dry|my)\b/i.test(
		plain
	);
}

/** Words that lead up to a question in speech: "So, well, when do you prune?" */
const LEADS = /^(?:(?:so|and|but|well|now|okay|ok|then|oh|um|er|right|yes|no)\b[,.\s]*)+/i;

/**
 * The question that a sentence or list entry asks, without what leads up to it; null when it asks
 * nothing of its own, as "Right?" and "Why bother?" do not.
 */
export function spokenQuestionIn(sentence: string): string | null {
	const plain = sentence.trim().replace(LEADS, '');
	const words = plain.split(/\s+/).length;
	if (!/\?["”’)]*$/.test(plain) || !OPENS.test(plain) || words < 4 || words > 20) return null;
	return plain[0]!.toUpperCase() + plain.slice(1);
}

/** What only somebody who is present can answer: "which seed do you recommend", "what did you do", "your dog". */
const TO_SOMEBODY =
	/\b(?:(?:do|did|have|would) you (?:ever |really |usually )?(?:recommend|reckon|think|mean|say|suggest|see|hear|find|like|remember|had|have last|get asked)|did you|you (?:recommend|reckon|mean|said|like)|tell (?:me|us)|(?:want|let|for) (?:me|us)|last (?:week|month|year)|this (?:morning|week))\b/i;

/** Whether a reader may ask it: a whole question, and not one put to the person in the room. */
export function isReadersQuestion(question: string): boolean {
	const plain = question.trim().replace(LEADS, '');
	return OPENS.test(plain) && plain.split(/\s+/).length >= 4 && !TO_SOMEBODY.test(plain);
}

/** "How deep", "how noisy": a measure or degree, not a way. */
const DEGREE =
	/^how (?!do|does|did|to|can|could|should|shall|will|would|is|are|was|were|has|have|about|come|i\b|you\b|we\b)(?:much |many )?(\p{L}+)/iu;

/** What a question of degree measures: "deep" in "how deep", "weeks" in "how many weeks"; null for others. */
export function measuredIn(question: string): string | null {
	return DEGREE.exec(question.trim())?.[1]?.toLowerCase() ?? null;
}

/** The kind of a question, by its opening words. */
export function questionKindOf(question: string): QuestionKind {
	const plain = question.trim().toLowerCase();
	if (
		/\bcosts?\b|\bprice|\bhow (?:expensive|cheap)\b|\bhow much (?:is|does|do|should i pay|would)\b/.test(
			plain
		)
	)
		return 'cost';
	if (/^(?:how long|when|how quickly|how often|how soon)\b|\bhow long\b/.test(plain)) return 'time';
	if (/^(?:how)\b/.test(plain)) return 'how';
	if (/^why\b/.test(plain)) return 'why';
	if (/^which\b|^what (?:kind|sort|type|is the best)\b/.test(plain)) return 'which';
	if (/^what\b|^who\b/.test(plain)) return 'what';
	if (/^where\b/.test(plain)) return 'where';
	return OPENS.test(plain) ? 'can' : 'other';
}
