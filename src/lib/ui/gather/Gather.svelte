<!-- Gather: pages, notes and questions as they come in, beside the page in hand. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import type { Note, Page } from '$lib/data/db';
	import { isStorageFull } from '$lib/data/trouble';
	import { setCounted, takeEvidence, addEvidence, setStruck, saveNote } from '$lib/data/pages';
	import type { Incoming } from '$lib/workers/client';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import DropZone from '../parts/DropZone.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import { useSession } from '../assignment/session.svelte';
	import { bringInNotes, bringInPages, countOf, type ImportReport } from '../assignment/bring-in';
	import NotesList from './NotesList.svelte';
	import PagesTable from './PagesTable.svelte';
	import PasteBox from './PasteBox.svelte';
	import ReadingPane from './ReadingPane.svelte';
	import NotePane from './NotePane.svelte';

	const session = useSession();
	type Tab = 'pages' | 'notes' | 'questions';
	let tab = $state<Tab>('pages');
	let chosen = $state<string | null>(null);
	let isPasting = $state(false);
	let work = $state<{ label: string; done: number; all: number } | null>(null);
	let isCancelled = false;
	let report = $state.raw<ImportReport | null>(null);
	let pagePicker = $state<HTMLInputElement>();
	let notePicker = $state<HTMLInputElement>();

	const notes = $derived(session.notes.filter(({ kind }) => kind === 'note'));
	const questions = $derived(session.notes.filter(({ kind }) => kind === 'questions'));
	const page = $derived(
		session.pages.find(({ id }) => id === chosen) ??
			(tab === 'pages' ? (session.counted[0] ?? session.pages[0]) : undefined)
	);
	const note = $derived(
		session.notes.find(({ id }) => id === chosen) ?? (tab === 'notes' ? notes[0] : questions[0])
	);
	const asideCount = $derived(session.pages.length - session.counted.length);
	const tabs = $derived([
		{ id: 'pages' as const, name: `Pages ${session.pages.length}` },
		{ id: 'notes' as const, name: `Notes ${notes.length}` },
		{ id: 'questions' as const, name: `Questions ${questions.length}` }
	]);

	$effect(() =>
		actions.offer(() => [
			{ label: 'Bring in page files', also: 'html import open', run: () => pagePicker?.click() },
			{
				label: 'Paste a page',
				also: 'clipboard import',
				run: () => ((tab = 'pages'), (isPasting = true))
			},
			{
				label: 'Bring in notes or questions',
				also: 'text markdown import',
				run: () => notePicker?.click()
			}
		])
	);

	async function bringPages(incoming: readonly Incoming[]) {
		if (!session.assignment || incoming.length === 0) return;
		isCancelled = false;
		work = { label: 'Cleaning', done: 0, all: incoming.length };
		try {
			const made = await bringInPages(session.assignment, incoming, {
				onProgress: ({ done, all, name }) => (work = { label: `Cleaning ${name}`, done, all }),
				isCancelled: () => isCancelled
			});
			show(made);
			tab = 'pages';
			chosen = made.pages[0]?.id ?? chosen;
		} catch (error) {
			tellStorageTrouble(error);
		} finally {
			work = null;
		}
	}

	async function bringNotes(items: readonly { name: string; text: string; kind: Note['kind'] }[]) {
		if (!session.assignment || items.length === 0) return;
		try {
			const made = await bringInNotes(session.assignment, items);
			show(made);
			chosen = made.notes[0]?.id ?? chosen;
			tab = made.notes[0]?.kind === 'questions' ? 'questions' : 'notes';
		} catch (error) {
			tellStorageTrouble(error);
		}
	}

	function show(made: ImportReport) {
		report = made.failed.length > 0 || made.isCancelled ? made : null;
	}

	function tellStorageTrouble(error: unknown) {
		const why = isStorageFull(error)
			? 'This browser has no room left. Deliver an archive of an old assignment and delete it, then try again.'
			: error instanceof Error
				? error.message
				: String(error);
		toast.error(`Nothing was brought in. ${why}`, { duration: 15_000 });
	}

	/** Sorts files by what they are: pages, question lists, notes. */
	async function bringFiles(files: Iterable<File>, wanted: 'pages' | 'notes' | 'any') {
		const pages: Incoming[] = [];
		const texts: { name: string; text: string; kind: Note['kind'] }[] = [];
		for (const file of files) {
			const isText =
				/\.(?:txt|md|markdown)$/i.test(file.name) ||
				(wanted === 'notes' && !/\.html?$/i.test(file.name));
			if (isText && wanted !== 'pages') {
				const text = await file.text();
				const lines = text.split('\n').filter((line) => line.trim() !== '');
				const asks = lines.filter((line) => /\?\s*[▾▼]?\s*$/.test(line)).length;
				texts.push({
					name: file.name,
					text,
					kind: asks > 0.5 * lines.length ? 'questions' : 'note'
				});
			} else {
				pages.push({
					name: file.name,
					origin: isText ? 'text' : 'file',
					bytes: new Uint8Array(await file.arrayBuffer()),
					text: ''
				});
			}
		}
		await bringNotes(texts);
		await bringPages(pages);
	}

	function toggle(item: Page) {
		const counted = !item.counted;
		void history.run({
			label: counted ? `Counted “${item.article.title}”` : `Set “${item.article.title}” aside`,
			redo: () => setCounted(item.id, counted),
			undo: () => setCounted(item.id, !counted)
		});
	}

	function strike(item: Page, struck: number[]) {
		const before = [...item.struck];
		void history.run(
			{
				label: struck.length > before.length ? 'Struck out a block' : 'Brought a block back',
				redo: () => setStruck(item.id, struck),
				undo: () => setStruck(item.id, before)
			},
			{ quiet: true }
		);
	}

	function remove(kind: 'page' | 'note', id: string, name: string) {
		let taken: Awaited<ReturnType<typeof takeEvidence>> | null = null;
		void history.run({
			label: `Took “${name}” out`,
			redo: async () => {
				taken = await takeEvidence(kind === 'page' ? [id] : [], kind === 'note' ? [id] : []);
			},
			undo: async () => {
				if (taken) await addEvidence(taken.pages, taken.sources, taken.notes);
			}
		});
	}
</script>

<input
	bind:this={pagePicker}
	type="file"
	accept=".html,.htm,.xhtml,.md,.txt"
	multiple
	class="hidden"
	aria-label="Page files"
	onchange={(event) =>
		void bringFiles([...(event.currentTarget.files ?? [])], 'pages').then(
			() => pagePicker && (pagePicker.value = '')
		)}
/>
<input
	bind:this={notePicker}
	type="file"
	accept=".md,.markdown,.txt"
	multiple
	class="hidden"
	aria-label="Note files"
	onchange={(event) =>
		void bringFiles([...(event.currentTarget.files ?? [])], 'notes').then(
			() => notePicker && (notePicker.value = '')
		)}
/>

<div
	class="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,520px)] max-lg:grid-cols-1 max-lg:overflow-y-auto"
>
	<section class="flex min-h-0 flex-col px-5 pt-3 max-sm:px-3" aria-label="Evidence">
		<div class="flex flex-wrap items-end gap-5 border-b border-rule">
			<Tabs label="Kinds of evidence" {tabs} bind:value={tab} />
			<div class="ml-auto flex gap-2 pb-2">
				{#if tab === 'pages'}
					<button class="act" onclick={() => (isPasting = !isPasting)} aria-expanded={isPasting}
						>Paste a page</button
					>
					<button class="act chief" onclick={() => pagePicker?.click()}>Bring in files</button>
				{:else}
					<button class="act" onclick={() => (isPasting = !isPasting)} aria-expanded={isPasting}
						>Paste text</button
					>
					<button class="act chief" onclick={() => notePicker?.click()}>Bring in files</button>
				{/if}
			</div>
		</div>

		{#if work}
			<div class="py-2">
				<ProgressLine
					label={work.label}
					done={work.done}
					all={work.all}
					oncancel={() => (isCancelled = true)}
				/>
			</div>
		{/if}
		{#if report}
			<div class="my-2 border-l-2 border-error py-1 pl-3" role="alert">
				{#if report.isCancelled}<p>
						Stopped. {countOf(report.pages.length, 'page')} had come in.
					</p>{/if}
				{#each report.failed as { name, reason } (name)}
					<p><strong>{name}</strong> was not brought in: {reason}.</p>
				{/each}
				<button class="linkish" onclick={() => (report = null)}>Close</button>
			</div>
		{/if}
		{#if isPasting}
			<PasteBox
				kind={tab}
				oncancel={() => (isPasting = false)}
				onpage={(incoming) => {
					isPasting = false;
					void bringPages([incoming]);
				}}
				ontext={(name, text) => {
					isPasting = false;
					void bringNotes([{ name, text, kind: tab === 'questions' ? 'questions' : 'note' }]);
				}}
			/>
		{/if}

		{#if tab === 'pages'}
			{#if session.pages.length === 0}
				<div class="max-w-md py-8">
					<p class="font-serif text-lg">
						Bring the pages that rank for “{session.assignment?.keyword}”.
					</p>
					<p class="mt-2 text-ink-2">
						Save each page from the browser as HTML and drop the files here, or copy a page and
						paste it: its headings come along. Menus, notices and advertisements are taken out.
					</p>
				</div>
			{:else}
				<p class="py-2 text-ink-2">
					{countOf(session.counted.length, 'page')} counted{asideCount > 0
						? `, ${asideCount} set aside`
						: ''}. Drop files anywhere, or paste a page you copied.
				</p>
				<PagesTable
					pages={session.pages}
					letters={session.letters}
					chosen={page?.id ?? null}
					onchoose={(id) => (chosen = id)}
					ontoggle={toggle}
				/>
			{/if}
		{:else}
			<NotesList
				kind={tab}
				items={tab === 'notes' ? notes : questions}
				signs={session.noteSigns}
				chosen={note?.id ?? null}
				onchoose={(id) => (chosen = id)}
			/>
		{/if}
	</section>

	<section
		class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-9 py-4 max-lg:border-t max-lg:border-l-0 max-sm:px-4"
		aria-label="Reading pane"
	>
		{#if tab === 'pages' && page}
			<ReadingPane
				{page}
				letter={session.letters.get(page.id) ?? null}
				onstrike={(struck) => strike(page, struck)}
				onremove={() => remove('page', page.id, page.article.title)}
				ontoggle={() => toggle(page)}
			/>
		{:else if tab !== 'pages' && note}
			<!-- a client's facts are changed elsewhere -->
			{#key note.client ? note.text : note.id}
				<NotePane
					{note}
					sign={session.noteSigns.get(note.id) ?? null}
					onsave={(text) => void saveNote({ ...note, text })}
					onremove={() => remove('note', note.id, note.name)}
				/>
			{/key}
		{:else}
			<p class="pt-6 text-ink-2">
				What you choose on the left is read here, cleaned, before it counts.
			</p>
		{/if}
	</section>
</div>

<DropZone
	label="Drop pages, notes or questions to bring them in"
	onfiles={(files) => void bringFiles(files, 'any')}
/>
