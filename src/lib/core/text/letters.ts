import { WESTERN_SIGNS } from './decode';

/** What the letters of a text look like: read wrongly, damaged for good, or neither. */
export type LettersLook = 'right' | 'read wrongly' | 'lost';

/** A way to read bytes, by its label in the Encoding Standard. */
export interface Charset {
	readonly label: string;
	/** As a person would ask for it. */
	readonly name: string;
}

/** What pages are written in that do not say so, the commonest first. */
export const CHARSETS: readonly Charset[] = [
	{ label: 'utf-8', name: 'UTF-8' },
	{ label: 'windows-1252', name: 'Western' },
	{ label: 'windows-1250', name: 'Central European' },
	{ label: 'windows-1251', name: 'Cyrillic (Windows)' },
	{ label: 'koi8-r', name: 'Cyrillic (KOI8)' },
	{ label: 'windows-1253', name: 'Greek' },
	{ label: 'windows-1254', name: 'Turkish' },
	{ label: 'windows-1257', name: 'Baltic' },
	{ label: 'shift_jis', name: 'Japanese (Shift JIS)' },
	{ label: 'euc-jp', name: 'Japanese (EUC)' },
	{ label: 'gb18030', name: 'Chinese, simplified' },
	{ label: 'big5', name: 'Chinese, traditional' },
	{ label: 'euc-kr', name: 'Korean' }
];

/** Charsets of one byte a sign, which can be undone: no byte is lost in them. */
const SINGLE = ['windows-1252', 'windows-1251', 'koi8-r', 'windows-1250', 'windows-1253'];

/** A lead byte of UTF-8 and what follows it, read as Windows-1252. */
const UTF8_AS_WESTERN = new RegExp(`[ÂÃÅÄÐÑâ][\\u0080-\\u00bf${WESTERN_SIGNS}]`, 'gu');

/**
 * Judges by three signs: U+FFFD stands for bytes that are lost; pairs such as "Ã©" are UTF-8 read as
 * Windows-1252; a text in Latin letters of which a third are beyond ASCII is in another script
 * (French and Vietnamese have 4% and 25%).
 */
export function lettersLookOf(text: string): LettersLook {
	const lost = text.match(/\ufffd/g)?.length ?? 0;
	if (lost >= 3 && lost * 500 >= text.length) return 'lost';
	const pairs = text.match(UTF8_AS_WESTERN)?.length ?? 0;
	if (pairs >= 3 && pairs * 2_000 >= text.length) return 'read wrongly';
	const latin = text.match(/[A-Za-z]/g)?.length ?? 0;
	const beyond = text.match(/[\u00c0-\u00ff]/g)?.length ?? 0;
	return beyond >= 20 && beyond > 0.33 * (latin + beyond) ? 'read wrongly' : 'right';
}

/** Whether there is anything in a text that another charset could show otherwise. */
export function hasForeignLetters(text: string): boolean {
	return /[\u0080-\u{10ffff}]/u.test(text.replace(/[\u00a0\u2010-\u2026\u20ac£©®°·×½]/g, ''));
}

/**
 * Reads a text again that was read in the wrong charset: its signs are turned back into the bytes
 * they came from, and those are read as `charset`. Signs that cannot have been such bytes (the
 * page's own entities, say) stay as they are.
 *
 * @param charset a label of the Encoding Standard
 * @returns null where the text cannot have come from bytes of one sign each
 */
export function readOtherwise(text: string, charset: string): string | null {
	const bytesBySign = tableOf(wasReadAs(text));
	if (bytesBySign === null) return null;
	return charset === 'utf-8'
		? withUtf8Read(text, bytesBySign)
		: partsOf(text, bytesBySign)
				.map((part) => (typeof part === 'string' ? part : decoded(part, charset)))
				.join('');
}

/** The charset that holds most of what is beyond ASCII; null where none holds nine in ten. */
function wasReadAs(text: string): string | null {
	const beyond = text.match(/[\u0080-\u{10ffff}]/gu) ?? [];
	let best: string | null = null;
	let most = 0.9 * beyond.length;
	for (const charset of SINGLE) {
		const table = tableOf(charset)!;
		const held = beyond.reduce((sum, sign) => sum + (table.has(sign) ? 1 : 0), 0);
		if (held > 0 && (best === null ? held >= most : held > most)) [best, most] = [charset, held];
	}
	return best;
}

const tables = new Map<string, ReadonlyMap<string, number>>();

function tableOf(charset: string | null): ReadonlyMap<string, number> | null {
	if (charset === null) return null;
	const known = tables.get(charset);
	if (known) return known;
	const table = new Map<string, number>();
	const decoder = new TextDecoder(charset);
	for (let byte = 0x80; byte <= 0xff; byte++) table.set(decoder.decode(Uint8Array.of(byte)), byte);
	// some platforms leave these as control signs where the standard names a letter
	if (charset === 'windows-1252')
		[...WESTERN_SIGNS].forEach((sign, i) => table.set(sign, 0x80 + i));
	tables.set(charset, table);
	return table;
}

/** Runs that can be bytes as bytes, the rest as it stands. */
function partsOf(text: string, table: ReadonlyMap<string, number>): (string | Uint8Array)[] {
	const parts: (string | number[])[] = [];
	for (const sign of text) {
		const byte = sign <= '\u007f' ? sign.charCodeAt(0) : table.get(sign);
		const last = parts.at(-1);
		if (byte === undefined) {
			if (typeof last === 'string') parts[parts.length - 1] = last + sign;
			else parts.push(sign);
		} else if (last !== undefined && typeof last !== 'string') last.push(byte);
		else parts.push([byte]);
	}
	return parts.map((part) => (typeof part === 'string' ? part : Uint8Array.from(part)));
}

function decoded(bytes: Uint8Array, charset: string): string {
	return new TextDecoder(charset).decode(bytes);
}

/** Only runs that are valid as UTF-8 are read so: a page may be wrong in part. */
function withUtf8Read(text: string, table: ReadonlyMap<string, number>): string {
	return text.replace(/[\u0080-\uffff]{2,}/g, (run) => {
		const bytes = [...run].map((sign) => table.get(sign));
		if (bytes.some((byte) => byte === undefined)) return run;
		try {
			return new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(bytes as number[]));
		} catch {
			return run;
		}
	});
}

/** A stretch of a page's markup in which letters beyond ASCII stand, to see how it would read. */
export function sampleOf(source: string, length = 70): string {
	const body = source.slice(Math.max(0, source.search(/<body\b/i)));
	const plain = body
		.replace(/<(script|style)\b[\s\S]*?<\/\1\s*>/gi, ' ')
		.replace(/<[^>]*>/g, ' ')
		.replace(/\s+/g, ' ');
	const at = plain.search(/[\u0080-\u{10ffff}]{2}|[\u00c0-\u024f]/u);
	if (at < 0) return plain.trim().slice(0, length);
	const from = plain.lastIndexOf(' ', Math.max(0, at - 15)) + 1;
	return plain.slice(from, from + length).trim();
}

/** Katakana of half a width, signs nobody has given a meaning to, and those for private use. */
const HARDLY_TEXT = /[\uff61-\uff9f\p{Co}\p{Cn}\p{Cc}\ufffd×÷¬¤¦§¨]/gu;

/**
 * How much a sample looks like words of a language, 0–1: the share of its letters in words of one
 * script that are written small, with a capital before them, or in a script that has neither. Letters
 * read in a wrong charset come out as capitals amid small ones, or as another script's.
 */
export function wordLikenessOf(sample: string): number {
	let [good, all] = [0, sample.match(HARDLY_TEXT)?.length ?? 0];
	for (const [word] of sample.matchAll(/[\p{L}\p{M}]+/gu)) {
		all += word.length;
		const isCased = /^\p{Lu}?[\p{Ll}\p{M}]*$|^[\p{Lo}\p{Lm}\p{M}]+$/u.test(word);
		const scripts = [/\p{Script=Latin}/u, /\p{Script=Cyrillic}/u, /\p{Script=Greek}/u].filter(
			(script) => script.test(word)
		);
		if (isCased && scripts.length < 2 && !/[\uff61-\uff9f]/.test(word)) good += word.length;
	}
	return all === 0 ? 0 : good / all;
}
