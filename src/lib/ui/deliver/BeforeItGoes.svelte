<!-- What is open, each leading to where it is seen to. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import type { OpenPoint } from '$lib/core/deliver';
	import type { Delivery } from './delivery.svelte';

	interface Props {
		delivery: Delivery;
		/** Shows what is open on this screen. */
		onshow: (id: string) => void;
	}
	let { delivery, onshow }: Props = $props();

	const open = $derived(delivery.open.filter(({ id }) => id !== 'unread'));
	const isReading = $derived(delivery.open.some(({ id }) => id === 'unread'));
	const id = $derived(delivery.session.id);
</script>

{#snippet deed({ deed: said, text }: OpenPoint)}{said}<span class="sr-only">: {text}</span
	>{/snippet}

<section aria-labelledby="before-it-goes">
	<h2 id="before-it-goes">Before it goes</h2>
	<ul class="mt-2">
		{#each open as point (point.id)}
			<li class="mb-2 border-l-[3px] border-warning pl-2.5">
				{point.text}
				{#if point.at === 'here'}
					<button class="linkish" onclick={() => onshow(point.id)}
						>{point.deed}<span class="sr-only">: {point.text}</span></button
					>
				{:else if point.at === 'write'}
					<a class="linkish" href={resolve('/a/[id]/write', { id })}>{@render deed(point)}</a>
				{:else}
					<a class="linkish" href={resolve('/a/[id]/proof', { id })}>{@render deed(point)}</a>
				{/if}
			</li>
		{/each}
	</ul>
	<p class="text-ink-2" role="status">
		{#if isReading}The text is being proofread …{:else if open.length === 0}Nothing is known to be
			open.{:else}Handing over anyway is noted below.{/if}
	</p>
	{#if delivery.proof.trouble}<p class="text-error" role="alert">{delivery.proof.trouble}</p>{/if}
</section>
