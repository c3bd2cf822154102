import { isStopWord, plainWord, singularOf, stemOf, wordsOf } from '../text';

/** Phrases as weighted stems, ready to be compared. */
export interface PhraseVectors {
	/** Per phrase: stem number → weight, of length 1 (or empty). */
	readonly vectors: readonly ReadonlyMap<number, number>[];
	/** Phrases that hold each stem, by stem number. */
	readonly spread: readonly number[];
	/** Most frequent written form of each stem, by stem number. */
	readonly forms: readonly string[];
	/** Own stems of each phrase, in order, without those lent by company. */
	readonly stems: readonly (readonly number[])[];
}

/*
 * Words of one purpose count as one. Cue words that tell what is wanted ("best") say nothing of
 * the matter and are left out like stop words.
 */
const PURPOSES: Readonly<Record<string, readonly string[]>> = {
	cost: ['cost', 'price', 'pricing', 'expensive', 'cheap', 'cheapest', 'budget', 'affordable'],
	build: [
		'build',
		'builder',
		'building',
		'built',
		'make',
		'making',
		'construct',
		'construction',
		'erect'
	],
	repair: ['repair', 'fix', 'mend', 'rebuild', 'restore', 'restoration', 'maintain', 'maintenance'],
	compare: ['vs', 'versus', 'compared', 'compare', 'comparison', 'difference', 'alternative'],
	tool: ['tool', 'equipment', 'kit'],
	rule: ['rule', 'regulation', 'law', 'legal', 'permission', 'permit', 'planning'],
	idea: ['idea', 'design', 'inspiration', 'example', 'style'],
	last: ['last', 'life', 'lifespan', 'lifetime', 'durable'],
	deep: ['deep', 'depth'],
	high: ['high', 'height', 'tall'],
	wide: ['wide', 'width', 'thick', 'thickness']
};

const PURPOSE_OF = new Map(
	Object.entries(PURPOSES).flatMap(([purpose, words]) =>
		words.map((word) => [stemOf(word), purpose] as const)
	)
);

const CUES = new Set([
	'best',
	'top',
	'good',
	'buy',
	'diy',
	'uk',
	'cheap',
	'guide',
	'tutorial',
	'tips',
	'way',
	'step'
]);

/** Kept although they are stop words elsewhere: a wall without mortar is another matter. */
const KEPT = new Set(['without', 'make', 'near']);

/** Words of a subject stand in more phrases than this and tell nothing apart. */
const SUBJECT_SHARE = 0.3;
const COMPANY_LEAST = 0.5;
const COMPANY_LENT = 0.4;
const COMPANY_MOST = 3;

/**
 * Turns phrases into vectors: stems weighted by how few phrases hold them, each stem lending a
 * share of its weight to those that keep the same company in these phrases (cosine of positive
 * pointwise mutual information), so that "footings" and "foundations" can meet.
 */
export function vectorsOf(phrases: readonly string[]): PhraseVectors {
	const numbers = new Map<string, number>();
	const formCounts: Map<string, number>[] = [];
	const pairs = joinedPairsIn(phrases);
	const stems = phrases.map((phrase) => {
		const own: number[] = [];
		for (const word of contentWordsOf(phrase, pairs)) {
			const plain = stemOf(word);
			const purpose = PURPOSE_OF.get(plain);
			const stem = purpose ? `=${purpose}` : plain;
			let n = numbers.get(stem);
			if (n === undefined) {
				n = numbers.size;
				numbers.set(stem, n);
				formCounts.push(new Map());
			}
			const forms = formCounts[n]!;
			forms.set(word, (forms.get(word) ?? 0) + 1);
			if (!own.includes(n)) own.push(n);
		}
		return own;
	});
	const spread = formCounts.map(() => 0);
	for (const own of stems) for (const n of own) spread[n]!++;
	const lent = companyOf(stems, spread, phrases.length);
	const weights = spread.map((n) => Math.max(0.05, Math.log((phrases.length + 1) / n)));
	return {
		stems,
		spread,
		forms: formCounts.map(
			(forms) => [...forms].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]![0]
		),
		vectors: stems.map((own) => {
			const vector = new Map<number, number>();
			for (const n of own) vector.set(n, (vector.get(n) ?? 0) + weights[n]!);
			for (const n of own) {
				for (const [other, likeness] of lent[n]!) {
					if (!own.includes(other))
						vector.set(
							other,
							Math.max(vector.get(other) ?? 0, COMPANY_LENT * likeness * weights[n]!)
						);
				}
			}
			const length = Math.sqrt([...vector.values()].reduce((sum, w) => sum + w * w, 0)) || 1;
			for (const [n, w] of vector) vector.set(n, w / length);
			return vector;
		})
	};
}

function contentWordsOf(
	phrase: string,
	pairs: ReadonlyMap<string, readonly [string, string]>
): string[] {
	const words = wordsOf(phrase).flatMap(({ text }) => plainWord(text).split('-'));
	const joined: string[] = [];
	for (let i = 0; i < words.length; i++) {
		const both = words[i]! + (words[i + 1] ?? '');
		// "through stones": a part that says nothing alone is kept with the other
		if (pairs.get(both)?.some(isStopWord)) {
			joined.push(both);
			i++;
		} else joined.push(words[i]!);
	}
	return joined
		.flatMap((word) => (pairs.get(word)?.some(isStopWord) ? [word] : (pairs.get(word) ?? [word])))
		.map(singularOf)
		.filter((word) => word.length > 1 && !CUES.has(word) && (KEPT.has(word) || !isStopWord(word)))
		.filter((word) => !/^20\d\d$/.test(word));
}

/** Words that other phrases write as two: "drystone" beside "dry stone". */
function joinedPairsIn(phrases: readonly string[]): Map<string, readonly [string, string]> {
	const single = new Set<string>();
	const pairs = new Map<string, readonly [string, string]>();
	const cut = phrases.map((phrase) => wordsOf(phrase).map(({ text }) => plainWord(text)));
	for (const words of cut) for (const word of words) if (word.length > 6) single.add(word);
	for (const words of cut) {
		for (let i = 1; i < words.length; i++) {
			const joined = words[i - 1]! + words[i]!;
			if (words[i]!.length > 2 && words[i - 1]!.length > 2 && single.has(joined))
				pairs.set(joined, [words[i - 1]!, words[i]!]);
		}
	}
	return pairs;
}

/** For each stem the stems that keep its company, strongest first. */
function companyOf(
	stems: readonly (readonly number[])[],
	spread: readonly number[],
	count: number
): (readonly (readonly [number, number])[])[] {
	const isContext = spread.map((n) => n >= 2 && n <= SUBJECT_SHARE * count);
	const together = spread.map(() => new Map<number, number>());
	for (const own of stems) {
		for (const a of own)
			for (const b of own)
				if (a !== b && isContext[a] && isContext[b])
					together[a]!.set(b, (together[a]!.get(b) ?? 0) + 1);
	}
	const holders: [number, number][][] = spread.map(() => []);
	const lengths = spread.map(() => 0);
	together.forEach((others, a) => {
		for (const [b, n] of others) {
			const value = Math.log((n * count) / (spread[a]! * spread[b]!));
			if (value <= 0) continue;
			holders[b]!.push([a, value]);
			lengths[a]! += value * value;
		}
	});
	const sums = spread.map(() => new Map<number, number>());
	for (const list of holders) {
		if (list.length > 200) continue;
		for (const [a, x] of list)
			for (const [b, y] of list) if (a !== b) sums[a]!.set(b, (sums[a]!.get(b) ?? 0) + x * y);
	}
	return sums.map((of, a) =>
		// one shared neighbour makes any two words look alike, so both need some company
		together[a]!.size < 2 || spread[a]! < 3
			? []
			: [...of]
					.filter(([b]) => together[b]!.size >= 2 && spread[b]! >= 3)
					.map(([b, sum]) => [b, sum / Math.sqrt(lengths[a]! * lengths[b]!)] as const)
					.filter(([, likeness]) => likeness >= COMPANY_LEAST)
					.sort((x, y) => y[1] - x[1] || x[0] - y[0])
					.slice(0, COMPANY_MOST)
	);
}
