import { spokenParagraphsOf } from '../transcript-text';
import { ASIDE } from './cues';
import { cutSentences } from './cut-sentences';
import { forbiddenKindOf, leansOn, type Setting } from './kind-of';
import { isAsker, nameOfLabel } from './speakers';
import type { ReadNoteUnits, UnitKind } from './unit';
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
	const drafts: UnitDraft[] = [];
	let at = 0;
	let before = '';
	turns.forEach(({ speaker, text: said }, paragraph) => {
		const isOfThem = ASKS_OF_THEM.test(before) && said.split(/\s+/).length <= SHORT_TURN;
		before = said;
		const start = text.indexOf(said, at);
		at = Math.max(at, start + said.length);
		const isAsking = asks(speaker);
		const parts =
			isAsking || said.split(/\s+/).length <= LONG_TURN
				? [{ text: said, start: 0, end: said.length }]
				: chunksOf(said);
		for (const part of parts) {
			const words = part.text.split(/\s+/).length;
			const setting: Setting = {
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
			const off = forbiddenKindOf(part.text, setting);
			const kind: UnitKind =
				off === 'off-record'
					? off
					: isAsking
						? part.text.includes('?')
							? isPractical(part.text)
								? 'aside'
								: 'question'
							: 'aside'
						: isOfThem
							? 'background'
							: words <= 3 || ASIDE.test(part.text)
								? 'aside'
								: speaker === ''
									? 'claim'
									: 'quote';
			drafts.push({
				kind,
				text: part.text,
				start: start + part.start,
				end: start + part.end,
				heading: '',
				speaker: isSaid(kind) ? spoken(speaker) : '',
				list: -1,
				position: 0,
				table: -1,
				cells: [],
				paragraph,
				leans: leansOn(part.text)
			});
		}
	});
	const names = [...asked.keys()].filter((speaker) => speaker !== '' && !asks(speaker));
	return {
		title: name,
		speakers: names.map((speaker) => ({ name: spoken(speaker), role: '' })),
		units: withKeys(drafts),
		headings: [],
		columns: new Map()
	};
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
