<!-- One block of a cleaned page, as text only. -->
<script lang="ts">
	import type { Block } from '$lib/core/pages';

	let { block }: { block: Block } = $props();
</script>

<div class="block">
	{#if block.kind === 'heading'}
		<p class="heading l{block.level}"><span class="level">H{block.level}</span> {block.text}</p>
	{:else if block.kind === 'list'}
		<svelte:element
			this={block.ordered ? 'ol' : 'ul'}
			class={block.ordered ? 'list-decimal' : 'list-disc'}
		>
			{#each block.items as item, i (i)}<li>{item}</li>{/each}
		</svelte:element>
	{:else if block.kind === 'table'}
		<div class="overflow-x-auto">
			<table>
				<tbody>
					{#each block.rows as row, r (r)}
						<tr
							>{#each row as cell, c (c)}<td class:font-semibold={block.header && r === 0}
									>{cell}</td
								>{/each}</tr
						>
					{/each}
				</tbody>
			</table>
		</div>
	{:else if block.kind === 'figure'}
		<p class="note">
			Image{block.alt ? `: ${block.alt}` : ' without alt text'}{block.caption
				? ` · ${block.caption}`
				: ''}
		</p>
	{:else if block.kind === 'answer'}
		<p class="heading l3"><span class="level">?</span> {block.question}</p>
		{#if block.text}<p>{block.text}</p>{/if}
	{:else if block.kind === 'quote'}
		<blockquote>{block.text}</blockquote>
	{:else if block.kind === 'code'}
		<pre>{block.text}</pre>
	{:else}
		<p>{block.text}</p>
	{/if}
</div>

<style>
	p,
	ul,
	ol,
	table,
	blockquote,
	pre {
		margin: 0 0 9px;
	}
	ul,
	ol {
		padding-left: 1.3em;
	}
	.heading {
		font-weight: 600;
		margin-top: 14px;
	}
	.level {
		color: var(--ink-2);
		font: 600 12px var(--font-sans);
		margin-right: 3px;
	}
	.l1 {
		font-size: 17px;
	}
	td {
		border-bottom: 1px solid var(--rule);
		padding: 3px 10px 3px 0;
		font-size: 13.5px;
		vertical-align: top;
	}
	.note {
		color: var(--ink-2);
		font: 12.5px/1.4 var(--font-sans);
	}
	blockquote {
		border-left: 2px solid var(--rule);
		padding-left: 10px;
	}
	pre {
		overflow-x: auto;
		font-size: 12px;
	}
</style>
