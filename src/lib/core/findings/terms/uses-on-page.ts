import { findTermsIn, indexTerms } from '../../text';
import { cutOf, type PageWork, type Place } from '../../reading';
import type { TermUse } from './term';

const PLACES: Readonly<Record<Place, number>> = {
	title: 1,
	h1: 2,
	h2: 4,
	h3: 8,
	body: 16,
	faq: 32
};

export function usesOn(
	page: PageWork,
	index: ReturnType<typeof indexTerms>,
	size: number
): (TermUse | undefined)[] {
	const counts = new Int32Array(size);
	const owns = new Int32Array(size);
	/** One bit for each of `PLACES`. */
	const places = new Uint8Array(size);
	const firstAt = new Float64Array(size).fill(-1);
	const opening = new Uint8Array(size);
	const sections: (Map<number, number> | undefined)[] = [];
	for (const unit of page.units) {
		const place = PLACES[unit.place];
		for (const { term, start, own } of findTermsIn(index, cutOf(unit))) {
			places[term]! |= place;
			if (unit.place === 'title') continue;
			counts[term]!++;
			if (own) owns[term]!++;
			const at = unit.at + (unit.words * start) / Math.max(1, unit.text.length);
			if (firstAt[term]! < 0) firstAt[term] = at;
			if (at < 100 && unit.place !== 'h1') opening[term] = 1;
			const inSections = (sections[term] ??= new Map<number, number>());
			inSections.set(unit.section, (inSections.get(unit.section) ?? 0) + 1);
		}
	}
	return Array.from({ length: size }, (_, term) => {
		const on = (place: Place) => (places[term]! & PLACES[place]) > 0;
		if (counts[term] === 0) return undefined;
		return {
			page: page.id,
			count: counts[term]!,
			own: owns[term]!,
			rate: (counts[term]! / Math.max(1, page.words)) * 1000,
			title: on('title'),
			h1: on('h1'),
			h2: on('h2'),
			h3: on('h3'),
			opening: opening[term] === 1,
			faq: on('faq'),
			position: Math.max(0, firstAt[term]!) / Math.max(1, page.words),
			sections: [...(sections[term] ?? [])]
		};
	});
}
