import { z } from 'zod';
import type { HtmlTree } from '../html-tree';
import { parseHtml, rawTextOf, stringOf, tidyText } from '../html-tree';
import { dateIn } from './page-credits';

/** What a page says about itself outside its text. Unknown values are empty. */
export interface PageMeta {
	readonly titleTag: string;
	readonly description: string;
	readonly author: string;
	readonly published: string;
	readonly modified: string;
	readonly address: string;
	readonly siteName: string;
	readonly ogType: string;
	readonly structured: readonly string[];
	readonly faq: readonly { readonly question: string; readonly answer: string }[];
	/** Texts that the data name as the article's; empty where they name none. */
	readonly named: NamedText;
}

export interface NamedText {
	readonly ingredients: readonly string[];
	/** Steps of a recipe or of instructions, in order. */
	readonly steps: readonly string[];
	/** Body of the article as plain text, paragraphs on lines of their own. */
	readonly body: string;
}

/** Reads the head and the structured data of a page. Broken structured data is passed over. */
export function pageMetaOf(tree: HtmlTree): PageMeta {
	const meta = new Map<string, string>();
	let titleTag = '';
	let canonical = '';
	for (const element of tree.head) {
		if (element.tagName === 'title') titleTag ||= tidyText(rawTextOf(element));
		else if (element.tagName === 'link') canonical ||= stringOf(element.properties.href);
		else {
			const { name, property, itemProp, content } = element.properties;
			const key = (stringOf(property) || stringOf(name) || stringOf(itemProp)).toLowerCase();
			if (key && !meta.has(key)) meta.set(key, tidyText(stringOf(content)));
		}
	}
	const first = (...keys: string[]) => keys.map((key) => meta.get(key)).find(Boolean) ?? '';
	const data = structuredDataOf(tree.jsonLd);
	return {
		titleTag: titleTag || first('og:title', 'twitter:title') || data.headline,
		description: first('description', 'og:description', 'twitter:description') || data.description,
		author: plainAuthor(first('author', 'article:author', 'dc.creator')) || data.author,
		published: dateOf(
			first('article:published_time', 'date', 'dc.date', 'datepublished'),
			data.published
		),
		modified: dateOf(
			first('article:modified_time', 'og:updated_time', 'datemodified'),
			data.modified
		),
		address: [canonical, first('og:url')].find((one) => /^https?:\/\/[^\s/]/i.test(one)) ?? '',
		siteName: first('og:site_name', 'application-name') || data.publisher,
		ogType: first('og:type'),
		structured: data.types,
		faq: data.faq,
		named: { ingredients: data.ingredients, steps: data.steps, body: data.body }
	};
}

/** The first of these that holds a whole date, as YYYY-MM-DD; half a date is none. */
function dateOf(...values: readonly string[]): string {
	return values.map(dateIn).find((date) => date !== '') ?? '';
}

function plainAuthor(author: string): string {
	return /^https?:/.test(author) ? '' : author;
}

const text = z.string().catch('');
const named = z
	.union([z.string(), z.looseObject({ name: text }).transform(({ name }) => name)])
	.catch('');
const anyNamed = z
	.union([named, z.array(named).transform((names) => names.filter(Boolean).join(', '))])
	.catch('');
const node = z.looseObject({
	'@type': z.union([z.string().transform((type) => [type]), z.array(z.string())]).catch([]),
	headline: text,
	description: text,
	author: anyNamed,
	publisher: anyNamed,
	datePublished: text,
	dateModified: text,
	name: text,
	text: text
});

interface StructuredData {
	headline: string;
	description: string;
	author: string;
	published: string;
	modified: string;
	publisher: string;
	types: string[];
	faq: { question: string; answer: string }[];
	ingredients: string[];
	steps: string[];
	body: string;
}

function structuredDataOf(scripts: readonly string[]): StructuredData {
	const data: StructuredData = {
		headline: '',
		description: '',
		author: '',
		published: '',
		modified: '',
		publisher: '',
		types: [],
		faq: [],
		ingredients: [],
		steps: [],
		body: ''
	};
	for (const script of scripts) {
		let parsed: unknown;
		try {
			parsed = JSON.parse(plainJson(script));
		} catch {
			continue;
		}
		for (const object of objectsIn(parsed)) {
			const { data: found } = node.safeParse(object);
			if (!found) continue;
			for (const type of found['@type']) if (!data.types.includes(type)) data.types.push(type);
			if (found['@type'].includes('Question')) addQuestion(object, found.name, data);
			if (!found['@type'].some((type) => /Article|Posting|HowTo|Recipe|WebPage/.test(type)))
				continue;
			addNamed(object, data);
			data.headline ||= found.headline;
			data.description ||= found.description;
			data.author ||= found.author;
			data.publisher ||= found.publisher;
			data.published ||= found.datePublished;
			data.modified ||= found.dateModified;
		}
	}
	return data;
}

/** Structured data as JSON: without the comment around it, and with control characters as spaces. */
function plainJson(script: string): string {
	return script
		.replace(/^\s*(?:<!--|\/\*?\s*<!\[CDATA\[\s*(?:\*\/)?|<!\[CDATA\[)/, '')
		.replace(/(?:-->|(?:\/\*|\/\/)?\s*\]\]>\s*(?:\*\/)?)\s*;?\s*$/, '')
		.replace(/\p{Cc}+/gu, ' ');
}

/** What the first recipe, instructions or article of the data say is theirs. */
function addNamed(object: Readonly<Record<string, unknown>>, data: StructuredData): void {
	const { recipeIngredient, ingredients, recipeInstructions, step, articleBody } = object;
	if (data.ingredients.length === 0)
		data.ingredients = textsIn(recipeIngredient ?? ingredients).slice(0, MOST_NAMED);
	if (data.steps.length === 0)
		data.steps = textsIn(recipeInstructions ?? step).slice(0, MOST_NAMED);
	if (data.body === '' && typeof articleBody === 'string')
		data.body = plainMarkup(articleBody.slice(0, 400_000));
}

const MOST_NAMED = 400;

/** Texts of a list or of steps, which may stand in sections, in order. */
function textsIn(value: unknown, depth = 0): string[] {
	if (typeof value === 'string') {
		const text = tidyText(plainMarkup(value));
		return text === '' ? [] : [text];
	}
	if (Array.isArray(value)) return value.flatMap((item) => textsIn(item, depth));
	if (value === null || typeof value !== 'object' || depth > 4) return [];
	const { itemListElement, steps, step, text: own, name } = value as Record<string, unknown>;
	return textsIn(itemListElement ?? steps ?? step ?? own ?? name, depth + 1);
}

/** A text of the data without the markup and the escapes that sites leave in it. */
function plainMarkup(text: string): string {
	const plain = text
		.replace(/<(?:br|\/p|\/li|\/div)\b[^>]{0,200}>/gi, '\n')
		.replace(/<[^>]{0,2000}>/g, ' ');
	return /&#?\w{2,8};/.test(plain) ? rawTextOf(parseHtml(plain).body) : plain;
}

function addQuestion(
	object: Readonly<Record<string, unknown>>,
	name: string,
	data: StructuredData
): void {
	const accepted = Array.isArray(object.acceptedAnswer)
		? object.acceptedAnswer[0]
		: object.acceptedAnswer;
	const { data: answer } = z.looseObject({ text: text }).safeParse(accepted);
	const question = tidyText(name);
	if (question === '') return;
	data.faq.push({
		question,
		answer: tidyText((answer?.text ?? '').replace(/<[^>]{0,2000}>/g, ' '))
	});
}

/** All objects inside a value, outer before inner, at most 5,000 and 40 deep. */
function objectsIn(value: unknown): Record<string, unknown>[] {
	const found: Record<string, unknown>[] = [];
	const queue: { value: unknown; depth: number }[] = [{ value, depth: 0 }];
	while (queue.length > 0 && found.length < 5_000) {
		const { value: next, depth } = queue.shift()!;
		if (typeof next !== 'object' || next === null || depth > 40) continue;
		if (!Array.isArray(next)) found.push(next as Record<string, unknown>);
		for (const inner of Object.values(next)) queue.push({ value: inner, depth: depth + 1 });
	}
	return found;
}

/** The page's title without the site's name behind or before it. */
export function titleWithoutSite(titleTag: string, siteName: string, hostname: string): string {
	const parts = titleTag.split(/\s+[|·»–—:-]\s+|\s*[|»]\s*/).filter(Boolean);
	if (parts.length < 2) return titleTag;
	const plain = (s: string) => s.toLowerCase().replace(/[^a-z0-9]/g, '');
	const site = plain(siteName);
	const host = plain(hostname.replace(/^www\./, '').split('.')[0] ?? '');
	const isSite = (part: string) => {
		const name = plain(part);
		return (
			name !== '' &&
			((site !== '' && name === site) ||
				(host !== '' && (host.includes(name) || name.includes(host))))
		);
	};
	if (isSite(parts.at(-1)!))
		return titleTag.slice(0, titleTag.lastIndexOf(parts.at(-1)!)).replace(/[\s|·»–—:-]+$/, '');
	if (isSite(parts[0]!))
		return titleTag
			.slice(titleTag.indexOf(parts[0]!) + parts[0]!.length)
			.replace(/^[\s|·»–—:-]+/, '');
	const bar = titleTag.search(/\s*[|»]\s*[^|»]*$/);
	const shortTail = parts.at(-1)!.split(/\s+/).length <= 3;
	return bar > 0 && shortTail ? titleTag.slice(0, bar) : titleTag;
}
