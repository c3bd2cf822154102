import type { NoteUnit } from '../../notes';
import { hasVerb, lacksSubject, needsBefore, withoutOpening } from '../../text';
import type { Voice } from './note-material';

/**
 * Why a passage of the notes cannot be printed as it stands and is handed to the writer to be worked in.
 * A jotting can still be an entry of a list, and an answer can stand under its question.
 */
export type Hold =
	/** It has no verb that could make a sentence of it. */
	| 'jotting'
	/** It answers a question and says nothing without it: "Not by itself." */
	| 'answer'
	/** It needs what the note says before it: "It recovers within an hour." */
	| 'leans'
	/** It says what was done and not by whom. */
	| 'nobody does it'
	/** It was spoken into a machine, without stops. */
	| 'dictated';

interface Place {
	readonly voice: Voice;
	/** Whether a question stands before it. */
	readonly isAnswer: boolean;
	/** Whether it is an entry of a list of the note. */
	readonly isEntry: boolean;
}

/** Why a passage that begins with a unit cannot be printed as it stands; null: it can. */
export function holdOf(
	kind: NoteUnit['kind'],
	text: string,
	{ voice, isAnswer, isEntry }: Place
): Hold | null {
	const said = withoutOpening(text);
	const isLeaning = needsBefore(said) && !(voice.kind === 'speaker' && ABOUT_ONE.test(said));
	const isBare = !isEntry && !hasVerb(firstPart(said)) && !LABELLED.test(said);
	const isNobodys = kind !== 'quote' && lacksSubject(said);
	if (isAnswer && (isLeaning || ANSWERS.test(said) || isBare || (isNobodys && !isDeed(said))))
		return 'answer';
	if (isLeaning) return 'leans';
	if (kind === 'definition') return null;
	if (isNobodys && !(voice.kind === 'speaker' && isDeed(said))) return 'nobody does it';
	if (kind === 'quote' ? isScrap(said) : !isEntry && !hasVerb(said) && !LABELLED.test(said))
		return 'jotting';
	return null;
}

/** What is said, without the mere "Yes" or "That's a myth" to a question that is not printed. */
export function withoutReaction(text: string): string {
	const rest = text.replace(REACTION, (_, mark: string) => mark);
	const words = rest.replace(/^["“]/, '');
	return words.split(/\s+/).length >= LEAST_REST && /^\p{Lu}/u.test(words) && !needsBefore(words)
		? rest
		: text;
}

const REACTION =
	/^(["“]?)(?:yes|yeah|yep|no|nope|all the time|absolutely|exactly|sure|of course|not really|it depends|that['’]s (?:a myth|right|true|nonsense|it)|(?:they|it|we|i|you) (?:do|does|don['’]t|doesn['’]t|can|can['’]t))[.!]\s+/i;
const LEAST_REST = 5;

/** Whether a line is put down as a jotting is: without a capital or a figure at its start, or without a stop. */
export function isJotted(text: string): boolean {
	return !/^["“‘(]?[\p{Lu}\p{N}£$€]/u.test(text) || !/[.!?…]["”’)\]]*$/.test(text.trim());
}

/** What she does, said without her: "Reckons one in six …" in an interview. */
export function isDeed(text: string): boolean {
	return /^(?:reckons|wants|thinks|says|puts|looks|tells|trusts|prefers|likes|charges|advises|recommends|swears|hates|asks|checks)\b/i.test(
		withoutOpening(text)
	);
}

/** "Storage: a big cotton sack, never the stuff sack": what it is about stands before a colon. */
export const LABELLED =
	/^(?!(?:rule|note|tip|good one|honestly|ps)\b)\p{L}[\p{L}'’-]*(?: [\p{L}'’-]+){0,3}: (?:\S+ ){3,}\S/iu;

/** A pronoun for the one who is interviewed, whom the narrator names. */
const ABOUT_ONE = /^(?:she|he|her|his)\b/i;

/** Words that answer and say nothing alone. */
const ANSWERS =
	/^(?:(?:yes|yeah|yep|no|nope|sure|absolutely|exactly|all the time|depends)\b(?! \p{L})|(?:yes|no|yeah),|(?:never|always|sometimes|hardly|rarely|mostly|maybe|perhaps|both|neither)[.,;!])/iu;

/** Too little to be quoted: "Heel's what", "Ah, well." */
function isScrap(text: string): boolean {
	const words = text.split(/\s+/).length;
	return words < 4 || (words < 7 && !hasVerb(text));
}

/** A passage's first sentence: "Pace no.", "Two. Three at most." */
function firstPart(text: string): string {
	return /^[^.!?;]+/.exec(text)?.[0] ?? text;
}
