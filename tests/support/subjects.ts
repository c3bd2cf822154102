import { readFileSync, readdirSync } from 'node:fs';
import { workOnPage, type PageWork, type Source } from '../../src/lib/core/reading';
import { keptBlocksOf, readText } from '../../src/lib/core/pages';
import { termKeyOf } from '../../src/lib/core/text';
import { demoTagger } from './demo';

/**
 * Pages written for the project and labelled by hand. In the text `[[30 cm]]` marks a figure
 * that can be checked, `{#feed}` after a heading its topic, `{?cost}` after a heading or an
 * asked question its meaning: the same key, the same thing. Readers never see the labels.
 */
export interface Subject {
	readonly name: string;
	readonly keyword: string;
	readonly sources: readonly Source[];
	readonly works: readonly PageWork[];
	/** Plain text of every page by id, with the labelled figures as [start, end]. */
	readonly figures: ReadonlyMap<string, { readonly text: string; readonly marks: readonly Mark[] }>;
	/** Topic of a labelled heading, by `page/heading`. */
	readonly topics: ReadonlyMap<string, string>;
	/** Meaning of a labelled question, by its text in small letters. */
	readonly questions: ReadonlyMap<string, string>;
	readonly asked: readonly { readonly text: string; readonly source: string }[];
	/** Folded forms of the terms that someone who knows the subject would want. */
	readonly terms: ReadonlySet<string>;
}

export type Mark = readonly [start: number, end: number];

const FOLDER = new URL('../fixtures/subjects/', import.meta.url);

/** Keywords of the labelled subjects, by folder. */
const KEYWORDS: Readonly<Record<string, string>> = {
	chickens: 'how to keep chickens in a small garden',
	'half-marathon': 'half marathon training plan for beginners',
	'heat-pump': 'air source heat pump for an old house',
	knives: 'how to sharpen kitchen knives'
};

let subjects: Subject[] | null = null;

export function readSubjects(): readonly Subject[] {
	subjects ??= Object.entries(KEYWORDS).map(([name, keyword]) => subjectOf(name, keyword));
	return subjects;
}

/** Headings of the demo's counted pages with their topics, to be held against its findings. */
export function readDemoTopics(): ReadonlyMap<string, string> {
	const topics = new Map<string, string>();
	let page = '';
	for (const line of readFileSync(new URL('demo-headings.txt', FOLDER), 'utf8').split('\n')) {
		if (line.trim() === '' || line.startsWith('#')) continue;
		const { text, topic } = labelsOf(line);
		if (topic) topics.set(`${page}/${text}`, topic);
		else page = `${text}.html`;
	}
	return topics;
}

function subjectOf(name: string, keyword: string): Subject {
	const folder = new URL(`${name}/`, FOLDER);
	const read = (file: string) => readFileSync(new URL(file, folder), 'utf8');
	const figures = new Map<string, { text: string; marks: Mark[] }>();
	const topics = new Map<string, string>();
	const questions = new Map<string, string>();
	const sources = readdirSync(folder)
		.filter((file) => file.endsWith('.md'))
		.sort()
		.map((file): Source => {
			const id = file.replace(/\.md$/, '');
			const lines = read(file)
				.split('\n')
				.map((line) => {
					const { text, topic, question } = labelsOf(line);
					const heading = withoutMarks(text).replace(/^#+\s*/, '');
					if (topic) topics.set(`${id}/${heading}`, topic);
					if (question) questions.set(heading.toLowerCase(), question);
					return text;
				});
			figures.set(id, marked(lines.join('\n')));
			const article = readText(withoutMarks(lines.join('\n')), file);
			return {
				id,
				title: article.title,
				description: '',
				siteNames: [],
				blocks: keptBlocksOf(article),
				links: 0
			};
		});
	const asked = read('questions.txt')
		.trim()
		.split('\n')
		.map((line) => {
			const { text, question } = labelsOf(line);
			questions.set(text.toLowerCase(), question!);
			return { text, source: 'list' };
		});
	const terms = read('terms.txt')
		.split('\n')
		.filter((line) => line.trim() !== '' && !line.startsWith('#'))
		.map(termKeyOf);
	const tag = demoTagger();
	return {
		name,
		keyword,
		sources,
		works: sources.map((source) => workOnPage(source, tag)),
		figures,
		topics,
		questions,
		asked,
		terms: new Set(terms)
	};
}

function labelsOf(line: string): { text: string; topic?: string; question?: string } {
	const topic = /\{#([\w-]+)\}/.exec(line)?.[1];
	const question = /\{\?([\w-]+)\}/.exec(line)?.[1];
	return {
		text: line.replace(/\s*\{[#?][\w-]+\}/g, '').trimEnd(),
		...(topic && { topic }),
		...(question && { question })
	};
}

function withoutMarks(text: string): string {
	return text.replace(/\[\[|\]\]/g, '');
}

function marked(text: string): { text: string; marks: Mark[] } {
	const marks: Mark[] = [];
	let plain = '';
	for (const [i, piece] of text.split(/\[\[|\]\]/).entries()) {
		if (i % 2 === 1) marks.push([plain.length, plain.length + piece.length]);
		plain += piece;
	}
	return { text: plain, marks };
}
