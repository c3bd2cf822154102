<!-- A page as it will be counted: its article, what was dropped on demand, blocks to strike out. -->
<script lang="ts">
	import { keptBlocksOf, textOf } from '$lib/core/pages';
	import { countWords } from '$lib/core/text';
	import type { Page } from '$lib/data/db';
	import BlockView from './BlockView.svelte';

	interface Props {
		page: Page;
		letter: string | null;
		onstrike: (struck: number[]) => void;
		onremove: () => void;
		ontoggle: () => void;
	}
	let { page, letter, onstrike, onremove, ontoggle }: Props = $props();
	let showsDropped = $state(false);

	const kept = $derived(
		keptBlocksOf(page.article, page.struck).reduce(
			(sum, block) => sum + countWords(textOf(block)),
			0
		)
	);
	const all = $derived(
		page.article.blocks.reduce((sum, { block }) => sum + countWords(textOf(block)), 0)
	);
	const struck = $derived(new Set(page.struck));

	function toggleStruck(at: number) {
		onstrike(
			struck.has(at)
				? page.struck.filter((i) => i !== at)
				: [...page.struck, at].sort((a, b) => a - b)
		);
	}
</script>

<header class="mb-3">
	<h1 class="text-xl leading-snug">{page.article.title || page.name}</h1>
	<p class="mt-1 text-xs text-ink-2">
		{#if letter}<strong>{letter}</strong> ·
		{/if}{page.article.siteName || page.name} · {kept.toLocaleString('en')} words kept, {(
			all - kept
		).toLocaleString('en')} dropped{page.article.author ? ` · ${page.article.author}` : ''}{page
			.article.published
			? ` · ${page.article.published.slice(0, 10)}`
			: ''}
	</p>
	{#if page.article.description}<p class="mt-1 text-xs text-ink-2 italic">
			{page.article.description}
		</p>{/if}
	<p class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
		<button class="linkish" onclick={ontoggle}>{page.counted ? 'Set aside' : 'Count it'}</button>
		<button
			class="linkish"
			aria-pressed={showsDropped}
			onclick={() => (showsDropped = !showsDropped)}
			>{showsDropped ? 'Hide what was dropped' : 'Show what was dropped'}</button
		>
		<button class="linkish" onclick={onremove}>Take it out</button>
	</p>
</header>

<div class="reading">
	{#each page.article.blocks as { block, dropped }, i (i)}
		{#if dropped === null}
			<div class="row" class:struck={struck.has(i)}>
				<button
					class="strike"
					onclick={() => toggleStruck(i)}
					aria-label={struck.has(i)
						? `Bring back: ${textOf(block).slice(0, 40)}`
						: `Strike out: ${textOf(block).slice(0, 40)}`}
					title={struck.has(i) ? 'Bring back' : 'Strike out'}>{struck.has(i) ? '↺' : '×'}</button
				>
				<BlockView {block} />
			</div>
		{:else if showsDropped}
			<p class="dropped">
				dropped: “{textOf(block).slice(0, 90).replace(/\n/g, ' · ') || 'image'}” · {dropped}, {countWords(
					textOf(block)
				)} words
			</p>
		{/if}
	{/each}
</div>

<style>
	.reading {
		font: 15px/1.55 var(--font-serif);
	}
	.row {
		position: relative;
	}
	.strike {
		position: absolute;
		left: -22px;
		top: 0;
		width: 18px;
		color: var(--ink-2);
		font: 13px/1.7 var(--font-sans);
		opacity: 0.55;
	}
	.strike:hover,
	.strike:focus-visible {
		opacity: 1;
		color: var(--color-accent);
	}
	.row.struck :global(.block) {
		text-decoration: line-through;
		opacity: 0.5;
	}
	.dropped {
		border: 1px dashed var(--rule);
		color: var(--ink-2);
		font: 12px/1.4 var(--font-sans);
		padding: 5px 8px;
		margin: 8px 0;
	}
</style>
