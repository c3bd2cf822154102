<!-- What helps at a stage the first time; a line that goes for good. -->
<script lang="ts">
	import { hints } from './hints.svelte';

	let { stage }: { stage: string } = $props();
	const hint = $derived(hints.of(stage));
</script>

{#if hint}
	<aside
		class="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-rule bg-wash px-5 py-1.5 text-[13px] print:hidden"
		aria-label="First time here"
	>
		<p class="min-w-0 flex-1 basis-80">{hint}</p>
		<span class="flex gap-4">
			<button class="linkish" onclick={() => hints.take(stage)}>Got it</button>
			<button class="linkish" onclick={() => hints.takeAll()}>No more of these</button>
		</span>
	</aside>
{/if}
