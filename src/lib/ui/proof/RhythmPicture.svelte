<!-- How long the sentences are, section by section: a line of strokes, each as high as its sentence is long. -->
<script lang="ts">
	import type { SectionRhythm } from '$lib/core/measure';
	import { countOf } from '../parts/count-of';

	interface Props {
		sections: readonly SectionRhythm[];
		onshow: (block: number) => void;
	}
	let { sections, onshow }: Props = $props();

	/** A sentence of so many words fills the height. */
	const HIGHEST = 40;
	const LONG = 35;
	const STEP = 5;
	const HEIGHT = 24;
	const heightOf = (words: number) => Math.max(2, Math.min(1, words / HIGHEST) * HEIGHT);
	const middleOf = (words: readonly number[]) =>
		[...words].sort((a, b) => a - b)[Math.floor(words.length / 2)]!;
</script>

<section aria-label="Rhythm" class="mb-4">
	<h2 class="text-[12px] font-bold">
		Rhythm<span class="font-normal text-ink-2"> · a stroke for each sentence, its words high</span>
	</h2>
	<ul class="mt-1">
		{#each sections as { heading, at, words }, i (i)}
			<li class="row">
				<button class="min-w-0 truncate text-left hover:underline" onclick={() => onshow(at)}
					>{heading || 'before the first heading'}</button
				>
				<svg
					height={HEIGHT}
					width={words.length * STEP}
					role="img"
					aria-label="{countOf(words.length, 'sentence')}, half of them under {middleOf(
						words
					)} words"
				>
					{#each words as count, n (n)}
						<rect
							x={n * STEP}
							y={HEIGHT - heightOf(count)}
							width="3"
							height={heightOf(count)}
							class:long={count > LONG}><title>{countOf(count, 'word')}</title></rect
						>
					{/each}
				</svg>
			</li>
		{/each}
	</ul>
</section>

<style>
	.row {
		display: grid;
		grid-template-columns: 150px minmax(0, 1fr);
		align-items: end;
		gap: 10px;
		padding: 3px 0;
		border-bottom: 1px solid var(--rule);
		overflow: hidden;
	}
	rect {
		fill: var(--color-secondary);
	}
	rect.long {
		fill: var(--color-accent);
	}
</style>
