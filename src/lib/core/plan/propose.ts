import { EFFORT_RULES, type Brief } from '../brief';
import { purposesOf, type Findings, type Question, type Topic } from '../findings';
import { contentStemsOf, fitsResult } from '../text';
import {
	plannedWords,
	type FactPlacement,
	type Plan,
	type PlanSection,
	type SectionKind
} from './outline';
import { placeTerms } from './place';
import { headingFor, pageHeadingsOf, objectOf, plainOf, sentenceCase, subjectOf } from './wording';

/** Proportions of an outline, as data. */
export const PLAN_LIMITS = {
	leastSections: 3,
	openingShare: 0.07,
	faqShare: 0.13,
	closingShare: 0.05,
	leastBudget: 50,
	questionsPerSection: 2,
	factsPerSection: 4
} as const;

/**
 * Proposes a whole plan from the evidence: topics chosen by how many pages treat them, in
 * their usual order, with budgets that sum to the target, headings of our own, and terms,
 * questions and facts in their places. Same findings, same plan.
 */
export function proposePlan(findings: Findings): Plan {
	const topics = chooseTopics(findings);
	const questions = chooseQuestions(findings);
	const outline = withBudgets(outlineOf(topics, findings, questions.length > 0), findings);
	const withQuestions = placeQuestions(outline, findings, questions);
	const placed = placeTerms(findings, withQuestions);
	const sections = placeFacts(placed.sections, findings);
	return { ...titlesFor(findings, sections), ...placed, sections };
}

/** Places again what is not locked, and keeps the outline as the writer left it. */
export function placeRest(plan: Plan, findings: Findings): Plan {
	const cleared = plan.sections.map((section) =>
		section.locked ? section : { ...section, questions: [], facts: [] }
	);
	const asked = new Set(
		plan.sections
			.filter(({ locked }) => locked)
			.flatMap(({ questions }) => questions.map(({ question }) => question))
	);
	const questions = chooseQuestions(findings).filter(({ id }) => !asked.has(id));
	const placed = placeTerms(findings, placeQuestions(cleared, findings, questions));
	return { ...plan, ...placed, sections: placeFacts(placed.sections, findings) };
}

function chooseTopics(findings: Findings): Topic[] {
	const pageCount = Math.max(1, findings.pages.length);
	const { wordsPerSection, mostSections, topicShare } = EFFORT_RULES[findings.effort];
	const room = Math.round(
		(findings.targetWords *
			(1 - PLAN_LIMITS.openingShare - PLAN_LIMITS.faqShare - PLAN_LIMITS.closingShare)) /
			wordsPerSection
	);
	const most = Math.max(PLAN_LIMITS.leastSections, Math.min(mostSections, room));
	const least = Math.max(pageCount <= 3 ? 1 : 2, Math.ceil(topicShare * pageCount));
	const value = (topic: Topic) =>
		(topic.pages.length / pageCount) *
		Math.log(20 + topic.words) *
		(topic.level === 2 ? 1 : 0.85) *
		(subjectOf(topic, findings) ? 1.15 : 1);
	const chosen = findings.topics
		.filter((topic) => topic.pages.length >= least)
		.sort((a, b) => value(b) - value(a) || (a.id < b.id ? -1 : 1))
		.slice(0, most);
	return findings.topics.filter((topic) => chosen.includes(topic));
}

function outlineOf(topics: readonly Topic[], findings: Findings, hasFaq: boolean): PlanSection[] {
	const taken = new Set<string>();
	let count = 0;
	const make = (
		from: Pick<PlanSection, 'level' | 'heading' | 'kind' | 'topics' | 'intent' | 'position'>
	): PlanSection => {
		taken.add(plainOf(from.heading));
		return {
			...from,
			id: `section:${++count}`,
			budget: 0,
			terms: [],
			questions: [],
			facts: [],
			locked: false
		};
	};
	const sections = [
		make({
			level: 1,
			heading: 'Opening',
			kind: 'opening',
			topics: [],
			intent: 'plain',
			position: 0
		})
	];
	const ids = new Set(topics.map(({ id }) => id));
	const fromTopic = (topic: Topic, level: 2 | 3) =>
		make({
			level,
			heading: headingFor(topic, findings, taken),
			kind: kindOf(topic),
			topics: [topic.id],
			intent: topic.intent,
			position: topic.position
		});
	for (const topic of topics) {
		if (topic.parent !== null && ids.has(topic.parent)) continue;
		sections.push(fromTopic(topic, 2));
		for (const child of topics) if (child.parent === topic.id) sections.push(fromTopic(child, 3));
	}
	const end = { level: 2 as const, topics: [], intent: 'plain' as const, position: null };
	if (hasFaq)
		sections.push(make({ ...end, heading: 'Questions and answers', kind: 'faq', position: 0.95 }));
	sections.push(make({ ...end, heading: 'Where to start', kind: 'closing', position: 1 }));
	return withKeywordHeading(sections, findings);
}

function kindOf(topic: Topic): SectionKind {
	if (topic.intent === 'need') return 'list';
	if (topic.intent === 'definition') return 'definition';
	if (topic.formats.steps >= 0.34) return 'steps';
	if (topic.formats.table >= 0.34) return 'comparison';
	if (topic.formats.list >= 0.5) return 'list';
	return 'explanation';
}

/** The exact keyword stands in one H2: that of the largest section of steps, else of the first. */
function withKeywordHeading(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const words = new Map(findings.topics.map(({ id, words }) => [id, words]));
	const candidates = sections.filter(
		({ level, kind }) => level === 2 && kind !== 'faq' && kind !== 'closing'
	);
	const size = (section: PlanSection) =>
		section.topics.reduce((sum, id) => sum + (words.get(id) ?? 0), 0) *
		(section.intent === 'steps' ? 3 : section.intent === 'definition' ? 2 : 1);
	const chosen = [...candidates].sort((a, b) => size(b) - size(a))[0];
	if (!chosen) return [...sections];
	const keyword = sentenceCase(findings.keyword);
	const theirs = pageHeadingsOf(findings);
	const wordings = /^how to /i.test(keyword)
		? [
				`${keyword}, step by step`,
				`${keyword}, one step after another`,
				`${keyword}: the steps in order`
			]
		: [`${keyword} in practice`, `${keyword} at work`, `${keyword}, piece by piece`];
	const heading = wordings.find((wording) => !theirs.has(plainOf(wording))) ?? wordings.at(-1)!;
	return sections.map((section) => (section === chosen ? { ...section, heading } : section));
}

/** Budgets from what pages spend on each topic, scaled to the target in steps of five words. */
function withBudgets(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const target = findings.targetWords;
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const spends = sections.map((section, at) => {
		if (section.kind === 'opening') return PLAN_LIMITS.openingShare * target;
		if (section.kind === 'faq') return PLAN_LIMITS.faqShare * target;
		if (section.kind === 'closing') return PLAN_LIMITS.closingShare * target;
		const words = section.topics.reduce((sum, id) => sum + (topics.get(id)?.words ?? 0), 0);
		let inside = 0;
		for (let i = at + 1; i < sections.length && sections[i]!.level > section.level; i++) {
			inside += sections[i]!.topics.reduce((sum, id) => sum + (topics.get(id)?.words ?? 0), 0);
		}
		// long pages would drown the rest; the square root keeps order and narrows the span
		return -Math.sqrt(Math.max(40, words - 0.7 * inside));
	});
	const fixed = spends.reduce((sum, n) => sum + Math.max(0, n), 0);
	const open = spends.reduce((sum, n) => sum + Math.max(0, -n), 0);
	const exact = spends.map((n) => (n >= 0 ? n : open === 0 ? 0 : (-n / open) * (target - fixed)));
	const budgets = exact.map((n) => Math.max(PLAN_LIMITS.leastBudget, Math.round(n / 5) * 5));
	return fitToTarget(
		sections.map((section, i) => ({ ...section, budget: budgets[i]! })),
		target
	);
}

/** Spreads the difference to the target over the unlocked sections, largest first. */
export function fitToTarget(sections: readonly PlanSection[], target: number): PlanSection[] {
	const fitted = sections.map((section) => ({ ...section }));
	const open = fitted.filter(({ locked }) => !locked).sort((a, b) => b.budget - a.budget);
	let difference = target - plannedWords(fitted);
	const step = Math.sign(difference);
	for (let i = 0; difference !== 0 && open.length > 0 && i < 100_000; i++) {
		const section = open[i % open.length]!;
		if (step < 0 && section.budget <= 10) continue;
		const by = Math.min(5, Math.abs(difference)) * step;
		section.budget += by;
		difference -= by;
	}
	return fitted;
}

function chooseQuestions(findings: Findings): Question[] {
	return findings.questions
		.filter(({ pages, lists }) => pages.length + lists.length >= 1)
		.filter(({ text }) => contentStemsOf(text).length >= 2)
		.slice(0, 24);
}

/** Stems that questions of every matter share: "how long", "how much". */
const ASKING = new Set(contentStemsOf('long much many often need'));

/** Questions go to the section whose heading or topic holds their words, the rest to the FAQ while it has room. */
function placeQuestions(
	sections: readonly PlanSection[],
	findings: Findings,
	questions: readonly Question[]
): PlanSection[] {
	const { questionsInFaq } = EFFORT_RULES[findings.effort];
	const common = new Set(contentStemsOf(findings.keyword));
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const stems = sections.map((section) => {
		const texts = [
			section.heading,
			...section.topics.flatMap((id) => topics.get(id)?.headings.map(({ text }) => text) ?? [])
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

/** Facts go to the section that holds most of their terms; notes come before pages. */
function placeFacts(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const stems = sections.map(({ heading }) => new Set(contentStemsOf(heading)));
	const wanted = sections.map(({ terms }) => new Set(terms.map(({ term }) => term)));
	const found: { s: number; fact: FactPlacement; value: number }[] = [];
	for (const fact of findings.facts) {
		const said = contentStemsOf(`${fact.heading} ${fact.text}`);
		let best = { s: -1, value: 1.4 };
		sections.forEach((section, s) => {
			if (section.locked || section.kind === 'closing' || section.kind === 'faq') return;
			const held = fact.terms.filter((term) => wanted[s]!.has(term)).length;
			const shared = said.filter((stem) => stems[s]!.has(stem)).length;
			const value = held + 0.6 * Math.min(3, shared) + (fact.origin === 'note' ? 0.5 : 0);
			if (value > best.value) best = { s, value };
		});
		if (best.s >= 0) {
			const who = fact.origin === 'note' ? 'Your notes say it' : 'A page says it';
			const reason = `${who}, and it speaks of what stands here.`;
			found.push({ s: best.s, fact: { fact: fact.id, reason }, value: best.value });
		}
	}
	found.sort((a, b) => b.value - a.value || (a.fact.fact < b.fact.fact ? -1 : 1));
	return sections.map((section, s) =>
		section.locked
			? section
			: {
					...section,
					facts: found
						.filter((entry) => entry.s === s)
						.slice(0, PLAN_LIMITS.factsPerSection)
						.map(({ fact }) => fact)
				}
	);
}

function titlesFor(
	findings: Findings,
	sections: readonly PlanSection[]
): Pick<Plan, 'title' | 'titleTag' | 'description' | 'slug'> {
	const keyword = sentenceCase(findings.keyword);
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const subjects = sections
		.filter(({ intent, level }) => level === 2 && (intent === 'steps' || intent === 'plain'))
		.flatMap(({ topics: ids }) =>
			ids.flatMap((id) => subjectOf(topics.get(id)!, findings)?.phrase ?? [])
		)
		.map((phrase) => phrase.toLowerCase());
	const first = subjects[0];
	const last = subjects.at(-1);
	const tail = first && last && first !== last ? `from ${first} to ${last}` : 'explained in order';
	const between = [...new Set(subjects)].slice(0, 4);
	const list =
		between.length > 1
			? `${between.slice(0, -1).join(', ')} and ${between.at(-1)}`
			: (between[0] ?? objectOf(findings.keyword));
	return {
		title: `${keyword}, ${tail}`,
		titleTag: keyword.length + tail.length <= 58 ? `${keyword}, ${tail}` : keyword.slice(0, 60),
		description:
			`${keyword}: ${list}, with figures from the site and answers to what people ask.`.slice(
				0,
				156
			),
		slug: slugOf(findings.keyword)
	};
}

/**
 * A proposed plan under the titles the brief has agreed. The title tag takes the working title
 * only where it fits a results page.
 */
export function withBriefTitles(
	plan: Plan,
	{ workingTitle, description }: Pick<Brief, 'workingTitle' | 'description'>
): Plan {
	const title = workingTitle.trim();
	const said = description.trim();
	return {
		...plan,
		title: title || plan.title,
		titleTag: title !== '' && fitsResult(title, 'title') ? title : plan.titleTag,
		description: said || plan.description
	};
}

/** Lower-case words joined by hyphens; accents are taken off. */
export function slugOf(text: string): string {
	return text
		.normalize('NFKD')
		.replace(/\p{M}/gu, '')
		.toLowerCase()
		.replace(/['’]/g, '')
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');
}
