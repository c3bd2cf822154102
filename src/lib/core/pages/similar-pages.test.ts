import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alikePagesOf, isSamePage, likenessOf, sketchOf } from './similar-pages';
import { readText } from './read-text';

const sentence = (i: number) =>
	`Sentence ${i} speaks of stone ${i * 7} and of wall ${i * 13} near field ${i * 3}.`;
const text = (from: number, to: number) =>
	Array.from({ length: to - from }, (_, i) => sentence(from + i)).join('\n\n');
const sketch = (source: string) => sketchOf(readText(source));

describe('likeness of pages', () => {
	it('is 1 for the same text, 0 for another, and near the share that is common', () => {
		const [a, b, c] = [sketch(text(0, 100)), sketch(text(500, 600)), sketch(text(20, 120))];
		expect(likenessOf(a, a)).toBe(1);
		expect(likenessOf(a, b)).toBeLessThan(0.05);
		// 80 of 120 sentences are shared
		expect(likenessOf(a, c)).toBeGreaterThan(0.5);
		expect(likenessOf(a, c)).toBeLessThan(0.8);
	});

	it('is the same both ways and between 0 and 1', () => {
		const part = fc
			.tuple(fc.nat(40), fc.nat(60))
			.map(([from, length]) => sketch(text(from, from + length)));
		fc.assert(
			fc.property(part, part, (a, b) => {
				const likeness = likenessOf(a, b);
				expect(likeness).toBe(likenessOf(b, a));
				expect(likeness).toBeGreaterThanOrEqual(0);
				expect(likeness).toBeLessThanOrEqual(1);
			}),
			{ numRuns: 40 }
		);
	});

	it('names the earlier page that a later one repeats', () => {
		const page = (id: string, source: string) => ({ id, address: '', sketch: sketch(source) });
		const found = alikePagesOf([
			page('a', text(0, 60)),
			page('b', text(200, 260)),
			page('c', `${text(0, 58)}\n\nAn ending of its own.`)
		]);
		expect([...found.keys()]).toEqual(['c']);
		expect(found.get('c')).toMatchObject({ id: 'a' });
		expect(found.get('c')!.likeness).toBeGreaterThan(0.8);
	});
});

describe('isSamePage', () => {
	const page = (address: string, source = text(0, 40)) => ({ address, sketch: sketch(source) });

	it('goes by the address where both have one', () => {
		expect(
			isSamePage(
				page('https://walls.example/a'),
				page('http://www.walls.example/a/', 'Rewritten since.')
			)
		).toBe(true);
		expect(isSamePage(page('https://walls.example/a'), page('https://walls.example/b'))).toBe(
			false
		);
	});

	it('goes by the text where one has none', () => {
		expect(isSamePage(page(''), page('https://walls.example/a'))).toBe(true);
		expect(isSamePage(page(''), page('', text(300, 340)))).toBe(false);
		expect(isSamePage(page('', ''), page('', ''))).toBe(false);
	});
});
