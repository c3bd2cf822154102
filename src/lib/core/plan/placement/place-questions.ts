import { EFFORT_RULES } from '../../brief';
import { questionFit, type Findings, type Question, type QuestionPlace } from '../../findings';
import { contentStemsOf } from '../../text';
import { PLAN_LIMITS, type PlanSection, topicsOf } from '../outline';

/** Questions that are worth a place, those asked most first. */
export function chooseQuestions(findings: Findings): Question[] {
	return findings.questions
		.filter(({ pages, lists }) => pages.length + lists.length >= 1)
		.filter(({ text }) => contentStemsOf(text).length >= 2)
		.slice(0, 24);
}

/** Questions go to the section whose heading or topic holds their words, the rest to the FAQ while it has room. */
export function placeQuestions(
	sections: readonly PlanSection[],
	findings: Findings,
	questions: readonly Question[]
): PlanSection[] {
	const { questionsInFaq } = EFFORT_RULES[findings.effort];
	const fitOf = questionFit(findings);
	const places = placesOf(sections, findings);
	const placed = sections.map((section) => ({ ...section, questions: [...section.questions] }));
	const faq = placed.findIndex(({ kind, locked }) => kind === 'faq' && !locked);
	for (const question of questions) {
		let best = -1;
		let most = 0.49;
		placed.forEach((section, s) => {
			if (
				section.locked ||
				section.kind === 'faq' ||
				section.kind === 'opening' ||
				section.kind === 'closing'
			)
				return;
			if (section.questions.length >= PLAN_LIMITS.questionsPerSection) return;
			const fit = fitOf(question, places[s]!);
			if (fit > most) [most, best] = [fit, s];
		});
		if (best >= 0) {
			placed[best]!.questions.push({
				question: question.id,
				reason: 'The section treats what it asks about.',
				locked: false
			});
		} else if (faq >= 0 && placed[faq]!.questions.length < questionsInFaq) {
			placed[faq]!.questions.push({
				question: question.id,
				reason: 'No section treats it, so it is answered among the questions.',
				locked: false
			});
		}
	}
	return placed;
}

function placesOf(sections: readonly PlanSection[], findings: Findings): QuestionPlace[] {
	return sections.map((section) => ({
		headings: [
			section.heading,
			...topicsOf(section, findings).flatMap(({ headings }) => headings.map(({ text }) => text))
		],
		intent: section.intent
	}));
}

/** How much of what a question asks each section treats, as when questions are placed. */
export function questionFits(
	question: Question,
	sections: readonly PlanSection[],
	findings: Findings
): number[] {
	const fitOf = questionFit(findings);
	return placesOf(sections, findings).map((place) => fitOf(question, place));
}
