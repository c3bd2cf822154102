<script lang="ts">
	import { resolve } from '$app/paths';
	import { liveQuery } from 'dexie';
	import { readClient, readLinks } from '$lib/data/clients';
	import type { Client } from '$lib/data/db';
	import type { Link } from '$lib/core/clients';
	import Later from '$lib/ui/frame/Later.svelte';
	import { LATER } from '$lib/ui/frame/parts-later';
	import TopLine from '$lib/ui/frame/TopLine.svelte';

	let { params } = $props();
	let client = $state.raw<Client | null | undefined>();
	let links = $state.raw<readonly Link[] | undefined>();

	$effect(() => {
		const id = params.id;
		const one = liveQuery(() => readClient(id)).subscribe((value) => (client = value ?? null));
		const map = liveQuery(() => readLinks(id)).subscribe((value) => (links = value));
		return () => {
			one.unsubscribe();
			map.unsubscribe();
		};
	});
</script>

<svelte:head><title>{client?.name ?? 'Client'} · Corvan</title></svelte:head>
<div class="flex h-dvh flex-col">
	<TopLine title={client?.name ?? 'Client'}>
		<nav class="ml-auto flex gap-5" aria-label="Desk">
			<a class="text-ink-2 hover:text-ink" href={resolve(`/scout?client=${params.id}`)}
				>Its lists in Scout</a
			>
			<a class="text-ink-2 hover:text-ink" href={resolve('/clients')}>All clients</a>
		</nav>
	</TopLine>
	{#if client === null}
		<main class="p-8">
			<h1 class="text-xl">This client is not in this browser</h1>
			<p class="mt-2"><a class="linkish" href={resolve('/clients')}>See all clients</a></p>
		</main>
	{:else if !client || !links}
		<p class="p-8 text-ink-2" role="status">Opening the profile …</p>
	{:else}
		{#key client.id}<Later load={LATER.client} props={{ client, links }} />{/key}
	{/if}
</div>
