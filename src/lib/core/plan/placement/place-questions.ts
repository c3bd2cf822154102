import { EFFORT_RULES } from '../../brief';
import {
	matterFit,
	questionFit,
	type Findings,
	type Question,
	type QuestionPlace
} from '../../findings';
import { contentStemsOf } from '../../text';
import { PLAN_LIMITS, type PlanSection, topicsOf } from '../outline';

/** Questions that are worth a place, those asked most first. */
export function chooseQuestions(findings: Findings): Question[] {
	return findings.questions
		.filter(({ pages, lists }) => pages.length + lists.length >= 1)
		.filter(({ text }) => contentStemsOf(text).length >= 2)
		.slice(0, PLAN_LIMITS.questions);
}

/** Questions go to the section whose heading or topic holds their words, the rest to the FAQ while it has room. */
export function placeQuestions(
	sections: readonly PlanSection[],
	findings: Findings,
	questions: readonly Question[],
	questionsInFaq: number = EFFORT_RULES[findings.effort].questionsInFaq
): PlanSection[] {
	const fitOf = sectionFit(sections, findings);
	const placed = sections.map((section) => ({ ...section, questions: [...section.questions] }));
	const faq = placed.findIndex(({ kind, locked }) => kind === 'faq' && !locked);
	const treats = placed.map(
		({ locked, kind }) =>
			!locked && kind !== 'faq' && kind !== 'opening' && kind !== 'closing' && kind !== 'takeaways'
	);
	// the surest first, so that no room is taken by what only touches a section
	const fits = questions
		.flatMap((question) =>
			placed.flatMap((_, s) => {
				const fit = treats[s] ? fitOf(question, s) : 0;
				return fit > TREATED_FROM ? [{ question, s, fit }] : [];
			})
		)
		.sort((x, y) => y.fit - x.fit);
	const home = new Map<Question, number>();
	const treated = new Set(
		fits.filter(({ fit }) => fit >= TREATED_WHOLLY).map(({ question }) => question)
	);
	const filled = placed.map((section) => section.questions.length);
	for (const { question, s } of fits) {
		if (home.has(question) || filled[s]! >= PLAN_LIMITS.questionsPerSection) continue;
		home.set(question, s);
		filled[s]!++;
	}
	for (const question of questions) {
		const s = home.get(question);
		if (s !== undefined) {
			placed[s]!.questions.push({
				question: question.id,
				reason: 'The section treats what it asks about.',
				locked: false
			});
		} else if (
			faq >= 0 &&
			placed[faq]!.questions.length < questionsInFaq &&
			!treated.has(question)
		) {
			placed[faq]!.questions.push({
				question: question.id,
				reason: 'No section treats it, so it is answered among the questions.',
				locked: false
			});
		}
	}
	return placed;
}

/** Fit from which a section answers a question whether it is placed there or not. */
const TREATED_WHOLLY = 0.9;

/** Fit from which a section treats what a question asks. */
const TREATED_FROM = 0.4;

/** What it is worth that pages write, under the section's headings, of what the answers say. */
const BY_ANSWERS = 1.5;

/**
 * How much of what a question asks each section treats: by the words of its headings, and by the text
 * that pages have under them, held against the question and its answers.
 */
function sectionFit(
	sections: readonly PlanSection[],
	findings: Findings
): (question: Question, section: number) => number {
	const fitOf = questionFit(findings);
	const places = sections.map((section) => {
		const topics = topicsOf(section, findings);
		const place: QuestionPlace = {
			headings: [
				section.heading,
				...topics.flatMap(({ headings }) => headings.map(({ text }) => text))
			],
			intent: section.intent
		};
		return { place, byText: matterFit(topics.map(({ matter }) => matter)) };
	});
	const stems = new Map<string, ReadonlySet<string>>();
	const stemsOf = ({ id, text, answers }: Question) => {
		let found = stems.get(id);
		if (!found) {
			const said = answers.slice(0, ANSWERS_HELD).map((answer) => answer.text);
			stems.set(id, (found = new Set([text, ...said].flatMap(contentStemsOf))));
		}
		return found;
	};
	return (question, s) => {
		const { place, byText } = places[s]!;
		return fitOf(question, place) + BY_ANSWERS * byText(stemsOf(question));
	};
}

/** Answers that say where a question belongs. */
const ANSWERS_HELD = 2;

/** How much of what a question asks each section treats, as when questions are placed. */
export function questionFits(
	question: Question,
	sections: readonly PlanSection[],
	findings: Findings
): number[] {
	const fitOf = sectionFit(sections, findings);
	return sections.map((_, s) => fitOf(question, s));
}
