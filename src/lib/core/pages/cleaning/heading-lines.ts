import type { HeadingLevel } from '../article';
import { stringOf } from '../html-tree';
import { holderOf, isSubstance } from './block-look';
import type { RawBlock } from './raw-block';
import { keptFrom } from './title-and-lines';

type Dropped = readonly (string | null)[];

const WORDS_OF_HEADING = 12;

/**
 * Levels of lines that are headings without being marked as such, and of the title: lines that their
 * names call headings or that are all in bold before prose. Where a page marks its headings, bold
 * lines are headings below them only where a section has several.
 */
export function headingLevels(
	raw: readonly RawBlock[],
	dropped: Dropped,
	titleAt: number
): Map<number, HeadingLevel> {
	const levels = new Map<number, HeadingLevel>();
	if (titleAt >= 0) levels.set(titleAt, 1);
	const real = raw.filter(
		({ block }, i) => dropped[i] === null && block.kind === 'heading' && i !== titleAt
	).length;
	if (real > 1) setBelowHeadings(raw, dropped, titleAt, levels);
	else if (!setByName(raw, dropped, titleAt, levels)) setBoldLines(raw, dropped, titleAt, levels);
	return levels;
}

/** What follows a line among what is kept. */
function after(raw: readonly RawBlock[], dropped: Dropped, at: number) {
	const next = keptFrom(dropped, at + 1, 1);
	return { next: raw[next], at: next, then: raw[keptFrom(dropped, next + 1, 1)] };
}

/** Whether a line can be a heading by its length and its end. */
function isShortLine({ block, words }: RawBlock): boolean {
	return block.kind === 'paragraph' && words <= WORDS_OF_HEADING && !/[.!:;,]$/.test(block.text);
}

function opensText(raw: readonly RawBlock[], dropped: Dropped, at: number): boolean {
	const { next, then } = after(raw, dropped, at);
	if (!next || next.bold) return false;
	const isLabel = next.block.kind === 'paragraph' && then?.block.kind === 'table';
	return isSubstance(next) || isLabel;
}

/** Lines all in bold, on a page that marks hardly any headings. */
function setBoldLines(
	raw: readonly RawBlock[],
	dropped: Dropped,
	titleAt: number,
	levels: Map<number, HeadingLevel>
): void {
	for (let i = raw.length - 1; i >= 0; i--) {
		if (dropped[i] !== null || i === titleAt || !raw[i]!.bold || !isShortLine(raw[i]!)) continue;
		if (opensText(raw, dropped, i)) levels.set(i, 2);
		const { at } = after(raw, dropped, i);
		if (levels.get(at) !== 2 || !isAbove(raw[i]!, raw[at]!)) continue;
		// lines of another make, or questions, under the line that heads them
		levels.set(i, 2);
		for (let k = at; k < raw.length; k++) {
			if (levels.get(k) !== 2) continue;
			if (!isAbove(raw[i]!, raw[k]!)) break;
			levels.set(k, 3);
		}
	}
}

/** Bold lines of a section that has two or more of them, a level below its heading. */
function setBelowHeadings(
	raw: readonly RawBlock[],
	dropped: Dropped,
	titleAt: number,
	levels: Map<number, HeadingLevel>
): void {
	let level = 1;
	let lines: number[] = [];
	const settle = () => {
		if (lines.length >= 2)
			for (const at of lines) levels.set(at, Math.min(4, level + 1) as HeadingLevel);
		lines = [];
	};
	raw.forEach((line, i) => {
		if (dropped[i] !== null) return;
		if (line.block.kind === 'heading') {
			settle();
			level = i === titleAt ? 1 : Math.max(2, line.block.level);
		} else if (line.bold && isShortLine(line) && opensText(raw, dropped, i)) lines.push(i);
	});
	settle();
}

/** Names that say of a line that it is a heading, and how deep. */
const HEADING_NAME =
	/^(?:(?:section|block|part|content|text|paragraph)[-_]?)?((?:sub[-_]?)*)(?:h([2-4])|(?:heading|headline|header|hed|title)[-_]?([2-4])?)$/i;

/** Lines whose names call them headings, two or more of one name; false: there are none. */
function setByName(
	raw: readonly RawBlock[],
	dropped: Dropped,
	titleAt: number,
	levels: Map<number, HeadingLevel>
): boolean {
	const byName = new Map<string, number[]>();
	raw.forEach((line, i) => {
		if (dropped[i] !== null || i === titleAt || !isShortLine(line)) return;
		const name = headingNameOf(line);
		if (name !== '') byName.set(name, [...(byName.get(name) ?? []), i]);
	});
	const found = [...byName].filter(([, at]) => at.length >= 2);
	for (const [name, at] of found) {
		const [, below = '', marked, numbered] = HEADING_NAME.exec(name)!;
		const depth =
			Number(marked ?? numbered ?? 0) || 1 + Math.max(1, below.match(/sub/gi)?.length ?? 0);
		for (const i of at) levels.set(i, Math.min(4, depth) as HeadingLevel);
	}
	return found.length > 0;
}

function headingNameOf({ path }: RawBlock): string {
	const holder = path.indexOf(holderOf(path));
	return (
		path
			.slice(holder)
			.flatMap(({ properties }) => stringOf(properties.className).split(/\s+/))
			.find((name) => HEADING_NAME.test(name)) ?? ''
	);
}

/** Whether a bold line heads those of another one's kind. */
function isAbove(upper: RawBlock, lower: RawBlock): boolean {
	if (asks(upper) !== asks(lower)) return asks(lower);
	return makeOf(upper) !== makeOf(lower);
}

/** How the letters of a line are set. */
function makeOf({ path }: RawBlock): string {
	const { tagName, properties } = path.at(-1)!;
	return [tagName, stringOf(properties.style), stringOf(properties.size)].join(' ');
}

function asks({ block }: RawBlock): boolean {
	return 'text' in block && block.text.endsWith('?');
}
