import type { Article, FAQPage, HowTo, HowToStep, WithContext } from 'schema-dts';
import type { DeliveredArticle } from './article';
import type { DataKind } from './choices';
import type { Step } from './steps';

/** Room for a headline in results that show one. */
const HEADLINE_LETTERS = 110;
const LEAST_STEPS = 2;

/** What structured data needs beside the article. */
export interface DataInput {
	readonly kinds: readonly DataKind[];
	/** Steps of doing it; fewer than two: the article is no instruction. */
	readonly steps: readonly Step[];
	/** Absolute address of a picture, by its file. */
	readonly addressOf: (file: string) => string;
}

/**
 * Structured data of the article (schema.org, as JSON-LD), one object for each kind that was chosen and
 * that the article is: no questions give no FAQ, no steps no instruction.
 */
export function structuredDataOf(
	article: DeliveredArticle,
	{ kinds, steps, addressOf }: DataInput
): (WithContext<Article> | WithContext<FAQPage> | WithContext<HowTo>)[] {
	const { head, pictures, questions, words } = article;
	const image = pictures.map(({ file }) => addressOf(file));
	const about = {
		...(head.author === '' ? {} : { author: { '@type': 'Person' as const, name: head.author } }),
		...(head.publisher === ''
			? {}
			: { publisher: { '@type': 'Organization' as const, name: head.publisher } }),
		...(head.publishedOn === '' ? {} : { datePublished: head.publishedOn }),
		// what was changed before it was published was not changed since
		...(head.publishedOn === '' || head.changedOn <= head.publishedOn
			? {}
			: { dateModified: head.changedOn }),
		...(image.length === 0 ? {} : { image }),
		...(head.address === '' ? {} : { mainEntityOfPage: head.address })
	};
	const made: ReturnType<typeof structuredDataOf> = [];
	if (kinds.includes('article'))
		made.push({
			'@context': 'https://schema.org',
			'@type': 'Article',
			headline: shortened(head.title || head.titleTag, HEADLINE_LETTERS),
			description: head.description,
			inLanguage: head.language,
			keywords: head.keyword,
			wordCount: words,
			...about
		});
	if (kinds.includes('faq') && questions.length > 0)
		made.push({
			'@context': 'https://schema.org',
			'@type': 'FAQPage',
			mainEntity: questions.map(({ question, answer }) => ({
				'@type': 'Question',
				name: question,
				acceptedAnswer: { '@type': 'Answer', text: answer }
			}))
		});
	if (kinds.includes('howto') && steps.length >= LEAST_STEPS)
		made.push({
			'@context': 'https://schema.org',
			'@type': 'HowTo',
			name: head.title || head.titleTag,
			description: head.description,
			inLanguage: head.language,
			...(image.length === 0 ? {} : { image }),
			step: steps.map((step) => stepOf(step, head.address, addressOf))
		});
	return made;
}

function stepOf(
	{ name, text, id, picture }: Step,
	address: string,
	addressOf: (file: string) => string
): HowToStep {
	return {
		'@type': 'HowToStep',
		name,
		text,
		...(address === '' || id === '' ? {} : { url: `${address}#${id}` }),
		...(picture === '' ? {} : { image: addressOf(picture) })
	};
}

function shortened(text: string, most: number): string {
	if (text.length <= most) return text;
	const cut = text.slice(0, most - 1);
	return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), most / 2)).trimEnd()}…`;
}
