<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { liveQuery } from 'dexie';
	import { listClients } from '$lib/data/clients';
	import type { Client } from '$lib/data/db';
	import TopLine from '$lib/ui/frame/TopLine.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { LATER } from '$lib/ui/frame/parts-later';

	let clients = $state.raw<readonly Client[]>([]);
	const scope = $derived(page.url.searchParams.get('client') ?? '');

	$effect(() => {
		const known = liveQuery(listClients).subscribe((value) => (clients = value));
		return () => known.unsubscribe();
	});

	function choose(id: string) {
		void goto(id === '' ? resolve('/scout') : resolve(`/scout?client=${id}`));
	}
</script>

<svelte:head><title>Scout · Corvan</title></svelte:head>

<div class="flex h-dvh flex-col">
	<TopLine title="Scout">
		<label class="ml-auto flex items-center gap-2">
			<span class="text-ink-2">Lists of</span>
			<select
				class="field w-auto! py-0.5!"
				value={scope}
				onchange={(event) => choose(event.currentTarget.value)}
			>
				<option value="">no client</option>
				{#each clients as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select>
		</label>
	</TopLine>
	<main class="min-h-0 flex-1">
		<h1 class="sr-only">Scout</h1>
		{#key scope}
			<Later
				load={LATER.scout}
				props={{
					scope,
					onassignment: (id: string) => void goto(resolve('/a/[id]/brief', { id }))
				}}
			/>
		{/key}
	</main>
</div>
