import type { Element } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { holderOf } from './block-look';
import { noiseOfLine } from './noise';
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
	return (
		bulletsAt(lines, start) ??
		numbersAt(lines, start) ??
		numbersApartAt(lines, start) ??
		amountsAt(lines, start)
	);
}

/** An amount before what it is of: "85g butter", "½ tsp salt", "4 (225 g) breasts". */
const AMOUNT =
	/^(?:about |~|≈)?(?:\d[\d.,/]*|[½¼¾⅓⅔⅛])\s?[½¼¾⅓⅔⅛]?(?:\s\d\/\d)?(?:\s?[-–]\s?\d[\d.,/]*)?\s*(?:\([^)]{1,24}\)\s*)?\p{L}/u;
const WORDS_OF_AMOUNT = 28;
/** Words of a line of such a list without an amount. */
const WORDS_OF_NEED = 8;
const LEAST_AMOUNTS = 3;

/** Whether a line can stand in a list of amounts, with one in front or not: "Pinch of salt". */
function isOfAmounts(line: string): boolean {
	return (
		countWords(line) <= (AMOUNT.test(line) ? WORDS_OF_AMOUNT : WORDS_OF_NEED) &&
		!/\p{Ll}{3}[.!?:]$/u.test(line) &&
		// "12 shares", "40 views"
		noiseOfLine(line) === null
	);
}

/** Lines from one with an amount on, half of them with one: what is needed for something. */
function amountsAt(lines: readonly string[], start: number): TypedList | null {
	if (!AMOUNT.test(lines[start] ?? '')) return null;
	let end = start;
	while (end < lines.length && isOfAmounts(lines[end]!)) end++;
	const items = lines.slice(start, end);
	const amounts = items.filter((line) => AMOUNT.test(line)).length;
	if (amounts < LEAST_AMOUNTS || amounts < 0.5 * items.length) return null;
	return { ordered: false, items, lines: items.length };
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
		BULLET.test(block.text) ||
		isNumber(block.text, 1) ||
		(!bold && (numberOf(block.text) === 1 || AMOUNT.test(block.text)))
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
	const areAmounts = 'text' in raw[start]!.block && AMOUNT.test(raw[start]!.block.text);
	const lines: string[] = [];
	for (let i = start; i < raw.length; i++) {
		const { block, path, bold } = raw[i]!;
		if (block.kind !== 'paragraph') break;
		const at = lines.length;
		if (isApart ? at % 2 === 0 && !isNumber(block.text, at / 2 + 1) : !areTogether(first, path))
			break;
		if (areAmounts ? bold || !isOfAmounts(block.text) : !isApart && !isNext(block.text, bold, at))
			break;
		lines.push(block.text);
	}
	return lines;
}

/** Whether a line goes on a list that was typed: with a bullet, or the number that is next. */
function isNext(line: string, bold: boolean, at: number): boolean {
	return BULLET.test(line) || (!bold && numberOf(line) === at + 1);
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
