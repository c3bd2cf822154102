import { isOfWriting } from './said-of-lines';
import { isAsked } from './kind-of';
import { noteLinesOf, type NoteLine } from './note-lines';
import { presentIn, speakerOfHead, speechesOf, type Speech } from './speakers';
import { groupsOf, type NoteGroup } from './structure';
import type { Speaker } from './unit';
import type { NoteToRead } from './unit-drafts';

/** What a note is as a whole: settled before any of its lines is read as a unit. */
export interface NoteOverview {
	/** The note with one character for each end of a line; places count in it. */
	readonly text: string;
	readonly lines: readonly NoteLine[];
	readonly groups: readonly NoteGroup[];
	/** Whose note it is, where its head says so. */
	readonly head: Speaker | null;
	readonly speeches: ReadonlyMap<NoteLine, Speech>;
	/** What stands before the speeches: names, initials, Q and A. */
	readonly labels: ReadonlySet<string>;
	readonly present: readonly Speaker[];
	/** Questions that the note quotes, in their order. */
	readonly asked: readonly string[];
	readonly isMail: boolean;
	/** Whether answers stand between the quoted lines that they answer. */
	readonly repliesInline: boolean;
	/** Whether it says that what stands in brackets is not to be printed. */
	readonly bracketsAreOff: boolean;
	/** Whether it sets in quotation marks what was said word for word. */
	readonly marksQuotes: boolean;
	readonly isOfWriting: boolean;
	/** Whether its lines end where a thought does, and not at a width. */
	readonly isJotted: boolean;
}

const BRACKETS_ARE_OFF =
	/\b(?:unless|except|bar|apart from)\b[^.\n]{0,30}\bbrackets?(?:ed)?\b|\bin brackets\b[^.\n]{0,40}\b(?:not|off)\b/i;

/** Questions of a mail that its answers may leave open. */
const MOST_LEFT_OPEN = 2;

export function overviewOf({ name, text: given }: NoteToRead): NoteOverview {
	const text = given.replace(/\r\n?/g, (end) => (end === '\r\n' ? ' \n' : '\n'));
	const lines = noteLinesOf(text);
	const head = speakerOfHead(lines, name);
	const present = presentIn(lines);
	const speeches = speechesOf(lines, head, present);
	const quoted = lines.findIndex(({ shape }) => shape === 'quoted');
	return {
		text,
		lines,
		groups: groupsOf(lines, speeches),
		head,
		speeches,
		labels: new Set([...speeches.values()].map(({ label }) => label)),
		present,
		asked: lines
			.filter(({ shape, text }) => shape === 'quoted' && isAsked(text))
			.map((line) => line.text),
		isMail: lines.some(({ shape }) => shape === 'mail'),
		repliesInline:
			quoted >= 0 &&
			lines.slice(quoted).some(({ shape }) => shape === 'plain' || shape === 'bullet'),
		bracketsAreOff: BRACKETS_ARE_OFF.test(text),
		marksQuotes: /["“][^"”\n]{12,}["”]/.test(text),
		isJotted: isJotted(lines),
		isOfWriting: isOfWriting(
			lines.filter(({ shape }) => shape !== 'blank').map((line) => line.text)
		)
	};
}

/** Lines that break before the width is reached, from which all of them are ends of thoughts. */
const LEAST_BREAKS = 3;
const WIDEST = 110;

function isJotted(lines: readonly NoteLine[]): boolean {
	const width = Math.max(
		...lines.map(({ text, shape }) =>
			shape === 'plain' && text.length <= WIDEST ? text.length : 0
		)
	);
	let [early, full] = [0, 0];
	lines.forEach(({ text, shape }, i) => {
		const next = lines[i + 1];
		if (shape !== 'plain' || next?.shape !== 'plain') return;
		// the next word would have had room
		if (text.length + 1 + next.text.split(' ')[0]!.length <= width) early++;
		else full++;
	});
	return early >= LEAST_BREAKS && early > 2 * full;
}

/** Whether a numbered list answers, number by number, what the note quotes. */
export function answersAsked({ lines, asked }: NoteOverview, list: NoteGroup): boolean {
	// steps of a procedure are another count
	const numbered = lines.filter(({ shape }) => shape === 'number').length;
	return (
		list.marks === 'number' &&
		asked.length >= 2 &&
		numbered <= asked.length &&
		numbered >= asked.length - MOST_LEFT_OPEN &&
		list.lines.every(({ rank }) => rank <= asked.length)
	);
}
