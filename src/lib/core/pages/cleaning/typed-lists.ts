import type { Element } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { holderOf } from './block-look';
import type { RawBlock } from './raw-block';

/** A bullet that was typed; signs that are never part of a text need no space behind them. */
const BULLET = /^(?:[·•▪‣◦*–-]\s+|[✓✔☑✅➤►▶▸▹❖●○■□◆]\s*)/u;
const NUMBER = /^\(?(\d{1,2})[.)]\s+(?=\S)/;
const NUMBER_ALONE = /^\(?(\d{1,2})[.)]?$/;
/** What is longer is a numbered part of the text. */
const WORDS_OF_ENTRY = 60;

/** A list as it was typed, without its marks. */
interface TypedList {
	readonly ordered: boolean;
	readonly items: readonly string[];
	/** How many lines it takes up. */
	readonly lines: number;
}

/** The list that begins with a line and was typed with marks of its own, two entries or more; else null. */
export function typedListAt(lines: readonly string[], start: number): TypedList | null {
	return bulletsAt(lines, start) ?? numbersAt(lines, start) ?? numbersApartAt(lines, start);
}

function bulletsAt(lines: readonly string[], start: number): TypedList | null {
	const items: string[] = [];
	for (let i = start; BULLET.test(lines[i] ?? ''); i++) items.push(lines[i]!.replace(BULLET, ''));
	return items.length < 2 ? null : { ordered: false, items, lines: items.length };
}

function numbersAt(lines: readonly string[], start: number): TypedList | null {
	const items: string[] = [];
	for (let i = start; numberOf(lines[i] ?? '') === items.length + 1; i++) {
		const item = lines[i]!.replace(NUMBER, '');
		if (countWords(item) > WORDS_OF_ENTRY) return null;
		items.push(item);
	}
	return items.length < 2 ? null : { ordered: true, items, lines: items.length };
}

/** Numbers that stand apart, each over its entry, as on cards. */
function numbersApartAt(lines: readonly string[], start: number): TypedList | null {
	const items: string[] = [];
	for (let i = start; Number(NUMBER_ALONE.exec(lines[i] ?? '')?.[1]) === items.length + 1; i += 2) {
		const item = lines[i + 1] ?? '';
		if (item === '' || NUMBER_ALONE.test(item) || countWords(item) > WORDS_OF_ENTRY) break;
		items.push(item);
	}
	return items.length < 2 ? null : { ordered: true, items, lines: 2 * items.length };
}

/** Paragraphs that somebody began with bullets or numbers of their own, as the list they are. */
export function withTypedLists(raw: readonly RawBlock[]): RawBlock[] {
	const found: RawBlock[] = [];
	for (let i = 0; i < raw.length; i++) {
		const list = isEntry(raw[i]!) ? typedListAt(linesFrom(raw, i), 0) : null;
		if (!list) {
			found.push(raw[i]!);
			continue;
		}
		const lines = raw.slice(i, i + list.lines);
		const sum = (of: (line: RawBlock) => number) => lines.reduce((all, line) => all + of(line), 0);
		found.push({
			...lines[0]!,
			block: { kind: 'list', ordered: list.ordered, items: list.items },
			words: sum(({ words }) => words),
			linkWords: sum(({ linkWords }) => linkWords),
			bold: false,
			links: lines.flatMap(({ links }) => links)
		});
		i += list.lines - 1;
	}
	return found;
}

function isEntry({ block, bold }: RawBlock): boolean {
	if (block.kind !== 'paragraph') return false;
	return (
		BULLET.test(block.text) || isNumber(block.text, 1) || (!bold && numberOf(block.text) === 1)
	);
}

function numberOf(line: string): number {
	return Number(NUMBER.exec(line)?.[1]);
}

function isNumber(line: string, wanted: number): boolean {
	return Number(NUMBER_ALONE.exec(line)?.[1]) === wanted;
}

/** Paragraphs from a place on that stand together and can be entries, as lines: no more than a list needs. */
function linesFrom(raw: readonly RawBlock[], start: number): string[] {
	const first = raw[start]!.path;
	// numbers on cards stand in elements of their own, beside one another
	const isApart = 'text' in raw[start]!.block && NUMBER_ALONE.test(raw[start]!.block.text);
	const lines: string[] = [];
	for (let i = start; i < raw.length; i++) {
		const { block, path, bold } = raw[i]!;
		if (block.kind !== 'paragraph') break;
		const at = lines.length;
		if (isApart ? at % 2 === 0 && !isNumber(block.text, at / 2 + 1) : !areTogether(first, path))
			break;
		if (!isApart && !BULLET.test(block.text) && (bold || numberOf(block.text) !== at + 1)) break;
		lines.push(block.text);
	}
	return lines;
}

/** Whether two paragraphs stand in one element, or each in its own beside the other. */
function areTogether(one: readonly Element[], other: readonly Element[]): boolean {
	const [a, b] = [holderOf(one), holderOf(other)];
	if (a === b) return true;
	const isAlike = a.tagName === b.tagName && classOf(a) === classOf(b);
	return isAlike && one[one.indexOf(a) - 1] === other[other.indexOf(b) - 1];
}

function classOf({ properties }: Element): string {
	return stringOf(properties.className);
}
