import { ASIDE, BRIEF, TO_DO, WORD_COUNT, kindUnder } from './cues';
import { CHATTER } from './said-of-lines';
import type { LineShape, NoteLine } from './note-lines';
import type { Speech } from './speakers';

/** Lines that belong together: a paragraph, a list, a table. */
export interface NoteGroup {
	readonly kind: 'heading' | 'label' | 'mail' | 'quoted' | 'remark' | 'table' | 'list' | 'text';
	readonly lines: readonly NoteLine[];
	/** Of a list: whether it is numbered, or ticked off. */
	readonly marks: 'number' | 'bullet' | 'box' | '';
}

/** Lines side by side from which they are rows of a table. */
const LEAST_ROWS = 3;

/** Words that a row made of jotted lines has on average at most. */
const WORDS_IN_A_ROW = 14;

/** Share of rows that hold a figure. */
const WITH_FIGURES = 0.6;

const BETWEEN_CELLS = /\s[–—-]\s|\s?[→⇒]\s?|:\s|\t/u;
const OPENS_WITH_PRICE = /^[£$€~<>≤≥]?\s?[£$€]\s?\d/;
const MONEY = /[£$€]\s?\d|\d\s?(?:p|pence|cents?|euros?|dollars?|quid)\b/i;

/** Puts the lines of a note together, and tells headings that nothing marks. */
export function groupsOf(
	lines: readonly NoteLine[],
	speeches: ReadonlyMap<NoteLine, Speech>
): NoteGroup[] {
	const groups: NoteGroup[] = [];
	const isMarked = lines.filter(({ shape }) => shape === 'heading').length >= 2;
	for (let i = 0; i < lines.length; i++) {
		const line = lines[i]!;
		const run = runFrom(lines, i, speeches);
		switch (line.shape) {
			case 'blank':
			case 'rule':
				continue;
			case 'heading':
			case 'mail':
			case 'quoted':
			case 'remark':
				groups.push({ kind: line.shape, lines: [line], marks: '' });
				continue;
			case 'row':
			case 'columns':
				groups.push({ kind: 'table', lines: run, marks: '' });
				break;
			case 'bullet':
			case 'number':
			case 'box':
				groups.push(
					areRows(run)
						? { kind: 'table', lines: run, marks: '' }
						: { kind: 'list', lines: run, marks: line.shape }
				);
				break;
			default:
				groups.push(
					...textGroups(run, {
						next: lines.slice(i + run.length).find(({ shape }) => shape !== 'blank'),
						isOver: run.length > 1 || (lines[i + 1]?.shape ?? 'blank') !== 'blank',
						before: lines[i - 1],
						isFirst: i === firstTextOf(lines),
						isMarked,
						isSpeech: speeches.has(line),
						heading: groups.findLast(({ kind }) => kind === 'heading' || kind === 'label')?.lines[0]
							?.text
					})
				);
		}
		i += run.length - 1;
	}
	return groups;
}

function firstTextOf(lines: readonly NoteLine[]): number {
	return lines.findIndex(({ shape }) => shape !== 'blank' && shape !== 'rule');
}

const RUNS: Partial<Record<LineShape, ReadonlySet<LineShape>>> = {
	row: new Set<LineShape>(['row', 'rule']),
	columns: new Set<LineShape>(['row', 'rule']),
	bullet: new Set<LineShape>(['bullet']),
	number: new Set<LineShape>(['number']),
	box: new Set<LineShape>(['box']),
	plain: new Set<LineShape>(['plain', 'effect']),
	effect: new Set<LineShape>(['plain', 'effect'])
};

/** Lines from a place on that go on as it begins; entries of a list may have a blank between them. */
function runFrom(
	lines: readonly NoteLine[],
	from: number,
	speeches: ReadonlyMap<NoteLine, Speech>
): NoteLine[] {
	const follow = RUNS[lines[from]!.shape];
	const run = [lines[from]!];
	if (!follow) return run;
	for (let k = from + 1; k < lines.length; k++) {
		const line = lines[k]!;
		if (!follow.has(line.shape)) break;
		if (line.shape === 'number' && line.rank <= lines[k - 1]!.rank) break;
		if (speeches.has(line) !== speeches.has(lines[from]!) && line.shape === 'plain') break;
		run.push(line);
	}
	return run;
}

/** What stands around lines of text. */
interface Around {
	/** The line behind them, blanks skipped. */
	readonly next: NoteLine | undefined;
	/** Whether something stands right below the first. */
	readonly isOver: boolean;
	readonly before: NoteLine | undefined;
	/** Whether they open the note. */
	readonly isFirst: boolean;
	/** Whether the note marks its headings itself. */
	readonly isMarked: boolean;
	readonly isSpeech: boolean;
	/** What they stand under. */
	readonly heading: string | undefined;
}

/** Lines of text: headings that nothing marks, rows that stand below one another, paragraphs. */
function textGroups(
	run: readonly NoteLine[],
	{ next, before, isFirst, isMarked, isSpeech, isOver, heading }: Around
): NoteGroup[] {
	const standsFree = before === undefined || before.shape === 'blank' || before.shape === 'rule';
	const opens = standsFree || before?.shape === 'heading' || isBehindList(before, run);
	const groups: NoteGroup[] = [];
	let at = 0;
	const first = run[0]!;
	const canHead = first.shape === 'plain' && opens && !isSpeech;
	const isColon = first.text.endsWith(':');
	if (canHead && (isFirst || isColon || !isMarked) && isHeadingLine(first.text, isFirst, isOver)) {
		const isLabel = !isFirst && (isColon || !standsFree);
		groups.push({ kind: isLabel ? 'label' : 'heading', lines: [first], marks: '' });
		at = 1;
	}
	const over = at > 0 ? first.text : heading;
	let text: NoteLine[] = [];
	const close = () => {
		if (text.length > 0) groups.push({ kind: 'text', lines: text, marks: '' });
		text = [];
	};
	while (at < run.length) {
		const schedule = scheduleFrom(run, at);
		if (schedule.length >= LEAST_ROWS) {
			close();
			groups.push({ kind: 'list', lines: schedule, marks: 'number' });
			at += schedule.length;
			continue;
		}
		if (at > 0 && !isSpeech && (isCapitalHead(run, at) || isKnownHead(run, at))) {
			close();
			groups.push({ kind: 'heading', lines: [run[at]!], marks: '' });
			at++;
			continue;
		}
		if (!isSpeech && isHeadOfSteps(run, at)) {
			close();
			groups.push({ kind: 'label', lines: [run[at]!], marks: '' });
			const steps = ordersFrom(run, at + 1);
			if (steps.length > 0) groups.push({ kind: 'list', lines: steps, marks: 'number' });
			at += 1 + steps.length;
			continue;
		}
		if (at > 0 && !isSpeech && isHeadAmongRows(run, at)) {
			close();
			groups.push({ kind: 'label', lines: [run[at]!], marks: '' });
			at++;
			continue;
		}
		const rows = isSpeech ? [] : rowsFrom(run, at, over !== undefined && OF_COSTS.test(over));
		if (rows.length >= LEAST_ROWS) {
			const label = text.at(-1);
			if (label && label.shape === 'plain' && isLabelLine(label.text)) {
				text.pop();
				close();
				groups.push({ kind: 'label', lines: [label], marks: '' });
			}
			close();
			groups.push({ kind: 'table', lines: rows, marks: '' });
			at += rows.length;
			continue;
		}
		const line = run[at]!;
		const isLast = at === run.length - 1;
		if (isLast && next && isEntry(next) && line.shape === 'plain' && isLabelLine(line.text)) {
			close();
			groups.push({ kind: 'label', lines: [line], marks: '' });
		} else text.push(line);
		at++;
	}
	close();
	return groups;
}

/** Words of a line right behind a list that heads what is below it: "Method". */
const BEHIND_LIST = 4;

/** Whether lines stand right behind a list and open with a few words over shorter or other lines. */
function isBehindList(before: NoteLine | undefined, run: readonly NoteLine[]): boolean {
	if (!before || !/^(?:bullet|number|box)$/.test(before.shape) || run.length < LEAST_ROWS)
		return false;
	const { text } = run[0]!;
	return /^\p{Lu}/u.test(text) && !/\d/.test(text) && text.split(/\s+/).length <= BEHIND_LIST;
}

function isEntry({ shape }: NoteLine): boolean {
	return shape === 'bullet' || shape === 'number' || shape === 'row' || shape === 'columns';
}

/** Words that a heading has at most; a title has more. */
const LONGEST_HEADING = 9;
const LONGEST_TITLE = 16;

function isHeadingLine(text: string, isFirst: boolean, isOver: boolean): boolean {
	const words = text
		.replace(/\([^)]*\)/g, '')
		.split(/\s+/)
		.filter(Boolean).length;
	if (/[.;!]$/.test(text) || /[=→|]|\.\s/.test(text) || /^["“]/.test(text)) return false;
	if (BRIEF.test(text) || WORD_COUNT.test(text)) return false;
	if (isFirst)
		return (
			words <= LONGEST_TITLE &&
			!/^(?:hi|hello|dear|hey)\b|^(?:ok(?:ay)?|um+|so|right)\s/i.test(text)
		);
	if (!isOver || words > LONGEST_HEADING) return false;
	if (text.endsWith(':')) return true;
	if (isInPassing(text)) return false;
	return !/\s[–—-]\s/.test(text) && !/[?,]$/.test(text) && !/:\s/.test(text);
}

/** How a mail ends, what is still to be done, and what is said in brackets: it heads nothing. */
function isInPassing(text: string): boolean {
	return ASIDE.test(text) || CHATTER.test(text) || TO_DO.test(text) || /^\(.*\)$/.test(text);
}

/** A line over rows or entries: "by weekly miles, from the same log:", "How". */
function isLabelLine(text: string): boolean {
	if (/[.!?]\s/.test(text)) return false;
	if (text.endsWith(':')) return text.split(/\s+/).length <= LONGEST_TITLE;
	if (isInPassing(text)) return false;
	if (/^\d|,/.test(text.replace(/\([^)]*\)/g, ''))) return false;
	const words = text
		.replace(/\([^)]*\)/g, '')
		.split(/\s+/)
		.filter(Boolean).length;
	return words <= LONGEST_HEADING && !/[.;!?]$/.test(text) && !/[=→]|\.\s/.test(text);
}

/** What opens a line of a schedule: "8 wks:", "the day before:", "after:". */
const TIME_FIRST =
	/^(?:(?:about |~)?\d[\d–-]*\s?(?:wks?|weeks?|days?|months?|mths?|mos?|hrs?|hours?|h|mins?|minutes)\b|(?:the )?(?:day|night|morning|evening|afternoon|week|month|last|first|next|same|moving|final)\b|(?:after|before|afterwards|then|finally|week|month|day) ?\d*\b)[^:.]{0,24}:\s/i;

/** Lines from a place on that say one after the other what is to be done when. */
function scheduleFrom(run: readonly NoteLine[], from: number): NoteLine[] {
	let to = from;
	while (to < run.length && run[to]!.shape === 'plain' && TIME_FIRST.test(run[to]!.text)) to++;
	const lines = run.slice(from, to);
	return lines.filter(({ text }) => /^[^:]*\d/.test(text)).length >= 2 ? lines : [];
}

/** What stands over a list of what things cost. */
const OF_COSTS =
	/\b(?:costs?|prices?|budgets?|spend(?:ing)?|spent|bills?|expenses|outlay|quotes? from)\b/i;

/** A thing and what it comes to, however the two are parted: "auto door 95", "hens 3 @ £22". */
const AMOUNT =
	/^(\S.{1,48}?)\s*(?:\s[–—-]\s|:\s|\s=\s|\s(?=\d+ ?[@x×] ?[£$€]?\d)|\s(?=(?:about |approx\.? |~)?[£$€]?\d[\d.,]*(?:p|k|ish)*$))(?=\S)(.*\d.*)$/i;

/** An amount before what it is of: "500 g flour", "2 eggs", "½ tsp salt". */
const AMOUNT_FIRST =
	/^(?:about |~)?(?:\d[\d.,/]*\s?[½¼¾⅓⅔]?|[½¼¾⅓⅔])(?:\s?[-–]\s?\d[\d.,/]*)?\s?(?:x\s|×\s?|\p{L}{1,6}\.?\s)?(?=\p{L})/u;
const WORDS_OF_AMOUNT = 6;

function isAmountOf(text: string): boolean {
	return (
		AMOUNT_FIRST.test(text) && text.split(/\s+/).length <= WORDS_OF_AMOUNT && !/[.!?:;]/.test(text)
	);
}

/** A word or two behind rows and over other lines: "Method" below what goes into a dough. */
function isHeadAmongRows(run: readonly NoteLine[], at: number): boolean {
	const { text, shape } = run[at]!;
	return (
		shape === 'plain' &&
		at + 2 < run.length &&
		isAmountOf(run[at - 1]!.text) &&
		!isAmountOf(text) &&
		/^\p{Lu}[^.,:;!?\d]*:?$/u.test(text) &&
		text.split(/\s+/).length <= 2
	);
}

/** A few words in capitals over other lines: "FACTS FROM OUR TECHS". */
function isCapitalHead(run: readonly NoteLine[], at: number): boolean {
	const { text, shape } = run[at]!;
	const isCapital = (said: string) => /\p{Lu}{4}/u.test(said) && said === said.toUpperCase();
	return (
		shape === 'plain' &&
		at + 1 < run.length &&
		isCapital(text) &&
		/^[^\d.,:;!?"“”=→|]*:?$/.test(text) &&
		text.split(/\s+/).length <= LONGEST_HEADING &&
		!isCapital(run[at + 1]!.text)
	);
}

/** What a part of notes is often called, alone on a line over others: "Actions", "Do not say". */
function isKnownHead(run: readonly NoteLine[], at: number): boolean {
	const { text, shape } = run[at]!;
	return (
		shape === 'plain' &&
		at + 1 < run.length &&
		/^\p{Lu}[^.,;!?\d"“”=→|]*$/u.test(text) &&
		text.split(/\s+/).length <= WORDS_OF_KNOWN &&
		!/:\s/.test(text) &&
		kindUnder(text.replace(/:$/, '')) !== null
	);
}

const WORDS_OF_KNOWN = 3;

/** A word that says that steps follow, over two lines and more: "Order", "Method". */
function isHeadOfSteps(run: readonly NoteLine[], at: number): boolean {
	const { text, shape } = run[at]!;
	return shape === 'plain' && at + 2 < run.length && STEPS_FOLLOW.test(text);
}

const STEPS_FOLLOW =
	/^(?:the )?(?:order|steps|method|procedure|instructions|routine|how to do it|what to do)\s*:?$/i;

/** What says how something is, and not what to do: "A green pool takes five days", "Sand: every 5 years". */
const STATES =
	/^(?:an?|the|this|that|it|they|we|she|he|there|some|most|all|if|when)\s.*\b(?:is|are|was|were|takes?|has|have|had|costs?|means|lasts?|needs?|comes?|goes|gets?|works?|helps?|kills?|makes?|wants?)\b|^[^:]{1,30}:\s|^\(|\?$/i;

/** Lines from a place on that say what to do, three and more; else none. */
function ordersFrom(run: readonly NoteLine[], from: number): NoteLine[] {
	let to = from;
	while (to < run.length && run[to]!.shape === 'plain' && !STATES.test(run[to]!.text)) to++;
	return to - from >= LEAST_ROWS ? run.slice(from, to) : [];
}

/** Lines from a place on that can be rows of one table; under costs whatever comes to something is one. */
function rowsFrom(run: readonly NoteLine[], from: number, areCosts: boolean): NoteLine[] {
	if (areCosts) {
		let end = from;
		while (end < run.length && run[end]!.shape === 'plain' && isAmount(run[end]!.text)) end++;
		const amounts = run.slice(from, end);
		if (
			amounts.filter(({ text }) => MONEY.test(text)).length * 2 >=
			Math.max(LEAST_ROWS, end - from)
		)
			return amounts;
	}
	let end = from;
	while (end < run.length && run[end]!.shape === 'plain' && isAmountOf(run[end]!.text)) end++;
	if (end - from >= LEAST_ROWS) return run.slice(from, end);
	let to = from;
	while (to < run.length && run[to]!.shape === 'plain' && isRowLike(run[to]!.text)) to++;
	const rows = run.slice(from, to);
	return areRows(rows) ? rows : [];
}

function isAmount(text: string): boolean {
	return (
		AMOUNT.test(text) &&
		!/^(?:so|and|but|if|then|which|that|i|we|he|she|they)\b/i.test(text) &&
		text.split(/\s+/).length <= WORDS_IN_A_ROW
	);
}

function isRowLike(text: string): boolean {
	const parts = text.split(BETWEEN_CELLS);
	return (
		parts.length >= 2 &&
		parts[0]!.split(/\s+/).length <= 6 &&
		text.split(/\s+/).length <= 1.6 * WORDS_IN_A_ROW &&
		!/[?]$/.test(text)
	);
}

/** Whether lines of one look are rows: cells side by side with figures in them, or prices first. */
function areRows(lines: readonly NoteLine[]): boolean {
	if (lines.length < LEAST_ROWS) return false;
	const texts = lines.map(({ text }) => text);
	const share = (holds: (text: string) => boolean) => texts.filter(holds).length / texts.length;
	const words = texts.join(' ').split(/\s+/).length / texts.length;
	if (words > WORDS_IN_A_ROW) return false;
	if (share((text) => OPENS_WITH_PRICE.test(text)) >= WITH_FIGURES) return true;
	const cells = (text: string) =>
		/\s[–—-]\s/.test(text) ? true : /^[^:]{1,40}:\s/.test(text) && words <= 8;
	if (share(cells) < 0.9) {
		// a numbered list of prices: "1. zips £38 for a new zip"
		const isNumbered = lines[0]!.shape === 'number';
		if (isNumbered && words <= 6 && share((text) => /\s\d[\d.,]*\s?%?$/.test(text)) >= 0.8)
			return true;
		return isNumbered && share((text) => MONEY.test(text)) >= WITH_FIGURES;
	}
	return share((text) => /\d/.test(text)) >= WITH_FIGURES;
}

/** The cells of a row, by strokes or by dashes. */
export function cellsOfRow({ cells, text }: NoteLine): string[] {
	if (cells.length > 0) return [...cells];
	const price = /^([£$€~<>]*\s?[£$€]\s?[\d.,]+(?:\s?[–-]\s?[£$€]?[\d.,]+)?\+?)\s+(.+)$/.exec(text);
	if (price) return [price[2]!, price[1]!];
	const parts = text.split(/\s[–—-]\s/);
	if (parts.length > 1) return parts.map((part) => part.trim());
	const colon = /^([^:]{1,40}):\s+(.+)$/.exec(text);
	if (colon) return [colon[1]!, colon[2]!];
	const before = AMOUNT_FIRST.exec(text)?.[0];
	if (before !== undefined && isAmountOf(text)) return [text.slice(before.length), before.trim()];
	const amount = AMOUNT.exec(text);
	return amount ? [amount[1]!, amount[2]!] : [text];
}

/** Lines that a program broke at a width are one paragraph. */
export function isWrapped(lines: readonly NoteLine[]): boolean {
	if (lines.length < 2) return false;
	const inner = lines.slice(0, -1).map(({ text }) => text);
	const isFull = inner.every((text) => text.length >= 50 && text.length <= 110);
	const runsOn =
		inner.filter((text) => !/[.!?:]["”')\]]*$/.test(text)).length >= 0.6 * inner.length;
	// two thoughts put down below one another, and no line that was broken
	if (lines.length === 2 && (inner[0]!.length < 66 || /[\d)\]"”!]$/.test(inner[0]!))) return false;
	// what was broken at a width had no room for the next word
	const width = Math.max(...inner.map(({ length }) => length));
	const hasRoom = inner.some(
		(said, i) => said.length + 1 + lines[i + 1]!.text.split(' ')[0]!.length <= width
	);
	if (hasRoom) return false;
	const lower = lines.slice(1).filter(({ text }) => /^\p{Ll}/u.test(text)).length;
	return (
		isFull &&
		runsOn &&
		lower >= 0.5 * (lines.length - 1) &&
		lines.every(({ shape }) => shape === 'plain')
	);
}
