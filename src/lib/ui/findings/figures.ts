import type { FactGroup, FactValue } from '$lib/core/findings';
import { inSystem, type UnitSystem } from '$lib/core/reading';

function rounded(value: number): string {
	const size = Math.abs(value);
	const digits = size >= 100 ? 0 : size >= 10 ? 1 : 2;
	return value.toLocaleString('en', { maximumFractionDigits: digits });
}

/** What is reckoned by, where its short form would not be said. */
const PER: Readonly<Record<string, string>> = {
	m: 'metre',
	cm: 'centimetre',
	km: 'kilometre',
	'm²': 'square metre',
	'm³': 'cubic metre',
	g: 'gram',
	kg: 'kilogram'
};

/** Units of time in seconds; months and years are mean ones. */
const SECONDS: readonly (readonly [unit: string, seconds: number])[] = [
	['second', 1],
	['minute', 60],
	['hour', 3600],
	['day', 86_400],
	['week', 604_800],
	['month', 2_629_800],
	['year', 31_557_600]
];

/** How far from a whole or half number a time may be and still be said as that: as it is written, and in another unit. */
const [EXACT, NEARLY] = [0.001, 0.02];

/**
 * A time in the unit in which people say it: 0.17–1 hours are 10–60 minutes, 30–60.9 days 1–2 months.
 * Sources that speak in different units are given in one, in which some values are broken numbers.
 */
function inSpokenTime(low: number, high: number, unit: string) {
	const own = SECONDS.find(([name]) => name === unit)?.[1];
	if (own === undefined) return { low, high, unit };
	const units = [...SECONDS].sort(
		([, a], [, b]) => Math.abs(Math.log(a / own)) - Math.abs(Math.log(b / own))
	);
	for (const [name, seconds] of units) {
		const [from, to] = [(low * own) / seconds, (high * own) / seconds].map((value) => {
			const whole = Math.round(2 * value) / 2;
			return Math.abs(whole - value) <= (name === unit ? EXACT : NEARLY) * value ? whole : null;
		});
		if (from && to && to < 200) return { low: from, high: to, unit: name };
	}
	return { low, high, unit };
}

/** A value or range in the unit of its group: "15–30 cm", "£40", "1 in 6". */
export function valueShown(
	value: Pick<FactValue, 'low' | 'high'>,
	group: Pick<FactGroup, 'unit' | 'per' | 'isCount'>
): string {
	const { per, isCount } = group;
	const { low, high, unit } = inSpokenTime(value.low, value.high, group.unit);
	if (unit === '' && !isCount && low > 0 && low <= 1) {
		const ends = [low, high].map((value) => `1 in ${rounded(1 / value)}`);
		return ends[0] === ends[1] ? ends[0]! : `${ends[1]} to ${ends[0]}`;
	}
	const [from, to] = [rounded(low), rounded(high)];
	const range = from === to ? from : `${from}–${to}`;
	const by = per === '' ? '' : per === 'piece' ? ' each' : ` a ${PER[per] ?? per}`;
	if (/^[£$€]$/.test(unit)) return `${unit}${range}${by}`;
	if (unit === '%' || unit === '°C' || unit === '°F')
		return `${range}${unit === '%' ? '' : ' '}${unit}${by}`;
	const named =
		unit !== '' && (isCount || /^(?:[a-z]{4,}|day|ton)$/.test(unit)) ? plural(unit, high) : unit;
	return `${range}${named === '' ? '' : ` ${named}`}${by}`;
}

function plural(noun: string, count: number): string {
	if (count <= 1 || noun.endsWith('s')) return noun;
	if (noun === 'foot' || noun === 'square foot' || noun === 'cubic foot')
		return noun.replace('foot', 'feet');
	if (/[^aeiou]y$/.test(noun)) return `${noun.slice(0, -1)}ies`;
	return /(?:x|ch|sh)$/.test(noun) ? `${noun}es` : `${noun}s`;
}

/** The same in the measures a reader is used to: "≈ 12–18 inches"; empty where there is nothing to convert. */
export function alsoShown(
	value: Pick<FactValue, 'low' | 'high'>,
	{ unit, per, isCount }: Pick<FactGroup, 'unit' | 'per' | 'isCount'>,
	system: UnitSystem | null
): string {
	if (system === null || isCount) return '';
	const other = inSystem(value, unit, system);
	return other ? `≈ ${valueShown(other, { unit: other.unit, per, isCount })}` : '';
}

/** The spread of a group. */
export function rangeShown(group: FactGroup): string {
	return valueShown({ low: group.low, high: group.high }, group);
}
