import { everydayRateOf, isStopWord } from '../../text';
import { isTermByUse, type PageWork } from '../../reading';
import { kindOfCandidate, surfaceOf } from './fold-candidates';
import { type Term } from './term';

/** More would be a list of its own. */
const MOST = 25;

/** Times a phrase has to stand in the notes, and how much rarer it has to be in everyday English. */
const LEAST_USES = 2;
const LEAST_UNUSUAL = 2.5;

/**
 * Terms that the writer's notes and transcripts use and no counted page does: what the article can
 * say that others cannot. They have no uses on pages, are wanted once or twice, and stand behind
 * the terms of the evidence; the writer decides whether they become terms of the article.
 */
export function findNoteTerms(
	pages: readonly PageWork[],
	notes: readonly PageWork[],
	terms: readonly Term[]
): Term[] {
	if (notes.length === 0) return [];
	const onPages = new Set(pages.flatMap(({ candidates }) => candidates.map(({ key }) => key)));
	const known = new Set(terms.map(({ key }) => key));
	const found = new Map<string, Mutable>();
	const total = Math.max(
		1,
		notes.reduce((sum, { words }) => sum + words, 0)
	);
	for (const note of notes) {
		for (const candidate of note.candidates) {
			const { key, whole } = candidate;
			if (onPages.has(key) || known.has(key) || whole === 0 || isTermByUse(key)) continue;
			let entry = found.get(key);
			if (!entry) {
				entry = {
					...candidate,
					count: 0,
					asName: 0,
					asAction: 0,
					surfaces: new Map(),
					notes: new Set()
				};
				found.set(key, entry);
			}
			entry.count += candidate.count;
			entry.asName += candidate.asName;
			entry.asAction += candidate.asAction;
			entry.notes.add(note.id);
			for (const [surface, n] of candidate.surfaces)
				entry.surfaces.set(surface, (entry.surfaces.get(surface) ?? 0) + n);
		}
	}
	const longer = [...found.values()].filter(({ count }) => count >= LEAST_USES);
	return longer
		.filter(
			(entry) =>
				!longer.some(
					(other) =>
						other !== entry &&
						other.count >= entry.count &&
						` ${other.key} `.includes(` ${entry.key} `)
				)
		)
		.map((entry) => ({ entry, unusual: unusualnessOf(entry.key, (entry.count / total) * 1e6) }))
		.filter(({ unusual }) => unusual >= LEAST_UNUSUAL)
		.map(({ entry, unusual }) => ({
			entry,
			unusual,
			score: unusual * Math.log(1 + entry.count) * Math.sqrt(entry.notes.size)
		}))
		.sort((a, b) => b.score - a.score || (a.entry.key < b.entry.key ? -1 : 1))
		.slice(0, MOST)
		.map(({ entry, unusual, score }): Term => ({
			key: entry.key,
			phrase: surfaceOf(entry),
			verbs: kindOfCandidate(entry) === 'action' ? [0] : [],
			variants: [],
			isOwn: false,
			isPinned: false,
			isSet: false,
			kind: kindOfCandidate(entry),
			weight: 'could',
			min: 1,
			max: 2,
			uses: [],
			places: { title: 0, h1: 0, h2: 0, h3: 0, opening: 0, faq: 0 },
			position: 0,
			company: [],
			score,
			scoreParts: { unusual, frequency: Math.log(1 + entry.count), pages: 0, prominence: 1 }
		}));
}

interface Mutable {
	readonly key: string;
	count: number;
	asName: number;
	asAction: number;
	readonly surfaces: Map<string, number>;
	readonly notes: Set<string>;
}

/** Log ratio to everyday English, by the rarest word of the phrase. */
function unusualnessOf(key: string, ratePerMillion: number): number {
	const rates = key
		.split(' ')
		.filter((word) => !isStopWord(word))
		.map(everydayRateOf);
	return rates.length === 0 ? 0 : Math.log(ratePerMillion / Math.min(...rates));
}
