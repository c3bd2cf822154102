<!-- Deliver: what is open, what goes out, and how it will look there. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { toast } from 'svelte-sonner';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { download } from '../parts/download';
	import Tabs from '../parts/Tabs.svelte';
	import BeforeItGoes from './BeforeItGoes.svelte';
	import { Delivery } from './delivery.svelte';
	import FoundView from './FoundView.svelte';
	import { makeArchive } from './hand-over';
	import HandedOver from './HandedOver.svelte';
	import HandOverList from './HandOverList.svelte';
	import HeadBench from './HeadBench.svelte';
	import InThePage from './InThePage.svelte';
	import LinksBench from './LinksBench.svelte';
	import PagePreview from './PagePreview.svelte';
	import PicturesPanel from './PicturesPanel.svelte';
	import PublishView from './PublishView.svelte';
	import ReportView from './ReportView.svelte';
	import ScriptView from './ScriptView.svelte';

	const session = useSession();
	const delivery = new Delivery(session);
	const VIEWS = [
		{ id: 'head', name: 'Title and links' },
		{ id: 'page', name: 'The page' },
		{ id: 'report', name: 'Client report' },
		{ id: 'script', name: 'Spoken script' },
		{ id: 'publish', name: 'Publish' },
		{ id: 'found', name: 'Found for' }
	] as const;
	type View = (typeof VIEWS)[number]['id'];
	let view = $state<View>('head');
	const take = $derived(delivery.take);

	$effect(() =>
		delivery.followLinks(session.assignment?.client ?? null, (message) => toast.error(message))
	);
	$effect(() => delivery.followProof());
	$effect(() => () => delivery.proof.stop());
	$effect(() => {
		if (delivery.proof.isRead) session.openPoints = delivery.open.length;
	});
	$effect(() => {
		if (session.analysed) void session.findRuns();
	});
	$effect(() => {
		if (session.isCurrent) void session.findStandings();
	});
	$effect(() =>
		actions.offer(() =>
			VIEWS.map(({ id, name }) => ({ label: `Deliver: ${name}`, run: () => (view = id) }))
		)
	);

	/** Goes to what is open on this screen. */
	function show(id: string) {
		if (id === 'title' || id === 'description') view = 'head';
		requestAnimationFrame(() => {
			const place = document.getElementById(
				id === 'alt' || id === 'credit' ? 'pictures' : 'title-and-description'
			);
			place?.scrollIntoView({ block: 'start' });
			place?.querySelector<HTMLElement>('input, button, textarea')?.focus();
		});
	}

	async function pack() {
		const made = await makeArchive(delivery).catch(() => null);
		if (made) download(made.name, made.content, made.type);
		else toast.error('The archive could not be written.');
	}
</script>

{#if !take}
	<main class="max-w-xl p-8">
		<h1 class="text-xl">There is nothing to hand over yet</h1>
		<p class="mt-2 text-ink-2">
			<a class="linkish" href={resolve('/a/[id]/write', { id: session.id })}
				>Draft or write a take</a
			>, or
			<a class="linkish" href={resolve('/a/[id]/proof', { id: session.id })}
				>bring in an article that exists</a
			>. The archive leaves at any time.
		</p>
		<p class="mt-3"><button class="act" onclick={() => void pack()}>Save the archive</button></p>
	</main>
{:else}
	<div class="deliver">
		<aside class="left no-print" aria-label="Hand over">
			<h1 class="sr-only">Deliver</h1>
			{#if session.takes.length > 1}
				<label class="mb-4 block"
					><span class="font-semibold">Take</span>
					<select
						class="field mt-1"
						value={take.id}
						onchange={(event) => delivery.choose(event.currentTarget.value)}
					>
						{#each session.takes as other (other.id)}<option value={other.id}>{other.name}</option
							>{/each}
					</select>
				</label>
			{/if}
			<BeforeItGoes {delivery} onshow={show} />
			<HandOverList {delivery} onlook={(id) => (view = id)} />
			<HandedOver {delivery} />
		</aside>
		<main class="middle">
			<div class="no-print border-b border-rule px-6 pt-2 max-sm:overflow-x-auto max-sm:px-4">
				<Tabs label="Look at" tabs={VIEWS} bind:value={view} />
			</div>
			<div class="px-6 pt-4 pb-16 max-sm:px-4">
				{#if view === 'head'}
					<HeadBench {delivery} />
					<LinksBench {delivery} />
				{:else if view === 'page'}
					<PagePreview {delivery} />
				{:else if view === 'report'}
					<ReportView {delivery} />
				{:else if view === 'script'}
					<ScriptView {delivery} />
				{:else if view === 'publish'}
					<PublishView {delivery} />
				{:else}
					<FoundView {delivery} />
				{/if}
			</div>
		</main>
		<aside class="right no-print" aria-label="In the page">
			<PicturesPanel {delivery} />
			<InThePage {delivery} />
		</aside>
	</div>
{/if}

<style>
	.deliver {
		display: grid;
		grid-template-columns: 292px minmax(0, 1fr) 316px;
		height: 100%;
	}
	.left,
	.right {
		min-height: 0;
		overflow-y: auto;
		padding: 18px 20px 40px;
	}
	.middle {
		min-height: 0;
		overflow-y: auto;
		background: var(--sheet);
		border-inline: 1px solid var(--rule);
	}
	.deliver :global(h2) {
		font-size: 17px;
	}
	@media (max-width: 1080px) {
		.deliver {
			grid-template-columns: 280px minmax(0, 1fr);
			grid-auto-rows: max-content;
			overflow-y: auto;
		}
		.left,
		.right,
		.middle {
			overflow: visible;
		}
		.right {
			grid-column: 1 / -1;
			border-top: 1px solid var(--rule);
		}
	}
	@media (max-width: 700px) {
		.deliver {
			grid-template-columns: minmax(0, 1fr);
		}
		.middle {
			border-inline: 0;
			border-block: 1px solid var(--rule);
		}
	}
	@media print {
		.deliver,
		.middle {
			display: block;
			height: auto;
			overflow: visible;
			border: 0;
		}
	}
</style>
