<!-- A version of a section, beside the text; nothing is replaced unasked. -->
<script lang="ts">
	import { docText } from '$lib/core/manuscript';
	import type { Version } from '$lib/core/writers';

	interface Props {
		version: Version;
		onput: (how: 'replace' | 'below') => void;
		onclose: () => void;
	}
	let { version, onput, onclose }: Props = $props();
	const isEmpty = $derived(version.blocks.length === 0);
</script>

<section class="mb-4 border-l-2 border-accent pl-3" aria-label="Version of {version.heading}">
	<h2 class="font-sans text-xs">Another version · {version.heading}</h2>
	<p class="mb-2 text-ink-2">
		{version.outcome.kind === 'refused'
			? `Nothing was written: ${version.outcome.reason}.`
			: `${version.words} words from your notes`}
	</p>
	<div class="max-h-72 overflow-y-auto font-serif text-[14px] leading-relaxed">
		{#each version.blocks as block, i (i)}
			<p class="mb-2 whitespace-pre-line" class:text-warning={block.type === 'gap'}>
				{block.type === 'gap' ? 'Gap. ' : ''}{docText(block)}
			</p>
		{:else}
			<p>The notes say nothing more about it.</p>
		{/each}
	</div>
	<p class="mt-2 flex flex-wrap gap-2">
		<button class="act chief" onclick={() => onput('replace')} disabled={isEmpty}
			>Replace the section</button
		>
		<button class="act" onclick={() => onput('below')} disabled={isEmpty}>Put it below</button>
		<button class="act" onclick={onclose}>Leave it</button>
	</p>
</section>
