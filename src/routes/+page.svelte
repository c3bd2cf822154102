<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { liveQuery } from 'dexie';
	import { toast } from 'svelte-sonner';
	import {
		addAssignment,
		binAssignment,
		deleteAssignment,
		listAssignments,
		listBinned,
		putWhole,
		restoreAssignment
	} from '$lib/data/assignments';
	import { clientNamed, listClients } from '$lib/data/clients';
	import type { BundledArchive } from '$lib/core/deliver';
	import type { Assignment, Client } from '$lib/data/db';
	import { readSetting, saveSetting } from '$lib/data/settings';
	import { fetchDemo } from '$lib/services/demo';
	import NewAssignment from '$lib/ui/assignment/NewAssignment.svelte';
	import { analysis } from '$lib/workers/client';
	import { actions } from '$lib/ui/frame/actions.svelte';
	import { history } from '$lib/ui/frame/history.svelte';
	import TopLine from '$lib/ui/frame/TopLine.svelte';
	import AssignmentList from '$lib/ui/list/AssignmentList.svelte';
	import BundleChoice from '$lib/ui/list/BundleChoice.svelte';
	import Copies from '$lib/ui/list/Copies.svelte';
	import { dailyCopy } from '$lib/ui/list/daily-copy.svelte';
	import { download } from '$lib/ui/parts/download';
	import DropZone from '$lib/ui/parts/DropZone.svelte';
	import ProgressLine from '$lib/ui/parts/ProgressLine.svelte';

	let assignments = $state.raw<Assignment[]>();
	let binned = $state.raw<Assignment[]>([]);
	let clients = $state.raw<Client[]>([]);
	let isAdding = $state(false);
	let work = $state<{ label: string; done: number; all: number } | null>(null);
	let picker = $state<HTMLInputElement>();
	/** A file of several assignments that waits for a choice. */
	let bundle = $state.raw<{ name: string; archives: readonly BundledArchive[] } | null>(null);

	$effect(() => {
		const all = liveQuery(listAssignments).subscribe((value) => (assignments = value));
		const bin = liveQuery(listBinned).subscribe((value) => (binned = value));
		const known = liveQuery(listClients).subscribe((value) => (clients = value));
		return () => {
			known.unsubscribe();
			all.unsubscribe();
			bin.unsubscribe();
		};
	});
	$effect(() => {
		void offerDemoAtStart();
		void dailyCopy.begin().then((isWritten) => {
			if (isWritten) toast(`Today’s copy of all assignments is in “${dailyCopy.folder}”.`);
		});
	});
	$effect(() =>
		actions.offer(() => [
			{ label: 'New assignment', run: () => (isAdding = true) },
			{ label: 'Bring in an archive', also: 'import zip open', run: () => picker?.click() },
			{ label: 'Bring in the sample assignment', also: 'demo', run: () => void loadDemo() }
		])
	);

	/** Where the app was started to show the demo, the first visit brings it in. */
	async function offerDemoAtStart() {
		if (await readSetting('demo-offered')) return;
		const reply = await fetchDemo();
		if (reply.kind !== 'demo' || !reply.demo.atStart) return;
		await saveSetting('demo-offered', true);
		if ((await listAssignments()).length === 0) await loadDemo();
	}

	async function loadDemo() {
		const reply = await fetchDemo();
		if (reply.kind !== 'demo') {
			toast.error(
				'The sample could not be fetched. Check that Corvan’s server still runs, then try again.'
			);
			return;
		}
		work = { label: 'Cleaning pages', done: 0, all: reply.demo.files.length };
		try {
			// importers bring half the core along, which the list of assignments does not need
			const { bringInDemo } = await import('$lib/ui/assignment/bring-in');
			await bringInDemo(
				reply.demo,
				({ done, all }) => (work = { label: 'Cleaning pages', done, all })
			);
		} finally {
			work = null;
		}
	}

	async function add({
		client,
		...values
	}: Omit<Parameters<typeof addAssignment>[0], 'client'> & { client: string }) {
		const assignment = await addAssignment({
			...values,
			client: (await clientNamed(client))?.id ?? null
		});
		isAdding = false;
		if ((assignments?.length ?? 0) === 0) await askToKeep();
		await goto(resolve('/a/[id]/gather', { id: assignment.id }));
	}

	/** Browsers clear what nobody asked them to keep when their disk runs full. */
	async function askToKeep() {
		const isKept = await navigator.storage?.persist?.().catch(() => false);
		if (isKept === false)
			toast(
				'This browser may clear its storage when the disk is full. Save a copy of all assignments now and then: the button is at the end of the list.',
				{ duration: 10_000 }
			);
	}

	async function bringIn(files: Iterable<File> | null) {
		for (const file of files ?? []) {
			const bytes = new Uint8Array(await file.arrayBuffer());
			const { readBundle } = await import('$lib/ui/list/copies');
			const several = readBundle(bytes);
			if (several.kind === 'read') bundle = { name: file.name, archives: several.archives };
			else if (several.kind === 'refused') refuse(file.name, several.reason);
			else await bringInOne(file.name, bytes);
		}
		if (picker) picker.value = '';
	}

	async function bringInOne(name: string, bytes: Uint8Array): Promise<Assignment | null> {
		const { bringInArchive } = await import('$lib/ui/assignment/bring-in');
		const label = `Reading ${name}`;
		work = { label, done: 0, all: 1 };
		try {
			const result = await bringInArchive(bytes, ({ done, all }) => (work = { label, done, all }));
			if (result.kind === 'refused') {
				refuse(name, result.reason);
				return null;
			}
			toast.success(`Brought in “${result.assignment.title}”.`);
			return result.assignment;
		} finally {
			work = null;
		}
	}

	function refuse(name: string, reason: string) {
		toast.error(`${name} was not brought in: ${reason}.`, { duration: 12_000 });
	}

	async function bringInChosen(archives: readonly BundledArchive[]) {
		bundle = null;
		let count = 0;
		for (const { title, bytes } of archives) if (await bringInOne(title, bytes)) count++;
		if (count > 1) toast.success(`Brought in ${count} assignments.`);
	}

	/** Everything of it once more, as an assignment of its own. */
	async function copy({ id, title }: Assignment) {
		const { archiveBytes } = await import('$lib/ui/list/copies');
		const bytes = await archiveBytes(id);
		if (bytes) await bringInOne(title, bytes);
	}

	async function save({ id, title }: Assignment) {
		const { archiveBytes, archiveName } = await import('$lib/ui/list/copies');
		const bytes = await archiveBytes(id);
		if (bytes) download(archiveName(title), bytes, 'application/zip');
	}

	function bin({ id, title }: Assignment) {
		void history.run({
			label: `Put “${title}” in the bin`,
			redo: () => binAssignment(id),
			undo: () => restoreAssignment(id)
		});
	}

	async function deleteForGood({ id, title }: Assignment) {
		let whole: Awaited<ReturnType<typeof deleteAssignment>> = null;
		await history.run({
			label: `Deleted “${title}”`,
			redo: async () => {
				whole = await deleteAssignment(id);
				// what was worked out from it goes with it
				await analysis.forgetKept();
			},
			undo: async () => {
				if (whole) await putWhole(whole);
			}
		});
	}
</script>

<svelte:head><title>Assignments · Corvan</title></svelte:head>

<DropZone label="Drop an archive to bring it in" onfiles={(files) => void bringIn(files)} />

<TopLine>
	<nav class="ml-auto flex gap-5" aria-label="Desk">
		<a class="text-ink-2 hover:text-ink" href={resolve('/scout')}>Scout</a>
		<a class="text-ink-2 hover:text-ink" href={resolve('/clients')}>Clients</a>
		<a class="text-ink-2 hover:text-ink" href={resolve('/settings')}>Settings</a>
	</nav>
</TopLine>

<main class="mx-auto max-w-5xl px-5 py-8">
	<div class="mb-6 flex flex-wrap items-baseline gap-3">
		<h1 class="text-2xl">Assignments</h1>
		<div class="ml-auto flex gap-2">
			<button class="act" onclick={() => picker?.click()}>Bring in an archive</button>
			<button class="act chief" onclick={() => (isAdding = !isAdding)} aria-expanded={isAdding}
				>New assignment</button
			>
		</div>
	</div>
	<input
		bind:this={picker}
		type="file"
		accept=".zip"
		multiple
		class="hidden"
		aria-label="Archive to bring in"
		onchange={(event) => void bringIn(event.currentTarget.files)}
	/>

	{#if work}<div class="mb-4">
			<ProgressLine label={work.label} done={work.done} all={work.all} />
		</div>{/if}

	{#if bundle}
		<BundleChoice
			name={bundle.name}
			archives={bundle.archives}
			here={[...(assignments ?? []), ...binned]}
			onbring={(archives) => void bringInChosen(archives)}
			oncancel={() => (bundle = null)}
		/>
	{/if}

	{#if isAdding}
		<section class="mb-8 border-y border-rule py-5" aria-label="New assignment">
			<NewAssignment
				submit="Make the assignment"
				clients={clients.map(({ name }) => name)}
				onsubmit={(values) => void add(values)}
				oncancel={() => (isAdding = false)}
			/>
		</section>
	{/if}

	{#if assignments === undefined}
		<p class="text-ink-2">Reading what is stored in this browser …</p>
	{:else if assignments.length === 0 && !isAdding && !work}
		<div class="max-w-xl border-t border-rule pt-5">
			<p class="font-serif text-lg">
				Bring a keyword, the pages that already rank for it, and what you know yourself.
			</p>
			<p class="mt-2 text-ink-2">
				Corvan reads all of it, works out what a good article has to hold and where, and carries
				that into an outline and a draft. Everything stays in this browser.
			</p>
			<p class="mt-4 flex gap-2">
				<button class="act chief" onclick={() => (isAdding = true)}
					>Make the first assignment</button
				>
				<button class="act" onclick={() => void loadDemo()}>Look at the sample</button>
			</p>
		</div>
	{:else}
		<AssignmentList
			{assignments}
			{clients}
			oncopy={(assignment) => void copy(assignment)}
			onsave={(assignment) => void save(assignment)}
			onbin={bin}
		/>
	{/if}

	{#if assignments && assignments.length > 0}
		<Copies onprogress={(now) => (work = now)} />
	{/if}

	{#if binned.length > 0}
		<details class="mt-10">
			<summary class="text-ink-2">In the bin: {binned.length}</summary>
			<ul class="mt-2">
				{#each binned as assignment (assignment.id)}
					<li class="flex items-baseline gap-3 border-t border-rule py-2 text-ink-2">
						<span class="flex-1">{assignment.title}</span>
						<button class="linkish" onclick={() => void restoreAssignment(assignment.id)}
							>Take out</button
						>
						<button class="linkish" onclick={() => void deleteForGood(assignment)}>Delete</button>
					</li>
				{/each}
			</ul>
		</details>
	{/if}
</main>
