import { zipSync, strToU8 } from 'fflate';
import {
	articleMarkdown,
	htmlBodyOf,
	plainReport,
	plainTextOf,
	reportHtml,
	scriptChapters,
	scriptRows,
	scriptSrt,
	scriptText,
	type FrontMatter,
	type Report
} from '$lib/core/deliver';
import { writeCsv } from '$lib/core/keywords';
import { archiveOf } from '$lib/data/archive';
import { chooseFolder, writeInto } from '../parts/folder';
import { readWhole } from '$lib/data/assignments';
import { analysis } from '$lib/workers/client';
import type { Delivery } from './delivery.svelte';
import { drawnOf, logoOf } from './report-pictures';

const DOCX_TYPE = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';

/** A file as it is handed over. */
export interface MadeFile {
	readonly name: string;
	readonly content: string | Uint8Array;
	readonly type: string;
	/** What it is, in words. */
	readonly what: string;
}

/** The forms of the article. */
export const FORMS = ['docx', 'page', 'body', 'markdown', 'text', 'json'] as const;
export type Form = (typeof FORMS)[number];

export const FORM_NAMES: Readonly<Record<Form, string>> = {
	docx: 'DOCX',
	page: 'HTML page',
	body: 'HTML body',
	markdown: 'Markdown',
	text: 'Plain text',
	json: 'JSON'
};

export interface FormOptions {
	readonly frontMatter: FrontMatter;
	/** Whether each claim carries its source as a comment, where a form has comments. */
	readonly withComments: boolean;
}

/** Addresses of data for the pictures, so that a page is whole as one file. */
function dataAddresses(delivery: Delivery): ReadonlyMap<string, string> {
	const bytes = new Map(delivery.session.pictures.map((picture) => [picture.id, picture]));
	return new Map(
		delivery.article.pictures.flatMap(({ id, file }) => {
			const picture = bytes.get(id);
			return picture ? [[file, `data:${picture.type};base64,${base64Of(picture.bytes)}`]] : [];
		})
	);
}

function base64Of(bytes: Uint8Array): string {
	let text = '';
	for (let i = 0; i < bytes.length; i += 8192)
		text += String.fromCharCode(...bytes.subarray(i, i + 8192));
	return btoa(text);
}

export function pictureBytes(delivery: Delivery): Map<string, Uint8Array> {
	const own = new Map(delivery.session.pictures.map(({ id, bytes }) => [id, bytes]));
	return new Map(
		delivery.article.pictures.flatMap(({ id, file }) => {
			const bytes = own.get(id);
			return bytes ? [[file, bytes]] : [];
		})
	);
}

/** One form of the article as text; what is no text has no such form. */
export function textOfForm(
	delivery: Delivery,
	form: Exclude<Form, 'docx'>,
	options: FormOptions
): string {
	const { article, nofollow } = delivery;
	switch (form) {
		case 'page': {
			const addresses = dataAddresses(delivery);
			return delivery.pageWith((file) => addresses.get(file) ?? file);
		}
		case 'body':
			return htmlBodyOf(article, { nofollow });
		case 'markdown':
			return articleMarkdown(article, { frontMatter: options.frontMatter });
		case 'text':
			return plainTextOf(article);
		case 'json':
			return `${JSON.stringify({ format: 'corvan-article', version: 1, ...article }, null, '\t')}\n`;
	}
}

const ENDINGS: Readonly<Record<Exclude<Form, 'docx'>, readonly [ending: string, type: string]>> = {
	page: ['html', 'text/html'],
	body: ['body.html', 'text/html'],
	markdown: ['md', 'text/markdown'],
	text: ['txt', 'text/plain'],
	json: ['json', 'application/json']
};

/** One form of the article as a file. */
export async function makeForm(
	delivery: Delivery,
	form: Form,
	options: FormOptions
): Promise<MadeFile> {
	const { slug, article } = delivery;
	if (form === 'docx') {
		const { writeArticleDocx } = await import('$lib/core/deliver/docx');
		const blob = await writeArticleDocx(article, {
			pictures: pictureBytes(delivery),
			withRemarks: options.withComments,
			date: new Date()
		});
		return {
			name: `${slug}.docx`,
			content: new Uint8Array(await blob.arrayBuffer()),
			type: DOCX_TYPE,
			what: options.withComments
				? 'the article for a word processor, with the source of each claim as a comment'
				: 'the article for a word processor'
		};
	}
	const [ending, type] = ENDINGS[form];
	return {
		name: `${slug}.${ending}`,
		content: textOfForm(delivery, form, options),
		type,
		what: `the article as ${FORM_NAMES[form]}`
	};
}

/** The report as a file for print and reading, or for a word processor. */
export async function makeReport(
	slug: string,
	report: Report,
	form: 'html' | 'docx'
): Promise<MadeFile> {
	if (form === 'html')
		return {
			name: `${slug}-report.html`,
			content: reportHtml(report),
			type: 'text/html',
			what: 'the report for the client'
		};
	const { writeDocx } = await import('$lib/core/deliver/docx');
	const logo = await logoOf(report);
	const drawn = await drawnOf(report);
	const blob = await writeDocx({
		title: report.title,
		author: '',
		description: '',
		blocks: [
			...(logo ? [logo.block] : []),
			...plainReport(report, (drawing) => drawn.get(drawing)?.block)
		],
		references: [],
		hasFootnotes: false,
		pictures: new Map(
			[...(logo ? [logo] : []), ...drawn.values()].map(({ block, bytes }) => [
				block.picture.file,
				bytes
			])
		),
		withRemarks: false,
		date: new Date()
	});
	return {
		name: `${slug}-report.docx`,
		content: new Uint8Array(await blob.arrayBuffer()),
		type: DOCX_TYPE,
		what: 'the report for the client, for a word processor'
	};
}

/** The spoken script in all its forms. */
export function makeScript({ slug, script }: Delivery): MadeFile[] {
	return [
		{
			name: `${slug}-script.txt`,
			content: scriptText(script),
			type: 'text/plain',
			what: 'the script for reading aloud'
		},
		{
			name: `${slug}-script.csv`,
			content: writeCsv(scriptRows(script)),
			type: 'text/csv',
			what: 'its moments as a table'
		},
		{
			name: `${slug}-script.srt`,
			content: scriptSrt(script),
			type: 'application/x-subrip',
			what: 'the script as subtitles'
		},
		{
			name: `${slug}-chapters.vtt`,
			content: scriptChapters(script),
			type: 'text/vtt',
			what: 'its moments as chapters'
		}
	];
}

/** The whole assignment as one open file. */
export async function makeArchive(delivery: Delivery): Promise<MadeFile | null> {
	const whole = await readWhole(delivery.session.id);
	return (
		whole && {
			name: `${delivery.slug}.corvan.zip`,
			content: await analysis.writeArchive(archiveOf(whole)),
			type: 'application/zip',
			what: 'the whole assignment, which can be opened in Corvan again'
		}
	);
}

/** Everything there is of a take, with a list of what is in it. */
export async function makeAll(
	delivery: Delivery,
	report: Report | null,
	options: FormOptions
): Promise<MadeFile[]> {
	const files: MadeFile[] = [];
	for (const form of FORMS) {
		// in a folder the page's pictures lie beside it
		if (form === 'page')
			files.push({
				name: `${delivery.slug}.html`,
				content: delivery.pageWith(),
				type: 'text/html',
				what: 'the article as a page, its pictures beside it'
			});
		else files.push(await makeForm(delivery, form, options));
	}
	for (const [name, content] of pictureBytes(delivery))
		files.push({ name, content, type: '', what: 'a picture of the article' });
	files.push(...makeScript(delivery));
	if (report)
		files.push(
			await makeReport(delivery.slug, report, 'html'),
			await makeReport(delivery.slug, report, 'docx')
		);
	const { article, take, open } = delivery;
	const list = [
		`${article.head.title}`,
		`${take?.name ?? ''}, ${article.words} words`,
		'',
		...files.map(({ name, what }) => `${name}\n\t${what}`),
		'',
		open.length === 0 ? 'Nothing is known to be open.' : 'Open when this was made:',
		...open.map(({ text }) => `- ${text}`),
		''
	].join('\n');
	return [
		{ name: 'what-is-in-it.txt', content: list, type: 'text/plain', what: 'this list' },
		...files
	];
}

/** Files as one zip. */
export function zipOf(files: readonly MadeFile[]): Uint8Array {
	return zipSync(
		Object.fromEntries(
			files.map(({ name, content }) => [
				name,
				typeof content === 'string' ? strToU8(content) : content
			])
		),
		{ level: 6 }
	);
}

/**
 * Writes files into a folder that the writer chooses, those of the same name anew.
 * @returns how many were written; null: no folder was chosen
 */
export async function saveFolder(files: readonly MadeFile[]): Promise<number | null> {
	const folder = await chooseFolder();
	if (!folder) return null;
	for (const { name, content } of files) await writeInto(folder, name, content);
	return files.length;
}
