import { describe, expect, it } from 'vitest';
import {
	CHARSETS,
	hasForeignLetters,
	lettersLookOf,
	readOtherwise,
	sampleOf,
	wordLikenessOf
} from './letters';

const asWestern = (text: string) =>
	new TextDecoder('windows-1252').decode(new TextEncoder().encode(text));
const bytesOf = (hex: string) =>
	Uint8Array.from(hex.match(/../g)!.map((pair) => Number.parseInt(pair, 16)));
const readAs = (hex: string, charset: string) => new TextDecoder(charset).decode(bytesOf(hex));

const FRENCH =
	'Le mur en pierre sèche se bâtit sans mortier ; la dernière assise protège l’ouvrage. ';
/** "Стену сухой кладки" in KOI8-R. */
const KOI = 'f3d4c5ced520d3d5c8cfca20cbccc1c4cbc9';
/** "石垣は大きな石から" in Shift_JIS, of which second bytes are ASCII. */
const SJIS = '90ce8a5f82cd91e582ab82c890ce82a982e7';

describe('how letters look', () => {
	it('is right for languages with many accents, for signs and for plain text', () => {
		for (const text of [
			FRENCH.repeat(5),
			'Tường đá khô được xây không cần vữa, đá lớn đặt ở dưới cùng. '.repeat(8),
			'A wall – 1.2 m, £40 a metre – “dry”, ½ full. '.repeat(20),
			'Ärger über Öfen: Mauern ohne Mörtel. '.repeat(10)
		])
			expect(lettersLookOf(text), text.slice(0, 30)).toBe('right');
	});

	it('tells UTF-8 read as Western, another script read as Western, and what is lost', () => {
		expect(lettersLookOf(asWestern(FRENCH.repeat(3)))).toBe('read wrongly');
		expect(lettersLookOf(readAs(KOI, 'windows-1252').repeat(5))).toBe('read wrongly');
		expect(lettersLookOf('Le mur en pierre s\ufffdche se b\ufffdtit, derni\ufffdre. ')).toBe(
			'lost'
		);
	});
});

describe('reading otherwise', () => {
	it('undoes UTF-8 read as Western, and leaves what was right beside it', () => {
		const mixed = `${asWestern(FRENCH)} 木 <p title="é">${asWestern('naïve')}</p>`;
		expect(readOtherwise(mixed, 'utf-8')).toBe(`${FRENCH} 木 <p title="é">naïve</p>`);
	});

	it('reads another script from what was read as Western or as another Cyrillic charset', () => {
		expect(readOtherwise(readAs(KOI, 'windows-1252'), 'koi8-r')).toBe('Стену сухой кладки');
		expect(readOtherwise(readAs(KOI, 'windows-1251'), 'koi8-r')).toBe('Стену сухой кладки');
		expect(readOtherwise(readAs(SJIS, 'windows-1252'), 'shift_jis')).toBe('石垣は大きな石から');
	});

	it('changes nothing of plain ASCII, and gives every charset a reading of what is not', () => {
		expect(readOtherwise('plain', 'koi8-r')).toBeNull();
		for (const { label } of CHARSETS)
			expect(readOtherwise('<p>b\u00e2tit</p>', label)).toContain('<p>b');
	});

	it('offers it where there is something to read otherwise', () => {
		expect(hasForeignLetters('A wall – £40, “dry”')).toBe(false);
		expect(hasForeignLetters('bâtit')).toBe(true);
		const source = `<html><body><script>var é</script><p>${'Plain words first. '.repeat(9)}</p><p>Le mur se bâtit sans mortier.</p>`;
		expect(sampleOf(source)).toContain('bâtit');
	});

	it('has readings that look like words, and others', () => {
		const read = CHARSETS.flatMap(({ label }) => {
			const text = readOtherwise(readAs(KOI, 'windows-1252'), label);
			return text === null ? [] : [{ label, value: wordLikenessOf(text) }];
		}).sort((a, b) => b.value - a.value);
		expect(read[0]).toEqual({ label: 'koi8-r', value: 1 });
		expect(wordLikenessOf(readAs(KOI, 'windows-1251'))).toBeLessThan(0.5);
		expect(wordLikenessOf('石垣は大きな石から')).toBe(1);
		expect(wordLikenessOf('ﾐｲﾁ石')).toBeLessThan(0.5);
		expect(wordLikenessOf('Le mur se bâtit')).toBe(1);
		expect(wordLikenessOf('')).toBe(0);
	});
});
