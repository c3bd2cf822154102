<!-- Splitting, striking out and naming of one open entry of a list of findings. -->
<script lang="ts" generics="T extends { readonly id: string }">
	import type { GroupList } from './group-list.svelte';

	interface Props {
		list: GroupList<T>;
		entry: T;
		/** What its parts are called, in the plural; left out where they are split off one by one. */
		parts?: string;
		/** Label of the field for its name; left out where it has none. */
		naming?: string;
		isStruck?: boolean;
	}
	let { list, entry, parts, naming, isStruck = false }: Props = $props();

	const partCount = $derived(list.partsOf(entry).length);
</script>

<p class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
	{#if parts !== undefined && partCount > 1}<button
			class="linkish"
			disabled={list.parting.size === 0 || list.parting.size === partCount}
			onclick={() => list.part(entry)}
			>{list.parting.size === 0
				? `Tick ${parts} to split them off`
				: `Split off ${list.parting.size}`}</button
		>{/if}
	<button class="linkish" onclick={() => list.strike(entry, !isStruck)}
		>{isStruck ? 'Bring back' : 'Strike out'}</button
	>
</p>
{#if naming !== undefined}
	<form
		class="mt-2 flex max-w-sm gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			list.rename(entry, list.typedName ?? list.nameOf(entry));
		}}
	>
		<input
			class="field min-w-0 flex-1"
			maxlength="200"
			aria-label={naming}
			bind:value={
				() => list.typedName ?? list.nameOf(entry), (name: string) => (list.typedName = name)
			}
		/><button class="act">Rename</button>
	</form>
{/if}
