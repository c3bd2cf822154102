<!-- Names of the client: their exact spelling, the wrong ones, and how to speak of them. -->
<script lang="ts">
	import type { ClientForm } from './client-form.svelte';

	interface Props {
		form: ClientForm;
	}
	let { form }: Props = $props();
</script>

<h2 class="font-sans text-[13px] font-semibold">Names and how they are written</h2>
<p class="text-xs text-ink-2">
	Write marks other spellings; a search that holds a name counts as looking for the client.
</p>
{#each form.draft.brands as brand, i (i)}
	<div class="mt-2 grid grid-cols-[1fr_1fr_1.4fr_auto] gap-2 max-sm:grid-cols-1">
		<input
			class="field"
			bind:value={brand.name}
			placeholder="Exact spelling"
			aria-label="Exact spelling"
		/>
		<input
			class="field"
			bind:value={brand.wrong}
			placeholder="wrong, with commas"
			aria-label="Wrong spellings of {brand.name}"
		/>
		<input
			class="field"
			bind:value={brand.how}
			placeholder="how to speak of it"
			aria-label="How to speak of {brand.name}"
		/>
		<button
			class="linkish"
			aria-label="Take {brand.name} off"
			onclick={() => {
				form.draft.brands.splice(i, 1);
				form.changed();
			}}>Take off</button
		>
	</div>
{/each}
<p class="mt-2 mb-4">
	<button class="act" onclick={() => form.draft.brands.push({ name: '', wrong: '', how: '' })}
		>Add a name</button
	>
</p>
