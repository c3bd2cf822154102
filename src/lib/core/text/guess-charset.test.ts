import { describe, expect, it } from 'vitest';
import { decodeBytes } from './decode';
import { guessCharset } from './guess-charset';

const bytesOf = (hex: string) =>
	Uint8Array.from(hex.match(/../g)!.map((pair) => Number.parseInt(pair, 16)));

/** One sentence about walls in each script, and its bytes. */
const SENTENCES: readonly (readonly [charset: string, text: string, hex: string])[] = [
	[
		'shift_jis',
		'石垣は大きな石から積みはじめ、すき間に小さな石をつめていく。',
		'90ce8a5f82cd91e582ab82c890ce82a982e790cf82dd82cd82b682df814182b782ab8ad482c98fac82b382c890ce82f082c282df82c482a282ad8142'
	],
	[
		'euc-jp',
		'石垣は大きな石から積みはじめ、すき間に小さな石をつめていく。',
		'c0d0b3c0a4cfc2e7a4ada4cac0d0a4aba4e9c0d1a4dfa4cfa4b8a4e1a1a2a4b9a4adb4d6a4cbbeaea4b5a4cac0d0a4f2a4c4a4e1a4c6a4a4a4afa1a3'
	],
	[
		'euc-kr',
		'돌담은 큰 돌부터 쌓고 틈에 작은 돌을 채워 넣는다.',
		'b5b9b4e3c0ba20c5ab20b5b9bacec5cd20bdd7b0ed20c6b4bfa120c0dbc0ba20b5b9c0bb20c3a4bff620b3d6b4c2b4d92e'
	],
	[
		'gb18030',
		'干砌石墙先放大的石头，然后在中间填上小的石头，这样墙就不会倒。',
		'b8c9c6f6caafc7bdcfc8b7c5b4f3b5c4caafcdb7a3acc8bbbaf3d4dad6d0bce4cceec9cfd0a1b5c4caafcdb7a3acd5e2d1f9c7bdbecdb2bbbbe1b5b9a1a3'
	],
	[
		'big5',
		'乾砌石牆先放大的石頭，然後在中間填上小的石頭，這樣牆就不會倒。',
		'b0aeace4a5dbc0f0a5fda9f1a46aaabaa5dbc059a141b54dabe1a662a4a4b6a1b6f1a457a470aabaa5dbc059a141b36fbccbc0f0b44ea4a3b77cadcba143'
	],
	[
		'koi8-r',
		'Стену сухой кладки начинают с самых больших камней, а щели заполняют мелкими.',
		'f3d4c5ced520d3d5c8cfca20cbccc1c4cbc920cec1dec9cec1c0d420d320d3c1cdd9c820c2cfccd8dbc9c820cbc1cdcec5ca2c20c120ddc5ccc920dac1d0cfccced1c0d420cdc5cccbc9cdc92e'
	],
	[
		'windows-1251',
		'Стену сухой кладки начинают с самых больших камней, а щели заполняют мелкими.',
		'd1f2e5edf320f1f3f5eee920eaebe0e4eae820ede0f7e8ede0fef220f120f1e0ecfbf520e1eeebfcf8e8f520eae0ecede5e92c20e020f9e5ebe820e7e0efeeebedfffef220ece5ebeae8ece82e'
	]
];

describe('guessCharset', () => {
	it.each(SENTENCES)('reads undeclared %s', (charset, text, hex) => {
		const read = decodeBytes(bytesOf(hex));
		expect(read).toMatchObject({ kind: 'text', text, encoding: charset });
	});

	it.each(SENTENCES)('reads %s inside markup, cut anywhere', (charset, _, hex) => {
		const markup = new TextEncoder().encode('<p class="text">');
		const bytes = Uint8Array.from([...markup, ...bytesOf(hex)]);
		for (const cut of [0, 1, 2])
			expect(guessCharset(bytes.subarray(0, bytes.length - cut))).toBe(charset);
	});

	it('leaves Western texts alone, those with many accents and quotes too', () => {
		const western = (text: string) =>
			Uint8Array.from([...text].map((sign) => (sign === '’' ? 0x92 : sign.charCodeAt(0))));
		for (const text of [
			'L’été où les maçons ont élevé le mur, ça a duré des années à Nîmes.',
			'Grüße aus dem Steinbruch: größere Blöcke außen, kleinere für die Füllung.',
			'Överst läggs täckstenarna, där får ingen jord ligga på åsen.'
		])
			expect(decodeBytes(western(text))).toMatchObject({ text, encoding: 'windows-1252' });
	});

	it('takes valid UTF-8 before a header that says Latin-1, and marks damage as damage', () => {
		const utf8 = new TextEncoder().encode('Ein Maß für die Mauer: größer als die Füße.');
		expect(decodeBytes(utf8, 'iso-8859-1')).toMatchObject({ encoding: 'utf-8' });
		const damaged = Uint8Array.from([...utf8, 0xff, 0x20, 0xfe]);
		const read = decodeBytes(damaged);
		expect(read.kind === 'text' && read.text.endsWith('größer als die Füße.\ufffd \ufffd')).toBe(
			true
		);
	});

	it('refuses random bytes as no text', () => {
		let state = 1;
		const random = Uint8Array.from({ length: 6000 }, () => {
			state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
			return state >>> 24;
		});
		expect(decodeBytes(random).kind).toBe('binary');
	});
});
