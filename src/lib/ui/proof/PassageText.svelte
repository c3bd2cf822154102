<!-- A passage with what it shares with another marked in it. -->
<script lang="ts">
	import type { Stretch } from '$lib/core/proof';

	interface Props {
		text: string;
		shared: readonly Stretch[];
	}
	let { text, shared }: Props = $props();

	const parts = $derived.by(() => {
		const found: { text: string; isShared: boolean }[] = [];
		let at = 0;
		for (const { start, end } of shared) {
			if (start > at) found.push({ text: text.slice(at, start), isShared: false });
			found.push({ text: text.slice(Math.max(at, start), end), isShared: true });
			at = Math.max(at, end);
		}
		if (at < text.length) found.push({ text: text.slice(at), isShared: false });
		return found;
	});
</script>

<p class="font-serif text-[14px] leading-snug break-words">
	{#each parts as part, i (i)}{#if part.isShared}<mark>{part.text}</mark
			>{:else}{part.text}{/if}{/each}
</p>

<style>
	mark {
		background: color-mix(in oklab, var(--plum) 20%, var(--sheet));
		color: inherit;
	}
</style>
