import type { FactGroup, FactValue } from '$lib/core/findings';

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

/** A value or range in the unit of its group: "15–30 cm", "£40", "1 in 6". */
export function valueShown(
	{ low, high }: Pick<FactValue, 'low' | 'high'>,
	{ unit, per, isCount }: Pick<FactGroup, 'unit' | 'per' | 'isCount'>
): string {
	if (unit === '' && !isCount && low > 0 && low <= 1) {
		const ends = [low, high].map((value) => `1 in ${rounded(1 / value)}`);
		return ends[0] === ends[1] ? ends[0]! : `${ends[1]} to ${ends[0]}`;
	}
	const range = low === high ? rounded(low) : `${rounded(low)}–${rounded(high)}`;
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

/** The spread of a group. */
export function rangeShown(group: FactGroup): string {
	return valueShown({ low: group.low, high: group.high }, group);
}
