import { toBase } from './units';

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
