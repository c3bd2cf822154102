// Makes src/lib/workers/stem-vectors.bin from GloVe vectors and WordNet (docs/METHODS.md, "Stem vectors").
// By hand, with the two packages unpacked: npx tsx scripts/stem-vectors.ts VECTORS.json WORDNET/dict OUT.bin
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { isStopWord, stemOf } from '../src/lib/core/text';
import { takeOffCommon, toUnit } from './vectors/matrix';
import { WordNet } from './vectors/wordnet';

const [source, dictionary, out] = process.argv.slice(2);
if (!source || !dictionary || !out)
	throw new Error('VECTORS.json, WORDNET/dict and OUT.bin are wanted');

const DIMS = 100;
/** Most frequent words that are read, and stems that are kept. */
const READ = 120_000;
const KEPT = 25_000;
/** Weight of a word's own vector beside its relations, rounds, and most weight of the relations together. */
const OWN = 2;
const ROUNDS = 8;
const MOST_RELATED = 3;
/** Words among the most frequent that say too little in a definition. */
const TOO_COMMON = 300;

const wordNet = new WordNet(dictionary);

const { vectors } = JSON.parse(readFileSync(source, 'utf8')) as {
	vectors: Record<string, number[]>;
};
// behind the values stands the rank by frequency
const byFrequency = Object.entries(vectors).sort((a, b) => a[1][DIMS + 1]! - b[1][DIMS + 1]!);
const rankOf = new Map(byFrequency.map(([word], i) => [word, i]));
let harmonic = 0;
for (let rank = 1; rank <= byFrequency.length; rank++) harmonic += 1 / (rank + 2.7);
/** Probability of a word by its rank (Zipf and Mandelbrot), and what a word of that rank says. */
const probability = (rank: number) => 1 / (rank + 3.7) / harmonic;
const rarity = (rank: number) => 1e-3 / (1e-3 + probability(rank));

const all = new Float64Array(READ * DIMS);
for (let i = 0; i < READ; i++)
	for (let k = 0; k < DIMS; k++) all[i * DIMS + k] = byFrequency[i]![1][k]!;
takeOffCommon(all, DIMS, { count: READ, top: 50_000, directions: 3 });

const words = byFrequency
	.slice(0, READ)
	.map(([word]) => word)
	.filter((word) => /^[a-z]{2,}$/.test(word) && wordNet.lemmasOf(word).length > 0);
const own = new Float64Array(words.length * DIMS);
words.forEach((word, i) => {
	const start = rankOf.get(word)! * DIMS;
	own.set(all.subarray(start, start + DIMS), i * DIMS);
});

const drawn = drawTogether(own, relationsOf());
takeOffCommon(drawn, DIMS, {
	count: words.length,
	top: Math.min(words.length, 50_000),
	directions: 1
});
const packed = pack(drawn);
writeFileSync(out, packed);
const hash = createHash('sha256').update(packed).digest('hex');
console.log(`${words.length} words, ${packed.length} bytes, sha256 ${hash}`);

/** For each word those that mean the same or stand near it in WordNet, with weights. */
function relationsOf(): Map<number, number>[] {
	const at = new Map(words.map((word, i) => [word, i]));
	const relations: Map<number, number>[] = words.map(() => new Map());
	const put = (a: number, b: number, weight: number) => {
		if ((relations[a]!.get(b) ?? 0) < weight) relations[a]!.set(b, weight);
	};
	const relate = (a: number, other: string, weight: number) => {
		const b = at.get(other);
		if (b === undefined || a === b || weight <= 0) return;
		put(a, b, weight);
		put(b, a, weight / 2);
	};
	for (const [word, i] of at) {
		const lemmas = wordNet.lemmasOf(word);
		for (const lemma of lemmas) if (lemma !== word) relate(i, lemma, 1);
		for (const lemma of lemmas.slice(0, 2)) {
			const ids = (wordNet.meaningsOf.get(lemma) ?? []).slice(0, 3);
			ids.forEach((id, order) => {
				const weight = [1, 0.5, 0.3][order]! * (lemma === word ? 1 : 0.5);
				relateMeaning(id, weight, (other, of) => relate(i, other, of));
			});
		}
	}
	return relations;
}

function relateMeaning(
	id: string,
	weight: number,
	relate: (word: string, weight: number) => void
): void {
	const { words: same, pointers, gloss } = wordNet.meanings.get(id)!;
	for (const word of same) relate(word, weight);
	for (const [relation, to] of pointers) {
		let nearness = nearnessOf(relation);
		if (nearness === 0) continue;
		const other = wordNet.meanings.get(to)!;
		// what stands over many things says little of each
		if (other.pointers.length > 60) nearness *= 0.3;
		if (relation === '~') nearness /= Math.max(1, pointers.length / 6);
		for (const word of other.words.slice(0, 3)) relate(word, nearness * weight);
	}
	for (const word of new Set(gloss.toLowerCase().match(/[a-z]+/g) ?? [])) {
		const rank = rankOf.get(word);
		if (rank !== undefined && rank > TOO_COMMON && word.length > 2 && !isStopWord(word))
			relate(word, 0.5 * weight * rarity(rank));
	}
}

/** How near a relation of WordNet brings two words: derived from, like, kind of; antonyms not at all. */
function nearnessOf(relation: string): number {
	if (relation === '+') return 1;
	if ('&^$'.includes(relation)) return 0.7;
	return ['@', '~', '*', '>'].includes(relation) ? 0.5 : 0;
}

/** Draws related words towards each other, each keeping its own place (Faruqui and others 2015). */
function drawTogether(own: Float64Array, relations: readonly Map<number, number>[]): Float64Array {
	let rows = own.slice();
	for (let round = 0; round < ROUNDS; round++) {
		const next = new Float64Array(own.length);
		relations.forEach((related, i) => {
			let sum = 0;
			for (const weight of related.values()) sum += weight;
			const share = sum > MOST_RELATED ? MOST_RELATED / sum : 1;
			const start = i * DIMS;
			for (let k = 0; k < DIMS; k++) next[start + k] = OWN * own[start + k]!;
			for (const [j, weight] of related)
				for (let k = 0; k < DIMS; k++) next[start + k]! += weight * share * rows[j * DIMS + k]!;
			toUnit(next, start, DIMS);
		});
		rows = next;
	}
	return rows;
}

/** One row a stem, the most frequent first, four bits a value; see `readStemVectors`. */
function pack(rows: Float64Array): Uint8Array {
	const groups = new Map<string, number[]>();
	words.forEach((word, i) => {
		if (wordNet.isNameAlone(word)) return;
		const stem = stemOf(word);
		const group = groups.get(stem);
		if (group) group.push(i);
		else groups.set(stem, [i]);
	});
	const stems = [...groups.keys()].slice(0, KEPT);
	const values = new Uint8Array((stems.length * DIMS) / 2);
	stems.forEach((stem, row) => {
		const sum = new Float64Array(DIMS);
		for (const i of groups.get(stem)!) {
			const weight = Math.sqrt(probability(rankOf.get(words[i]!)!));
			for (let k = 0; k < DIMS; k++) sum[k]! += weight * rows[i * DIMS + k]!;
		}
		const most = Math.max(...sum.map(Math.abs)) || 1;
		for (let k = 0; k < DIMS; k++) {
			const value = Math.round((sum[k]! / most) * 7) + 8;
			values[(row * DIMS + k) >> 1]! |= k & 1 ? value << 4 : value;
		}
	});
	const keys = new TextEncoder().encode(stems.join('\n'));
	const bytes = new Uint8Array(20 + keys.length + values.length);
	const view = new DataView(bytes.buffer);
	bytes.set(new TextEncoder().encode('SEM1'));
	[stems.length, DIMS, 4, keys.length].forEach((number, i) =>
		view.setUint32(4 + 4 * i, number, true)
	);
	bytes.set(keys, 20);
	bytes.set(values, 20 + keys.length);
	return bytes;
}
