<script lang="ts" module>
	import {
		isWeaklyHeld,
		type RankedResult,
		type ScoutRow,
		type Weakness
	} from '$lib/core/keywords';

	function toldOf(weakness: Weakness, { strength, words, date }: RankedResult): string {
		if (weakness === 'weak site') return `site of strength ${strength}`;
		if (weakness === 'thin page') return `${words} words`;
		return weakness === 'old page' ? `last changed ${date}` : weakness;
	}

	function hostOf(address: string): string {
		try {
			return new URL(address).hostname;
		} catch {
			return address;
		}
	}
</script>

<!-- Which of the first ten results are weakly held, and why. -->
<script lang="ts">
	interface Props {
		row: ScoutRow;
		onask: () => void;
		onresults: () => void;
	}
	let { row, onask, onresults }: Props = $props();

	const { weakSpots } = $derived(row);
</script>

<section class="border-t border-rule py-2" aria-label="Who ranks">
	{#if weakSpots === null}
		<p class="text-ink-2">Nobody has looked who ranks.</p>
		<p>
			<button class="linkish" onclick={onask}>Ask the sample service</button> ·
			<button class="linkish" onclick={onresults}>Bring in a results list</button>
		</p>
	{:else}
		{@const held = weakSpots.filter(isWeaklyHeld)}
		{@const byTitle = weakSpots.filter((spot) => !isWeaklyHeld(spot))}
		<p class="text-ink-2">
			{held.length === 0 ? 'None of the first ten is weakly held.' : 'Weakly held:'}
		</p>
		<ul>
			{#each held as spot (spot.position)}
				<li class="mt-0.5">
					<strong>{spot.position}</strong>
					{hostOf(spot.result.address)}:
					{spot.weaknesses.map((weakness) => toldOf(weakness, spot.result)).join(', ')}
				</li>
			{/each}
		</ul>
		{#if byTitle.length > 0}<p class="mt-1 text-ink-2">
				No phrase in the title at {byTitle.map(({ position }) => position).join(', ')}.
			</p>{/if}
		<p class="mt-1 text-ink-2">
			{row.results?.length} results, {row.resultsOrigin === 'sample'
				? 'from the sample service: invented figures'
				: 'as you brought them in'}.
			<button class="linkish" onclick={onresults}>Bring in newer ones</button>
		</p>
	{/if}
</section>
