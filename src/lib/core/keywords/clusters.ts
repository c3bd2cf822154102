import { contentStemsOf } from '../text';
import { subjectOfPhrase } from './long-tail';
import { INTENTS, middleVolumeOf, type Intent, type Volume } from './keyword';
import { vectorsOf, type PhraseVectors } from './word-company';
import type { Step } from './read-keywords';

/** A phrase as clustering needs it. */
export interface ClusterInput extends Volume {
	readonly key: string;
	readonly phrase: string;
	readonly intent: Intent;
	readonly cues: readonly string[];
	/** Addresses that rank for it, best first; null while nobody has looked. */
	readonly addresses: readonly string[] | null;
	/** Cluster given by hand or by a list; empty: to be found. */
	readonly given: string;
}

/** Phrases that one article can serve. */
export interface Cluster {
	readonly id: string;
	readonly name: string;
	/** Key of the phrase with most searches. */
	readonly head: string;
	/** Keys, most searched first, the head among them. */
	readonly members: readonly string[];
	/** Sum of the known volumes, both ends included. */
	readonly volumeMin: number;
	readonly volumeMax: number;
	/** Members whose volume is not known. */
	readonly unknownVolumes: number;
	readonly intent: Intent;
	/** Words that decided the intent, most frequent first. */
	readonly cues: readonly string[];
	/** What brought the members together. */
	readonly by: 'hand' | 'results' | 'words';
}

/** Bounds of clustering, as data; the word bounds were set on the demo's lists. */
const CLUSTER_LIMITS = {
	/** Share of the first ten addresses two phrases must have in common. */
	sharedResults: 0.4,
	results: 10,
	likeness: 0.56,
	/** A phrase left alone joins what it is nearest to from here on. */
	likenessAlone: 0.42,
	/** Groups looked at for each word of a phrase, those of much searched phrases first. */
	looked: 100,
	/** Phrases that must be about a thing before groups are cut by it. */
	subjectNamed: 3
} as const;

interface Group {
	readonly members: number[];
	readonly sum: Map<number, number>;
	length: number;
	readonly given: string;
	/** Addresses of the first member whose results are known. */
	addresses: ReadonlySet<string> | null;
	byResults: boolean;
}

const PHRASES_PER_STEP = 500;

/**
 * Puts phrases together that one article can serve, in steps. Where the results of two phrases
 * are known they decide; else words and the company they keep. What is given by hand stays.
 * The order of the input does not matter.
 */
export function* clusterPhrases(input: readonly ClusterInput[]): Generator<Step, Cluster[]> {
	const phrases = [...input].sort(
		(a, b) =>
			(middleVolumeOf(b) ?? -1) - (middleVolumeOf(a) ?? -1) ||
			a.phrase.length - b.phrase.length ||
			(a.key < b.key ? -1 : 1)
	);
	const words = vectorsOf(phrases.map(({ phrase }) => phrase));
	const groups: Group[] = [];
	const posts: Set<number>[] = words.spread.map(() => new Set());
	const rare = words.spread.map((n) => n <= Math.max(2, 0.15 * phrases.length));
	const add = (at: number, p: number) => {
		const group = groups[at]!;
		const { addresses } = phrases[p]!;
		group.members.push(p);
		// the length follows from what changes: groups of thousands would be summed up again and again
		let square = group.length ** 2;
		for (const [n, w] of words.vectors[p]!) {
			const before = group.sum.get(n) ?? 0;
			group.sum.set(n, before + w);
			square += (before + w) ** 2 - before ** 2;
			posts[n]!.add(at);
		}
		group.length = Math.sqrt(square);
		group.addresses ??= addresses && new Set(addresses.slice(0, CLUSTER_LIMITS.results));
	};
	const found = (given: string) =>
		groups.push({
			members: [],
			sum: new Map(),
			length: 0,
			given,
			addresses: null,
			byResults: false
		}) - 1;

	const named = new Map<string, number>();
	phrases.forEach(({ given }, p) => {
		if (given === '') return;
		if (!named.has(given)) named.set(given, found(given));
		add(named.get(given)!, p);
	});
	for (const [p, phrase] of phrases.entries()) {
		if (p % PHRASES_PER_STEP === 0) yield { done: p, all: phrases.length };
		if (phrase.given !== '') continue;
		const best = bestGroup(p, CLUSTER_LIMITS.likeness);
		if (best === null) add(found(''), p);
		else {
			add(best.at, p);
			if (best.byResults) groups[best.at]!.byResults = true;
		}
	}
	// leaders are chosen before their groups are known, so what stands alone looks again
	for (const group of groups) {
		if (group.members.length !== 1 || group.given !== '' || group.addresses) continue;
		const [p] = group.members as [number];
		group.members.length = 0;
		const best = bestGroup(p, CLUSTER_LIMITS.likenessAlone);
		if (best === null) group.members.push(p);
		else add(best.at, p);
	}
	return clustersOf(bySubject(groups, phrases, words), phrases, words);

	/** The group a phrase is nearest to, from a likeness on. */
	function bestGroup(p: number, least: number): { at: number; byResults: boolean } | null {
		const vector = words.vectors[p]!;
		const own = phrases[p]!.addresses;
		const candidates = new Set<number>();
		let hasRare = false;
		for (const n of vector.keys()) {
			if (!rare[n]) continue;
			hasRare = true;
			let looked = 0;
			for (const at of posts[n]!) {
				candidates.add(at);
				if (++looked === CLUSTER_LIMITS.looked) break;
			}
		}
		// phrases of the subject's words alone meet others of their kind
		if (!hasRare) groups.slice(0, 2 * CLUSTER_LIMITS.looked).forEach((_, at) => candidates.add(at));
		else if (own) groups.forEach(({ addresses }, at) => addresses && candidates.add(at));
		let best: { at: number; byResults: boolean } | null = null;
		let most = least;
		for (const at of candidates) {
			const group = groups[at]!;
			if (group.members.length === 0) continue;
			const shared = own && group.addresses ? sharedOf(own, group.addresses) : null;
			if (shared !== null && shared < CLUSTER_LIMITS.sharedResults) continue;
			const likeness = shared === null ? dot(vector, group.sum) / (group.length || 1) : 1 + shared;
			if (likeness > most || (likeness === most && best !== null && at < best.at))
				[best, most] = [{ at, byResults: shared !== null }, likeness];
		}
		return best;
	}
}

/**
 * Cuts groups in which several things are asked for alike ("garden wall cost", "gabion wall
 * cost"): an article serves one of them. A thing is a subject that the lists name at least three
 * times. Groups of hand and results stay.
 */
function bySubject(
	groups: readonly Group[],
	phrases: readonly ClusterInput[],
	words: PhraseVectors
): Group[] {
	const subjects = phrases.map(({ phrase }) => contentStemsOf(subjectOfPhrase(phrase)).join(' '));
	const frequency = new Map<string, number>();
	for (const subject of subjects) frequency.set(subject, (frequency.get(subject) ?? 0) + 1);
	const things = new Map(
		[...frequency].filter(
			([subject, n]) => n >= CLUSTER_LIMITS.subjectNamed && subject.includes(' ')
		)
	);
	return groups.flatMap((group) => {
		if (group.given !== '' || group.members.length < 4) return [group];
		const parts = new Map<string, number[]>();
		let ranked: number | null = null;
		const binding = bindingStemsOf(group.members, words);
		for (const p of [...group.members].sort((a, b) => a - b)) {
			// members that results have brought together stay together
			const decides = group.byResults && phrases[p]!.addresses ? (ranked ??= p) : p;
			const thing = thingOf(phrases[decides]!.phrase, things, binding);
			parts.set(thing, [...(parts.get(thing) ?? []), p]);
		}
		const all = [...parts];
		const large = all.filter(([thing, of]) => thing !== '' && of.length >= 2);
		if (large.length < 2) return [group];
		const rest = all.filter((part) => !large.includes(part)).flatMap(([, of]) => of);
		const largest = large.reduce((a, b) => (b[1].length > a[1].length ? b : a));
		return large.map((part): Group => {
			const members = part === largest ? [...part[1], ...rest] : part[1];
			const sum = new Map<number, number>();
			for (const p of members)
				for (const [n, w] of words.vectors[p]!) sum.set(n, (sum.get(n) ?? 0) + w);
			const byResults = group.byResults && ranked !== null && members.includes(ranked);
			return { ...group, members, sum, length: lengthOf(sum), byResults };
		});
	});
}

/** The thing a phrase is about; empty when it names none. `things` tells how often each is named. */
function thingOf(
	phrase: string,
	things: ReadonlyMap<string, number>,
	binding: ReadonlySet<string>
): string {
	const stems = contentStemsOf(phrase);
	const named: string[] = [];
	for (let from = 0; from < stems.length; from++) {
		// what binds the group cannot cut it: a batter frame belongs with the batter
		for (let to = from; to < stems.length && !binding.has(stems[to]!); to++) {
			const run = stems.slice(from, to + 1).join(' ');
			if (things.has(run)) named.push(run);
		}
	}
	return (
		named
			// "dry stone wall" holds "stone wall", which is then not what is meant
			.filter(
				(each) => !named.some((other) => other !== each && ` ${other} `.includes(` ${each} `))
			)
			// the rarer thing tells more: "batter frame for dry stone wall" is about the frame
			.sort((a, b) => things.get(a)! - things.get(b)! || (a < b ? -1 : 1))[0] ?? ''
	);
}

/** Stems in half of the members and in few other phrases. */
function bindingStemsOf(members: readonly number[], words: PhraseVectors): Set<string> {
	const counts = new Map<number, number>();
	for (const p of members) for (const n of words.stems[p]!) counts.set(n, (counts.get(n) ?? 0) + 1);
	return new Set(
		[...counts]
			.filter(
				([n, count]) =>
					count >= 0.5 * members.length && words.spread[n]! <= 0.3 * words.stems.length
			)
			.flatMap(([n]) => contentStemsOf(words.forms[n]!))
	);
}

function sharedOf(addresses: readonly string[], others: ReadonlySet<string>): number {
	const own = addresses.slice(0, CLUSTER_LIMITS.results);
	return (
		own.filter((address) => others.has(address)).length /
		Math.max(1, Math.min(own.length, others.size))
	);
}

function dot(a: ReadonlyMap<number, number>, b: ReadonlyMap<number, number>): number {
	let sum = 0;
	for (const [n, w] of a) sum += w * (b.get(n) ?? 0);
	return sum;
}

function lengthOf(vector: ReadonlyMap<number, number>): number {
	let sum = 0;
	for (const w of vector.values()) sum += w * w;
	return Math.sqrt(sum);
}

function clustersOf(
	groups: readonly Group[],
	phrases: readonly ClusterInput[],
	words: PhraseVectors
): Cluster[] {
	const taken = new Set<string>();
	return groups
		.filter(({ members }) => members.length > 0)
		.map((group) => ({ group, members: [...group.members].sort((a, b) => a - b) }))
		.sort((a, b) => a.members[0]! - b.members[0]!)
		.map(({ group, members }): Cluster => {
			const of = members.map((p) => phrases[p]!);
			const head = of[0]!;
			const name = group.given || nameOf(group, members, words, taken) || head.phrase;
			taken.add(name);
			return {
				id: `cluster:${head.key}`,
				name,
				head: head.key,
				members: of.map(({ key }) => key),
				volumeMin: of.reduce((sum, { volumeMin }) => sum + (volumeMin ?? 0), 0),
				volumeMax: of.reduce(
					(sum, { volumeMax, volumeMin }) => sum + (volumeMax ?? volumeMin ?? 0),
					0
				),
				unknownVolumes: of.filter((row) => middleVolumeOf(row) === null).length,
				...intentOfMembers(of),
				by: group.given !== '' ? 'hand' : group.byResults ? 'results' : 'words'
			};
		});
}

/** The word that tells the group apart: in half of its phrases, and in few others. */
function nameOf(
	group: Group,
	members: readonly number[],
	words: PhraseVectors,
	taken: ReadonlySet<string>
): string {
	const counts = new Map<number, number>();
	for (const p of members) for (const n of words.stems[p]!) counts.set(n, (counts.get(n) ?? 0) + 1);
	const telling = [...counts]
		.filter(
			([n, count]) =>
				count >= 0.5 * members.length && words.spread[n]! <= 0.3 * words.stems.length + 1
		)
		.map(([n, count]) => ({ n, value: (count / members.length) * (group.sum.get(n) ?? 0) }))
		.sort((a, b) => b.value - a.value || a.n - b.n)
		.map(({ n }) => words.forms[n]!);
	const options = [telling[0], telling.slice(0, 2).join(' '), telling.slice(0, 3).join(' ')];
	return options.find((name) => name && !taken.has(name)) ?? '';
}

/** The intent most searches share; each phrase counts once more, so that unknown volumes have a say. */
function intentOfMembers(members: readonly ClusterInput[]): { intent: Intent; cues: string[] } {
	const votes = new Map<Intent, number>();
	for (const row of members)
		votes.set(row.intent, (votes.get(row.intent) ?? 0) + 1 + Math.log1p(middleVolumeOf(row) ?? 0));
	const intent = [...INTENTS].sort((a, b) => (votes.get(b) ?? 0) - (votes.get(a) ?? 0))[0]!;
	const cues = new Map<string, number>();
	for (const row of members)
		if (row.intent === intent) for (const cue of row.cues) cues.set(cue, (cues.get(cue) ?? 0) + 1);
	return {
		intent,
		cues: [...cues].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([cue]) => cue)
	};
}
