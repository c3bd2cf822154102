<!-- A client: what all assignments share. Changes wait until the writer has seen what they reach. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { Dialog } from 'bits-ui';
	import { writeClientFile, type Link } from '$lib/core/clients';
	import { slugOf } from '$lib/core/plan';
	import { assignmentsOf, putBackClient, takeClient, type TakenClient } from '$lib/data/clients';
	import type { Assignment, Client } from '$lib/data/db';
	import { follow } from '$lib/data/follow';
	import Field from '../brief/Field.svelte';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import { download } from '../parts/download';
	import BrandFields from './BrandFields.svelte';
	import { ClientForm, profileOf } from './client-form.svelte';
	import FormsView from './FormsView.svelte';
	import LinkMapView from './LinkMapView.svelte';
	import LookFields from './LookFields.svelte';
	import VoiceView from './VoiceView.svelte';

	interface Props {
		client: Client;
		links: readonly Link[];
	}
	let { client, links }: Props = $props();

	const form = new ClientForm(() => client);
	let isConfirming = $state(false);
	let shared = $state.raw<readonly Assignment[]>([]);
	let trouble = $state('');

	$effect(() =>
		follow(
			() => assignmentsOf(client.id),
			(value) => (shared = value),
			(message) => (trouble = message)
		)
	);
	$effect(() => form.watch());
	$effect(() => form.follow());
	$effect(() =>
		actions.offer(() => [
			{ label: 'Export the client profile', run: () => void exportProfile() },
			...(form.changes.length > 0
				? [{ label: 'Apply the changes to the client', run: () => void ask() }]
				: [])
		])
	);

	async function ask() {
		if (!form.check()) return;
		if (shared.length === 0) await form.apply();
		else isConfirming = true;
	}

	async function apply() {
		isConfirming = false;
		await form.apply();
	}

	function exportProfile() {
		download(
			`${slugOf(client.name) || 'client'}.json`,
			writeClientFile(profileOf(client), links),
			'application/json'
		);
	}

	async function remove() {
		let taken: TakenClient | null = null;
		await history.run({
			label: `Took the client “${client.name}” away`,
			redo: async () => {
				taken = await takeClient(client.id);
			},
			undo: async () => {
				if (taken) await putBackClient(taken);
			}
		});
		await goto(resolve('/clients'));
	}
</script>

<div class="flex min-h-0 flex-1 flex-col">
	{#if trouble}<p class="border-b border-error px-5 py-2 text-error" role="alert">{trouble}</p>{/if}
	{#if form.changes.length > 0}
		<div
			class="flex flex-wrap items-center gap-3 border-b border-accent bg-wash px-5 py-2 max-sm:px-3"
			role="status"
		>
			<p>
				<strong>Not applied yet:</strong>
				{form.changes.map(({ summary }) => summary).join('; ')}
			</p>
			<span class="ml-auto flex gap-2">
				<button class="act" onclick={() => void form.drop()}>Drop them</button>
				<button class="act chief" onclick={() => void ask()}>Apply</button>
			</span>
			{#if form.error}<p class="w-full text-error" role="alert">
					It cannot be applied: {form.error}
				</p>{/if}
		</div>
	{/if}
	<main
		class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(0,430px)] max-lg:block max-lg:overflow-y-auto"
	>
		<section
			class="min-h-0 overflow-y-auto px-5 py-4 max-lg:overflow-visible max-sm:px-3"
			aria-label="Profile"
			oninput={() => form.changed()}
		>
			<div class="mb-3 flex flex-wrap items-center gap-2">
				<h1 class="text-xl">{client.name}</h1>
				<button class="act ml-auto" onclick={exportProfile}>Export</button>
				<button class="act" onclick={() => void remove()}>Take away</button>
			</div>
			<Field label="Name" help="Heads the printed brief; stands in the list of assignments.">
				<input class="field" bind:value={form.draft.name} maxlength="120" />
			</Field>
			<Field label="Audience" help="Stands in every brief that names no reader of its own.">
				<textarea class="field" rows="3" bind:value={form.draft.audience}></textarea>
			</Field>
			<Field
				label="Facts that may be stated"
				help="One on a line. Every assignment reads them as a note of the client: findings list them, the drafter may use them."
			>
				<textarea class="field" rows="6" bind:value={form.draft.facts}></textarea>
			</Field>
			<Field
				label="Phrases to avoid"
				help="One on a line. Write marks every use; the drafter leaves such sentences out."
			>
				<textarea class="field" rows="4" bind:value={form.draft.avoid}></textarea>
			</Field>

			<Field
				label="Quotation marks"
				help="Set as they are typed in Write; “More” there sets those of a whole text."
			>
				<select class="field" bind:value={form.draft.quotes}>
					<option value="double">“double”, ‘single’ inside</option>
					<option value="single">‘single’, “double” inside</option>
					<option value="low">„low“, ‚single‘ inside</option>
					<option value="guillemets">« guillemets »</option>
					<option value="straight">"straight", as they are typed</option>
				</select>
			</Field>

			<BrandFields {form} />
			<LookFields {form} />
			<FormsView {client} />
			<LinkMapView client={client.id} {links} {shared} />
		</section>
		<section
			class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-6 py-4 max-lg:overflow-visible max-lg:border-t max-lg:border-l-0 max-sm:px-4"
			aria-label="Voice"
			oninput={() => form.changed()}
		>
			<VoiceView bind:samples={form.draft.voice} onchanged={() => form.changed()} />
		</section>
	</main>
</div>

<Dialog.Root bind:open={isConfirming}>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/30" />
		<Dialog.Content
			class="fixed top-24 left-1/2 z-50 max-h-[70dvh] w-[min(36rem,94vw)] -translate-x-1/2 overflow-y-auto border border-ink bg-base-100 p-5"
		>
			<Dialog.Title class="font-serif text-lg font-semibold">
				{shared.length === 1 ? 'One assignment shares' : `${shared.length} assignments share`} this profile
			</Dialog.Title>
			<Dialog.Description class="mt-1 text-ink-2">
				{shared
					.slice(0, 8)
					.map(({ title }) => title)
					.join(' · ')}{shared.length > 8 ? ` and ${shared.length - 8} more` : ''}
			</Dialog.Description>
			<dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
				{#each form.changes as { part, summary, reaches } (part)}<dt class="font-semibold">
						{summary}
					</dt>
					<dd class="text-ink-2">reaches {reaches}</dd>{/each}
			</dl>
			<div class="mt-4 flex gap-2">
				<button class="act chief" onclick={() => void apply()}>Apply to all of them</button>
				<Dialog.Close class="act">Keep editing</Dialog.Close>
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
