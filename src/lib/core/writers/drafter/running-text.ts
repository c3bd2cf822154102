import { sentenceCase, type PlanSection } from '../../plan';
import {
	gap,
	list,
	paragraph,
	table,
	textNode,
	type BlockNode,
	type Origin,
	type TextNode
} from '../../manuscript';
import { contentStemsOf, countWords, hasVerb } from '../../text';
import { smoothedEntry } from './smooth';
import { LABELLED } from './holds';
import type { Narrator } from './narrator';
import { isOpenLine, isOwnWords, type Passage } from './note-material';
import { askedBefore } from './with-question';

/** Passages as paragraphs: those of one note paragraph stay together, short neighbours are joined. */
export function paragraphs(
	passages: readonly Passage[],
	section: PlanSection,
	narrator: Narrator
): BlockNode[] {
	// the exact keyword follows the first paragraph of an opening and must stand in the first 100 words
	const most = section.kind === 'opening' ? 60 : 95;
	const blocks: BlockNode[] = [];
	let run: TextNode[] = [];
	let words = 0;
	let last: Passage | null = null;
	let listed = false;
	let answering = '';
	const led = new Set<string>();
	const taken = new Set<Passage>();
	const flush = () => {
		if (run.length > 0) blocks.push(paragraph(...joinRuns(run)));
		run = [];
		words = 0;
	};
	for (const [at, passage] of passages.entries()) {
		if (taken.has(passage)) continue;
		const whole = structureOf(passage, passages.slice(at), taken, narrator);
		if (whole) {
			flush();
			const lead =
				(passage.units.some(isOwnWords) ? narrator.inTheWordsOf(passage) : '') ||
				leadInto(passage, section);
			if (lead !== '' && !led.has(lead)) blocks.push(paragraph(textNode(lead, originOf(passage))));
			led.add(lead);
			blocks.push(whole);
			last = null;
			continue;
		}
		// what cannot stand alone is handed over, unless what it needs was just said or can be said before it
		const isHeld = passage.hold !== null && !(passage.hold === 'leans' && follows(last, passage));
		const told = isHeld ? askedBefore(passage) : null;
		const asked = told === null ? null : narrator.answer(passage, told);
		if ((isHeld && !asked) || isLooseEntry(passage)) {
			flush();
			blocks.push(gap(toWorkIn(passage)));
			last = null;
			continue;
		}
		const joins =
			last !== null &&
			last.note === passage.note &&
			last.heading === passage.heading &&
			words + passage.words <= most;
		const mayJoin = last !== null && last.note === passage.note && words < 30;
		// an answer that was told with what was asked ends with it
		const ends = answering !== '' && passage.asked !== answering;
		if ((!joins && !mayJoin) || asked || ends) flush();
		answering = asked ? passage.asked : ends ? '' : answering;
		const sentences = asked ?? narrator.speak(passage, run.length > 0 && speaksOn(last, passage));
		const items = section.kind === 'list' && !listed ? itemsOf(sentences[0]!) : null;
		if (items) {
			flush();
			blocks.push(paragraph(textNode(`${items.lead}:`, originOf(passage))));
			blocks.push(
				list(
					false,
					items.items.map((item) => [textNode(item, originOf(passage))])
				)
			);
			listed = true;
			sentences.shift();
		}
		for (const sentence of sentences) {
			run.push(...sentenceNodes(sentence, passage, run.length));
			words += countWords(sentence);
		}
		last = passage;
	}
	flush();
	return blocks;
}

/** How a marked note begins that stands in the manuscript to be worked in. */
export const TO_WORK_IN = 'Work in:';

function toWorkIn({ raw, label, hold, asked }: Passage): string {
	const question = hold === 'answer' ? `, asked “${asked.trim()}”` : '';
	return `${TO_WORK_IN} “${raw}” (${label}${question}).`;
}

/** An entry of a list that stands alone here and is no sentence. */
export function isLooseEntry({ form, raw }: Passage): boolean {
	return form === 'entry' && !hasVerb(raw) && !LABELLED.test(raw);
}

/** Whether the one whose words stood last goes on. */
function speaksOn(last: Passage | null, passage: Passage): boolean {
	return (
		last !== null &&
		last.voice.kind === 'speaker' &&
		passage.voice.kind === 'speaker' &&
		last.voice.name === passage.voice.name &&
		last.quoted.at(-1) === true
	);
}

/** Whether a passage stands right behind another in its note. */
function follows(last: Passage | null, passage: Passage): boolean {
	return (
		last !== null &&
		last.note === passage.note &&
		last.heading === passage.heading &&
		last.at === passage.at - 1 &&
		(passage.form !== 'quote' || last.paragraph === passage.paragraph)
	);
}

/** What stands before a list or a table: the heading of the note that it stood under, where it says something new. */
function leadInto({ heading }: Passage, section: PlanSection): string {
	const said = heading
		.replace(DATED, '')
		.replace(/\s*[([].*$/, '')
		.replace(/[.:!?–—-]+$/, '')
		.trim();
	const words = countWords(said);
	if (words < LEAST_LEAD || words > MOST_LEAD || NO_LEAD.test(said)) return '';
	const stems = contentStemsOf(said);
	const known = new Set(contentStemsOf(section.heading));
	if (stems.length === 0 || stems.every((stem) => known.has(stem))) return '';
	return `${sentenceCase(smoothedEntry(said))}:`;
}

/** A single word over a jotting tells the writer something and nobody else. */
const LEAST_LEAD = 2;
const MOST_LEAD = 9;
/** The day of a dated log: "12.02. Test". */
const DATED = /^\d{1,2}[./-]\d{1,2}(?:[./-]\d{2,4})?\.?\s*/;
/** Headings that speak of the note and not of what stands under it. */
const NO_LEAD =
	/\b(?:notes?|article|draft|call|interview|e-?mail|memo|webinar|talk|stuff|transcript|misc|other|todo|intake|sheet|i|me|my|we|us|our|you|your|he|she|his|her|they)\b|^q\b/i;

/** Entries of one list of a note from which they are a list here as well. */
const LEAST_ENTRIES = 2;

/**
 * What is no running text: steps as a numbered list, rows as a table, entries of one list of the
 * note as a list. Entries that are used up with this one are put into `taken`.
 */
function structureOf(
	passage: Passage,
	from: readonly Passage[],
	taken: Set<Passage>,
	narrator: Narrator
): BlockNode | null {
	const nodes = (text: string) => [textNode(text, originOf(passage))];
	if (passage.form === 'steps') return list(true, passage.sentences.map(nodes));
	if (passage.form === 'table') {
		// rows of one cell are entries
		if (passage.rows.every((row) => row.length < 2))
			return list(
				false,
				passage.rows.map(([cell = '']) => nodes(cell))
			);
		const width = Math.max(...passage.rows.map((row) => row.length));
		const cells = passage.rows.map((row) =>
			Array.from({ length: width }, (_, i) => (row[i] ? nodes(row[i]) : []))
		);
		return table(cells, passage.hasHead);
	}
	if (passage.hold === 'dictated') return null;
	if (isLine(passage)) {
		const lines = [passage];
		for (const next of from.slice(1)) {
			if (!isLine(next) || next.note !== passage.note || next.heading !== passage.heading) break;
			lines.push(next);
		}
		if (lines.length >= LEAST_ENTRIES) return listOf(lines, taken, narrator);
	}
	if (passage.form !== 'entry' && !isLabelled(passage)) return null;
	const entries = from.filter(
		(other) =>
			(other.form === 'entry' || isLabelled(other)) &&
			(other.hold === null || other.hold === 'jotting') &&
			other.note === passage.note &&
			(other.paragraph === passage.paragraph || (isLabelled(other) && isLabelled(passage))) &&
			other.heading === passage.heading
	);
	if (entries.length < LEAST_ENTRIES || !entries.includes(passage)) return null;
	return listOf(entries, taken, narrator);
}

function listOf(entries: readonly Passage[], taken: Set<Passage>, narrator: Narrator): BlockNode {
	for (const entry of entries) taken.add(entry);
	return list(
		false,
		entries.map((entry) =>
			narrator.speak(entry).flatMap((text, i) => sentenceNodes(text, entry, i))
		)
	);
}

/** A single line that was jotted for itself. */
function isLine({ form, hold, units, raw }: Passage): boolean {
	return form === 'text' && hold === null && units.length === 1 && isOpenLine(raw);
}

/** "Quotes: two for anything above £1,000": what it is about stands before a colon. */
function isLabelled({ form, units, sentences }: Passage): boolean {
	return form === 'text' && units[0]!.kind === 'claim' && LABELLED.test(sentences[0]!);
}

/** Neighbouring sentences of one origin as one run, so that its sign stands once behind them. */
function joinRuns(nodes: readonly TextNode[]): TextNode[] {
	const joined: TextNode[] = [];
	for (const node of nodes) {
		const last = joined.at(-1);
		const isSpace = node.text === ' ' && !node.marks;
		if (last && (isSpace || sourceOf(last) === sourceOf(node)))
			joined[joined.length - 1] = { ...last, text: `${last.text}${node.text}` };
		else joined.push(node);
	}
	return joined;
}

function sourceOf({ marks }: TextNode): string | undefined {
	return marks?.find((mark) => mark.type === 'origin')?.attrs.source;
}

export function sentenceNodes(text: string, passage: Passage, before: number): TextNode[] {
	const node = textNode(text, originOf(passage));
	return before === 0 ? [node] : [textNode(' '), node];
}

function originOf({ note, label }: Passage): Origin {
	return { source: note, label };
}

/** "You need a hammer, two frames, a spade and a bucket." → what stands before the list, and its items. */
function itemsOf(sentence: string): { lead: string; items: string[] } | null {
	const match = /^(.{3,60}?\b(?:need|needs|include|includes|are|bring|buy|have))\s+(.+?)[.]$/.exec(
		sentence
	);
	if (!match) return null;
	const items = match[2]!
		.split(/,\s+(?:and\s+)?|\s+and\s+(?=(?:a|an|two|three|four|some)\s)/)
		.map((item) => item.trim());
	return items.length >= 4 && items.every((item) => countWords(item) <= 8)
		? { lead: match[1]!, items }
		: null;
}
