<!-- The lists Scout is made of: leave one out for a while, rename it, take it away. -->
<script lang="ts">
	import { format } from 'date-fns';
	import type { StoredList, StoredPhraseNote } from '$lib/data/db';
	import Popup from '../parts/Popup.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		lists: readonly StoredList[];
		struck: readonly StoredPhraseNote[];
		onchange: (
			list: StoredList,
			label: string,
			values: Partial<Pick<StoredList, 'name' | 'isHidden'>>
		) => void;
		onremove: (list: StoredList) => void;
		onrestore: (keys: readonly string[]) => void;
	}
	let { lists, struck, onchange, onremove, onrestore }: Props = $props();
</script>

<Popup label="Lists {lists.length}" width="25rem">
	<ul>
		{#each lists as list (list.id)}
			<li class="border-b border-rule py-1.5">
				<div class="flex items-center gap-2">
					<input
						type="checkbox"
						class="checkbox checkbox-xs"
						checked={!list.isHidden}
						aria-label="Show {list.name}"
						onchange={() =>
							onchange(list, list.isHidden ? `Shows “${list.name}”` : `Left “${list.name}” out`, {
								isHidden: !list.isHidden
							})}
					/>
					<input
						class="min-w-0 flex-1 bg-transparent"
						value={list.name}
						aria-label="Name of the list {list.name}"
						onchange={(event) => {
							const name = event.currentTarget.value.trim();
							if (name === '') event.currentTarget.value = list.name;
							else onchange(list, `Renamed “${list.name}”`, { name });
						}}
					/>
					<button class="linkish" aria-label="Take {list.name} out" onclick={() => onremove(list)}
						>Take out</button
					>
				</div>
				<p class="pl-6 text-ink-2">
					{list.count.toLocaleString('en')} phrases, {format(list.addedAt, 'd MMM yyyy, HH:mm')}
				</p>
				{#if list.rejected.length > 0}
					<details class="pl-6">
						<summary class="text-ink-2">{list.rejected.length} lines stayed out</summary>
						<ul class="max-h-32 overflow-y-auto">
							{#each list.rejected as { line, reason, text }, i (i)}<li>
									Line {line}: {reason}. <span class="text-ink-2">{text}</span>
								</li>{/each}
						</ul>
					</details>
				{/if}
			</li>
		{/each}
	</ul>
	{#if struck.length > 0}
		<details class="mt-2">
			<summary class="text-ink-2">Struck out: {struck.length}</summary>
			<ul class="max-h-40 overflow-y-auto">
				{#each withRowKeys(struck, ({ key }) => key) as { rowKey, item: { key } } (rowKey)}<li
						class="flex gap-2"
					>
						<span class="flex-1 truncate">{key}</span><button
							class="linkish"
							aria-label="Bring {key} back"
							onclick={() => onrestore([key])}>Bring back</button
						>
					</li>{/each}
			</ul>
		</details>
	{/if}
</Popup>
