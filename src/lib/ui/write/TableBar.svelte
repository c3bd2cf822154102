<!-- What can be done with the table that the cursor stands in. -->
<script lang="ts">
	import type { ManuscriptEditor } from './manuscript-editor.svelte';
	import OverPage from './OverPage.svelte';

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

<OverPage label="Table" role="toolbar" isRow>
	<span class="text-ink-2">Table</span>
	{#each DEEDS as [name, run] (name)}
		<button onclick={() => editor.command(run)}>{name}</button>
	{/each}
</OverPage>

<style>
	button {
		color: var(--ink-2);
	}
	button:hover,
	button:focus-visible {
		color: var(--ink);
		text-decoration: underline;
		text-underline-offset: 2px;
	}
</style>
