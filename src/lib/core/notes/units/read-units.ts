import { ASIDE, BRIEF, OF_STEPS, WORD_COUNT, kindOfField, kindUnder } from './cues';
import { isMostlyVerb } from '../../text';
import { cutSentences } from './cut-sentences';
import { forbiddenKindOf, isAsked, kindOf, leansOn, saidAs, type Setting } from './kind-of';
import type { NoteLine } from './note-lines';
import { answersAsked, overviewOf, type NoteOverview } from './note-overview';
import {
	isAsker,
	isSpeakerField,
	meet,
	isShortFor,
	labelIn,
	nameOfLabel,
	type Speech
} from './speakers';
import { cellsOfRow, isWrapped, type NoteGroup } from './structure';
import { asksLeave, isOfLeave, isRefused, refusedIn, withoutHeldBack } from './held-back';
import {
	areStatements,
	FOUND_OUT,
	isRemark,
	isStatement,
	rawIndex,
	withRestOfDoubt
} from './stretches';
import { transcriptUnits } from './transcript-units';
import type { NoteHeading, ReadNoteUnits, Speaker, UnitKind } from './unit';
import { isPractical, isSaid, withKeys, type NoteToRead, type UnitDraft } from './unit-drafts';

/**
 * Reads a note as typed units in its own order: every word of it stands in a unit or a heading,
 * but for marks. The same text gives the same units.
 */
export function readNoteUnits(note: NoteToRead): ReadNoteUnits {
	if (note.kind === 'transcript') return transcriptUnits(note);
	return new NoteReader(note).read();
}

/** Reads one note from above to below; holds what the lines before have settled. */
class NoteReader {
	readonly #note: NoteOverview;
	readonly #speakers: Speaker[] = [];
	readonly #units: UnitDraft[] = [];
	readonly #headings: NoteHeading[] = [];
	readonly #columns = new Map<number, readonly string[]>();
	#title = '';
	#heading = '';
	#label = '';
	/** Where the lines under a heading that clings to them have come to; −1 under any other. */
	#clings = -1;
	#inHead = true;
	#headParagraphs = 0;
	#speaking = '';
	#offRecord = false;
	/** Whether it was just asked what may be printed. */
	#asksLeave = false;
	readonly #refused: string[] = [];
	#lists = 0;
	#tables = 0;
	#paragraphs = 0;

	constructor(note: NoteToRead) {
		this.#note = overviewOf(note);
		if (this.#note.head) this.#speakers.push(this.#note.head);
	}

	read(): ReadNoteUnits {
		for (const [i, group] of this.#note.groups.entries())
			this.#readGroup(group, this.#note.groups[i - 1], this.#note.groups[i + 1]);
		const units = withoutHeldBack(this.#units, this.#refused);
		return {
			title: this.#title,
			speakers: this.#speakers,
			units: withKeys(units),
			headings: this.#headings,
			columns: this.#columns
		};
	}

	#readGroup(group: NoteGroup, before: NoteGroup | undefined, after: NoteGroup | undefined): void {
		const [first] = group.lines;
		this.#endClinging(first!);
		switch (group.kind) {
			case 'heading':
			case 'label':
				return this.#openHeading(first!, group.kind === 'label');
			case 'mail':
				return this.#readMailField(first!);
			case 'quoted':
				return this.#readQuoted(first!);
			case 'remark':
				this.#paragraphs++;
				return this.#add(first!, first!.text, first!.start, first!.end, {
					kind: forbiddenKindOf(first!.text, this.#setting()) ?? 'aside'
				});
			case 'table':
				if (before?.kind === 'list' || before?.kind === 'table') this.#endLabel();
				this.#endHead();
				return this.#readTable(group);
			case 'list':
				// a label is of what stands right under it
				if (before?.kind === 'table') this.#endLabel();
				if (!this.#amongWishes(group)) this.#endHead();
				return this.#readList(group);
			default:
				if (before?.kind === 'list' || before?.kind === 'table') this.#endLabel();
				return this.#areJottedSteps(group)
					? this.#readList({ ...group, marks: 'number' })
					: this.#readText(group, after);
		}
	}

	/** A heading that nothing marks and that clings to the lines below it ends with them. */
	#endClinging({ start, shape }: NoteLine): void {
		if (this.#clings < 0 || shape === 'mail') return;
		const isApart = /\n[ \t]*\n/.test(this.#note.text.slice(this.#clings, start));
		if (!isApart) {
			this.#clings = start;
			return;
		}
		this.#clings = -1;
		if (kindUnder(this.#heading) === null) this.#heading = '';
	}

	/** What a label or a question over a list asks for ends with the list. */
	#endLabel(): void {
		this.#label = '';
		if (/\?$/.test(this.#heading) && kindUnder(this.#heading) !== null) this.#heading = '';
	}

	#endHead(): void {
		if (this.#units.length > 0) this.#inHead = false;
	}

	#openHeading(line: NoteLine, isLabel: boolean): void {
		const text = line.text.replace(/\s*[:!]+$/, '').replace(/^\d{1,2}[.)]?\s+(?=\p{L})/u, '');
		const isTitle = this.#headings.length === 0 && this.#units.length === 0;
		if (isTitle) this.#title = line.text;
		if (isLabel) this.#label = text;
		else {
			this.#label = '';
			// the title says what the note is, not what stands under it
			this.#heading = isTitle && kindUnder(text) === null ? '' : text;
			if (!isTitle) this.#inHead = false;
		}
		const isBare = !isLabel && !isTitle && line.shape === 'plain';
		this.#clings =
			isBare && /^[^\n]*\n[ \t]*\S/.test(this.#note.text.slice(line.start)) ? line.end : -1;
		this.#offRecord = false;
		this.#speaking = '';
		this.#putHeading(line, isLabel ? 4 : line.shape === 'heading' ? line.rank : isTitle ? 1 : 2);
	}

	#putHeading({ text, start, end }: NoteLine, level: number): void {
		this.#headings.push({
			text,
			level: Math.max(1, Math.min(4, level)) as NoteHeading['level'],
			start,
			end,
			before: this.#units.length
		});
	}

	#readMailField(line: NoteLine): void {
		const subject = /^(?:\*\*)?(?:subject|re|fwd?)\s*:\s*(.+)$/i.exec(line.text);
		if (subject) {
			if (this.#title === '') this.#title = subject[1]!;
			this.#putHeading(line, 1);
			return;
		}
		this.#paragraphs++;
		this.#add(line, line.text, line.start, line.end, { kind: 'background' });
	}

	/** What an answer replies to; elsewhere a passage that the note quotes. */
	#readQuoted(line: NoteLine): void {
		this.#paragraphs++;
		this.#label = '';
		const isAbout = /\bwrote:?$|^on \d/i.test(line.text);
		const forbidden = forbiddenKindOf(line.text, { ...this.#setting(), heading: '', label: '' });
		const kind: UnitKind = isAbout
			? 'background'
			: this.#note.repliesInline || this.#note.isMail || isAsked(line.text)
				? 'question'
				: (forbidden ?? 'quote');
		this.#inHead = false;
		this.#add(line, line.text, line.start, line.end, { kind, speaker: '' });
		// a question over the answers is what they stand under
		if (kind === 'question') this.#heading = line.text;
	}

	#readTable({ lines }: NoteGroup): void {
		const table = this.#tables++;
		this.#paragraphs++;
		let position = 0;
		const isOfWishes = lines.filter((line) => kindOfField(cellsOfRow(line)) !== null).length >= 2;
		for (const line of lines) {
			if (line.shape === 'rule') continue;
			const cells = cellsOfRow(line);
			if (line.shape === 'columns') {
				this.#columns.set(table, cells);
				this.#putHeading(line, 4);
				continue;
			}
			position++;
			const setting: Setting = { ...this.#setting(), entry: 'row', inHead: false };
			const kind =
				(isOfWishes ? (kindOfField(cells) ?? 'brief') : null) ?? kindOf(line.text, setting);
			const isRow = kind === 'row';
			this.#add(line, line.text, line.start, line.end, {
				kind,
				table: isRow ? table : -1,
				position: isRow ? position : 0,
				cells: isRow ? cells : []
			});
		}
	}

	/** Numbered answers to the numbered questions that a mail quotes. */
	#readAnswers({ lines }: NoteGroup): void {
		const before = this.#heading;
		for (const line of lines) {
			this.#paragraphs++;
			this.#heading = this.#note.asked[line.rank - 1]!;
			const from = line.start + rawIndex(line, line.text);
			if (asksLeave(this.#heading)) this.#readLeave(line, line.text, from);
			else this.#addSentences(line, this.#setting(), {});
		}
		this.#heading = before;
	}

	#readList(group: NoteGroup): void {
		if (answersAsked(this.#note, group)) return this.#readAnswers(group);
		const { lines, marks } = group;
		const under = kindUnder(this.#label) ?? kindUnder(this.#heading);
		const list = this.#lists++;
		const isSteps = under === null && this.#areSteps(group);
		const isOfTurns = marks === 'bullet' && lines.some((line) => this.#note.speeches.has(line));
		const isChecklist = marks === 'box' && under !== 'todo' && lines.length >= 4;
		lines.forEach((line, i) => {
			this.#paragraphs++;
			const speech = marks === 'bullet' ? this.#note.speeches.get(line) : undefined;
			if (speech) return this.#readSpeech(line, speech, undefined);
			if (isOfTurns) this.#speaking = '';
			const entry = isSteps ? 'step' : marks === 'box' ? 'box' : 'item';
			const setting: Setting = {
				...this.#setting(),
				entry,
				inHead: this.#inHead && this.#isBriefHead(group)
			};
			const place = { list, position: i + 1 };
			if (isSteps) {
				const forbidden = forbiddenKindOf(line.text, setting);
				// "check the draw" is a step among others
				const kind =
					forbidden === 'todo' && !/\?\?|\b(?:TODO|TBC|CHECK)\b/.test(line.text)
						? 'step'
						: (forbidden ?? 'step');
				return this.#add(line, line.text, line.start, line.end, {
					kind,
					...(kind === 'step' ? place : {})
				});
			}
			if (marks === 'box' && !isChecklist) {
				const kind = forbiddenKindOf(line.text, setting) ?? 'todo';
				return this.#add(line, line.text, line.start, line.end, { kind });
			}
			this.#addSentences(line, setting, place);
		});
	}

	/** Lines below one another under "Method" that say what to do. */
	#areJottedSteps({ kind, lines }: NoteGroup): boolean {
		const over = this.#label === '' ? this.#heading : this.#label;
		if (kind !== 'text' || lines.length < LEAST_STEPS || !OF_STEPS.test(over)) return false;
		if (lines.some((line) => this.#note.speeches.has(line) || line.shape !== 'plain')) return false;
		const tell = lines.filter(({ text }) => isMostlyVerb(text.split(/[\s,]/)[0]!.toLowerCase()));
		return tell.length >= 0.75 * lines.length;
	}

	/** Whether a list is to be done in its order: numbered without figures of money, or under "How". */
	#areSteps({ lines, marks }: NoteGroup): boolean {
		const texts = lines.map(({ text }) => text);
		if (texts.filter((text) => isAsked(text)).length > texts.length / 3) return false;
		const isUnderHow = OF_STEPS.test(this.#label) || OF_STEPS.test(this.#heading);
		if (marks === 'number')
			return lines.length >= 2 && lines[0]!.rank <= 2 && (isUnderHow || !areStatements(texts));
		return (
			lines.length >= 3 &&
			(OF_STEPS.test(this.#label) || (this.#label === '' && OF_STEPS.test(this.#heading)))
		);
	}

	#readText({ lines }: NoteGroup, after: NoteGroup | undefined): void {
		const areOne = isWrapped(lines) && !(lines.length === 2 && this.#note.isJotted);
		const paragraphs = areOne ? [lines] : lines.map((line) => [line]);
		const amongWishes =
			this.#inHead &&
			this.#note.head === null &&
			this.#amongWishes({ kind: 'text', lines, marks: '' });
		if (this.#inHead) this.#headParagraphs++;
		for (const [i, part] of paragraphs.entries()) {
			this.#paragraphs++;
			// who somebody is takes a few lines, and not all of what they say
			if (i === LINES_OF_HEAD && this.#note.head) this.#endHead();
			const [first] = part;
			const speech = this.#note.speeches.get(first!);
			if (speech) {
				this.#readSpeech(first!, speech, after);
				continue;
			}
			if (part.length === 1 && this.#opensAnswer(first!, paragraphs[i + 1]?.[0])) {
				this.#add(first!, first!.text, first!.start, first!.end, { kind: 'question' });
				this.#heading = first!.text;
				continue;
			}
			const setting: Setting = { ...this.#setting(), amongWishes };
			this.#addSentences(part.length === 1 ? first! : this.#joined(part), setting, {});
		}
		// what somebody's note says of itself stands in its first paragraphs, or in fields
		if (this.#headParagraphs >= (this.#note.head ? 3 : 2) || lines.some(isSpeakerField))
			this.#endHead();
	}

	/**
	 * Whether a line is a question that what follows stands under: one answered by "yes" or "no", or
	 * one to a client about the text, which says what the answer is for. Any other question ends it.
	 */
	#opensAnswer({ text }: NoteLine, next: NoteLine | undefined): boolean {
		if (text.endsWith('?') && isAnsweredBy(next)) return true;
		if (!isAsked(text)) return false;
		if (kindUnder(text) !== null) return true;
		if (this.#heading.endsWith('?')) this.#heading = '';
		return false;
	}

	/** Lines that a program broke, as one; places stay as they are. */
	#joined(lines: readonly NoteLine[]): NoteLine {
		const [first, last] = [lines[0]!, lines.at(-1)!];
		const text = this.#note.text.slice(first.start, last.end).replace(/\n/g, ' ');
		return { ...first, text, end: last.end };
	}

	#readSpeech(line: NoteLine, speech: Speech, after: NoteGroup | undefined): void {
		this.#inHead = false;
		const asks = isAsker(speech.label);
		const from = line.start + Math.max(0, line.text.length === 0 ? 0 : rawIndex(line, speech.said));
		if (asks) {
			this.#speaking = this.#note.head?.name ?? '';
			return this.#readAsked(line, speech);
		}
		const isAnswer = speech.label === 'A';
		const present = this.#note.present.find((one) => isShortFor(speech.label, one.name));
		const name =
			present?.name ??
			(isAnswer || speech.label.length <= 2
				? (this.#note.head?.name ?? '')
				: nameOfLabel(speech.label));
		meet(this.#speakers, name, present?.role ?? speech.role);
		this.#speaking = name;
		if (speech.said === '' && after) return;
		if (this.#asksLeave) return this.#readLeave(line, speech.said, from);
		// a label in full is a record of what was said; "A" and initials stand before jottings as well
		const isVerbatim = (!isAnswer && speech.label.length > 2) || !this.#note.marksQuotes;
		// what somebody said is matter, in whatever words
		const setting: Setting = isVerbatim
			? { ...this.#setting(), isOfWriting: true }
			: this.#setting();
		for (const stretch of this.#stretchesOf(speech.said, setting)) {
			const kind = isVerbatim && isStatement(stretch.kind) ? saidAs(stretch.text) : stretch.kind;
			this.#add(line, stretch.text, from + stretch.start, from + stretch.end, {
				kind,
				speaker: name
			});
		}
	}

	/** A question, which its answers stand under; the answer can follow on the same line. */
	#readAsked(line: NoteLine, { label, said, isMessage }: Speech): void {
		const mark = said.indexOf('?') + 1;
		const behind = said.slice(mark).trim();
		if (FOUND_OUT.test(behind))
			return this.#add(line, line.text, line.start, line.end, { kind: 'claim', speaker: '' });
		const reply = mark > 0 ? labelIn(behind) : null;
		const isReply = reply !== null && this.#note.labels.has(reply.label);
		const asked = mark > 0 && (label === 'Q' || isReply) ? said.slice(0, mark) : said;
		const answer = said.slice(asked.length).trim();
		const end = line.end - answer.length;
		this.#asksLeave = asksLeave(asked);
		const kind: UnitKind =
			this.#asksLeave ||
			ASIDE.test(asked) ||
			isPractical(asked) ||
			// what one says is no question for being one's own
			(isMessage && !asked.includes('?')) ||
			(label !== 'Q' && isRemark(asked))
				? 'aside'
				: 'question';
		this.#add(line, asked, line.start, end, { kind, speaker: '' });
		if (kind === 'question') this.#heading = asked;
		if (answer === '') return;
		const rest: NoteLine = { ...line, text: answer, start: end };
		if (isReply) this.#readSpeech(rest, reply, undefined);
		else if (this.#asksLeave) this.#readLeave(rest, answer, end);
		else this.#addSentences(rest, this.#setting(), {});
	}

	/** What somebody answers who was asked whether it may be printed. */
	#readLeave(line: NoteLine, said: string, from: number): void {
		this.#asksLeave = false;
		const [first, ...rest] = this.#stretchesOf(said, this.#setting());
		if (!first) return;
		const end = rest[0] ? from + rest[0].start : line.end;
		const kind = isRefused(first.text) ? 'do-not-say' : 'background';
		this.#add(line, first.text, line.start, end, { kind, speaker: '' });
		this.#refused.push(...refusedIn(first.text));
		for (const stretch of rest)
			this.#add(line, stretch.text, from + stretch.start, from + stretch.end, {
				kind: isOfLeave(stretch.text) ? 'background' : stretch.kind
			});
	}

	#setting(): Setting {
		return {
			heading: this.#heading,
			label: this.#label,
			inHead: this.#inHead && !this.#note.isMail,
			isOfSomebody: this.#note.head !== null,
			amongWishes: false,
			isMail: this.#note.isMail,
			entry: '',
			bracketsAreOff: this.#note.bracketsAreOff,
			isOfWriting: this.#note.isOfWriting
		};
	}

	/** Whether lines above all headings say what is wanted: one of them in three does. */
	#amongWishes({ lines }: NoteGroup): boolean {
		if (!this.#inHead) return false;
		const sentences = lines.flatMap(({ text }) => cutSentences(text));
		const wishes = sentences.filter(({ text }) => BRIEF.test(text) || WORD_COUNT.test(text));
		return wishes.length >= sentences.length / 3;
	}

	#isBriefHead(group: NoteGroup): boolean {
		return this.#note.head === null && this.#amongWishes(group);
	}

	/** Sentences of a line; those of one entry that are of one kind stay together. */
	#addSentences(
		line: NoteLine,
		setting: Setting,
		place: { list?: number; position?: number }
	): void {
		const offset = rawIndex(line, line.text);
		const entry = setting.entry !== '';
		if (line.shape !== 'effect' && /^off[- ](?:the[- ])?record\b/i.test(line.text))
			this.#offRecord = true;
		const stretches = withRestOfDoubt(this.#stretchesOf(line.text, setting), line.text);
		const units: { text: string; start: number; end: number; kind: UnitKind }[] = [];
		for (const stretch of stretches) {
			const last = units.at(-1);
			if (entry && last?.kind === stretch.kind) {
				last.text = line.text.slice(last.start, stretch.end);
				last.end = stretch.end;
			} else units.push({ ...stretch });
		}
		units.forEach((unit, i) => {
			const isPrinted =
				unit.kind === 'claim' || unit.kind === 'definition' || unit.kind === 'quote';
			this.#add(
				line,
				unit.text,
				i === 0 ? line.start : line.start + offset + unit.start,
				i === units.length - 1 ? line.end : line.start + offset + unit.end,
				{
					kind: unit.kind,
					...(isPrinted ? place : {}),
					leans: line.shape === 'effect' || (i > 0 || !entry ? leansOn(unit.text) : false)
				}
			);
		});
		this.#offRecord = false;
	}

	#stretchesOf(text: string, setting: Setting) {
		return cutSentences(text).map(({ text: said, start, end }) => {
			const plain = said.replace(/^(?:\d{1,2}[.)]|[-*•])\s+/, '');
			const kind = this.#offRecord ? 'off-record' : kindOf(plain, setting);
			return { text: plain, start: start + said.length - plain.length, end, kind };
		});
	}

	#add(
		line: NoteLine,
		text: string,
		start: number,
		end: number,
		more: Partial<UnitDraft> & { readonly kind: UnitKind }
	): void {
		if (text.trim() === '') return;
		const speaker =
			more.speaker ??
			(more.kind === 'quote' || this.#note.isMail
				? this.#speaking || this.#note.head?.name || ''
				: this.#speaking);
		this.#units.push({
			text,
			start,
			end,
			heading:
				this.#label === '' || this.#heading === ''
					? this.#label || this.#heading
					: `${this.#heading}: ${this.#label}`,
			list: -1,
			position: 0,
			table: -1,
			cells: [],
			paragraph: this.#paragraphs,
			leans: line.shape === 'effect' || leansOn(text),
			...more,
			speaker: isSaid(more.kind) ? speaker : ''
		});
	}
}

/** Whether a line answers the question above it: "yes - …", "no, never". */
function isAnsweredBy(line: NoteLine | undefined): boolean {
	return line !== undefined && /^(?:yes|no|yep|yeah|nope)\b\s*[,:–—-]/i.test(line.text);
}

/** Lines that tell what to do, from which they are the steps of a method. */
const LEAST_STEPS = 3;

/** Lines of one paragraph that can say whose note it is. */
const LINES_OF_HEAD = 3;
