import type { Findings } from '../../findings';
import type { Origin } from '../../manuscript';
import type { OriginOfSign } from '../reply';

/** Signs under which material is cited in a request, such as "n1.4" or "C.2", by id of passage or fact. */
export type MaterialSigns = ReadonlyMap<string, string>;

/**
 * A sign for every passage and fact: the sign of its note or page with a number. Equal findings give
 * equal signs, so that a reply that comes back later still leads to its sources.
 *
 * @param signs signs of notes and pages by id: n1, n2 … and the letters of counted pages
 */
export function materialSignsOf(
	{ notePassages, facts }: Pick<Findings, 'notePassages' | 'facts'>,
	signs: ReadonlyMap<string, string>
): MaterialSigns {
	const counts = new Map<string, number>();
	const found = new Map<string, string>();
	for (const { id, source } of [...notePassages, ...facts]) {
		const sign = signs.get(source);
		if (sign === undefined || found.has(id)) continue;
		const count = (counts.get(sign) ?? 0) + 1;
		counts.set(sign, count);
		found.set(id, `${sign}.${count}`);
	}
	return found;
}

/** Where signs of sources in a reply lead, whatever their case. */
export function originsBySign(signs: ReadonlyMap<string, string>): OriginOfSign {
	const bySign = new Map(
		[...signs].map(([source, label]): [string, Origin] => [label.toLowerCase(), { source, label }])
	);
	return (sign) => bySign.get(sign.toLowerCase()) ?? null;
}
