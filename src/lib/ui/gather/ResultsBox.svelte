<!-- Who ranks for the keyword: which of these pages to bring in. -->
<script lang="ts">
	import { addressKeyOf } from '$lib/core/pages';
	import type { RankedResult } from '$lib/core/keywords';
	import type { Page } from '$lib/data/db';
	import { lookUp } from '$lib/services/search';
	import { countOf } from '../parts/count-of';
	import type { WantedAddress } from './import-report';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		keyword: string;
		/** What is known already; null: nothing. */
		results: readonly RankedResult[] | null;
		pages: readonly Page[];
		onfetch: (wanted: WantedAddress[]) => void;
		oncancel: () => void;
	}
	let { keyword, results, pages, onfetch, oncancel }: Props = $props();
	let asked = $state.raw<readonly RankedResult[] | null>(null);
	let isAsking = $state(false);
	let isSample = $state(false);
	let trouble = $state('');
	let form = $state<HTMLFormElement>();

	const shown = $derived(results ?? asked ?? []);
	const here = $derived(new Set(pages.map(({ address }) => addressKeyOf(address)).filter(Boolean)));
	const places = $derived(new Set(pages.map(({ result }) => result?.position)));
	// a saved page need not say its address, but it may have been known by its title
	const isHere = ({ address, position }: RankedResult) =>
		here.has(addressKeyOf(address)) || places.has(position);
	const open = $derived(shown.filter((result) => !isHere(result)));

	// everything that is not here yet is chosen at first
	let chosen: ReadonlySet<string> = $derived(new Set(open.map(({ address }) => address)));
	$effect(() => {
		if (results === null && asked === null && !isAsking && trouble === '') void ask();
	});
	$effect(() => form?.querySelector<HTMLElement>('input, button')?.focus());

	async function ask() {
		isAsking = true;
		const answer = await lookUp([keyword]);
		isAsking = false;
		if (answer.kind === 'unreachable') {
			trouble = answer.reason;
			return;
		}
		isSample = answer.reply.isSample;
		asked = answer.reply.answers[0]?.results ?? [];
	}

	function toggle(address: string) {
		const next = new Set(chosen);
		if (!next.delete(address)) next.add(address);
		chosen = next;
	}

	function bring(event: SubmitEvent) {
		event.preventDefault();
		onfetch(
			open
				.filter(({ address }) => chosen.has(address))
				.map(({ address, title, position, strength, kind }) => ({
					address,
					title,
					result: { position, strength, kind: kind ?? '' }
				}))
		);
	}
	const siteOf = (address: string) => {
		try {
			return new URL(address).hostname.replace(/^www\./, '');
		} catch {
			return address;
		}
	};
</script>

<form
	class="border-b border-rule py-3"
	onsubmit={bring}
	aria-label="Pages that rank"
	bind:this={form}
>
	<p class="font-semibold">Who ranks for “{keyword}”</p>
	{#if isAsking}
		<p class="mt-1 text-ink-2" role="status">Asking who ranks…</p>
	{:else if trouble}
		<p class="mt-1 text-error" role="alert">
			Who ranks could not be asked: {trouble}.
			<button type="button" class="linkish" onclick={() => (trouble = '')}>Try again</button>
		</p>
	{:else if shown.length === 0}
		<p class="mt-1 text-ink-2">
			Nothing is known of this keyword. Drop a list of results here (CSV with position and address),
			or fetch pages by address.
		</p>
	{:else}
		<p class="text-xs text-ink-2">
			{results
				? 'From the lists you brought in.'
				: isSample
					? 'From the sample search service.'
					: ''}
			<button
				type="button"
				class="linkish ml-2"
				onclick={() =>
					(chosen = chosen.size > 0 ? new Set() : new Set(open.map(({ address }) => address)))}
				>{chosen.size > 0 ? 'Choose none' : 'Choose all'}</button
			>
		</p>
		<ul class="mt-1 max-h-56 overflow-y-auto">
			{#each withRowKeys(shown, (result) => result.address) as { rowKey, item: result } (rowKey)}
				{@const { position, address, title, strength, kind, date } = result}
				<li class="border-b border-rule">
					<label class="flex items-baseline gap-2 py-1" class:text-ink-2={isHere(result)}>
						<input
							type="checkbox"
							class="checkbox self-center checkbox-xs"
							disabled={isHere(result)}
							checked={chosen.has(address)}
							onchange={() => toggle(address)}
						/>
						<span class="w-6 text-right font-semibold tabular-nums">{position}</span>
						<span class="min-w-0 flex-1"
							><span class="font-serif">{title || address}</span>
							<span class="text-xs text-ink-2">{siteOf(address)}</span></span
						>
						<span class="text-xs whitespace-nowrap text-ink-2"
							>{[
								isHere(result) ? 'here already' : '',
								kind ?? '',
								strength === null ? '' : `strength ${strength}`,
								date
							]
								.filter(Boolean)
								.join(' · ')}</span
						>
					</label>
				</li>
			{/each}
		</ul>
	{/if}
	<div class="mt-2 flex gap-2">
		<button class="act chief" disabled={chosen.size === 0}
			>{chosen.size === 0 ? 'Fetch' : `Fetch ${countOf(chosen.size, 'page')}`}</button
		>
		<button type="button" class="act" onclick={oncancel}>Cancel</button>
	</div>
</form>
