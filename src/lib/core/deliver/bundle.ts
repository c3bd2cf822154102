import slugify from '@sindresorhus/slugify';
import { strFromU8, strToU8, zipSync } from 'fflate';
import { z } from 'zod';
import { unpackZip } from '../files';

/** Archives of several assignments in one file. */
export interface BundledArchive {
	readonly id: string;
	readonly title: string;
	/** Milliseconds since 1970. */
	readonly updatedAt: number;
	/** A whole archive of the assignment. */
	readonly bytes: Uint8Array;
}

const LIST = 'assignments.json';
const VERSION = 1;
const LIMITS = { files: 2_000, bytes: 1_000_000_000 } as const;
const FIXED_DATE = '2000-01-01T00:00:00';

const listSchema = z.object({
	format: z.literal('corvan-assignments'),
	version: z.number(),
	assignments: z.array(
		z.object({ id: z.string(), title: z.string(), updatedAt: z.number(), file: z.string() })
	)
});

export type BundleResult =
	| { readonly kind: 'read'; readonly archives: readonly BundledArchive[] }
	/** A zip of something else, such as one archive. */
	| { readonly kind: 'other' }
	| { readonly kind: 'refused'; readonly reason: string };

/** Writes archives as one file; each can be taken out of it and opened alone. Equal archives give equal bytes. */
export function writeBundle(archives: readonly BundledArchive[]): Uint8Array {
	const named = archives.map((archive, i) => ({
		...archive,
		file: `${String(i + 1).padStart(3, '0')}-${archiveName(archive.title)}`
	}));
	const list = {
		format: 'corvan-assignments',
		version: VERSION,
		assignments: named.map(({ id, title, updatedAt, file }) => ({ id, title, updatedAt, file }))
	};
	return zipSync(
		{
			[LIST]: strToU8(`${JSON.stringify(list, null, '\t')}\n`),
			...Object.fromEntries(named.map(({ file, bytes }) => [file, bytes]))
		},
		// archives are packed already
		{ level: 0, mtime: FIXED_DATE }
	);
}

/** Name of the file that an assignment is saved as, by its title. */
export function archiveName(title: string): string {
	const name = slugify(title, { decamelize: false }).slice(0, 60);
	return `${name || 'assignment'}.corvan.zip`;
}

/** Reads a file of several archives; nothing is thrown, whatever is wrong with it. */
export function readBundle(bytes: Uint8Array): BundleResult {
	if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return { kind: 'other' };
	const unpacking = unpackZip(bytes, LIMITS);
	if (unpacking.kind === 'refused') return unpacking;
	const { files } = unpacking;
	const written = files.get(LIST);
	if (!written) return { kind: 'other' };
	let data: unknown;
	try {
		data = JSON.parse(strFromU8(written));
	} catch {
		return refused(`its ${LIST} is not valid JSON`);
	}
	const list = listSchema.safeParse(data);
	if (!list.success) return refused(`its ${LIST} is damaged`);
	if (list.data.version > VERSION) return refused('it was written by a newer Corvan');
	const archives: BundledArchive[] = [];
	for (const { file, ...of } of list.data.assignments) {
		const archive = files.get(file);
		if (!archive) return refused(`the archive ${file} is missing from it`);
		archives.push({ ...of, bytes: archive });
	}
	return { kind: 'read', archives };
}

function refused(reason: string): BundleResult {
	return { kind: 'refused', reason };
}
