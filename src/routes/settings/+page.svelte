<script lang="ts">
	import TopLine from '$lib/ui/frame/TopLine.svelte';
	import Endpoints from '$lib/ui/settings/Endpoints.svelte';
	import { theme, THEME_MODES, type ThemeMode } from '$lib/ui/frame/theme.svelte';

	const NAMES: Record<ThemeMode, string> = {
		system: 'As the system',
		paper: 'Paper',
		night: 'Night'
	};
	const KEYS = [
		['Ctrl/⌘ + K', 'find any action'],
		[
			'Alt + 1 … 8',
			'go to a stage: 1 Scout, 2 Brief, 3 Gather, 4 Findings, 5 Plan, 6 Write, 8 Deliver'
		],
		['Ctrl/⌘ + Z', 'take back the last step'],
		['Ctrl/⌘ + Shift + Z', 'do it again'],
		['Alt + ↑ / ↓', 'move the chosen section in the plan'],
		['Alt + J', 'in Write: the next section with something open'],
		['Alt + G', 'in Write: the next gap'],
		['Alt + Q', 'in Write: only the text and its section’s slip'],
		['Alt + → / ←', 'make it a sub-section, or bring it out again'],
		['↑ / ↓', 'the next row in a list; Enter opens it, Space sets a page aside or ticks a phrase']
	] as const;
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
	<Endpoints />
	<section class="border-t border-rule py-4">
		<h2 class="mb-2 text-base">Keys</h2>
		<dl class="grid grid-cols-[10rem_1fr] gap-y-1">
			{#each KEYS as [keys, does] (keys)}<dt class="font-semibold">{keys}</dt>
				<dd>{does}</dd>{/each}
		</dl>
	</section>
	<section class="border-t border-rule py-4">
		<h2 class="mb-2 text-base">Where everything is</h2>
		<p>
			Assignments, pages, notes and takes are stored in this browser and nowhere else{#if used}: {used}{/if}.
			An archive from Deliver takes a whole assignment to another machine.
		</p>
	</section>
</main>
