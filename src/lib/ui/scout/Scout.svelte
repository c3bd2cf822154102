<!-- Scout: keyword lists put together, what can be won in them, and the assignment made from it. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import { toast } from 'svelte-sonner';
	import { phraseKeyOf, type ScoutRow } from '$lib/core/keywords';
	import type { Scope } from '$lib/data/db';
	import { readSetting, saveSetting } from '$lib/data/settings';
	import { actions } from '../frame/actions.svelte';
	import { download } from '../parts/download';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import DropZone from '../parts/DropZone.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import { COLUMNS, USUAL_COLUMNS, type ColumnId } from './columns';
	import { ScoutLists } from './scout-lists.svelte';
	import FilterMenu from './FilterMenu.svelte';
	import { phrasesShown } from './format';
	import { phrasesText, shownCsv, type CopyForm } from './hand-over';
	import ImportPanel from './ImportPanel.svelte';
	import { ListImport } from './list-import.svelte';
	import ListsMenu from './ListsMenu.svelte';
	import { makeAssignmentFrom } from './make-assignment';
	import PhrasePane from './phrase/PhrasePane.svelte';
	import ScoutTable from './ScoutTable.svelte';

	interface Props {
		/** Whose lists: a client's id, or empty for none. */
		scope: Scope;
		/** Keyword of the assignment that is open, to start from. */
		keyword?: string;
		/** Takes a phrase as keyword of the assignment that is open. */
		onkeyword?: (phrase: string) => void;
		/** Opens an assignment that was made. */
		onassignment: (id: string) => void;
	}
	let { scope, keyword = '', onkeyword, onassignment }: Props = $props();

	// made anew for each scope
	// svelte-ignore state_referenced_locally
	const scout = new ScoutLists(scope);
	// svelte-ignore state_referenced_locally
	scout.chosenKey = keyword ? phraseKeyOf(keyword) : null;
	$effect(() => scout.open());
	$effect(() => scout.followClusters());

	let columns = $state.raw<readonly ColumnId[]>(USUAL_COLUMNS);
	$effect(() => {
		void readSetting('scout-columns').then((kept) => {
			if (Array.isArray(kept))
				columns = COLUMNS.map(({ id }) => id).filter((id) => kept.includes(id));
		});
	});
	const imports = new ListImport(scout);
	let adding = $state<'paste' | 'type' | 'titles' | 'results' | null>(null);
	let pasted = $state('');
	let resultsFor = $state('');
	let picker = $state<HTMLInputElement>();
	let resultsPicker = $state<HTMLInputElement>();
	let clusterName = $state('');
	let openAdd = $state(false);

	const ASKS = {
		paste: 'Paste lines, or cells copied from a planner or spreadsheet',
		type: 'Type phrases, one on a line',
		titles: 'Paste phrases with the number of pages that have each in their title',
		results: 'Paste who ranks: position, address, title, strength, kind, words, date.'
	} as const;
	const scopeName = $derived(scout.client?.name ?? 'no client');
	const many = $derived(scout.clusters.filter(({ members }) => members.length > 1));
	const ticked = $derived(scout.tickedRows);

	$effect(() =>
		actions.offer(() => [
			{ label: 'Bring in keyword lists', also: 'csv import planner', run: () => picker?.click() },
			{ label: 'Paste phrases', also: 'clipboard import', run: () => (adding = 'paste') },
			{
				label: 'Bring in a results list',
				also: 'ranks serp csv',
				run: () => openResults('')
			},
			{ label: 'Export the phrases shown as CSV', run: exportCsv },
			...(scout.stale.length > 0
				? [
						{
							label: 'Make all passed years this year’s',
							run: () => void scout.freshen(scout.stale)
						}
					]
				: []),
			...(scout.chosen
				? [
						{
							label: `Make an assignment of “${scout.chosen.phrase}”`,
							run: () => void assign(scout.chosen!)
						}
					]
				: [])
		])
	);

	async function addPasted(event: SubmitEvent) {
		event.preventDefault();
		if (pasted.trim() === '') return;
		const first = pasted.trim().split('\n')[0]!.split('\t')[0]!.slice(0, 40);
		const text = pasted;
		const wanted = adding;
		pasted = '';
		adding = null;
		if (wanted === 'results')
			await imports.takeResults({ bytes: null, text }, 'pasted', resultsFor);
		else if (wanted === 'type') await imports.addPhrases(text.split(/[\n;]/), `Typed: ${first}`);
		else
			await imports.readOne(
				{ name: `Pasted: ${first}`, origin: 'paste', bytes: null, text },
				// a bare count beside a phrase would be taken for its searches
				wanted === 'titles' ? { 0: 'phrase', 1: 'titleMatches' } : {}
			);
	}

	async function pickLists(files: FileList | null) {
		await imports.readFiles([...(files ?? [])]);
		if (picker) picker.value = '';
	}

	async function pickResults(file: File | undefined) {
		adding = null;
		if (!file) return;
		const bytes = new Uint8Array(await file.arrayBuffer());
		await imports.takeResults({ bytes, text: '' }, 'imported', resultsFor);
		if (resultsPicker) resultsPicker.value = '';
	}

	function openResults(phrase: string) {
		resultsFor = phrase;
		adding = 'results';
	}

	function exportCsv() {
		download('scout.csv', shownCsv(scout), 'text/csv;charset=utf-8');
	}

	async function copy(form: CopyForm) {
		const rows = ticked.length > 0 ? ticked : scout.shown;
		await navigator.clipboard.writeText(phrasesText(rows, form));
		toast(`Copied ${phrasesShown(rows.length)}.`);
	}

	async function assign(row: ScoutRow) {
		const cluster = scout.clusters.find(({ members }) => members.includes(row.key));
		const rows = (cluster?.members ?? [row.key]).flatMap((key) => scout.byKey.get(key) ?? []);
		const id = await makeAssignmentFrom(row, rows, scope);
		toast.success(`Made the assignment “${row.phrase}”.`);
		onassignment(id);
	}

	function toggleColumn(id: ColumnId) {
		const on = new Set(columns);
		if (on.has(id)) on.delete(id);
		else on.add(id);
		columns = COLUMNS.map((column) => column.id).filter((each) => on.has(each));
		void saveSetting('scout-columns', columns);
	}
</script>

<input
	bind:this={picker}
	type="file"
	accept=".csv,.tsv,.txt,.tab"
	multiple
	class="hidden"
	aria-label="Keyword list files"
	onchange={(event) => void pickLists(event.currentTarget.files)}
/>
<input
	bind:this={resultsPicker}
	type="file"
	accept=".csv,.tsv,.txt"
	class="hidden"
	aria-label="Results list file"
	onchange={(event) => void pickResults(event.currentTarget.files?.[0])}
/>

<div class="grid h-full grid-cols-[minmax(0,1fr)_300px] max-lg:block max-lg:overflow-y-auto">
	<section
		class="flex min-h-0 min-w-0 flex-col px-5 pt-3 max-lg:h-[75dvh] max-sm:px-3"
		aria-label="Keywords"
	>
		<div class="flex flex-wrap items-center gap-2 pb-2">
			<Popup label="Bring in a list" button="act chief" width="15rem" bind:open={openAdd}>
				{#snippet children(close)}
					<MenuItems
						items={[
							['Files: CSV, TSV, text', () => picker?.click()],
							['Paste from a planner or spreadsheet', () => (adding = 'paste')],
							['Type phrases', () => (adding = 'type')],
							['Paste counts of titles', () => (adding = 'titles')],
							['A list of who ranks', () => openResults('')]
						]}
						onclose={close}
					/>
				{/snippet}
			</Popup>
			{#if scout.lists.length > 0}
				<FilterMenu
					filters={scout.filters}
					saved={scout.saved}
					clusters={many.map(({ name }) => name)}
					onfilters={(filters) => (scout.filters = filters)}
					onsaved={(saved) => void scout.saveFilters(saved)}
				/>
				<Popup label="Columns" width="12rem">
					{#each COLUMNS.filter(({ id }) => id !== 'phrase') as { id, name, title } (id)}
						<label class="flex items-center gap-2" {title}
							><input
								type="checkbox"
								class="checkbox checkbox-xs"
								checked={columns.includes(id)}
								onchange={() => toggleColumn(id)}
							/>{name}</label
						>
					{/each}
				</Popup>
				<ListsMenu
					lists={scout.lists}
					struck={scout.struck}
					onchange={(list, label, values) => void scout.changeList(list, label, values)}
					onremove={(list) => void scout.removeList(list)}
					onrestore={(keys) =>
						void scout.note(
							`Brought “${keys[0]}” back`,
							keys.map((key) => ({ key, isStruck: false }))
						)}
				/>
				<button class="act" title="The phrases shown, as CSV" onclick={exportCsv}>Export</button>
				<p class="ml-auto text-ink-2">
					{scout.shown.length === scout.rows.length
						? phrasesShown(scout.rows.length)
						: `${scout.shown.length.toLocaleString('en')} of ${phrasesShown(scout.rows.length)}`}
					{scout.clusters.length > 0
						? `in ${scout.clusters.length.toLocaleString('en')} clusters`
						: ''}
					{#if scout.stale.length > 0}
						· {scout.stale.length === 1 ? 'one passed year' : `${scout.stale.length} passed years`}
						<button class="linkish" onclick={() => void scout.freshen(scout.stale)}
							>make {scout.stale.length === 1 ? 'it' : 'them'} {new Date().getFullYear()}</button
						>{/if}
				</p>
			{/if}
		</div>

		{#if scout.trouble}<p class="pb-2 text-error" role="alert">{scout.trouble}</p>{/if}
		{#if imports.work}<div class="pb-2">
				<ProgressLine
					label={imports.work.label}
					done={imports.work.done}
					all={imports.work.all}
					oncancel={() => imports.stop()}
				/>
			</div>
		{:else if scout.clusterProgress && scout.rows.length > 2000}<div class="pb-2">
				<ProgressLine
					label="Putting phrases into clusters"
					done={scout.clusterProgress.done}
					all={scout.clusterProgress.all}
				/>
			</div>{/if}

		{#if adding}
			<form class="mb-3 border-y border-rule py-3" onsubmit={addPasted}>
				<label class="block">
					<span class="font-semibold"
						>{ASKS[adding]}{adding === 'results' && resultsFor
							? ` It is for “${resultsFor}”.`
							: ''}</span
					>
					<textarea class="field mt-1 h-28" bind:value={pasted} {@attach focused}></textarea>
				</label>
				<div class="mt-2 flex gap-2">
					<button class="act chief" disabled={pasted.trim() === ''}
						>{adding === 'type' ? 'Add them' : 'Read it'}</button
					>
					{#if adding === 'results'}<button
							type="button"
							class="act"
							onclick={() => resultsPicker?.click()}>Choose a file</button
						>{/if}
					<button type="button" class="act" onclick={() => ((adding = null), (pasted = ''))}
						>Cancel</button
					>
				</div>
			</form>
		{/if}
		{#if imports.incoming.length > 0}
			<ImportPanel
				lists={imports.incoming}
				{scopeName}
				onmeaning={(id, column, meaning) => void imports.changeMeaning(id, column, meaning)}
				onbring={() => void imports.bring()}
				oncancel={() => (imports.incoming = [])}
			/>
		{/if}

		{#if ticked.length > 0}
			<div
				class="mb-2 flex flex-wrap items-center gap-2 border-y border-rule bg-wash px-2 py-1.5"
				role="group"
				aria-label="What to do with the ticked phrases"
			>
				<strong>{ticked.length} ticked</strong>
				<button class="act" onclick={() => void imports.ask(ticked)}>Ask who ranks (sample)</button>
				{#if ticked.some(({ stale }) => stale)}<button
						class="act"
						onclick={() => void scout.freshen(ticked)}>Make them {new Date().getFullYear()}</button
					>{/if}
				<Popup label="One cluster" width="17rem">
					{#snippet children(close)}
						<form
							class="flex gap-2"
							onsubmit={(event) => {
								event.preventDefault();
								const name = clusterName.trim();
								if (name === '') return;
								close();
								clusterName = '';
								void scout.putInto(
									name,
									ticked.map(({ key }) => key),
									`Put ${ticked.length} phrases into “${name}”`
								);
							}}
						>
							<input
								class="field"
								bind:value={clusterName}
								placeholder="Name"
								aria-label="Name of the cluster for the ticked"
								list="cluster-names"
							/><button class="act">Put</button>
							<datalist id="cluster-names"
								>{#each many as { id, name } (id)}<option value={name}></option>{/each}</datalist
							>
						</form>
					{/snippet}
				</Popup>
				<Popup label="Copy" width="12rem">
					{#snippet children(close)}
						<MenuItems
							items={[
								['as lines', () => void copy('lines')],
								['with commas', () => void copy('commas')],
								['with volumes, for a sheet', () => void copy('table')],
								['as a Markdown table', () => void copy('markdown')]
							]}
							onclose={close}
						/>
					{/snippet}
				</Popup>
				<button class="act" onclick={() => void scout.strike(ticked)}>Strike</button>
				<button class="act" onclick={() => (scout.ticked = new Set())}>Untick</button>
			</div>
		{/if}

		{#if keyword && scout.isRead && scout.lists.length > 0 && !scout.byKey.has(phraseKeyOf(keyword))}
			<p class="pb-2">
				“{keyword}”, the keyword of this assignment, stands in none of these lists.
				<button
					class="linkish"
					onclick={() => void imports.addPhrases([keyword], 'Keywords of assignments')}
					>Add it</button
				>
			</p>
		{/if}
		{#if !scout.isRead}
			<p class="text-ink-2" role="status">Reading the lists …</p>
		{:else if scout.lists.length === 0}
			<div class="max-w-lg py-6">
				<p class="font-serif text-lg">Bring the keyword lists of {scopeName}.</p>
				<p class="mt-2 text-ink-2">
					Any planner’s export will do: CSV or TSV, any encoding, with ranges such as “1K – 10K”.
					Drop the files here, paste cells from a spreadsheet, or type phrases. Corvan puts them
					together, says which are open, and makes the assignment.
				</p>
			</div>
		{:else if scout.shown.length === 0}
			<p class="py-4 text-ink-2">
				No phrase meets these conditions. <button
					class="linkish"
					onclick={() => (scout.filters = [])}>Show all {scout.rows.length}</button
				>
			</p>
		{:else}
			<ScoutTable
				rows={scout.shown}
				{columns}
				clusterOf={scout.clusterOf}
				sorting={scout.sorting}
				ticked={scout.ticked}
				chosen={scout.chosen?.key ?? null}
				onsort={(sorting) => (scout.sorting = sorting)}
				ontick={(keys) => (scout.ticked = keys)}
				onchoose={(key) => (scout.chosenKey = key)}
			/>
		{/if}
	</section>

	<aside
		class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-4 py-4 max-lg:overflow-visible max-lg:border-t max-lg:border-l-0"
		aria-label="The phrase in hand"
	>
		{#if scout.chosen}
			{@const row = scout.chosen}
			<PhrasePane
				{row}
				cluster={scout.chosenCluster}
				clusters={scout.clusters}
				rows={scout.byKey}
				weights={scout.weights}
				onweights={(weights) => void scout.setWeights(weights)}
				ontitles={(count) =>
					void scout.note(
						`Set the title matches of “${row.phrase}”`,
						[{ key: row.key, titleMatches: count === null ? null : { count, origin: 'typed' } }],
						{ quiet: true }
					)}
				onintent={(intent) =>
					void scout.note(`Set the intent of “${row.phrase}”`, [{ key: row.key, intent }], {
						quiet: true
					})}
				oncluster={(name, keys, label) => void scout.putInto(name, keys, label)}
				onask={() => void imports.ask([row])}
				onresults={() => openResults(row.phrase)}
				onchoose={(key) => (scout.chosenKey = key)}
				onadd={(phrases, name) => void imports.addPhrases(phrases, name)}
				onfreshen={() => void scout.freshen([row])}
				onassign={() => void assign(row)}
				isKeyword={keyword !== '' && row.key === phraseKeyOf(keyword)}
				onkeyword={onkeyword && (() => onkeyword(row.phrase))}
			/>
		{:else}
			<p class="pt-4 text-ink-2">The phrase in hand is explained here.</p>
		{/if}
	</aside>
</div>

<DropZone
	label="Drop keyword lists to bring them in"
	onfiles={(files) => void imports.readFiles(files)}
/>
