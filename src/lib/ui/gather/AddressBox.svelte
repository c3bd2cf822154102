<!-- Pages by address: one, or a list of them. -->
<script lang="ts">
	import { readAddresses } from '$lib/core/pages';
	import { countOf } from '../parts/count-of';
	import type { WantedAddress } from './import-report';

	interface Props {
		onfetch: (wanted: WantedAddress[]) => void;
		oncancel: () => void;
	}
	let { onfetch, oncancel }: Props = $props();
	let text = $state('');
	let box = $state<HTMLTextAreaElement>();
	const read = $derived(readAddresses(text));

	$effect(() => box?.focus());

	function bring(event: SubmitEvent) {
		event.preventDefault();
		if (read.addresses.length === 0) return;
		onfetch(read.addresses.map((address) => ({ address, title: '', result: null })));
	}
</script>

<form class="border-b border-rule py-3" onsubmit={bring} aria-label="Pages by address">
	<label class="block">
		<span class="font-semibold">Addresses of pages, one on a line</span>
		<textarea
			bind:this={box}
			bind:value={text}
			class="field mt-1 h-24"
			placeholder="https://hillfoot-walling.example/how-to-build-a-dry-stone-wall"
			onkeydown={(event) => {
				if (event.key === 'Enter' && (event.ctrlKey || event.metaKey))
					event.currentTarget.form?.requestSubmit();
			}}></textarea>
	</label>
	<p class="mt-1 text-xs text-ink-2">
		{#if text.trim() !== '' && read.addresses.length === 0}
			No address was found in this. One looks like https://site.example/page.
		{:else if read.rejected.length > 0}
			Cannot be fetched: {read.rejected.join(', ')}.
		{:else}
			The server fetches them; pages behind a login have to be saved and dropped here. Addresses
			under .example come from the sample web that ships with Corvan.
		{/if}
	</p>
	<div class="mt-2 flex gap-2">
		<button class="act chief" disabled={read.addresses.length === 0}
			>{read.addresses.length === 0
				? 'Fetch'
				: `Fetch ${countOf(read.addresses.length, 'page')}`}</button
		>
		<button type="button" class="act" onclick={oncancel}>Cancel</button>
	</div>
</form>
