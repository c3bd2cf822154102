import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { closenessOf, dotOf, rarityOf, readStemVectors, textVectorOf } from './stem-vectors';
import { stemOf } from './stems';

const BYTES = new Uint8Array(
	readFileSync(new URL('../../workers/stem-vectors.bin', import.meta.url))
);
const vectors = readStemVectors(BYTES);
const near = (a: string, b: string) =>
	closenessOf(vectors, vectors.rowOf(stemOf(a)), vectors.rowOf(stemOf(b)));

describe('the table of stem vectors', () => {
	it('is the one that its script makes', () => {
		expect(createHash('sha256').update(BYTES).digest('hex')).toMatch(/^c72871978d1309a7/);
		expect(vectors).toMatchObject({ size: 25_000, dims: 100 });
	});

	it('has words of one matter near each other, and a word nearest to itself', () => {
		expect(near('price', 'cost')).toBeGreaterThan(near('price', 'footing'));
		expect(near('wash', 'laundry')).toBeGreaterThan(near('wash', 'permission'));
		expect(near('wall', 'wall')).toBeCloseTo(1, 5);
		expect(closenessOf(vectors, vectors.rowOf('no such stem'), 3)).toBe(0);
	});

	it('weighs what everybody says less than what few do', () => {
		const weight = (word: string) => rarityOf(vectors, vectors.rowOf(stemOf(word)));
		expect(weight('year')).toBeLessThan(weight('mortar'));
		expect(rarityOf(vectors, -1)).toBe(1);
	});

	it('makes texts vectors of length one, or nothing of nothing known', () => {
		const of = (text: string) =>
			textVectorOf(
				vectors,
				text.split(' ').map((word) => [vectors.rowOf(stemOf(word)), 1] as const)
			);
		expect(dotOf(of('dog puppy'), of('dog puppy'))).toBeCloseTo(1, 5);
		expect([...of('qqqq')].every((value) => value === 0)).toBe(true);
	});

	it('is refused when it is cut off or something else', () => {
		expect(() => readStemVectors(BYTES.slice(0, 5000))).toThrow(RangeError);
		expect(() => readStemVectors(new TextEncoder().encode('<!doctype html><title>404'))).toThrow(
			/does not begin/
		);
		expect(() => readStemVectors(new Uint8Array())).toThrow(RangeError);
	});
});
