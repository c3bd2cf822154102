import { chatLinesOf } from '../chat-on-screen';

/** What a line of a note looks like, before anything is understood. */
export type LineShape =
	| 'blank'
	| 'rule'
	| 'heading'
	| 'label'
	| 'bullet'
	| 'number'
	| 'box'
	| 'row'
	| 'columns'
	| 'mail'
	| 'quoted'
	| 'remark'
	| 'effect'
	| 'plain';

export interface NoteLine {
	readonly shape: LineShape;
	/** Text without its marks. */
	readonly text: string;
	/** Place in the note in UTF-16 units, marks included. */
	readonly start: number;
	readonly end: number;
	/** Level of a heading, number of a numbered entry, depth of quoting; else 0. */
	readonly rank: number;
	readonly cells: readonly string[];
	/** Number of the block of lines without a blank between them. */
	readonly block: number;
	/** Who sent it, in a chat that was copied from the screen. */
	readonly sender?: string;
}

const HEADING = /^(#{1,6})\s+(.*?)\s*#*$/;
const BOLD_LINE = /^(?:\*\*|__)([^*_]{2,80})(?:\*\*|__):?$/;
const BOLD_OPENING = /^(?:\*\*|__)([^*_]{2,60}?)[.:]?(?:\*\*|__)[.:]?\s+(?=\S)/;
/** What a term in bold is followed by where the line says what it is. */
const DEFINES = /^[=≈]|^[–—:-]\s+(?:an?|the|about|any|when|how|what|where|something|anything)\s/i;
const BULLET = /^\s*[-*+•·–—▪◦‣●○]\s+(?=\S)/u;
const BOX = /^\s*(?:[-*+•]\s*)?(?:\[[ xX]?\]|☐|☑|□)\s*/u;
const NUMBER = /^\s*\(?(\d{1,2}|[a-h])[.)]\s+(?=\S)/;
const RULE = /^\s*(?:[-*_=~]\s*){3,}$/;
const SEPARATOR = /^\s*\|?\s*:?-{2,}:?\s*(?:\|\s*:?-{2,}:?\s*)*\|?\s*$/;
const RULED = /^\s*[-=*~]{3,}\s+(\S.{1,60}?)\s+[-=*~]{3,}\s*$/;
const FORWARDED =
	/^\s*-{2,}.{0,40}\b(?:forwarded|original)\b.{0,40}-{2,}\s*$|^\s*-{3,}\s*forwarded\b/i;
const MAIL = /^\s*(?:\*\*)?(From|To|Cc|Bcc|Date|Sent|Subject|Re|Fw|Fwd)(?:\*\*)?\s*:\s*(?=\S)/i;
const QUOTED = /^\s*((?:>\s?)+)/;
/** The line above the signature of a mail, "-- " (RFC 3676, section 4.3). */
const SIGNATURE = /^-- ?$/;
/** Lines below it that can belong to the signature. */
const MOST_SIGNED = 12;

/** A box that a program for notes draws around a remark: "> [!note] …". */
const CALLOUT = /^\s*>\s*\[!\p{L}+\][+-]?\s*(.*)$/u;

const REMARK = /^\s*(?:\/\/|%%|NB\b:?|N\.B\.:?)\s*/;
const EFFECT = /^\s*(?:→+|->+|=>|⇒|➜|➔)\s*/u;

/** How a mail closes; what stands below it in a few words is who wrote it. */
const CLOSING =
	/^(?:(?:with )?(?:kind|warm|best)(?:est)? (?:regards|wishes)|best|regards|cheers|many thanks|thanks|thank you|all (?:the|my) best|warmly|yours(?: \p{L}+)?|sincerely|love|ta|x+)[,!.]?$/iu;
const MOST_CLOSED = 5;
const WORDS_OF_SIGNED = 8;

/** Lines from the start in which the fields of a mail can stand. */
const MAIL_HEAD = 14;

/** Cuts a note into lines, each with its look. Places are those in the text given. */
export function noteLinesOf(text: string): NoteLine[] {
	const lines: NoteLine[] = [];
	let block = 0;
	let at = 0;
	let mailUntil = MAIL_HEAD;
	let signedUntil = 0;
	let closedUntil = 0;
	let inCallout = false;
	const raws = text.split('\n');
	const propertiesEnd = endOfProperties(raws);
	raws.forEach((raw, i) => {
		const start = at;
		at += raw.length + 1;
		const end = start + raw.length;
		const add = (shape: LineShape, said: string, rank = 0, from = start, to = end) =>
			lines.push({ shape, text: said.trim(), start: from, end: to, rank, cells: [], block });
		const line = raw.replace(/\r$/, '');
		if (line.trim() === '') {
			block++;
			return add('blank', '');
		}
		if (i <= propertiesEnd) return add(/^---\s*$/.test(line) ? 'rule' : 'remark', plain(line));
		if (SIGNATURE.test(line) && lines.some(({ shape }) => shape === 'mail')) {
			signedUntil = i + MOST_SIGNED;
			return add('rule', '');
		}
		if (FORWARDED.test(line)) {
			signedUntil = 0;
			mailUntil = i + MAIL_HEAD;
			return add('rule', '');
		}
		if (i <= signedUntil && signedUntil > 0 && !QUOTED.test(line) && !MAIL.test(line))
			return add('remark', plain(line));
		if (
			i > 0 &&
			i <= closedUntil &&
			line.trim().split(/\s+/).length <= WORDS_OF_SIGNED &&
			isSigned(line)
		)
			return add('remark', plain(line));
		closedUntil = 0;
		if (CLOSING.test(line.trim()) && lines.some(({ shape }) => shape === 'mail'))
			closedUntil = i + MOST_CLOSED;
		if (i <= signedUntil) signedUntil = 0;
		if (line.includes('|') && SEPARATOR.test(line)) return add('rule', '', 1);
		if (RULE.test(line)) return add('rule', '');
		const ruled = RULED.exec(line);
		if (ruled) return add('heading', plain(ruled[1]!), 2);
		const heading = HEADING.exec(line);
		if (heading) return add('heading', plain(heading[2]!), Math.min(4, heading[1]!.length));
		const bold = BOLD_LINE.exec(line.trim());
		if (bold) return add('heading', plain(bold[1]!), 3);
		const opening = BOLD_OPENING.exec(line.trim());
		if (
			opening &&
			line.trim().length > opening[0].length &&
			!DEFINES.test(line.trim().slice(opening[0].length))
		) {
			const cut = start + line.indexOf(opening[0]) + opening[0].length;
			add('heading', plain(opening[1]!), 3, start, cut);
			return add('plain', plain(text.slice(cut, end)), 0, cut, end);
		}
		const callout = CALLOUT.exec(line);
		if (callout) {
			inCallout = true;
			return callout[1] === '' ? add('rule', '') : add('plain', plain(callout[1]!));
		}
		const quoted = QUOTED.exec(line);
		if (!quoted) inCallout = false;
		else if (inCallout) return add('plain', plain(line.slice(quoted[0].length)));
		if (quoted) {
			const said = line.slice(quoted[0].length);
			return add('quoted', plain(said.replace(NUMBER, '')), quoted[1]!.replace(/\s/g, '').length);
		}
		const mail = i < mailUntil ? MAIL.exec(line) : null;
		if (mail) return add('mail', plain(line.trim()));
		if (REMARK.test(line)) return add('remark', plain(line.replace(REMARK, '')));
		if (EFFECT.test(line)) return add('effect', plain(line.replace(EFFECT, '')));
		if (BOX.test(line)) return add('box', plain(line.replace(BOX, '')));
		const number = NUMBER.exec(line);
		if (number) {
			const rank = /\d/.test(number[1]!) ? Number(number[1]) : number[1]!.charCodeAt(0) - 96;
			return add('number', plain(line.slice(number[0].length)), rank);
		}
		if (BULLET.test(line)) return add('bullet', plain(line.replace(BULLET, '')));
		return add('plain', plain(line));
	});
	return asTables(
		asUnderlined(asNumberedParts(asCounted(asNumbered(asLog(asMessages(lines)))))),
		text
	);
}

/** Whether a line below the closing of a mail can be a name, a post, an address. */
function isSigned(line: string): boolean {
	return !/^\s*(?:p\.?\s?s\b|>|[-*•]\s)|[?:]\s*$/i.test(line) && !MAIL.test(line);
}

/** Lines that the properties of a note can take up. */
const MOST_PROPERTIES = 40;

/** Where the properties end that a program put over a note, between two lines of dashes; −1 for none. */
function endOfProperties(lines: readonly string[]): number {
	if (!/^---\s*$/.test(lines[0] ?? '')) return -1;
	const end = lines.slice(1, MOST_PROPERTIES).findIndex((line) => /^---\s*$/.test(line));
	const inside = lines.slice(1, end + 1);
	const areFields = inside.every((line) => /^(?:[\w -]{1,40}:(?:\s|$)|\s+\S|-\s|\s*$)/.test(line));
	return end >= 0 && areFields ? end + 1 : -1;
}

const DAY = String.raw`(?:mon|tues?|weds?|wednes|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day)?\.?`;
const MONTH = String.raw`(?:jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)\p{L}*\.?`;
const DATE = String.raw`(?:\d{4}-\d\d-\d\d|\d{1,2}(?:st|nd|rd|th)?(?:\s${MONTH}|[./]\d{1,2})(?:[\s./]\d{2,4})?|${MONTH}\s\d{1,2}(?:st|nd|rd|th)?)`;
/** A day before what was put down on it: "sat 4/4 - …", "12 March: …". */
const OF_DAY = new RegExp(
	String.raw`^(?:${DAY}(?:,?\s${DATE})?|${DATE})(?:,?\s\d{1,2}[:.]\d\d)?\s*(?:[–—-]|:)\s+(?=\S)`,
	'iu'
);
/** Days from which a note is kept as a log, and words that stand on one of them on average. */
const LEAST_DAYS = 3;
const WORDS_ON_A_DAY = 8;

/** Messages of a chat from the screen; names and times on lines of their own go with them. */
function asMessages(lines: readonly NoteLine[]): NoteLine[] {
	const chat = chatLinesOf(lines.map(({ text }) => text));
	if (!chat) return [...lines];
	return lines.map((line, i): NoteLine => {
		const part = chat[i];
		if (!part) return line;
		if (part === 'around') return { ...line, shape: 'rule', text: '' };
		return { ...line, shape: 'plain', sender: part.sender };
	});
}

/** A log says on each day what happened; the day is no part of it, and values by days are a table. */
function asLog(lines: readonly NoteLine[]): NoteLine[] {
	const days = lines.filter(
		({ shape, text }) => (shape === 'plain' || shape === 'bullet') && OF_DAY.test(text)
	);
	const words = days
		.flatMap(({ text }) => text.replace(OF_DAY, '').split(/\s+/))
		.filter(Boolean).length;
	if (days.length < LEAST_DAYS || words < WORDS_ON_A_DAY * days.length) return [...lines];
	const logged = new Set(days);
	return lines.map((line) =>
		logged.has(line) ? { ...line, text: line.text.replace(OF_DAY, '') } : line
	);
}

const DASHED_NUMBER = /^(\d{1,2})\s*[–—-]\s+(?=\S)/;

/** "1. Water" over lines of its own, time and again: the parts of minutes are numbered, and not a list. */
const WORDS_OF_PART = 5;

function asNumberedParts(lines: readonly NoteLine[]): NoteLine[] {
	const parts = lines.filter((line, i) => {
		const next = lines[i + 1]?.shape;
		return (
			line.shape === 'number' &&
			(next === 'plain' || next === 'bullet' || next === 'quoted') &&
			line.text.split(/\s+/).length <= WORDS_OF_PART &&
			/^\p{Lu}/u.test(line.text) &&
			!/[.;!?,]$|\d/.test(line.text)
		);
	});
	const numbered = lines.filter(({ shape }) => shape === 'number').length;
	const isCounted = parts.every(({ rank }, i) => rank === i + 1);
	if (parts.length < 2 || parts.length < numbered || !isCounted) return [...lines];
	const heads = new Set(parts);
	return lines.map((line) => (heads.has(line) ? { ...line, shape: 'heading', rank: 2 } : line));
}

/** "1 slope cut …", "2 tongue …", "3 push …": counted off without a mark, in a few words each. */
const BARE_NUMBER = /^(\d{1,2})\s+(?=\p{L})/u;
const LEAST_COUNTED = 3;

function asCounted(lines: readonly NoteLine[]): NoteLine[] {
	const rankOf = (line: NoteLine | undefined) =>
		line?.shape === 'plain' ? Number(BARE_NUMBER.exec(line.text)?.[1] ?? Number.NaN) : Number.NaN;
	const done = [...lines];
	for (let i = 0; i < lines.length; i++) {
		if (rankOf(lines[i]) !== 1) continue;
		let end = i;
		while (rankOf(lines[end]) === end - i + 1) end++;
		const run = lines.slice(i, end);
		// "1 egg", "2 onions", "3 carrots" are amounts
		const words = run.flatMap(({ text }) => text.split(/\s+/)).length;
		// and "1 season – …", "2 season – …" are kinds of one thing
		const opens = new Set(run.map(({ text }) => text.split(/\s+/)[1]));
		if (run.length < LEAST_COUNTED || words < 4 * run.length || opens.size < run.length) continue;
		run.forEach((line, k) => {
			const text = line.text.replace(BARE_NUMBER, '');
			done[i + k] = { ...line, shape: 'number', rank: k + 1, text };
		});
	}
	return done;
}

/** "1 – …", "2 – …" below one another are numbered entries, "0 mi – 0°" is none. */
function asNumbered(lines: readonly NoteLine[]): NoteLine[] {
	const rankOf = (line: NoteLine | undefined) =>
		line?.shape === 'plain' ? Number(DASHED_NUMBER.exec(line.text)?.[1] ?? Number.NaN) : Number.NaN;
	return lines.map((line, i) => {
		const rank = rankOf(line);
		const follows = rankOf(lines[i - 1]) === rank - 1 || (rank === 1 && rankOf(lines[i + 1]) === 2);
		return follows
			? { ...line, shape: 'number', rank, text: line.text.replace(DASHED_NUMBER, '') }
			: line;
	});
}

/** Text without marks of emphasis and addresses of links. */
function plain(text: string): string {
	return text
		.replace(/!?\[([^\]]*)\]\((?:[^()\s]|\([^()]*\))+\)/g, '$1')
		.replace(/(\*\*|__)(?=\S)(.+?)(?<=\S)\1/g, '$2')
		.replace(/(?<![\p{L}\p{N}*_])([*_])(?=\S)([^*_]+?)(?<=\S)\1(?![\p{L}\p{N}*_])/gu, '$2')
		.replace(/`([^`]+)`/g, '$1')
		.replace(/!?\[\[(?:[^\]|]*\|)?([^\]|]+)\]\]/g, '$1')
		.replace(/(?:\s#\p{L}[\p{L}\p{N}_/-]*)+$/u, '')
		.replace(/[ \t\u00a0]+/g, ' ')
		.trim();
}

/** "Title" over a line of signs is a heading. */
function asUnderlined(lines: readonly NoteLine[]): NoteLine[] {
	return lines.map((line, i) => {
		const next = lines[i + 1];
		const isUnder =
			line.shape === 'plain' &&
			next?.shape === 'rule' &&
			next.rank === 0 &&
			line.text.length <= 90 &&
			(lines[i - 1]?.shape ?? 'blank') === 'blank';
		return isUnder ? { ...line, shape: 'heading', rank: 2 } : line;
	});
}

/** Lines of cells between upright strokes, with or without a line under their head, or between tabs. */
function asTables(lines: readonly NoteLine[], text: string): NoteLine[] {
	const done = [...lines];
	for (let i = 0; i < lines.length; i++) {
		const run: number[] = [];
		let k = i;
		for (; k < lines.length; k++) {
			const { shape, rank, start, end } = lines[k]!;
			if (shape === 'rule' && rank === 1 && run.length > 0) continue;
			if (shape !== 'plain' && shape !== 'bullet') break;
			if (cellsOf(text.slice(start, end)).length < 2) break;
			run.push(k);
		}
		if (run.length >= 2) {
			const hasRule = lines[run[0]! + 1]?.shape === 'rule';
			const cells = run.map((at) => cellsOf(text.slice(lines[at]!.start, lines[at]!.end)));
			const isHead = hasRule || namesColumns(cells);
			run.forEach((at, n) => {
				const said = cells[n]!.filter((cell) => cell !== '').join(' | ');
				const shape = n === 0 && isHead ? 'columns' : 'row';
				done[at] = { ...lines[at]!, shape, cells: cells[n]!, text: said };
			});
			i = k - 1;
		}
	}
	return done;
}

function cellsOf(line: string): string[] {
	const inner = line.trim().replace(/^\|/, '').replace(/\|$/, '');
	const parts = inner.includes('|') ? inner.split('|') : inner.split('\t');
	return parts.length < 2 ? [] : parts.map(plain);
}

/** The first row names the columns when it holds no figure and the others do, or when it says so. */
function namesColumns([head, ...rows]: readonly (readonly string[])[]): boolean {
	if (head![0] === '') return true;
	const hasFigure = (row: readonly string[]) => row.slice(1).some((cell) => /\d/.test(cell));
	if (/^(?:field|what|item|thing|key|name|topic|question)$/i.test(head![0]!)) return true;
	return !hasFigure(head!) && rows.filter(hasFigure).length >= rows.length / 2;
}
