import rehypeSanitize, { defaultSchema } from 'rehype-sanitize';
import rehypeStringify from 'rehype-stringify';
import remarkRehype from 'remark-rehype';
import { unified } from 'unified';
import type { Root } from 'hast';
import { markdownTreeOf, type TakeDoc } from '../manuscript';

/** What a full page says in its head. */
export interface PageHead {
	readonly titleTag: string;
	readonly description: string;
	readonly language: string;
}

/** The manuscript as clean HTML without attributes of ours; safe to paste into any site. */
export function htmlBodyOf(doc: TakeDoc): string {
	const processor = unified()
		.use(remarkRehype)
		.use(rehypeSanitize, { ...defaultSchema, clobberPrefix: '' })
		.use(rehypeStringify, { closeSelfClosing: false });
	const tree = processor.runSync(markdownTreeOf(doc)) as unknown as Root;
	return processor.stringify(tree as never);
}

/** A complete page with title and description around the clean HTML. */
export function htmlPageOf(doc: TakeDoc, { titleTag, description, language }: PageHead): string {
	return [
		'<!doctype html>',
		`<html lang="${escapeAttribute(language)}">`,
		'<head>',
		'<meta charset="utf-8">',
		'<meta name="viewport" content="width=device-width, initial-scale=1">',
		`<title>${escapeText(titleTag)}</title>`,
		`<meta name="description" content="${escapeAttribute(description)}">`,
		'</head>',
		'<body>',
		'<article>',
		htmlBodyOf(doc),
		'</article>',
		'</body>',
		'</html>',
		''
	].join('\n');
}

function escapeText(text: string): string {
	return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

function escapeAttribute(text: string): string {
	return escapeText(text).replace(/"/g, '&quot;');
}
