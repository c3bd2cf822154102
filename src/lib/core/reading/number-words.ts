/** Names of the whole numbers below twenty. */
export const NUMBER_NAMES: readonly string[] = [
	'zero',
	'one',
	'two',
	'three',
	'four',
	'five',
	'six',
	'seven',
	'eight',
	'nine',
	'ten',
	'eleven',
	'twelve',
	'thirteen',
	'fourteen',
	'fifteen',
	'sixteen',
	'seventeen',
	'eighteen',
	'nineteen'
];
const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

const FRACTION_SIGNS: Readonly<Record<string, number>> = {
	'½': 1 / 2,
	'¼': 1 / 4,
	'¾': 3 / 4,
	'⅓': 1 / 3,
	'⅔': 2 / 3,
	'⅛': 1 / 8
};

const SCALES: Readonly<Record<string, number>> = {
	dozen: 12,
	hundred: 100,
	thousand: 1_000,
	million: 1_000_000,
	billion: 1_000_000_000
};

export const FRACTION_WORDS: Readonly<Record<string, number>> = {
	half: 1 / 2,
	halves: 1 / 2,
	third: 1 / 3,
	quarter: 1 / 4,
	fifth: 1 / 5,
	sixth: 1 / 6,
	eighth: 1 / 8,
	tenth: 1 / 10
};

const SIGNS = Object.keys(FRACTION_SIGNS).join('');
const UNITS_DIGIT = NUMBER_NAMES.slice(1, 10).join('|');
const SMALL = `(?:${TENS.join('|')})(?:[- ](?:${UNITS_DIGIT}))?|${NUMBER_NAMES.slice(1).reverse().join('|')}`;

/** A number in digits: `1,300`, `2.5`, `1½`, `3/4`. No groups inside. */
export const DIGITS = String.raw`(?:\d{1,3}(?:,\d{3})+(?:\.\d+)?|[1-9]\d? [1-7]/(?:16|[2-8])(?![\d/])|[1-7]/(?:16|[2-8])(?![\d/])|\d+(?:\.\d+)?(?:\s?[${SIGNS}])?|[${SIGNS}])`;

/** A number in words: `two`, `twenty-five`, `two hundred`, `a dozen`, `a couple of`. No groups inside. */
export const WORDS = String.raw`(?:(?:(?:a|${SMALL}) (?:dozen|hundred|thousand|million)|${SMALL}|a couple of|half a dozen)(?:(?<=\b(?:${UNITS_DIGIT}|ten|eleven|twelve)) and a half)?)`;

/** Value of a number in digits or words as `DIGITS` and `WORDS` find them; NaN for anything else. */
export function numberOf(text: string): number {
	const plain = text.trim().toLowerCase();
	if (/^\d|^[½¼¾⅓⅔⅛]/.test(plain)) return digitsOf(plain);
	if (plain === 'a couple of') return 2;
	if (plain === 'half a dozen') return 6;
	if (plain.endsWith(' and a half')) return numberOf(plain.slice(0, -' and a half'.length)) + 0.5;
	const scaled = /^(.+) (dozen|hundred|thousand|million)$/.exec(plain);
	if (scaled) return (scaled[1] === 'a' ? 1 : numberOf(scaled[1]!)) * SCALES[scaled[2]!]!;
	const [tens, ones] = plain.split(/[- ]/);
	const ten = TENS.indexOf(tens!);
	if (ten >= 0) return 20 + 10 * ten + (ones ? NUMBER_NAMES.indexOf(ones) : 0);
	const one = NUMBER_NAMES.indexOf(plain);
	return one < 0 ? Number.NaN : one;
}

function digitsOf(text: string): number {
	const mixed = /^(?:(\d+) )?(\d)\/(\d)$/.exec(text);
	if (mixed) return Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]);
	const sign = FRACTION_SIGNS[text.at(-1)!] ?? 0;
	const whole = sign === 0 ? text : text.slice(0, -1).trim();
	return (whole === '' ? 0 : Number(whole.replace(/,/g, ''))) + sign;
}
