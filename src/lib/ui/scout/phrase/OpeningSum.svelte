<!-- What the opening of a phrase is the sum of, and how much each part may count. -->
<script lang="ts">
	import HowLink from '../../parts/HowLink.svelte';
	import {
		isWeaklyHeld,
		OPENING_PARTS,
		type OpeningPart,
		type OpeningWeights,
		type ScoutRow
	} from '$lib/core/keywords';
	import { changeShown, ratioShown, volumeShown } from '../format';

	interface Props {
		row: ScoutRow;
		weights: OpeningWeights;
		onweights: (weights: OpeningWeights) => void;
	}
	let { row, weights, onweights }: Props = $props();

	const PARTS: Readonly<Record<OpeningPart, (row: ScoutRow) => string>> = {
		volume: (row) => `volume ${volumeShown(row)}`,
		change: ({ change3m, changeYear }) =>
			change3m !== null && changeYear !== null
				? `change ${changeShown(change3m)}, ${changeShown(changeYear)}`
				: change3m !== null
					? `three months ${changeShown(change3m)}`
					: `year ${changeShown(changeYear)}`,
		difficulty: ({ difficulty }) => `difficulty ${difficulty} of 100`,
		titles: (row) => `title ratio ${ratioShown(row.titles)}`,
		weakSpots: ({ weakSpots }) =>
			weakSpots?.some(isWeaklyHeld)
				? `weak spots ${weakSpots.filter(isWeaklyHeld).length}`
				: 'no weak spot'
	};
	const MISSING: Readonly<Record<OpeningPart, string>> = {
		volume: 'searches a month',
		change: 'its change',
		difficulty: 'a planner’s difficulty',
		titles: 'title matches',
		weakSpots: 'who ranks'
	};
	const WEIGHT_NAMES: Readonly<Record<OpeningPart, string>> = {
		volume: 'Volume',
		change: 'Change',
		difficulty: 'Difficulty',
		titles: 'Title ratio',
		weakSpots: 'Weak spots'
	};

	const { opening } = $derived(row);
</script>

<section class="border-t border-rule py-2" aria-label="Opening">
	<p class="text-ink-2">
		<span
			>{#if opening.value === null}Opening: not known yet, {Object.keys(opening.points).length === 0
					? 'for nothing is known'
					: 'for one part alone says little'}{:else}Opening {Math.round(opening.value)}: the sum of
				what is known{/if}</span
		>
		· <HowLink to="title-competition-weak-spots-opening" of="the opening" />
	</p>
	<dl class="parts">
		{#each OPENING_PARTS as part (part)}
			{#if opening.points[part] !== undefined}
				<dt>{PARTS[part](row)}</dt>
				<dd class="bar" aria-hidden="true">
					<i style:width="{(100 * opening.points[part]) / (opening.most[part] ?? 1)}%"></i>
				</dd>
				<dd class="text-right font-semibold" title="of {Math.round(opening.most[part] ?? 0)}">
					{Math.round(opening.points[part])}
				</dd>
			{/if}
		{/each}
	</dl>
	{#if opening.missing.length > 0}
		<p class="text-ink-2">
			Not known: {opening.missing.map((part) => MISSING[part]).join(', ')}. Left out of the sum.
		</p>
	{/if}
	<details class="mt-1">
		<summary class="text-ink-2">What each part may count</summary>
		{#each OPENING_PARTS as part (part)}
			<label class="mt-1 flex items-center gap-2"
				><span class="w-24">{WEIGHT_NAMES[part]}</span><input
					type="range"
					class="range range-xs"
					min="0"
					max="50"
					step="5"
					value={weights[part]}
					onchange={(event) => onweights({ ...weights, [part]: Number(event.currentTarget.value) })}
				/><span class="w-6 text-right">{weights[part]}</span></label
			>
		{/each}
	</details>
</section>

<style>
	.parts {
		display: grid;
		grid-template-columns: 1fr 76px 24px;
		gap: 3px 8px;
		align-items: center;
		margin-block: 6px;
	}
	.bar {
		height: 6px;
		background: var(--rule);
	}
	.bar i {
		display: block;
		height: 6px;
		background: var(--color-primary);
	}
</style>
