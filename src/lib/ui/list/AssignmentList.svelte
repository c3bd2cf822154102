<!-- All assignments at a glance: how far each is, what is open in it, and when it is due. -->
<script lang="ts">
	import type { Assignment, Client } from '$lib/data/db';
	import { follow } from '$lib/data/follow';
	import { readStocks, type Stock } from '$lib/data/glances';
	import AssignmentRow from './AssignmentRow.svelte';
	import { ORDERS, rowsOf, wantedRows, type Order } from './rows';

	interface Props {
		assignments: readonly Assignment[];
		clients: readonly Client[];
		oncopy: (assignment: Assignment) => void;
		onsave: (assignment: Assignment) => void;
		onbin: (assignment: Assignment) => void;
	}
	let { assignments, clients, oncopy, onsave, onbin }: Props = $props();

	let text = $state('');
	let client = $state('');
	let order = $state<Order>('worked');
	let stocks = $state.raw<ReadonlyMap<string, Stock>>(new Map());

	const ids = $derived(assignments.map(({ id }) => id));
	$effect(() => {
		const wanted = ids;
		return follow(
			() => readStocks(wanted),
			(found) => (stocks = found),
			() => {}
		);
	});

	const names = $derived(new Map(clients.map(({ id, name }) => [id, name])));
	const rows = $derived(rowsOf(assignments, names, stocks, new Date()));
	const named = $derived([...new Set(rows.flatMap((row) => row.client || []))].sort());
	const shown = $derived(
		wantedRows(rows, { text, client: named.includes(client) ? client : '', order })
	);
</script>

{#if assignments.length > 1}
	<div class="mb-3 flex flex-wrap items-center gap-3" role="search" aria-label="Assignments">
		<input
			class="field w-60!"
			type="search"
			placeholder="Find a title, keyword or client"
			aria-label="Find an assignment"
			bind:value={text}
		/>
		{#if named.length > 0}
			<select class="field w-auto!" aria-label="For which client" bind:value={client}>
				<option value="">all clients</option>
				{#each named as name (name)}<option>{name}</option>{/each}
			</select>
		{/if}
		<label class="ml-auto flex items-center gap-2 text-ink-2"
			>in order of
			<select class="field w-auto!" bind:value={order}>
				{#each Object.entries(ORDERS) as [id, name] (id)}<option value={id}>{name}</option>{/each}
			</select></label
		>
	</div>
{/if}
<ul aria-label="Assignments">
	{#each shown as row (row.assignment.id)}
		<AssignmentRow
			{row}
			oncopy={() => oncopy(row.assignment)}
			onsave={() => onsave(row.assignment)}
			onbin={() => onbin(row.assignment)}
		/>
	{:else}
		<li class="border-t border-rule py-4 text-ink-2">
			No assignment holds these words. <button
				class="linkish"
				onclick={() => {
					text = '';
					client = '';
				}}>Show all</button
			>
		</li>
	{/each}
</ul>
