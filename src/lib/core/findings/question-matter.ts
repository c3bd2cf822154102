import { contentStemsOf, keywordStemsOf } from '../text';
import type { Findings } from './findings';
import { purposesOf, type TopicIntent } from '../reading';
import type { Question } from './questions';

/** A topic or a section, as far as questions are concerned. */
export interface QuestionPlace {
	/** Its headings: that of a section, those of a topic. */
	readonly headings: readonly string[];
	readonly intent: TopicIntent;
}

type Asked = Pick<Question, 'text' | 'kind'>;

/** Stems that questions of every matter share: "how long", "how much". */
const ASKING: ReadonlySet<string> = new Set(contentStemsOf('long much many often need work'));

/** What a purpose that question and place share is worth beside shared words. */
const SAME_PURPOSE = 0.5;

/**
 * Tells how much of what a question asks a place treats: the share of the question's words that
 * stand in the headings of the place, 0–1, and half as much again where both are about the cost
 * or about the time, or where a definition is asked for and given. The keyword's words and those of any question say nothing; words that stand
 * in many headings and questions ("run" in articles about running) say little.
 */
export function questionFit(
	findings: Pick<Findings, 'keyword' | 'topics' | 'questions'>
): (question: Asked, place: QuestionPlace) => number {
	const common = keywordStemsOf(findings.keyword);
	const isMatter = (stem: string) => !common.has(stem) && !ASKING.has(stem);
	const spread = new Map<string, number>();
	const count = (texts: readonly string[]) => {
		for (const stem of new Set(texts.flatMap(contentStemsOf)))
			spread.set(stem, (spread.get(stem) ?? 0) + 1);
	};
	for (const { headings } of findings.topics) count(headings.map(({ text }) => text));
	for (const { text } of findings.questions) count([text]);
	const all = findings.topics.length + findings.questions.length;
	const weightOf = (stem: string) => {
		const on = spread.get(stem) ?? 1;
		return Math.min(1, Math.log((1 + all) / on) / Math.log(Math.max(2, all / FEW)));
	};
	const stems = new Map<string, readonly string[]>();
	const stemsOf = (text: string) => {
		let found = stems.get(text);
		if (!found) stems.set(text, (found = contentStemsOf(text).filter(isMatter)));
		return found;
	};
	return ({ text, kind }, { headings, intent }) => {
		const treated = new Set(headings.flatMap(stemsOf));
		let [shared, asked] = [0, 0];
		for (const stem of new Set(stemsOf(text))) {
			const weight = weightOf(stem);
			asked += weight;
			if (treated.has(stem)) shared += weight;
		}
		const isOfPurpose =
			(kind === 'cost' && intent === 'cost') ||
			(kind === 'time' && intent === 'time' && purposesOf(text).includes('time'));
		// "How does it work?" asks of the thing itself, and that is what a definition tells
		const isOfThing =
			asked === 0 &&
			intent === 'definition' &&
			purposesOf(text).some((one) => one === 'definition' || one === 'workings');
		return shared / Math.max(1, asked) + (isOfPurpose || isOfThing ? SAME_PURPOSE : 0);
	};
}

/** Topics and questions among which a word may stand and still say all it can. */
const FEW = 4;
