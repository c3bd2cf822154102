import { guessCharset } from './guess-charset';

/** What came of reading a file's bytes as text. */
export type DecodeResult =
	| { readonly kind: 'text'; readonly text: string; readonly encoding: string }
	| { readonly kind: 'binary'; readonly looksLike: string };

const SIGNATURES: readonly (readonly [readonly number[], string])[] = [
	[[0x50, 0x4b, 0x03, 0x04], 'a zip or office file'],
	[[0x25, 0x50, 0x44, 0x46], 'a PDF'],
	[[0x89, 0x50, 0x4e, 0x47], 'a PNG picture'],
	[[0xff, 0xd8, 0xff], 'a JPEG picture'],
	[[0x47, 0x49, 0x46, 0x38], 'a GIF picture'],
	[[0x1f, 0x8b], 'a compressed file'],
	[[0xd0, 0xcf, 0x11, 0xe0], 'an old office file'],
	[[0x7f, 0x45, 0x4c, 0x46], 'a program']
];

/**
 * Reads bytes as text: by byte order mark, else as UTF-16 when every other byte is zero, else as
 * UTF-8 when that is valid and more than ASCII, else by the charset that came with them or that a
 * page names in its first 2,048 bytes, else by what the bytes look like (`guess-charset.ts`), else
 * Windows-1252. Bytes that are invalid in what is otherwise UTF-8 become U+FFFD.
 *
 * @param charset named by the sender, as in a header of HTTP; empty when none was
 */
export function decodeBytes(bytes: Uint8Array, charset = ''): DecodeResult {
	for (const [signature, looksLike] of SIGNATURES) {
		if (signature.every((byte, i) => bytes[i] === byte)) return { kind: 'binary', looksLike };
	}
	const as = (encoding: string, text: string): DecodeResult => ({ kind: 'text', text, encoding });
	const marked = byMark(bytes);
	// what a mark names is read even where a few bytes are damaged: one odd byte must not cost the file
	if (marked) return as(marked, decodeLoosely(bytes, marked));
	const head = bytes.subarray(0, 4096);
	const wide = wideWithoutMark(head);
	if (wide) return as(wide, decodeLoosely(bytes, wide));
	if (isNoText(head)) return { kind: 'binary', looksLike: 'no text' };
	const sent =
		charset
			.trim()
			.toLowerCase()
			.replace(/^utf-?16$/, '') || null;
	const named = charsetNamedIn(head);
	const told = [sent, named].filter((encoding) => encoding !== null);
	const utf8 = decode(bytes, 'utf-8');
	// servers say Latin-1 of everything; what is valid as UTF-8 and more than ASCII hardly ever is
	if (utf8 !== null && (told.every((one) => WESTERN.test(one)) || told.includes('utf-8')))
		return as('utf-8', utf8);
	// nor does a damaged byte make Latin-1 of a page in UTF-8 that is said to be that
	const mostly = told.every((one) => WESTERN.test(one)) ? decodeDamaged(bytes, 8, 10) : null;
	if (mostly !== null) return as('utf-8', mostly);
	for (const read of [decode, decodeAlmost])
		for (const encoding of told) {
			const text = read(bytes, encoding);
			if (text !== null) return as(encoding, text);
		}
	const damaged = utf8 ?? decodeDamaged(bytes);
	if (damaged !== null) return as('utf-8', damaged);
	const guessed = guessCharset(bytes.subarray(0, SAMPLE));
	if (guessed !== null) return as(guessed, decodeLoosely(bytes, guessed));
	return as('windows-1252', withWesternSigns(decodeLoosely(bytes, 'windows-1252')));
}

/** Bytes that are looked at to guess a charset that nobody named. */
const SAMPLE = 65_536;

/** Control signs and zeros of which text has hardly any. */
function isNoText(head: Uint8Array): boolean {
	let control = 0;
	for (const byte of head)
		if (
			byte < 0x20 &&
			byte !== 0x09 &&
			byte !== 0x0a &&
			byte !== 0x0c &&
			byte !== 0x0d &&
			byte !== 0x1b
		)
			control++;
	return control > 0.02 * head.length;
}

/**
 * As UTF-8 where more of what is beyond ASCII is valid than not; null where it is not UTF-8.
 *
 * @param least signs beyond ASCII that it takes
 * @param times how many of them are valid for each that is not
 */
function decodeDamaged(bytes: Uint8Array, least = 2, times = 2): string | null {
	const text = decodeLoosely(bytes, 'utf-8');
	const valid = text.match(/[\u0080-\ufffc]/g)?.length ?? 0;
	const lost = text.match(/\ufffd/g)?.length ?? 0;
	return valid >= least && valid >= times * lost ? text : null;
}

/** Text in which at most one sign in 500 could not be read: a damaged byte must not cost the page. */
function decodeAlmost(bytes: Uint8Array, encoding: string): string | null {
	try {
		const text = decodeLoosely(bytes, encoding);
		const lost = text.match(/\ufffd/g)?.length ?? 0;
		// a few accents in a Western file are not damage, so UTF-8 has to be seen to be there
		const isThere = encoding !== 'utf-8' || /[\u0080-\ufffc]/.test(text);
		return isThere && lost * 500 <= text.length ? text : null;
	} catch {
		return null;
	}
}

function byMark(bytes: Uint8Array): string | null {
	if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return 'utf-8';
	if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
	if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
	return null;
}

/** UTF-16 that lost its mark shows as text with a zero in every other byte. */
function wideWithoutMark(head: Uint8Array): string | null {
	if (head.length < 8) return null;
	const zeros = [0, 0];
	for (let i = 0; i < head.length; i++) if (head[i] === 0) zeros[i % 2]!++;
	const half = head.length / 2;
	if (zeros[1]! > 0.7 * half && zeros[0]! < 0.02 * half) return 'utf-16le';
	if (zeros[0]! > 0.7 * half && zeros[1]! < 0.02 * half) return 'utf-16be';
	return null;
}

function charsetNamedIn(head: Uint8Array): string | null {
	let ascii = '';
	for (const byte of head.subarray(0, 2048)) ascii += String.fromCharCode(byte);
	const match = /<meta[^>]{0,200}charset\s*=\s*["']?\s*([a-z0-9_-]{2,24})/i.exec(ascii);
	const name = match?.[1]?.toLowerCase() ?? null;
	// a page that names UTF-16 in ASCII is not UTF-16
	return name !== null && name.startsWith('utf-16') ? 'utf-8' : name;
}

function decode(bytes: Uint8Array, encoding: string): string | null {
	try {
		const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
		return WESTERN.test(encoding) ? withWesternSigns(text) : text;
	} catch {
		return null;
	}
}

function decodeLoosely(bytes: Uint8Array, encoding: string): string {
	return new TextDecoder(encoding).decode(bytes);
}

/** Labels that all mean Windows-1252 on the web. */
const WESTERN = /^(?:windows-1252|cp-?1252|iso-?8859-?1|latin-?1|us-ascii|ascii)$/i;

/** What 0x80–0x9F are in Windows-1252; some platforms' decoders leave them as control signs. */
export const WESTERN_SIGNS = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

function withWesternSigns(text: string): string {
	return text.replace(/[\u0080-\u009f]/g, (sign) => WESTERN_SIGNS[sign.charCodeAt(0) - 0x80]!);
}
