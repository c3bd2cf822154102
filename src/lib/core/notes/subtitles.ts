import { countWords } from '../text';
import { chatLinesOf } from './chat-on-screen';

/** One cue as it was read: times in milliseconds from the start. */
export interface Cue {
	readonly startMs: number;
	/** Null where the file gives no end, as timed text does. */
	readonly endMs: number | null;
	/** Empty when nobody is named. */
	readonly speaker: string;
	readonly text: string;
}

/** Cues run together until the speaker changes, somebody pauses or enough was said. */
export interface SpokenParagraph {
	readonly startMs: number;
	readonly speaker: string;
	readonly text: string;
}

export interface Transcript {
	readonly format: 'SRT' | 'WebVTT' | 'timed text';
	/** What a WebVTT file calls itself behind its first word; else empty. */
	readonly title: string;
	/** Lines before the first time of timed text: who speaks, when, where. */
	readonly head: string;
	readonly cues: readonly Cue[];
	readonly paragraphs: readonly SpokenParagraph[];
	/** What was put right or left out, in words for the writer. */
	readonly remarks: readonly string[];
}

export type TranscriptResult =
	| { readonly kind: 'read'; readonly transcript: Transcript }
	| { readonly kind: 'not-timed'; readonly reason: string };

/** How cues become paragraphs. A pause of three seconds is where speakers take breath between thoughts. */
const PARAGRAPH_RULES = { pauseMs: 3_000, enoughWords: 80, mostWords: 160 } as const;

const TIME = String.raw`(?:(\d{1,3}):)?(\d{1,2}):(\d{2})(?:[.,:](\d{1,3}))?`;
const TIMING = new RegExp(String.raw`^\s*${TIME}\s*-{1,2}>\s*${TIME}(?:\s.*|(?=[^\s\d])(.*))?$`);
const STAMP = new RegExp(String.raw`^\s*[[(]?${TIME}[\])]?(?:\s*[-–—:]\s+|\s+|$)(.*)$`);

/**
 * Reads SRT, WebVTT or timed plain text, forgiving what files in the wild have: settings, tags,
 * mixed line ends, cues out of order, rolling captions that repeat a line, an end that was cut off.
 */
export function readTranscript(text: string): TranscriptResult {
	const lines = text
		.replace(/^\ufeff/, '')
		.replace(/\r\n?|\u2028|\u2029/g, '\n')
		.split('\n');
	const isVtt = /^WEBVTT\b/.test(lines[0]?.trim() ?? '');
	const isCut = dropCutEnd(lines);
	const timings = lines.filter((line) => TIMING.test(line)).length;
	if (timings > 0) {
		const { cues, remarks } = cuesOf(lines);
		if (isCut) remarks.push('the file was cut off in the middle of a cue');
		const title = isVtt ? lines[0]!.replace(/^WEBVTT[\s:–—-]*/, '').trim() : '';
		return fromCues({ cues, remarks }, isVtt ? 'WebVTT' : 'SRT', title);
	}
	if (isVtt) return { kind: 'not-timed', reason: 'it opens as WebVTT but holds no cue' };
	if (chatLinesOf(lines.map((line) => line.trim())) !== null)
		return { kind: 'not-timed', reason: 'it is a chat, whose times say when a message was sent' };
	const filled = lines.filter((line) => line.trim() !== '');
	const stamped = filled.filter((line) => STAMP.test(line)).length;
	if (stamped >= 2 && stamped >= 0.2 * filled.length)
		return fromCues(stampedCuesOf(lines), 'timed text');
	return { kind: 'not-timed', reason: 'no times were found in it' };
}

/** Takes off half a timing at the end of a file, and the number before it. */
function dropCutEnd(lines: string[]): boolean {
	const at = lines.findLastIndex((line) => line.trim() !== '');
	const last = lines[at] ?? '';
	const isHalf = /^\s*\d{1,3}:\d{2}[\d:.,]*\s*-{0,2}>?\s*[\d:.,]*$/.test(last);
	if (!isHalf || TIMING.test(last)) return false;
	if (!lines.some((line) => TIMING.test(line))) return false;
	lines.length = at;
	if (/^\s*\d+\s*$/.test(lines.at(-1) ?? '')) lines.length = at - 1;
	return true;
}

interface Read {
	readonly head?: string;
	readonly cues: Cue[];
	readonly remarks: string[];
}

function cuesOf(lines: readonly string[]): Read {
	const found: Cue[] = [];
	const remarks: string[] = [];
	let untimed = 0;
	let at = 0;
	while (at < lines.length) {
		const timing = TIMING.exec(lines[at]!);
		if (!timing) {
			if (/^(?:NOTE|STYLE|REGION)\b/.test(lines[at]!)) at = afterBlock(lines, at);
			else at++;
			continue;
		}
		const startMs = msOf(timing, 1);
		const endMs = msOf(timing, 5);
		// words right behind the end of a timing are the cue's first line
		const said: string[] = timing[9] ? [timing[9]] : [];
		at++;
		while (at < lines.length && !TIMING.test(lines[at]!)) {
			const line = lines[at]!;
			// a number alone before the next timing is the next cue's name, blank line or not
			const isName =
				TIMING.test(lines[at + 1] ?? '') &&
				(/^\s*\d+\s*$/.test(line) || (said.length > 0 && lines[at - 1]!.trim() === ''));
			if (isName) break;
			if (line.trim() === '' && isEndOfCue(lines, at)) break;
			said.push(line);
			at++;
		}
		const { speaker, text } = spokenIn(said);
		if (text === '') {
			untimed++;
			continue;
		}
		found.push({ startMs, endMs: Math.max(startMs, endMs), speaker, text });
	}
	if (untimed > 0)
		remarks.push(`${untimed} ${untimed === 1 ? 'cue' : 'cues'} without words left out`);
	return { cues: found, remarks };
}

/** A blank line ends a cue, unless the text goes on before the next timing, as careless files do. */
function isEndOfCue(lines: readonly string[], at: number): boolean {
	for (let i = at + 1; i < lines.length; i++) {
		const line = lines[i]!.trim();
		if (line === '') continue;
		if (TIMING.test(line) || /^(?:NOTE|STYLE|REGION)\b/.test(line)) return true;
		return TIMING.test(lines[i + 1] ?? '');
	}
	return true;
}

function afterBlock(lines: readonly string[], at: number): number {
	let end = at + 1;
	while (end < lines.length && lines[end]!.trim() !== '' && !TIMING.test(lines[end]!)) end++;
	return end;
}

function stampedCuesOf(lines: readonly string[]): Read {
	const found: Cue[] = [];
	let open: { startMs: number; said: string[] } | null = null;
	const head: string[] = [];
	const close = () => {
		if (!open) return;
		const { speaker, text } = spokenIn(open.said);
		if (text !== '') found.push({ startMs: open.startMs, endMs: null, speaker, text });
	};
	for (const line of lines) {
		const stamp = STAMP.exec(line);
		if (stamp) {
			close();
			open = { startMs: msOf(stamp, 1), said: [stamp[5]!] };
		} else if (open) open.said.push(line);
		else if (line.trim() !== '') head.push(line.trim());
	}
	close();
	return { cues: found, remarks: [], head: head.join('\n') };
}

function msOf(match: RegExpExecArray, from: number): number {
	const [hours, minutes, seconds, part] = [0, 1, 2, 3].map((i) => match[from + i] ?? '');
	const ms = part === '' ? 0 : Number(part!.padEnd(3, '0'));
	return (Number(hours || 0) * 3600 + Number(minutes) * 60 + Number(seconds)) * 1000 + ms;
}

const ENTITIES: Readonly<Record<string, string>> = {
	amp: '&',
	lt: '<',
	gt: '>',
	nbsp: ' ',
	quot: '"',
	apos: "'",
	'#39': "'",
	lrm: '',
	rlm: ''
};

const NAMED =
	/^(?:>{1,3}|[-–—])?\s*([\p{Lu}][\p{L}\p{N}.'’-]*(?:\s[\p{Lu}\p{N}][\p{L}\p{N}.'’-]*){0,3}):\s+(?=\S)/u;
const SOUND = /^\s*(?:[[(（【][^\])）】]{1,60}[\])）】]|[♪♫#*]+.*[♪♫#*]+|[♪♫]+)\s*$/u;

/** Text of a cue without tags, positions and sounds; lines stay apart. */
function spokenIn(lines: readonly string[]): { speaker: string; text: string } {
	let speaker = '';
	const kept: string[] = [];
	for (const line of lines) {
		const voice = /<v(?:\.[\w.]+)?\s+([^>]{1,60})>/.exec(line);
		if (voice) speaker ||= voice[1]!.trim();
		let plain = line
			.replace(/<\/?[a-z0-9:.][^<>]{0,200}>/gi, '')
			.replace(/\{\\[^}]{0,60}\}/g, '')
			.replace(
				/&([a-z]{2,4}|#39);/gi,
				(whole, name: string) => ENTITIES[name.toLowerCase()] ?? whole
			)
			.replace(/[\u200b-\u200f\ufeff]/g, '')
			.replace(/\s+/g, ' ')
			.trim();
		if (plain === '' || SOUND.test(plain)) continue;
		const named = NAMED.exec(plain);
		if (named && kept.length === 0) {
			speaker ||= named[1]!;
			plain = plain.slice(named[0].length);
		}
		plain = plain.replace(/^(?:>{1,3}|[-–—])\s+/, '');
		if (plain !== '') kept.push(plain);
	}
	return { speaker, text: kept.join('\n') };
}

function fromCues(
	{ cues, remarks, head = '' }: Read,
	format: Transcript['format'],
	title = ''
): TranscriptResult {
	if (cues.length === 0)
		return { kind: 'not-timed', reason: 'it has times, but no words were found between them' };
	const sorted = cues
		.map((cue, i) => ({ cue, i }))
		.sort((a, b) => a.cue.startMs - b.cue.startMs || a.i - b.i);
	const moved = sorted.filter(({ i }, at) => at > 0 && i < sorted[at - 1]!.i).length;
	if (moved > 0) remarks.push('cues stood out of order and were sorted by time');
	const once = withoutRepeats(
		withOwnSpeakers(sorted.map(({ cue }) => cue)),
		format === 'timed text'
	);
	const repeats = cues.length - once.length;
	if (repeats > 0)
		remarks.push(
			`${repeats} ${repeats === 1 ? 'cue' : 'cues'} that only repeated the one before left out`
		);
	return {
		kind: 'read',
		transcript: { format, title, head, cues: once, paragraphs: paragraphsOf(once), remarks }
	};
}

/** A name before a colon is a speaker when it comes twice or is in capitals; else it is text. */
function withOwnSpeakers(cues: readonly Cue[]): Cue[] {
	const times = new Map<string, number>();
	for (const { speaker } of cues) times.set(speaker, (times.get(speaker) ?? 0) + 1);
	return cues.map((cue) => {
		const { speaker } = cue;
		if (speaker === '' || times.get(speaker)! > 1 || speaker === speaker.toUpperCase()) return cue;
		return times.size > 1 && cues.length > 8
			? { ...cue, speaker: '', text: `${speaker}: ${cue.text}` }
			: cue;
	});
}

/**
 * Rolling captions show a line again while the next one comes in, and growing captions the words
 * so far. What stood at the end of one cue and opens the next at once is taken off.
 */
function withoutRepeats(cues: readonly Cue[], isLoose: boolean): Cue[] {
	const kept: Cue[] = [];
	let shown: string[] = [];
	let shownUntil = -Infinity;
	for (const cue of cues) {
		const lines = cue.text.split('\n');
		const isNext = cue.startMs - shownUntil < 1_500;
		let fresh = lines;
		if (isNext && !isLoose) {
			fresh = lines.slice(overlapOf(shown, lines));
			const before = shown.at(-1) ?? '';
			if (fresh[0] && countWords(before) >= 2 && fresh[0].startsWith(`${before} `))
				fresh = [fresh[0].slice(before.length + 1), ...fresh.slice(1)];
		}
		shown = lines;
		shownUntil = Math.max(shownUntil, cue.endMs ?? cue.startMs);
		if (fresh.length > 0) kept.push({ ...cue, text: fresh.join(' ') });
	}
	return kept;
}

/** How many first lines of `next` are the last lines of `before`. */
function overlapOf(before: readonly string[], next: readonly string[]): number {
	for (let n = Math.min(before.length, next.length); n > 0; n--) {
		const tail = before.slice(-n);
		if (tail.every((line, i) => line === next[i])) return n;
	}
	return 0;
}

function paragraphsOf(cues: readonly Cue[]): SpokenParagraph[] {
	const paragraphs: { startMs: number; speaker: string; text: string; untilMs: number }[] = [];
	for (const { startMs, endMs, speaker, text } of cues) {
		const last = paragraphs.at(-1);
		const said = last ? countWords(last.text) : 0;
		const isNew =
			!last ||
			(speaker !== '' && speaker !== last.speaker) ||
			startMs - last.untilMs >= PARAGRAPH_RULES.pauseMs ||
			(said >= PARAGRAPH_RULES.enoughWords && /[.!?…]["”’)]*$/.test(last.text)) ||
			said >= PARAGRAPH_RULES.mostWords;
		const untilMs = endMs ?? Infinity;
		if (isNew) {
			const carried = speaker === '' && last && startMs - last.untilMs < 10_000 ? last.speaker : '';
			paragraphs.push({ startMs, speaker: speaker || carried, text, untilMs });
		} else {
			last.text = joined(last.text, text);
			last.untilMs = untilMs;
		}
	}
	return paragraphs.map(({ startMs, speaker, text }) => ({ startMs, speaker, text }));
}

/** Two pieces of speech as one; a word broken at the end of a line is closed up. */
function joined(before: string, next: string): string {
	return /\p{L}-$/u.test(before) && /^\p{Ll}/u.test(next)
		? before.slice(0, -1) + next
		: `${before} ${next}`;
}
