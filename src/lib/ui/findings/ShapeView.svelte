<!-- The make-up of the counted pages beside our take: every measure as a strip, or as a table. -->
<script lang="ts">
	import { SHAPE_MEASURES, type Findings, type Shape } from '$lib/core/findings';
	import { theme } from '../frame/theme.svelte';
	import { capital } from '$lib/core/text';
	import { habitsShown } from './overview';

	interface Props {
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		/** Measures of our take; null without one. */
		ours: Shape | null;
	}
	let { findings, letters, ours }: Props = $props();
	let isTable = $state(false);

	const measures = $derived(
		SHAPE_MEASURES.map((measure, i) => ({
			...measure,
			spread: findings.shape[i]!,
			ours: ours?.[measure.id] ?? null
		}))
	);
	const habits = $derived(habitsShown(findings));

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
	{#if habits.length > 0}
		<p class="max-w-4xl pt-3 font-serif text-[14.5px] leading-relaxed">
			What they have in common: {habits.join('; ')}.
		</p>
	{/if}
	<p class="py-2 text-ink-2">
		Each letter is a page; the band holds the middle half of them{ours
			? '; the pointer is your last take'
			: ''}.
		<button class="linkish ml-2" aria-pressed={isTable} onclick={() => (isTable = !isTable)}
			>{isTable ? 'See as strips' : 'See as a table'}</button
		>
	</p>
	{#if isTable}
		<div class="overflow-x-auto">
			<table class="grid-table max-w-5xl">
				<thead
					><tr
						><th>Measure</th><th class="text-right!">Least</th><th class="text-right!"
							>Lower quartile</th
						><th class="text-right!">Median</th><th class="text-right!">Upper quartile</th><th
							class="text-right!">Most</th
						>{#if ours}<th class="text-right!">Our take</th>{/if}</tr
					></thead
				>
				<tbody>
					{#each measures as { id, label, decimals, spread, ours: own } (id)}
						<tr>
							<td>{capital(label)}</td>
							{#each [spread.min, spread.lower, spread.median, spread.upper, spread.max] as value, i (i)}<td
									class="text-right">{show(value, decimals)}</td
								>{/each}
							{#if ours}<td class="text-right font-semibold"
									>{own === null ? '–' : show(own, decimals)}</td
								>{/if}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{:else}
		<div
			{@attach chart}
			class="h-[560px] w-full"
			role="img"
			aria-label="Strip plot of every measure over the counted pages; the table view has the same figures"
		></div>
	{/if}
</div>
