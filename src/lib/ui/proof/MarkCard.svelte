<!-- One mark: what is said of it, what stands elsewhere, and what can be done. -->
<script lang="ts">
	import type { Mark } from '$lib/core/proof';
	import PassageText from './PassageText.svelte';
	import { titleOf } from './read-words';

	interface Props {
		mark: Mark;
		isInHand: boolean;
		isFresh: boolean;
		/** Whether a reason is being asked for. */
		isDismissing: boolean;
		nameOf: (source: string) => string;
		onchoose: () => void;
		onfix: (replacement: string) => void;
		ongap: () => void;
		ondismiss: (reason: string) => void;
		onask: (isAsking: boolean) => void;
		onleave: () => void;
		/** Never marks by this rule again for the client; left out where nobody is named. */
		onsilence?: (() => void) | undefined;
	}
	let {
		mark,
		isInHand,
		isFresh,
		isDismissing,
		nameOf,
		onchoose,
		onfix,
		ongap,
		ondismiss,
		onask,
		onleave,
		onsilence
	}: Props = $props();

	let reason = $state('');
	const isClose = $derived(mark.reads === 'close' && mark.beside[0] !== undefined);
	/** Where the words of the mark stand in its sentence. */
	const own = $derived.by(() => {
		if (mark.shared.length > 0) return mark.shared;
		const start = mark.sentence.indexOf(mark.quote);
		return start < 0 ? [] : [{ start, end: start + mark.quote.length }];
	});

	function focus(element: HTMLElement) {
		element.focus();
	}
</script>

<article
	class="card"
	class:in-hand={isInHand}
	aria-label="{titleOf(mark)}: {mark.quote || mark.about}"
>
	<button class="flex w-full items-baseline justify-between gap-2 text-left" onclick={onchoose}>
		<strong class="text-[12.5px]">{titleOf(mark)}</strong>
		<span class="text-[11.5px] text-ink-2"
			>{isFresh ? 'new' : ''}{#if mark.gain !== null && mark.gain >= 0.05}<span
					class="ml-2 font-semibold text-secondary">+{mark.gain.toFixed(1)}</span
				>{/if}</span
		>
	</button>
	{#if isClose && isInHand}
		<div class="mt-1 grid grid-cols-2 gap-3">
			<div>
				<p class="head">here</p>
				<PassageText text={mark.sentence} shared={own} />
			</div>
			<div>
				<p class="head">{nameOf(mark.beside[0]!.source) || 'the client’s own'}</p>
				<PassageText text={mark.beside[0]!.text} shared={mark.beside[0]!.shared} />
			</div>
		</div>
	{:else if mark.quote !== ''}
		<p class="truncate font-serif text-ink-2" title={mark.sentence}>“{mark.quote}”</p>
	{/if}
	<p class="leading-snug">{mark.reason}.</p>
	{#if isInHand && !isClose && mark.beside.length > 0}
		<ul class="mt-1">
			{#each mark.beside as passage, i (i)}
				<li class="flex gap-2 py-0.5">
					<span class="shrink-0 font-semibold">{nameOf(passage.source)}</span>
					<PassageText text={passage.text} shared={passage.shared} />
				</li>
			{/each}
		</ul>
	{/if}
	{#if isInHand}
		{#if isDismissing}
			<form
				class="mt-1 flex gap-2"
				onsubmit={(event) => {
					event.preventDefault();
					ondismiss(reason.trim());
				}}
			>
				<input
					class="field py-0.5!"
					aria-label="Why it is dismissed"
					placeholder="because …"
					bind:value={reason}
					{@attach focus}
					onkeydown={(event) => {
						if (event.key === 'Escape') onask(false);
					}}
				/>
				<button class="act">Dismiss</button>
			</form>
		{:else}
			<p class="mt-1 flex flex-wrap gap-x-4">
				{#each mark.fixes as { label, replacement }, i (i)}<button
						class="linkish text-left"
						onclick={() => onfix(replacement)}>{label}</button
					>{/each}
				{#if mark.reads === 'claims'}<button class="linkish" onclick={ongap}
						>Leave a gap for its source</button
					>{/if}
				<button class="linkish" onclick={() => onask(true)}>Dismiss, because …</button>
				{#if onsilence}<button class="linkish" onclick={onsilence}>Never for this client</button
					>{/if}
				<button class="linkish" onclick={onleave}>Leave</button>
			</p>
		{/if}
	{/if}
</article>

<style>
	.card {
		border-left: 1px solid var(--rule);
		padding: 6px 4px 8px 14px;
		margin-bottom: 6px;
	}
	.card.in-hand {
		border-left: 2px solid var(--color-accent);
		padding-left: 13px;
	}
	.head {
		border-bottom: 1px solid var(--rule);
		margin-bottom: 3px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
</style>
