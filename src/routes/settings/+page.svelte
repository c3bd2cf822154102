<script lang="ts">
	import TopLine from '$lib/ui/frame/TopLine.svelte';
	import Choice from '$lib/ui/settings/Choice.svelte';
	import { hints } from '$lib/ui/frame/hints.svelte';
	import { measures, MEASURES, type Measures } from '$lib/ui/frame/measures';
	import { spelling, SPELLINGS, type Spelling } from '$lib/ui/frame/spelling';
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
	const SPELLING_NAMES: Record<Spelling, string> = {
		notes: 'As in the notes',
		british: 'British',
		american: 'American'
	};
	const MEASURE_NAMES: Record<Measures, string> = {
		given: 'As sources give them',
		metric: 'Also in metric',
		imperial: 'Also in imperial'
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
	<Choice label="Theme" values={THEME_MODES} names={NAMES} bind:chosen={theme.mode} />
	<Choice
		label="Type of manuscripts"
		values={TYPE_SIZES}
		names={SIZE_NAMES}
		bind:chosen={typeSetting.size}
	>
		{#snippet sample()}
			<p class="manuscript-sample clear-both pt-3 font-serif">
				Every stone sits on two below and is covered by two above.
			</p>
		{/snippet}
	</Choice>
	<Choice label="English" values={SPELLINGS} names={SPELLING_NAMES} bind:chosen={spelling.chosen}>
		{#snippet sample()}
			<p class="clear-both pt-2 text-ink-2">
				What Proof reads for and outputs say they are in; an assignment can have its own in Proof.
			</p>
		{/snippet}
	</Choice>
	<Choice label="Measures" values={MEASURES} names={MEASURE_NAMES} bind:chosen={measures.chosen}>
		{#snippet sample()}
			<p class="clear-both pt-2 text-ink-2">
				Stand beside the figures in Findings. What an article says is left as its source says it.
			</p>
		{/snippet}
	</Choice>
	<Endpoints />
	<section class="border-t border-rule py-4">
		<h2 class="mb-2 text-base">Keys</h2>
		<p>
			Press <kbd class="font-sans font-semibold">?</kbd> anywhere for all of them, or
			<kbd class="font-sans font-semibold">Ctrl/⌘ + K</kbd> to find an action by its name.
		</p>
		{#if hints.areSome}<p class="mt-2">
				<button class="linkish" onclick={() => hints.showAgain()}
					>Show the first-time hints again</button
				>
			</p>{/if}
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
