import type { List, PhrasingContent, Root, RootContent } from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import remarkStringify from 'remark-stringify';
import { unified } from 'unified';
import { readVolume, volumeText } from '../keywords';
import {
	BRIEF_FORMS,
	briefSchema,
	EMPTY_BRIEF,
	MOST_QUESTIONS,
	MOST_SECTIONS,
	PERSONS,
	type Brief
} from './brief';
import { INTENTS } from '../keywords';
import { EFFORTS } from './effort';

/** A brief with what stands on the assignment itself. */
export interface WholeBrief {
	readonly keyword: string;
	readonly client: string;
	/** Null: as the evidence says. */
	readonly targetWords: number | null;
	readonly brief: Brief;
}

export type BriefRead =
	| {
			readonly kind: 'read';
			readonly whole: WholeBrief;
			/** Lines that say nothing this brief has a place for, or say it in no readable way. */
			readonly skipped: readonly string[];
	  }
	| { readonly kind: 'unreadable'; readonly reason: string };

// made when first needed: whoever imports the rules of a brief needs no Markdown
let made: ReturnType<typeof makeProcessor> | undefined;
const processorOf = () => (made ??= makeProcessor());

function makeProcessor() {
	return unified()
		.use(remarkParse)
		.use(remarkGfm)
		.use(remarkStringify, { bullet: '-', rule: '-', emphasis: '_', fences: true });
}

const LINES = {
	keyword: 'Exact keyword',
	client: 'Client',
	workingTitle: 'Working title',
	description: 'Description',
	intent: 'Search intent',
	form: 'Form',
	effort: 'Effort',
	length: 'Length',
	sections: 'Sections',
	questions: 'Questions in the FAQ',
	person: 'Point of view',
	tone: 'Tone',
	grade: 'Reading grade',
	deadline: 'Deadline',
	fee: 'Fee',
	agreedOn: 'Agreed on'
} as const;

type Line = keyof typeof LINES;

const PARTS = {
	reader: 'Reader',
	purpose: 'Purpose',
	callToAction: 'Call to action',
	mustSay: 'Must be said',
	mustNotSay: 'Must not be said',
	secondary: 'Secondary keywords'
} as const;

type Part = keyof typeof PARTS;

const AS_EVIDENCE = 'as the evidence says';
const REQUIRED = 'required';

/** The brief as Markdown, one page that reads by itself; `readBriefMarkdown` reads it back. */
export function briefMarkdown({ keyword, client, targetWords, brief }: WholeBrief): string {
	const values: Readonly<Record<Line, string>> = {
		keyword,
		client,
		workingTitle: brief.workingTitle,
		description: brief.description,
		intent: brief.intent ?? '',
		form: brief.form ?? '',
		effort: brief.effort,
		length: targetWords === null ? AS_EVIDENCE : `${targetWords} words`,
		sections: brief.sections?.toString() ?? '',
		questions: brief.questions?.toString() ?? '',
		person: brief.person ?? '',
		tone: brief.tone,
		grade: brief.grade === null ? '' : String(brief.grade),
		deadline: brief.deadline,
		fee: brief.fee,
		agreedOn: brief.agreedOn
	};
	const children: RootContent[] = [
		{ type: 'heading', depth: 1, children: [textOf(`Brief: ${oneLine(keyword)}`)] },
		listOf(
			(Object.keys(LINES) as Line[])
				.filter((key) => values[key] !== '')
				.map((key) => [
					{ type: 'strong', children: [textOf(`${LINES[key]}:`)] },
					textOf(` ${oneLine(values[key])}`)
				])
		),
		...textPart('reader', brief.reader),
		...textPart('purpose', brief.purpose),
		...textPart('callToAction', brief.callToAction),
		...listPart('mustSay', brief.mustSay),
		...listPart('mustNotSay', brief.mustNotSay)
	];
	if (brief.secondary.length > 0) {
		const rows = [
			['Phrase', 'Searches a month', 'In the article'],
			...brief.secondary.map(({ phrase, volumeMin, volumeMax, isRequired }) => [
				oneLine(phrase),
				volumeText({ volume: volumeMin === volumeMax ? volumeMin : null, volumeMin, volumeMax }),
				isRequired ? REQUIRED : ''
			])
		];
		children.push(headingOf('secondary'), {
			type: 'table',
			align: [null, 'right', null],
			children: rows.map((cells) => ({
				type: 'tableRow',
				children: cells.map((cell) => ({
					type: 'tableCell',
					children: cell === '' ? [] : [textOf(cell)]
				}))
			}))
		});
	}
	return processorOf().stringify({ type: 'root', children });
}

function textPart(part: Part, value: string): RootContent[] {
	const paragraphs = value
		.split(/\n\s*\n/)
		.map((paragraph) => paragraph.trim())
		.filter(Boolean);
	if (paragraphs.length === 0) return [];
	return [
		headingOf(part),
		...paragraphs.map((paragraph): RootContent => ({
			type: 'paragraph',
			children: [textOf(paragraph.replace(/[^\S\n]+/g, ' ').replace(/ *\n */g, '\n'))]
		}))
	];
}

function listPart(part: Part, items: readonly string[]): RootContent[] {
	return items.length === 0
		? []
		: [headingOf(part), listOf(items.map((item) => [textOf(oneLine(item))]))];
}

function headingOf(part: Part): RootContent {
	return { type: 'heading', depth: 2, children: [textOf(PARTS[part])] };
}

function listOf(items: readonly PhrasingContent[][]): List {
	return {
		type: 'list',
		ordered: false,
		spread: false,
		children: items.map((children) => ({
			type: 'listItem',
			spread: false,
			children: [{ type: 'paragraph', children }]
		}))
	};
}

function textOf(value: string): PhrasingContent {
	return { type: 'text', value };
}

function oneLine(value: string): string {
	return value.replace(/\s+/g, ' ').trim();
}

/**
 * Reads a brief back, also one that a client has edited: headings of any level, lines with or
 * without bold, in any order. What has no place is listed and never lost in silence.
 */
export function readBriefMarkdown(markdown: string): BriefRead {
	const root: Root = processorOf().parse(markdown.replace(/^\ufeff/, ''));
	const values: Partial<Record<Line, string>> = {};
	const parts: Record<Part, RootContent[]> = {
		reader: [],
		purpose: [],
		callToAction: [],
		mustSay: [],
		mustNotSay: [],
		secondary: []
	};
	const skipped: string[] = [];
	let part: Part | null = null;
	for (const node of root.children) {
		if (node.type === 'heading') {
			const title = oneLine(plainOf(node));
			part = keyNamed(PARTS, title);
			const said = /^brief(?: for)?:?\s+(.+)$/i.exec(title);
			if (said) values.keyword ??= said[1];
			else if (part === null) skipped.push(title);
		} else if (part !== null) parts[part].push(node);
		else for (const said of linesOf(node)) if (!takeLine(said, values)) skipped.push(oneLine(said));
	}
	const keyword = oneLine(values.keyword ?? '');
	if (keyword === '')
		return {
			kind: 'unreadable',
			reason: 'it names no keyword: a line “Exact keyword: …” is needed'
		};
	const length = /(\d[\d,. ]*)/.exec(values.length ?? '')?.[1]?.replace(/\D/g, '');
	const words = length === undefined ? null : Number(length);
	const hasLength = words === null || (words >= 100 && words <= 50_000);
	if (!hasLength) skipped.push(`Length: ${values.length}`);
	const choice = <T extends string>(key: Line, options: readonly T[]): T | null => {
		const said = values[key]?.trim() ?? '';
		const found = options.find((option) => option.toLowerCase() === said.toLowerCase()) ?? null;
		if (found === null && said !== '') skipped.push(`${LINES[key]}: ${said}`);
		return found;
	};
	const day = (key: Line) => {
		const said = values[key]?.trim() ?? '';
		if (said === '' || /^\d{4}-\d{2}-\d{2}$/.test(said)) return said;
		skipped.push(`${LINES[key]}: ${said}`);
		return '';
	};
	const count = (key: Line, least: number, most: number): number | null => {
		const said = values[key]?.trim() ?? '';
		const n = Number(said);
		if (said !== '' && Number.isInteger(n) && n >= least && n <= most) return n;
		if (said !== '') skipped.push(`${LINES[key]}: ${said}`);
		return null;
	};
	const grade = Number(values.grade?.replace(',', '.'));
	const hasGrade = values.grade !== undefined && grade >= 1 && grade <= 18;
	if (values.grade && !hasGrade) skipped.push(`${LINES.grade}: ${values.grade}`);
	const brief: Brief = {
		workingTitle: values.workingTitle ?? '',
		description: values.description ?? '',
		secondary: parts.secondary.flatMap((node) => secondaryOf(node, skipped)),
		reader: joined(parts.reader),
		purpose: joined(parts.purpose),
		intent: choice('intent', INTENTS),
		form: choice('form', BRIEF_FORMS),
		person: choice('person', PERSONS),
		tone: values.tone ?? '',
		grade: hasGrade ? grade : null,
		effort: choice('effort', EFFORTS) ?? EMPTY_BRIEF.effort,
		sections: count('sections', 1, MOST_SECTIONS),
		questions: count('questions', 0, MOST_QUESTIONS),
		callToAction: joined(parts.callToAction),
		mustSay: parts.mustSay.flatMap(linesOf).map(oneLine).filter(Boolean),
		mustNotSay: parts.mustNotSay.flatMap(linesOf).map(oneLine).filter(Boolean),
		deadline: day('deadline'),
		fee: values.fee ?? '',
		agreedOn: day('agreedOn')
	};
	const checked = briefSchema.safeParse(brief);
	if (!checked.success) {
		const { path, message } = checked.error.issues[0]!;
		return { kind: 'unreadable', reason: `its “${path.join(' ')}” cannot be taken: ${message}` };
	}
	return {
		kind: 'read',
		whole: {
			keyword,
			client: oneLine(values.client ?? ''),
			targetWords: hasLength ? words : null,
			brief: checked.data
		},
		skipped
	};
}

function takeLine(said: string, values: Partial<Record<Line, string>>): boolean {
	const colon = said.indexOf(':');
	if (colon < 0) return false;
	const key = keyNamed(LINES, said.slice(0, colon));
	if (key === null) return false;
	values[key] = oneLine(said.slice(colon + 1));
	return true;
}

function keyNamed<K extends string>(names: Readonly<Record<K, string>>, title: string): K | null {
	const plain = oneLine(title)
		.replace(/[:.]+$/, '')
		.toLowerCase();
	return (Object.keys(names) as K[]).find((key) => names[key].toLowerCase() === plain) ?? null;
}

/** Lines of a block: items of a list, lines of a paragraph. */
function linesOf(node: RootContent): string[] {
	if (node.type === 'list')
		return node.children.map((item) => item.children.map(plainOf).join(' '));
	return plainOf(node).split('\n');
}

function joined(nodes: readonly RootContent[]): string {
	return nodes
		.map((node) => (node.type === 'list' ? linesOf(node).join('\n') : plainOf(node)))
		.join('\n\n')
		.trim();
}

function secondaryOf(node: RootContent, skipped: string[]): Brief['secondary'] {
	const rows =
		node.type === 'table'
			? node.children.slice(1).map(({ children }) => children.map(plainOf))
			: linesOf(node).map((line) => [line]);
	return rows.flatMap(([cell = '', volumeCell = '', state = '']) => {
		const phrase = oneLine(cell);
		if (phrase === '') return [];
		const volume = readVolume(volumeCell, '.');
		if (volume === undefined) skipped.push(`${phrase}: ${volumeCell}`);
		return [
			{
				phrase: phrase.slice(0, 200),
				volumeMin: volume?.volumeMin ?? null,
				volumeMax: volume?.volumeMax ?? null,
				isRequired: /^(?:required|yes|must)/i.test(state.trim())
			}
		];
	});
}

function plainOf(node: { type: string; value?: string; children?: readonly unknown[] }): string {
	if (node.type === 'break') return '\n';
	if (typeof node.value === 'string') return node.value;
	const between = node.type === 'list' || node.type === 'blockquote' ? '\n' : '';
	return (node.children ?? []).map((child) => plainOf(child as never)).join(between);
}
