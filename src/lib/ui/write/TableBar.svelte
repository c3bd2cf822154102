<!-- What can be done with the table that the cursor stands in. -->
<script lang="ts">
	import type { ManuscriptEditor } from './manuscript-editor.svelte';

	let { editor }: { editor: Pick<ManuscriptEditor, 'command' | 'isOn'> } = $props();

	type Chain = Parameters<Parameters<ManuscriptEditor['command']>[0]>[0];
	const DEEDS: readonly (readonly [name: string, run: (chain: Chain) => Chain])[] = [
		['Row above', (chain) => chain.addRowBefore()],
		['Row below', (chain) => chain.addRowAfter()],
		['Take the row out', (chain) => chain.deleteRow()],
		['Column before', (chain) => chain.addColumnBefore()],
		['Column after', (chain) => chain.addColumnAfter()],
		['Take the column out', (chain) => chain.deleteColumn()],
		['Header row', (chain) => chain.toggleHeaderRow()],
		['Header column', (chain) => chain.toggleHeaderColumn()],
		['Take the table out', (chain) => chain.deleteTable()]
	];
</script>

<div class="bar no-print" role="toolbar" aria-label="Table">
	<span class="text-ink-2">Table</span>
	{#each DEEDS as [name, run] (name)}
		<button onclick={() => editor.command(run)}>{name}</button>
	{/each}
</div>

<style>
	.bar {
		position: sticky;
		top: 31px;
		z-index: 4;
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		padding: 3px 44px 5px;
		background: var(--sheet);
		border-bottom: 1px solid var(--rule);
		font-size: 12.5px;
	}
	button {
		color: var(--ink-2);
	}
	button:hover,
	button:focus-visible {
		color: var(--ink);
		text-decoration: underline;
		text-underline-offset: 2px;
	}
	@media (max-width: 700px) {
		.bar {
			padding-inline: 12px;
		}
	}
</style>
