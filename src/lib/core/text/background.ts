import { BACKGROUND } from './background-data';
import { verbFormsOf } from './inflect';

/*
 * How common a word is in everyday English, as the natural logarithm of its count per
 * million words. The list holds lemma counts of a sense-tagged corpus of about 230,000
 * open-class words (see NOTICE); a word that is missing there is taken to be as rare as
 * half a count.
 */
const CORPUS_WORDS = 230_000;

let counts: Map<string, number> | undefined;

function load(): Map<string, number> {
	if (counts) return counts;
	counts = new Map();
	// "3:able,about|2:…": words grouped by count
	for (const group of BACKGROUND.split('|')) {
		const colon = group.indexOf(':');
		const count = Number(group.slice(0, colon));
		for (const word of group.slice(colon + 1).split(',')) counts.set(word, count);
	}
	return counts;
}

/** Expected uses of a singular plain word in one million words of everyday English; never 0. */
export function everydayRateOf(word: string): number {
	const count = load().get(word) ?? 0.5;
	return (count / CORPUS_WORDS) * 1_000_000;
}

/** Whether the list of everyday English knows a singular plain word. */
export function isEverydayWord(word: string): boolean {
	return load().has(word);
}

/** From this rate on, the forms of a word are told as the word itself: "took" as "take". */
const COMMON = 300;
let forms: Map<string, number> | undefined;

/** Like `everydayRateOf`, a form of a common word counted as the word itself. */
export function everydayRateOfForm(word: string): number {
	if (!forms) {
		forms = new Map();
		for (const base of load().keys()) {
			const rate = everydayRateOf(base);
			if (rate < COMMON) continue;
			for (const form of verbFormsOf(base)) forms.set(form, Math.max(rate, forms.get(form) ?? 0));
		}
	}
	return Math.max(everydayRateOf(word), forms.get(word) ?? 0);
}
