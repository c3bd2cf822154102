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

	it('reads UTF-16 that lost its mark, and a marked file with an odd byte at its end', () => {
		const wide = (text: string) => [...text].flatMap((letter) => [letter.charCodeAt(0), 0]);
		expect(decodeBytes(Uint8Array.from(wide('wall,1300\n')))).toMatchObject({
			text: 'wall,1300\n',
			encoding: 'utf-16le'
		});
		const odd = decodeBytes(Uint8Array.from([0xff, 0xfe, ...wide('wall'), 0x41]));
		expect(odd.kind === 'text' && odd.text.startsWith('wall')).toBe(true);
	});

	it('knows the signs of Windows-1252, whatever the platform decodes', () => {
		expect(decodeBytes(Uint8Array.from([0x31, 0x80, 0x93, 0x94, 0x96]))).toMatchObject({
			text: '1€“”–'
		});
	});
});
