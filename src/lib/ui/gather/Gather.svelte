<!-- Gather: pages, notes and questions as they come in, beside the page in hand. -->
<script lang="ts">
	import { page as location } from '$app/state';
	import type { AwaitedPage, Note } from '$lib/data/db';
	import { saveNote } from '$lib/data/pages';
	import type { FileAim } from '$lib/workers/client';
	import { actions } from '../frame/actions.svelte';
	import DropZone from '../parts/DropZone.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import { useSession } from '../assignment/session.svelte';
	import AddressBox from './AddressBox.svelte';
	import { countOf } from '../parts/count-of';
	import {
		changeUnits,
		readPageAgain,
		takeFromPage,
		strikeBlocks,
		strikeLike,
		takeOffer,
		takeOut,
		toggleCounted
	} from './change-evidence';
	import { isInBrief } from './units/brief-offer';
	import { EvidenceImport } from './evidence-import.svelte';
	import type { Delivery, ImportReport } from './import-report';
	import ImportSummary from './ImportSummary.svelte';
	import NotesList from './NotesList.svelte';
	import PagesTable from './PagesTable.svelte';
	import PasteBox from './PasteBox.svelte';
	import { pastedOutside, type Pasted } from './pasted';
	import ReadingPane from './ReadingPane.svelte';
	import RepeatsBox from './RepeatsBox.svelte';
	import ResultsBox from './ResultsBox.svelte';
	import NotePane from './NotePane.svelte';

	const session = useSession();
	type Tab = 'pages' | 'notes' | 'transcripts' | 'questions';
	type Box = 'paste' | 'address' | 'results';
	let tab = $state<Tab>('pages');
	/** A page that another stage asks to see, and the sentence it is to be opened at. */
	const asked = $derived({
		page: location.url.searchParams.get('page'),
		says: location.url.searchParams.get('says')
	});
	let chosen = $state<string | null>(location.url.searchParams.get('page'));
	let box = $state<Box | null>(null);
	let pasted = $state.raw<Pasted | null>(null);
	const incoming = new EvidenceImport(() => session.assignment, show);
	let pagePicker = $state<HTMLInputElement>();
	let notePicker = $state<HTMLInputElement>();

	const KIND_OF = { notes: 'note', transcripts: 'transcript', questions: 'questions' } as const;
	const TAB_OF = { note: 'notes', transcript: 'transcripts', questions: 'questions' } as const;
	const listed = $derived(
		tab === 'pages' ? [] : session.notes.filter(({ kind }) => kind === KIND_OF[tab as never])
	);
	const page = $derived(
		session.pages.find(({ id }) => id === chosen) ?? session.counted[0] ?? session.pages[0]
	);
	const note = $derived(listed.find(({ id }) => id === chosen) ?? listed[0]);
	const asideCount = $derived(session.pages.length - session.counted.length);
	const countKind = (kind: string) => session.notes.filter((one) => one.kind === kind).length;
	const tabs = $derived([
		{ id: 'pages' as const, name: `Pages ${session.pages.length}` },
		{ id: 'notes' as const, name: `Notes ${countKind('note')}` },
		{ id: 'transcripts' as const, name: `Transcripts ${countKind('transcript')}` },
		{ id: 'questions' as const, name: `Questions ${countKind('questions')}` }
	]);

	$effect(() =>
		actions.offer(() => [
			{
				label: 'Bring in page files',
				also: 'html mht zip import open',
				run: () => pagePicker?.click()
			},
			{ label: 'Paste a page', also: 'clipboard import', run: () => open('paste', 'pages') },
			{
				label: 'Bring in pages by address',
				also: 'url fetch web',
				run: () => open('address', 'pages')
			},
			{
				label: 'Pick pages from who ranks',
				also: 'results serp search',
				run: () => open('results', 'pages')
			},
			{
				label: 'Bring in notes, transcripts or questions',
				also: 'text markdown docx pdf subtitles import',
				run: () => notePicker?.click()
			}
		])
	);
	// nothing that has been read is lost when the writer leaves before answering
	$effect(() => () => incoming.leave());

	function open(which: Box, at: Tab = tab) {
		tab = at;
		pasted = null;
		box = which;
	}

	function bring(delivery: Delivery): Promise<void> {
		if (!incoming.work) box = null;
		return incoming.bring(delivery);
	}

	function show({ pages, notes, awaited }: ImportReport) {
		if (pages.length > 0 || awaited.length > 0) {
			tab = 'pages';
			chosen = pages[0]?.id ?? chosen;
		} else if (notes[0]) {
			tab = TAB_OF[notes[0].kind];
			chosen = notes[0].id;
		}
	}

	function bringFiles(files: readonly File[], aim: FileAim) {
		if (files.length > 0) void bring({ files, aim });
	}

	function pick(event: Event & { currentTarget: HTMLInputElement }, aim: FileAim) {
		const files = [...(event.currentTarget.files ?? [])];
		// the same file can be chosen again
		event.currentTarget.value = '';
		bringFiles(files, aim);
	}

	function onpaste(event: ClipboardEvent) {
		const found = pastedOutside(event);
		if (!found || incoming.work) return;
		event.preventDefault();
		const files = [...(event.clipboardData?.files ?? [])];
		if (files.length > 0) return bringFiles(files, 'any');
		pasted = found;
		box = 'paste';
	}

	/** Notes that are competitors' pages in truth: dropped text says nothing of which it is. */
	async function countAsPages(notes: readonly Note[]) {
		const pages = notes.map(({ name, text }) => ({
			name,
			origin: 'text' as const,
			bytes: null,
			text
		}));
		await bring({ pages });
		const came = new Set(incoming.report?.pages.map(({ name }) => name));
		const ids = notes.filter(({ name }) => came.has(name)).map(({ id }) => id);
		if (ids.length > 0) await takeOut('notes', ids, countOf(ids.length, 'note'));
	}

	function retry(rows: readonly AwaitedPage[]) {
		void bring({
			addresses: rows.map(({ id, address, title, result }) => ({
				address,
				title,
				result,
				awaited: id
			}))
		});
	}
</script>

<svelte:window {onpaste} />
<input
	bind:this={pagePicker}
	type="file"
	accept=".html,.htm,.xhtml,.mht,.mhtml,.zip,.md,.txt,.docx,.pdf"
	multiple
	class="hidden"
	aria-label="Page files"
	onchange={(event) => pick(event, 'pages')}
/>
<input
	bind:this={notePicker}
	type="file"
	accept=".md,.markdown,.txt,.docx,.pdf,.srt,.vtt,.sbv,.csv,.tsv,.json,.zip"
	multiple
	class="hidden"
	aria-label="Note files"
	onchange={(event) => pick(event, 'notes')}
/>

<div
	class="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,520px)] max-lg:grid-cols-1 max-lg:overflow-y-auto"
>
	<section class="flex min-h-0 flex-col px-5 pt-3 max-sm:px-3" aria-label="Evidence">
		<div class="flex flex-wrap items-end gap-x-4 border-b border-rule" style="--tab-gap: 14px">
			<Tabs label="Kinds of evidence" {tabs} bind:value={tab} />
			<div class="ml-auto flex flex-wrap gap-1.5 pb-2">
				{#if tab === 'pages'}
					<button
						class="act"
						aria-expanded={box === 'results'}
						onclick={() => (box === 'results' ? (box = null) : open('results'))}>Who ranks</button
					>
					<button
						class="act"
						aria-expanded={box === 'address'}
						onclick={() => (box === 'address' ? (box = null) : open('address'))}>By address</button
					>
				{/if}
				<button
					class="act"
					aria-expanded={box === 'paste'}
					onclick={() => (box === 'paste' ? (box = null) : open('paste'))}
					>{tab === 'pages' ? 'Paste a page' : 'Paste text'}</button
				>
				<button
					class="act chief"
					onclick={() => (tab === 'pages' ? pagePicker : notePicker)?.click()}
					>Bring in files</button
				>
			</div>
		</div>

		<div class="max-h-[60dvh] shrink-0 overflow-y-auto">
			{#if incoming.work && !incoming.repeats}
				<div class="py-2">
					<ProgressLine {...incoming.work} oncancel={() => incoming.stop()} />
				</div>
			{/if}
			{#if incoming.repeats}
				<RepeatsBox repeats={incoming.repeats} onchoose={(choices) => incoming.choose(choices)} />
			{/if}
			{#if incoming.report}
				<ImportSummary
					report={incoming.report}
					onopen={(id) => ((tab = 'pages'), (chosen = id))}
					onpages={(notes) => void countAsPages(notes)}
					onclose={() => (incoming.report = null)}
				/>
			{/if}
			{#if box === 'paste'}
				{#key pasted}
					<PasteBox
						kind={tab}
						first={pasted}
						oncancel={() => (box = null)}
						onbring={(delivery) => void bring(delivery)}
					/>
				{/key}
			{:else if box === 'address'}
				<AddressBox
					oncancel={() => (box = null)}
					onfetch={(addresses) => void bring({ addresses })}
				/>
			{:else if box === 'results' && session.assignment}
				<ResultsBox
					keyword={session.assignment.keyword}
					results={session.results}
					pages={session.pages}
					oncancel={() => (box = null)}
					onfetch={(addresses) => void bring({ addresses })}
				/>
			{/if}
		</div>

		{#if tab === 'pages'}
			{#if session.pages.length === 0 && session.awaited.length === 0}
				<div class="max-w-md py-8">
					<p class="font-serif text-lg">
						Bring the pages that rank for “{session.assignment?.keyword}”.
					</p>
					<p class="mt-2 text-ink-2">
						Pick them from who ranks, fetch them by address, or save pages from the browser and drop
						the files here. A page you copied can be pasted: its headings come along. Menus, notices
						and advertisements are taken out.
					</p>
					<p class="mt-3">
						<button class="act chief" onclick={() => open('results')}>See who ranks</button>
					</p>
				</div>
			{:else}
				<p class="py-2 text-ink-2">
					{countOf(session.counted.length, 'page')} counted{asideCount > 0
						? `, ${asideCount} set aside`
						: ''}. {session.findings && session.isCurrent
						? `Findings: ${session.findings.terms.length} terms, ${countOf(session.findings.topics.length, 'topic')}, ${countOf(session.findings.questions.length, 'question')}, ${countOf(session.findings.facts.length, 'fact')}.`
						: session.counted.length > 0
							? 'Findings follow…'
							: ''}
				</p>
				<PagesTable
					pages={session.pages}
					awaited={session.awaited}
					alike={session.alike}
					letters={session.letters}
					chosen={page?.id ?? null}
					onchoose={(id) => (chosen = id)}
					ontoggle={(item) => void toggleCounted(item)}
					onretry={retry}
					ongiveup={(rows) =>
						void takeOut(
							'awaited',
							rows.map(({ id }) => id),
							rows.length === 1
								? `“${rows[0]!.title || rows[0]!.address}”`
								: `${rows.length} addresses`
						)}
				/>
			{/if}
		{:else}
			<NotesList
				kind={tab}
				items={listed}
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
				keyword={session.assignment?.keyword ?? ''}
				pages={session.pages}
				letter={session.letters.get(page.id) ?? null}
				says={asked.page === page.id ? asked.says : null}
				onstrike={(struck) => void strikeBlocks(page, struck)}
				onstrikelike={(at) =>
					session.assignment && void strikeLike(session.assignment, session.pages, page, at)}
				onremove={() => void takeOut('pages', [page.id], `“${page.article.title || page.name}”`)}
				ontoggle={() => void toggleCounted(page)}
				ontake={() => void takeFromPage(page)}
				onread={async (source) =>
					session.assignment ? readPageAgain(session.assignment, page, source) : null}
			/>
		{:else if tab !== 'pages' && note}
			<!-- a client's facts are changed elsewhere -->
			{#key note.client ? note.text : note.id}
				<NotePane
					{note}
					sign={session.noteSigns.get(note.id) ?? null}
					onsave={(text) => saveNote({ ...note, text })}
					onremove={() => void takeOut('notes', [note.id], `“${note.name}”`)}
					onpage={() => void countAsPages([note])}
					onedits={(edits, label) => void changeUnits(note, edits, label)}
					onoffer={(offer) => void takeOffer(session, offer)}
					isTaken={(offer) =>
						session.assignment !== undefined &&
						session.assignment !== null &&
						isInBrief(offer, session.assignment.brief, session.assignment.targetWords)}
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
	label="Drop pages, notes, transcripts or questions to bring them in"
	onfiles={(files) => bringFiles(files, 'any')}
/>
