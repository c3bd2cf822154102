<!-- The outline of the manuscript: sections are gone to, folded and moved, by drag, button or key. -->
<script lang="ts">
	import { minutesOf } from '$lib/core/text';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import { tick } from 'svelte';
	import { countOf } from '../parts/count-of';
	import type { ManuscriptOutline } from './manuscript-outline.svelte';

	interface Props {
		outline: ManuscriptOutline;
		/** Minutes that some words take to read. */
	}
	let { outline }: Props = $props();

	const entries = $derived(outline.entries);
	const isAllFolded = $derived(
		entries.some(({ isFolded }) => isFolded) &&
			entries.every(
				({ isFolded, level, words, gaps }) => isFolded || level === 1 || words + gaps === 0
			)
	);
	let list = $state<HTMLElement>();
	let dragged = $state<number | null>(null);
	let over = $state<number | null>(null);
	let said = $state('');

	async function step(at: number, by: -1 | 1) {
		const text = entries.find((one) => one.at === at)?.text ?? '';
		const now = outline.step(at, by);
		if (now === null) {
			said = `“${text}” is the ${by < 0 ? 'first' : 'last'} of its level.`;
			return;
		}
		said = `“${text}” moved ${by < 0 ? 'up' : 'down'}.`;
		await tick();
		list?.querySelector<HTMLElement>(`[data-at="${now}"] .name`)?.focus();
	}

	function keydown(event: KeyboardEvent, at: number) {
		const { key, altKey } = event;
		const here = entries.findIndex((one) => one.at === at);
		if ((key === 'ArrowUp' || key === 'ArrowDown') && altKey)
			void step(at, key === 'ArrowUp' ? -1 : 1);
		else if (key === 'ArrowUp' || key === 'ArrowDown') {
			const next = entries[here + (key === 'ArrowUp' ? -1 : 1)];
			if (next) list?.querySelector<HTMLElement>(`[data-at="${next.at}"] .name`)?.focus();
		} else if (key === 'ArrowLeft') outline.fold(at, true);
		else if (key === 'ArrowRight') outline.fold(at, false);
		else return;
		event.preventDefault();
	}

	function drop(before: number) {
		if (dragged !== null && outline.moveBefore(dragged, before) === null)
			said = 'A section cannot be moved into itself.';
		dragged = null;
		over = null;
	}
</script>

<div class="my-2 flex items-baseline gap-3">
	<p class="text-ink-2">Alt ↑ ↓ move, ← folds</p>
	<button class="linkish ml-auto whitespace-nowrap" onclick={() => outline.foldAll(!isAllFolded)}
		>{isAllFolded ? 'Unfold all' : 'Fold all'}</button
	>
</div>
<p class="sr-only" role="status">{said}</p>
<ol aria-label="Outline of the manuscript" bind:this={list}>
	{#each entries as { at, to, level, text, words, gaps, isFolded, canRise, canSink } (at)}
		<li
			data-at={at}
			class:hand={at === outline.inHand}
			class:over={over === at}
			style:padding-left="{(level - 1) * 14}px"
			draggable={level > 1}
			ondragstart={() => (dragged = at)}
			ondragend={() => ((dragged = null), (over = null))}
			ondragover={(event) => {
				if (dragged === null || level === 1) return;
				event.preventDefault();
				over = at;
			}}
			ondrop={(event) => {
				event.preventDefault();
				drop(at);
			}}
		>
			<button
				class="fold"
				aria-label="{isFolded ? 'Unfold' : 'Fold'}: {text}"
				aria-expanded={!isFolded}
				disabled={to === at + 1 || level === 1}
				onclick={() => outline.fold(at, !isFolded)}>{isFolded ? '▸' : '▾'}</button
			>
			<button
				class="name"
				onclick={() => outline.goTo(at)}
				onkeydown={(event) => keydown(event, at)}>{text || 'a heading without words'}</button
			>
			<span class="count" title={words > 0 ? `${minutesOf(words)} min to read` : undefined}
				>{words === 0 ? '–' : words.toLocaleString('en')}{#if gaps > 0}<i
						class="gap-sign"
						title={countOf(gaps, 'gap')}
						aria-label={countOf(gaps, 'gap')}
						role="img"
					></i>{/if}</span
			>
			<span class="moves">
				<button
					aria-label="Move up: {text}"
					title="Move up"
					disabled={!canRise}
					onclick={() => void step(at, -1)}><ArrowUp size={13} /></button
				>
				<button
					aria-label="Move down: {text}"
					title="Move down"
					disabled={!canSink}
					onclick={() => void step(at, 1)}><ArrowDown size={13} /></button
				>
			</span>
		</li>
	{:else}
		<li class="text-ink-2">The manuscript has no heading yet.</li>
	{/each}
</ol>

<style>
	li {
		display: grid;
		grid-template-columns: 16px minmax(0, 1fr) auto auto;
		gap: 2px 6px;
		align-items: baseline;
		border-bottom: 1px solid var(--rule);
		padding-block: 4px;
		font-size: 13px;
	}
	li.hand .name {
		font-weight: 600;
	}
	li.over {
		border-top: 2px solid var(--color-accent);
	}
	.name {
		text-align: left;
		font: 14px/1.35 var(--font-serif);
		overflow-wrap: anywhere;
	}
	.name:hover {
		text-decoration: underline;
		text-underline-offset: 2px;
	}
	.fold {
		color: var(--ink-2);
		font-size: 11px;
	}
	.fold:disabled {
		visibility: hidden;
	}
	.count {
		color: var(--ink-2);
		font-size: 11.5px;
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
	}
	.gap-sign {
		display: inline-block;
		width: 4px;
		height: 11px;
		margin-left: 5px;
		vertical-align: -1px;
		background: var(--gap-rule);
	}
	.moves {
		white-space: nowrap;
	}
	.moves button {
		color: var(--ink-2);
		padding: 1px;
		vertical-align: -2px;
	}
	.moves button:disabled {
		opacity: 0.25;
	}
</style>
