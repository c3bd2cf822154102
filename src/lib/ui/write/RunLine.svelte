<!-- What is being written, what was not, and what waits beside the text. -->
<script lang="ts">
	import { countOf } from '../parts/count-of';
	import type { TakeVersions } from './take-versions.svelte';
	import type { Writing } from './writing.svelte';

	let { writing, versions }: { writing: Writing; versions: TakeVersions } = $props();

	const run = $derived(writing.run);
	const unfinished = $derived(versions.unfinished);
	const offered = $derived(versions.offered);
	const progress = $derived.by(() => {
		if (!run) return '';
		if (run.waitingMs > 0) return `, the server asks to wait ${Math.ceil(run.waitingMs / 1000)} s`;
		return run.words > 0 ? `, ${run.words} words of this one` : '';
	});
</script>

{#if run}
	<p class="flex items-baseline gap-3 border-b border-rule px-5 py-1.5" role="status">
		<span
			>{run.writer} writes “{run.heading}”: {run.done} of {run.all}
			{run.all === 1 ? 'section' : 'sections'}{progress}</span
		>
		<button class="linkish" onclick={() => writing.stop()}>Stop</button>
	</p>
{:else if unfinished}
	<p class="flex flex-wrap items-baseline gap-3 border-b border-rule px-5 py-1.5" role="status">
		<span
			>{countOf(unfinished.sections.length, 'section')} not written{unfinished.reason
				? `: ${unfinished.reason}`
				: ''}.</span
		>
		<button class="linkish" onclick={() => void versions.ask(unfinished.sections, unfinished.move)}
			>Go on where it stopped</button
		>
		<button class="linkish" onclick={() => (versions.unfinished = null)}>Leave it</button>
	</p>
{:else if offered.length > 1 && !versions.stored}
	<p class="flex flex-wrap items-baseline gap-3 border-b border-rule px-5 py-1.5" role="status">
		<span>{countOf(offered.length, 'version')} beside the text, not yet taken or left.</span>
		<button class="linkish" onclick={() => versions.showById(offered.at(-1)!.id)}
			>Show the first</button
		>
	</p>
{/if}
