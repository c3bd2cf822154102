import { everydayRateOfForm, isStopWord, sentencesOf } from '../../text';
import { kindOfField } from './cues';
import type { NoteLine } from './note-lines';
import type { Speaker } from './unit';

const NAME = String.raw`\p{Lu}[\p{L}'’-]+(?:\s(?:\p{Lu}\.|(?:de|van|von|der|la|al|el|bin)\s)?\s?\p{Lu}[\p{L}'’-]+){0,2}`;
const TITLE = String.raw`(?:(?:Dr|Prof|Mr|Mrs|Ms|Miss|Sir|Rev)\.?\s)?`;

/** What is said of an occasion before the name: "Call w/", "Interview:", "PT CALL". */
const OCCASION =
	/\b(?:interview|call|phone call|video call|talk|conversation|chat|coffee|meeting|visit|q\s?&\s?a|zoom)\b(?:\s*(?:(?:with|to|at|w)\b[/.]?|[:–—-]))*\s*/i;
const NAME_HERE = new RegExp(`^${TITLE}${NAME}`, 'u');
/** "Gwen Probert, grants officer", "MARIT –" as a title. */
const NAMED_FIRST = new RegExp(String.raw`^(${TITLE}${NAME})(?:\s*[,–—:(-]\s*|$)`, 'u');
const NAMED_BEHIND = new RegExp(
	String.raw`[,–—:-]\s(${TITLE}\p{Lu}[\p{L}'’-]+(?:\s\p{Lu}[\p{L}'’-]+){1,2})\s(\([^)]{3,60}\))`,
	'u'
);
const FROM = new RegExp(
	String.raw`^From:\s*(${TITLE}${NAME})\s*(?:<[^>]*>)?\s*(?:[,(–-]\s*)?(.*)$`,
	'iu'
);

/** A field of the head that names who speaks: "Speaker: Rowan Hythe (foreman)", "Who: …". */
const FIELD = new RegExp(
	String.raw`^(?:speakers?|teachers?|trainers?|tutors?|instructors?|hosts?|coach|guide|led by|run by|interviewees?|interviewed|guests?|expert|who|with|spoke (?:to|with)|talked (?:to|with)|spoken to|said by)\s*:\s*(${TITLE}${NAME})(?=\s*(?:$|[,;(–—-]))(.*)$`,
	'iu'
);

/** The speaker that a field names; null where the line is none, or names no person. */
function speakerOfField({ text }: Pick<NoteLine, 'text'>): Speaker | null {
	const field = FIELD.exec(text);
	if (!field) return null;
	const name = bare(field[1]!);
	// the field is told in any case, a name has capitals
	const isPerson = new RegExp(`^${NAME}$`, 'u').test(name) && isName(name);
	return isPerson ? { name, role: roleIn(field[2]!) } : null;
}

/** Whether a line of the head is a field that names who speaks. */
export function isSpeakerField(line: Pick<NoteLine, 'text'>): boolean {
	return (
		speakerOfField(line) !== null || presentIn([{ text: line.text, shape: 'plain' }]).length >= 2
	);
}

/** Lines of a note that can be its head. */
const HEAD_LINES = 8;

/** Words of a title that are no name of a person. */
const NO_NAME =
	/^(?:orchard|farm|gardens?|nursery|hall|school|museum|shop|market|park|cent(?:re|er)|station|works|mill|church|house|library|clinic|college|club|road|street|lane|fair|festival|conference|society|council|ltd|interview|call|talk|notes?|note|facts?|log|panel|site|visit|voice|memo|client|brief|sheet|questions?|re|fw|fwd|subject|my|own|the|meeting|transcript|podcast|draft|research|desk|reading|summary)$/i;

/** Uses in a million everyday words from which one word alone is no name: "Scraps, e-bike piece". */
const RATE_OF_NAME = 1;

/** Who a note is of, by its title and the field "From" of a mail; null when nobody is named. */
export function speakerOfHead(lines: readonly NoteLine[], name: string): Speaker | null {
	const from = lines
		.map((line) => (line.shape === 'mail' ? FROM.exec(line.text) : null))
		.find(Boolean);
	if (from && isName(from[1]!)) return { name: bare(from[1]!), role: roleIn(from[2]!) };
	const written = lines.filter(({ shape }) => shape !== 'blank' && shape !== 'rule');
	for (const line of written.slice(0, HEAD_LINES)) {
		const speaker = speakerOfField(line);
		if (speaker) return speaker;
	}
	const first = written.slice(0, 2);
	for (const whole of [...first.map(({ text }) => text), name]) {
		const title = sentencesOf(whole)[0]?.text ?? '';
		const occasion = OCCASION.exec(tamed(title));
		const from = occasion ? occasion.index + occasion[0].length : title.length;
		const met = NAME_HERE.exec(tamed(title).slice(from))?.[0] ?? '';
		// a role keeps its letters: "DPT"
		if (met !== '' && isName(met))
			return { name: bare(met), role: roleIn(title.slice(from + met.length)) };
		if (whole !== first[0]?.text) continue;
		// "Home batteries, Lena Orso (energy adviser)"
		const behind = NAMED_BEHIND.exec(tamed(title));
		if (behind && isName(behind[1]!)) return { name: bare(behind[1]!), role: roleIn(behind[2]!) };
		const named = NAMED_FIRST.exec(tamed(title));
		// one word alone can be anything: a name needs a second one, or a role behind it
		if (
			named &&
			isName(named[1]!) &&
			(named[1]!.includes(' ') ||
				(/[,(]/.test(named[0]) &&
					!/[.!?]$/.test(title) &&
					everydayRateOfForm(named[1]!.toLowerCase()) < RATE_OF_NAME)) &&
			title.length < 90
		)
			return { name: bare(named[1]!), role: roleIn(title.slice(named[0].length)) };
	}
	return null;
}

/** Names in capitals as names: "PT CALL Dr AMARA" stays readable for the patterns. */
function tamed(title: string): string {
	return title.replace(/\b\p{Lu}{3,}\b/gu, (word) => word[0]! + word.slice(1).toLowerCase());
}

function isName(text: string): boolean {
	return !bare(text)
		.split(/\s+/)
		.some((word) => NO_NAME.test(word) || isStopWord(word.toLowerCase()));
}

function bare(name: string): string {
	return name.replace(new RegExp(`^${TITLE}`, 'u'), '').trim();
}

/** What stands behind a name until the next full stop: "damp surveyor (29 yrs)". */
function roleIn(behind: string): string {
	const isRole = (role: string) =>
		!/\d/.test(role) && !/^(?:mon|tue|wed|thu|fri|sat|sun)/i.test(role);
	const role = /^[\s,–—:()-]*([^.,;()–—]{3,60})/.exec(behind)?.[1]?.trim() ?? '';
	if (isRole(role)) return role;
	// "(keeps 14 hens, allotment secretary)"
	const inBrackets = /^[\s,–—:-]*\(([^)]*)\)/.exec(behind)?.[1]?.split(/[,;]/) ?? [];
	return (
		inBrackets.map((part) => part.trim()).find((part) => part.length > 3 && isRole(part)) ?? ''
	);
}

const LABEL = new RegExp(
	String.raw`^(Q|A|Me|I|\p{Lu}{1,2}|\p{Lu}[\p{L}.'’-]+(?:\s\p{Lu}[\p{L}.'’-]+){0,2})(?:\s*\(([^)]{2,50})\))?\s*(?::|\s[–—-]\s)\s*(?=\S|$)`,
	'u'
);
const Q_ALONE = /^Q\s+(?=\p{Ll})/u;
/** "Q. …", "A1: …", "A) …". */
const Q_AND_A = /^(Q|A)(?:(?:uestion|nswer)\s?\d{0,2}|\s?\d{1,2})?\s*[.):–-]\s*(?=\S)/u;
/** Labels as people jot them: "me:", "brenda:", "int:". */
const SMALL_LABEL = /^(\p{Ll}[\p{L}.'’-]{0,14})\s*:\s*(?=\S|$)/u;
/** Who asks, in small letters. */
const SMALL_ASKER = /^(?:me|q|int|interviewer|moderator|host)$/;

/** Who a line says is speaking, and what is said. */
export interface Speech {
	/** "Q", "A" or "Me" as they stand, else the label's name. */
	readonly label: string;
	readonly role: string;
	readonly said: string;
	/** Sent in a chat, with its time before it. */
	readonly isMessage?: true;
}

/** When a message was sent, before who sent it, as programs for chatting put it into a file. */
const SENT =
	/^\u200e?\[?(?:\d{1,4}[./-]\d{1,2}[./-]\d{1,4},?\s+\d{1,2}[:.]\d{2}(?::\d{2})?(?:\s?[ap]\.?m\.?)?|\d{1,2}[:.]\d{2}(?::\d{2})?(?:\s?[ap]\.?m\.?)?,\s+\d{1,4}[./-]\d{1,2}[./-]\d{1,4})\]?\s*(?:[-–]\s*)?/iu;
const SENDER = /^([\p{L}+\d][^:()]{0,38}?)\s*(?:\(([^)]{2,50})\)\s*)?:\s*(?=\S|$)/u;

/** A message of a chat: who sent it, and what it says; null for any other line. */
function messageIn(text: string): Speech | null {
	const sent = SENT.exec(text);
	if (!sent) return null;
	const said = text.slice(sent[0].length);
	const sender = SENDER.exec(said);
	if (!sender) return null;
	const label = /^(?:you|me)$/i.test(sender[1]!) ? 'Me' : sender[1]!.trim();
	return { label, role: sender[2] ?? '', said: said.slice(sender[0].length), isMessage: true };
}

/** A message whose sender stands on a line of its own. */
function sentBy(sender: string, said: string): Speech {
	return { label: /^(?:you|me)$/i.test(sender) ? 'Me' : sender, role: '', said, isMessage: true };
}

/** The opening of a line as a speaker's label; null when it has none. */
export function labelIn(text: string): Speech | null {
	const message = messageIn(text);
	if (message) return message;
	const asked = Q_ALONE.exec(text);
	if (asked) return { label: 'Q', role: '', said: text.slice(asked[0].length) };
	const turn = Q_AND_A.exec(text);
	if (turn) return { label: turn[1]!, role: '', said: text.slice(turn[0].length) };
	const found = LABEL.exec(text) ?? SMALL_LABEL.exec(text);
	if (!found) return null;
	return { label: found[1]!, role: found[2] ?? '', said: text.slice(found[0].length) };
}

/**
 * A talk put down in turns: somebody asks, and labels in small letters or of one letter take turns
 * with theirs. Elsewhere "feed: …" names what a line is about.
 */
function takesTurns(
	labelled: readonly { readonly speech: Speech }[],
	times: ReadonlyMap<string, number>
): (label: string) => boolean {
	const asking = labelled.filter(({ speech: { label } }) => isAskingLabel(label));
	if (asking.length < 2) return () => false;
	const answering = new Set<string>();
	labelled.forEach(({ speech: { label } }, i) => {
		const before = labelled[i - 1]?.speech.label;
		if (before !== undefined && isAskingLabel(before) && !isAskingLabel(label))
			answering.add(label);
	});
	return (label) => isAskingLabel(label) || (answering.has(label) && (times.get(label) ?? 0) >= 2);
}

function isAskingLabel(label: string): boolean {
	return label === 'Q' || label === 'Me' || SMALL_ASKER.test(label);
}

/**
 * Labels of a note's speakers: what opens two lines and more, and "Q", "A", "Me" from one on.
 *
 * @param head who the note is of; null: nobody is named
 * @param present who was there, by a list in the head
 */
export function speechesOf(
	lines: readonly NoteLine[],
	head: Speaker | null,
	present: readonly Speaker[]
): Map<NoteLine, Speech> {
	const times = new Map<string, number>();
	const labelled = lines.flatMap((line) => {
		const speech =
			line.sender !== undefined
				? sentBy(line.sender, line.text)
				: line.shape === 'plain' || line.shape === 'bullet'
					? labelIn(line.text)
					: null;
		return speech ? [{ line, speech }] : [];
	});
	for (const { speech } of labelled) times.set(speech.label, (times.get(speech.label) ?? 0) + 1);
	const asks = (times.get('Q') ?? 0) > 0;
	const isInTurns = takesTurns(labelled, times);
	const speaks = ({ label, role, isMessage }: Speech) => {
		if (isMessage || isInTurns(label)) return true;
		if (kindOfField([label]) !== null) return false;
		if (present.some((one) => isShortFor(label, one.name))) return true;
		if (/^\p{Ll}/u.test(label)) return false;
		if (label === 'Q' || (label === 'A' && asks) || label === 'Me') return true;
		if (label === 'I' || label === 'A') return false;
		if (label.length <= 2) return head !== null && initialsOf(head.name).includes(label);
		if (head?.name.split(' ').includes(label)) return true;
		if (role !== '' && times.get(label)! > 1) return true;
		return (
			times.get(label)! > 2 &&
			(label === label.toUpperCase() || (head?.name ?? '').startsWith(label))
		);
	};
	// a talk of several: all labels in capitals, each now and then
	const inCapitals = labelled.filter(
		({ speech: { label } }) =>
			/^\p{Lu}{3,}/u.test(label) && label === label.toUpperCase() && kindOfField([label]) === null
	);
	const isTalk =
		inCapitals.length >= 4 &&
		new Set(inCapitals.map(({ speech }) => speech.label)).size >= 2 &&
		// whoever talks speaks again; fields stand once each
		inCapitals.some(({ speech }) => times.get(speech.label)! > 1);
	return new Map(
		labelled
			.filter(
				({ speech }) =>
					speaks(speech) || (isTalk && inCapitals.some((one) => one.speech === speech))
			)
			.map(({ line, speech }) => [line, speech])
	);
}

const PRESENT =
	/^(?:present|attend(?:ees|ing|ed)|participants|in the room|on (?:the call|stage)|people|who was there|panel(?:lists?|ists?)?|speakers|guests|line-?up)\s*:\s*(.+)$/iu;

/** Those who were there, by a line of the head that lists them; who wrote the note is left out. */
export function presentIn(lines: readonly Pick<NoteLine, 'text' | 'shape'>[]): Speaker[] {
	const listed = lines
		.filter(({ shape }) => shape !== 'blank')
		.slice(0, HEAD_LINES)
		.flatMap(({ text }) => PRESENT.exec(text)?.[1] ?? []);
	return listed
		.flatMap((list) => list.split(/\s*[,;]\s*(?![^(]*\))|\s+and\s+/))
		.flatMap((entry): Speaker[] => {
			const [, name, role = ''] = /^([^()]+?)\s*(?:\(([^)]*)\))?\.?$/u.exec(entry) ?? [];
			if (!name || /^(?:me|self)$/i.test(name) || /^(?:me|self|notes)$/i.test(role)) return [];
			return new RegExp(`^${TITLE}${NAME}$`, 'u').test(name)
				? [{ name: bare(name), role: role.replace(/^\p{Lu}{1,3}\s*[,;–-]\s*/u, '') }]
				: [];
		});
}

/** Whether a label of capitals stands for a name: "DO" for "Dev Okoro", and "RA" for a Ruth without a surname. */
export function isShortFor(label: string, name: string): boolean {
	if (!/^\p{Lu}{1,3}$/u.test(label)) return false;
	return name.includes(' ') ? initialsOf(name).includes(label) : label[0] === name[0];
}

function initialsOf(name: string): string[] {
	const words = name.split(/\s+/);
	return [...words.map((word) => word[0]!), words.map((word) => word[0]).join('')];
}

/** "PRIYA", "priya" as a name. */
export function nameOfLabel(label: string): string {
	if (/^\p{Ll}/u.test(label)) return label[0]!.toUpperCase() + label.slice(1);
	return label === label.toUpperCase() && label.length > 2
		? label.replace(/\p{L}+/gu, (word) => word[0]! + word.slice(1).toLowerCase())
		: label;
}

const ASKERS =
	/^(?:q|me|int|moderator|interviewer|host|questioner|question|audience|man|woman|voice|caller|presenter|speaker \?|unknown|narrator)\b/i;

/** Whether a speaker is known for asking by name alone: "Moderator", "Woman". */
export function isAsker(label: string): boolean {
	return ASKERS.test(label);
}

/** Adds somebody who speaks, once, with what the note says of them. */
export function meet(speakers: Speaker[], name: string, role: string): void {
	if (name === '') return;
	const at = speakers.findIndex((one) => one.name === name || one.name.startsWith(`${name} `));
	if (at < 0) speakers.push({ name, role });
	else if (role !== '' && speakers[at]!.role === '')
		speakers[at] = { name: speakers[at]!.name, role };
}

/** Somebody whose first name or surname is known, as a text names them in full, with what it says of them. */
export function namedInFull(short: string, text: string): Speaker | null {
	if (short.length < 2 || !isName(short)) return null;
	const name = short.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
	const full = new RegExp(
		String.raw`(?<![\p{L}])(?:${name}(?:\s\p{Lu}[\p{L}'’-]+){1,2}|(?:\p{Lu}[\p{L}'’-]+\s){1,2}${name})(?![\p{L}])`,
		'u'
	).exec(text);
	if (!full) return null;
	const behind = text.slice(full.index + full[0].length).split('\n')[0]!;
	return { name: full[0], role: /^\s*[,(–—-]/.test(behind) ? roleIn(behind) : '' };
}
