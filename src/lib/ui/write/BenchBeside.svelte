<!-- Right of the manuscript: asking a writer, a version beside the text, and the bench with its tabs. -->
<script module lang="ts">
	export type BenchTab = 'section' | 'outline' | 'notes' | 'brief';
</script>

<script lang="ts">
	import X from '@lucide/svelte/icons/x';
	import type { Snippet } from 'svelte';
	import type { LinkTarget } from '$lib/core/clients';
	import type { Plan } from '$lib/core/plan';
	import { useSession } from '../assignment/session.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import Bench from './Bench.svelte';
	import BriefBeside from './BriefBeside.svelte';
	import LinesOffer, { type LineUse } from './LinesOffer.svelte';
	import type { ManuscriptEditor } from './manuscript-editor.svelte';
	import OutlineBeside from './OutlineBeside.svelte';
	import NoteFates from './NoteFates.svelte';
	import { clock, type TakeVersions } from './take-versions.svelte';
	import VersionOffer from './VersionOffer.svelte';
	import type { Writing } from './writing.svelte';

	interface Props {
		editor: ManuscriptEditor;
		plan: Plan;
		writing: Writing;
		versions: TakeVersions;
		isOpen: boolean;
		tab: BenchTab;
		term: string | null;
		/** Where links could lead. */
		targets: readonly LinkTarget[];
		/** What is asked of a writer, above everything else. */
		ask?: Snippet;
	}
	let {
		editor,
		plan,
		writing,
		versions,
		isOpen = $bindable(),
		tab = $bindable(),
		term,
		targets,
		ask
	}: Props = $props();

	const TABS: readonly { readonly id: BenchTab; readonly name: string }[] = [
		{ id: 'section', name: 'Section' },
		{ id: 'outline', name: 'Outline' },
		{ id: 'notes', name: 'Notes' },
		{ id: 'brief', name: 'Brief' }
	];
	const session = useSession();
	const version = $derived(versions.open);
	const stored = $derived(versions.stored);
	const lines: Readonly<Record<LineUse, string>> = $derived({
		'title tag': plan.titleTag,
		description: plan.description,
		headline: plan.title,
		'line under the headline': session.delivery.standfirst
	});

	/** A line takes the place of what stands there, as one step. */
	async function takeLine(use: LineUse, text: string) {
		if (use === 'line under the headline') {
			await session.decideDelivery('Chose a line under the headline', (choices) => ({
				...choices,
				standfirst: text.slice(0, 500)
			}));
			return;
		}
		const values =
			use === 'title tag'
				? { titleTag: text }
				: use === 'description'
					? { description: text }
					: { title: text };
		await session.setHead(`Chose a ${use}`, values);
	}

	const slip = $derived(
		editor.reading?.slips.find(({ section }) => section === editor.section) ?? null
	);
</script>

<aside class="bench" aria-label={isOpen ? 'Bench' : 'Another version'}>
	{@render ask?.()}
	{#if version?.move === 'titles'}
		<LinesOffer
			blocks={version.blocks}
			by={stored?.writerName ?? writing.writerName}
			when={clock.format(stored?.madeAt ?? Date.now())}
			now={lines}
			ontake={(use, text) => void takeLine(use, text)}
			onclose={() => versions.close(stored?.state === 'taken' ? 'taken' : 'kept')}
		/>
	{:else if version}
		<VersionOffer
			{version}
			by={stored?.writerName ?? writing.writerName}
			when={clock.format(stored?.madeAt ?? Date.now())}
			sources={version.sources.flatMap((id) => writing.signs.get(id) ?? [])}
			stands={versions.standing}
			measure={(blocks) => versions.measure(blocks)}
			isGone={versions.isGone}
			onput={(blocks, how) => versions.put(blocks, how)}
			onkeep={stored && stored.state !== 'kept' ? () => versions.close('kept') : undefined}
			onclose={() => versions.close('left')}
			onanother={version.over || writing.cannot(version.move) !== '' || writing.run
				? undefined
				: () => void versions.ask([version.section], version.move)}
		/>
	{/if}
	{#if isOpen && session.findings}
		<div class="flex items-baseline justify-between border-b border-rule">
			<Tabs label="Bench" tabs={TABS} bind:value={tab} />
			<button
				class="text-ink-2"
				aria-label="Fold away"
				title="Fold away"
				onclick={() => (isOpen = false)}><X size={14} /></button
			>
		</div>
		{#if tab === 'section'}
			<Bench
				findings={session.findings}
				{plan}
				{slip}
				{term}
				{editor}
				{targets}
				onbring={(text, origin) => editor.changes.bringIn(text, origin)}
			/>
		{:else if tab === 'outline'}
			<OutlineBeside outline={editor.outline} />
		{:else if tab === 'brief'}
			<BriefBeside {plan} findings={session.findings} section={editor.section} />
		{:else}
			<NoteFates {editor} {plan} />
		{/if}
	{/if}
</aside>

<style>
	.bench {
		--tab-size: 12.5px;
		--tab-gap: 14px;
		position: sticky;
		top: 0;
		align-self: start;
		max-height: calc(100dvh - 115px);
		overflow-y: auto;
		padding: 16px 18px;
		min-width: 0;
	}
	@media (max-width: 1000px) {
		.bench {
			grid-column: 1 / -1;
		}
	}
</style>
