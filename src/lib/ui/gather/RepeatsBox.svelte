<!-- Pages that are here already: whether to replace them, keep both or leave the new one out. -->
<script lang="ts">
	import type { Repeat, RepeatChoice } from './import-report';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		repeats: readonly Repeat[];
		onchoose: (choices: RepeatChoice[]) => void;
	}
	let { repeats, onchoose }: Props = $props();
	// made anew for each question
	// svelte-ignore state_referenced_locally
	let choices = $state<RepeatChoice[]>(repeats.map(() => 'replace'));
	let form = $state<HTMLFormElement>();
	$effect(() => form?.querySelector('select')?.focus());

	const NAMES: Readonly<Record<RepeatChoice, string>> = {
		replace: 'replace it',
		keep: 'keep both',
		leave: 'leave the new one out'
	};
</script>

<form
	bind:this={form}
	class="my-2 border border-ink p-3"
	aria-label="Pages that are here already"
	onsubmit={(event) => {
		event.preventDefault();
		onchoose([...choices]);
	}}
>
	<p class="font-semibold">
		{repeats.length === 1
			? 'This page is here already.'
			: `${repeats.length} of these pages are here already.`}
	</p>
	<ul class="mt-1 max-h-52 overflow-y-auto">
		{#each withRowKeys(repeats, ({ incoming }) => incoming.id) as { rowKey, item: { here } }, i (rowKey)}
			<li class="flex flex-wrap items-center gap-x-3 border-b border-rule py-1">
				<span class="min-w-0 flex-1 font-serif">{here.article.title || here.name}</span>
				<select
					class="field w-auto"
					bind:value={choices[i]}
					aria-label="What to do with {here.article.title || here.name}"
				>
					{#each Object.entries(NAMES) as [value, name] (value)}<option {value}>{name}</option
						>{/each}
				</select>
			</li>
		{/each}
	</ul>
	<p class="mt-2 text-xs text-ink-2">
		A replaced page keeps its letter, and whether it counts. Undo brings the old one back.
	</p>
	<div class="mt-2 flex flex-wrap gap-2">
		<button class="act chief">Go on</button>
		{#if repeats.length > 1}
			<button type="button" class="act" onclick={() => onchoose(repeats.map(() => 'replace'))}
				>Replace all</button
			>
			<button type="button" class="act" onclick={() => onchoose(repeats.map(() => 'keep'))}
				>Keep both of all</button
			>
		{/if}
	</div>
</form>
