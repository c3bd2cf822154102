<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { liveQuery } from 'dexie';
	import { toast } from 'svelte-sonner';
	import { EMPTY_CLIENT, readClientFile } from '$lib/core/clients';
	import {
		addClient,
		listClients,
		putClient,
		takeClient,
		type TakenClient
	} from '$lib/data/clients';
	import { db, type Client } from '$lib/data/db';
	import { history } from '$lib/ui/frame/history.svelte';
	import TopLine from '$lib/ui/frame/TopLine.svelte';

	let clients = $state.raw<readonly Client[]>();
	let used = $state.raw<ReadonlyMap<string, number>>(new Map());
	let name = $state('');
	let picker = $state<HTMLInputElement>();

	$effect(() => {
		const all = liveQuery(listClients).subscribe((value) => (clients = value));
		const assignments = liveQuery(() => db.assignments.toArray()).subscribe((value) => {
			const counts = new Map<string, number>();
			for (const { client } of value) if (client) counts.set(client, (counts.get(client) ?? 0) + 1);
			used = counts;
		});
		return () => {
			all.unsubscribe();
			assignments.unsubscribe();
		};
	});

	async function add(event: SubmitEvent) {
		event.preventDefault();
		const plain = name.trim();
		if (plain === '') return;
		if (clients?.some((client) => client.name.toLowerCase() === plain.toLowerCase())) {
			toast.error(`There is a client called “${plain}” already.`);
			return;
		}
		name = '';
		await addAsStep({ ...EMPTY_CLIENT, name: plain }, []);
	}

	async function addAsStep(...values: Parameters<typeof addClient>) {
		let made: Client | null = null;
		let taken: TakenClient | null = null;
		await history.run({
			label: `Added the client “${values[0].name}”`,
			redo: async () => {
				if (taken) await putClient(taken.client, taken.links);
				else made = await addClient(...values);
			},
			undo: async () => {
				if (made) taken = await takeClient(made.id);
			}
		});
		const id = (made as Client | null)?.id;
		if (id) await goto(resolve('/clients/[id]', { id }));
	}

	async function bringIn(files: FileList | null) {
		const file = files?.[0];
		if (!file) return;
		const read = readClientFile(await file.text());
		if (picker) picker.value = '';
		if (read.kind === 'refused') {
			toast.error(`${file.name} was not brought in: ${read.reason}.`, { duration: 12_000 });
			return;
		}
		const taken = new Set(clients?.map((client) => client.name.toLowerCase()));
		const free = taken.has(read.client.name.toLowerCase())
			? `${read.client.name} (copy)`
			: read.client.name;
		await addAsStep({ ...read.client, name: free }, [...read.links]);
	}
</script>

<svelte:head><title>Clients · Corvan</title></svelte:head>
<TopLine title="Clients" />
<main class="mx-auto max-w-3xl px-5 py-8">
	<div class="mb-5 flex flex-wrap items-baseline gap-3">
		<h1 class="text-2xl">Clients</h1>
		<button class="act ml-auto" onclick={() => picker?.click()}>Bring in a profile</button>
	</div>
	<input
		bind:this={picker}
		type="file"
		accept=".json"
		class="hidden"
		aria-label="Client profile file"
		onchange={(event) => void bringIn(event.currentTarget.files)}
	/>
	<form class="mb-6 flex max-w-md gap-2" onsubmit={(event) => void add(event)}>
		<input
			class="field"
			bind:value={name}
			placeholder="Name of a client"
			aria-label="Name of a client"
		/>
		<button class="act chief">Add</button>
	</form>
	{#if clients === undefined}
		<p class="text-ink-2">Reading what is stored in this browser …</p>
	{:else if clients.length === 0}
		<p class="max-w-lg border-t border-rule pt-4 font-serif text-lg">
			A client keeps what all their assignments share: voice, facts, names, phrases to avoid and
			links.
		</p>
	{:else}
		<ul>
			{#each clients as client (client.id)}
				<li class="flex items-baseline gap-4 border-t border-rule py-3">
					<a
						class="font-serif text-[17px] font-semibold hover:underline"
						href={resolve('/clients/[id]', { id: client.id })}>{client.name}</a
					>
					<span class="ml-auto text-ink-2"
						>{used.get(client.id) ?? 0}
						{used.get(client.id) === 1 ? 'assignment' : 'assignments'} · {client.facts.length} facts</span
					>
				</li>
			{/each}
		</ul>
	{/if}
</main>
