import { strFromU8, strToU8, zipSync } from 'fflate';
import { z } from 'zod';
import { unpackZip } from '../files';
import {
	ARCHIVE_VERSION,
	manifestSchema,
	upgradedManifest,
	type ArchiveManifest
} from './archive-schema';

export { ARCHIVE_VERSION, type ArchiveManifest } from './archive-schema';

/** A whole assignment outside the browser: its data, the pages as they were gathered, and its pictures. */
export interface Archive {
	readonly manifest: ArchiveManifest;
	/** Markup of each page, by id. */
	readonly pageSources: Readonly<Record<string, string>>;
	/** Bytes of each picture, by id. */
	readonly pictureBytes: Readonly<Record<string, Uint8Array>>;
}

export type ArchiveResult =
	| { readonly kind: 'read'; readonly archive: Archive }
	| { readonly kind: 'refused'; readonly reason: string };

/** Bounds that keep a hostile archive from filling the memory. */
const ARCHIVE_LIMITS = { files: 2_000, bytes: 300_000_000 } as const;

const MANIFEST = 'assignment.json';
// zip dates have no time zone; one fixed date makes equal assignments equal files
const FIXED_DATE = '2000-01-01T00:00:00';

/**
 * Writes the archive; equal data gives equal bytes, whatever order its keys were set in.
 * @throws ZodError when the data would not be read back
 */
export function writeArchive({ manifest: given, pageSources, pictureBytes }: Archive): Uint8Array {
	const manifest = manifestSchema.parse(given);
	const files: Record<string, Uint8Array> = {
		[MANIFEST]: strToU8(`${JSON.stringify(manifest, null, '\t')}\n`)
	};
	manifest.pages.forEach(({ id, file }) => {
		files[file] = strToU8(pageSources[id] ?? '');
	});
	manifest.pictures.forEach(({ id, file }) => {
		files[file] = pictureBytes[id] ?? new Uint8Array();
	});
	return zipSync(files, { level: 6, mtime: FIXED_DATE });
}

/** Reads an archive; whatever is wrong with it comes back as a reason, and nothing is thrown. */
export function readArchive(bytes: Uint8Array): ArchiveResult {
	if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return refused('it is not a zip file');
	const unpacking = unpackZip(bytes, ARCHIVE_LIMITS);
	if (unpacking.kind === 'refused') return unpacking;
	const unpacked = unpacking.files;
	const manifestBytes = unpacked.get(MANIFEST);
	if (!manifestBytes) return refused(`it holds no ${MANIFEST}, so it was not written by Corvan`);
	let data: unknown;
	try {
		data = JSON.parse(strFromU8(manifestBytes));
	} catch {
		return refused(`its ${MANIFEST} is not valid JSON`);
	}
	const version = z.looseObject({ version: z.number() }).safeParse(data);
	if (version.success && version.data.version > ARCHIVE_VERSION) {
		return refused(
			`it was written by a newer Corvan (format ${version.data.version}; this one reads up to ${ARCHIVE_VERSION})`
		);
	}
	const parsed = manifestSchema.safeParse(upgradedManifest(data));
	if (!parsed.success) {
		const issue = parsed.error.issues[0]!;
		return refused(`its ${MANIFEST} is damaged at “${issue.path.join('.')}”: ${issue.message}`);
	}
	const pageSources: Record<string, string> = {};
	for (const { id, file } of parsed.data.pages) {
		const source = unpacked.get(file);
		if (!source) return refused(`the page ${file} is missing from it`);
		pageSources[id] = strFromU8(source);
	}
	const pictureBytes: Record<string, Uint8Array> = {};
	for (const { id, file } of parsed.data.pictures) {
		const bytes = unpacked.get(file);
		if (!bytes) return refused(`the picture ${file} is missing from it`);
		pictureBytes[id] = bytes;
	}
	return { kind: 'read', archive: { manifest: parsed.data, pageSources, pictureBytes } };
}

function refused(reason: string): ArchiveResult {
	return { kind: 'refused', reason };
}
