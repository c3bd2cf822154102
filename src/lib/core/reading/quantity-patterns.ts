import { DIGITS, numberOf, FRACTION_WORDS, WORDS } from './number-words';
import type { Quantity } from './quantity';
import { UNIT, UNIT_WORD, unitOf } from './units';

/** What a pattern finds, before what stands around it is read. */
export type Read = Omit<Quantity, 'text' | 'hedge' | 'per'>;

const TO = String.raw`\s?(?:-|–|—|to|and|or)\s?`;
const RANGE = `(${DIGITS})(?:${TO}(${DIGITS}))?`;
const SPELLED = `(${WORDS})(?:${TO}(${WORDS}))?`;
export const END = String.raw`(?![\p{L}\p{N}])`;
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

export const NUMBER_WORDS =
	'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|[a-z]+teen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|dozen|hundred|thousand|million|couple';
const SPELLED_OUT = new RegExp(`\\b(?:${NUMBER_WORDS})`, 'i');

/** Before the number of a standard: "RFC 2616", "BS 743". */
export const OF_STANDARDS =
	/\b(?:RFC|ISO|IEC|IEEE|EN|BS|DIN|ANSI|ASTM|NF|JIS|GB|SAE|NFPA|UL|NEN|CSA|AS|NZS|PAS)\s$/;

export const ANY_NUMBER = new RegExp(
	`[\\d½¼¾⅓⅔⅛]|\\b(?:once|twice|half|third|quarter|fifth|tenth|${NUMBER_WORDS})`,
	'i'
);

const TO_WORDS = new RegExp(
	String.raw`(?<=\d|\b(?:${WORDS}))\s(?:to|and|or)\s(?=\d|(?:${WORDS})\b)`,
	'iu'
);

/** Places where a number begins, its sign included. */
export interface NumberStarts {
	readonly digits: readonly number[];
	readonly words: readonly number[];
	readonly any: readonly number[];
}

/**
 * In order of precedence. A gate is cheap and lets every sentence through that its pattern could
 * find something in: most sentences hold no figure, and the patterns are long.
 */
export const PATTERNS: readonly {
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

export function singular(noun: string): string {
	if (noun.endsWith('ies') && noun.length > 4) return `${noun.slice(0, -3)}y`;
	if (/(?:ss|x|ch|sh)es$/.test(noun)) return noun.slice(0, -2);
	return /ss$|us$|is$/.test(noun) ? noun : noun.replace(/s$/, '');
}
