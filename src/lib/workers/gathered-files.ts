import { readClientFile, readLinkMap } from '$lib/core/clients';
import { FILE_LIMITS, fileKindOf, readMhtml, unpackPages } from '$lib/core/files';
import { readKeywordList, readResultsList, runThrough } from '$lib/core/keywords';
import { noteTextOf } from '$lib/core/notes';
import { decodeBytes } from '$lib/core/text';
import { readDocx, readPdf } from './documents';
import type { FileAim, FileRead } from './protocol';

/**
 * Finds out what a file holds and reads it, as far as it is no page: pages are cleaned one by one
 * afterwards. Nothing is thrown; a file that cannot be read says why.
 */
export async function readGatheredFile(
	name: string,
	bytes: Uint8Array,
	aim: FileAim
): Promise<FileRead[]> {
	const failed = (reason: string): FileRead[] => [{ kind: 'failed', name, reason }];
	const { kind, reason } = fileKindOf(bytes, name);
	const limit =
		kind === 'zip' || kind === 'DOCX' || kind === 'PDF'
			? FILE_LIMITS.holderBytes
			: FILE_LIMITS.bytes;
	if (bytes.length > limit)
		return failed(
			`it is larger than ${limit / 1_000_000} MB${kind === 'page' ? ': save the page without its pictures and try again' : ''}`
		);
	switch (kind) {
		case 'unknown':
			return failed(reason);
		case 'assignment':
			return failed('it is a whole assignment; open it from the list of assignments');
		case 'zip':
			return readZip(name, bytes, aim);
		case 'web archive': {
			const read = readMhtml(bytes);
			return read.kind === 'refused'
				? failed(read.reason)
				: [page(name, read.html, 'file', read.address)];
		}
		case 'page':
			return [{ kind: 'page', incoming: { name, origin: 'file', bytes, text: '' } }];
		case 'DOCX':
		case 'PDF': {
			const read = await (kind === 'DOCX' ? readDocx(bytes) : readPdf(bytes));
			if (read.kind === 'failed') return failed(read.reason);
			return aim === 'pages'
				? [page(name, read.text, 'text')]
				: [{ kind: 'note', name, noteKind: 'note', text: read.text, remarks: read.remarks }];
		}
		case 'data':
		case 'table':
		case 'text': {
			const decoded = decodeBytes(bytes);
			if (decoded.kind === 'binary') return failed(`it looks like ${decoded.looksLike}`);
			if (decoded.text.trim() === '') return failed('there is no text in it');
			if (kind === 'data') return [dataOf(name, decoded.text)];
			if (kind === 'table') return [tableOf(name, decoded.text)];
			return aim === 'pages' ? [page(name, decoded.text, 'text')] : [noteOf(name, decoded.text)];
		}
	}
}

function page(name: string, text: string, origin: 'file' | 'text', address = ''): FileRead {
	return { kind: 'page', incoming: { name, origin, bytes: null, text, address } };
}

async function readZip(name: string, bytes: Uint8Array, aim: FileAim): Promise<FileRead[]> {
	const unpacked = unpackPages(bytes);
	if (unpacked.kind === 'refused') return [{ kind: 'failed', name, reason: unpacked.reason }];
	const read: FileRead[] = [];
	for (const file of unpacked.files) {
		// zips in zips are not opened, so that they cannot go on for ever
		const isZip = fileKindOf(file.bytes, file.name).kind === 'zip';
		if (isZip)
			read.push({
				kind: 'failed',
				name: file.name,
				reason: `it is a zip inside ${name}; unpack that first`
			});
		else read.push(...(await readGatheredFile(file.name, file.bytes, aim)));
	}
	if (unpacked.skipped > 0)
		read.push({
			kind: 'skipped',
			name,
			reason: `${unpacked.skipped} files in it are pictures, styles and the like`
		});
	return read;
}

/** Text as a transcript where it has times, as questions where it mostly asks, else as a note. */
function noteOf(name: string, text: string): FileRead {
	const { noteKind, title, text: plain, remarks } = noteTextOf(text);
	return { kind: 'note', name: title || name, noteKind, text: plain, remarks };
}

function dataOf(name: string, text: string): FileRead {
	const read = readClientFile(text);
	return read.kind === 'refused'
		? { kind: 'failed', name, reason: `as a client’s profile it cannot be read: ${read.reason}` }
		: { kind: 'client', name, text };
}

function tableOf(name: string, text: string): FileRead {
	// both hold phrases and addresses; only one of them says how high a page stands
	const isRanked = /\b(?:position|rank|strength)\b/i.test(text.slice(0, 1_000));
	const results = readResultsList(text);
	const hasResults = results.kind === 'read' && results.lists.length > 0;
	if (hasResults && isRanked) return { kind: 'results', name, text };
	if (readLinkMap(text).links.length > 0) return { kind: 'links', name, text };
	if (hasResults) return { kind: 'results', name, text };
	if (isKeywordList(text)) return { kind: 'keywords', name, text };
	return {
		kind: 'failed',
		name,
		reason:
			'it is neither a keyword list (phrase, volume), nor a link map (phrase, address), nor a list of who ranks'
	};
}

/** Lines from the start by which a table is told. */
const LOOKED_AT = 60;

/** Whether a table lists phrases with how often they are searched for, or how hard they are to rank for. */
function isKeywordList(text: string): boolean {
	const start = text.split('\n', LOOKED_AT).join('\n');
	const read = runThrough(readKeywordList(start));
	return (
		read.kind === 'read' &&
		read.list.rows.length > 0 &&
		read.list.columns.some(({ meaning }) => meaning === 'volume' || meaning === 'difficulty')
	);
}
