import { headOfTranscript, spokenParagraphsOf } from '../transcript-text';
import { ASIDE } from './cues';
import { cutSentences } from './cut-sentences';
import { asksLeave, isRefused, refusedIn, withoutHeldBack } from './held-back';
import { forbiddenKindOf, leansOn, type Setting } from './kind-of';
import { isAsker, nameOfLabel, namedInFull } from './speakers';
import type { ReadNoteUnits, Speaker, UnitKind } from './unit';
import { isPractical, isSaid, withKeys, type NoteToRead, type UnitDraft } from './unit-drafts';

/** Words of what one says at a stretch from which it is cut. */
const LONG_TURN = 45;

/** A question about the one who speaks: how long they have done it, what they are called. */
const ASKS_OF_THEM =
	/\b(?:you['’]ve|you have|have you) been\b|\byour (?:job|name|background|story)\b|\bhow did you (?:get into|start|come to)\b|\bintroduce yourself\b/i;
/** Words of an answer that says no more than that. */
const SHORT_TURN = 15;

/** A transcript: who asks, who answers, and what is only said in passing. */
export function transcriptUnits({ name, text }: NoteToRead): ReadNoteUnits {
	const turns = spokenParagraphsOf(text);
	const asked = new Map<string, { asks: number; turns: number; words: number }>();
	for (const { speaker, text: said } of turns) {
		const of = asked.get(speaker) ?? { asks: 0, turns: 0, words: 0 };
		of.turns++;
		of.words += said.split(/\s+/).length;
		if (said.includes('?')) of.asks++;
		asked.set(speaker, of);
	}
	const most = Math.max(...[...asked.values()].map(({ words }) => words));
	const asks = (speaker: string) => {
		const { asks: n, turns: all, words } = asked.get(speaker)!;
		return isAsker(speaker) || (asked.size > 1 && n / all >= 0.5 && words < 0.7 * most);
	};
	const head = headOfTranscript(text);
	const people = new Map<string, Speaker>();
	for (const speaker of asked.keys()) {
		const short = spoken(speaker);
		people.set(speaker, namedInFull(short, head) ?? { name: short, role: '' });
	}
	const drafts: UnitDraft[] = [];
	const refused: string[] = [];
	const put = (kind: UnitKind, said: string, start: number, speaker: string, paragraph: number) =>
		drafts.push({
			kind,
			text: said,
			start,
			end: start + said.length,
			heading: '',
			speaker: isSaid(kind) ? (people.get(speaker)?.name ?? '') : '',
			list: -1,
			position: 0,
			table: -1,
			cells: [],
			paragraph,
			leans: leansOn(said)
		});
	let at = 0;
	for (const line of head.split('\n').filter((one) => one.trim() !== '')) {
		const start = text.indexOf(line, at);
		at = start + line.length;
		put('background', line, start, '', -1);
	}
	/** What was asked before: of them, in passing, or what may be printed. */
	let before: 'them' | 'passing' | 'leave' | '' = '';
	turns.forEach(({ speaker, text: said }, paragraph) => {
		const asking = before;
		const start = text.indexOf(said, at);
		at = Math.max(at, start + said.length);
		if (asks(speaker)) {
			before = asksLeave(said)
				? 'leave'
				: ASKS_OF_THEM.test(said)
					? 'them'
					: isPractical(said)
						? 'passing'
						: '';
			const isQuestion = said.includes('?') && before !== 'leave' && before !== 'passing';
			const kind =
				forbiddenKindOf(said, SPOKEN) === 'off-record'
					? 'off-record'
					: isQuestion
						? 'question'
						: 'aside';
			return put(kind, said, start, speaker, paragraph);
		}
		before = '';
		if (asking === 'leave') refused.push(...refusedIn(said));
		for (const part of partsOf(said)) {
			const kind = kindOfTurn(part.text, said, asking, speaker);
			put(kind, part.text, start + part.start, speaker, paragraph);
		}
	});
	return {
		title: name,
		speakers: [...asked.keys()]
			.filter((speaker) => speaker !== '' && !asks(speaker))
			.map((speaker) => people.get(speaker)!),
		units: withKeys(withoutHeldBack(drafts, refused)),
		headings: [],
		columns: new Map()
	};
}

const SPOKEN: Setting = {
	heading: '',
	label: '',
	inHead: false,
	isOfSomebody: true,
	amongWishes: false,
	isMail: false,
	entry: '',
	bracketsAreOff: false,
	isOfWriting: true
};

/** What a part of an answer is, by what was asked. */
function kindOfTurn(
	part: string,
	said: string,
	asking: 'them' | 'passing' | 'leave' | '',
	speaker: string
): UnitKind {
	if (forbiddenKindOf(part, SPOKEN) === 'off-record') return 'off-record';
	const words = part.split(/\s+/).length;
	if (asking === 'leave' && words <= SHORT_TURN)
		return isRefused(part) ? 'do-not-say' : 'background';
	if (asking === 'them' && said.split(/\s+/).length <= SHORT_TURN) return 'background';
	if (asking === 'passing' && said.split(/\s+/).length <= IN_PASSING) return 'aside';
	if (words <= 3 || ASIDE.test(part)) return 'aside';
	return speaker === '' ? 'claim' : 'quote';
}

/** Words of an answer to what was asked in passing. */
const IN_PASSING = 6;

/** What is said at a stretch, cut where it is long or where a sentence of it holds something back. */
function partsOf(said: string) {
	const sentences = cutSentences(said);
	if (sentences.some(({ text }) => forbiddenKindOf(text, SPOKEN) === 'off-record'))
		return sentences;
	return said.split(/\s+/).length <= LONG_TURN
		? [{ text: said, start: 0, end: said.length }]
		: chunksOf(said);
}

/** "JO" as a name; letters without a vowel are initials. */
function spoken(speaker: string): string {
	return /^\p{Lu}{2}$/u.test(speaker) && /[AEIOUY]/.test(speaker.slice(1))
		? speaker[0]! + speaker.slice(1).toLowerCase()
		: nameOfLabel(speaker);
}

/** Sentences put together until a piece has some weight. */
function chunksOf(said: string) {
	const chunks: { text: string; start: number; end: number }[] = [];
	for (const { start, end } of cutSentences(said)) {
		const last = chunks.at(-1);
		if (last && last.text.split(/\s+/).length < LONG_TURN / 2) {
			last.end = end;
			last.text = said.slice(last.start, end);
		} else chunks.push({ text: said.slice(start, end), start, end });
	}
	return chunks;
}
