import type { Tagger } from '../text';
import { candidatesOf } from './candidates';
import type { Unit, CandidateCount } from './page-work';

/** Whether nearly all longer words of a line have a capital: an item or caption that is set as a heading. */
function isTitleCased(text: string): boolean {
	const long = text.match(/\p{L}{4,}/gu) ?? [];
	const capitals = long.filter((word) => /^\p{Lu}/u.test(word)).length;
	return long.length >= 3 && capitals >= 0.9 * long.length;
}

export function countCandidates(units: readonly Unit[], tag: Tagger): CandidateCount[] {
	const counts = new Map<
		string,
		Omit<CandidateCount, 'surfaces'> & { readonly surfaces: Map<string, number> }
	>();
	// a line that stands three times on a page ("Read more") is no part of what it says
	const times = new Map<string, number>();
	for (const { text, words } of units) if (words <= 8) times.set(text, (times.get(text) ?? 0) + 1);
	for (const unit of units) {
		if ((times.get(unit.text) ?? 0) > 2) continue;
		// title case makes every word a proper noun; small letters let the tagger see what it is
		const isProse = unit.place === 'body' || unit.place === 'faq';
		const text = isProse && !isTitleCased(unit.text) ? unit.text : unit.text.toLowerCase();
		for (const { key, surface, length, isAction, isName, isWhole } of candidatesOf(tag(text))) {
			let entry = counts.get(key);
			if (!entry) {
				entry = {
					key,
					joined: key.replaceAll(' ', ''),
					length,
					count: 0,
					whole: 0,
					asAction: 0,
					asName: 0,
					surfaces: new Map()
				};
				counts.set(key, entry);
			}
			entry.count++;
			if (isWhole) entry.whole++;
			if (isAction) entry.asAction++;
			if (isName) entry.asName++;
			entry.surfaces.set(surface, (entry.surfaces.get(surface) ?? 0) + 1);
		}
	}
	return [...counts.values()].map((entry) => ({ ...entry, surfaces: [...entry.surfaces] }));
}
