import { DIGITS, FRACTION_WORDS, numberOf, WORDS } from './number-words';
import { wordsOfSentence } from '../text';
import { toBase, UNIT, UNIT_WORD, unitOf } from './units';

/** A quantity in a sentence; `value` is the lower end of a range, in `unit`. */
export interface Quantity {
	readonly kind: 'money' | 'share' | 'ratio' | 'measure' | 'time' | 'year' | 'count';
	readonly value: number;
	/** Upper end; equal to `value` unless a range was written. */
	readonly upTo: number;
	/** Unit in its plain singular form: "cm", "tonne", "£"; what is counted for counts: "hen". */
	readonly unit: string;
	/** What it is reckoned by, in plain singular: "day" in "3 m² a day"; empty for none. */
	readonly per: string;
	/** Said with "about", "at least" or "up to"; null: as it stands. */
	readonly hedge: 'about' | 'least' | 'most' | null;
	readonly text: string;
}

/** What two quantities must have in common to be compared: dimension, currency or what is counted. */
export interface BaseQuantity {
	readonly dimension: string;
	readonly value: number;
	readonly upTo: number;
}

/** A quantity in the base units of its dimension, so that "6 in" and "15 cm" can be compared. */
export function baseOf({ kind, value, upTo, unit, per }: Quantity): BaseQuantity {
	const low = toBase(value, unit);
	const high = toBase(upTo, unit);
	const by = per === '' ? '' : ` per ${per}`;
	// a frequency is reckoned by the day: three times a week is more often than twice a month
	if (kind === 'count' && unit === 'time' && per !== '') {
		const days = toBase(1, per);
		if (days.dimension === 'time')
			return {
				dimension: 'frequency',
				value: value / days.value,
				upTo: upTo / days.value
			};
	}
	const named = kind === 'measure' || kind === 'time' ? low.dimension : `${kind} ${unit}`.trim();
	return { dimension: `${named}${by}`, value: low.value, upTo: high.value };
}

type Read = Omit<Quantity, 'text' | 'hedge' | 'per'>;

const TO = String.raw`\s?(?:-|–|—|to|and|or)\s?`;
const RANGE = `(${DIGITS})(?:${TO}(${DIGITS}))?`;
const SPELLED = `(${WORDS})(?:${TO}(${WORDS}))?`;
const END = String.raw`(?![\p{L}\p{N}])`;
const START = String.raw`(?<![\p{L}\p{N}.,/])`;

const MONTHS =
	'January|February|March|April|May|June|July|August|September|October|November|December';

/**
 * Words after a number that are not a thing one counts: what follows would be no finding. "Three
 * things", "two ways", "one of them".
 */
const NOT_COUNTED = new Set(
	`thing way reason other point part side kind type sort step stage tip mistake option question answer example case
matter rule section paragraph chapter idea factor difference choice problem method approach page word figure letter
possibility benefit advantage disadvantage drawback function purpose goal aim role aspect requirement condition
consideration principle variant alternative scenario situation concept issue concern effect result outcome exception
similarity claim argument opinion property characteristic quality priority challenge
one people half quarter finger hand eye third us is was has does plus minus across less this its versus always perhaps class`.split(
		/\s+/
	)
);

/** Before the number of a standard: "RFC 2616", "BS 743". */
const OF_STANDARDS =
	/\b(?:RFC|ISO|IEC|IEEE|EN|BS|DIN|ANSI|ASTM|NF|JIS|GB|SAE|NFPA|UL|NEN|CSA|AS|NZS|PAS)\s$/;

const NUMBER_WORDS =
	'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|[a-z]+teen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|dozen|hundred|thousand|million|couple';
const SPELLED_OUT = new RegExp(`\\b(?:${NUMBER_WORDS})`, 'i');

const ANY_NUMBER = new RegExp(
	`[\\d½¼¾⅓⅔⅛]|\\b(?:once|twice|half|third|quarter|fifth|tenth|${NUMBER_WORDS})`,
	'i'
);

/**
 * In order of precedence. A gate is cheap and lets every sentence through that its pattern could
 * find something in: most sentences hold no figure, and the patterns are long.
 */
const PATTERNS: readonly {
	readonly gate: RegExp;
	readonly pattern: RegExp;
	/** The numbers it begins with, when it needs to be tried where one stands only. */
	readonly atNumbers?: keyof NumberStarts;
	readonly read: (groups: readonly (string | undefined)[], text: string) => Read | null;
}[] = [
	{
		// £1,200 to £1,500, £40–60, £1.2m
		gate: /[£$€]/,
		pattern: new RegExp(
			String.raw`([£$€])\s?(${DIGITS})(?:\s?(k|m|bn|million|thousand)${END})?(?:${TO}\1?\s?(${DIGITS})(?:\s?(k|m|bn|million|thousand)${END})?)?`,
			'giu'
		),
		read: ([sign, from, scale, to, toScale]) => {
			const factor = (name: string | undefined) =>
				name === undefined
					? 1
					: /^(?:k|thousand)$/i.test(name)
						? 1e3
						: /^bn$/i.test(name)
							? 1e9
							: 1e6;
			const low = numberOf(from!) * factor(scale ?? (to ? toScale : undefined));
			const high = to === undefined ? low : numberOf(to) * factor(toScale);
			return spread('money', low, high, sign!);
		}
	},
	{
		gate: /\d\s?(?:p(?![\p{L}\p{N}])|pence|cent|dollar|euro)/iu,
		atNumbers: 'digits',
		pattern: new RegExp(
			String.raw`${START}${RANGE}\s?(p|pence|cents?|dollars?|euros?)${END}`,
			'yiu'
		),
		read: ([from, to, coin]) => {
			const isSmall = /^(?:p|pence|cents?)$/i.test(coin!);
			if (/^p$/i.test(coin!) && numberOf(from!) >= 1000) return null;
			const factor = isSmall ? 0.01 : 1;
			const sign = /^(?:p|pence)$/i.test(coin!) ? '£' : /^euro/i.test(coin!) ? '€' : '$';
			return spread('money', numberOf(from!) * factor, numberOf(to ?? from!) * factor, sign);
		}
	},
	{
		gate: /%|per ?cent|percentage/i,
		atNumbers: 'any',
		pattern: new RegExp(
			String.raw`${START}(?:${RANGE}|${SPELLED})\s?(?:%|per ?cent\b|percentage points?\b)`,
			'yiu'
		),
		read: ([from, to, word, toWord]) => numbers('share', from ?? word, to ?? toWord, '%')
	},
	{
		// a third of, two thirds, half as much, about half of
		gate: /third|quarter|fifth|sixth|eighth|tenth|half/i,
		pattern: new RegExp(
			String.raw`\b(?:(a|one|two|three|four)[ -](third|quarter|fifth|sixth|eighth|tenth)s?|(half))(?=\s(?:of|as|the)\s(?!an?\s)|\s(?:cheaper|more|less|dearer|longer|shorter|faster|larger|smaller)\b)`,
			'giu'
		),
		read: ([count, part, half]) => {
			const share =
				half !== undefined
					? 0.5
					: (count!.toLowerCase() === 'a' ? 1 : numberOf(count!)) *
						FRACTION_WORDS[part!.toLowerCase()]!;
			return spread('share', 100 * share, 100 * share, '%');
		}
	},
	{
		// four in ten, 3 out of 10, 1 in every 5
		gate: /\s(?:in|of)\s/i,
		atNumbers: 'any',
		pattern: new RegExp(
			String.raw`${START}(${DIGITS}|${WORDS})(?:${TO}(${DIGITS}|${WORDS}))?\s(?:in|in every|out of|out of every)\s(${DIGITS}|${WORDS})${END}(?!\s?(?:${UNIT})s?${END})`,
			'yiu'
		),
		read: ([from, to, of]) => {
			const [a, b, all] = [numberOf(from!), numberOf(to ?? from!), numberOf(of!)];
			return b < all && [2, 3, 4, 5, 6, 8, 10, 20, 100, 1000].includes(all)
				? spread('ratio', a / all, b / all, '')
				: null;
		}
	},
	{
		gate: /\d\s?:\s?\d|1\s+to\s+\d/i,
		pattern: new RegExp(
			String.raw`(?<![\d:.,])(?:(\d{1,3})\s?:\s?(\d{1,3})(?![\d:%]|\.\d|\s?(?:am|pm)${END})|1\s+to\s+(\d{1,2})(?![\d:%]|\.\d|\s?(?:am|pm|${UNIT})s?${END}|\s+\p{Ll}{3,}s?${END}))`,
			'giu'
		),
		read: ([from, to, slope]) => {
			const [a, b] = slope === undefined ? [Number(from), Number(to)] : [1, Number(slope)];
			// 2:24 is a time on the clock, 1:6 a slope
			if (a === 0 || b === 0 || (to?.length === 2 && a > 1)) return null;
			return spread('ratio', a / b, a / b, '');
		}
	},
	{
		// 15 to 30 cm, 600 g to 900 g, -3 °C, 2 hours 24 minutes comes below
		gate: /[\d½¼¾⅓⅔⅛]/,
		atNumbers: 'digits',
		pattern: new RegExp(
			String.raw`(?<![\p{L}\p{N}.,])((?<!\p{N}\s?)[-−–])?(${DIGITS})(?:(?:[\s-]?(${UNIT})s?${END})?(?<!\bhours? \d{1,2})${TO}([-−])?(${DIGITS}))?[\s-]?(${UNIT})s?${END}`,
			'yiu'
		),
		read: ([sign, from, fromUnit, toSign, to, unitText], text) => {
			const unit = unitOf(unitText!);
			if (!unit) return null;
			if (fromUnit !== undefined && (to === undefined || unitOf(fromUnit)?.name !== unit.name))
				return null;
			const isBelow = unit.dimension === 'temperature' || unit.dimension === 'fahrenheit';
			const low = numberOf(from!) * (sign !== undefined && isBelow ? -1 : 1);
			const high = to === undefined ? low : numberOf(to) * (toSign && isBelow ? -1 : 1);
			// "a 5-minute read" says what kind of thing it is
			if (/^(?:second|minute|hour|day)$/.test(unit.name) && /\d-\p{L}/u.test(text)) return null;
			return spread(unit.dimension === 'time' ? 'time' : 'measure', low, high, unit.name);
		}
	},
	{
		// a quarter of a pound, half a kilo, three quarters of an hour
		gate: /(?:quarter|third)s? of an?\s|half an?\s/i,
		pattern: new RegExp(
			String.raw`\b(?:(a|one|two|three) (quarter|third)s? of|(half)) an? (${UNIT_WORD}|pound)s?${END}`,
			'giu'
		),
		read: ([count, part, half, unitText]) => {
			const unit = /^pound$/i.test(unitText!) ? unitOf('lb') : unitOf(unitText!);
			if (!unit) return null;
			const share = half ? 0.5 : (count === 'a' ? 1 : numberOf(count!)) * FRACTION_WORDS[part!]!;
			return spread(unit.dimension === 'time' ? 'time' : 'measure', share, share, unit.name);
		}
	},
	{
		gate: SPELLED_OUT,
		atNumbers: 'words',
		pattern: new RegExp(
			String.raw`${START}${SPELLED}[\s-](?:more\s)?(${UNIT_WORD})s?${END}`,
			'yiu'
		),
		read: ([from, to, unitText]) => {
			const unit = unitOf(unitText!);
			if (!unit || /^second$/i.test(unitText!)) return null;
			return numbers(unit.dimension === 'time' ? 'time' : 'measure', from, to, unit.name);
		}
	},
	{
		// once a week, three times a year
		gate: /once|twice|times/i,
		pattern: new RegExp(
			String.raw`\b(?:(once|twice)|(?:(${DIGITS})|(${WORDS}))(?:${TO}(${DIGITS}|${WORDS}))? times)(?=\s(?:an?|per|each|every|in)\s\p{L})`,
			'giu'
		),
		read: ([word, digits, spelled, to]) => {
			const from = word ? (/^once$/i.test(word) ? 'one' : 'two') : (digits ?? spelled!);
			return numbers('count', from, to, 'time');
		}
	},
	{
		gate: /(?:1[5-9]|20)\d\d/,
		pattern: new RegExp(
			String.raw`\b(?:(?:in|since|by|from|until|before|after|of|around|during)\s+(?:(?:\d{1,2}(?:st|nd|rd|th)?\s)?(?:${MONTHS})(?:\s\d{1,2}(?:st|nd|rd|th)?)?,?\s)?)((?:1[5-9]|20)\d\d)\b`,
			'gu'
		),
		read: ([year]) => spread('year', Number(year), Number(year), '')
	},
	{
		// SCOP of 3.2, a COP of 4
		gate: /(?:\p{Lu}|ratio|factor|score|index|rating|performance|pH)\s(?:of\s|is\s|from\s)?\d/u,
		pattern: new RegExp(
			String.raw`\b(\p{Lu}{2,6}|ratio|factor|score|index|rating|performance|pH)\s(?:of\s|is\s|from\s)?(${DIGITS})(?:${TO}(${DIGITS}))?(?![\p{L}\p{N}:]|[./]\d|\s?\p{L})`,
			'gu'
		),
		read: ([name, from, to], text) => {
			const isBare = !/\s(?:of|is|from)\s/.test(text);
			if (isBare && (OF_STANDARDS.test(`${name!} `) || numberOf(from!) >= 1000)) return null;
			return numbers('measure', from, to, name!);
		}
	},
	{
		// three hens, 742 homes, four to six eggs, nine of fourteen radiators
		gate: ANY_NUMBER,
		atNumbers: 'any',
		pattern: new RegExp(
			String.raw`${START}(?:${RANGE}|${SPELLED})\s(?:(?:of|out of)\s(?:the\s)?(?:${DIGITS}|${WORDS})\s)?(?:\p{Ll}[\p{Ll}-]+\s)?(\p{Ll}{3,}s|children|people|men|women|sheep)${END}`,
			'yiu'
		),
		read: ([from, to, word, toWord, noun], text) => {
			if (
				/\s(?:and|or|to|in|of|on|at|by|for|as|is|are|was|were|it|its|from|with|the)\s/.test(
					` ${text.replace(/\sof\s/, ' ').replace(TO_WORDS, ' ')} `
				)
			)
				return null;
			const one = singular(noun!.toLowerCase());
			if (NOT_COUNTED.has(one)) return null;
			const first = numberOf(from ?? word!);
			// "1 hens" is a heading's number, "2019 guidelines" a year
			if (first < 2 || (from !== undefined && first >= 1500 && first < 2100 && !from.includes(',')))
				return null;
			return numbers('count', from ?? word, to ?? toWord, one);
		}
	},
	{
		// one bird per square metre
		gate: /\bone\s\p{L}+\s(?:per|for|in)\s/iu,
		pattern: new RegExp(String.raw`\b(one)\s(\p{Ll}{3,})(?=\s(?:per|for every|in every)\s)`, 'giu'),
		read: ([, noun]) => spread('count', 1, 1, noun!.toLowerCase())
	}
];

const TO_WORDS = new RegExp(
	String.raw`(?<=\d|\b(?:${WORDS}))\s(?:to|and|or)\s(?=\d|(?:${WORDS})\b)`,
	'iu'
);

const PER = new RegExp(
	String.raw`^\s?(?:(?:an?|each|every|in an?)\s(${UNIT_WORD}|head|person)s?${END}|(?:per|for every|in every|for each|apiece per|\/)\s?(square\s\p{L}+|cubic\s\p{L}+|\p{L}[\p{L}²³]*)${END}|(each|apiece)${END})`,
	'iu'
);

const HEDGES: readonly (readonly [Quantity['hedge'], RegExp])[] = [
	[
		'about',
		/(?:\b(?:about|around|roughly|approximately|approx\.?|some|nearly|almost|circa|or so|typically|usually)|~|≈)\s?$/i
	],
	[
		'most',
		/\b(?:up to|at most|no more than|not more than|under|less than|fewer than|below|within|a maximum of|maximum)\s$/i
	],
	[
		'least',
		/\b(?:at least|over|more than|no less than|not less than|above|a minimum of|minimum|upwards of)\s$/i
	]
];

/** What a number names instead of counting: "Figure 3 shows". */
const LABELS =
	/\b(?:figure|fig\.|table|step|chapter|page|part|section|phase|version|no\.|number|line|item)\s$/i;

/** A quantity with its place in the sentence: `start` included, `end` excluded. */
export interface PlacedQuantity extends Quantity {
	readonly start: number;
	readonly end: number;
}

/**
 * Quantities of a sentence in order: money, shares, ratios, measures and times in metric or
 * imperial units, in digits, words or fractions, frequencies, years, and counts of things. Figures
 * of one place are given once; "600 g to 900 g" and "2 hours 24 minutes" are one quantity.
 */
export function quantitiesOf(sentence: string): Quantity[] {
	return placedQuantitiesOf(sentence).map(({ kind, value, upTo, unit, per, hedge, text }) => ({
		kind,
		value,
		upTo,
		unit,
		per,
		hedge,
		text
	}));
}

/** As `quantitiesOf`, each with its place in the sentence. */
export function placedQuantitiesOf(sentence: string): PlacedQuantity[] {
	if (!wordsOfSentence(sentence).some(({ text }) => saysNumber(text))) return [];
	const found: PlacedQuantity[] = [];
	let starts: NumberStarts | undefined;
	for (const { gate, pattern, atNumbers, read } of PATTERNS) {
		if (!gate.test(sentence)) continue;
		for (const match of atNumbers
			? matchesAt(pattern, sentence, (starts ??= numberStarts(sentence))[atNumbers])
			: sentence.matchAll(pattern)) {
			const start = match.index;
			const end = start + match[0].length;
			if (found.some((other) => start < other.end && other.start < end)) continue;
			const before = sentence.slice(Math.max(0, start - 10), start);
			if (LABELS.test(before) || OF_STANDARDS.test(before)) continue;
			const quantity = read(match.slice(1), match[0]);
			if (!quantity || !Number.isFinite(quantity.value) || !Number.isFinite(quantity.upTo))
				continue;
			const per = perAfter(sentence.slice(end));
			found.push({
				...quantity,
				per: per.unit,
				hedge: hedgeBefore(sentence.slice(Math.max(0, start - 24), start)),
				text: sentence.slice(start, end + per.length),
				start,
				end: end + per.length
			});
		}
	}
	return joined(
		found.sort((a, b) => a.start - b.start),
		sentence
	);
}

/** Whether a number can begin in a word; most words have been met before. */
function saysNumber(word: string): boolean {
	let says = numberWords.get(word);
	if (says === undefined) {
		says = ANY_NUMBER.test(word);
		if (numberWords.size > 60_000) numberWords.clear();
		numberWords.set(word, says);
	}
	return says;
}

const numberWords = new Map<string, boolean>();

const NUMBER_START = new RegExp(
	`(?<![\\p{L}\\p{N}.,/])(?:[\\d½¼¾⅓⅔⅛]|(?:an?\\s(?:couple|dozen|hundred|thousand|million)|half a dozen|${NUMBER_WORDS})(?![\\p{L}]))`,
	'giu'
);

/** Places where a number begins, its sign included. */
interface NumberStarts {
	readonly digits: readonly number[];
	readonly words: readonly number[];
	readonly any: readonly number[];
}

function numberStarts(sentence: string): NumberStarts {
	const digits: number[] = [];
	const words: number[] = [];
	const any: number[] = [];
	for (const { index } of sentence.matchAll(NUMBER_START)) {
		const kind = /\p{L}/u.test(sentence[index]!) ? words : digits;
		const at = /[-−–]/.test(sentence[index - 1] ?? '') ? [index - 1, index] : [index];
		kind.push(...at);
		any.push(...at);
	}
	return { digits, words, any };
}

/** Matches of a sticky pattern at given places, none of which overlap. */
function* matchesAt(pattern: RegExp, text: string, starts: readonly number[]) {
	let from = 0;
	for (const start of starts) {
		if (start < from) continue;
		pattern.lastIndex = start;
		const match = pattern.exec(text);
		if (!match) continue;
		yield match;
		from = start + match[0].length;
	}
}

function spread(kind: Quantity['kind'], from: number, to: number, unit: string): Read {
	return { kind, value: Math.min(from, to), upTo: Math.max(from, to), unit };
}

function numbers(
	kind: Quantity['kind'],
	from: string | undefined,
	to: string | undefined,
	unit: string
): Read {
	const low = numberOf(from!);
	return spread(kind, low, to === undefined ? low : numberOf(to), unit);
}

function singular(noun: string): string {
	if (noun.endsWith('ies') && noun.length > 4) return `${noun.slice(0, -3)}y`;
	if (/(?:ss|x|ch|sh)es$/.test(noun)) return noun.slice(0, -2);
	return /ss$|us$|is$/.test(noun) ? noun : noun.replace(/s$/, '');
}

function perAfter(rest: string): { unit: string; length: number } {
	const match = PER.exec(rest);
	if (!match) return { unit: '', length: 0 };
	const [text, time, thing, piece] = match;
	const name = piece ? 'piece' : (time ?? thing)!.toLowerCase();
	return { unit: unitOf(name)?.name ?? singular(name), length: text.length };
}

function hedgeBefore(before: string): Quantity['hedge'] {
	return HEDGES.find(([, pattern]) => pattern.test(before))?.[0] ?? null;
}

/** Joins what is said in two units ("2 hours 24 minutes", "5 ft 6 in") into one quantity. */
function joined(found: readonly PlacedQuantity[], sentence: string): PlacedQuantity[] {
	const result: PlacedQuantity[] = [];
	for (const next of found) {
		const last = result.at(-1);
		const between = last ? sentence.slice(last.end, next.start) : '';
		const [a, b] = [last && baseOf(last), baseOf(next)];
		const isPart =
			last !== undefined &&
			/^(?:\s|\sand\s|,\s)$/.test(between) &&
			last.value === last.upTo &&
			next.value === next.upTo &&
			(last.kind === 'measure' || last.kind === 'time') &&
			last.kind === next.kind &&
			last.per === '' &&
			a!.dimension === b.dimension &&
			toBase(1, next.unit).value < toBase(1, last.unit).value &&
			!between.includes(',');
		if (!isPart) {
			result.push(next);
			continue;
		}
		const value = last.value + toBase(next.value, next.unit).value / toBase(1, last.unit).value;
		result[result.length - 1] = {
			...last,
			value,
			upTo: value,
			per: next.per,
			text: sentence.slice(last.start, next.end),
			end: next.end
		};
	}
	return result;
}
