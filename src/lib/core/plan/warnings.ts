import { EFFORT_RULES } from '../brief';
import type { Findings } from '../findings';
import { fitsResult, termKeyOf } from '../text';
import {
	fitToTarget,
	tidyLevels,
	plannedWords,
	type Plan,
	type PlanSection,
	topicsOf
} from './outline';
import {
	containsTerm,
	headingChecker,
	levelIssue,
	plainOf,
	titleOptionsOf,
	headingsFor
} from './wording';
import { PLACE_LIMITS } from './placement';
import { keywordHeadings } from './propose';

/** A change that puts a warning right. */
export interface PlanRemedy {
	/** What it does, as a button says it. */
	readonly label: string;
	readonly change: (plan: Plan) => Plan;
}

/** Something about the plan the writer may want to change. */
export interface PlanWarning {
	/** Stays the same for as long as the cause does; dismissals are kept under it. */
	readonly id: string;
	/** Section it is about, or null for the whole plan. */
	readonly section: string | null;
	readonly text: string;
	readonly remedy: PlanRemedy | null;
}

/** Bounds of the warnings, as data. */
const LIMITS = {
	/** Part by which the budgets may miss the target. */
	tolerance: 0.1,
	/** Part of the words by which the query is to be answered. */
	answeredBy: 0.35,
	/** Words of an opening that can answer it. */
	answerWords: 40,
	/** Words of a section from which it is to hold a term. */
	emptyFrom: 100,
	/** Words for one placed use from which a section carries too few. */
	mostWordsPerUse: 120,
	overload: 1.15
} as const;

/** What is questionable about a plan, the whole first, then in order of the sections; set aside ones too. */
export function warningsOf(plan: Plan, findings: Findings): PlanWarning[] {
	return [...aboutPlan(plan, findings), ...aboutSections(plan, findings)];
}

/** Warnings that were not set aside. */
export function openWarnings(plan: Plan, warnings: readonly PlanWarning[]): PlanWarning[] {
	return warnings.filter(({ id }) => plan.dismissed[id] === undefined);
}

function aboutPlan(plan: Plan, findings: Findings): PlanWarning[] {
	const warnings: PlanWarning[] = [];
	const add = (id: string, text: string, remedy: PlanRemedy | null = null) =>
		warnings.push({ id, section: null, text, remedy });
	const { keyword, targetWords } = findings;
	const options = titleOptionsOf(findings, plan.sections);
	if (!containsTerm(plan.title, keyword))
		add('title', `The title does not hold “${keyword}”.`, {
			label: `Use “${options.titles[0]!}”`,
			change: (now) => ({ ...now, title: options.titles[0]! })
		});
	if (!containsTerm(plan.titleTag, keyword) || !fitsResult(plan.titleTag, 'title'))
		add(
			'title-tag',
			containsTerm(plan.titleTag, keyword)
				? 'The title tag is too wide for a results page.'
				: `The title tag does not hold “${keyword}”.`,
			{
				label: `Use “${options.titleTags[0]!}”`,
				change: (now) => ({ ...now, titleTag: options.titleTags[0]! })
			}
		);
	const h2s = plan.sections.filter(({ level }) => level === 2);
	if (
		EFFORT_RULES[findings.effort].keywordPlaces.includes('h2') &&
		!h2s.some(({ heading }) => containsTerm(heading, keyword))
	) {
		const largest = h2s
			.filter(({ kind, locked }) => !locked && !['faq', 'closing', 'takeaways'].includes(kind))
			.sort((a, b) => b.budget - a.budget)[0];
		const heading = largest && keywordHeadings(keyword, largest, true)[0]!;
		add(
			'h2',
			`No H2 holds “${keyword}”.`,
			largest && heading
				? { label: `Call it “${heading}”`, change: renamed(largest.id, heading) }
				: null
		);
	}
	const words = plannedWords(plan.sections);
	if (Math.abs(words - targetWords) > LIMITS.tolerance * targetWords)
		add('words', `The budgets come to ${words} words, not ${targetWords}.`, {
			label: `Fit them to ${targetWords}`,
			change: (now) => ({ ...now, sections: fitToTarget(now.sections, targetWords) })
		});
	const opening = plan.sections[0];
	if (opening && !answersEarly(plan, keyword))
		add('answer', 'The query is not answered early: the opening has no room for it.', {
			label: 'Give the opening 80 words',
			change: changed(opening.id, { budget: 80 })
		});
	return warnings;
}

/** Whether something that can answer the query stands near the top. */
function answersEarly({ sections }: Plan, keyword: string): boolean {
	const all = plannedWords(sections);
	let before = 0;
	for (const { level, kind, heading, budget } of sections) {
		if (before > LIMITS.answeredBy * all) return false;
		if (level === 1 && budget >= LIMITS.answerWords) return true;
		if (kind === 'takeaways' || kind === 'definition') return true;
		if (level > 1 && containsTerm(heading, keyword)) return true;
		before += budget;
	}
	return false;
}

function aboutSections(plan: Plan, findings: Findings): PlanWarning[] {
	const check = headingChecker(findings);
	const warnings: PlanWarning[] = [];
	const seen: string[] = [];
	const taken = new Set(plan.sections.map(({ heading }) => plainOf(heading)));
	plan.sections.forEach((section, at) => {
		const { id, heading, budget, terms, kind, level } = section;
		const add = (what: string, text: string, remedy: PlanRemedy | null = null) =>
			warnings.push({ id: `${what}:${id}:${plainOf(heading)}`, section: id, text, remedy });
		if (level > 1) {
			for (const issue of check(heading, seen)) {
				const other = otherHeading(section, findings, taken);
				add(
					issue.kind,
					issue.text,
					other ? { label: `Call it “${other}”`, change: renamed(id, other) } : null
				);
			}
			seen.push(heading);
			const skipped = levelIssue(plan.sections, at);
			if (skipped)
				add('level', skipped.text, {
					label: `Make it an H${plan.sections[at - 1]!.level + 1}`,
					change: (now) => ({ ...now, sections: tidyLevels(now.sections) })
				});
		}
		const uses = terms.reduce((sum, placement) => sum + placement.uses, 0);
		const name = level === 1 ? 'The opening' : `“${heading}”`;
		if (uses * PLACE_LIMITS.wordsPerUse > budget * LIMITS.overload && uses > 1) {
			const wanted = Math.ceil((uses * PLACE_LIMITS.wordsPerUse) / 10) * 10;
			add('crowded', `${name} carries ${uses} uses in ${budget} words: too many.`, {
				label: `Give it ${wanted} words`,
				change: changed(id, { budget: wanted })
			});
		}
		if (isUnfed(section, findings))
			add(
				'unfed',
				`Nothing in your notes feeds ${name === 'The opening' ? 'the opening' : name}. ${toFindOut(section, findings)}`
			);
		const isMadeOfTerms = !['faq', 'closing', 'takeaways', 'question'].includes(kind);
		if (isMadeOfTerms && budget >= LIMITS.emptyFrom && uses * LIMITS.mostWordsPerUse < budget)
			add(
				'thin',
				uses === 0
					? `${name} has ${budget} words and no term.`
					: `${name} has ${budget} words and ${uses === 1 ? 'one use' : `${uses} uses`} of terms: is it about the keyword?`
			);
	});
	return warnings;
}

/** Whether the writer has notes and none of them says anything of a section. */
function isUnfed({ kind, level, notes, facts, questions }: PlanSection, findings: Findings) {
	if (findings.notePassages.length === 0 || level === 1) return false;
	if (['faq', 'closing', 'takeaways'].includes(kind) || notes.length > 0) return false;
	const fromNotes = new Set(
		findings.facts.flatMap(({ id, origin }) => (origin === 'note' ? [id] : []))
	);
	const noteIds = new Set(findings.notePassages.map(({ source }) => source));
	const isAnswered = questions.some(({ question }) =>
		findings.questions.some(
			({ id, answers }) => id === question && answers.some(({ source }) => noteIds.has(source))
		)
	);
	return !isAnswered && !facts.some(({ fact }) => fromNotes.has(fact));
}

/** What would feed a section: what is asked there, what pages give figures of, what it speaks of. */
function toFindOut(section: PlanSection, findings: Findings): string {
	const asked = findings.questions.find(({ id }) => id === section.questions[0]?.question);
	if (asked) return `Find out: ${asked.text}`;
	const facts = new Set(section.facts.map(({ fact }) => fact));
	const figure = findings.figures.find(
		({ label, values }) => label !== '' && values.some(({ fact }) => facts.has(fact))
	);
	if (figure) return `Pages give figures of ${figure.label}: find one of your own.`;
	return 'Ask somebody who knows, or take the section out.';
}

/** Another heading for a section, when its topic gives one. */
function otherHeading(
	section: PlanSection,
	findings: Findings,
	taken: ReadonlySet<string>
): string | null {
	const topic = topicsOf(section, findings)[0];
	if (!topic || section.locked) return null;
	const heading = headingsFor(topic, findings, taken)[0];
	return heading && termKeyOf(heading) !== termKeyOf(section.heading) ? heading : null;
}

function changed(id: string, values: Partial<PlanSection>): (plan: Plan) => Plan {
	return (plan) => ({
		...plan,
		sections: plan.sections.map((section) =>
			section.id === id ? { ...section, ...values } : section
		)
	});
}

const renamed = (id: string, heading: string) => changed(id, { heading });
