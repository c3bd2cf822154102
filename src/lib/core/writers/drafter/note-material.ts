import { isPrintable, type NoteUnit, type ReadNoteUnits } from '../../notes';
import { contentStemsOf, countWords, hasVerb, needsBefore, POINTS_BACK } from '../../text';
import { holdOf, isJotted, withoutReaction, type Hold } from './holds';
import { smoothed, smoothedCell, smoothedEntry, withCapitals } from './smooth';

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
	/** Which of its sentences are somebody's own words. */
	readonly quoted: readonly boolean[];
	/** Why it cannot be printed as it stands; null: it can. */
	readonly hold: Hold | null;
	/** The question that it answers, as it was put; empty for none. */
	readonly asked: string;
}

/** Number of the list that the jottings under one heading make. */
const JOTTED = -1;

export type Voice =
	| { readonly kind: 'plain' }
	| { readonly kind: 'speaker'; readonly name: string; readonly role: string }
	| { readonly kind: 'visit'; readonly place: string };

const FIRST_PERSON = /\b(?:I|I'm|I’m|I've|I’ve|my|mine|myself)\b/;

/** Sentences, and words, that one passage may join. */
const PASSAGE_SENTENCES = 4;
const PASSAGE_WORDS = 80;

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
		const asked = askedIn(note.units.units);
		const dictated = dictatedIn(note.units.units);
		for (const group of groupsOf(note.units.units.filter(isPrintable))) {
			const [first] = group;
			const voice = voiceOf(group.find(({ kind }) => kind === 'quote') ?? first!, note, visit);
			const reason = group.map((unit) => unfitReason(unit, voice)).find((one) => one !== null);
			if (reason) {
				unfit.push({ note: note.id, label: note.label, units: group, reason });
				continue;
			}
			const raw = group.map(({ text }) => text).join(' ');
			const made = formOf(group, note.units);
			const heading = first!.heading;
			const question = asked.get(first!) ?? '';
			const hold = dictated.has(first!.paragraph)
				? ('dictated' as const)
				: made.form === 'steps' || made.form === 'table'
					? null
					: holdOf(first!.kind, made.form === 'quote' ? made.sentences[0]! : first!.text, {
							voice,
							isAnswer: question !== '',
							isEntry: made.form === 'entry'
						});
			const isJotting = hold === 'jotting' && made.form === 'text' && group.length === 1;
			passages.push({
				note: note.id,
				label: note.label,
				units: group,
				at: passages.length,
				heading,
				...made,
				...(isJotting && isJotted(raw)
					? { form: 'entry' as const, sentences: [smoothedEntry(raw)] }
					: {}),
				hold,
				asked: question,
				raw,
				words: countWords(made.sentences.join(' ')),
				stems: contentStemsOf(raw),
				headingStems: contentStemsOf(heading),
				voice,
				opensPlain: lower.has(/^[\p{L}'’-]+/u.exec(raw)?.[0].toLowerCase() ?? ''),
				paragraph:
					isJotting && isJotted(raw)
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

/** A jotting as a sentence of its own. */
export function asSentence(passage: Passage): Passage {
	return { ...passage, form: 'text', hold: null, sentences: [smoothed(passage.raw)] };
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
	const isSaid = (one: NoteUnit) => one.kind === 'quote';
	const isText = (one: NoteUnit) => isPlain(one) || isSaid(one);
	if (!isText(unit) || !isText(last)) return false;
	if (isSaid(unit) && isSaid(last)) return goesOnSpeaking(open, last, unit);
	if (isPlain(unit) && isPlain(last) && last.speaker !== unit.speaker) return false;
	// an entry of a list goes with its own sentences
	if (unit.list >= 0 && last.list === unit.list && last.position === unit.position) return true;
	// what is said goes on from what is told, and back, where it needs that to be understood
	const isMixed = isSaid(unit) !== isSaid(last);
	const isScrap =
		unit.kind === 'claim' &&
		unit.paragraph === last.paragraph &&
		!hasVerb(unit.text) &&
		// a line without a stop is no sentence that goes on
		!(isOpenLine(last.text) && isOpenLine(unit.text));
	const leans = isMixed
		? needsBefore(unit.text)
		: unit.leans || isScrap || needsBefore(unit.text) || POINTS_BACK.test(unit.text);
	const near =
		last.heading === unit.heading &&
		unit.paragraph - last.paragraph <= (unit.leans && !isMixed ? 1 : 0);
	return (
		leans &&
		near &&
		open.length < PASSAGE_SENTENCES &&
		countWords(open.map(({ text }) => text).join(' ')) < PASSAGE_WORDS
	);
}

/** A line that was jotted for itself: without its capital and its stop. */
export function isOpenLine(text: string): boolean {
	return /^[\p{Ll}\d]/u.test(text) && !/[.!?…]["”’]*$/.test(text);
}

/** What somebody writes of themselves, which only they can say: "Cash flow nearly sank us." */
export function isOwnWords({ kind, speaker, text }: NoteUnit): boolean {
	return speaker !== '' && (kind === 'claim' || kind === 'step') && OF_THEMSELVES.test(text);
}

const OF_THEMSELVES =
	/\b(?:I|I['’](?:m|ve|d|ll)|me|my|mine|myself|[Ww]e|[Ww]e['’](?:re|ve|d|ll)|us|[Oo]urs?)\b/;

/** Whether somebody goes on speaking: sentences of one turn are one quotation. */
function goesOnSpeaking(open: readonly NoteUnit[], last: NoteUnit, unit: NoteUnit): boolean {
	return (
		last.speaker === unit.speaker &&
		last.paragraph === unit.paragraph &&
		!/["“”]/.test(last.text + unit.text) &&
		countWords([...open, unit].map(({ text }) => text).join(' ')) <= TURN_WORDS
	);
}

/** Words up to which a turn is quoted as a whole. */
const TURN_WORDS = 60;

/**
 * The question that a unit answers: the one who is asked speaks right behind it, or it stands under it
 * in the next lines.
 */
function askedIn(units: readonly NoteUnit[]): Map<NoteUnit, string> {
	const asked = new Map<NoteUnit, string>();
	let question: NoteUnit | null = null;
	let answering: string | null = null;
	for (const unit of units) {
		if (unit.kind === 'question') [question, answering] = [unit, null];
		else if (unit.kind === 'aside') question = null;
		if (!question || unit === question || !isPrintable(unit)) continue;
		answering ??= unit.speaker;
		const isNear = unit.paragraph - question.paragraph <= (unit.heading === '' ? 1 : ANSWER_LINES);
		const isUnder = unit.heading === '' || unit.heading === question.text;
		if (isNear && isUnder && unit.speaker === answering) asked.set(unit, question.text);
		else question = null;
	}
	return asked;
}

/** Lines below a question that answer it. */
const ANSWER_LINES = 2;

/** Paragraphs that somebody spoke into a machine: several stretches, and no stop in any of them. */
function dictatedIn(units: readonly NoteUnit[]): Set<number> {
	const byParagraph = new Map<number, NoteUnit[]>();
	for (const unit of units) {
		const list = byParagraph.get(unit.paragraph);
		if (list) list.push(unit);
		else byParagraph.set(unit.paragraph, [unit]);
	}
	return new Set(
		[...byParagraph]
			.filter(
				([, list]) =>
					list.length >= LEAST_STRETCHES &&
					list.every(
						({ text, table, list: entry }) => table < 0 && entry < 0 && !/[.!?;:]/.test(text)
					)
			)
			.map(([paragraph]) => paragraph)
	);
}

const LEAST_STRETCHES = 2;

function unfitReason({ kind, text, speaker }: NoteUnit, voice: Voice): UnfitReason | null {
	if (kind === 'quote') return null;
	// a remark in brackets belongs to what stood before it
	if (/^(?:\([^()]*\)|\[[^[\]]*\])[.!]?$/.test(text.trim())) return 'remark';
	if (kind !== 'row' && kind !== 'step' && /\?["”’)\]]*$/.test(text)) return 'asks';
	const isNobodys = voice.kind !== 'speaker' && speaker === '';
	return kind !== 'row' && FIRST_PERSON.test(text) && isNobodys ? 'nobody named' : null;
}

function formOf(
	group: readonly NoteUnit[],
	{ columns }: ReadNoteUnits
): Pick<Passage, 'form' | 'sentences' | 'quoted' | 'rows' | 'hasHead'> {
	const [first] = group;
	const none = { rows: [], hasHead: false, quoted: [] };
	if (first!.kind === 'row') {
		const head = columns.get(first!.table);
		const rows = group.map(({ cells, text }) =>
			(cells.length > 0 ? cells : [text]).map(smoothedCell)
		);
		return {
			form: 'table',
			sentences: group.map(({ text }) => text),
			rows: head ? [head.map(smoothedCell), ...rows] : rows,
			hasHead: head !== undefined,
			quoted: []
		};
	}
	if (first!.kind === 'step')
		return { form: 'steps', sentences: group.map(({ text }) => smoothedEntry(text)), ...none };
	const quoted = group.map((unit) => unit.kind === 'quote' || isOwnWords(unit));
	if (group.every(({ kind }) => kind === 'quote')) {
		const spoken = withoutReaction(group.map(({ text }) => text).join(' '));
		const said = /["“]/.test(spoken) ? spoken : withCapitals(spoken);
		return { form: 'quote', sentences: [said], ...none, quoted: [true] };
	}
	const sentences = group.map(({ kind, text }) =>
		kind === 'quote' ? text : smoothed(text, kind === 'definition')
	);
	if (first!.list < 0 || quoted.includes(true)) return { form: 'text', sentences, ...none, quoted };
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
	const words = new Set<string>(
		'the a an at by on in there each all both afterwards after before then later next now here when while if once two three four some most many no every with for from of as since until during despite only'.split(
			' '
		)
	);
	for (const { units } of notes) {
		for (const { text } of units.units)
			for (const [word] of text.matchAll(/\b\p{Ll}[\p{L}'’-]*/gu)) words.add(word);
	}
	return words;
}
