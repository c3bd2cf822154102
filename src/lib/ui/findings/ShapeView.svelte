<!-- The make-up of the counted pages: every measure as a strip, or as a table. -->
<script lang="ts">
	import { SHAPE_MEASURES, type Findings } from '$lib/core/findings';
	import { theme } from '../frame/theme.svelte';

	interface Props {
		findings: Findings;
		letters: ReadonlyMap<string, string>;
	}
	let { findings, letters }: Props = $props();
	let isTable = $state(false);

	const measures = $derived(
		SHAPE_MEASURES.map((measure, i) => ({ ...measure, spread: findings.shape[i]! }))
	);

	function show(value: number, decimals: number): string {
		return value.toLocaleString('en', { maximumFractionDigits: decimals });
	}

	/** Draws the strips; the chart library is loaded when first shown. */
	function chart(element: HTMLElement) {
		const [shown, isNight, signs] = [measures, theme.isNight, letters];
		let end = () => {};
		let isGone = false;
		void import('./shape-chart').then(({ drawShape }) => {
			if (!isGone) end = drawShape(element, shown, signs, isNight);
		});
		return () => {
			isGone = true;
			end();
		};
	}
</script>

<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	<p class="py-2 text-ink-2">
		Each letter is a page; the band holds the middle half of them.
		<button class="linkish ml-2" aria-pressed={isTable} onclick={() => (isTable = !isTable)}
			>{isTable ? 'See as strips' : 'See as a table'}</button
		>
	</p>
	{#if isTable}
		<table class="grid-table max-w-4xl">
			<thead
				><tr
					><th>Measure</th><th class="text-right">Least</th><th class="text-right"
						>Lower quartile</th
					><th class="text-right">Median</th><th class="text-right">Upper quartile</th><th
						class="text-right">Most</th
					></tr
				></thead
			>
			<tbody>
				{#each measures as { id, label, decimals, spread } (id)}
					<tr>
						<td>{label}</td>
						{#each [spread.min, spread.lower, spread.median, spread.upper, spread.max] as value, i (i)}<td
								class="text-right">{show(value, decimals)}</td
							>{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	{:else}
		<div
			{@attach chart}
			class="h-[560px] w-full"
			role="img"
			aria-label="Strip plot of every measure over the counted pages; the table view has the same figures"
		></div>
	{/if}
</div>
