<!-- Brief: what the article is to be, beside the page that the client reads. -->
<script lang="ts">
	import { liveQuery } from 'dexie';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import { briefMarkdown, briefSchema, readBriefMarkdown } from '$lib/core/brief';
	import { slugOf } from '$lib/core/plan';
	import { clientNamed, listClients } from '$lib/data/clients';
	import type { Client } from '$lib/data/db';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import { download } from '../parts/download';
	import { localDay } from '../parts/local-day';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { BriefForm } from './brief-form.svelte';
	import BriefFields from './BriefFields.svelte';
	import BriefSheet from './BriefSheet.svelte';
	import { voiceLineOf } from './voice-line';

	const session = useSession();
	// the screen is shown only once the assignment has been read
	const form = new BriefForm(untrack(() => session.assignment!));
	let clients = $state.raw<readonly Client[]>([]);
	let picker = $state<HTMLInputElement>();

	$effect(() => {
		const known = liveQuery(listClients).subscribe((value) => (clients = value));
		return () => known.unsubscribe();
	});
	$effect(() => {
		if (session.assignment) form.follow(session.assignment);
	});
	$effect(() => form.watch());
	$effect(() =>
		actions.offer(() => [
			{ label: 'Print the brief', run: () => window.print() },
			{ label: 'Export the brief as Markdown', run: exportMarkdown },
			{ label: 'Bring in a brief', also: 'import markdown', run: () => picker?.click() }
		])
	);

	const client = $derived(clients.find(({ id }) => id === form.draft.client) ?? null);
	const voice = $derived(voiceLineOf(client));
	const evidenceWords = $derived(
		form.draft.targetWords === null && session.findings && session.counted.length > 0
			? session.findings.targetWords
			: null
	);

	function wholeBrief() {
		const { keyword, targetWords, brief } = form.snapshot();
		return briefMarkdown({ keyword, client: client?.name ?? '', targetWords, brief });
	}

	function exportMarkdown() {
		download(
			`brief-${slugOf(form.draft.keyword) || 'article'}.md`,
			wholeBrief(),
			'text/markdown;charset=utf-8'
		);
	}

	async function copyMarkdown() {
		await navigator.clipboard.writeText(wholeBrief());
		toast('Copied the brief as Markdown.');
	}

	async function bringIn(files: FileList | null) {
		const file = files?.[0];
		if (!file) return;
		const read = readBriefMarkdown(await file.text());
		if (picker) picker.value = '';
		if (read.kind === 'unreadable') {
			toast.error(`${file.name} was not brought in: ${read.reason}.`, { duration: 12_000 });
			return;
		}
		const { keyword, targetWords, brief, client: name } = read.whole;
		const named = name === '' ? null : ((await clientNamed(name))?.id ?? null);
		const before = form.snapshot();
		await form.replace(
			{ ...before, keyword, targetWords, brief, client: named ?? before.client },
			`Brought in ${file.name}`
		);
		toast.success(`Brought in ${file.name}.`, {
			description:
				read.skipped.length > 0
					? `No place for: ${read.skipped.slice(0, 6).join(' · ')}`
					: undefined,
			duration: read.skipped.length > 0 ? 15_000 : 4000,
			action: { label: 'Undo', onClick: () => void history.undo() }
		});
	}
</script>

<input
	bind:this={picker}
	type="file"
	accept=".md,.markdown,.txt"
	class="hidden"
	aria-label="Brief file"
	onchange={(event) => void bringIn(event.currentTarget.files)}
/>

<div
	class="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,470px)] max-lg:block max-lg:overflow-y-auto print:block print:h-auto"
>
	<!-- every field saves while it is typed into; leaving it makes a step that can be taken back -->
	<section
		class="no-print min-h-0 overflow-y-auto px-5 pt-3 pb-10 max-lg:overflow-visible max-sm:px-3"
		aria-label="What the article is to be"
		oninput={() => form.changed()}
		onchange={() => form.settle()}
	>
		<div class="flex flex-wrap items-center gap-2 pb-3">
			<h1 class="text-xl">Brief</h1>
			<div class="ml-auto flex flex-wrap gap-2">
				<Popup label="Markdown" width="14rem">
					{#snippet children(close)}
						<MenuItems
							items={[
								['Copy it', () => void copyMarkdown()],
								['Export it', exportMarkdown],
								['Bring one in', () => picker?.click()]
							]}
							onclose={close}
						/>
					{/snippet}
				</Popup>
				<button class="act" onclick={() => window.print()}>Print</button>
				{#if form.draft.brief.agreedOn === ''}
					<button
						class="act chief"
						onclick={() => {
							form.draft.brief.agreedOn = localDay(new Date());
							void form.commit('Marked the brief as agreed');
						}}>Agreed with the client</button
					>
				{:else}
					<button
						class="act"
						onclick={() => {
							form.draft.brief.agreedOn = '';
							void form.commit('Opened the brief again');
						}}>Open it again</button
					>
				{/if}
			</div>
		</div>
		{#if form.trouble}<p class="pb-3 text-error" role="alert">{form.trouble}</p>{/if}

		<BriefFields {form} {clients} {client} {voice} {evidenceWords} />
	</section>

	<!-- a scrolling region must be reachable by keyboard -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<section
		class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-8 py-6 max-lg:overflow-visible max-lg:border-t max-lg:border-l-0 max-sm:px-4 print:overflow-visible print:border-0 print:bg-white print:p-0"
		tabindex="0"
		aria-label="The brief on one page"
	>
		<BriefSheet
			keyword={form.draft.keyword}
			targetWords={form.draft.targetWords}
			{evidenceWords}
			brief={briefSchema.safeParse(form.draft.brief).success
				? form.draft.brief
				: session.assignment!.brief}
			{client}
			{voice}
		/>
	</section>
</div>
