import {
	headProposalsOf,
	makeArticle,
	NO_DELIVERY_CHOICES,
	stepsOf,
	takeawaysOf,
	type DeliveredArticle
} from '$lib/core/deliver';
import type { Findings } from '$lib/core/findings';
import { heading, list, textNode, type BlockNode, type TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import type { Page } from '$lib/data/db';

/** Titles, descriptions, headlines and lines under them as lists to choose from, made of a take. */
export function headLinesOf(
	doc: TakeDoc,
	plan: Plan,
	findings: Findings,
	pages: readonly Pick<Page, 'id' | 'article'>[]
): BlockNode[] {
	const article = articleOf(doc, plan, findings);
	const { titleTags, descriptions, headlines, standfirsts } = headProposalsOf(article, {
		findings,
		plan,
		steps: stepsOf(article.blocks, plan),
		pages: pages.map(({ id, article: { titleTag, title } }) => ({ id, title: titleTag || title }))
	});
	const group = (name: string, lines: readonly string[]): BlockNode[] =>
		lines.length === 0
			? []
			: [
					heading(3, name),
					list(
						false,
						lines.map((line) => [textNode(line)])
					)
				];
	return [
		...group(
			'Titles',
			titleTags.map(({ text }) => text)
		),
		...group(
			'Descriptions',
			descriptions.map(({ text }) => text)
		),
		...group('Headlines', headlines),
		...group('Lines under the headline', standfirsts)
	];
}

/** Sentences of a take that say most, one of a section at most. */
export function takeawaysIn(doc: TakeDoc, plan: Plan, findings: Findings): string[] {
	return takeawaysOf(articleOf(doc, plan, findings).blocks, findings.keyword);
}

function articleOf(doc: TakeDoc, plan: Plan, findings: Findings): DeliveredArticle {
	return makeArticle(doc, {
		head: {
			title: plan.title,
			titleTag: plan.titleTag,
			description: plan.description,
			slug: plan.slug,
			keyword: findings.keyword,
			language: 'en',
			author: '',
			publisher: '',
			publishedOn: '',
			changedOn: '',
			address: ''
		},
		choices: NO_DELIVERY_CHOICES,
		takeaways: [],
		references: { references: [], places: new Map() },
		remarks: [],
		furtherReading: [],
		pictures: new Map()
	});
}
