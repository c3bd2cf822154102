import { leastPagesOf } from '../findings';
import { EFFORT_RULES, type Brief, type SectionKind } from '../brief';
import type { Findings, Topic } from '../findings';
import type { HabitId, TopicIntent } from '../reading';
import type { Intent } from '../keywords';
import {
	withBudgets,
	PLAN_LIMITS,
	type Plan,
	type PlanBasis,
	type PlanSection,
	headingRefsOf,
	topicsOf
} from './outline';
import {
	containsTerm,
	objectOf,
	plainOf,
	sentenceCase,
	withArticle,
	titlesFor,
	headingFor,
	pageHeadingsOf,
	subjectOf
} from './wording';
import { placeMaterial, chooseQuestions, placeQuestions, placeTerms } from './placement';

/** What the brief asks of an outline. */
export type Wishes = Pick<Brief, 'form' | 'callToAction' | 'intent'>;
export const NO_WISHES: Wishes = { form: null, callToAction: '', intent: null };

/**
 * Proposes a whole plan from the evidence: topics chosen by how many pages treat them, in
 * their usual order, with budgets that sum to the target, headings of our own, and terms,
 * questions, facts and notes in their places. Same findings and wishes, same plan.
 */
export function proposePlan(findings: Findings, wishes: Wishes = NO_WISHES): Plan {
	const topics = chooseTopics(findings, wishes);
	const questions = chooseQuestions(findings);
	const outline = withBudgets(
		outlineOf(topics, findings, { wishes, hasQuestions: questions.length > 0 }),
		findings
	);
	const placed = placeTerms(findings, placeQuestions(outline, findings, questions));
	const sections = placeMaterial(placed.sections, findings);
	return {
		...titlesFor(findings, sections),
		...placed,
		sections,
		confined: {},
		dismissed: {},
		basis: basisOf(findings)
	};
}

/** Names of what the evidence holds now. */
export function basisOf(findings: Findings): PlanBasis {
	return {
		terms: findings.terms.map(({ key }) => key),
		headings: headingRefsOf(findings.topics),
		questions: findings.questions.map(({ id }) => id)
	};
}

/** Places again what is not locked, and keeps the outline as the writer left it. */
export function placeRest(plan: Plan, findings: Findings): Plan {
	const cleared = plan.sections.map((section) =>
		section.locked
			? section
			: {
					...section,
					questions: section.questions.filter(({ locked }) => locked),
					facts: section.facts.filter(({ locked }) => locked),
					notes: section.notes.filter(({ locked }) => locked)
				}
	);
	const asked = new Set(
		cleared.flatMap(({ questions }) => questions.map(({ question }) => question))
	);
	const questions = chooseQuestions(findings).filter(({ id }) => !asked.has(id));
	const placed = placeTerms(findings, placeQuestions(cleared, findings, questions), plan.confined);
	return {
		...plan,
		...placed,
		sections: placeMaterial(placed.sections, findings),
		basis: basisOf(findings)
	};
}

/** Topics that readers of an intent look for before others, and by how much. */
const SOUGHT: Readonly<Record<Intent, readonly TopicIntent[]>> = {
	informational: ['definition', 'steps', 'need', 'mistakes', 'time', 'reasons'],
	commercial: ['choice', 'cost', 'reasons', 'mistakes'],
	transactional: ['cost', 'choice', 'need', 'rules'],
	navigational: []
};
const SOUGHT_BY = 1.15;

function chooseTopics(findings: Findings, { form, intent }: Wishes): Topic[] {
	const pageCount = Math.max(1, findings.pages.length);
	const { wordsPerSection, mostSections, topicShare } = EFFORT_RULES[findings.effort];
	const room = Math.round(
		(findings.targetWords *
			(1 - PLAN_LIMITS.openingShare - PLAN_LIMITS.faqShare - PLAN_LIMITS.closingShare)) /
			wordsPerSection
	);
	// an answer is no guide: it keeps to what most pages say
	const share = form === 'answer' ? 0.5 : 1;
	const most = Math.max(
		PLAN_LIMITS.leastSections,
		Math.min(mostSections, Math.round(share * room))
	);
	const least = leastPagesOf(pageCount, topicShare);
	const value = (topic: Topic) =>
		(topic.pages.length / pageCount) *
		Math.log(20 + topic.words) *
		(topic.level === 2 ? 1 : 0.85) *
		(intent !== null && SOUGHT[intent].includes(topic.intent) ? SOUGHT_BY : 1) *
		(subjectOf(topic, findings) ? 1.15 : 1);
	const chosen = findings.topics
		.filter((topic) => topic.pages.length >= least)
		.sort((a, b) => value(b) - value(a) || (a.id < b.id ? -1 : 1))
		.slice(0, most);
	return findings.topics.filter((topic) => chosen.includes(topic));
}

function outlineOf(
	topics: readonly Topic[],
	findings: Findings,
	{ wishes, hasQuestions }: { readonly wishes: Wishes; readonly hasQuestions: boolean }
): PlanSection[] {
	const taken = new Set<string>();
	let count = 0;
	const make = (
		from: Pick<
			PlanSection,
			'level' | 'heading' | 'kind' | 'topics' | 'headings' | 'intent' | 'position'
		>
	): PlanSection => {
		taken.add(plainOf(from.heading));
		return {
			...from,
			id: `section:${++count}`,
			budget: 0,
			terms: [],
			questions: [],
			facts: [],
			notes: [],
			refused: [],
			locked: false
		};
	};
	const sections = [
		make({
			level: 1,
			heading: 'Opening',
			kind: 'opening',
			topics: [],
			headings: [],
			intent: 'plain',
			position: 0
		})
	];
	const ids = new Set(topics.map(({ id }) => id));
	const fromTopic = (topic: Topic, level: 2 | 3) =>
		make({
			level,
			heading: headingFor(topic, findings, taken),
			kind: kindOf(topic, wishes),
			topics: [topic.id],
			headings: headingRefsOf([topic]),
			intent: topic.intent,
			position: topic.position
		});
	const end = {
		level: 2 as const,
		topics: [],
		headings: [],
		intent: 'plain' as const,
		position: null
	};
	if (shareOf(findings, 'facts-first') >= PLAN_LIMITS.takeawaysAt)
		sections.push(make({ ...end, heading: 'The main points', kind: 'takeaways', position: 0.05 }));
	for (const topic of topics) {
		if (topic.parent !== null && ids.has(topic.parent)) continue;
		sections.push(fromTopic(topic, 2));
		for (const child of topics) if (child.parent === topic.id) sections.push(fromTopic(child, 3));
	}
	if (hasQuestions)
		sections.push(make({ ...end, heading: 'Questions and answers', kind: 'faq', position: 0.95 }));
	const callsToAct = wishes.callToAction.trim() !== '';
	if (callsToAct || wishes.form !== 'answer')
		sections.push(
			make({
				...end,
				heading: callsToAct ? 'What to do next' : 'Where to start',
				kind: 'closing',
				position: 1
			})
		);
	return withKeywordHeading(sections, findings);
}

/** Share of pages with a habit, 0–1. */
function shareOf({ habits, pages }: Findings, id: HabitId): number {
	const on = habits.find((habit) => habit.id === id)?.pages.length ?? 0;
	return on / Math.max(1, pages.length);
}

function kindOf(topic: Topic, { form }: Wishes): SectionKind {
	if (form === 'comparison' && topic.intent === 'choice') return 'comparison';
	if (topic.intent === 'need') return 'list';
	if (topic.intent === 'definition') return 'definition';
	if (topic.formats.steps >= 0.34) return 'steps';
	if (topic.formats.table >= 0.34) return 'comparison';
	if (topic.formats.list >= 0.5) return 'list';
	return 'explanation';
}

/** The exact keyword stands in one H2: where a heading asks for it, else that of the largest section of steps. */
function withKeywordHeading(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	if (sections.some(({ level, heading }) => level === 2 && containsTerm(heading, findings.keyword)))
		return [...sections];
	const words = new Map(findings.topics.map(({ id, words }) => [id, words]));
	const candidates = sections.filter(
		({ level, kind }) => level === 2 && !['faq', 'closing', 'takeaways'].includes(kind)
	);
	const size = (section: PlanSection) =>
		section.topics.reduce((sum, id) => sum + (words.get(id) ?? 0), 0) *
		(section.intent === 'steps' ? 3 : section.intent === 'definition' ? 2 : 1);
	const chosen = [...candidates].sort((a, b) => size(b) - size(a))[0];
	if (!chosen) return [...sections];
	const theirs = pageHeadingsOf(findings);
	const hasSubject = topicsOf(chosen, findings).some(
		(topic) => subjectOf(topic, findings) !== null
	);
	const wordings = keywordHeadings(findings.keyword, chosen, hasSubject);
	const heading = wordings.find((wording) => !theirs.has(plainOf(wording))) ?? wordings.at(-1)!;
	return sections.map((section) => (section === chosen ? { ...section, heading } : section));
}

/** Headings that hold the exact keyword for a section, the most natural first. */
export function keywordHeadings(
	keyword: string,
	{ intent, heading }: Pick<PlanSection, 'intent' | 'heading'>,
	/** Whether the section is about something besides the keyword. */
	hasSubject = false
): string[] {
	const plain = sentenceCase(keyword);
	const name = withArticle(objectOf(keyword));
	const about =
		heading.trim() === '' ? [] : [`${plain}: ${heading[0]!.toLowerCase()}${heading.slice(1)}`];
	if (/^how to /i.test(keyword))
		return [
			...(intent === 'steps' ? [`${plain}, step by step`] : about),
			`${plain}, one step after another`,
			`${plain}: the steps in order`
		];
	return [
		...(intent === 'choice' && !hasSubject ? [`Choosing ${name}`] : []),
		...(intent === 'definition' && !hasSubject ? [`What ${name} is`] : []),
		...(intent === 'reasons' && !hasSubject ? [`Reasons for ${name}`] : []),
		...about,
		`${plain} in practice`,
		`${plain}, piece by piece`
	];
}
