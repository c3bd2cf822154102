import { isPrintable, type NoteUnit, type ReadNoteUnits } from '../../notes';
import { contentStemsOf, countWords, hasVerb, isOrder } from '../../text';
import { smoothed, smoothedCell, smoothedEntry } from './smooth';

/** A note as the drafter reads it. */
export interface DraftNote {
	readonly id: string;
	/** Short sign shown beside the text, such as "n1". */
	readonly label: string;
	readonly title: string;
	readonly units: ReadNoteUnits;
}

/**
 * A stretch of a note that can be used alone: a sentence, together with those after it that
 * lean on it ("It…", "That…"); a quotation; or a whole table or list of steps.
 */
export interface Passage {
	readonly note: string;
	readonly label: string;
	/** The units it is made of, in order; at least one. */
	readonly units: readonly NoteUnit[];
	/** Position among all passages, for keeping their order. */
	readonly at: number;
	/** Heading it stands under. */
	readonly heading: string;
	readonly form: 'text' | 'quote' | 'entry' | 'steps' | 'table';
	/** As they can be printed; the entries of steps and the rows of a table one by one. */
	readonly sentences: readonly string[];
	/** As the note has it. */
	readonly raw: string;
	/** Cells of a table, its head first where it has one; else empty. */
	readonly rows: readonly (readonly string[])[];
	readonly hasHead: boolean;
	readonly words: number;
	readonly stems: readonly string[];
	readonly headingStems: readonly string[];
	/** How it must be introduced: the speaker of an interview, or the occasion of a visit. */
	readonly voice: Voice;
	/** Whether its first word can lose its capital behind an introduction. */
	readonly opensPlain: boolean;
	/** Number of the paragraph, list or table it comes from, for keeping neighbours together. */
	readonly paragraph: number;
	/** A jotting without a verb: an entry of a list, never a sentence. */
	readonly isFragment: boolean;
}

/** Number of the list that the jottings under one heading make. */
const JOTTED = -1;

type Voice =
	| { readonly kind: 'plain' }
	| { readonly kind: 'speaker'; readonly name: string; readonly role: string }
	| { readonly kind: 'visit'; readonly place: string };

const FIRST_PERSON = /\b(?:I|I'm|I’m|I've|I’ve|my|mine|myself)\b/;

/** Sentences, and words, that one passage may join. */
const PASSAGE_SENTENCES = 4;
const PASSAGE_WORDS = 80;

/** A pronoun near the start that points back: "On the sites she works that is…". */
const POINTS_BACK = /^(?:\S+\s+){1,5}(?:she|he|it|they|them|this|that is|that was)\b/;

/** Units that go together and cannot stand in an article as they are. */
export interface Unfit {
	readonly note: string;
	readonly label: string;
	readonly units: readonly NoteUnit[];
	readonly reason: UnfitReason;
}

/** A remark in brackets, something that asks, or a first person that nobody is named for. */
export type UnfitReason = 'remark' | 'asks' | 'nobody named';

/** All passages of the notes, in order: what can be printed. */
export function passagesOf(notes: readonly DraftNote[]): readonly Passage[] {
	return readPassages(notes).passages;
}

/** The passages of the notes, in order, and which printable units make none. */
export function readPassages(notes: readonly DraftNote[]): {
	readonly passages: readonly Passage[];
	readonly unfit: readonly Unfit[];
} {
	const passages: Passage[] = [];
	const unfit: Unfit[] = [];
	const lower = lowerWordsOf(notes);
	for (const note of notes) {
		const visit = visitOf(note.title);
		for (const group of groupsOf(note.units.units.filter(isPrintable))) {
			const [first] = group;
			const voice = voiceOf(first!, note, visit);
			const reason = group.map((unit) => unfitReason(unit, voice)).find((one) => one !== null);
			if (reason) {
				unfit.push({ note: note.id, label: note.label, units: group, reason });
				continue;
			}
			const raw = group.map(({ text }) => text).join(' ');
			const made = formOf(group, note.units);
			const heading = first!.heading;
			const isFragment =
				made.form === 'text' && group.length === 1 && isJotted(raw) && !hasVerb(raw);
			passages.push({
				note: note.id,
				label: note.label,
				units: group,
				at: passages.length,
				heading,
				...made,
				...(isFragment ? { form: 'entry' as const, sentences: [smoothedEntry(raw)] } : {}),
				isFragment,
				raw,
				words: countWords(made.sentences.join(' ')),
				stems: contentStemsOf(raw),
				headingStems: contentStemsOf(heading),
				voice,
				opensPlain: lower.has(/^[\p{L}'’-]+/u.exec(raw)?.[0].toLowerCase() ?? ''),
				paragraph: isFragment
					? JOTTED
					: first!.table >= 0
						? first!.table
						: first!.list >= 0
							? first!.list
							: first!.paragraph
			});
		}
	}
	return { passages, unfit };
}

/** Whether a line is put down as a jotting is: without a capital or a figure at its start, or without a stop. */
function isJotted(text: string): boolean {
	return !/^["“‘(]?[\p{Lu}\p{N}£$€]/u.test(text) || !/[.!?…]["”’)\]]*$/.test(text.trim());
}

/** A jotting as a sentence of its own. */
export function asSentence(passage: Passage): Passage {
	return { ...passage, form: 'text', isFragment: false, sentences: [smoothed(passage.raw)] };
}

/** Units that go together: all rows of a table, all steps of a list, what leans on what is before it. */
function groupsOf(units: readonly NoteUnit[]): NoteUnit[][] {
	const groups: NoteUnit[][] = [];
	for (const unit of units) {
		const open = groups.at(-1);
		const last = open?.at(-1);
		if (open && last && goesWith(open, last, unit)) open.push(unit);
		else groups.push([unit]);
	}
	return groups;
}

function goesWith(open: readonly NoteUnit[], last: NoteUnit, unit: NoteUnit): boolean {
	if (unit.kind === 'row') return last.kind === 'row' && last.table === unit.table;
	if (unit.kind === 'step') return last.kind === 'step' && last.list === unit.list;
	const isPlain = (one: NoteUnit) => one.kind === 'claim' || one.kind === 'definition';
	if (!isPlain(unit) || !isPlain(last) || last.speaker !== unit.speaker) return false;
	// an entry of a list goes with its own sentences
	if (unit.list >= 0 && last.list === unit.list && last.position === unit.position) return true;
	const leans = unit.leans || POINTS_BACK.test(unit.text);
	const near =
		last.heading === unit.heading && unit.paragraph - last.paragraph <= (unit.leans ? 1 : 0);
	return (
		leans &&
		near &&
		open.length < PASSAGE_SENTENCES &&
		countWords(open.map(({ text }) => text).join(' ')) < PASSAGE_WORDS
	);
}

function unfitReason({ kind, text, speaker }: NoteUnit, voice: Voice): UnfitReason | null {
	if (kind === 'quote') return null;
	// a remark in brackets belongs to what stood before it
	if (/^\([^()]*\)[.!]?$/.test(text.trim())) return 'remark';
	if (kind !== 'row' && kind !== 'step' && /\?["”’)\]]*$/.test(text)) return 'asks';
	const isNobodys = voice.kind !== 'speaker' && speaker === '';
	return kind !== 'row' && FIRST_PERSON.test(text) && isNobodys ? 'nobody named' : null;
}

function formOf(
	group: readonly NoteUnit[],
	{ columns }: ReadNoteUnits
): Pick<Passage, 'form' | 'sentences' | 'rows' | 'hasHead'> {
	const [first] = group;
	const none = { rows: [], hasHead: false };
	if (first!.kind === 'row') {
		const head = columns.get(first!.table);
		const rows = group.map(({ cells, text }) =>
			(cells.length > 0 ? cells : [text]).map(smoothedCell)
		);
		return {
			form: 'table',
			sentences: group.map(({ text }) => text),
			rows: head ? [head.map(smoothedCell), ...rows] : rows,
			hasHead: head !== undefined
		};
	}
	if (first!.kind === 'step')
		return { form: 'steps', sentences: group.map(({ text }) => smoothedEntry(text)), ...none };
	if (first!.kind === 'quote') return { form: 'quote', sentences: [first!.text], ...none };
	const sentences = group.map(({ kind, text }) => smoothed(text, kind === 'definition'));
	if (first!.list < 0) return { form: 'text', sentences, ...none };
	return { form: 'entry', sentences: [sentences.join(' ')], ...none };
}

function voiceOf({ speaker, kind }: NoteUnit, { units }: DraftNote, visit: Voice): Voice {
	const known = units.speakers.find(({ name }) => name === speaker);
	// in an interview what is told of her is told of the one who was asked
	const asked = units.speakers.length === 1 ? units.speakers[0] : undefined;
	const said = known ?? (kind === 'quote' ? undefined : visit.kind === 'plain' ? asked : undefined);
	return said ? { kind: 'speaker', ...said } : visit;
}

function visitOf(title: string): Voice {
	const visit =
		/\b(?:[Ss]ite visit|[Vv]isit|[Ff]ield notes?|[Ss]ite notes?)\b(?:\s*(?::|to|at|–|-)\s*(?:the\s+)?((?:\p{Lu}[\p{L}'’-]+\s?){1,3}))?/u.exec(
			title
		);
	return visit ? { kind: 'visit', place: visit[1]?.trim() ?? '' } : { kind: 'plain' };
}

/** Words that stand in small letters somewhere in the notes, and so are no names. */
function lowerWordsOf(notes: readonly DraftNote[]): Set<string> {
	const words = new Set<string>('the a an at by on in there each all both'.split(' '));
	for (const { units } of notes) {
		for (const { text } of units.units)
			for (const [word] of text.matchAll(/\b\p{Ll}[\p{L}'’-]*/gu)) words.add(word);
	}
	return words;
}

/** What a transcript calls somebody whom it does not name. */
const NO_NAME =
	/^(?:speaker|voice|host|guest|interviewee|caller|narrator|unknown|participant|presenter|q|a)(?: ?\d+| [a-z])?$/i;

/** Keeps who was named and where we were while a section is written. */
export class Narrator {
	#named = new Set<string>();
	#at: string | null = null;

	/**
	 * The sentences of a passage as they can stand in an article: the speaker is named where a
	 * pronoun would hang in the air, and what was seen on a visit says where.
	 */
	speak({ sentences, form, voice, note, opensPlain }: Passage): string[] {
		const before = this.#at;
		this.#at = voice.kind === 'visit' ? note : null;
		if (form === 'quote') return [this.#quote(sentences[0]!, voice)];
		if (voice.kind === 'speaker')
			return sentences.map((sentence) => this.#name(sentence, voice.name));
		const [first, ...rest] = sentences;
		if (voice.kind !== 'visit' || before === note || !isPast(first!)) return [...sentences];
		const where = voice.place === '' ? 'On the site visited' : `At ${voice.place}`;
		return [
			`${where}, ${opensPlain ? first![0]!.toLowerCase() + first!.slice(1) : first!}`,
			...rest
		];
	}

	/** A quotation with who says it, introduced where they are met first. */
	#quote(text: string, voice: Voice): string {
		const isMarked = /["“]/.test(text);
		if (voice.kind !== 'speaker') return isMarked ? ended(text) : `“${text}”`;
		const { name, role } = voice;
		if (NO_NAME.test(name)) return isMarked ? ended(text) : `“${text}”`;
		if (text.includes(name)) {
			this.#named.add(name);
			return ended(text);
		}
		// told about her already: "she says it is…"
		if (isMarked && !/^["“]/.test(text)) return this.#name(ended(text), name);
		const who = this.#named.has(name) || role === '' ? name : `${name}, ${role}`;
		this.#named.add(name);
		const words = text.replace(/^["“]|["”]\.?$/g, '').trim();
		if (/["“”]/.test(words)) return `${who}: ${ended(text)}`;
		const said = /[!?]$/.test(words) ? words : `${words.replace(/[.,]$/, '')},`;
		return `“${said}” says ${who}.`;
	}

	#name(sentence: string, name: string): string {
		if (NO_NAME.test(name)) return sentence;
		if (sentence.includes(name)) {
			this.#named.add(name);
			return sentence;
		}
		if (this.#named.has(name)) return sentence;
		const given = name.split(/\s+/)[0]!;
		const named = sentence
			.replace(
				new RegExp(`\\b(?:she|he|${given})\\b(['’](?:d|s|ll)(?= (\\p{Ll}+)))?`, 'iu'),
				(_, short?: string, next = '') =>
					short === undefined ? name : `${name} ${inFull(short.slice(1), next as string)}`
			)
			.replace(/^(?:Her|His)\b/, `${name}’s`);
		if (named !== sentence) this.#named.add(name);
		return named;
	}
}

/** "’d", "’s" and "’ll" behind a name, by the word that follows. */
function inFull(short: string, next: string): string {
	const isDone = /(?:ed|en|wn|ept|eft|ought|old|ost)$/.test(next);
	if (short === 'll') return 'will';
	if (short === 'd') return isDone ? 'had' : 'would';
	return isDone ? 'has' : 'is';
}

function ended(text: string): string {
	return /[.!?…]$/.test(text) || /[.!?…]["”’)]+$/.test(text) ? text : `${text}.`;
}

function isPast(sentence: string): boolean {
	if (isOrder(sentence)) return false;
	return /\b(?:was|were|had|went|came|took|stood|held|found|made|weighed|used|laid|set|sent|cost)\b|\b\p{L}{3,}ed\b/iu.test(
		sentence
	);
}
