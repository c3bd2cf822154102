<!-- Where the take stands among the pages, and the step that would gain most. -->
<script lang="ts">
	import HowLink from '../parts/HowLink.svelte';
	import type { Move, PageStanding } from '$lib/core/standing';

	interface Props {
		/** 0–100. */
		standing: number;
		/** Standings of the counted pages, as far as they are known. */
		pages: readonly PageStanding[] | null;
		letters: ReadonlyMap<string, string>;
		/** Best first. */
		moves: readonly Move[];
		ongo: (section: string) => void;
	}
	let { standing, pages, letters, moves, ongo }: Props = $props();

	const ORDINALS = [
		'',
		'first',
		'second',
		'third',
		'fourth',
		'fifth',
		'sixth',
		'seventh',
		'eighth',
		'ninth',
		'tenth'
	];
	const rank = $derived.by(() => {
		const others = (pages ?? []).filter(({ page }) => letters.has(page));
		if (others.length === 0) return null;
		const best = others.toSorted((a, b) => b.standing - a.standing)[0]!;
		return {
			place: 1 + others.filter((other) => other.standing > standing).length,
			of: others.length + 1,
			best: best.standing,
			letter: letters.get(best.page)
		};
	});
	const next = $derived(moves[0]);
</script>

<div class="min-w-0 text-right max-md:text-left">
	<p class="text-ink-2">
		<span
			>{#if rank}{ORDINALS[rank.place] ?? rank.place} of {rank.of} · best {rank.best.toFixed(0)} ({rank.letter}){:else}standing
				of 100{/if}</span
		>
		· <HowLink to="standing" of="the standing" />
	</p>
	{#if next}
		<button
			class="next text-right leading-snug font-semibold enabled:hover:underline max-md:text-left"
			disabled={!next.section}
			onclick={() => next.section && ongo(next.section)}
			title={moves
				.slice(0, 6)
				.map((move) => `${move.text} +${move.gain.toFixed(1)}`)
				.join('\n')}>Next: {next.text} +{next.gain.toFixed(1)}</button
		>
	{/if}
</div>

<style>
	.next {
		display: -webkit-box;
		overflow: hidden;
		width: 100%;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 2;
		line-clamp: 2;
	}
</style>
