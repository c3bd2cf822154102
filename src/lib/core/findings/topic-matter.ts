import type { FactGroup } from './facts';
import type { Findings } from './findings';
import { questionFit } from './question-matter';
import type { Topic } from './topics';

/** What the evidence holds on one topic. */
export interface TopicMatter {
	/** Keys of the terms its sections lean on, strongest first. */
	readonly terms: readonly string[];
	/** Ids of the questions that ask about it, those asked or answered in its sections first. */
	readonly questions: readonly string[];
	/** Figures given in its sections. */
	readonly figures: readonly FactGroup[];
}

const TERMS_SHOWN = 8;

/** Part of a question that the topic must treat for the question to be its own. */
const ASKS_AT = 0.5;

/** Terms, questions and figures of the sections of a topic, on any page that has it. */
export function topicMatterOf(topic: Topic, findings: Findings): TopicMatter {
	const sections = new Set(topic.headings.map(({ page, section }) => `${page} ${section}`));
	const isIn = (source: string, section: number) => sections.has(`${source} ${section}`);
	const terms = findings.terms
		.map(({ key, uses, score }) => {
			const inside = uses.reduce(
				(sum, use) =>
					sum + use.sections.reduce((n, [s, count]) => n + (isIn(use.page, s) ? count : 0), 0),
				0
			);
			const all = uses.reduce((sum, { count }) => sum + count, 0);
			const on = uses.filter((use) => use.sections.some(([s]) => isIn(use.page, s))).length;
			// a term is the topic's own when many of its uses are here, on several of its pages
			return { key, weight: all === 0 ? 0 : (inside / all) * on * Math.sqrt(score) };
		})
		.filter(({ weight }) => weight > 0)
		.sort((a, b) => b.weight - a.weight || (a.key < b.key ? -1 : 1))
		.slice(0, TERMS_SHOWN)
		.map(({ key }) => key);
	const fitOf = questionFit(findings);
	const place = { headings: topic.headings.map(({ text }) => text), intent: topic.intent };
	const questions = findings.questions
		.map((question) => {
			const { askedAt, answers } = question;
			const isHere =
				askedAt.some(({ source, section }) => isIn(source, section)) ||
				answers.some(({ source, section }) => isIn(source, section));
			return { id: question.id, isHere, fit: fitOf(question, place) };
		})
		.filter(({ fit }) => fit >= ASKS_AT)
		.sort((a, b) => Number(b.isHere) - Number(a.isHere) || b.fit - a.fit)
		.map(({ id }) => id);
	const here = new Set(
		findings.facts.filter(({ source, section }) => isIn(source, section)).map(({ id }) => id)
	);
	const figures = findings.figures.filter(({ values }) =>
		values.some(({ fact }) => here.has(fact))
	);
	return { terms, questions, figures };
}
