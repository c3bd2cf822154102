<!-- A client: what all assignments share. Changes wait until the writer has seen what they reach. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { Dialog } from 'bits-ui';
	import { untrack } from 'svelte';
	import { slugOf } from '$lib/core/plan';
	import { toast } from 'svelte-sonner';
	import {
		clientProfileSchema,
		profileChangesOf,
		writeClientFile,
		type ClientProfile,
		type Link
	} from '$lib/core/clients';
	import {
		assignmentsOf,
		putBackClient,
		putClient,
		takeClient,
		type TakenClient
	} from '$lib/data/clients';
	import type { Assignment, Client } from '$lib/data/db';
	import { follow } from '$lib/data/follow';
	import { readSetting, saveSetting } from '$lib/data/settings';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import { download } from '../parts/download';
	import Field from '../brief/Field.svelte';
	import FormsView from './FormsView.svelte';
	import LinkMapView from './LinkMapView.svelte';
	import VoiceView from './VoiceView.svelte';

	interface Props {
		client: Client;
		links: readonly Link[];
	}
	let { client, links }: Props = $props();

	/** As it is typed; lists stand one entry on a line. */
	type Draft = Omit<ClientProfile, 'facts' | 'avoid' | 'brands' | 'forms'> & {
		facts: string;
		avoid: string;
		brands: { name: string; wrong: string; how: string }[];
	};
	const draftKey = untrack(() => `client-draft:${client.id}`);

	let draft = $state<Draft>(untrack(() => draftOf(client)));
	/** The profile the draft started from: a change elsewhere shows as a difference, not as a loss. */
	let isConfirming = $state(false);
	let shared = $state.raw<readonly Assignment[]>([]);
	let error = $state('');
	let logoPicker = $state<HTMLInputElement>();
	let timer: ReturnType<typeof setTimeout> | undefined;

	$effect(() =>
		follow(
			() => assignmentsOf(client.id),
			(value) => (shared = value),
			(message) => (error = message)
		)
	);

	const stored = $derived(profileOf(client));
	const profile = $derived(profileFrom(draft));
	const changes = $derived(profileChangesOf(stored, profile));

	// what was typed and not applied yet is still there after closing
	$effect(() => {
		void readSetting(draftKey).then((kept) => {
			if (kept && typeof kept === 'object' && 'brands' in kept) draft = kept as Draft;
		});
		return () => {
			if (timer !== undefined) void keepDraft();
		};
	});
	$effect(() =>
		actions.offer(() => [
			{ label: 'Export the client profile', run: () => void exportProfile() },
			...(changes.length > 0
				? [{ label: 'Apply the changes to the client', run: () => void ask() }]
				: [])
		])
	);
	// an undo has changed what is stored, while nothing here waits to be applied
	let last = untrack(() => JSON.stringify(profileOf(client)));
	$effect(() => {
		const now = JSON.stringify(stored);
		untrack(() => {
			if (now === last) return;
			if (JSON.stringify(profile) === last) draft = draftOf(client);
			last = now;
		});
	});

	function profileOf(from: Client): ClientProfile {
		const { id: _, createdAt: __, updatedAt: ___, ...rest } = from;
		return rest;
	}

	function draftOf(from: Client): Draft {
		const { forms: _, ...profile } = profileOf(from);
		return {
			...structuredClone(profile),
			facts: from.facts.join('\n'),
			avoid: from.avoid.join('\n'),
			brands: from.brands.map(({ name, wrong, how }) => ({ name, wrong: wrong.join(', '), how }))
		};
	}

	function profileFrom(from: Draft): ClientProfile {
		const lines = (text: string) =>
			text
				.split('\n')
				.map((line) => line.trim())
				.filter(Boolean);
		return {
			name: from.name.trim(),
			audience: from.audience,
			voice: from.voice
				.filter(({ text }) => text.trim() !== '')
				.map(({ name, text }) => ({ name, text })),
			facts: lines(from.facts),
			avoid: lines(from.avoid),
			brands: from.brands
				.filter(({ name }) => name.trim() !== '')
				.map(({ name, wrong, how }) => ({
					name: name.trim(),
					wrong: wrong
						.split(',')
						.map((one) => one.trim())
						.filter(Boolean),
					how: how.trim()
				})),
			colours: [...from.colours],
			logo: from.logo,
			// forms are changed where they stand, at once
			forms: client.forms
		};
	}

	function typed() {
		clearTimeout(timer);
		timer = setTimeout(() => void keepDraft(), 400);
	}

	async function keepDraft() {
		clearTimeout(timer);
		timer = undefined;
		await saveSetting(draftKey, changes.length > 0 ? $state.snapshot(draft) : null);
	}

	async function ask() {
		const checked = clientProfileSchema.safeParse(profile);
		if (!checked.success) {
			const { path, message } = checked.error.issues[0]!;
			error = `“${path.join(' ')}”: ${message}`;
			return;
		}
		error = '';
		if (shared.length === 0) await apply();
		else isConfirming = true;
	}

	async function apply() {
		isConfirming = false;
		const before = client;
		const after: Client = {
			...client,
			...($state.snapshot(profile) as ClientProfile),
			updatedAt: Date.now()
		};
		last = JSON.stringify(profileOf(after));
		await history.run({
			label: `Changed the profile of “${after.name}”`,
			redo: () => putClient(after),
			undo: () => putClient(before)
		});
		clearTimeout(timer);
		timer = undefined;
		await saveSetting(draftKey, null);
	}

	async function drop() {
		draft = draftOf(client);
		error = '';
		await saveSetting(draftKey, null);
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
			draft.logo = String(reader.result);
			typed();
		};
		reader.onerror = () => toast.error(`${file.name} cannot be read.`);
		reader.readAsDataURL(file);
	}
</script>

<div class="flex min-h-0 flex-1 flex-col">
	{#if changes.length > 0}
		<div
			class="flex flex-wrap items-center gap-3 border-b border-accent bg-wash px-5 py-2 max-sm:px-3"
			role="status"
		>
			<p>
				<strong>Not applied yet:</strong>
				{changes.map(({ summary }) => summary).join('; ')}
			</p>
			<span class="ml-auto flex gap-2">
				<button class="act" onclick={() => void drop()}>Drop them</button>
				<button class="act chief" onclick={() => void ask()}>Apply</button>
			</span>
			{#if error}<p class="w-full text-error" role="alert">It cannot be applied: {error}</p>{/if}
		</div>
	{/if}
	<main
		class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(0,430px)] max-lg:block max-lg:overflow-y-auto"
	>
		<section
			class="min-h-0 overflow-y-auto px-5 py-4 max-lg:overflow-visible max-sm:px-3"
			aria-label="Profile"
			oninput={typed}
		>
			<div class="mb-3 flex flex-wrap items-center gap-2">
				<h1 class="text-xl">{client.name}</h1>
				<button class="act ml-auto" onclick={exportProfile}>Export</button>
				<button class="act" onclick={() => void remove()}>Take away</button>
			</div>
			<Field label="Name" help="Heads the printed brief; stands in the list of assignments.">
				<input class="field" bind:value={draft.name} maxlength="120" />
			</Field>
			<Field label="Audience" help="Stands in every brief that names no reader of its own.">
				<textarea class="field" rows="3" bind:value={draft.audience}></textarea>
			</Field>
			<Field
				label="Facts that may be stated"
				help="One on a line. Every assignment reads them as a note of the client: findings list them, the drafter may use them."
			>
				<textarea class="field" rows="6" bind:value={draft.facts}></textarea>
			</Field>
			<Field
				label="Phrases to avoid"
				help="One on a line. Write marks every use; the drafter leaves such sentences out."
			>
				<textarea class="field" rows="4" bind:value={draft.avoid}></textarea>
			</Field>

			<h2 class="font-sans text-[13px] font-semibold">Names and how they are written</h2>
			<p class="text-xs text-ink-2">
				Write marks other spellings; a search that holds a name counts as looking for the client.
			</p>
			{#each draft.brands as brand, i (i)}
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
							draft.brands.splice(i, 1);
							typed();
						}}>Take off</button
					>
				</div>
			{/each}
			<p class="mt-2 mb-4">
				<button class="act" onclick={() => draft.brands.push({ name: '', wrong: '', how: '' })}
					>Add a name</button
				>
			</p>

			<h2 class="font-sans text-[13px] font-semibold">Logo and colours</h2>
			<p class="text-xs text-ink-2">They head the printed brief.</p>
			<div class="mt-2 mb-5 flex flex-wrap items-center gap-3">
				{#if draft.logo}<img src={draft.logo} alt="Logo of {draft.name}" class="h-9 w-auto" />
					<button
						class="linkish"
						onclick={() => {
							draft.logo = '';
							typed();
						}}>Take it out</button
					>{/if}
				<button class="act" onclick={() => logoPicker?.click()}
					>{draft.logo ? 'Another logo' : 'Choose a logo'}</button
				>
				<input
					bind:this={logoPicker}
					type="file"
					accept="image/png,image/jpeg,image/webp,image/svg+xml"
					class="hidden"
					aria-label="Logo file"
					onchange={(event) => takeLogo(event.currentTarget.files)}
				/>
				{#each draft.colours as colour, i (i)}
					<span class="flex items-center gap-1">
						<input
							type="color"
							bind:value={draft.colours[i]}
							aria-label="Colour {i + 1}, {colour}"
						/>
						<button
							class="linkish"
							aria-label="Take colour {i + 1} off"
							onclick={() => {
								draft.colours.splice(i, 1);
								typed();
							}}>×</button
						>
					</span>
				{/each}
				{#if draft.colours.length < 6}<button
						class="act"
						onclick={() => {
							draft.colours.push('#234463');
							typed();
						}}>Add a colour</button
					>{/if}
			</div>

			<FormsView {client} />
			<LinkMapView client={client.id} {links} {shared} />
		</section>
		<section
			class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-6 py-4 max-lg:overflow-visible max-lg:border-t max-lg:border-l-0 max-sm:px-4"
			aria-label="Voice"
			oninput={typed}
		>
			<VoiceView bind:samples={draft.voice} onchanged={typed} />
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
				{#each changes as { part, summary, reaches } (part)}<dt class="font-semibold">{summary}</dt>
					<dd class="text-ink-2">reaches {reaches}</dd>{/each}
			</dl>
			<div class="mt-4 flex gap-2">
				<button class="act chief" onclick={() => void apply()}>Apply to all of them</button>
				<Dialog.Close class="act">Keep editing</Dialog.Close>
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
