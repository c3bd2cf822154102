<script lang="ts">
	import TopLine from '$lib/ui/frame/TopLine.svelte';
	import Endpoints from '$lib/ui/settings/Endpoints.svelte';
	import { theme, THEME_MODES, type ThemeMode } from '$lib/ui/frame/theme.svelte';
	import { TYPE_SIZES, typeSetting, type TypeSize } from '$lib/ui/frame/type-size.svelte';

	const NAMES: Record<ThemeMode, string> = {
		system: 'As the system',
		paper: 'Paper',
		night: 'Night'
	};
	const SIZE_NAMES: Record<TypeSize, string> = {
		usual: 'As usual',
		larger: 'Larger',
		largest: 'Largest'
	};
	let used = $state('');

	$effect(() => {
		void navigator.storage?.estimate?.().then(({ usage, quota }) => {
			if (usage === undefined || !quota) return;
			used = `${(usage / 1e6).toFixed(1)} MB of the ${(quota / 1e9).toFixed(1)} GB this browser allows`;
		});
	});
</script>

<svelte:head><title>Settings · Corvan</title></svelte:head>
<TopLine />
<main class="mx-auto max-w-2xl px-5 py-8">
	<h1 class="mb-6 text-2xl">Settings</h1>
	<fieldset class="border-t border-rule py-4">
		<legend class="float-left w-40 font-semibold">Theme</legend>
		<div class="flex gap-5">
			{#each THEME_MODES as mode (mode)}
				<label class="flex items-center gap-2"
					><input
						type="radio"
						class="radio radio-xs"
						name="theme"
						value={mode}
						bind:group={theme.mode}
					/>{NAMES[mode]}</label
				>
			{/each}
		</div>
	</fieldset>
	<fieldset class="border-t border-rule py-4">
		<legend class="float-left w-40 font-semibold">Type of manuscripts</legend>
		<div class="flex flex-wrap gap-5">
			{#each TYPE_SIZES as size (size)}
				<label class="flex items-center gap-2"
					><input
						type="radio"
						class="radio radio-xs"
						name="type-size"
						value={size}
						bind:group={typeSetting.size}
					/>{SIZE_NAMES[size]}</label
				>
			{/each}
		</div>
		<p class="manuscript-sample clear-both pt-3 font-serif">
			Every stone sits on two below and is covered by two above.
		</p>
	</fieldset>
	<Endpoints />
	<section class="border-t border-rule py-4">
		<h2 class="mb-2 text-base">Keys</h2>
		<p>
			Press <kbd class="font-semibold">?</kbd> anywhere for all of them, or
			<kbd class="font-semibold">Ctrl/⌘ + K</kbd> to find an action by its name.
		</p>
	</section>
	<section class="border-t border-rule py-4">
		<h2 class="mb-2 text-base">Where everything is</h2>
		<p>
			Assignments, pages, notes and takes are stored in this browser and nowhere else{#if used}: {used}{/if}.
			An archive from Deliver takes a whole assignment to another machine.
		</p>
	</section>
</main>

<style>
	.manuscript-sample {
		font-size: calc(16.5px * var(--type-scale, 1));
	}
</style>
