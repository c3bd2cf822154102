import { addAssignment, putWhole } from '$lib/data/assignments';
import { wholeFrom, type CleanedPage } from '$lib/data/archive';
import { db, type Assignment, type Note, type Page, type PageSource } from '$lib/data/db';
import { addEvidence, nextOrder, takeEvidence } from '$lib/data/pages';
import type { Demo } from '$lib/services/demo';
import { analysis, type Incoming, type Progress } from '$lib/workers/client';
import { history } from '../frame/history.svelte';

/** What came of one import. */
export interface ImportReport {
	readonly pages: readonly Page[];
	readonly notes: readonly Note[];
	readonly failed: readonly { readonly name: string; readonly reason: string }[];
	readonly isCancelled: boolean;
}

export interface ImportOptions {
	/** No notice, for work that announces itself. */
	readonly isQuiet?: boolean;
	readonly onProgress?: (progress: Progress & { readonly name: string }) => void;
	readonly isCancelled?: () => boolean;
}

/** Page files may be this large; browsers save pages of 1–3 MB. */
const MAX_FILE_BYTES = 10_000_000;

/**
 * Cleans pages and adds them as one step that can be taken back. What cannot be read is
 * reported with its name and reason; the rest comes in.
 */
export async function bringInPages(
	assignment: Assignment,
	incoming: readonly Incoming[],
	options: ImportOptions = {}
): Promise<ImportReport> {
	const pages: Page[] = [];
	const sources: PageSource[] = [];
	const failed: { name: string; reason: string }[] = [];
	let order = await nextOrder(assignment.id);
	let isCancelled = false;
	for (const [i, item] of incoming.entries()) {
		if (options.isCancelled?.()) {
			isCancelled = true;
			break;
		}
		options.onProgress?.({ done: i, all: incoming.length, name: item.name });
		if ((item.bytes?.length ?? item.text.length) > MAX_FILE_BYTES) {
			failed.push({
				name: item.name,
				reason: 'it is larger than 10 MB: save the page without its pictures and try again'
			});
			continue;
		}
		const cleaned = await analysis.clean(item, assignment.keyword);
		if (cleaned.kind === 'failed') {
			failed.push({ name: item.name, reason: cleaned.reason });
			continue;
		}
		const id = crypto.randomUUID();
		const { article, judgement, source } = cleaned;
		pages.push({
			id,
			assignment: assignment.id,
			name: item.name,
			address: article.address,
			origin: item.origin,
			order: order++,
			article,
			judgement,
			counted: !judgement.proposeAside,
			struck: []
		});
		sources.push({ id, assignment: assignment.id, source });
	}
	if (pages.length > 0) await addAsStep(pages, sources, [], options.isQuiet);
	return { pages, notes: [], failed, isCancelled };
}

/** Adds notes or question lists as one step. */
export async function bringInNotes(
	assignment: Assignment,
	items: readonly { readonly name: string; readonly text: string; readonly kind: Note['kind'] }[],
	{ isQuiet = false }: Pick<ImportOptions, 'isQuiet'> = {}
): Promise<ImportReport> {
	let order = await nextOrder(assignment.id);
	const failed = items
		.filter(({ text }) => text.trim() === '')
		.map(({ name }) => ({ name, reason: 'there is no text in it' }));
	const notes = items
		.filter(({ text }) => text.trim() !== '')
		.map(({ name, text, kind }): Note => ({
			id: crypto.randomUUID(),
			assignment: assignment.id,
			kind,
			name: kind === 'note' ? titleOf(text, name) : name,
			text,
			order: order++
		}));
	if (notes.length > 0) await addAsStep([], [], notes, isQuiet);
	return { pages: [], notes, failed, isCancelled: false };
}

/** A note is known by its own title where it has one. */
function titleOf(text: string, name: string): string {
	const heading = /^#\s+(.{2,120})$/m.exec(text);
	return heading ? heading[1]!.trim() : name.replace(/\.(?:md|markdown|txt)$/i, '');
}

async function addAsStep(
	pages: readonly Page[],
	sources: readonly PageSource[],
	notes: readonly Note[],
	isQuiet = false
): Promise<void> {
	const said = [
		pages.length > 0 ? countOf(pages.length, 'page') : '',
		notes.length > 0 ? countOf(notes.length, 'note') : ''
	];
	await history.run(
		{
			label: `Brought in ${said.filter(Boolean).join(' and ')}`,
			redo: () => addEvidence(pages, sources, notes),
			undo: async () => {
				await takeEvidence(
					pages.map(({ id }) => id),
					notes.map(({ id }) => id)
				);
			}
		},
		{ quiet: isQuiet }
	);
}

export function countOf(n: number, thing: string): string {
	return `${n} ${thing}${n === 1 ? '' : 's'}`;
}

/** Makes the demo assignment by the same importers that a writer's files go through. */
export async function bringInDemo(
	demo: Demo,
	onProgress: ImportOptions['onProgress']
): Promise<Assignment> {
	const assignment = await addAssignment(demo.assignment);
	const pages = demo.files
		.filter(({ kind }) => kind === 'page')
		.map(({ name, text }): Incoming => ({ name, origin: 'file', bytes: null, text }));
	await bringInPages(assignment, pages, { onProgress, isQuiet: true });
	const notes = demo.files.flatMap(({ kind, name, text }) =>
		kind === 'page'
			? []
			: [{ kind: kind === 'questions' ? ('questions' as const) : ('note' as const), name, text }]
	);
	await bringInNotes(assignment, notes, { isQuiet: true });
	return assignment;
}

export type ArchiveImport =
	{ kind: 'done'; assignment: Assignment } | { kind: 'refused'; reason: string };

/** Brings an archive in. Its pages are cleaned again from their markup. */
export async function bringInArchive(
	bytes: Uint8Array,
	onProgress?: ImportOptions['onProgress']
): Promise<ArchiveImport> {
	const read = await analysis.readArchive(bytes);
	if (read.kind === 'refused') return read;
	const { manifest, pageSources } = read.archive;
	const cleaned: CleanedPage[] = [];
	for (const [i, page] of manifest.pages.entries()) {
		onProgress?.({ done: i, all: manifest.pages.length, name: page.name });
		const result = await analysis.clean(
			{ name: page.name, origin: page.origin, bytes: null, text: pageSources[page.id] ?? '' },
			manifest.assignment.keyword
		);
		if (result.kind === 'failed')
			return {
				kind: 'refused',
				reason: `its page “${page.name}” cannot be read: ${result.reason}`
			};
		cleaned.push({ id: page.id, article: result.article, judgement: result.judgement });
	}
	const isCopy = (await db.assignments.get(manifest.assignment.id)) !== undefined;
	const whole = wholeFrom(read.archive, cleaned, {
		now: Date.now(),
		isCopy,
		newId: () => crypto.randomUUID()
	});
	if (isCopy) whole.assignment.title = `${whole.assignment.title} (copy)`;
	await putWhole(whole);
	return { kind: 'done', assignment: whole.assignment };
}
