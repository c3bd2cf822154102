import slugify from '@sindresorhus/slugify';
import type { Brief } from '../../brief';
import type { Findings } from '../../findings';
import { andList, contentStemsOf, countWords, fitsResult, keywordStemsOf } from '../../text';
import { type Plan, type PlanSection, topicsOf } from '../outline';
import { deedOf, sentenceCase } from './phrases';
import { subjectOf } from './subject';

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
	const isHowTo = /^how to /i.test(findings.keyword);
	const names = namesIn(findings, sections);
	const has = (intent: PlanSection['intent']) =>
		sections.some((section) => section.intent === intent);
	const what = [
		...(has('need') ? ['what it takes'] : []),
		...(has('choice') && !/choos|which|best/i.test(findings.keyword) ? ['which to choose'] : []),
		...(has('cost') ? ['what it costs'] : []),
		...(has('time') ? ['how long it takes'] : []),
		...(has('mistakes') ? ['what goes wrong'] : [])
	];
	const done = sections.filter(({ intent, level }) => level === 2 && intent === 'steps');
	const hasSteps = sections.some(({ kind }) => kind === 'steps');
	// "from trench to cope": only what is done one after the other leads from one to the other
	const ofSteps = namesIn(findings, done);
	const [first, last] = done.length > 2 ? [ofSteps[0], ofSteps.at(-1)] : [];
	const titles = [
		...(isHowTo && first && last && first !== last ? [`${keyword}, from ${first} to ${last}`] : []),
		...(names.length > 1 ? [`${keyword}: ${andList(names.slice(0, 3))}`] : []),
		...(what.length > 1 ? [`${keyword}: ${andList(what.slice(0, 3))}`] : []),
		...(isHowTo && hasSteps ? [`${keyword}, step by step`] : []),
		`${keyword}: the answers in one place`,
		`${keyword}, explained in order`
	];
	const short = [...titles, keyword].filter((title) => fitsResult(title, 'title'));
	const asked = sections.some(({ kind }) => kind === 'faq');
	return {
		titles,
		titleTags: short.length > 0 ? short : [keyword.slice(0, 60)],
		descriptions: [
			described(keyword, names, asked ? ' With answers to what people ask.' : ''),
			...(what.length > 0 ? [described(keyword, what, ' In the order you need it.')] : []),
			...(isHowTo ? [described(keyword, names, ' Step after step.')] : [])
		]
	};
}

const MOST_DESCRIBED = 156;

/** A keyword with what follows, as many of the names as find room, and an ending where it fits. */
function described(keyword: string, names: readonly string[], ending: string): string {
	for (let count = Math.min(6, names.length); count > 0; count--) {
		const said = `${keyword}: ${andList(names.slice(0, count))}.`;
		if (said.length + ending.length <= MOST_DESCRIBED) return said + ending;
		if (said.length <= MOST_DESCRIBED && count <= 3) return said;
	}
	return `${keyword}.${ending}`.slice(0, MOST_DESCRIBED);
}

/** Headings of one to three words that name a thing, as they stand in a sentence, in order. */
function namesIn(findings: Findings, sections: readonly PlanSection[]): string[] {
	const common = keywordStemsOf(findings.keyword);
	const names = sections
		.filter(({ level, kind }) => level === 2 && !['faq', 'closing', 'takeaways'].includes(kind))
		.flatMap((section) => {
			const { heading } = section;
			const isPlain =
				countWords(heading) <= 4 &&
				// "Make the broth" is no thing
				!/^\p{L}+ (?:the|an?|your|our) /iu.test(heading) &&
				!/[?:,!]|^(?:what|how|which|where|when|why|is|are|do|does|can|should)\b/i.test(heading);
			const said =
				isPlain && deedOf(heading) === null
					? heading
					: (topicsOf(section, findings)
							.slice(0, 1)
							.flatMap((topic) => subjectOf(topic, findings)?.phrase ?? [])[0] ?? '');
			return said === '' || contentStemsOf(said).every((stem) => common.has(stem))
				? []
				: [asName(said)];
		});
	// a name inside another says nothing more
	return names.filter(
		(name, i) =>
			!names.some((other, j) => j !== i && other.includes(name) && (other !== name || j < i))
	);
}

/** With a small letter unless it is written in capitals or is a name. */
function asName(text: string): string {
	return /^\p{Lu}(?:\p{Lu}|\d)/u.test(text) ? text : text[0]!.toLowerCase() + text.slice(1);
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

/** Lower-case words joined by hyphens; letters of other scripts are written in Latin ones where that is usual. */
export function slugOf(text: string): string {
	return slugify(text, { decamelize: false });
}
