<!-- Below the manuscript: how its headings differ from the plan's, and what the plan has besides. -->
<script lang="ts">
	import type { Slip } from '$lib/core/standing';

	interface Props {
		/** In words; empty when the outlines agree. */
		differences: readonly string[];
		/** Slips of planned sections that the manuscript lacks. */
		lacking: readonly Slip[];
		/** Takes the manuscript's outline into the plan. */
		ontake: () => void;
		/** Puts a section's heading into the manuscript. */
		onput: (section: string) => void;
	}
	let { differences, lacking, ontake, onput }: Props = $props();
</script>

{#if differences.length > 0}
	<p class="mx-11 mb-3 text-ink-2" role="status">
		The headings here are not the plan’s: {differences.join(', ')}.
		<button class="linkish ml-1" onclick={ontake}>Take them into the plan</button>
	</p>
{/if}
{#if lacking.length > 0}
	<div class="mx-11 mb-10 border-t border-rule pt-3 text-ink-2">
		Planned, and not in this take: {#each lacking as slip, i (slip.section)}{i > 0
				? ', '
				: ''}<button class="linkish" onclick={() => onput(slip.section)}>{slip.heading}</button
			>{/each}
	</div>
{/if}
