import { decodeBytes } from '../text';
import { isMhtml } from './mhtml';
import { unpackZip } from './unzip';

/** What a file that is brought in holds, told from its bytes before its name. */
export type FileKind =
	| 'page'
	| 'web archive'
	| 'zip'
	| 'assignment'
	| 'DOCX'
	| 'PDF'
	| 'text'
	| 'table'
	| 'data'
	| 'unknown';

export interface IdentifiedFile {
	readonly kind: FileKind;
	/** For `unknown`: what it looks like and what to do, as the end of "was not brought in: …". */
	readonly reason: string;
}

/** Bounds of what one file may hold. Browsers save pages of 1–3 MB; forty of them make a large zip. */
export const FILE_LIMITS = {
	bytes: 10_000_000,
	/** Files that hold others: zips, and documents with pictures in them. */
	holderBytes: 60_000_000,
	zip: { files: 500, bytes: 200_000_000 }
} as const;

const MARKUP = /<(?:!doctype html|html|head|body|article|main|div|p|h[1-6]|table|section)\b/i;

/** Looks at the bytes of a file, and at the name only where they leave it open. */
export function fileKindOf(bytes: Uint8Array, name: string): IdentifiedFile {
	const known = (kind: FileKind): IdentifiedFile => ({ kind, reason: '' });
	if (bytes.length === 0) return unknown('the file is empty');
	if (opensWith(bytes, '%PDF-')) return known('PDF');
	if (bytes[0] === 0x50 && bytes[1] === 0x4b) return zipKindOf(bytes);
	if (isMhtml(bytes)) return known('web archive');
	const decoded = decodeBytes(bytes.subarray(0, 200_000));
	if (decoded.kind === 'binary') return unknown(adviceFor(decoded.looksLike, name));
	const head = decoded.text.slice(0, 20_000);
	if (/\.json$/i.test(name)) return known('data');
	if (/\.(?:csv|tsv)$/i.test(name)) return known('table');
	if (/\.(?:html?|xhtml|shtml|php|aspx?)$/i.test(name)) return known('page');
	if (/\.(?:md|markdown|txt|srt|vtt|sbv|text)$/i.test(name)) {
		// a page that was saved under the name of a text is still a page
		return /^\s*<(?:!doctype html|html)\b/i.test(head) ? known('page') : known('text');
	}
	if (/^\s*\{\\rtf/.test(head)) return unknown('it is rich text (RTF); save it as DOCX or as text');
	return known(MARKUP.test(head) ? 'page' : 'text');
}

function unknown(reason: string): IdentifiedFile {
	return { kind: 'unknown', reason };
}

function opensWith(bytes: Uint8Array, sign: string): boolean {
	return [...sign].every((letter, i) => bytes[i] === letter.charCodeAt(0));
}

/** Office files are zips with telling names in them. */
function zipKindOf(bytes: Uint8Array): IdentifiedFile {
	const names = zipNamesOf(bytes);
	if (names.includes('word/document.xml')) return { kind: 'DOCX', reason: '' };
	if (names.includes('assignment.json')) return { kind: 'assignment', reason: '' };
	if (names.some((name) => name.startsWith('xl/')))
		return unknown('it is a spreadsheet; save the sheet as CSV');
	if (names.some((name) => name.startsWith('ppt/')))
		return unknown('it is a set of slides; save its text as a document');
	if (names.includes('content.xml'))
		return unknown('it is an OpenDocument file; save it as DOCX or as text');
	if (names.includes('META-INF/container.xml'))
		return unknown('it is an e-book; copy the chapter and paste it');
	return { kind: 'zip', reason: '' };
}

/** Names in the local headers of a zip, without unpacking it; at most 2,000. */
function zipNamesOf(bytes: Uint8Array): string[] {
	const names: string[] = [];
	for (let at = 0; at + 30 < bytes.length && names.length < 2_000; at++) {
		if (bytes[at] !== 0x50 || bytes[at + 1] !== 0x4b || bytes[at + 2] !== 3 || bytes[at + 3] !== 4)
			continue;
		const length = bytes[at + 26]! | (bytes[at + 27]! << 8);
		const name = bytes.subarray(at + 30, at + 30 + Math.min(length, 300));
		names.push(String.fromCharCode(...name));
		at += 29 + length;
	}
	return names;
}

function adviceFor(looksLike: string, name: string): string {
	if (looksLike === 'an old office file')
		return 'it is an old office file; save it as DOCX or as text';
	if (/picture/.test(looksLike)) return `it is ${looksLike}; only text can be read`;
	if (/\.(?:html?|xhtml)$/i.test(name)) return `it looks like ${looksLike}, not a page`;
	return `it looks like ${looksLike}; save it as text, DOCX, PDF or HTML`;
}

export interface ZippedFile {
	/** The last part of its path in the zip. */
	readonly name: string;
	readonly bytes: Uint8Array;
}

export type UnpackedPages =
	| {
			readonly kind: 'unpacked';
			readonly files: readonly ZippedFile[];
			/** Files of saved pages that are not pages themselves: pictures, styles, scripts. */
			readonly skipped: number;
	  }
	| { readonly kind: 'refused'; readonly reason: string };

const ACCOMPANYING =
	/\.(?:png|jpe?g|gif|webp|avif|svg|ico|bmp|css|js|mjs|map|woff2?|ttf|otf|eot|mp[34]|webm|download|ds_store|ini|db|xml|rss)$/i;

/** The files of a zip that can be brought in; what accompanies saved pages is counted, not kept. */
export function unpackPages(bytes: Uint8Array): UnpackedPages {
	const unpacked = unpackZip(bytes, FILE_LIMITS.zip);
	if (unpacked.kind === 'refused') return unpacked;
	const files: ZippedFile[] = [];
	let skipped = 0;
	for (const [path, content] of unpacked.files) {
		const parts = path.split(/[/\\]/).filter(Boolean);
		const name = parts.at(-1) ?? path;
		const isHidden = parts.some((part) => /^\.[^.]/.test(part) || part === '__MACOSX');
		const isInFolderOfPage = parts.slice(0, -1).some((part) => /_files$|_data$/i.test(part));
		if (isHidden || isInFolderOfPage || ACCOMPANYING.test(name)) skipped++;
		else files.push({ name, bytes: content });
	}
	if (files.length === 0)
		return { kind: 'refused', reason: 'it holds no page, note or transcript' };
	return { kind: 'unpacked', files, skipped };
}
