<!-- What is questionable about the plan, each with a remedy where there is one, and the way to set it aside. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import type { PlanWarning } from '$lib/core/plan';
	import { usePlanEditor } from './plan-editor.svelte';
	import { withRowKeys } from '../parts/row-keys';

	const editor = usePlanEditor();
	/** The warning whose reason is being asked for. */
	let asking = $state<string | null>(null);
	let showsDismissed = $state(false);

	function dismiss(event: SubmitEvent, warning: PlanWarning) {
		event.preventDefault();
		const reason = new FormData(event.currentTarget as HTMLFormElement).get('reason');
		editor.dismiss(warning, typeof reason === 'string' ? reason : '');
		asking = null;
	}
</script>

<ul class="mb-2 border-l-2 border-plum pl-3" aria-label="Warnings">
	{#each withRowKeys(editor.warnings, (warning) => warning.id) as { rowKey, item: warning } (rowKey)}
		<li class="py-0.5">
			{#if warning.section}<button
					class="text-left hover:underline"
					onclick={() => (editor.chosen = warning.section)}>{warning.text}</button
				>{:else}{warning.text}{/if}
			{#if warning.remedy}<button class="linkish ml-2" onclick={() => editor.mend(warning)}
					>{warning.remedy.label}</button
				>{/if}
			{#if asking === warning.id}
				<form class="mt-1 flex gap-2" onsubmit={(event) => dismiss(event, warning)}>
					<input
						class="field max-w-sm min-w-0 flex-1"
						name="reason"
						maxlength="200"
						placeholder="Why it may stay"
						aria-label="Why it may stay"
						{@attach focused}
					/><button class="act">Set aside</button>
				</form>
			{:else}<button class="linkish ml-2" onclick={() => (asking = warning.id)}>Set aside</button
				>{/if}
		</li>
	{/each}
	{#if editor.dismissed.length > 0}
		<li>
			<button
				class="linkish"
				aria-expanded={showsDismissed}
				onclick={() => (showsDismissed = !showsDismissed)}
				>{editor.dismissed.length} set aside</button
			>
		</li>
		{#if showsDismissed}{#each withRowKeys(editor.dismissed, (warning) => warning.id) as { rowKey, item: warning } (rowKey)}
				<li class="text-ink-2">
					{warning.text} <em>{editor.plan?.dismissed[warning.id]}</em>
					<button class="linkish ml-2" onclick={() => editor.restore(warning)}>Bring back</button>
				</li>
			{/each}{/if}
	{/if}
</ul>
