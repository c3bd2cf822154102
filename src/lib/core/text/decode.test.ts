import { describe, expect, it } from 'vitest';
import { decodeBytes } from './decode';

describe('decodeBytes', () => {
	const bytes = (...values: number[]) => Uint8Array.from(values);

	it('reads UTF-8, UTF-16 with a mark, named charsets and Windows-1252', () => {
		expect(decodeBytes(new TextEncoder().encode('naïve'))).toMatchObject({
			text: 'naïve',
			encoding: 'utf-8'
		});
		expect(decodeBytes(bytes(0xff, 0xfe, 0x41, 0, 0x42, 0))).toMatchObject({
			text: 'AB',
			encoding: 'utf-16le'
		});
		const named = new TextEncoder().encode('<meta charset="iso-8859-1">');
		expect(decodeBytes(bytes(...named, 0xe9))).toMatchObject({
			text: '<meta charset="iso-8859-1">é'
		});
		expect(decodeBytes(bytes(0x63, 0x61, 0x66, 0xe9))).toMatchObject({
			text: 'café',
			encoding: 'windows-1252'
		});
	});

	it('tells binaries from text', () => {
		expect(decodeBytes(bytes(0x89, 0x50, 0x4e, 0x47, 1, 2))).toEqual({
			kind: 'binary',
			looksLike: 'a PNG picture'
		});
		expect(
			decodeBytes(Uint8Array.from({ length: 500 }, (_, i) => (i % 3 === 0 ? 0 : i % 256))).kind
		).toBe('binary');
	});
});
