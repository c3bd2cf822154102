import { EFFORT_RULES, type Brief, type SectionKind } from '../brief';
import type { Findings, Topic } from '../findings';
import type { HabitId, TopicIntent } from '../reading';
import type { Intent } from '../keywords';
import { contentStemsOf } from '../text';
import {
	withBudgets,
	PLAN_LIMITS,
	type Plan,
	type PlanBasis,
	type PlanSection,
	headingRefsOf,
	joinedTopic,
	mattersOf,
	OWN_AT,
	type Matter
} from './outline';
import {
	containsTerm,
	objectOf,
	plainOf,
	quietCase,
	sentenceCase,
	withArticle,
	titlesFor,
	canBeNamed,
	headingFor,
	pageHeadingsOf,
	subjectOf
} from './wording';
import { placeMaterial, chooseQuestions, placeQuestions, placeTerms } from './placement';

/** What the brief asks of an outline. */
export type Wishes = Pick<Brief, 'form' | 'callToAction' | 'intent'> &
	Partial<Pick<Brief, 'sections' | 'questions'>>;
export const NO_WISHES: Wishes = { form: null, callToAction: '', intent: null };

/** What a brief asks of an outline. */
export function wishesOf({ form, callToAction, intent, sections, questions }: Brief): Wishes {
	return { form, callToAction, intent, sections, questions };
}

/**
 * Proposes a whole plan from the evidence: topics chosen by how many pages treat them, in
 * their usual order, with budgets that sum to the target, headings of our own, and terms,
 * questions, facts and notes in their places. Same findings and wishes, same plan.
 */
export function proposePlan(findings: Findings, wishes: Wishes = NO_WISHES): Plan {
	const matters = chooseMatters(findings, wishes);
	const questions = chooseQuestions(findings);
	const outline = withBudgets(
		outlineOf(matters, findings, {
			wishes,
			hasQuestions: questions.length > 0 && wishes.questions !== 0
		}),
		findings
	);
	const inFaq = wishes.questions ?? (wishes.form === 'answer' ? FAQ_OF_ANSWER : undefined);
	const placed = placeTerms(findings, placeQuestions(outline, findings, questions, inFaq));
	const sections = asTheirMaterial(placeMaterial(placed.sections, findings), findings);
	return {
		...titlesFor(findings, sections),
		...placed,
		sections,
		confined: {},
		dismissed: {},
		basis: basisOf(findings)
	};
}

/** Questions under an article that is one answer. */
const FAQ_OF_ANSWER = 3;

/** Steps and rows from which they make their section what it is. */
const LEAST_STEPS = 3;
const LEAST_ROWS = 3;

/** Sections that are steps or a comparison because a procedure or a table of the notes stands in them. */
function asTheirMaterial(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const formOf = new Map(findings.notePassages.map(({ id, whole }) => [id, whole?.form]));
	return sections.map((section) => {
		const count = (form: 'steps' | 'table') =>
			section.notes.filter(({ note }) => formOf.get(note) === form).length;
		if (section.kind !== 'explanation' && section.kind !== 'list') return section;
		if (count('steps') >= LEAST_STEPS) return { ...section, kind: 'steps' };
		return section.kind === 'explanation' && count('table') >= LEAST_ROWS
			? { ...section, kind: 'comparison' }
			: section;
	});
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

/** What the article treats, in the order in which pages do. */
function chooseMatters(findings: Findings, { form, intent, sections }: Wishes): Matter[] {
	const { wordsPerSection, mostSections, topicShare } = EFFORT_RULES[findings.effort];
	const room = Math.round(
		(findings.targetWords *
			(1 - PLAN_LIMITS.openingShare - PLAN_LIMITS.faqShare - PLAN_LIMITS.closingShare)) /
			wordsPerSection
	);
	const ofNotes = new Set(findings.notePassages.flatMap(({ heading }) => contentStemsOf(heading)));
	const isLookedFor = (topic: Topic) => {
		const heading = headingFor(topic, findings, new Set());
		if (/\s/.test(heading)) return true;
		// a bare word names what its pages speak of when one calls it so, or most of their headings say it
		const stems = contentStemsOf(heading);
		const says = ({ text }: { readonly text: string }) =>
			contentStemsOf(text).some((stem) => stems.includes(stem));
		if (topic.pages.length > 1)
			return (
				topic.headings.some(({ text }) => plainOf(text) === plainOf(heading)) ||
				topic.headings.filter(says).length * 2 > topic.headings.length
			);
		// one from a single page is looked for only where the notes have a heading for it
		return stems.some((stem) => ofNotes.has(stem));
	};
	// an answer is no guide: it keeps to what most pages say
	const share = form === 'answer' ? 0.5 : 1;
	return mattersOf(findings, {
		most:
			sections ??
			Math.max(PLAN_LIMITS.leastSections, Math.min(mostSections, Math.round(share * room))),
		leastShare: topicShare,
		canLead: (topic) => canBeNamed(topic, findings) && isLookedFor(topic),
		worth: (topic) =>
			(topic.level === 2 ? 1 : 0.85) *
			(intent !== null && SOUGHT[intent].includes(topic.intent) ? SOUGHT_BY : 1) *
			(subjectOf(topic, findings) ? 1.15 : 1)
	});
}

/** The sections of an outline as they come, each under a heading that no other has. */
class OutlineSections {
	readonly #findings: Findings;
	readonly #wishes: Wishes;
	readonly #taken = new Set<string>();
	readonly sections: PlanSection[] = [];

	constructor(findings: Findings, wishes: Wishes) {
		this.#findings = findings;
		this.#wishes = wishes;
	}

	/** Adds a section that no page's topic gives. */
	add(
		heading: string,
		kind: SectionKind,
		position: number | null,
		level: PlanSection['level'] = 2
	): void {
		this.#push({ heading, kind, position, level, topics: [], headings: [], intent: 'plain' });
	}

	addMatter({ topics, same, bundle }: Matter, level: 2 | 3): void {
		const findings = this.#findings;
		const topic = joinedTopic(topics.slice(0, 1 + same));
		if (!topic) {
			const heading = ownHeading(bundle?.heading ?? '', findings, this.#taken);
			this.add(heading, 'explanation', OWN_AT, level);
			return;
		}
		this.#push({
			level,
			heading: headingFor(topic, findings, this.#taken),
			kind: kindOf(topic, this.#wishes),
			topics: topics.map(({ id }) => id),
			headings: headingRefsOf(topics),
			intent: topic.intent,
			position: topic.position
		});
	}

	#push(
		from: Pick<
			PlanSection,
			'level' | 'heading' | 'kind' | 'topics' | 'headings' | 'intent' | 'position'
		>
	): void {
		this.#taken.add(plainOf(from.heading));
		this.sections.push({
			...from,
			id: `section:${this.sections.length + 1}`,
			budget: 0,
			terms: [],
			questions: [],
			facts: [],
			notes: [],
			refused: [],
			locked: false
		});
	}
}

function outlineOf(
	matters: readonly Matter[],
	findings: Findings,
	{ wishes, hasQuestions }: { readonly wishes: Wishes; readonly hasQuestions: boolean }
): PlanSection[] {
	const outline = new OutlineSections(findings, wishes);
	outline.add('Opening', 'opening', 0, 1);
	if (wishes.form === 'list') outline.add('The list at a glance', 'takeaways', 0.05);
	else if (shareOf(findings, 'facts-first') >= PLAN_LIMITS.takeawaysAt)
		outline.add('The main points', 'takeaways', 0.05);
	if (wishes.form === 'comparison') outline.add('Side by side', 'comparison', 0.06);
	const leads = new Set(matters.map(({ topics }) => topics[0]?.id));
	// the entries of a list stand beside one another
	const isInside = ({ topics: [lead] }: Matter) =>
		wishes.form !== 'list' && lead !== undefined && lead.parent !== null && leads.has(lead.parent);
	for (const matter of matters) {
		if (isInside(matter)) continue;
		outline.addMatter(matter, 2);
		const lead = matter.topics[0]?.id;
		for (const inner of matters)
			if (isInside(inner) && inner.topics[0]!.parent === lead) outline.addMatter(inner, 3);
	}
	if (hasQuestions) outline.add('Questions and answers', 'faq', 0.95);
	const callsToAct = wishes.callToAction.trim() !== '';
	if (callsToAct || wishes.form !== 'answer')
		outline.add(callsToAct ? 'What to do next' : 'Where to start', 'closing', 1);
	return withKeywordHeading(outline.sections, findings);
}

/** A heading of the notes as it can stand over a section. */
function ownHeading(heading: string, findings: Findings, taken: ReadonlySet<string>): string {
	const said = quietCase(sentenceCase(heading.replace(/[.:!–—-]+$/, '')), findings);
	return taken.has(plainOf(said)) ? `${said}, from the notes` : said;
}

/** Share of pages with a habit, 0–1. */
function shareOf({ habits, pages }: Findings, id: HabitId): number {
	const on = habits.find((habit) => habit.id === id)?.pages.length ?? 0;
	return on / Math.max(1, pages.length);
}

function kindOf(topic: Topic, { form }: Wishes): SectionKind {
	if (form === 'comparison' && topic.intent === 'choice') return 'comparison';
	if (form === 'list' && topic.formats.list >= 0.2) return 'list';
	if (topic.intent === 'need') return 'list';
	if (topic.intent === 'definition') return 'definition';
	if (topic.formats.steps >= 0.34) return 'steps';
	if (topic.formats.table >= 0.34) return 'comparison';
	if (topic.formats.list >= 0.5) return 'list';
	return 'explanation';
}

/** The exact keyword stands in one H2: where a heading says it already, over the steps, or over what people ask. */
function withKeywordHeading(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	if (sections.some(({ level, heading }) => level === 2 && containsTerm(heading, findings.keyword)))
		return [...sections];
	const theirs = pageHeadingsOf(findings);
	const isCourse = ({ level, topics }: PlanSection) =>
		level === 2 &&
		findings.topics.some(
			({ id, headings }) =>
				id === topics[0] &&
				headings.filter(({ text }) => COURSE.test(text)).length * 2 >= headings.length
		);
	const isHowTo = /^how to /i.test(findings.keyword);
	// only where it reads as English: over the whole course of a how-to, else over what people ask
	const chosen =
		(isHowTo ? sections.find(isCourse) : undefined) ??
		sections.find(({ kind }) => kind === 'faq') ??
		sections.find(({ level, kind }) => level === 2 && kind !== 'closing');
	if (!chosen) return [...sections];
	const wordings =
		chosen.kind === 'faq'
			? [`${sentenceCase(findings.keyword)}: questions people ask`]
			: keywordHeadings(
					findings.keyword,
					isCourse(chosen) ? { ...chosen, intent: 'steps' } : chosen
				);
	const heading = wordings.find((wording) => !theirs.has(plainOf(wording))) ?? wordings.at(-1)!;
	return sections.map((section) => (section === chosen ? { ...section, heading } : section));
}

/** How headings name the whole course of what is done. */
const COURSE = /\bstep by step\b|\b(?:all )?the steps\b|\bin \w+ steps\b/i;

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
