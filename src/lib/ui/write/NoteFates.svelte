<!-- What became of every unit of the notes in this take; what was left out is brought in from here. -->
<script lang="ts">
	import { analysis } from '$lib/workers/client';
	import type { Plan } from '$lib/core/plan';
	import { stretchOf, type NoteFate } from '$lib/core/writers';
	import { messageOf } from '$lib/data/trouble';
	import { useSession } from '../assignment/session.svelte';
	import { withRowKeys } from '../parts/row-keys';
	import {
		FATE_KINDS,
		FATE_NAMES,
		KEPT_BACK,
		LEFT_OUT,
		listedUnder,
		type FateKind
	} from './fate-words';
	import type { ManuscriptEditor } from './manuscript-editor.svelte';

	interface Props {
		editor: ManuscriptEditor;
		plan: Plan;
	}
	let { editor, plan }: Props = $props();
	const session = useSession();

	/** Typing rests this long before the notes are held against the text again. */
	const PAUSE_MS = 500;
	let fates = $state.raw<readonly NoteFate[] | null>(null);
	let trouble = $state('');
	let shown = $state<FateKind>('left out');
	/** Sections chosen for what is to be brought in, by the unit's name. */
	let chosen = $state<Record<string, string>>({});

	$effect(() => {
		const { analysed } = session;
		const { reading } = editor;
		const now = plan;
		if (!analysed || !reading) return;
		let isStale = false;
		const wait = setTimeout(
			() => {
				const { doc } = editor;
				if (!doc) return;
				const wishes = {
					mustNotSay: session.mustNotSay,
					callToAction: session.assignment?.brief.callToAction ?? ''
				};
				analysis.noteFates(analysed.evidence, $state.snapshot(now) as Plan, wishes, doc).then(
					(found) => {
						if (isStale) return;
						fates = found;
						trouble = '';
					},
					(error: unknown) => {
						if (!isStale) trouble = messageOf(error);
					}
				);
			},
			fates ? PAUSE_MS : 0
		);
		return () => {
			isStale = true;
			clearTimeout(wait);
		};
	});

	const counts = $derived(
		new Map(
			FATE_KINDS.map((kind) => [
				kind,
				(fates ?? []).filter((one) => listedUnder(one) === kind).length
			])
		)
	);
	const list = $derived((fates ?? []).filter((one) => listedUnder(one) === shown));
	const notes = $derived([...new Set(list.map(({ note }) => note))]);
	/** What the paragraph in hand was made of. */
	const inHand = $derived.by(() => {
		const { text, sources } = editor.inHand.block;
		return (fates ?? []).filter(
			(one) => sources.has(one.note) && one.fate.kind === 'used' && stretchOf(text, one.text)
		);
	});
	const nameOf = ({ note, units }: NoteFate) => `${note} ${units[0]}`;
	const headingOf = (id: string) => {
		const section = plan.sections.find((one) => one.id === id);
		return section ? (section.level === 1 ? 'the opening' : section.heading) : '';
	};
	const places = $derived(
		plan.sections
			.filter(({ kind }) => kind !== 'faq')
			.map(({ id }) => ({ id, name: headingOf(id) }))
	);
	const short = (text: string) => (text.length > 240 ? `${text.slice(0, 230)} …` : text);

	function bringIn(one: NoteFate) {
		if (one.fate.kind !== 'left out') return;
		const section = chosen[nameOf(one)] ?? one.fate.nearest[0] ?? editor.section;
		editor.changes.bringBlocks(section, one.fate.blocks);
	}

	function drag(event: DragEvent, one: NoteFate) {
		const { fate } = one;
		if (fate.kind !== 'left out' && fate.kind !== 'to work in') return;
		editor.changes.dragged = fate.blocks;
		event.dataTransfer?.setData('text/plain', one.text);
	}
</script>

{#if trouble !== ''}
	<p class="item" role="alert">The notes could not be held against the text: {trouble}</p>
{:else if !fates}
	<p class="item" role="status">The notes are held against the text …</p>
{:else if fates.length === 0}
	<p class="item">
		You have brought no notes. What you drop in Gather as a note is drawn on here, unit by unit.
	</p>
{:else}
	{#if inHand.length > 0}
		<div class="item hand" aria-label="Made of">
			<p class="text-xs">The paragraph in hand was made of</p>
			{#each withRowKeys(inHand, nameOf) as { rowKey, item: one } (rowKey)}
				<p class="mt-1">
					<strong class="text-secondary">{session.noteSigns.get(one.note)}</strong>
					<span class="font-serif">{short(one.text)}</span>
				</p>
			{/each}
		</div>
	{/if}
	<div class="kinds" role="group" aria-label="What became of the notes">
		{#each FATE_KINDS as kind (kind)}
			<button aria-pressed={shown === kind} onclick={() => (shown = kind)}
				>{FATE_NAMES[kind]} <span>{counts.get(kind)}</span></button
			>
		{/each}
	</div>
	{#each notes as note (note)}
		<h3>{session.noteSigns.get(note)} {session.nameOf(note)}</h3>
		<ul aria-label="{FATE_NAMES[shown]}: {session.nameOf(note)}">
			{#each withRowKeys( list.filter((one) => one.note === note), nameOf ) as { rowKey, item: one } (rowKey)}
				{@const { fate } = one}
				<li
					class="item"
					draggable={fate.kind === 'left out' || fate.kind === 'to work in'}
					ondragstart={(event) => drag(event, one)}
					ondragend={() => (editor.changes.dragged = null)}
				>
					<p class="font-serif whitespace-pre-line" title={one.text}>
						{short(one.text)}{#if one.speaker}<span class="text-ink-2"> – {one.speaker}</span>{/if}
					</p>
					{#if fate.kind === 'used'}
						<button class="linkish text-left" onclick={() => editor.showWords(fate.block, one.text)}
							>in {fate.heading || 'what stands before the first heading'}</button
						>
					{:else if fate.kind === 'to work in'}
						<p>
							a jotting, marked in {fate.heading || 'the opening'}
							<button
								class="linkish"
								onclick={() => editor.changes.replaceGap(fate.block, one.text, fate.blocks)}
								>Make it a sentence</button
							>
							<button class="linkish" onclick={() => editor.showWords(fate.block, one.text)}
								>Show it</button
							>
						</p>
					{:else if fate.kind === 'kept back'}
						<p>{KEPT_BACK[fate.reason]}: it stays in the note</p>
					{:else}
						<p>{LEFT_OUT[fate.reason]}</p>
						<p class="flex items-baseline gap-2">
							<button class="linkish whitespace-nowrap" onclick={() => bringIn(one)}
								>Bring in</button
							>
							<select
								class="place"
								aria-label="Section for “{one.text.slice(0, 60)}”"
								value={chosen[nameOf(one)] ?? fate.nearest[0] ?? ''}
								onchange={(event) => (chosen[nameOf(one)] = event.currentTarget.value)}
							>
								{#if fate.nearest.length === 0}<option value="">where the cursor stands</option
									>{/if}
								{#each fate.nearest as id, i (id)}<option value={id}
										>{headingOf(id)}{i === 0 ? ' · suits best' : ''}</option
									>{/each}
								{#each places.filter(({ id }) => !fate.nearest.includes(id)) as { id, name } (id)}<option
										value={id}>{name}</option
									>{/each}
							</select>
						</p>
					{/if}
				</li>
			{/each}
		</ul>
	{:else}
		<p class="item">
			{shown === 'left out'
				? 'Nothing of your notes was left out.'
				: shown === 'to work in'
					? 'No jotting waits to be worked in.'
					: shown === 'used'
						? 'Nothing of your notes stands in this take yet.'
						: 'Your notes hold nothing that must stay in them.'}
		</p>
	{/each}
{/if}

<style>
	h3 {
		font: 600 12.5px/1.4 var(--font-sans);
		color: var(--color-secondary);
		margin-top: 12px;
	}
	.item {
		border-top: 1px solid var(--rule);
		padding: 7px 0;
		margin-top: 5px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
	.item :global(.font-serif) {
		color: var(--ink);
		font-size: 13.5px;
	}
	li[draggable='true'] {
		cursor: grab;
	}
	.hand {
		border-left: 2px solid var(--color-secondary);
		border-top: 0;
		padding: 2px 0 2px 10px;
	}
	.kinds {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		margin-top: 8px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.kinds button {
		padding: 2px 0;
		border-bottom: 2px solid transparent;
	}
	.kinds button[aria-pressed='true'] {
		color: var(--ink);
		font-weight: 600;
		border-color: var(--color-accent);
	}
	.kinds span {
		font-variant-numeric: tabular-nums;
	}
	.place {
		min-width: 0;
		flex: 1;
		max-width: 100%;
		background: transparent;
		font-size: 12px;
		text-overflow: ellipsis;
	}
	.place option {
		background: var(--color-base-100);
	}
</style>
