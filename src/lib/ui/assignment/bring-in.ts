import { readBriefMarkdown } from '$lib/core/brief';
import { readClientFile, readLinkMap } from '$lib/core/clients';
import { readPictureList } from '$lib/core/deliver';
import { docFromMarkdown } from '$lib/core/manuscript';
import { phraseKeyOf, type PhraseNote } from '$lib/core/keywords';
import { addAssignment, putWhole } from '$lib/data/assignments';
import { wholeFrom, type CleanedPage } from '$lib/data/archive';
import { db, type Assignment, type Scope } from '$lib/data/db';
import { addClient, listClients } from '$lib/data/clients';
import { addPicture } from '$lib/data/pictures';
import { addTake } from '$lib/data/takes';
import { addLists, nextListOrder, notePhrases, readLists } from '$lib/data/keywords';
import type { Demo } from '$lib/services/demo';
import { analysis } from '$lib/workers/client';
import type { ImportOptions, NamedBytes } from '../gather/import-report';
import { importEvidence } from '../gather/import-run';
import { readPicture } from '../parts/read-picture';

/**
 * Makes the assignments of the demo by the same readers that a writer's files go through: an article to be
 * written, and before it, since it is the smaller one, a post that exists to be audited and lengthened.
 */
export async function bringInDemo(
	{ files }: Demo,
	onProgress: ImportOptions['onProgress']
): Promise<Assignment> {
	const of = (kind: DemoFile['kind']) => files.filter((file) => file.kind === kind);
	const client = await demoClient(of('client')[0]!.text, of('links')[0]?.text ?? '');
	await bringInDemoLists(client.id, of('keywords'), of('results'));
	const [second, first] = [true, false].map((wanted) =>
		files.filter(({ isSecond }) => isSecond === wanted)
	) as [DemoFile[], DemoFile[]];
	if (second.length > 0) await bringInDemoAssignment(second, client.id, () => {});
	return bringInDemoAssignment(first, client.id, onProgress);
}

type DemoFile = Demo['files'][number];

async function bringInDemoAssignment(
	given: readonly DemoFile[],
	client: string,
	onProgress: ImportOptions['onProgress']
): Promise<Assignment> {
	const of = (kind: DemoFile['kind']) => given.filter((file) => file.kind === kind);
	const brief = readBriefMarkdown(of('brief')[0]!.text);
	if (brief.kind === 'unreadable') throw new Error(`The demo’s brief: ${brief.reason}`);
	const { keyword, targetWords } = brief.whole;
	const assignment = await addAssignment({
		title: keyword[0]!.toUpperCase() + keyword.slice(1),
		keyword,
		client,
		targetWords,
		brief: brief.whole.brief
	});
	const files = (['page', 'note', 'transcript', 'questions'] as const)
		.flatMap(of)
		.map(({ name, text }): NamedBytes => ({ name, bytes: new TextEncoder().encode(text) }));
	await importEvidence(assignment, { files, aim: 'any' }, { onProgress, isQuiet: true });
	await bringInDemoPictures(assignment.id, of('picture'));
	for (const { text } of of('post'))
		await addTake(assignment.id, 'The post as it stands', docFromMarkdown(text));
	return assignment;
}

/** Drawings with what their list says of them. */
async function bringInDemoPictures(assignment: string, files: Demo['files']): Promise<void> {
	const list = files.find(({ name }) => name.endsWith('.csv'));
	const said = new Map(
		readPictureList(list?.text ?? '').map(({ file, ...words }) => [file, words])
	);
	for (const { name, text } of files.filter((file) => file !== list)) {
		const read = await readPicture(new File([text], name, { type: 'image/svg+xml' }));
		const words = said.get(name) ?? { alt: '', caption: '', credit: '', licence: '', source: '' };
		await addPicture({ ...read, ...words, assignment });
	}
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
		const { article, sign, judgement } = result;
		cleaned.push({ id: page.id, article, sign, judgement });
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
