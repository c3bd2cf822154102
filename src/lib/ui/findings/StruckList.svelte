<!-- Entries of a list of findings that were struck out, each with the way back. -->
<script lang="ts" generics="T extends { readonly id: string }">
	import type { GroupList } from './group-list.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		list: GroupList<T>;
		entries: readonly T[];
	}
	let { list, entries }: Props = $props();
</script>

<ul class="border-y border-rule py-2" aria-label="Struck out">
	{#each withRowKeys(entries, (entry) => entry.id) as { rowKey, item: entry } (rowKey)}
		<li class="flex gap-3">
			<s class="font-serif">{list.nameOf(entry)}</s>
			<button class="linkish" onclick={() => list.strike(entry, false)}>Bring back</button>
		</li>
	{/each}
</ul>
