<!-- Keeps the outline as a form of the client, for plans to come. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import { formOf, type Plan } from '$lib/core/plan';
	import { MOST_FORMS } from '$lib/core/clients';
	import type { Client } from '$lib/data/db';
	import { changeForms } from '../clients/forms';

	interface Props {
		plan: Plan;
		client: Client;
		keyword: string;
		onclose: () => void;
	}
	let { plan, client, keyword, onclose }: Props = $props();

	let name = $state('');
	const known = $derived(
		client.forms.findIndex((form) => form.name.toLowerCase() === name.trim().toLowerCase())
	);
	const isFull = $derived(known < 0 && client.forms.length >= MOST_FORMS);
	const form = $derived(formOf(plan, name.trim(), keyword));

	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (name.trim() === '' || isFull) return;
		const forms = known < 0 ? [...client.forms, form] : client.forms.with(known, form);
		await changeForms(
			client,
			known < 0
				? `Saved the form “${form.name}” for ${client.name}`
				: `Saved the form “${form.name}” for ${client.name} anew`,
			forms
		);
		onclose();
	}
</script>

<form class="max-w-3xl py-3" aria-label="Save as a form" onsubmit={(event) => void save(event)}>
	<div class="flex flex-wrap items-end gap-2">
		<label class="flex flex-col gap-1"
			>Name of the form
			<input
				class="field w-80"
				bind:value={name}
				maxlength="120"
				placeholder="how-to guides"
				{@attach focused}
			/></label
		>
		<button class="act chief" disabled={name.trim() === '' || isFull}
			>{known < 0 ? 'Save the form' : 'Save over it'}</button
		>
		<button type="button" class="act" onclick={onclose}>Cancel</button>
	</div>
	<p class="mt-2 text-ink-2">
		{#if isFull}{client.name} has {MOST_FORMS} forms already: take one off in the profile first.
		{:else if known >= 0}{client.name} has a form of this name; it will be replaced.
		{:else}Headings, kinds and shares of the words are kept for {client.name}; the keyword and what
			it is about leave room for others:{/if}
	</p>
	<p class="mt-1 font-serif">
		{form.sections
			.slice(1)
			.map(({ heading }) => heading)
			.join(' · ')}
	</p>
</form>
