import { isSaid, type UnitDraft } from './unit-drafts';

const ASKS_LEAVE =
	/\b(?:can|may|could|shall|mind if|ok(?:ay)? (?:to|if)|all ?right (?:to|if)|happy for (?:me|us) to)\b(?: (?:I|we))? (?:quote|use|name|print|mention|publish)\b/i;
const REFUSES = /\b(?:not|no|never|except|apart from|leave out|without)\b|n['’]t\b/i;
const REFUSED_PART =
	/(?:\bnot|n['’]t|\b(?:except|apart from|leave out|without|bar|never))\s+(?:for |about |mention |use |print )*(?:the|that|my|our|what I said about|anything about)\s+([^,.;!?]{3,60})/gi;

/** Whether somebody is asked what of their words may be printed. */
export function asksLeave(asked: string): boolean {
	return ASKS_LEAVE.test(asked);
}

/** Whether an answer to that holds anything back. */
export function isRefused(answer: string): boolean {
	return REFUSES.test(answer);
}

/** Whether a sentence of such an answer says no more than what may be done. */
export function isOfLeave(text: string): boolean {
	return (
		text.split(/\s+/).length <= 8 &&
		/\b(?:fine|ok(?:ay)?|yes|sure|of course|happy|name|quote|use)\b/i.test(text)
	);
}

/** What an answer holds back: "yes, but not the nine hens" gives "nine hens". */
export function refusedIn(answer: string): string[] {
	return [...answer.matchAll(REFUSED_PART)].map(([, part]) => part!.trim());
}

/** In how many units at most a word stands that tells which of them is meant. */
const MOST_MEANT = 2;
/** Words of a fragment that goes with what is before it. */
const FRAGMENT = 4;

/** Units without what was held back later, with the fragments that go with it. */
function withoutRefused(
	units: readonly UnitDraft[],
	refused: readonly string[]
): readonly UnitDraft[] {
	if (refused.length === 0) return units;
	const words = units.map(({ text, kind }) => (isSaid(kind) ? wordsOf(text) : new Set<string>()));
	const off = new Set<number>();
	for (const part of refused) {
		const places = [...wordsOf(part)]
			.map((word) => words.flatMap((of, at) => (of.has(word) ? [at] : [])))
			.filter(({ length }) => length > 0 && length <= MOST_MEANT)
			.sort((a, b) => a.length - b.length);
		for (const at of places[0] ?? []) {
			off.add(at);
			for (let next = at + 1; isFragmentOf(units[next], units[at]!); next++) off.add(next);
		}
	}
	return units.map((unit, at) =>
		off.has(at) ? { ...unit, kind: 'off-record', speaker: '', list: -1, position: 0 } : unit
	);
}

function isFragmentOf(unit: UnitDraft | undefined, before: UnitDraft): boolean {
	return (
		unit !== undefined &&
		isSaid(unit.kind) &&
		unit.paragraph === before.paragraph &&
		unit.text.split(/\s+/).length <= FRAGMENT
	);
}

function wordsOf(text: string): Set<string> {
	return new Set(text.toLowerCase().match(/[\p{L}\p{N}]{3,}/gu) ?? []);
}

const ALL_BUT_LAST =
	/\b(?:all|everything|anything|any)\b[^.]{0,40}\b(?:except|but|bar|apart from)\b[^.]{0,20}\blast (?:paragraph|part|bit|point|section)\b/i;

/** "You may use all of this except the last paragraph." */
function withoutLastPart(units: readonly UnitDraft[]): readonly UnitDraft[] {
	if (!units.some(({ text }) => ALL_BUT_LAST.test(text))) return units;
	const last = units.findLast(
		({ kind }) => kind !== 'aside' && kind !== 'question' && kind !== 'background'
	);
	return units.map((unit) =>
		unit.paragraph === last?.paragraph
			? { ...unit, kind: 'off-record' as const, list: -1, position: 0 }
			: unit
	);
}

/** Says of what stands before it that it is not to be printed. */
const SPEAKS_BACK =
	/^(?:and |but |so |obviously,? |please |pls )*(?:(?:she|he|they|we|i) (?:does|do|did)(?:n['’]?t| not) want (?:that|this|it)\b|(?:that|this|it|all (?:that|this)) (?:obviously |of course )?(?:stays|is off|['’]s off|goes no further|is (?:just |only )?(?:between|for your))|keep (?:that|this|it)|(?:don['’]?t|do not|never) (?:print|publish|use|quote|repeat|write|put) (?:that|this|it)\b|(?:(?:I am|I['’]m|we['’]re) )?not (?:(?:for|to be) (?:print|printed|publication|quoted|used)\b|(?:printing|using|quoting|publishing|repeating) (?:that|this|it)\b)|(?:that|the|this) last (?:bit|part|thing|one)\b|(?:leave|cut|take|strike) (?:that|this|it)(?: last)?(?: bit| part| one)? out\b)/i;

/** What is told right before it, in one paragraph, is as confidential as the sentence that says so. */
function withConfidedSentences(units: readonly UnitDraft[]): UnitDraft[] {
	return units.map((unit, at) => {
		const next = units[at + 1];
		return next?.kind === 'off-record' &&
			next.paragraph === unit.paragraph &&
			isSaid(unit.kind) &&
			SPEAKS_BACK.test(next.text)
			? { ...unit, kind: 'off-record', speaker: '' }
			: unit;
	});
}

/**
 * Units with what other units hold back made confidential: the last part of a note, the sentence before
 * "keep that out of it", and what was refused when somebody was asked.
 */
export function withoutHeldBack(
	units: readonly UnitDraft[],
	refused: readonly string[]
): readonly UnitDraft[] {
	return withoutRefused(withConfidedSentences(withoutLastPart(units)), refused);
}
