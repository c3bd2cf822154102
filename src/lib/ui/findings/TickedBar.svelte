<!-- What can be done with the ticked entries of a list of findings. -->
<script lang="ts" generics="T extends { readonly id: string }">
	import type { GroupList } from './group-list.svelte';

	interface Props {
		list: GroupList<T>;
		/** Why the ticked entries cannot be merged; empty when they can. */
		obstacle?: string;
	}
	let { list, obstacle = '' }: Props = $props();

	const first = $derived(list.tickedEntries[0]);
	const isAble = $derived(list.tickedEntries.length > 1 && obstacle === '');
</script>

<strong>{list.tickedEntries.length} ticked</strong>
<button class="act max-w-md truncate" disabled={!isAble} onclick={() => list.merge()}
	>{isAble && first ? `Merge into “${list.nameOf(first)}”` : 'Merge'}</button
>
{#if list.tickedEntries.length > 1 && obstacle !== ''}<span class="text-ink-2">{obstacle}</span
	>{/if}
<button class="linkish" onclick={() => list.untick()}>Untick</button>
