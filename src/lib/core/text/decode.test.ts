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

	it('believes the sender before the page, and both before its own guess', () => {
		const page = new TextEncoder().encode('<meta charset="utf-8"><p>');
		const japanese = bytes(...page, 0x90, 0xce, 0x8a, 0x5f);
		expect(decodeBytes(japanese, 'Shift_JIS')).toMatchObject({
			text: '<meta charset="utf-8"><p>石垣',
			encoding: 'shift_jis'
		});
		expect(decodeBytes(bytes(0x63, 0xe9), 'no-such-charset')).toMatchObject({ text: 'cé' });
	});

	it('loses one damaged byte and not the page, where a charset is named or seen to be there', () => {
		const text = `<p>${'Grüße aus dem Steinbruch, sagt er. '.repeat(40)}</p>`;
		const whole = new TextEncoder().encode(text);
		const damaged = whole.slice();
		damaged[whole.length - 20] = 0xff;
		const read = decodeBytes(damaged);
		expect(read).toMatchObject({ kind: 'text', encoding: 'utf-8' });
		expect(read.kind === 'text' && read.text).toContain('Grüße aus dem Steinbruch');
	});

	it('takes damaged UTF-8 for no Latin-1, whatever the page says', () => {
		const said = '<meta charset="iso-8859-1">';
		const whole = new TextEncoder().encode(`${said}${'Grüße aus dem Steinbruch. '.repeat(20)}`);
		const damaged = bytes(...whole.slice(0, 200), 0xff, 0xc3, ...whole.slice(200));
		const read = decodeBytes(damaged);
		expect(read).toMatchObject({ encoding: 'utf-8' });
		expect(read.kind === 'text' && read.text).toContain('Grüße aus dem Steinbruch');
		// and Latin-1 stays what it is
		const western = bytes(
			...[...`${said}${'Grüße. '.repeat(20)}`].map((sign) => sign.charCodeAt(0))
		);
		expect(decodeBytes(western)).toMatchObject({ encoding: 'iso-8859-1' });
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
