<!-- Find and replace in the manuscript. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import { countOf } from '../parts/count-of';
	import type { TextFinder } from './text-finder.svelte';
	import OverPage from './OverPage.svelte';

	interface Props {
		finder: TextFinder;
		onclose: () => void;
	}
	let { finder, onclose }: Props = $props();

	let wanted = $state('');
	let instead = $state('');
	let isExact = $state(false);
	const found = $derived(finder.found);

	$effect(() => {
		finder.find({ search: wanted, replace: instead, isExact });
	});
	$effect(() => () => finder.find({ search: '', replace: '', isExact: false }));

	function keydown(event: KeyboardEvent) {
		if (event.key === 'Enter') {
			event.preventDefault();
			finder.step(event.shiftKey ? -1 : 1);
		}
	}
</script>

<OverPage label="Find and replace" role="search" isRow {onclose}>
	<!-- the writer just asked to type here -->
	<input
		class="field"
		placeholder="Find"
		aria-label="Find"
		bind:value={wanted}
		onkeydown={keydown}
		{@attach focused}
	/>
	<span class="whitespace-nowrap text-ink-2" role="status"
		>{wanted === '' ? '' : countOf(found, 'place')}</span
	>
	<button class="act" disabled={found === 0} onclick={() => finder.step(-1)}>Previous</button>
	<button class="act" disabled={found === 0} onclick={() => finder.step(1)}>Next</button>
	<label class="flex items-center gap-1 whitespace-nowrap"
		><input type="checkbox" class="checkbox checkbox-xs" bind:checked={isExact} /> whole words, as written</label
	>
	<input
		class="field"
		placeholder="Replace with"
		aria-label="Replace with"
		bind:value={instead}
		onkeydown={keydown}
	/>
	<button class="act" disabled={found === 0} onclick={() => finder.replace(false)}>Replace</button>
	<button class="act" disabled={found === 0} onclick={() => finder.replace(true)}
		>Replace all</button
	>
	<button class="linkish text-xs" onclick={onclose}>Close</button>
</OverPage>

<style>
	.field {
		width: 130px;
		flex: 1 1 110px;
	}
</style>
