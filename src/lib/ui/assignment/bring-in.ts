import { readBriefMarkdown } from '$lib/core/brief';
import { readClientFile, readLinkMap } from '$lib/core/clients';
import { phraseKeyOf, type PhraseNote } from '$lib/core/keywords';
import { addAssignment, putWhole } from '$lib/data/assignments';
import { wholeFrom, type CleanedPage } from '$lib/data/archive';
import {
	db,
	type Assignment,
	type Note,
	type Page,
	type PageSource,
	type Scope
} from '$lib/data/db';
import { addClient, listClients } from '$lib/data/clients';
import { addLists, nextListOrder, notePhrases, readLists } from '$lib/data/keywords';
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

/** Makes the demo assignment by the same readers that a writer's files go through. */
export async function bringInDemo(
	demo: Demo,
	onProgress: ImportOptions['onProgress']
): Promise<Assignment> {
	const of = (kind: Demo['files'][number]['kind']) =>
		demo.files.filter((file) => file.kind === kind);
	const client = await demoClient(of('client')[0]!.text, of('links')[0]?.text ?? '');
	const brief = readBriefMarkdown(of('brief')[0]!.text);
	if (brief.kind === 'unreadable') throw new Error(`The demo’s brief: ${brief.reason}`);
	const { keyword, targetWords } = brief.whole;
	await bringInDemoLists(client.id, of('keywords'), of('results'));
	const assignment = await addAssignment({
		title: keyword[0]!.toUpperCase() + keyword.slice(1),
		keyword,
		client: client.id,
		targetWords,
		brief: brief.whole.brief
	});
	const pages = of('page').map(({ name, text }): Incoming => ({
		name,
		origin: 'file',
		bytes: null,
		text
	}));
	await bringInPages(assignment, pages, { onProgress, isQuiet: true });
	const notes = [
		...of('note').map(({ name, text }) => ({ kind: 'note' as const, name, text })),
		...of('questions').map(({ name, text }) => ({ kind: 'questions' as const, name, text }))
	];
	await bringInNotes(assignment, notes, { isQuiet: true });
	return assignment;
}

async function demoClient(profile: string, links: string) {
	const read = readClientFile(profile);
	if (read.kind === 'refused') throw new Error(`The demo’s client: ${read.reason}`);
	const here = (await listClients()).find(({ name }) => name === read.client.name);
	return here ?? (await addClient(read.client, [...read.links, ...readLinkMap(links).links]));
}

async function bringInDemoLists(
	scope: Scope,
	keywords: Demo['files'],
	results: Demo['files']
): Promise<void> {
	const here = new Set((await readLists(scope)).map(({ name }) => name));
	let order = await nextListOrder(scope);
	for (const { name, text } of keywords.filter((file) => !here.has(file.name))) {
		const bytes = Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
		const read = await analysis.readKeywords({ bytes, text: '', meanings: {} }, () => {});
		if (read.kind !== 'read') throw new Error(`The demo’s list ${name} cannot be read.`);
		const { rows, rejected } = read.list;
		const list = {
			id: crypto.randomUUID(),
			scope,
			name,
			origin: 'file' as const,
			order: order++,
			addedAt: Date.now(),
			count: rows.length,
			rejected: [...rejected],
			isHidden: false
		};
		await addLists([{ list, rows }]);
	}
	for (const { text } of results) {
		const read = await analysis.readResults({ bytes: null, text, meanings: {} });
		if (read.kind !== 'read') continue;
		const notes = read.lists.map(({ phrase, results: list }): PhraseNote => ({
			key: phraseKeyOf(phrase),
			results: { list, origin: 'imported' }
		}));
		await notePhrases(scope, notes);
	}
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
		newId: () => crypto.randomUUID(),
		clientHere: await clientHere(manifest.client)
	});
	if (isCopy) whole.assignment.title = `${whole.assignment.title} (copy)`;
	await putWhole(whole);
	return { kind: 'done', assignment: whole.assignment };
}

/** The client an archive names, when this browser knows it by id or by name. */
async function clientHere(given: { id: string; profile: { name: string } } | null) {
	if (!given) return null;
	const all = await listClients();
	return (
		all.find(({ id }) => id === given.id) ??
		all.find(({ name }) => name === given.profile.name) ??
		null
	);
}
