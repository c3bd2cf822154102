import { placedQuantitiesOf } from '../reading';
import { countWords, isStopWord, sentencesOf } from '../text';
import {
	emptyHeadings,
	partsOf,
	plainOfInlines,
	textOfBlock,
	type ArticleBlock,
	type DeliveredArticle
} from './article';

/** A sentence as it is said, with its time. */
export interface Spoken {
	readonly text: string;
	/** Milliseconds from the start. */
	readonly startMs: number;
	readonly endMs: number;
}

/** A stretch of the script under one heading. */
export interface Moment {
	readonly title: string;
	readonly startMs: number;
	readonly endMs: number;
	readonly sentences: readonly Spoken[];
	/** What to have in view while it is said. */
	readonly prompts: readonly string[];
}

export interface Script {
	readonly title: string;
	readonly moments: readonly Moment[];
	readonly words: number;
	readonly ms: number;
}

/** Words that are said in one breath; longer sentences are parted where they have a joint. */
const BREATH = 26;
/** Prompts of a moment, words of one, and of the beginning of one whose figure comes late. */
const PROMPTS = { most: 4, words: 7, short: 4 } as const;
const ORDINALS = 'First,Second,Third,Fourth,Fifth,Sixth,Seventh,Eighth,Ninth,Tenth'.split(',');

const SPOKEN_UNITS: readonly (readonly [RegExp, string, string])[] = [
	[/mm/, 'millimetre', 'millimetres'],
	[/cm/, 'centimetre', 'centimetres'],
	[/km/, 'kilometre', 'kilometres'],
	[/m²|m2|sq\s?m/, 'square metre', 'square metres'],
	[/m³|m3/, 'cubic metre', 'cubic metres'],
	[/m/, 'metre', 'metres'],
	[/kg/, 'kilogram', 'kilograms'],
	[/mg/, 'milligram', 'milligrams'],
	[/g/, 'gram', 'grams'],
	[/ml/, 'millilitre', 'millilitres'],
	[/l|L/, 'litre', 'litres'],
	[/t/, 'tonne', 'tonnes'],
	[/°C/, 'degree Celsius', 'degrees Celsius'],
	[/°F/, 'degree Fahrenheit', 'degrees Fahrenheit'],
	[/kWh/, 'kilowatt hour', 'kilowatt hours'],
	[/W/, 'watt', 'watts'],
	[/ft/, 'foot', 'feet'],
	[/in/, 'inch', 'inches'],
	[/lb|lbs/, 'pound', 'pounds'],
	[/oz/, 'ounce', 'ounces'],
	[/min|mins/, 'minute', 'minutes'],
	[/hrs?|h/, 'hour', 'hours']
];
const MONEY: Readonly<Record<string, readonly [string, string, string]>> = {
	'£': ['pound', 'pounds', 'pence'],
	'€': ['euro', 'euros', 'cents'],
	$: ['dollar', 'dollars', 'cents']
};
const SHORTS: readonly (readonly [RegExp, string])[] = [
	[/\be\.\s?g\.,?/gi, 'for example,'],
	[/\bi\.\s?e\.,?/gi, 'that is,'],
	[/\betc\.?/gi, 'and so on'],
	[/\bapprox\.?(?=\s)/gi, 'about'],
	[/\bca?\.(?=\s?\d)/gi, 'about'],
	[/\bvs\.?(?=\s)/gi, 'against'],
	[/\s&\s/g, ' and '],
	[/(?<=\d)\s?[×x]\s?(?=\d)/g, ' by '],
	[/[~≈]\s?(?=\d)/g, 'about '],
	[/±\s?/g, 'plus or minus '],
	[/\s?→\s?/g, ', then ']
];

/**
 * The article told for reading aloud. Units and short forms are spelled out, brackets become asides, long
 * sentences are parted, tables are told row by row; nothing is said that does not stand there.
 *
 * @param speed words a minute
 */
export function scriptOf(article: DeliveredArticle, speed: number): Script {
	let words = 0;
	const msAt = (count: number) => Math.round((count / speed) * 60_000);
	const told = momentsIn(article).map(({ title, lines, headed }): Moment => {
		const startMs = msAt(words);
		const sentences = lines.map((text): Spoken => {
			const from = msAt(words);
			words += countWords(text);
			return { text, startMs: from, endMs: msAt(words) };
		});
		return {
			title,
			startMs,
			endMs: msAt(words),
			sentences,
			prompts: promptsOf(lines.slice(headed))
		};
	});
	return { title: article.head.title, moments: told, words, ms: msAt(words) };
}

/** A sentence as it is said. */
export function spokenOf(sentence: string): string[] {
	let text = sentence.replace(/\s+/g, ' ').trim();
	text = text.replace(/\s*\[\d+\]/g, '');
	// an aside in brackets becomes one between commas
	text = text.replace(/\s*\(([^()]{1,160})\)([.,;:!?]?)/g, (_, inner: string, stop: string) =>
		stop === '' ? `, ${inner.trim()},` : `, ${inner.trim()}${stop}`
	);
	for (const [pattern, words] of SHORTS) text = text.replace(pattern, words);
	text = text.replace(/([£€$])\s?(\d{1,3}(?:,\d{3})+|\d+)(?:\.(\d{2}))?(?!\d)/g, moneyWords);
	text = text.replace(/(\d)\s?[–-]\s?(?=\d)/g, '$1 to ');
	text = text.replace(/(\d)\s?%/g, '$1 percent');
	for (const [unit, one, many] of SPOKEN_UNITS)
		text = text.replace(
			new RegExp(`(\\d(?:[\\d.,]*\\d)?)\\s?(?:${unit.source})(?![\\p{L}\\p{N}²³])`, 'gu'),
			(_, figure: string) => `${figure} ${figure === '1' ? one : many}`
		);
	text = text.replace(/(\p{L})\s?\/\s?(?=\p{L})/gu, '$1 or ');
	return parted(text.replace(/\s+([,.;:!?])/g, '$1').replace(/,{2,}/g, ',')).map(finished);
}

function moneyWords(_: string, sign: string, whole: string, pence: string | undefined): string {
	const [one, many, small] = MONEY[sign]!;
	const said = `${whole} ${whole === '1' ? one : many}`;
	return pence === undefined || pence === '00' ? said : `${said} and ${Number(pence)} ${small}`;
}

/** Parts a long sentence at semicolons, dashes and colons, as often as it takes. */
function parted(text: string): string[] {
	if (countWords(text) <= BREATH) return [text];
	const joints = [
		...text.matchAll(/(?:;|:|\s[–—]|—)\s+|,\s+(?=(?:and|but|so|or|because|which)\s)/g)
	];
	const middle = text.length / 2;
	const best = joints
		.filter(({ index }) => index > 20 && index < text.length - 20)
		.sort((a, b) => Math.abs(a.index - middle) - Math.abs(b.index - middle))[0];
	if (!best) return [text];
	const rest = text.slice(best.index + best[0].length).replace(/^which\s/, 'That ');
	return [
		...parted(text.slice(0, best.index)),
		...parted(rest === '' ? rest : rest[0]!.toUpperCase() + rest.slice(1))
	];
}

function finished(text: string): string {
	const plain = text.trim().replace(/[,;:–—-]+$/, '');
	return /[.!?…]["”’)]*$/.test(plain) ? plain : `${plain}.`;
}

interface Told {
	readonly title: string;
	readonly lines: readonly string[];
	/** Lines at the start that say the heading. */
	readonly headed: number;
}

/** Moments open at headings of the second level; deeper ones are said inside. */
function momentsIn({ blocks, head }: DeliveredArticle): Told[] {
	const moments: { title: string; lines: string[]; headed: number }[] = [];
	const empty = new Set<ArticleBlock>(emptyHeadings(blocks));
	for (const { heading, blocks: under } of partsOf(blocks)) {
		if (heading && empty.has(heading)) continue;
		const said = heading ? plainOfInlines(heading.inlines).trim() : head.title;
		if (moments.length === 0 || (heading && heading.level <= 2)) {
			const lines = heading && heading.level === 2 ? spokenOf(said) : [];
			moments.push({ title: said, lines, headed: lines.length });
		} else if (heading) moments.at(-1)!.lines.push(...spokenOf(said));
		moments.at(-1)!.lines.push(...under.flatMap(linesOf));
	}
	return moments.filter(({ lines }) => lines.length > 0);
}

function linesOf(block: ArticleBlock): string[] {
	switch (block.kind) {
		case 'paragraph':
		case 'standfirst':
			return sentencesOf(plainOfInlines(block.inlines)).flatMap(({ text }) => spokenOf(text));
		case 'list':
			return block.items.flatMap((item, i) => {
				const lines = item.flatMap(linesOf);
				const first = lines[0];
				if (!block.isOrdered || first === undefined || i >= ORDINALS.length) return lines;
				return [`${ORDINALS[i]}: ${first}`, ...lines.slice(1)];
			});
		case 'quote':
			return block.blocks.flatMap(linesOf);
		case 'table': {
			const [header, ...rows] = block.rows;
			const names = header?.every(({ isHeader }) => isHeader)
				? header.map(({ inlines }) => plainOfInlines(inlines).trim())
				: null;
			return (names ? rows : block.rows).flatMap((row) => {
				const cells = row.map(({ inlines }) => plainOfInlines(inlines).trim());
				const [lead, ...others] = cells;
				const told = others
					.map((cell, i) =>
						cell && names?.[i + 1] ? `${names[i + 1]!.toLowerCase()} ${cell}` : cell
					)
					.filter(Boolean)
					.join(', ');
				return lead || told ? spokenOf([lead, told].filter(Boolean).join(': ')) : [];
			});
		}
		case 'heading':
		case 'code':
		case 'rule':
		case 'figure':
		case 'gap':
		case 'contents':
		case 'takeaways':
		case 'references':
			return block.kind === 'code' ? spokenOf(textOfBlock(block)) : [];
	}
}

/** What a speaker keeps in view: sentences with a figure first, by the words that carry them. */
function promptsOf(lines: readonly string[]): string[] {
	const figured = lines.filter((line) => placedQuantitiesOf(line).length > 0);
	const wanted = new Set([...figured, ...lines].slice(0, PROMPTS.most));
	return lines
		.filter((line) => wanted.has(line))
		.map(promptOf)
		.filter(Boolean);
}

/** Who says it, and openings that carry nothing. */
const UNCARRIED =
	/^[“"‘']?(?:(?:and|but|so|now|then|well)[\s,]+)?(?:(?:I|we)(?:['’]d| would| always)? (?:say|think|find|reckon)(?: that)?|(?:there|it) (?:is|are|was)|there['’]s|it['’]s)\s+/i;
const SAID_BY = /,?[”"’'],? (?:says|said|adds|writes|reckons|warns|advises|according to)\b.*$/;

/** The first words of a sentence up to its first joint; with those about its figure where it comes later. */
function promptOf(sentence: string): string {
	const plain = sentence
		.replace(SAID_BY, '')
		.replace(UNCARRIED, '')
		.replace(/[“”"]/g, '')
		.replace(/[.!?]+$/, '')
		.trim();
	const [lead = ''] = plain.split(
		/[,;:–—]\s|\s(?=(?:because|if|when|while|unless|so that|but|and then)\s)/
	);
	const first = carried(lead.split(' '), PROMPTS.words);
	const figure = placedQuantitiesOf(plain)[0];
	if (!figure || figure.start < lead.length) {
		const words = lead.slice(0, figure?.end ?? 0).split(' ');
		return words.length > PROMPTS.words
			? `${carried(lead.split(' '), PROMPTS.short)} … ${about(plain, figure!.start, figure!.end)}`
			: first;
	}
	return `${carried(lead.split(' '), PROMPTS.short)} … ${about(plain, figure.start, figure.end)}`;
}

/** At most so many words, none of those at the end that want another. */
function carried(words: readonly string[], most: number): string {
	const kept = words.slice(0, most);
	if (words.length > most)
		while (kept.length > 2 && isStopWord(kept.at(-1)!.toLowerCase())) kept.pop();
	return kept.join(' ');
}

/** A figure with the words just before it. */
function about(text: string, start: number, end: number): string {
	const before = text.slice(0, start).trim().split(' ').slice(-2);
	while (before.length > 0 && (isStopWord(before[0]!.toLowerCase()) || /[,;:]$/.test(before[0]!)))
		before.shift();
	return [...before, text.slice(start, end)].join(' ');
}

/** A time as speakers write it: 0:00, 12:05, 1:02:05. */
export function clockOf(ms: number): string {
	const seconds = Math.floor(ms / 1000);
	const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
	const two = (n: number) => String(n).padStart(2, '0');
	return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** The script as text: each moment with its time, its sentences on lines of their own. */
export function scriptText({ title, moments }: Script): string {
	const parts = moments.map(
		({ title: name, startMs, sentences }) =>
			`${clockOf(startMs)}  ${name}\n\n${sentences.map(({ text }) => text).join('\n')}`
	);
	return `${[title, ...parts].filter(Boolean).join('\n\n')}\n`;
}

/** Rows of a table: time, moment, what is said, prompts. */
export function scriptRows({ moments }: Script): string[][] {
	return [
		['Time', 'Moment', 'Said', 'Prompts'],
		...moments.map(({ title, startMs, sentences, prompts }) => [
			clockOf(startMs),
			title,
			sentences.map(({ text }) => text).join(' '),
			prompts.join('; ')
		])
	];
}

const CUE_LETTERS = 84;

/** The script as subtitles (SubRip): cues of at most two lines. */
export function scriptSrt({ moments }: Script): string {
	const cues = moments.flatMap(({ sentences }) => sentences.flatMap(cuesOf));
	return cues
		.map(
			({ text, startMs, endMs }, i) =>
				`${i + 1}\n${stamp(startMs, ',')} --> ${stamp(endMs, ',')}\n${twoLines(text)}\n`
		)
		.join('\n');
}

/** The moments as chapters (WebVTT); the first starts at 0. */
export function scriptChapters({ moments }: Script): string {
	const cues = moments.map(
		({ title, startMs, endMs }, i) =>
			`${i + 1}\n${stamp(startMs, '.')} --> ${stamp(Math.max(endMs, startMs + 1), '.')}\n${vttText(title)}\n`
	);
	return `WEBVTT\n\n${cues.join('\n')}`;
}

function cuesOf({ text, startMs, endMs }: Spoken): Spoken[] {
	const words = text.split(' ');
	const lines: string[] = [];
	for (const word of words) {
		const last = lines.at(-1);
		if (last !== undefined && last.length + word.length < CUE_LETTERS)
			lines[lines.length - 1] = `${last} ${word}`;
		else lines.push(word);
	}
	let done = 0;
	const all = Math.max(1, text.length);
	return lines.map((line) => {
		const from = startMs + Math.round(((endMs - startMs) * done) / all);
		done += line.length + 1;
		const to = startMs + Math.round(((endMs - startMs) * Math.min(all, done)) / all);
		return { text: line, startMs: from, endMs: Math.max(to, from + 1) };
	});
}

function twoLines(text: string): string {
	if (text.length <= CUE_LETTERS / 2) return text;
	const middle = text.lastIndexOf(' ', Math.ceil(text.length / 2));
	return middle < 0 ? text : `${text.slice(0, middle)}\n${text.slice(middle + 1)}`;
}

function stamp(ms: number, point: string): string {
	const two = (n: number) => String(n).padStart(2, '0');
	const [h, m, s] = [
		Math.floor(ms / 3_600_000),
		Math.floor(ms / 60_000) % 60,
		Math.floor(ms / 1000) % 60
	];
	return `${two(h)}:${two(m)}:${two(s)}${point}${String(ms % 1000).padStart(3, '0')}`;
}

/** Text of a cue: no signs that open a tag or an arrow. */
function vttText(text: string): string {
	return text
		.replace(/\s+/g, ' ')
		.replace(/&/g, '&amp;')
		.replace(/</g, '&lt;')
		.replace(/>/g, '&gt;');
}
