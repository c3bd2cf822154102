<!-- The link map: phrases and where they lead. Only rows in sight are drawn. -->
<script lang="ts">
	import { createVirtualizer } from '@tanstack/svelte-virtual';
	import { untrack } from 'svelte';
	import { get } from 'svelte/store';
	import { toast } from 'svelte-sonner';
	import { readLinkMap, writeLinkMap, type Link, type LinkMapRead } from '$lib/core/clients';
	import { putLinks } from '$lib/data/clients';
	import type { Assignment } from '$lib/data/db';
	import { history } from '../frame/history.svelte';
	import { download } from '../parts/download';
	import { readTextFile } from '../parts/read-text-file';

	interface Props {
		/** Id of the client. */
		client: string;
		links: readonly Link[];
		/** Assignments that share the client. */
		shared: readonly Assignment[];
	}
	let { client, links, shared }: Props = $props();

	const ROW_HEIGHT = 28;
	let search = $state('');
	let isPasting = $state(false);
	let pasted = $state('');
	let report = $state.raw<LinkMapRead | null>(null);
	let picker = $state<HTMLInputElement>();
	let scroller = $state<HTMLDivElement>();
	const shown = $derived.by(() => {
		const wanted = search.trim().toLowerCase();
		return wanted === ''
			? links
			: links.filter(({ phrase, address }) =>
					`${phrase}\n${address}`.toLowerCase().includes(wanted)
				);
	});
	const virtual = createVirtualizer<HTMLDivElement, HTMLLIElement>({
		count: 0,
		getScrollElement: () => scroller ?? null,
		estimateSize: () => ROW_HEIGHT,
		overscan: 8
	});
	$effect(() => {
		const count = shown.length;
		const element = scroller ?? null;
		untrack(() => get(virtual).setOptions({ count, getScrollElement: () => element }));
	});

	async function change(label: string, next: readonly Link[]) {
		const before = links;
		await history.run({
			label,
			redo: () => putLinks(client, next),
			undo: () => putLinks(client, before)
		});
	}

	async function take(text: string) {
		const read = readLinkMap(text);
		report = read.rejected.length > 0 || read.links.length === 0 ? read : null;
		const known = new Set(
			links.map(({ phrase, address }) => `${phrase.toLowerCase()}\n${address}`)
		);
		const fresh = read.links.filter(
			({ phrase, address }) => !known.has(`${phrase.toLowerCase()}\n${address}`)
		);
		if (fresh.length > 0)
			await change(
				fresh.length === 1
					? 'Brought in a link'
					: `Brought in ${fresh.length.toLocaleString('en')} links`,
				[...links, ...fresh]
			);
		else if (read.links.length > 0) toast('All of these links are here already.');
	}

	async function takeFile(files: FileList | null) {
		const file = files?.[0];
		if (picker) picker.value = '';
		if (!file) return;
		const text = await readTextFile(file, 'save it as CSV and bring that in');
		if (text !== null) await take(text);
	}
</script>

<h2 class="font-sans text-[13px] font-semibold">
	Links <span class="font-normal text-ink-2">{links.length.toLocaleString('en')}</span>
</h2>
<p class="text-xs text-ink-2">
	A phrase and the address it leads to. Kept for Deliver; they leave with every archive. {shared.length ===
	0
		? 'No assignment shares them yet.'
		: `A change applies at once, and reaches ${shared
				.slice(0, 3)
				.map(({ title }) => `“${title}”`)
				.join(', ')}${shared.length > 3 ? ` and ${shared.length - 3} more` : ''}.`}
</p>
<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Links">
	<button class="act" onclick={() => picker?.click()}>Bring in a file</button>
	<button class="act" aria-expanded={isPasting} onclick={() => (isPasting = !isPasting)}
		>Paste</button
	>
	{#if links.length > 0}
		<button
			class="act"
			onclick={() => download('links.csv', writeLinkMap(links), 'text/csv;charset=utf-8')}
			>Export</button
		>
		<button class="act" onclick={() => void change('Took all links out', [])}>Take all out</button>
		<input
			class="field ml-auto max-w-44"
			type="search"
			placeholder="Find a link"
			aria-label="Find a link"
			bind:value={search}
			oninput={(event) => event.stopPropagation()}
		/>
	{/if}
</div>
<input
	bind:this={picker}
	type="file"
	accept=".csv,.tsv,.txt"
	class="hidden"
	aria-label="Link map file"
	onchange={(event) => void takeFile(event.currentTarget.files)}
/>
{#if isPasting}
	<form
		class="mt-2"
		onsubmit={(event) => {
			event.preventDefault();
			void take(pasted);
			pasted = '';
			isPasting = false;
		}}
	>
		<textarea
			class="field h-24"
			bind:value={pasted}
			oninput={(event) => event.stopPropagation()}
			aria-label="Links, a phrase and an address on each line"
			placeholder="walling hammer, https://shop.example/walling-hammer"></textarea>
		<button class="act chief mt-1" disabled={pasted.trim() === ''}>Bring them in</button>
	</form>
{/if}
{#if report}
	<div class="my-2 border-l-2 border-error py-1 pl-3" role="alert">
		<p>
			{report.links.length === 0
				? 'No line of it could be read as a link.'
				: `${report.rejected.length} lines stayed out:`}
		</p>
		<ul class="max-h-32 overflow-y-auto">
			{#each report.rejected.slice(0, 200) as { line, reason, text }, i (i)}<li>
					Line {line}: {reason}. <span class="text-ink-2">{text}</span>
				</li>{/each}
		</ul>
		<button class="linkish" onclick={() => (report = null)}>Close</button>
	</div>
{/if}
{#if links.length > 0}
	<!-- a scrolling region must be reachable by keyboard -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<div
		bind:this={scroller}
		class="mt-2 max-h-72 overflow-y-auto border-y border-rule"
		tabindex="0"
		role="region"
		aria-label="Link map"
	>
		<ul class="relative" style:height="{$virtual.getTotalSize()}px">
			{#each $virtual.getVirtualItems() as { index, start } (index)}
				{@const link = shown[index]}
				{#if link}<li
						class="absolute flex w-full items-center gap-3 border-b border-rule px-1"
						style:height="{ROW_HEIGHT}px"
						style:transform="translateY({start}px)"
					>
						<span class="w-2/5 truncate font-serif">{link.phrase}</span>
						<span class="flex-1 truncate text-ink-2" title={link.address}>{link.address}</span>
						<button
							class="linkish"
							aria-label="Take the link of {link.phrase} out"
							onclick={() =>
								void change(
									`Took the link of “${link.phrase}” out`,
									links.filter((other) => other !== link)
								)}>Take out</button
						>
					</li>{/if}
			{/each}
		</ul>
	</div>
{/if}
