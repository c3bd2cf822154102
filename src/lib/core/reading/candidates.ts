import {
	everydayRateOfForm,
	isEverydayWord,
	isStopWord,
	oneSpelling,
	plainWord,
	verbFormsOf,
	wordKeyOf,
	type TaggedToken
} from '../text';
import { unitOf } from './units';

/** A phrase found in one block that could be a term. */
export interface CandidateUse {
	/** Folded form under which spellings meet, words separated by spaces. */
	readonly key: string;
	readonly surface: string;
	/** Number of words. */
	readonly length: number;
	/** Whether it opens with a verb, which matches in every inflection: "keep chickens". */
	readonly isAction: boolean;
	/** Whether every word of it is written as a name. */
	readonly isName: boolean;
	/** Whether no noun stands right before or after it that belongs to the phrase. */
	readonly isWhole: boolean;
}

const MAX_WORDS = 4;

/** Adjectives that judge or point instead of naming; a term does not begin with one. */
const VAGUE = new Set(
	`able bad better big certain clear common complete correct different difficult due easy entire essential excellent
extra fair familiar famous far favourite final fine free full further future general good great happy hard high huge ideal
important individual initial interesting large last late later latest least local long low main major modern much multiple
natural necessary new next nice normal obvious old only open ordinary original other overall own particular perfect
personal poor popular possible present previous proper public quick rare real recent regular relevant right rough
same second separate serious several short significant similar simple single slight slow special specific standard
strange strong sudden sure tall third tiny total traditional true typical unique usual useful various vital well
whole wide wonderful worth wrong young small little many few more most first average actual additional`.split(
		/\s+/
	)
);

/** Nouns of measure, time and talk; alone they are no subject of an article. */
const EMPTY_NOUNS = new Set(
	`article answer bit case centimetre centimeter cm couple course day deal degree detail end example fact foot ft guide
half hour idea inch job kg kilo kilogram kind km lot m matter metre meter mile millimetre minute mm moment month number
one pair part people percent person place point pound problem question reason rest result second section set side
sort step stuff thing time tip ton tonne top tonn type unit use way week word work yard year bottom front back middle
amount area beginning bottom chance choice difference face fashion fun help hand head eye idea issue kilometre line
look love luck man morning afternoon evening night need option order page picture piece post rule sense shape size
start story subject thought today tomorrow trick trouble turn value version view will world january february march
april may june july august september october november december monday tuesday wednesday thursday friday saturday
sunday spring summer autumn winter weekend season bag heap hole pile row length width height depth level distance
quarter third gap litre acre hectare everyone money price figure rate share total cost`
		.split(/\s+/)
		.map(oneSpelling)
);

/** Nouns of measure and time that are a matter where headings name them, or most pages: "In spring", "What it costs". */
const TERMS_BY_USE = new Set(
	'spring summer autumn winter season cost price weight height depth width level distance pair mile'
		.split(' ')
		.map(oneSpelling)
);

/** Whether a word is a term only where headings, or many pages, make it one. */
export function isTermByUse(key: string): boolean {
	return TERMS_BY_USE.has(key);
}

/** Units that are things as well, and so may be terms. */
const NOT_ONLY_UNITS = new Set(['bar', 'cup', 'season', 'night', 'pound', 'stone']);

/** Measures; no term ends with one. */
const UNITS = new Set(
	'metre meter centimetre centimeter millimetre kilometre kilogram kilo gram tonne ton foot inch yard mile litre gallon acre hectare hour minute second day week month year degree percent pound'
		.split(' ')
		.map(oneSpelling)
);

/** Units of time that are named by what fills them: "moving day", "drying time", "race week". */
const TIMES = new Set(['hour', 'day', 'week', 'month', 'year']);

const WEAK_PARTICIPLES = new Set(
	`using having making getting taking doing being keeping leaving putting giving going coming looking trying needing
wanting shaped sized saying seeing starting including following regarding depending used made given taken based called known left
needed asked said seen put kept set got gone done including making finished finding choosing buying adding allowing`.split(
		/\s+/
	)
);

/** Verbs that go with every noun. */
const WEAK_VERBS = new Set(
	`use need make get have take want see find give let go try know like put look come say think mean become seem feel
keep call ask help start begin stop avoid require include contain offer provide cause leave allow show tell turn bring
expect consider remember follow depend change happen love hate enjoy prefer wish hope believe understand read write
spend save pay cost buy sell lose win meet live stay wait work play move pass add check`.split(
		/\s+/
	)
);

interface FoldedToken {
	readonly key: string;
	readonly surface: string;
	readonly kind: 'noun' | 'adjective' | 'participle' | 'verb' | 'break';
	/** Written as a name, and not because a sentence begins there. */
	readonly proper: boolean;
	/** Whether an order or infinitive can begin here: nothing before it that would make it a noun. */
	readonly opensClause: boolean;
	/** Joined to the word before by a hyphen; no phrase begins here or ends right before. */
	readonly joined: boolean;
	/** Behind a number: a measure here belongs to that. */
	readonly isAfterNumber: boolean;
	/** A small word that is a thing where it stands: "a down bag", "the will". */
	readonly isThing: boolean;
}

/**
 * Noun phrases of one to four words in a tagged block: nouns, with adjectives, participles and
 * other nouns before them. Phrases inside longer ones are given too; what does not live on its
 * own is discounted later.
 */
export function candidatesOf(tokens: readonly TaggedToken[]): CandidateUse[] {
	const folded = fold(tokens);
	const found: CandidateUse[] = [];
	for (let end = 0; end < folded.length; end++) {
		const deed = deedAt(folded, end);
		if (deed) found.push(deed);
		if (folded[end]!.kind !== 'noun' || folded[end + 1]?.joined) continue;
		for (let start = end; start >= 0 && end - start < MAX_WORDS; start--) {
			const first = folded[start]!;
			if (first.kind === 'break' || first.kind === 'verb') break;
			if (first.joined) continue;
			const length = end - start + 1;
			if (!isPhrase(folded, start, end)) continue;
			const words = folded.slice(start, end + 1);
			found.push({
				key: words.map(({ key }) => key).join(' '),
				surface: saidOf(words),
				length,
				isAction: false,
				isName: words.every(({ proper }) => proper),
				isWhole: folded[start - 1]?.kind !== 'noun' && folded[end + 1]?.kind !== 'noun'
			});
			const before = folded[start - 1];
			if (before?.kind !== 'verb' || !before.opensClause || length > 2) continue;
			found.push({
				key: `${before.key} ${words.map(({ key }) => key).join(' ')}`,
				surface: `${before.surface} ${saidOf(words)}`,
				length: length + 1,
				isAction: true,
				isName: false,
				isWhole: folded[end + 1]?.kind !== 'noun'
			});
		}
	}
	return found;
}

/** A verb that names a deed of the trade by itself: "overseed", "scarify", "declutter". */
function deedAt(tokens: readonly FoldedToken[], at: number): CandidateUse | null {
	const { kind, key, surface, opensClause } = tokens[at]!;
	if (kind !== 'verb' || !opensClause || everydayRateOfForm(key) > MOST_EVERYDAY_DEED) return null;
	return { key, surface, length: 1, isAction: true, isName: false, isWhole: true };
}

/** Uses in a million everyday words up to which a verb alone says what an article is about. */
const MOST_EVERYDAY_DEED = 40;

function saidOf(words: readonly FoldedToken[]): string {
	return words
		.map(({ surface, joined }, i) => (i === 0 ? surface : `${joined ? '-' : ' '}${surface}`))
		.join('');
}

function isPhrase(tokens: readonly FoldedToken[], start: number, end: number): boolean {
	const first = tokens[start]!;
	const last = tokens[end]!;
	if (start === end)
		return (
			last.key.length >= 3 &&
			(last.isThing || !EMPTY_NOUNS.has(last.key) || isTermByUse(last.key)) &&
			(last.isThing || !isStopWord(last.key)) &&
			(unitOf(last.key) === undefined || NOT_ONLY_UNITS.has(last.key))
		);
	if (first.kind === 'adjective' && VAGUE.has(first.key)) return false;
	// the tagger takes some of them for adjectives: "shaped foot box"
	if (first.kind !== 'noun' && WEAK_PARTICIPLES.has(first.surface.toLowerCase())) return false;
	// "7 kg load" is about the load, "two cups flour" about the flour
	if (
		unitOf(first.key) !== undefined &&
		(first.isAfterNumber || /^[^aeiou]+$/.test(first.key) || /spoon$/.test(first.key))
	)
		return false;
	if (EMPTY_NOUNS.has(first.key) && EMPTY_NOUNS.has(last.key)) return false;
	if (UNITS.has(last.key) && !(TIMES.has(last.key) && isNamingTime(first))) return false;
	// a stop word that opens a name is a part of it: "all-purpose flour"
	return (
		(first.isThing || tokens[start + 1]!.joined || !isStopWord(first.key)) &&
		(last.isThing || last.joined || !isStopWord(last.key))
	);
}

function isNamingTime({ kind, key, isAfterNumber }: FoldedToken): boolean {
	return (kind === 'noun' || /ing$/.test(key)) && !isAfterNumber && unitOf(key) === undefined;
}

function fold(tokens: readonly TaggedToken[]): FoldedToken[] {
	const folded: FoldedToken[] = [];
	let joined = false;
	let written = 0;
	for (let i = 0; i < tokens.length; i++) {
		const token = tokens[i]!;
		if (i >= written && tokens[i + 1]?.attached) {
			written = endOfRun(tokens, i);
			if (isMachineName(tokens, i, written)) {
				folded.push(BREAK);
				i = written - 1;
				continue;
			}
		}
		const isHyphen = HYPHEN.test(token.text);
		// "dry-stone": the hyphen joins what stands right against it on both sides
		if (isHyphen && token.attached && tokens[i + 1]?.attached) {
			joined = folded.length > 0;
			continue;
		}
		const next = tokens[i + 1];
		const joins = next?.attached === true && HYPHEN.test(next.text) && tokens[i + 2]?.attached;
		const parts = partsOf(token.text);
		const pos = posOf(tokens, i);
		const before = tokens[i - 1]?.pos ?? 'PUNCT';
		for (let k = 0; k < parts.length; k++) {
			const part = parts[k]!;
			const opens = k < parts.length - 1 || joins === true;
			const known = formOf(part, pos);
			const closes = (joined || k > 0) && !opens && PARTICLE.test(part);
			const isThing = isThingByPlace(tokens, i);
			const { key, surface, kind } =
				closes || isThing
					? { ...known, kind: 'noun' as const }
					: opens && known.kind === 'break'
						? nameOpening(part, known)
						: known;
			// every word of every page passes here: no copies of objects
			folded.push({
				key,
				surface,
				kind,
				proper: pos === 'PROPN' && before !== 'PUNCT' && /^\p{Lu}/u.test(part),
				opensClause: CLAUSE_OPENERS.has(before),
				joined: joined || k > 0,
				isAfterNumber: k === 0 && isNumber(tokens[i - 1]),
				isThing
			});
			joined = false;
		}
	}
	return folded;
}

/** Small words that are things as well: feathers, a testament, a tin, a hole with water. */
const THINGS_TOO = /^(?:down|will|can|well|must)$/i;
const NO_NOUN_BEHIND = /^(?:DET|PRON|ADV|NUM|PROPN)$/;

/**
 * Whether a small word is a thing: an article or adjective demands a noun ("the same down bag", "write a
 * will") or a noun stands before and a verb behind ("goose down has").
 */
function isThingByPlace(tokens: readonly TaggedToken[], i: number): boolean {
	const { text } = tokens[i]!;
	// every word of every page passes here
	if (text.length < 3 || text.length > 4 || !THINGS_TOO.test(text)) return false;
	const before = tokens[i - 1];
	const after = tokens[i + 1];
	const behind = after?.pos ?? 'PUNCT';
	if (!before || (after?.attached === true && HYPHEN.test(after.text))) return false;
	if (before.pos === 'DET' || before.pos === 'ADJ' || POSSESSIVE.test(before.text))
		return !NO_NOUN_BEHIND.test(behind) && (behind !== 'ADJ' || before.pos === 'ADJ');
	const isHead = behind === 'AUX' || behind === 'VERB' || behind === 'PUNCT' || behind === 'X';
	return before.pos === 'NOUN' && isHead && !hasVerbBefore(tokens, i - 1);
}

/** Whether a verb stands before a place in its clause, which could take a small word for its own. */
function hasVerbBefore(tokens: readonly TaggedToken[], i: number): boolean {
	for (let k = i - 1; k >= 0 && tokens[k]!.pos !== 'PUNCT' && tokens[k]!.pos !== 'X'; k--)
		if (tokens[k]!.pos === 'VERB' || tokens[k]!.pos === 'AUX') return true;
	return false;
}

/** What makes a noun of a verb before a hyphen: "walk-through", "washing-up", "build-up". */
const PARTICLE = /^(?:up|down|in|out|on|off|through|over|back|away|together)$/;

/** What hyphens join: "dry-stone". */
function partsOf(word: string): readonly string[] {
	return ANY_HYPHEN.test(word) ? word.split(ANY_HYPHEN).filter((part) => part !== '') : [word];
}

function isNumber(token: TaggedToken | undefined): boolean {
	return (
		token !== undefined && (token.pos === 'NUM' || /^[\d½¼¾⅓⅔⅛/.,–-]*[\d½¼¾⅓⅔⅛]$/.test(token.text))
	);
}

const ANY_HYPHEN = /[-\u2010\u2011]/;
const HYPHEN = /^[-\u2010\u2011]$/;

const BREAK: FoldedToken = {
	key: '',
	surface: '',
	kind: 'break',
	proper: false,
	opensClause: false,
	joined: false,
	isAfterNumber: false,
	isThing: false
};

/** End of what is written without a space from a token on. */
function endOfRun(tokens: readonly TaggedToken[], start: number): number {
	let end = start + 1;
	while (tokens[end]?.attached) end++;
	return end;
}

/** "/usr/local/bin", "httpd.conf", "mod_ssl", "level=warn", "$HOME". */
const MACHINE_NAME =
	/[\p{L}\p{N}]_[\p{L}\p{N}]|\p{Ll}\.\p{Ll}{2}|(?:^|[("'“‘[~])\/\p{L}|\/[^/\s]+\/|\p{L}[=\\]\p{L}|\$\p{L}/u;

/** Whether what stands without a space names something to a machine: no word is cut out of it. */
function isMachineName(tokens: readonly TaggedToken[], start: number, end: number): boolean {
	let hasSign = false;
	for (let i = start; i < end && !hasSign; i++) hasSign = /^[._/\\=$]/.test(tokens[i]!.text);
	if (!hasSign) return false;
	let run = '';
	for (let i = start; i < end; i++) run += tokens[i]!.text;
	return MACHINE_NAME.test(run);
}

/** What opens a joined name belongs to it, whatever it is alone: "R-value", "all-purpose". */
function nameOpening(part: string, form: Form): Form {
	if (/^\p{Lu}$/u.test(part)) return { ...form, kind: 'noun', surface: part };
	return /^\p{Ll}{2,}$/u.test(part) ? { ...form, kind: 'adjective' } : form;
}

/** The part of speech, with what taggers get wrong in instructions put right. */
function posOf(tokens: readonly TaggedToken[], i: number): string {
	if (isImperative(tokens, i)) return 'VERB';
	if (isVerbalNoun(tokens, i) || isNounByPlace(tokens, i)) return 'NOUN';
	const { pos } = tokens[i]!;
	// "outward-facing bud": an adverb joined by a hyphen belongs to the name
	const next = tokens[i + 1];
	return pos === 'ADV' && next?.attached && HYPHEN.test(next.text) ? 'ADJ' : pos;
}

/** "Dig the trench": taggers take the first word of an order for a noun. */
function isImperative(tokens: readonly TaggedToken[], i: number): boolean {
	const before = tokens[i - 1];
	const after = tokens[i + 1];
	if (before !== undefined && before.pos !== 'PUNCT') return false;
	return after?.pos === 'DET' || after?.pos === 'PRON';
}

/**
 * A noun the tagger took for a verb: "the hearting", "tons of hearting", "a walling hammer".
 * An article demands a noun, so the last word of what it opens is one when nothing follows
 * that it could govern.
 */
function isVerbalNoun(tokens: readonly TaggedToken[], i: number): boolean {
	if (tokens[i]!.pos !== 'VERB') return false;
	const after = tokens[i + 1]?.pos ?? 'PUNCT';
	if (/^(?:DET|PRON|NOUN|PROPN|NUM)$/.test(after)) return false;
	const isIng = /ings?$/i.test(tokens[i]!.text);
	const before = tokens[i - 1]?.pos;
	if (isIng && before === 'ADP') return !/^(?:ADV|ADP|ADJ)$/.test(after);
	if (isIng && (before === 'DET' || before === 'ADJ')) return true;
	if (after === 'ADJ' || after === 'ADV' || after === 'VERB') return false;
	let at = i - 1;
	while (
		at >= 0 &&
		(tokens[at]!.pos === 'ADJ' ||
			(tokens[at]!.pos === 'VERB' && /(?:ing|ed)$/i.test(tokens[at]!.text)))
	)
		at--;
	return tokens[at]?.pos === 'DET' || POSSESSIVE.test(tokens[at]?.text ?? '');
}

/** They demand a noun as an article does: "change your address". */
const POSSESSIVE = /^(?:my|your|our|their|its|his)$/i;

/** Verbs after which a noun is followed by a base form: "help the wall stand". */
const LETS_DO =
	/^(?:let|lets|make|makes|made|help|helps|helped|see|watch|hear|feel|have|has|had|do|does|did|can|could|will|would|shall|should|may|might|must)$/i;

/**
 * A base form right after a singular noun is no verb, which would end in -s ("heat pump", but
 * "the pump works"), and neither is one after a preposition ("point of lay").
 */
function isNounByPlace(tokens: readonly TaggedToken[], i: number): boolean {
	const { text, pos } = tokens[i]!;
	// "washing-up liquid in warm water"
	if (pos === 'ADJ' && tokens[i - 1]?.attached && HYPHEN.test(tokens[i - 2]?.text ?? ''))
		return (
			/^(?:PUNCT|ADP|CCONJ|VERB|AUX)$/.test(tokens[i + 1]?.pos ?? 'PUNCT') &&
			PARTICLE.test(tokens[i - 1]!.text)
		);
	if (pos !== 'VERB' || /(?:ing|ed|en|(?<!s)s)$/i.test(text)) return false;
	let at = i - 1;
	if (/^[-\u2010\u2011]$/.test(tokens[at]?.text ?? '')) at--;
	const before = tokens[at];
	if (!before) return false;
	if (before.pos === 'ADP') return !/^(?:to|before|after|since|until|than)$/i.test(before.text);
	if (before.pos !== 'NOUN' || /s$/i.test(before.text)) return false;
	for (let k = at - 1; k >= Math.max(0, at - 5); k--) {
		if (tokens[k]!.pos === 'PUNCT') break;
		if (tokens[k]!.pos === 'AUX' || LETS_DO.test(tokens[k]!.text)) return false;
	}
	return true;
}

type Form = Pick<FoldedToken, 'key' | 'surface' | 'kind'>;

/** Forms of words by part of speech; a page uses the same few thousand again and again. */
const forms = new Map<string, Map<string, Form>>();

function formOf(text: string, pos: string): Form {
	let ofPos = forms.get(pos);
	if (!ofPos) forms.set(pos, (ofPos = new Map()));
	let form = ofPos.get(text);
	if (!form) {
		if (ofPos.size > 30_000) ofPos.clear();
		ofPos.set(text, (form = foldForm(text, pos)));
	}
	return form;
}

const CLAUSE_OPENERS = new Set(['PUNCT', 'PART', 'PRON', 'AUX', 'CCONJ', 'SCONJ', 'ADV']);

function foldForm(text: string, pos: string): Form {
	const plain = plainWord(text);
	const isWord = /^\p{L}[\p{L}\p{M}']*$/u.test(text) && plain.length > 1;
	const shouts = text.length > 4 && text === text.toUpperCase();
	const kind = !isWord || shouts ? 'break' : kindOf(plain, pos);
	return { key: wordKeyOf(plain), surface: pos === 'PROPN' ? text : plain, kind };
}

function kindOf(plain: string, pos: string): FoldedToken['kind'] {
	if (pos === 'NOUN' || pos === 'PROPN') return isStopWord(plain) ? 'break' : 'noun';
	if (pos === 'ADJ') return isStopWord(plain) ? 'break' : 'adjective';
	if (pos === 'VERB' && /(?:ing|(?<!e)ed|en)$/.test(plain) && !isStopWord(plain))
		return 'participle';
	if (pos === 'VERB' && isDoing(plain)) return 'verb';
	return 'break';
}

/** A verb in its base form that says what is done; "use", "need" or "get" with a noun is no term. */
function isDoing(plain: string): boolean {
	return (
		plain.length > 2 &&
		!WEAK_VERBS.has(plain) &&
		!isStopWord(plain) &&
		(isEverydayWord(plain) || isEverydayWord(PREFIXED.exec(plain)?.[1] ?? '')) &&
		verbFormsOf(plain).length > 1
	);
}

/** A deed of the craft that everyday English lacks: "overseed", "repot", "descale". */
const PREFIXED = /^(?:over|under|out|re|de|un|pre|inter|mis)-?(\p{L}{3,})$/u;
