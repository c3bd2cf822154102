<!-- How many pages have the phrase in their title, and what that says beside its volume. -->
<script lang="ts">
	import type { ScoutRow } from '$lib/core/keywords';
	import { ratioShown, ratioSum } from '../format';

	interface Props {
		row: ScoutRow;
		/** A count given by hand; null where the field was emptied. */
		ontitles: (count: number | null) => void;
		onask: () => void;
	}
	let { row, ontitles, onask }: Props = $props();

	const { titles } = $derived(row);

	function setTitles(event: Event) {
		const field = event.currentTarget as HTMLInputElement;
		const text = field.value.replace(/[,\s]/g, '');
		if (text === '') ontitles(null);
		else if (/^\d{1,12}$/.test(text)) ontitles(Number(text));
		else field.value = row.titleMatches?.toString() ?? '';
	}
</script>

<section class="border-t border-rule py-2" aria-label="Title competition">
	<label class="flex items-baseline gap-2">
		<span>Pages with it in their title</span>
		<input
			class="field ml-auto w-20! py-0.5! text-right"
			inputmode="numeric"
			value={row.titleMatches ?? ''}
			placeholder="not known"
			onchange={setTitles}
			aria-label="Title matches of {row.phrase}"
		/>
	</label>
	{#if titles}
		<p class="mt-1 text-ink-2">
			{ratioSum(row)} = <strong class="text-ink">{ratioShown(titles)}</strong>:
			<strong class="text-ink">{titles.verdict}</strong>
			{#if row.titleOrigin !== 'list'}<br />{row.titleOrigin === 'sample'
					? 'Counted by the sample service: invented figures.'
					: 'You gave the count.'}{/if}
		</p>
	{:else if row.titleMatches === null}
		<p class="mt-1">
			<button class="linkish" onclick={onask}>Ask the sample service</button>
		</p>
	{/if}
</section>
