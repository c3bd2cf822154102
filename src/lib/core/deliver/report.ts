import type { Element, ElementContent, Root } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { Slip, Standing, StandingParts, TermState } from '../standing';
import type { ArticleBlock, CellOf, Words } from './article';
import type { HandOver, ReportPart } from './choices';
import { blockElements } from './html';
import type { OpenPoint } from './open-points';
import { INK, ladderDrawing, placementDrawing } from './report-drawings';
import { el, text } from './elements';

/** A page as the client is told of it. */
export interface ReportedPage {
	/** Letter of a counted page; empty: it was set aside. */
	readonly letter: string;
	readonly title: string;
	readonly address: string;
	/** Why it was set aside, in words. */
	readonly reason: string;
	/** 0–100; null: not worked out. */
	readonly standing: number | null;
}

/** A question with who answers it. */
export interface ReportedQuestion {
	readonly text: string;
	/** Counted pages that answer it. */
	readonly pages: number;
	readonly isAnswered: boolean;
}

export interface ReportInput {
	readonly parts: readonly ReportPart[];
	readonly clientName: string;
	/** Hex, the strongest first. */
	readonly colours: readonly string[];
	/** Data address of a picture; empty: none. */
	readonly logo: string;
	readonly title: string;
	readonly keyword: string;
	/** As it is to be read, such as "29 November 2026". */
	readonly date: string;
	readonly takeName: string;
	readonly words: number;
	readonly targetWords: number;
	readonly standing: Standing | null;
	readonly holds: readonly string[];
	readonly pages: readonly ReportedPage[];
	/** Names of the writer's own notes. */
	readonly notes: readonly string[];
	/** Topics of the article that no counted page has. */
	readonly ownTopics: readonly string[];
	readonly questions: readonly ReportedQuestion[];
	readonly slips: readonly Slip[];
	/** Sources with the number of claims they back. */
	readonly sources: readonly { readonly name: string; readonly claims: number }[];
	readonly claims: { readonly backed: number; readonly all: number } | null;
	readonly open: readonly OpenPoint[];
	readonly history: readonly HandOver[];
	/** A day as it is read. */
	readonly dayOf: (ms: number) => string;
}

/** A drawing (SVG) as a tree. */
export type ReportDrawing = Element;

/** A part of a report: blocks as in an article, or a drawing with the table it is drawn from. */
export type ReportBlock =
	| ArticleBlock
	| {
			readonly kind: 'drawing';
			readonly drawing: ReportDrawing;
			readonly table: Extract<ArticleBlock, { kind: 'table' }>;
	  };

export interface Report {
	readonly title: string;
	readonly clientName: string;
	readonly colour: string;
	readonly logo: string;
	readonly blocks: readonly ReportBlock[];
}

export const REPORT_NAMES: Readonly<Record<ReportPart, string>> = {
	standing: 'Where it stands',
	pages: 'What was read',
	answers: 'What it answers that others do not',
	placement: 'What was placed, and where',
	sources: 'Where its figures come from',
	open: 'What is open',
	history: 'What was handed over'
};

const PART_WORDS: Readonly<Record<keyof StandingParts, string>> = {
	coverage: 'Treats what the pages treat',
	placement: 'Has terms and questions in their places',
	shape: 'Is made like pages of its kind',
	clarity: 'Reads easily for its readers'
};
const STATE_SIGNS: Readonly<Record<TermState, string>> = {
	placed: '●',
	thin: '◐',
	absent: '○',
	crowded: '◉'
};
const MOST_QUESTIONS = 24;

/** What a client is told of the work: chosen parts, no promise of ranks. */
export function reportOf(input: ReportInput): Report {
	const wanted = new Set(input.parts);
	const make: Readonly<Record<ReportPart, () => ReportBlock[]>> = {
		standing: () => standingPart(input),
		pages: () => pagesPart(input),
		answers: () => answersPart(input),
		placement: () => placementPart(input),
		sources: () => sourcesPart(input),
		open: () => openPart(input),
		history: () => historyPart(input)
	};
	const order = Object.keys(make) as ReportPart[];
	return {
		title: input.title,
		clientName: input.clientName,
		colour: readable(input.colours) ?? INK,
		logo: input.logo,
		blocks: [
			h(1, input.title),
			p(
				[
					input.clientName === '' ? '' : `For ${input.clientName}.`,
					`Keyword: ${input.keyword}.`,
					`${input.words.toLocaleString('en')} words${input.targetWords > 0 ? ` of ${input.targetWords.toLocaleString('en')} agreed` : ''}.`,
					`${input.date}.`
				]
					.filter(Boolean)
					.join(' ')
			),
			...order
				.filter((part) => wanted.has(part))
				.flatMap((part) => {
					const blocks = make[part]();
					return blocks.length === 0 ? [] : [h(2, REPORT_NAMES[part]), ...blocks];
				})
		]
	};
}

/** The report as a whole page that prints well. */
export function reportHtml(report: Report): string {
	const { title, colour } = report;
	const page: Root = {
		type: 'root',
		children: [
			{ type: 'doctype' },
			el('html', { lang: 'en' }, [
				el('head', {}, [
					el('meta', { charSet: 'utf-8' }),
					el('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
					el('title', {}, [text(title.trim() || 'Report')]),
					el('style', {}, [text(styleOf(colour))])
				]),
				el('body', {}, [el('main', {}, [...bodyOf(report)])])
			])
		]
	};
	return `${toHtml(page, { upperDoctype: true })}\n`;
}

/** The report as it stands inside a page. */
export function reportBody(report: Report): string {
	return toHtml({ type: 'root', children: bodyOf(report) });
}

function bodyOf({ clientName, logo, blocks }: Report): ElementContent[] {
	return [
		...(logo === '' ? [] : [el('img', { src: logo, alt: clientName, className: ['logo'] })]),
		...blocks.flatMap((block): ElementContent[] =>
			block.kind === 'drawing' ? [block.drawing, text('\n')] : [...blockElements(block), text('\n')]
		)
	];
}

/**
 * The report's blocks for forms that hold no drawings: each table stands with what a drawing became, if
 * anything, before it.
 */
export function plainReport(
	{ blocks }: Report,
	pictureOf: (drawing: ReportDrawing) => ArticleBlock | undefined = () => undefined
): ArticleBlock[] {
	return blocks.flatMap((block) => {
		if (block.kind !== 'drawing') return [block];
		const picture = pictureOf(block.drawing);
		return picture ? [picture, block.table] : [block.table];
	});
}

/** The drawings of a report. */
export function drawingsOf({ blocks }: Report): ReportDrawing[] {
	return blocks.flatMap((block) => (block.kind === 'drawing' ? [block.drawing] : []));
}

/** A drawing as a file of its own (SVG), and what it shows in words. */
export function drawingFile(
	drawing: ReportDrawing,
	{ colour }: Pick<Report, 'colour'>
): { readonly svg: string; readonly alt: string } {
	const [, , width = '700', height = '100'] = String(drawing.properties.viewBox).split(' ');
	const style = el('style', {}, [text(`.own{fill:${colour}}text{font-family:Georgia,serif}`)]);
	const whole: Element = {
		...drawing,
		properties: { ...drawing.properties, xmlns: 'http://www.w3.org/2000/svg', width, height },
		children: [style, ...drawing.children]
	};
	return {
		svg: toHtml(whole, { space: 'svg' }),
		alt: String(drawing.properties.ariaLabel ?? '')
	};
}

function standingPart({ standing, pages, holds }: ReportInput): ReportBlock[] {
	if (!standing) return [];
	const scored = pages.filter((page) => page.standing !== null);
	const below = scored.filter((page) => page.standing! < standing.standing).length;
	return [
		p(
			`${Math.round(standing.standing)} of 100, measured on the text alone by the same measures as the pages` +
				(scored.length > 0
					? `; ${below} of the ${scored.length} counted pages stand below it.`
					: '.') +
				' It says what the text holds, and promises no rank.'
		),
		{
			kind: 'drawing',
			drawing: ladderDrawing(standing.standing, scored),
			table: table(
				['Text', 'Standing'],
				[
					['This article', String(Math.round(standing.standing))],
					...scored
						.toSorted((a, b) => b.standing! - a.standing!)
						.map(({ letter, title, standing: value }) => [
							`${letter} ${title}`,
							String(Math.round(value!))
						])
				]
			)
		},
		table(
			['Part', 'Share'],
			(Object.keys(PART_WORDS) as (keyof StandingParts)[]).map((part) => [
				PART_WORDS[part],
				`${Math.round(100 * standing.parts[part])}%`
			])
		),
		...(holds.length > 0 ? [p(`Held down by: ${holds.join('; ')}.`)] : [])
	];
}

function pagesPart({ pages, notes }: ReportInput): ReportBlock[] {
	const counted = pages.filter(({ letter }) => letter !== '');
	const aside = pages.filter(({ letter }) => letter === '');
	return [
		p(
			`${pages.length} pages that answer the keyword were gathered: ${counted.length} were counted, ${aside.length} set aside.` +
				(notes.length > 0 ? ` Own material: ${notes.join('; ')}.` : '')
		),
		...(counted.length > 0
			? [
					table(
						['', 'Counted', 'Address'],
						counted.map(({ letter, title, address }) => [letter, title, address])
					)
				]
			: []),
		...(aside.length > 0
			? [
					table(
						['Set aside', 'Why'],
						aside.map(({ title, reason }) => [title, reason])
					)
				]
			: [])
	];
}

function answersPart({ ownTopics, questions }: ReportInput): ReportBlock[] {
	const answered = questions.filter(({ isAnswered }) => isAnswered);
	const alone = answered.filter(({ pages }) => pages === 0);
	return [
		p(
			`${answered.length} of the ${questions.length} questions found are answered; ${alone.length} of them by no counted page.`
		),
		...(alone.length > 0
			? [list(alone.slice(0, MOST_QUESTIONS).map(({ text: asked }) => asked))]
			: []),
		...(ownTopics.length > 0
			? [p('Treated here and under no heading of the pages:'), list(ownTopics)]
			: [])
	];
}

function placementPart({ slips }: ReportInput): ReportBlock[] {
	const written = slips.filter(({ at }) => at >= 0);
	if (written.length === 0) return [];
	const count = (state: TermState) =>
		written.reduce(
			(sum, { terms }) => sum + terms.filter((term) => term.state === state).length,
			0
		);
	return [
		p(
			`${count('placed')} ${count('placed') === 1 ? 'term stands' : 'terms stand'} where the plan has ${count('placed') === 1 ? 'it' : 'them'}, ${count('thin')} thin, ${count('absent')} absent, ${count('crowded')} crowded.`
		),
		{
			kind: 'drawing',
			drawing: placementDrawing(written),
			table: table(
				['Section', 'Words', 'Terms', 'Questions'],
				written.map(({ heading, words, budget, terms, questions }) => [
					heading,
					`${words} of ${Math.round(budget)}`,
					terms.map(({ phrase, state }) => `${STATE_SIGNS[state]} ${phrase}`).join(', '),
					questions
						.map(({ text: asked, isAnswered }) => `${isAnswered ? '■' : '□'} ${asked}`)
						.join(' ')
				])
			)
		},
		p('● placed, ◐ thin, ○ absent, ◉ crowded; ■ answered, □ open.')
	];
}

function sourcesPart({ sources, claims }: ReportInput): ReportBlock[] {
	if (!claims) return [];
	return [
		p(
			`${claims.backed} of ${claims.all} figures, dates and named bodies in the text are backed by a source.`
		),
		...(sources.length > 0
			? [
					table(
						['Source', 'Claims it backs'],
						sources.map(({ name, claims: count }) => [name, String(count)])
					)
				]
			: [])
	];
}

function openPart({ open }: ReportInput): ReportBlock[] {
	return open.length === 0
		? [p('Nothing is known to be open.')]
		: [list(open.map(({ text: said }) => said))];
}

function historyPart({ history, dayOf }: ReportInput): ReportBlock[] {
	return history.length === 0
		? []
		: [
				table(
					['When', 'Form', 'Text', 'Words'],
					history.map(({ at, form, takeName, words }) => [
						dayOf(at),
						form,
						takeName,
						words.toLocaleString('en')
					])
				)
			];
}

function words(said: string): Words[] {
	return [{ kind: 'words', text: said, formats: [], href: null }];
}

function h(level: 1 | 2, said: string): ArticleBlock {
	return { kind: 'heading', level, id: '', section: null, inlines: words(said) };
}

function p(said: string): ArticleBlock {
	return { kind: 'paragraph', inlines: words(said) };
}

function list(entries: readonly string[]): ArticleBlock {
	return { kind: 'list', isOrdered: false, items: entries.map((entry) => [p(entry)]) };
}

function table(
	head: readonly string[],
	rows: readonly (readonly string[])[]
): Extract<ArticleBlock, { kind: 'table' }> {
	const cell = (said: string, isHeader: boolean): CellOf => ({
		isHeader,
		columns: 1,
		rows: 1,
		inlines: said === '' ? [] : words(said)
	});
	return {
		kind: 'table',
		rows: [
			head.map((said) => cell(said, true)),
			...rows.map((row) => row.map((said) => cell(said, false)))
		]
	};
}

/** The first colour that can be read on white paper (WCAG 2.2, contrast 4.5). */
function readable(colours: readonly string[]): string | null {
	return colours.find((colour) => contrastOnWhite(colour) >= 4.5) ?? null;
}

/** Contrast to white by WCAG 2.2; 1 for what is no colour of six hex digits. */
function contrastOnWhite(colour: string): number {
	const digits = /^#([0-9a-f]{6})$/i.exec(colour)?.[1];
	if (!digits) return 1;
	const [r, g, b] = [0, 2, 4].map((i) => {
		const value = Number.parseInt(digits.slice(i, i + 2), 16) / 255;
		return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
	}) as [number, number, number];
	return 1.05 / (0.2126 * r + 0.7152 * g + 0.0722 * b + 0.05);
}

function styleOf(colour: string): string {
	return `@page{size:A4;margin:18mm}body{margin:0;font:10.5pt/1.5 Georgia,serif;color:${INK};background:#fff}main{max-width:44rem;margin:0 auto;padding:1.5rem}h1,h2{color:${colour};line-height:1.25}h1{font-size:20pt;margin:.4rem 0 .2rem}h2{font-size:13pt;border-top:2px solid ${colour};padding-top:.5rem;margin:1.6rem 0 .4rem;break-after:avoid}.logo{height:42px;width:auto}table{border-collapse:collapse;width:100%;font-size:9.5pt}th,td{text-align:left;padding:.25rem .7rem .25rem 0;border-bottom:1px solid #ccc;vertical-align:top;overflow-wrap:anywhere}th:empty{width:1.6rem}tr,svg{break-inside:avoid}svg{width:100%;height:auto;font-family:Georgia,serif}.own{fill:${colour}}`;
}
