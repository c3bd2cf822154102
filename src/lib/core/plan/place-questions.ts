import { EFFORT_RULES } from '../brief';
import { purposesOf, type Findings, type Question } from '../findings';
import { contentStemsOf } from '../text';
import { PLAN_LIMITS } from './limits';
import type { PlanSection } from './outline';
import { topicsOf } from './section-topics';

/** Questions that are worth a place, those asked most first. */
export function chooseQuestions(findings: Findings): Question[] {
	return findings.questions
		.filter(({ pages, lists }) => pages.length + lists.length >= 1)
		.filter(({ text }) => contentStemsOf(text).length >= 2)
		.slice(0, 24);
}

/** Stems that questions of every matter share: "how long", "how much". */
const ASKING = new Set(contentStemsOf('long much many often need'));

/** Questions go to the section whose heading or topic holds their words, the rest to the FAQ while it has room. */
export function placeQuestions(
	sections: readonly PlanSection[],
	findings: Findings,
	questions: readonly Question[]
): PlanSection[] {
	const { questionsInFaq } = EFFORT_RULES[findings.effort];
	const common = new Set(contentStemsOf(findings.keyword));
	const stems = sections.map((section) => {
		const texts = [
			section.heading,
			...topicsOf(section, findings).flatMap(({ headings }) => headings.map(({ text }) => text))
		];
		return new Set(texts.flatMap(contentStemsOf).filter((stem) => !common.has(stem)));
	});
	const placed = sections.map((section) => ({ ...section, questions: [...section.questions] }));
	const faq = placed.findIndex(({ kind, locked }) => kind === 'faq' && !locked);
	for (const { id, text, kind } of questions) {
		const asked = contentStemsOf(text).filter((stem) => !common.has(stem) && !ASKING.has(stem));
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
			const shared = asked.filter((stem) => stems[s]!.has(stem)).length / Math.max(1, asked.length);
			const purpose =
				(kind === 'cost' && section.intent === 'cost') ||
				(kind === 'time' && section.intent === 'time' && purposesOf(text).includes('time'))
					? 0.5
					: 0;
			if (shared + purpose > most) {
				most = shared + purpose;
				best = s;
			}
		});
		if (best >= 0) {
			placed[best]!.questions.push({
				question: id,
				reason: 'The section treats what it asks about.'
			});
		} else if (faq >= 0 && placed[faq]!.questions.length < questionsInFaq) {
			placed[faq]!.questions.push({
				question: id,
				reason: 'No section treats it, so it is answered among the questions.'
			});
		}
	}
	return placed;
}
