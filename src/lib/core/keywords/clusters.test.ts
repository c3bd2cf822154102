import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { decodeBytes } from '../text';
import { clusterPhrases, type Cluster, type ClusterInput } from './clusters';
import { intentOf } from './intent';
import { readKeywordList, runThrough } from './read-keywords';

const input = (phrase: string, values: Partial<ClusterInput> = {}): ClusterInput => ({
	key: phrase,
	phrase,
	volume: null,
	volumeMin: null,
	volumeMax: null,
	...intentOf(phrase),
	addresses: null,
	given: '',
	...values
});
const cluster = (inputs: readonly ClusterInput[]) => runThrough(clusterPhrases(inputs));
const of = (clusters: readonly Cluster[], key: string) =>
	clusters.find(({ members }) => members.includes(key))!;

const demo = ['walling-phrases.csv', 'garden-walls-planner.tsv'].flatMap((name) => {
	const bytes = readFileSync(new URL(`../../../../demo/keywords/${name}`, import.meta.url));
	const decoded = decodeBytes(bytes);
	const read = decoded.kind === 'text' ? runThrough(readKeywordList(decoded.text)) : null;
	if (read?.kind !== 'read') throw new Error(name);
	expect(read.list.rejected).toEqual([]);
	return read.list.rows;
});
const unique = [...new Map(demo.map((row) => [row.phrase, row])).values()];
const demoInput = unique.map((row) =>
	input(row.phrase, { volume: row.volume, volumeMin: row.volumeMin, volumeMax: row.volumeMax })
);
const found = cluster(demoInput);
const together = (...phrases: string[]) =>
	new Set(phrases.map((phrase) => of(found, phrase).id)).size === 1;

describe('the demo’s lists', () => {
	it('hold more than 150 phrases each and come in whole', () => {
		expect(unique.length).toBeGreaterThan(300);
		expect(found.flatMap(({ members }) => members).sort()).toEqual(
			unique.map(({ phrase }) => phrase).sort()
		);
	});

	it.each([
		[
			'dry stone wall cost',
			'how much does a dry stone wall cost',
			'dry stone wall price per square metre'
		],
		['how to repair a dry stone wall', 'dry stone wall repair', 'dry stone wall repair cost'],
		['repair gap in dry stone wall', 'repairing a gap in a dry stone wall'],
		[
			'how long does a dry stone wall last',
			'how long do dry stone walls last',
			'dry stone wall lifespan'
		],
		['batter frame', 'how to make a batter frame', 'batter frame for dry stone wall'],
		['how to build a dry stone wall', 'building a dry stone wall', 'dry stone wall construction'],
		['what is hearting in a dry stone wall', 'dry stone wall hearting'],
		['rockery', 'how to build a rockery', 'rockery plants'],
		['drystone wall', 'dry stone walls', 'dry stone wall']
	])('put “%s” and its like together', (...phrases) => {
		expect(together(...phrases)).toBe(true);
	});

	it.each([
		['dry stone wall cost', 'garden wall cost'],
		['dry stone wall cost', 'dry stone wall repair'],
		['how to build a dry stone wall', 'how to build a garden wall'],
		['dry stone walling course', 'dry stone walling tools'],
		['wheelbarrow', 'mattock']
	])('keep “%s” and “%s” apart', (...phrases) => {
		expect(together(...phrases)).toBe(false);
	});

	it('have a head, a name of their own, an intent and a sum of volumes', () => {
		const cost = of(found, 'dry stone wall cost');
		expect(cost.intent).toBe('commercial');
		expect(cost.cues).toContain('cost');
		expect(cost.volumeMin).toBeGreaterThan(1000);
		expect(new Set(found.map(({ name }) => name)).size).toBe(found.length);
	});

	it('do not depend on the order of the lists', () => {
		fc.assert(
			fc.property(fc.shuffledSubarray(demoInput, { minLength: demoInput.length }), (shuffled) => {
				expect(cluster(shuffled)).toEqual(found);
			}),
			{ numRuns: 4 }
		);
	});
});

describe('clusterPhrases', () => {
	const addresses = (...sites: number[]) => sites.map((n) => `https://site-${n}.example/`);

	it('lets shared results decide where they are known', () => {
		const clusters = cluster([
			input('wall footings', { addresses: addresses(1, 2, 3, 4, 5) }),
			input('base of a rampart', { addresses: addresses(1, 2, 3, 8, 9) }),
			input('wall footings depth', { addresses: addresses(11, 12, 13, 14, 15) })
		]);
		expect(of(clusters, 'base of a rampart')).toBe(of(clusters, 'wall footings'));
		expect(of(clusters, 'wall footings').by).toBe('results');
		expect(of(clusters, 'wall footings depth')).not.toBe(of(clusters, 'wall footings'));
	});

	it('keeps what was given by hand, and its name', () => {
		const clusters = cluster([
			input('wall cost', { given: 'money' }),
			input('hedge height', { given: 'money' }),
			input('wall cost per metre')
		]);
		expect(of(clusters, 'wall cost')).toMatchObject({ name: 'money', by: 'hand' });
		expect(of(clusters, 'hedge height').name).toBe('money');
	});

	it('gives every phrase exactly one cluster, whatever comes', () => {
		const word = fc.constantFrom(
			'wall',
			'stone',
			'cost',
			'the',
			'how',
			'to',
			'vs',
			'2023',
			'石',
			'dry-stone',
			'?'
		);
		fc.assert(
			fc.property(
				fc.uniqueArray(
					fc.array(word, { maxLength: 6 }).map((words) => words.join(' ')),
					{ maxLength: 40 }
				),
				(phrases) => {
					const clusters = cluster(phrases.map((phrase) => input(phrase)));
					expect(clusters.flatMap(({ members }) => members).sort()).toEqual([...phrases].sort());
				}
			),
			{ numRuns: 150 }
		);
	});

	it('has nothing to say of no phrases', () => {
		expect(cluster([])).toEqual([]);
	});
});
