/** A quantity in a sentence; `value` is the lower end of a range, in `unit`. */
export interface Quantity {
	readonly kind: 'money' | 'share' | 'ratio' | 'measure' | 'time' | 'year' | 'count';
	readonly value: number;
	/** Upper end; equal to `value` unless a range was written. */
	readonly upTo: number;
	/** Unit in its plain singular form, empty for counts: "cm", "tonne", "£". */
	readonly unit: string;
	readonly text: string;
}

const NUMBER = String.raw`\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?`;
const RANGE = String.raw`(${NUMBER})(?:\s*(?:-|–|—|to|and|or)\s*(${NUMBER}))?`;

const UNITS: Readonly<Record<string, string>> = {
	mm: 'mm',
	millimetre: 'mm',
	millimeter: 'mm',
	cm: 'cm',
	centimetre: 'cm',
	centimeter: 'cm',
	m: 'm',
	metre: 'm',
	meter: 'm',
	km: 'km',
	kilometre: 'km',
	kilometer: 'km',
	inch: 'inch',
	inches: 'inch',
	foot: 'foot',
	feet: 'foot',
	ft: 'foot',
	yard: 'yard',
	mile: 'mile',
	'm²': 'm²',
	m2: 'm²',
	'square metre': 'm²',
	'square meter': 'm²',
	'square foot': 'square foot',
	'square feet': 'square foot',
	'm³': 'm³',
	m3: 'm³',
	'cubic metre': 'm³',
	acre: 'acre',
	hectare: 'hectare',
	g: 'g',
	gram: 'g',
	kg: 'kg',
	kilo: 'kg',
	kilogram: 'kg',
	tonne: 'tonne',
	ton: 'tonne',
	lb: 'lb',
	ounce: 'ounce',
	oz: 'ounce',
	litre: 'litre',
	liter: 'litre',
	ml: 'ml',
	gallon: 'gallon',
	degree: 'degree',
	'°c': '°C',
	'°f': '°F',
	'°': 'degree',
	watt: 'watt',
	kw: 'kW',
	kwh: 'kWh',
	volt: 'volt'
};
const TIMES = [
	'second',
	'minute',
	'hour',
	'day',
	'week',
	'month',
	'year',
	'decade',
	'century',
	'season',
	'weekend'
];
const UNIT_WORDS = Object.keys(UNITS)
	.sort((a, b) => b.length - a.length)
	.map((unit) => unit.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
	.join('|');

const PATTERNS: readonly { readonly kind: Quantity['kind']; readonly pattern: RegExp }[] = [
	{
		kind: 'money',
		pattern: new RegExp(String.raw`([£$€])\s?${RANGE}(?:\s?(k|m|million|thousand))?`, 'giu')
	},
	{ kind: 'share', pattern: new RegExp(String.raw`${RANGE}\s?(?:%|per ?cent\b)`, 'giu') },
	{
		kind: 'ratio',
		pattern:
			/\b(\d{1,3})(?:\s?:\s?|\s+in\s+(?:every\s+)?|\s+to\s+)(\d{1,3})\b(?!\s?(?:cm|mm|m|kg|%|metre|foot|feet|inch|hour|day|week|month|year|tonne|stone|people|am|pm))/giu
	},
	{
		kind: 'measure',
		pattern: new RegExp(String.raw`${RANGE}[\s-]?(${UNIT_WORDS})(?:s|es)?(?![\p{L}\p{N}])`, 'giu')
	},
	{
		kind: 'time',
		pattern: new RegExp(
			String.raw`${RANGE}[\s-]?(${TIMES.join('|')}|centurie)s?(?![\p{L}\p{N}])`,
			'giu'
		)
	},
	{
		kind: 'year',
		pattern: /\b(?:in|since|by|from|until|before|after|of)\s+((?:1[5-9]|20)\d\d)\b/giu
	}
];

const WORD_NUMBERS: Readonly<Record<string, number>> = {
	half: 0.5,
	one: 1,
	two: 2,
	three: 3,
	four: 4,
	five: 5,
	six: 6,
	seven: 7,
	eight: 8,
	nine: 9,
	ten: 10,
	eleven: 11,
	twelve: 12,
	fifteen: 15,
	twenty: 20,
	thirty: 30,
	forty: 40,
	fifty: 50,
	sixty: 60,
	seventy: 70,
	eighty: 80,
	ninety: 90,
	hundred: 100
};
const SPELLED = new RegExp(
	String.raw`\b(?:a\s+)?(${Object.keys(WORD_NUMBERS).join('|')})(?:\s+(?:or|to|and a half to)\s+(${Object.keys(WORD_NUMBERS).join('|')}))?\s+(?:a\s+|of\s+a\s+)?(${UNIT_WORDS}|${TIMES.join('|')}|centurie)s?(?![\p{L}\p{N}])`,
	'giu'
);

/** Quantities of a sentence in order; figures of one place are given once. */
export function quantitiesOf(sentence: string): Quantity[] {
	const found: (Quantity & { start: number; end: number })[] = [];
	const add = (start: number, text: string, quantity: Omit<Quantity, 'text'>) => {
		const end = start + text.length;
		if (found.some((other) => start < other.end && other.start < end)) return;
		found.push({ ...quantity, text, start, end });
	};
	for (const { kind, pattern } of PATTERNS) {
		for (const match of sentence.matchAll(pattern)) {
			const quantity = read(kind, match);
			if (quantity) add(match.index, match[0], quantity);
		}
	}
	for (const match of sentence.matchAll(SPELLED)) {
		const [text, from, to, unit] = match as unknown as [string, string, string | undefined, string];
		const value = WORD_NUMBERS[from.toLowerCase()]!;
		const upTo = to === undefined ? value : WORD_NUMBERS[to.toLowerCase()]!;
		const plain = unit.toLowerCase();
		add(match.index, text, {
			kind: UNITS[plain] ? 'measure' : 'time',
			value: Math.min(value, upTo),
			upTo: Math.max(value, upTo),
			unit: UNITS[plain] ?? plain.replace('centurie', 'century')
		});
	}
	return found
		.sort((a, b) => a.start - b.start)
		.map(({ kind, value, upTo, unit, text }) => ({ kind, value, upTo, unit, text }));
}

function read(kind: Quantity['kind'], match: RegExpExecArray): Omit<Quantity, 'text'> | null {
	const groups = match.slice(1);
	switch (kind) {
		case 'money': {
			const [sign, from, to, scale] = groups;
			const factor = /^(?:k|thousand)$/i.test(scale ?? '') ? 1_000 : scale ? 1_000_000 : 1;
			return range(kind, from, to, sign!, factor);
		}
		case 'share':
			return range(kind, groups[0], groups[1], '%');
		case 'ratio': {
			const [a, b] = [Number(groups[0]), Number(groups[1])];
			return a > 0 && b > 0 && (a === 1 || /:/.test(match[0]))
				? { kind, value: a / b, upTo: a / b, unit: '' }
				: null;
		}
		case 'measure':
			return range(kind, groups[0], groups[1], UNITS[groups[2]!.toLowerCase()] ?? groups[2]!);
		case 'time':
			return range(
				kind,
				groups[0],
				groups[1],
				groups[2]!.toLowerCase().replace('centurie', 'century')
			);
		case 'year':
			return { kind, value: Number(groups[0]), upTo: Number(groups[0]), unit: '' };
		case 'count':
			return null;
	}
}

function range(
	kind: Quantity['kind'],
	from: string | undefined,
	to: string | undefined,
	unit: string,
	factor = 1
): Omit<Quantity, 'text'> {
	const value = number(from!) * factor;
	const upTo = to === undefined ? value : number(to) * factor;
	return { kind, value: Math.min(value, upTo), upTo: Math.max(value, upTo), unit };
}

function number(text: string): number {
	return Number(text.replace(/,/g, ''));
}
