<!-- Another version of a section, beside the text; nothing is replaced unasked. -->
<script lang="ts">
	import { docText, type DocNode } from '$lib/core/takes';
	import { countWords } from '$lib/core/text';

	interface Props {
		heading: string;
		blocks: readonly DocNode[];
		onput: (how: 'replace' | 'below') => void;
		onclose: () => void;
	}
	let { heading, blocks, onput, onclose }: Props = $props();
	const words = $derived(
		blocks.reduce((sum, block) => sum + (block.type === 'gap' ? 0 : countWords(docText(block))), 0)
	);
</script>

<section class="mb-4 border-l-2 border-accent pl-3">
	<h2 class="font-sans text-xs">Another version · {heading}</h2>
	<p class="mb-2 text-ink-2">{words} words from your notes</p>
	<div class="max-h-72 overflow-y-auto font-serif text-[14px] leading-relaxed">
		{#each blocks as block, i (i)}
			<p class="mb-2 whitespace-pre-line" class:text-warning={block.type === 'gap'}>
				{block.type === 'gap' ? 'Gap. ' : ''}{docText(block)}
			</p>
		{:else}
			<p>The notes say nothing more about it.</p>
		{/each}
	</div>
	<p class="mt-2 flex flex-wrap gap-2">
		<button class="act chief" onclick={() => onput('replace')} disabled={blocks.length === 0}
			>Replace the section</button
		>
		<button class="act" onclick={() => onput('below')} disabled={blocks.length === 0}
			>Put it below</button
		>
		<button class="act" onclick={onclose}>Leave it</button>
	</p>
</section>
