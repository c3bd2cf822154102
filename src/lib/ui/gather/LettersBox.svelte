<!-- A page whose letters look wrong, or may be: how it would read in other charsets, to choose from. -->
<script lang="ts">
	import { CHARSETS, lettersLookOf, wordLikenessOf, readOtherwise, sampleOf } from '$lib/core/text';
	import { sourceOf } from '$lib/data/pages';

	interface Props {
		/** Id of the page. */
		page: string;
		/** What counts of it. */
		text: string;
		onread: (source: string) => Promise<string | null>;
	}
	let { page, text, onread }: Props = $props();

	interface Reading {
		readonly label: string;
		readonly name: string;
		readonly sample: string;
	}
	let isOpen = $state(false);
	let source = '';
	let readings = $state.raw<readonly Reading[] | null>(null);
	let trouble = $state<string | null>(null);
	let isReading = $state(false);
	const look = $derived(lettersLookOf(text));

	async function open() {
		isOpen = !isOpen;
		if (!isOpen || readings) return;
		source = await sourceOf(page);
		const now = sampleOf(source);
		const found: Reading[] = [];
		for (const { label, name } of CHARSETS) {
			const read = readOtherwise(source, label);
			if (read === null || read === source) continue;
			const sample = sampleOf(read);
			// what loses letters is no reading
			if (sample !== now && !sample.includes('\ufffd')) found.push({ label, name, sample });
		}
		// those that look like words of a language come first
		readings = found.sort((a, b) => wordLikenessOf(b.sample) - wordLikenessOf(a.sample));
	}

	async function choose(label: string) {
		const read = readOtherwise(source, label);
		if (read === null || isReading) return;
		isReading = true;
		trouble = await onread(read);
		isReading = false;
	}
</script>

<div class:wrong={look !== 'right'} class="mt-2 text-[13px]">
	{#if look === 'read wrongly'}
		<span role="status">The letters of this page look wrong.</span>
	{:else if look === 'lost'}
		<span role="status"
			>Some letters of this page were lost before it came here. Save it anew, as UTF-8 or as a web
			archive, and bring it in again.</span
		>
	{/if}
	{#if look !== 'lost'}
		<button class="linkish" aria-expanded={isOpen} onclick={open}
			>{look === 'right' ? 'Letters wrong?' : 'Read it otherwise'}</button
		>
	{/if}
	{#if isOpen && readings}
		{#if readings.length === 0}
			<p class="mt-1 text-ink-2">Its letters can be read in no other way.</p>
		{:else}
			<ul class="mt-1" aria-label="How the page would read">
				{#each readings as { label, name, sample } (label)}
					<li>
						<button class="way" disabled={isReading} onclick={() => choose(label)}
							><span class="text-xs text-ink-2">{name}</span>
							<span class="sample" lang="">{sample}</span></button
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if trouble}<p class="mt-1" role="alert">It could not be read so: {trouble}.</p>{/if}
	{/if}
</div>

<style>
	.wrong {
		border-left: 2px solid var(--color-accent);
		padding-left: 8px;
	}
	li {
		border-bottom: 1px solid var(--rule);
	}
	.way {
		display: grid;
		grid-template-columns: 130px 1fr;
		gap: 8px;
		width: 100%;
		padding: 3px 0;
		text-align: left;
	}
	.way:hover .sample,
	.way:focus-visible .sample {
		color: var(--color-accent);
	}
	.sample {
		font: 14px/1.4 var(--font-serif);
	}
</style>
