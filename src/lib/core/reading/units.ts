/** What a unit measures, and how many of the base unit of its dimension it makes. */
interface Unit {
	/** Plain singular form that is shown. */
	readonly name: string;
	readonly dimension: string;
	readonly factor: number;
}

/** `name dimension factor: spellings`; plural forms come by themselves. */
const TABLE = `
mm length 0.001: mm millimetre millimeter
cm length 0.01: cm centimetre centimeter
m length 1: m metre meter
km length 1000: km kilometre kilometer
inch length 0.0254: inch inches ″
foot length 0.3048: foot feet ft ′
yard length 0.9144: yard yd
mile length 1609.344: mile
m² area 1: m² m2 sq_m sqm square_metre square_meter
cm² area 0.0001: cm² cm2 square_centimetre square_centimeter
square_foot area 0.09290304: square_foot square_feet sq_ft ft² ft2
square_yard area 0.83612736: square_yard sq_yd
acre area 4046.8564224: acre
hectare area 10000: hectare ha
m³ volume 1000: m³ m3 cubic_metre cubic_meter
cubic_foot volume 28.316846592: cubic_foot cubic_feet ft³
cubic_yard volume 764.554857984: cubic_yard
litre volume 1: litre liter l
ml volume 0.001: ml millilitre milliliter
gallon volume 4.54609: gallon
pint volume 0.56826125: pint
cup volume 0.24: cup
tablespoon volume 0.015: tablespoon tbsp
teaspoon volume 0.005: teaspoon tsp
mg mass 0.000001: mg milligram
g mass 0.001: g gram gramme
kg mass 1: kg kilo kilogram
tonne mass 1000: tonne ton
pound mass 0.45359237: lb
ounce mass 0.028349523125: ounce oz
°C temperature 1: °c celsius degrees_celsius degree_celsius degrees_c
°F fahrenheit 1: °f fahrenheit degrees_fahrenheit degrees_f
degree angle 1: degree °
W power 1: w watt
kW power 1000: kw kilowatt
kWh energy 1: kwh kilowatt-hour kilowatt_hour
kcal food_energy 1: kcal calorie
V voltage 1: v volt
amp current 1: amp ampere
dB sound 1: db decibel
psi pressure 1: psi
bar pressure_bar 1: bar
mph speed 1.609344: mph
km/h speed 1: km/h kph kmh
rpm turns 1: rpm
ppm parts 1: ppm
grit grit 1: grit
gauge gauge 1: gauge
lumen light 1: lumen
hp power_hp 1: hp horsepower
MB storage 1: mb megabyte
GB storage 1000: gb gigabyte
TB storage 1000000: tb terabyte
second time 1/86400: second sec
minute time 1/1440: minute min
hour time 1/24: hour hr
day time 1: day
night time 1: night
weekend time 2: weekend
week time 7: week
month time 30.4375: month
season time 91.3125: season
year time 365.25: year yr
decade time 3652.5: decade
century time 36525: century centurie
`;

/** `0.01` or `1/24`, which has no exact decimals. */
function factorOf(text: string): number {
	const [over, under = '1'] = text.split('/');
	return Number(over) / Number(under);
}

const BY_SPELLING = new Map<string, Unit>();
for (const line of TABLE.trim().split('\n')) {
	const [head, spellings] = line.split(': ') as [string, string];
	const [name, dimension, factor] = head.split(' ') as [string, string, string];
	const unit = { name: name.replace(/_/g, ' '), dimension, factor: factorOf(factor) };
	for (const spelling of [...spellings.split(' '), name])
		BY_SPELLING.set(spelling.replace(/_/g, ' ').toLowerCase(), unit);
}
const BY_NAME = new Map([...BY_SPELLING.values()].map((unit) => [unit.name, unit]));

/** Units whose sign is too short to be told from a word or a variable unless digits stand before it. */
const SHORT = new Set(['m', 'k', 'l', 'g', 'w', 'v', '″', '′', 'ha', 'min', 'sec', 'bar']);

const escaped = (spelling: string) =>
	spelling.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&').replace(/ /g, '\\s');
const longestFirst = (spellings: readonly string[]) =>
	[...spellings]
		.sort((a, b) => b.length - a.length)
		.map(escaped)
		.join('|');

/** Alternatives for a unit after digits. No groups inside. */
export const UNIT = String.raw`${longestFirst([...BY_SPELLING.keys()])}|in(?=\s(?:tall|wide|deep|long|high|thick|across)\b|[.,;)]|$)`;

/** Alternatives for a unit after a number in words. No groups inside. */
export const UNIT_WORD = longestFirst(
	[...BY_SPELLING.keys()].filter((spelling) => spelling.length > 2 && !SHORT.has(spelling))
);

/** The unit that a spelling stands for, plural or not; undefined when it is none. */
export function unitOf(spelling: string): { name: string; dimension: string } | undefined {
	const plain = spelling.toLowerCase().replace(/\s+/g, ' ');
	if (plain === 'in') return BY_SPELLING.get('inch');
	return BY_SPELLING.get(plain) ?? BY_SPELLING.get(plain.replace(/s$/, ''));
}

/**
 * A value in the base unit of its dimension, by the unit's shown name: metres, square metres,
 * litres, kilograms, days, °C, watts. Other units are given back as they are.
 */
export function toBase(value: number, unit: string): { value: number; dimension: string } {
	if (unit === '°F') return { value: ((value - 32) * 5) / 9, dimension: 'temperature' };
	const known = BY_NAME.get(unit);
	return known
		? { value: value * known.factor, dimension: known.dimension }
		: { value, dimension: unit };
}

/** Which measures a reader is used to. */
export type UnitSystem = 'metric' | 'imperial';

/** Units of each system by dimension, the largest first. The first is taken of which the value is at least `LEAST`, else the last. */
const OF_SYSTEM: Readonly<Record<UnitSystem, Readonly<Record<string, readonly string[]>>>> = {
	metric: {
		length: ['km', 'm', 'cm', 'mm'],
		area: ['hectare', 'm²', 'cm²'],
		volume: ['litre', 'ml'],
		mass: ['tonne', 'kg', 'g', 'mg'],
		temperature: ['°C'],
		speed: ['km/h']
	},
	imperial: {
		length: ['mile', 'foot', 'inch'],
		area: ['acre', 'square foot'],
		volume: ['gallon', 'pint'],
		mass: ['pound', 'ounce'],
		temperature: ['°F'],
		speed: ['mph']
	}
};

/** From how many of a unit on it is used; 1 where nothing is said. Below three feet people say inches. */
const LEAST: Readonly<Record<string, number>> = { foot: 3, mile: 0.5 };

/** Ground and loads are counted in units of their own. */
const BULK: Readonly<Record<UnitSystem, string>> = { metric: 'm³', imperial: 'cubic yard' };
const BULK_UNITS = new Set(['m³', 'cubic foot', 'cubic yard']);
/** Spoons and cups are the same in both kitchens. */
const OF_NEITHER = new Set(['cup', 'tablespoon', 'teaspoon']);

/**
 * A value or range in the units of a system, exact to two digits, as people say it.
 *
 * @param unit shown name of the unit it is in
 * @returns null for what is no measure, or is in that system already
 */
export function inSystem(
	{ low, high }: { readonly low: number; readonly high: number },
	unit: string,
	system: UnitSystem
): { readonly low: number; readonly high: number; readonly unit: string } | null {
	const { dimension } = toBase(0, unit);
	const wanted = OF_SYSTEM[system][dimension];
	if (!wanted || wanted.includes(unit) || OF_NEITHER.has(unit)) return null;
	if (unit === BULK[system]) return null;
	const [from, to] = [toBase(low, unit).value, toBase(high, unit).value];
	if (dimension === 'temperature') {
		const shown = (celsius: number) =>
			Math.round(system === 'imperial' ? (celsius * 9) / 5 + 32 : celsius);
		return { low: shown(from), high: shown(to), unit: wanted[0]! };
	}
	const factorOfName = (name: string) => BY_NAME.get(name)!.factor;
	const chosen = BULK_UNITS.has(unit)
		? BULK[system]
		: (wanted.find((name) => from >= (LEAST[name] ?? 1) * factorOfName(name)) ?? wanted.at(-1)!);
	const said = (value: number) => Number((value / factorOfName(chosen)).toPrecision(2));
	return { low: said(from), high: said(to), unit: chosen };
}
