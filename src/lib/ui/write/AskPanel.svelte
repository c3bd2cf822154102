<!-- Ask a writer: for which sections, for what, and the request as it is sent or copied. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { docText, type BlockNode } from '$lib/core/manuscript';
	import type { Slip } from '$lib/core/standing';
	import { countWords } from '$lib/core/text';
	import {
		MOVES,
		REQUEST_FIELDS,
		REQUEST_WORDING,
		wordingTroubles,
		type Move
	} from '$lib/core/writers';
	import { putRequestWording } from '$lib/data/clients';
	import { messageOf } from '$lib/data/trouble';
	import { useSession } from '../assignment/session.svelte';
	import { history } from '../frame/history.svelte';
	import { countOf } from '../parts/count-of';
	import type { Writing } from './writing.svelte';
	import type { Passage } from './text-in-hand.svelte';
	import { MOVE_NAMES, PASSAGE_MOVES, SCOPES, sectionsIn, type Scope } from './moves';

	interface Props {
		writing: Writing;
		slips: readonly Slip[];
		/** The section in hand; null: none. */
		section: string | null;
		/** Sections that a reply lacked. */
		lacked: readonly string[];
		/** Blocks that the chosen words touch; null: nothing is chosen in one section. */
		passage: Passage | null;
		/** Ids of the sections that are ticked. */
		ticked: readonly string[];
		scope: Scope;
		move: Move;
		standsOf: (section: string) => readonly BlockNode[];
		onask: (sections: readonly string[], move: Move, passage: Passage | null) => void;
		onbring: (sections: readonly string[], passage: Passage | null) => void;
		onclose: () => void;
	}
	let {
		writing,
		slips,
		section,
		lacked,
		passage,
		ticked = $bindable(),
		scope = $bindable(),
		move = $bindable(),
		standsOf,
		onask,
		onbring,
		onclose
	}: Props = $props();
	const session = useSession();

	/** The passage that is asked for, as it was when it was chosen. */
	const asked = $derived(scope === 'passage' ? passage : null);
	const chosen = $derived({ ticked, passage: passage?.section ?? null });
	const opening = $derived(slips[0]?.section);
	const sections = $derived(
		// titles are asked for the article, and stand beside its opening
		move === 'titles' && opening ? [opening] : sectionsIn(scope, slips, section, lacked, chosen)
	);
	const moves = $derived(scope === 'passage' ? PASSAGE_MOVES : MOVES);
	$effect(() => {
		if (!moves.includes(move)) move = moves[0]!;
	});
	const refusal = $derived(writing.cannot(move, asked !== null));
	const requests = $derived(
		writing.requestsFor(sections, move, (id) => asked?.blocks ?? standsOf(id), asked !== null)
	);
	const text = $derived(requests.length > 0 ? writing.textOf(requests) : '');
	const names = $derived(
		slips.filter((slip) => sections.includes(slip.section)).map(({ heading }) => heading)
	);
	let isWording = $state(false);
	let typed = $state('');
	const troubles = $derived(wordingTroubles(typed));

	async function copy() {
		try {
			await navigator.clipboard.writeText(text);
			toast(`The request for ${countOf(sections.length, 'section')} is copied.`);
		} catch {
			toast.error(
				'The browser does not let a page copy here. Open “As it is asked” and copy it by hand.'
			);
		}
	}

	function openWording() {
		typed = writing.wording || REQUEST_WORDING;
		isWording = true;
	}

	/** For the client where there is one, else for all that have none. */
	async function keepWording(wording: string) {
		const { client } = session;
		const before = client?.requestWording ?? '';
		try {
			if (client)
				await history.run({
					label:
						wording === ''
							? 'Put our wording of requests back'
							: `Worded requests for ${client.name}`,
					redo: () => putRequestWording(client.id, wording),
					undo: () => putRequestWording(client.id, before)
				});
			else writing.setWording(wording);
			isWording = false;
		} catch (error) {
			toast.error(`The wording is not kept: ${messageOf(error)}`);
		}
	}
</script>

<section class="ask" aria-label="Ask a writer">
	<div class="flex items-baseline justify-between border-b border-rule pb-1">
		<h2>Ask a writer</h2>
		<button class="linkish text-xs" onclick={onclose}>Fold away</button>
	</div>
	<div class="form">
		<label for="ask-writer">Writer</label>
		<select
			id="ask-writer"
			class="field"
			value={writing.writer}
			onchange={(event) => writing.choose(event.currentTarget.value)}
		>
			<option value="built-in">built-in, from your notes</option>
			{#each writing.endpoints as { id, name, model } (id)}<option value={id}
					>{name}{model ? ` · ${model}` : ''}</option
				>{/each}
			<option value="by hand">by hand: copy and bring back</option>
		</select>
		<label for="ask-scope">For</label>
		<select id="ask-scope" class="field" bind:value={scope}>
			{#each SCOPES as { id, name } (id)}
				{@const count = sectionsIn(id, slips, section, lacked, chosen).length}
				<option value={id} disabled={count === 0 && id !== 'ticked'}
					>{name}{['section', 'passage', 'all'].includes(id) || (id === 'ticked' && count === 0)
						? ''
						: ` · ${count}`}</option
				>
			{/each}
		</select>
		<label for="ask-move">To</label>
		<select id="ask-move" class="field" bind:value={move}>
			{#each moves as one (one)}<option value={one}>{MOVE_NAMES[one]}</option>{/each}
		</select>
	</div>
	{#if scope === 'ticked' && move !== 'titles'}
		<fieldset class="ticks">
			<legend class="sr-only">Sections to ask for</legend>
			{#each slips as { section: id, heading, words, budget } (id)}
				<label
					><input
						type="checkbox"
						class="checkbox checkbox-xs"
						checked={ticked.includes(id)}
						onchange={() =>
							(ticked = ticked.includes(id) ? ticked.filter((one) => one !== id) : [...ticked, id])}
					/>
					<span>{heading}</span> <small>{words} of {budget}</small></label
				>
			{/each}
		</fieldset>
	{/if}
	<p class="mt-2 text-ink-2">
		{move === 'titles'
			? 'For the article: titles, descriptions, headlines and lines under them, each to be chosen.'
			: asked
				? `${countOf(
						asked.blocks.reduce((sum, block) => sum + countWords(docText(block)), 0),
						'word'
					)} of ${names[0] ?? ''}`
				: sections.length === 0
					? scope === 'ticked'
						? 'Tick the sections to ask for.'
						: 'No section is like that.'
					: `${countOf(sections.length, 'section')}: ${names.slice(0, 4).join(', ')}${names.length > 4 ? ' …' : ''}`}
	</p>
	{#if refusal}<p class="mt-2 text-ink-2" role="note">{refusal}</p>{/if}
	<p class="mt-3 flex flex-wrap gap-1.5">
		{#if !refusal}<button
				class="act chief"
				disabled={sections.length === 0 || writing.run !== null || !session.analysed}
				onclick={() => onask(sections, move, asked)}
				>{move === 'draft' ? 'Have it drafted' : 'Ask'}</button
			>{/if}
		<button
			class="act"
			class:chief={refusal !== ''}
			disabled={text === ''}
			onclick={() => void copy()}>Copy request</button
		>
		<button class="act" disabled={sections.length === 0} onclick={() => onbring(sections, asked)}
			>Bring a reply back</button
		>
	</p>
	{#if text}
		<details class="mt-3">
			<summary>As it is asked, {countWords(text).toLocaleString('en')} words</summary>
			<!-- the writer can choose and copy it -->
			<textarea
				class="field mt-1 font-mono text-[11.5px]"
				rows="16"
				readonly
				aria-label="The request">{text}</textarea
			>
		</details>
	{/if}
	{#if isWording}
		<div class="mt-3">
			<label for="ask-wording"
				>Wording of requests{session.client ? ` for ${session.client.name}` : ''}</label
			>
			<textarea
				id="ask-wording"
				class="field mt-1 font-mono text-[11.5px]"
				rows="14"
				bind:value={typed}></textarea>
			{#each troubles as trouble (trouble)}<p class="text-error" role="alert">{trouble}</p>{/each}
			<details class="mt-1 text-ink-2">
				<summary>Fields</summary>
				<dl class="fields">
					{#each Object.entries(REQUEST_FIELDS) as [field, what] (field)}<dt>{`{${field}}`}</dt>
						<dd>{what}</dd>{/each}
				</dl>
			</details>
			<p class="mt-2 flex flex-wrap gap-1.5">
				<button
					class="act chief"
					disabled={troubles.length > 0}
					onclick={() => void keepWording(typed)}>Keep this wording</button
				>
				<button class="act" onclick={() => void keepWording('')}>Put ours back</button>
				<button class="act" onclick={() => (isWording = false)}>Leave it</button>
			</p>
		</div>
	{:else}
		<p class="mt-2"><button class="linkish" onclick={openWording}>Change the wording</button></p>
	{/if}
</section>

<style>
	.ask {
		font-size: 12.5px;
		margin-bottom: 20px;
	}
	h2 {
		font: 600 12.5px/1.5 var(--font-sans);
	}
	.form {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 6px 10px;
		align-items: center;
		margin-top: 10px;
	}
	.form label {
		color: var(--ink-2);
	}
	.ticks {
		margin-top: 8px;
		max-height: 220px;
		overflow-y: auto;
		border-block: 1px solid var(--rule);
	}
	.ticks label {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr) auto;
		gap: 8px;
		align-items: baseline;
		padding: 3px 0;
	}
	.ticks small {
		color: var(--ink-2);
		font-variant-numeric: tabular-nums;
	}
	summary {
		cursor: pointer;
	}
	.fields {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 2px 10px;
		margin-top: 4px;
	}
	dt {
		font-family: var(--font-mono, monospace);
		font-size: 11px;
	}
</style>
