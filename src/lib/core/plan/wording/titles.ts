import type { Brief } from '../../brief';
import type { Findings } from '../../findings';
import { andList, fitsResult } from '../../text';
import { type Plan, type PlanSection, topicsOf } from '../outline';
import { objectOf, sentenceCase } from './phrases';
import { subjectOf } from './own-headings';

/** Titles to choose from, the best first. */
export interface TitleOptions {
	/** For the article. */
	readonly titles: readonly string[];
	/** For the results page: those that fit there, the keyword cut to fit when none does. */
	readonly titleTags: readonly string[];
	readonly descriptions: readonly string[];
}

/** Several titles, title tags and descriptions, made from what the sections treat. */
export function titleOptionsOf(findings: Findings, sections: readonly PlanSection[]): TitleOptions {
	const keyword = sentenceCase(findings.keyword);
	const subjectsOf = (...intents: PlanSection['intent'][]) => [
		...new Set(
			sections
				.filter(({ intent, level }) => level === 2 && intents.includes(intent))
				.flatMap((section) =>
					topicsOf(section, findings).flatMap((topic) => subjectOf(topic, findings)?.phrase ?? [])
				)
				.map((phrase) => phrase.toLowerCase())
		)
	];
	const subjects = subjectsOf('steps', 'plain');
	// "from footings to cope": only what is done one after the other leads from one to the other
	const done = subjectsOf('steps');
	const [first, last] = done.length > 2 ? [done[0], done.at(-1)] : [];
	const has = (intent: PlanSection['intent']) =>
		sections.some((section) => section.intent === intent);
	const steps = sections.filter(({ intent, level }) => level === 2 && intent === 'steps').length;
	const isHowTo = /^how to /i.test(findings.keyword);
	const list =
		subjects.length > 1
			? andList(subjects.slice(0, 3))
			: (subjects[0] ?? objectOf(findings.keyword));
	const what = [
		...(has('need') ? ['what it takes'] : []),
		...(has('cost') ? ['what it costs'] : []),
		...(has('mistakes') ? ['what goes wrong'] : [])
	];
	const titles = [
		...(first && last && first !== last ? [`${keyword}, from ${first} to ${last}`] : []),
		...(subjects.length > 1 ? [`${keyword}: ${list}`] : []),
		...(what.length > 1 ? [`${keyword}: ${andList(what)}`] : []),
		...(isHowTo && steps >= 3 ? [`${keyword} in ${steps} steps`] : []),
		`${keyword}, explained in order`
	];
	const short = [...titles, keyword].filter((title) => fitsResult(title, 'title'));
	const ends = ['with figures from the site and answers to what people ask.', 'step after step.'];
	return {
		titles,
		titleTags: short.length > 0 ? short : [keyword.slice(0, 60)],
		descriptions: [
			`${keyword}: ${list}, ${ends[0]}`,
			...(what.length > 0 ? [`${keyword}: ${what.join(', ')}, and how it is done.`] : []),
			...(isHowTo ? [`${keyword}: ${list}, ${ends[1]}`] : [])
		].map((text) => text.slice(0, 156))
	};
}

/** The titles a plan is proposed with. */
export function titlesFor(
	findings: Findings,
	sections: readonly PlanSection[]
): Pick<Plan, 'title' | 'titleTag' | 'description' | 'slug'> {
	const { titles, titleTags, descriptions } = titleOptionsOf(findings, sections);
	return {
		title: titles[0]!,
		titleTag: titleTags[0]!,
		description: descriptions[0]!,
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
