<!-- Secondary keywords of the brief: which are required, which to take off, and another. -->
<script lang="ts">
	import { withRowKeys } from '../parts/row-keys';
	import { volumeShown } from '../scout/format';
	import type { BriefForm } from './brief-form.svelte';

	interface Props {
		form: BriefForm;
	}
	let { form }: Props = $props();
	let newPhrase = $state('');

	function add(event: SubmitEvent) {
		event.preventDefault();
		const phrase = newPhrase.trim();
		if (phrase === '') return;
		newPhrase = '';
		const { secondary } = form.draft.brief;
		if (secondary.some((other) => other.phrase.toLowerCase() === phrase.toLowerCase())) return;
		secondary.push({ phrase, volumeMin: null, volumeMax: null, isRequired: true });
		void form.commit('Added a secondary keyword');
	}

	function remove(at: number) {
		const [gone] = form.draft.brief.secondary.splice(at, 1);
		void form.commit(`Took “${gone?.phrase}” off the brief`);
	}
</script>

<div class="mb-4">
	<h2 class="font-sans text-[13px] font-semibold">Secondary keywords</h2>
	<p class="text-ink-2">
		A required one is a must term in Findings, Plan and Write; the others are terms where a page
		uses them.
	</p>
	{#if form.draft.brief.secondary.length > 0}
		<ul class="mt-1 max-h-72 overflow-y-auto border-y border-rule">
			{#each withRowKeys(form.draft.brief.secondary, (secondary) => secondary.phrase) as { rowKey, item: secondary }, i (rowKey)}
				<li class="flex items-center gap-3 border-b border-rule px-1 py-1 last:border-0">
					<label class="flex min-w-0 flex-1 items-center gap-2">
						<input
							type="checkbox"
							class="checkbox checkbox-xs"
							bind:checked={secondary.isRequired}
							aria-label="{secondary.phrase} is required"
						/>
						<span class="truncate font-serif">{secondary.phrase}</span>
					</label>
					<span class="text-ink-2"
						>{volumeShown({
							volume: secondary.volumeMin === secondary.volumeMax ? secondary.volumeMin : null,
							volumeMin: secondary.volumeMin,
							volumeMax: secondary.volumeMax
						})}</span
					>
					<button class="linkish" aria-label="Take {secondary.phrase} off" onclick={() => remove(i)}
						>Take off</button
					>
				</li>
			{/each}
		</ul>
	{/if}
	<form class="mt-2 flex max-w-md gap-2" onsubmit={add}>
		<input
			class="field"
			bind:value={newPhrase}
			placeholder="Another phrase"
			aria-label="Another secondary keyword"
			oninput={(event) => event.stopPropagation()}
			onchange={(event) => event.stopPropagation()}
		/>
		<button class="act">Add</button>
	</form>
</div>
