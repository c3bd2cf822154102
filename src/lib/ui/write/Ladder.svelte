<!-- Where the take stands among the pages, on one scale, and its keyword load under it. -->
<script lang="ts">
	import { PARTS, type Hold, type PageStanding, type Standing } from '$lib/core/standing';

	interface Props {
		pages: readonly PageStanding[] | null;
		letters: ReadonlyMap<string, string>;
		standing: Standing;
		/** What holds it down, the dearest first. */
		holds: readonly Hold[];
		keywordLoad: number;
		/** Where it would stand with the moves that are ticked, and how many they are; null: none are. */
		ghost?: { readonly standing: number; readonly moves: number } | null;
		progress: { done: number; all: number } | null;
	}
	let { pages, letters, standing, holds, keywordLoad, ghost = null, progress }: Props = $props();

	const known = $derived(
		(pages ?? [])
			.filter(({ page }) => letters.has(page))
			.toSorted((a, b) => a.standing - b.standing)
	);
	const low = $derived(
		Math.max(
			0,
			Math.floor(Math.min(100, standing.standing, ...known.map((page) => page.standing)) / 10) *
				10 -
				5
		)
	);
	const high = $derived(
		Math.min(
			100,
			Math.ceil(
				Math.max(
					0,
					standing.standing,
					ghost?.standing ?? 0,
					...known.map((page) => page.standing)
				) / 10
			) *
				10 +
				5
		)
	);
	const at = (value: number) => (100 * (value - low)) / Math.max(1, high - low);
	/** Letters that would touch stand on two lines. */
	const ticks = $derived.by(() => {
		let last = -10;
		let isRaised = false;
		return known.map(({ page, standing }) => {
			const x = at(standing);
			isRaised = x - last < 1.9 ? !isRaised : false;
			last = x;
			return { page, letter: letters.get(page)!, x, isRaised, standing };
		});
	});

	const loads = $derived(known.map((page) => page.keywordLoad).sort((a, b) => a - b));
	const lowLoad = $derived(loads[0] ?? 0);
	const highLoad = $derived(loads.at(-1) ?? 0);
	const mostLoad = $derived(Math.max(0.5, highLoad * 1.6, keywordLoad * 1.05));
	const load = (value: number) => (100 * value) / mostLoad;
	const loadWord = $derived(
		keywordLoad > highLoad
			? 'over the pages’ range'
			: keywordLoad < lowLoad
				? 'under the pages’ range'
				: 'within the pages’ range'
	);
	const parts = $derived(
		PARTS.map((part) => `${part} ${(100 * standing.parts[part]).toFixed(0)}`).join(', ')
	);
	const heldBy = $derived(holds.map(({ text }) => text).join(', '));
</script>

<div
	class="ladder"
	role="img"
	aria-label="Standing {standing.standing.toFixed(0)} of 100 ({parts}){heldBy
		? `, held down by: ${heldBy}`
		: ''}. Pages: {ticks
		.map(({ letter, standing }) => `${letter} ${standing.toFixed(0)}`)
		.join(', ') || 'not scored yet'}. Keyword load {keywordLoad.toFixed(1)}%, {loadWord}."
>
	<span class="name">Standing</span>
	<div class="line" title="Standing {standing.standing.toFixed(1)}: {parts}">
		<i class="rail"></i>
		{#each ticks as { page, letter, x, isRaised } (page)}
			<span class="tick" class:raised={isRaised} style:left="{x}%">{letter}</span>
		{/each}
		<span class="pointer" style:left="{at(standing.standing)}%"
			><i></i>{standing.standing.toFixed(0)}</span
		>
		{#if ghost}
			<span class="ghost" style:left="{Math.min(94, at(ghost.standing))}%"
				><i></i>{ghost.standing.toFixed(0)} with the {ghost.moves} ticked</span
			>
		{/if}
		{#if progress}<span class="absolute top-0 right-0 text-[11px] text-ink-2"
				>scoring pages {progress.done} of {progress.all}</span
			>{/if}
	</div>
	{#if holds.length > 0}
		<span class="name">Held down by</span>
		<p class="held">
			{#each holds as { hold, text, cost } (hold)}<span title="Costs {cost.toFixed(1)} points"
					>{text}</span
				>{/each}
		</p>
	{/if}
	<span class="name">Keyword load</span>
	<div class="line thin" title="{keywordLoad.toFixed(1)}% of the words: {loadWord}">
		<i class="rail"></i>
		{#if loads.length > 0}
			<i
				class="band"
				style:left="{load(lowLoad)}%"
				style:width="{Math.max(0.5, load(highLoad) - load(lowLoad))}%"
			></i>
			<i class="beyond" style:left="{load(highLoad)}%"></i>
		{/if}
		<i
			class="dot"
			class:over={keywordLoad > highLoad && loads.length > 0}
			style:left="{load(keywordLoad)}%"
		></i>
	</div>
</div>

<style>
	.ladder {
		display: grid;
		grid-template-columns: 84px 1fr;
		align-items: center;
		row-gap: 1px;
	}
	.name {
		color: var(--ink-2);
		font-size: 11px;
	}
	.line {
		position: relative;
		height: 44px;
	}
	.line.thin {
		height: 14px;
	}
	.held {
		display: flex;
		gap: 18px;
		overflow: hidden;
		white-space: nowrap;
		color: var(--plum);
		font-size: 11px;
		line-height: 15px;
	}
	.rail {
		position: absolute;
		inset: 26px 0 auto;
		height: 1.5px;
		background: var(--ink-2);
	}
	.thin .rail {
		top: 7px;
		height: 1px;
		background: var(--rule);
	}
	.tick {
		position: absolute;
		top: 11px;
		transform: translateX(-50%);
		font-size: 11px;
		font-weight: 600;
		line-height: 11px;
	}
	.tick::after {
		content: '';
		position: absolute;
		left: 50%;
		top: 12px;
		width: 1.5px;
		height: 4px;
		background: var(--ink);
	}
	.tick.raised {
		top: 0;
	}
	.tick.raised::after {
		top: 12px;
		height: 15px;
	}
	.pointer {
		position: absolute;
		top: 28px;
		padding-left: 9px;
		line-height: 15px;
		font-weight: 700;
		color: var(--color-accent);
		transition: left 160ms ease-out;
	}
	.pointer i {
		position: absolute;
		left: -7px;
		top: 1px;
		border: 7px solid transparent;
		border-top: 0;
		border-bottom: 10px solid var(--color-accent);
	}
	.ghost {
		position: absolute;
		top: 28px;
		padding-left: 9px;
		font-size: 11px;
		line-height: 15px;
		white-space: nowrap;
		color: var(--color-accent);
	}
	.ghost i {
		position: absolute;
		left: -6px;
		top: 4px;
		width: 9px;
		height: 9px;
		border: 1px dashed var(--color-accent);
		rotate: 45deg;
	}
	.band {
		position: absolute;
		top: 4px;
		height: 6px;
		background: var(--color-secondary);
		opacity: 0.4;
	}
	.beyond {
		position: absolute;
		top: 3px;
		right: 0;
		height: 8px;
		background: repeating-linear-gradient(-45deg, transparent 0 6px, var(--plum) 6px 7px);
		opacity: 0.7;
	}
	.dot {
		position: absolute;
		top: 3px;
		width: 8px;
		height: 8px;
		margin-left: -4px;
		border-radius: 50%;
		background: var(--color-accent);
		transition: left 160ms ease-out;
	}
	.dot.over {
		background: var(--plum);
		box-shadow:
			0 0 0 2px var(--color-base-100),
			0 0 0 3px var(--plum);
	}
	@media (prefers-reduced-motion: reduce) {
		.pointer,
		.dot {
			transition: none;
		}
	}
</style>
