import { isSpeakerField } from './speakers';
import {
	ASIDE,
	BACKGROUND,
	BRIEF,
	DO_NOT_SAY,
	OFF_RECORD,
	THANKS,
	TO_DO,
	WORD_COUNT,
	kindOfField,
	kindUnder
} from './cues';
import {
	CHATTER,
	HOW_NOTED,
	IN_CONFIDENCE,
	KEEP_OUT,
	OF_SOMEBODY_NAMED,
	STILL_TO_DO,
	speaksOfText,
	WANTED_OF_TEXT
} from './said-of-lines';
import { isMostlyVerb } from '../../text';
import { likelyKind } from './line-signs';
import type { UnitKind } from './unit';

/** Where a stretch of a note stands; what it says of itself comes from its text. */
export interface Setting {
	/** Heading it stands under, empty before the first. */
	readonly heading: string;
	/** Label right over its list or table, empty for none. */
	readonly label: string;
	/** Above the first heading, question or list, where notes say what they are. */
	readonly inHead: boolean;
	/** Whether the note is of somebody who was asked, and not the writer's own. */
	readonly isOfSomebody: boolean;
	/** Whether the paragraph or the run of lines it stands in gives wishes. */
	readonly amongWishes: boolean;
	readonly isMail: boolean;
	readonly entry: 'step' | 'item' | 'box' | 'row' | '';
	/** Said to be usable unless it stands in brackets. */
	readonly bracketsAreOff: boolean;
	/** Words of writing say nothing here: the note is about texts, or was spoken. */
	readonly isOfWriting: boolean;
}

/** In small letters it is advice: "don't use bleach". */
const SHOUTED_OFF = /\bDON['’]?T USE\b/;

/** Kinds of what is never printed, which win over everything else. */
export function forbiddenKindOf(text: string, setting: Setting): UnitKind | null {
	const under = kindUnder(setting.label) ?? kindUnder(setting.heading);
	if (OFF_RECORD.test(text) || IN_CONFIDENCE.test(text) || SHOUTED_OFF.test(text))
		return 'off-record';
	if (setting.bracketsAreOff && /^\[[^\]]+\]\.?$/.test(text)) return 'off-record';
	if (under === 'off-record' || under === 'do-not-say') return under;
	if (forbidsSaying(text)) return 'do-not-say';
	if (under === 'todo') return 'todo';
	return (TO_DO.test(text) || STILL_TO_DO.test(text) || OF_SOMEBODY_NAMED.test(text)) &&
		!/^(?:angle|structure|order|outline|title)\b/i.test(text)
		? 'todo'
		: null;
}

/** An order not to say something; what stands in quotation marks alone was said by somebody. */
function forbidsSaying(text: string): boolean {
	const forbids = (said: string) => DO_NOT_SAY.test(said) || KEEP_OUT.test(said);
	return forbids(text) && (quotedIn(text).share < 0.5 || forbids(text.replace(QUOTED, '“x”')));
}

const QUOTED = /"[^"]*"|“[^”]*”/g;

/** What a stretch of a note is for. */
export function kindOf(text: string, setting: Setting): UnitKind {
	const forbidden = forbiddenKindOf(text, setting);
	if (forbidden) return forbidden;
	if (THANKS.test(text)) return 'aside';
	const under = kindUnder(setting.label) ?? kindUnder(setting.heading);
	if (under === 'brief') {
		if (TELLS_US.test(setting.label) || (isAsked(text) && ASKED_OF_US.test(setting.label)))
			return isAsked(text) ? 'question' : 'claim';
		return 'brief';
	}
	if (setting.entry === 'row') return 'row';
	if (setting.entry === 'step') return 'step';
	if (IDEA.test(text)) return 'brief';
	const quoted = quotedIn(text);
	const isQuote = isQuotation(text, quoted);
	if (setting.inHead && WORD_COUNT.test(text)) return 'brief';
	if (!isQuote && BRIEF.test(text) && !isAboutSubject(text, setting)) return 'brief';
	if (!isQuote && WANTED_OF_TEXT.test(text)) return 'brief';
	const field = setting.inHead || setting.amongWishes ? FIELD.exec(text) : null;
	const ofField = field ? kindOfField([field[1]!, field[2]!]) : null;
	if (ofField !== null) return ofField;
	if (!isQuote && !setting.isOfWriting && speaksOfText(text) && !isAsked(text))
		return likelyKind(text) ?? 'brief';
	if (ASIDE.test(text) || CHATTER.test(text) || isSignature(text, setting)) return 'aside';
	if (/^\[[^\]=]+\]$/.test(text) || isLeadIn(text)) return 'aside';
	if (setting.amongWishes && !isQuote && !BY_NAME.test(text)) return 'brief';
	if (BACKGROUND.test(text) && (setting.inHead || !/\d\s?%/.test(text))) return 'background';
	if (HOW_NOTED.test(text) && (setting.inHead || text.split(/\s+/).length <= MOST_OF_REMARK))
		return 'background';
	if (setting.inHead && isSpeakerField({ text })) return 'background';
	if (setting.inHead && setting.isOfSomebody && !isQuote && isOfPeople(text)) return 'background';
	if (isQuote) return 'quote';
	if (isAsked(text)) return 'question';
	if (under === 'definition' || isDefinition(text) || saysWhatItIs(text, setting))
		return 'definition';
	return (!setting.isOfWriting && canBeTold(text) ? likelyKind(text) : null) ?? 'claim';
}

/** What the head of a note says of somebody: who they are, where they were met. */
function isOfPeople(text: string): boolean {
	if (/[=→]/.test(text)) return false;
	return (
		/\b(?:she|he|her|his|they|their|I|me|my|we|our|us|met|(?:years?|yrs?) (?:in|at|as|of)|since (?:19|20)\d\d)\b|^(?:used to|work(?:s|ed)|trained|grew up|retired|runs|ran|keeps|teaches|taught|owns)\b/i.test(
			text
		) ||
		/\p{Ll}[ ,]+\p{Lu}\p{Ll}/u.test(text) ||
		text.split(/\s+/).length <= WORDS_OF_REMARK
	);
}

const WORDS_OF_REMARK = 5;

/** Whether a line has enough words to tell by, and not so many that it must be matter. */
function canBeTold(text: string): boolean {
	const words = text.split(/\s+/).length;
	return words >= LEAST_WORDS && words <= MOST_WORDS;
}

const LEAST_WORDS = 3;
const MOST_WORDS = 24;

/** "TOPIC: how to open a pool". */
const FIELD = /^([^:]{2,28}):\s+(\S.*)$/;

/** What somebody said, among what is wanted: "Raj: most returns are …". */
const BY_NAME = /^\p{Lu}[\p{L}'’-]+(?: \p{Lu}[\p{L}'’-]+)?:\s+\S+ \S+ \S+/u;

/** Labels in a brief over what the client knows, and over what readers ask. */
const TELLS_US =
	/\b(?:(?:what )?we (?:know|found|see|learned|learnt)|from our|our (?:own )?(?:figures|data|numbers|experience)|facts|figures)\b/i;
const ASKED_OF_US = /\b(?:ask(?:s|ed)?|questions?)\b/i;

/** What the writer thinks of for a part of the text: "intro idea: …", "title? …". */
const IDEA =
	/^(?:the )?(?:intro(?:duction)?|opening|opener|ending|headline|title|hook|lead|lede|pull ?quote) (?:could|might|should|can|may) (?:be|open|start|use|go)\b|^(?:possible |maybe |working )?(?:idea|intro(?:duction)?|opening|opener|lead|lede|hook|ending|outro|closing|conclusion|headline|title|pull ?quote)s?(?: (?:idea|line|option|para(?:graph)?|sentence|quote|thought)s?)?\s*(?:[:=–]|\?+|->|→)/i;

/** Words of a line that says how it was noted and stands among others. */
const MOST_OF_REMARK = 8;

/** Words inside quotation marks, and their share of all. */
function quotedIn(text: string): { words: number; share: number } {
	const parts = [...text.matchAll(/"([^"]+)"|“([^”]+)”/g)].map(([, a, b]) => a ?? b ?? '');
	const count = (part: string) => part.split(/\s+/).filter(Boolean).length;
	const words = parts.reduce((sum, part) => sum + count(part), 0);
	return { words, share: words / Math.max(1, count(text)) };
}

/** "She said quote … end quote", as it is dictated. */
const DICTATED_QUOTE = /\bquote\b.{8,}\b(?:end ?(?:of )?quote|unquote)\b/i;

/** Said by somebody: in quotation marks as a whole, or behind "she says", "called it". */
function isQuotation(text: string, { words, share }: { words: number; share: number }): boolean {
	if (DICTATED_QUOTE.test(text)) return true;
	if (words < 3) return false;
	if (share >= 0.5) return true;
	return (
		words >= 5 &&
		/\b(?:says?|said|told|reckons|thinks|calls?|puts? it|added)\b|:\s?["“]/i.test(text)
	);
}

/** A wish by its words that is advice to the reader in truth: figures of the subject stand in it. */
function isAboutSubject(text: string, { inHead }: Setting): boolean {
	return !inHead && /^(?:please )?(?:use|say|keep|put|write|add)\b/i.test(text) && /\d/.test(text);
}

/** "In order:", "A few things:": it says that something comes, and nothing else. */
function isLeadIn(text: string): boolean {
	return /^[^:\d]+:$/.test(text) && text.split(/\s+/).length <= MOST_OF_LEAD_IN;
}

const MOST_OF_LEAD_IN = 4;

function isSignature(text: string, { isMail }: Setting): boolean {
	return isMail && /^(?:[\p{Lu}][\p{L}'’.-]*\s?){1,3}[.,]?$/u.test(text) && text.length <= 30;
}

const ASKS =
	/^(?:who|what|when|where|why|which|how|whose|is|are|was|were|do|does|did|can|could|should|shall|will|would|may|must|has|have|and|but|so|any|how about|what about)\b/i;

/** Whether a text opens as a question does. */
export function asks(text: string): boolean {
	return ASKS.test(text);
}

/** A question as a whole: one inside a statement, or one put to the reader with its answer, is none. */
export function isAsked(text: string): boolean {
	if (!/\?+["”')\]]*$/.test(text)) return false;
	const words = text.split(/\s+/).length;
	// "from the audience: does it …?"
	const asked = text.replace(/^[^:?]{2,24}:\s+/, '');
	return ASKS.test(text) || ASKS.test(asked) || words <= 8;
}

/** "The layer of foam between…" under the question "what is the midsole?". */
function saysWhatItIs(text: string, { heading }: Setting): boolean {
	return (
		/^what(?:['’]s| is| are)\b.{3,60}\?*$/i.test(heading) &&
		/^(?:the|an?) \p{Ll}+ (?:\p{Ll}+ )?(?:of|that|which|who|between|in|for)\b/iu.test(text)
	);
}

const LONGEST_NAME = 5;

/** "mummy = warmest for weight", "Fill power is the volume that one ounce takes up". */
function isDefinition(text: string): boolean {
	const equal = /^([^=<>≈?.!]{2,60}?)\s=\s(?=\S)(.+)$/.exec(text);
	if (equal) {
		const name = equal[1]!.replace(/^(?:an?|the|output|what)\s/i, '');
		const words = name.split(/\s+/).length;
		return (
			words <= LONGEST_NAME &&
			!/\d|[:,;+]/.test(equal[1]!) &&
			!/^[£$€~]?\s?[\d(]|^(?:yes|ok|good|bad|out|dead|in|fine|what (?:they|we|she|he|i|you|most)|don['’]?t|do|get|buy|you|go)\b|^no\W*$|^no(?:\s\S+){1,2}$/i.test(
				equal[2]!
			) &&
			!/[£$€]\s?\d/.test(equal[2]!) &&
			!/^(?:\p{L}+est|best|worst|most|wears|wear|looks|if|when|so|and|but|mower)\b/iu.test(name)
		);
	}
	if (/^(?:what|how) \p{L}+(?: \p{L}+)? (?:is|are|means)\b[^?]*[:–]/iu.test(text)) return true;
	const behind = /^[^:?.]{2,30}:\s+(an? \p{L}.*)$/iu.exec(text);
	if (behind && isDefinition(behind[1]!)) return true;
	if (isEntryOfGlossary(text) || TERM_FIRST.test(text)) return true;
	const is =
		/^(?:an? |the )?((?:\p{L}[\p{L}'’-]*\s?){1,5}?)(?:\s\([^)]+\))?\s(?:means|mean|stands for|refers to|is (?:the|an?|what|when|how|where|who) (?=\p{L}+))(.*)$/iu.exec(
			text
		);
	if (
		!is ||
		/^(?:it|this|that|there|he|she|they|we|you|i|what|who|which|here|one|everyone|nobody|my|our|her|his)\b/i.test(
			is[1]!
		)
	)
		return false;
	if (/\b(?:means?|stands for|refers to)\s/i.test(text.slice(0, is[1]!.length + 24)))
		return !/\d/.test(is[2]!);
	return (
		/^(?:\p{L}[\p{L}'’-]*\s){1,6}?(?:that|which|who|whose|of|between|where|for|you|in which|needed)\b/iu.test(
			is[2]!
		) &&
		is[2]!.split(/\s+/).length >= 5 &&
		!/[£$€]\s?\d/.test(text)
	);
}

/** "circadian – about a day long": a term in small letters, and what it is. */
const TERM_FIRST =
	/^\p{Ll}[\p{L}-]{2,20}(?: \p{Ll}[\p{L}-]{2,20})? [–—-] (?:an?|about|any|when|something|anything|what)\s(?!bit\b|lot\b|few\b)/u;

/** "Limescale: deposit of chalk left by hard water": a name, and what it is a kind of. */
function isEntryOfGlossary(text: string): boolean {
	const entry =
		/^((?:\p{Lu}[\p{L}'’-]*)(?: \p{Ll}[\p{L}'’-]*){0,3}):\s+((?:[\p{Ll}-]+ ){1,3}?)(?:of|left|made|formed|that|which|where|used|between)\s/u.exec(
			text
		);
	if (!entry || /\d/.test(text) || text.split(/\s+/).length < 6) return false;
	const kind = entry[2]!.trim().split(' ').at(-1)!;
	const isNamed = entry[2]!.trim() === kind && /\sof\s$/.test(entry[0]!);
	return (isNamed || !isMostlyVerb(kind)) && !/ly$/.test(kind) && !NO_ENTRY.test(entry[1]!);
}

/** What stands before a colon and is no name of a thing. */
const NO_ENTRY =
	/\b(?:tips?|notes?|warning|idea|results?|costs?|reasons?|problems?|best|worst|why|how|when|where|who|what|lesson|mistakes?|verdict|summary|example|cause|answer|rule|trick|point|moral|upshot|finding|surprise|danger|exception)\b/i;

const LEANS =
	/^(?:it|it['’]s|its|they|they['’]re|their|them|this|that|that['’]s|these|those|she|she['’]s|he|he['’]s|her|his|such|so|then|otherwise|instead|same|also|too|but|and|or|yet|both|each|neither|none|all three|half of|halves|because|cause|meaning|which|gone|not|nor|the (?:same|other|others|rest|first|second|third|former|latter|\d[\d,.]*|short|long))\b/i;

/** Whether a stretch needs what is before it: "it", "the 500", "halves that". */
export function leansOn(text: string): boolean {
	return LEANS.test(text.replace(/^["“([]+/, ''));
}

/** What somebody says who is quoted: "Deal", "Great." and a picture that was sent are nothing to print. */
export function saidAs(text: string): UnitKind {
	const isScrap = text.split(/\s+/).length <= MOST_OF_SCRAP && !/\d/.test(text);
	return isScrap || NOT_SAID.test(text) ? 'aside' : 'quote';
}

const MOST_OF_SCRAP = 2;
const NOT_SAID =
	/^(?:good )?(?:morning|afternoon|evening|hi|hiya|hello|hey)\b[^.?]{0,40}[.!]?$|^<[^>]*>$|^(?:image|video|audio|sticker|gif|document|media) omitted$|^this message was deleted|^missed (?:voice|video) call/i;
