<!-- One node of the methods, drawn as what it is. -->
<script lang="ts">
	import type { Nodes } from 'mdast';
	import { idOf, plainTextOf } from './methods-text';
	import Self from './MethodsNode.svelte';

	let { node }: { node: Nodes } = $props();
</script>

{#snippet inner(children: readonly Nodes[])}
	{#each children as child, i (i)}<Self node={child} />{/each}
{/snippet}

{#if node.type === 'heading'}
	{@const id = idOf(plainTextOf(node))}
	{#if node.depth === 1}<h1 {id}>{@render inner(node.children)}</h1>
	{:else if node.depth === 2}<h2 {id}>{@render inner(node.children)}</h2>
	{:else}<h3 {id}>{@render inner(node.children)}</h3>{/if}
{:else if node.type === 'paragraph'}<p>{@render inner(node.children)}</p>
{:else if node.type === 'list'}
	{#if node.ordered}<ol>{@render inner(node.children)}</ol>
	{:else}<ul>{@render inner(node.children)}</ul>{/if}
{:else if node.type === 'listItem'}<li>{@render inner(node.children)}</li>
{:else if node.type === 'strong'}<strong>{@render inner(node.children)}</strong>
{:else if node.type === 'emphasis'}<em>{@render inner(node.children)}</em>
{:else if node.type === 'inlineCode'}<code>{node.value}</code>
{:else if node.type === 'code'}<pre>{node.value}</pre>
{:else if node.type === 'table'}
	{@const [head, ...rows] = node.children}
	<div class="overflow-x-auto">
		<table>
			{#if head}<thead
					><tr
						>{#each head.children as cell, i (i)}<th>{@render inner(cell.children)}</th>{/each}</tr
					></thead
				>{/if}
			<tbody
				>{#each rows as row, r (r)}<tr
						>{#each row.children as cell, i (i)}<td>{@render inner(cell.children)}</td>{/each}</tr
					>{/each}</tbody
			>
		</table>
	</div>
{:else if node.type === 'text'}{node.value}
{:else if 'children' in node}{@render inner(node.children)}{/if}
