import { leastPagesOf } from '../least-pages';
import { termKeyOf, verbFormsOf } from '../../text';
import type { PageWork } from '../../reading';
import type { TermKind } from './term';

interface Naming {
	readonly count: number;
	readonly asName: number;
	readonly asAction: number;
}

export interface Candidate {
	key: string;
	length: number;
	count: number;
	pages: Set<string>;
	surfaces: Map<string, number>;
	inside: number;
	longer: number;
	whole: number;
	asAction: number;
	asName: number;
}

/** What a candidate names, by how most of its uses are written. */
export function kindOfCandidate(candidate: Naming): TermKind {
	if (isAction(candidate)) return 'action';
	const { asName, count } = candidate;
	return count > 0 && asName >= NAME_SHARE * count ? 'name' : 'thing';
}

/** Taggers take nouns for verbs now and then, so most uses have to open with one. */
export function isAction({ asAction, count }: Naming): boolean {
	return asAction > 0.6 * count;
}

/** Share of its uses in which a phrase is written as a name, from which it is one. */
const NAME_SHARE = 0.8;

const NO_NOTES: ReadonlySet<string> = new Set();

/**
 * Candidates of all pages joined under one key; joined spellings ("drystone") meet the open ones.
 *
 * @param inNotes joined keys of the notes' phrases, which one page is enough for
 */
export function foldCandidates(
	pages: readonly PageWork[],
	inNotes: ReadonlySet<string> = NO_NOTES
): Candidate[] {
	const names = new Set(
		pages.flatMap((page) => page.siteNames.map((name) => termKeyOf(name))).filter(Boolean)
	);
	const joinedNames = new Set([...names].map((name) => name.replace(/ /g, '')));
	// most phrases stand on one page alone; they are passed over before anything is joined
	const leastPages = leastPagesOf(pages.length);
	const on = new Map<string, number>();
	for (const { candidates } of pages)
		for (const { joined } of candidates) on.set(joined, (on.get(joined) ?? 0) + 1);
	const byJoined = new Map<string, Candidate[]>();
	for (const page of pages) {
		for (const candidate of page.candidates) {
			const { key, joined, length, count, surfaces, whole, asAction, asName } = candidate;
			if (joinedNames.has(joined)) continue;
			if (on.get(joined)! < leastPages && !inNotes.has(joined)) continue;
			const alike = byJoined.get(joined) ?? [];
			byJoined.set(joined, alike);
			let folded = alike.find((other) => other.key === key);
			if (!folded) {
				folded = {
					key,
					length,
					count: 0,
					pages: new Set(),
					surfaces: new Map(),
					inside: 0,
					longer: 0,
					whole: 0,
					asAction: 0,
					asName: 0
				};
				alike.push(folded);
			}
			folded.count += count;
			folded.whole += whole;
			folded.asAction += asAction;
			folded.asName += asName;
			folded.pages.add(page.id);
			for (const [surface, n] of surfaces)
				folded.surfaces.set(surface, (folded.surfaces.get(surface) ?? 0) + n);
		}
	}
	const folded = [...byJoined.values()].map((alike) => {
		// the open spelling is the key, since it also matches hyphens and the joined form
		const [first, ...rest] = alike.sort(
			(a, b) => b.length - a.length || b.count - a.count || (a.key < b.key ? -1 : 1)
		);
		for (const other of rest) {
			first!.count += other.count;
			for (const page of other.pages) first!.pages.add(page);
		}
		return first!;
	});
	const kept = withoutParticiples(folded);
	markNesting(kept);
	return kept;
}

/** "Laying footings" is "lay footings" once pages say that too: the action matches both. */
function withoutParticiples(candidates: readonly Candidate[]): Candidate[] {
	const forms = new Map<string, Candidate>();
	for (const action of candidates) {
		if (!isAction(action) || action.pages.size < 2) continue;
		const [verb, ...rest] = action.key.split(' ');
		for (const form of verbFormsOf(verb!).slice(1)) forms.set([form, ...rest].join(' '), action);
	}
	return candidates.filter((candidate) => {
		const action = isAction(candidate) ? undefined : forms.get(candidate.key);
		if (!action) return true;
		action.count += candidate.count;
		for (const page of candidate.pages) action.pages.add(page);
		return false;
	});
}

/** Notes for each candidate how many of its uses lie inside longer candidates. */
function markNesting(candidates: readonly Candidate[]): void {
	const byKey = new Map(candidates.map((candidate) => [candidate.key, candidate]));
	for (const outer of candidates) {
		if (outer.length < 2 || outer.pages.size < 2) continue;
		const words = outer.key.split(' ');
		for (let length = 1; length < words.length; length++) {
			for (let start = 0; start + length <= words.length; start++) {
				const inner = byKey.get(words.slice(start, start + length).join(' '));
				if (!inner) continue;
				inner.inside = Math.max(inner.inside, outer.count);
				inner.longer++;
			}
		}
	}
}

/** The spelling met most often; capitals stay on names and abbreviations alone. */
export function surfaceOf(
	candidate: Naming & { readonly surfaces: ReadonlyMap<string, number>; readonly key: string }
): string {
	const { surfaces, key } = candidate;
	const counts = new Map<string, number>();
	for (const [surface, count] of surfaces) {
		const plain = kindOfCandidate(candidate) === 'name' ? surface : withoutCapitals(surface);
		counts.set(plain, (counts.get(plain) ?? 0) + count);
	}
	let best = key;
	let most = 0;
	for (const [surface, count] of [...counts].sort(([a], [b]) => (a < b ? -1 : 1))) {
		if (count > most) [best, most] = [surface, count];
	}
	return best;
}

function withoutCapitals(phrase: string): string {
	return phrase
		.split(' ')
		.map((word) => (/\p{Lu}.*\p{Lu}/u.test(word) ? word : word.toLowerCase()))
		.join(' ');
}
