<!-- Logo and colours of the client, which head the printed brief. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import type { ClientForm } from './client-form.svelte';

	interface Props {
		form: ClientForm;
	}
	let { form }: Props = $props();
	let logoPicker = $state<HTMLInputElement>();

	const MOST_LOGO_BYTES = 500_000;
	function takeLogo(files: FileList | null) {
		const file = files?.[0];
		if (logoPicker) logoPicker.value = '';
		if (!file) return;
		if (!/^image\/(?:png|jpeg|webp|svg\+xml)$/.test(file.type)) {
			toast.error(`${file.name} is no PNG, JPEG, WebP or SVG.`);
			return;
		}
		if (file.size > MOST_LOGO_BYTES) {
			toast.error(`${file.name} is larger than 500 kB: save it smaller and bring it in again.`);
			return;
		}
		const reader = new FileReader();
		reader.onload = () => {
			form.draft.logo = String(reader.result);
			form.changed();
		};
		reader.onerror = () => toast.error(`${file.name} cannot be read.`);
		reader.readAsDataURL(file);
	}
</script>

<h2 class="font-sans text-[13px] font-semibold">Logo and colours</h2>
<p class="text-xs text-ink-2">They head the printed brief.</p>
<div class="mt-2 mb-5 flex flex-wrap items-center gap-3">
	{#if form.draft.logo}<img
			src={form.draft.logo}
			alt="Logo of {form.draft.name}"
			class="h-9 w-auto"
		/>
		<button
			class="linkish"
			onclick={() => {
				form.draft.logo = '';
				form.changed();
			}}>Take it out</button
		>{/if}
	<button class="act" onclick={() => logoPicker?.click()}
		>{form.draft.logo ? 'Another logo' : 'Choose a logo'}</button
	>
	<input
		bind:this={logoPicker}
		type="file"
		accept="image/png,image/jpeg,image/webp,image/svg+xml"
		class="hidden"
		aria-label="Logo file"
		onchange={(event) => takeLogo(event.currentTarget.files)}
	/>
	{#each form.draft.colours as colour, i (i)}
		<span class="flex items-center gap-1">
			<input
				type="color"
				bind:value={form.draft.colours[i]}
				aria-label="Colour {i + 1}, {colour}"
			/>
			<button
				class="linkish"
				aria-label="Take colour {i + 1} off"
				onclick={() => {
					form.draft.colours.splice(i, 1);
					form.changed();
				}}>×</button
			>
		</span>
	{/each}
	{#if form.draft.colours.length < 6}<button
			class="act"
			onclick={() => {
				form.draft.colours.push('#234463');
				form.changed();
			}}>Add a colour</button
		>{/if}
</div>
