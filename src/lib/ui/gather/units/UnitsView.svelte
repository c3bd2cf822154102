<!-- A note as its units: what each is for, who says it; changed with a key or from a list. -->
<script lang="ts">
	import { tick } from 'svelte';
	import {
		changedUnit,
		isPrintable,
		NO_UNIT_EDITS,
		noteSentencesOf,
		partedAt,
		spokenParagraphsOf,
		timeOf,
		toggledJoin,
		unitsOfNote,
		type NoteUnit,
		type UnitEdits,
		type UnitKind
	} from '$lib/core/notes';
	import type { Note } from '$lib/data/db';
	import { countOf } from '../../parts/count-of';
	import { withRowKeys } from '../../parts/row-keys';
	import { briefOfferOf, type BriefOffer } from './brief-offer';
	import { KINDS, labelOfUnit, nameOfKind, whatItDoes } from './unit-words';

	interface Props {
		note: Note;
		onedits: (edits: UnitEdits, label: string) => void;
		onoffer: (offer: BriefOffer) => void;
		/** Whether the brief holds it already. */
		isTaken: (offer: BriefOffer) => boolean;
	}
	let { note, onedits, onoffer, isTaken }: Props = $props();
	const read = $derived(unitsOfNote(note));
	const edits = $derived(note.unitEdits ?? NO_UNIT_EDITS);
	const isFixed = $derived(note.client !== undefined);
	let inHand = $state<string | null>(null);
	let list = $state<HTMLElement>();
	const unit = $derived(read.units.find(({ key }) => key === inHand) ?? null);
	const offers = $derived(read.units.flatMap((one) => briefOfferOf(one) ?? []));
	/** When each paragraph of a transcript was said. */
	const times = $derived(
		note.kind === 'transcript'
			? spokenParagraphsOf(note.text).map(({ startMs }) => timeOf(startMs))
			: []
	);
	const keptOut = $derived(
		read.units.filter(
			(one) => !isPrintable(one) && one.kind !== 'question' && one.kind !== 'background'
		)
	);

	type Line =
		| { readonly kind: 'heading'; readonly text: string; readonly level: number }
		| { readonly kind: 'unit'; readonly unit: NoteUnit; readonly at: number };
	/** Headings and units as they stand in the note. */
	const lines = $derived.by(() => {
		const found: Line[] = [];
		let next = 0;
		const put = (before: number) => {
			for (; next < read.headings.length && read.headings[next]!.before <= before; next++) {
				const { text, level } = read.headings[next]!;
				if (text !== read.title) found.push({ kind: 'heading', text, level });
			}
		};
		read.units.forEach((one, i) => {
			put(i);
			found.push({ kind: 'unit', unit: one, at: i });
		});
		put(read.units.length);
		return found;
	});

	function setKind(key: string, kind: UnitKind) {
		onedits(changedUnit(edits, key, { kind }), `Called a unit “${nameOfKind(kind)}”`);
	}

	function setSpeaker(key: string, speaker: string) {
		if (speaker.trim() === unit?.speaker) return;
		onedits(
			changedUnit(edits, key, { speaker: speaker.trim() }),
			speaker.trim() === '' ? 'Took a speaker off a unit' : `Named ${speaker.trim()} as speaker`
		);
	}

	function nameSpeaker(name: string, to: string) {
		const given = to.trim();
		if (given === '' || given === name) return;
		// by the name the note gives, so that a second change names the same one
		const first = Object.entries(edits.names).find(([, now]) => now === name)?.[0] ?? name;
		onedits({ ...edits, names: { ...edits.names, [first]: given } }, `Named the speaker ${given}`);
	}

	/** Puts a unit to the one above, or takes apart what was parted. */
	async function join(at: number) {
		const one = read.units[at]!;
		const part = /^(.*)\/(\d+)$/.exec(one.key);
		const places = part ? (edits.parted[part[1]!] ?? []) : [];
		const place = part ? [...places].sort((a, b) => a - b)[Number(part[2]) - 1] : undefined;
		if (part && place !== undefined)
			onedits(partedAt(edits, part[1]!, place), 'Joined what was parted');
		else if (at > 0) onedits(toggledJoin(edits, one.key), 'Joined two units');
		await tick();
		hold(read.units[Math.max(0, at - 1)]?.key ?? null);
	}

	/** Makes two of a unit behind its first sentence, else behind its first comma or semicolon. */
	function part(one: NoteUnit) {
		const second = noteSentencesOf(one.text)[1]?.start ?? one.text.search(/(?<=[;,:–])\s/) + 1;
		if (second <= 0 || /\/\d+$/.test(one.key)) return;
		onedits(partedAt(edits, one.key, second), 'Parted a unit');
	}

	function hold(key: string | null) {
		inHand = key;
		if (key !== null) list?.querySelector<HTMLElement>(`[data-key="${CSS.escape(key)}"]`)?.focus();
	}

	function onkeydown(event: KeyboardEvent, at: number) {
		if (event.altKey || event.ctrlKey || event.metaKey || event.target !== event.currentTarget)
			return;
		const one = read.units[at]!;
		const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
		const kind = KINDS.find(([, key]) => key === event.key)?.[0];
		if (step !== 0) hold(read.units[at + step]?.key ?? one.key);
		else if (isFixed) return;
		else if (kind) setKind(one.key, kind);
		else if (event.key === 'j') void join(at);
		else if (event.key === 'p') part(one);
		else return;
		event.preventDefault();
	}
</script>

{#if read.speakers.length > 0}
	<p class="mb-2 text-ink-2">
		Speaks:
		{#each withRowKeys(read.speakers, ({ name }) => name) as { rowKey, item: { name, role } } (rowKey)}
			<input
				class="speaker"
				aria-label="Name of the speaker {name}"
				value={name}
				size={Math.max(6, name.length)}
				readonly={isFixed}
				onchange={(event) => nameSpeaker(name, event.currentTarget.value)}
			/>{role === '' ? '' : `, ${role} `}
		{/each}
	</p>
{/if}
<ol class="units" bind:this={list} aria-label="Units of {note.name}">
	{#each withRowKeys( lines, (line) => (line.kind === 'unit' ? line.unit.key : line.text) ) as { rowKey, item: line } (rowKey)}
		{#if line.kind === 'heading'}
			<li class="heading">{line.text}</li>
		{:else}
			{@const one = line.unit}
			{@const at = line.at}
			<!-- a unit is chosen and changed by key, its list and its fields by pointer -->
			<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
			<li
				data-key={one.key}
				class="unit"
				class:out={!isPrintable(one) && one.kind !== 'question'}
				class:held={one.key === inHand}
				tabindex={one.key === inHand || (inHand === null && at === 0) ? 0 : -1}
				aria-label="{labelOfUnit(one)}: {one.text}"
				onfocus={() => (inHand = one.key)}
				onclick={() => (inHand = one.key)}
				onkeydown={(event) => onkeydown(event, at)}
			>
				{#if isFixed}
					<span class="kind">{labelOfUnit(one)}</span>
				{:else}
					<span class="kind">
						<select
							aria-label="Type of: {one.text.slice(0, 40)}"
							value={one.kind}
							tabindex={one.key === inHand ? 0 : -1}
							onchange={(event) => setKind(one.key, event.currentTarget.value as UnitKind)}
						>
							{#each KINDS as [kind, , name] (kind)}
								<option value={kind}>{kind === one.kind ? labelOfUnit(one) : name}</option>
							{/each}
						</select>
					</span>
				{/if}
				<span class="said">
					{#if one.cells.length > 1}
						<span class="cells">
							{#each one.cells as cell, c (c)}<span>{cell}</span>{/each}
						</span>
					{:else}{one.text}{/if}
					{#if one.speaker !== '' && one.kind === 'quote'}<span class="who">{one.speaker}</span
						>{/if}
					{#if times[one.paragraph]}<span class="who">{times[one.paragraph]}</span>{/if}
				</span>
				{#if one.key === inHand}
					<span class="about">
						{whatItDoes(one)}
						{#if !isFixed && (one.kind === 'quote' || one.kind === 'claim')}
							<label>
								Said by
								<input
									class="speaker"
									value={one.speaker}
									placeholder="nobody named"
									onchange={(event) => setSpeaker(one.key, event.currentTarget.value)}
								/>
							</label>
						{/if}
						{#if !isFixed}
							{#if at > 0}<button class="linkish" onclick={() => void join(at)}
									>Join with the one above</button
								>{/if}
							<button class="linkish" onclick={() => part(one)}>Part</button>
						{/if}
					</span>
				{/if}
			</li>
		{/if}
	{/each}
</ol>
{#if offers.length > 0}
	<section class="mt-5" aria-label="For the brief">
		<h2 class="side">For the brief</h2>
		<ul>
			{#each withRowKeys(offers, ({ text }) => text) as { rowKey, item: offer } (rowKey)}
				<li class="mb-1 text-ink-2">
					“{offer.text}”
					{#if isTaken(offer)}<span class="ml-1">stands in the brief</span>
					{:else}<button
							class="linkish ml-1"
							aria-label="{offer.label}: {offer.text}"
							onclick={() => onoffer(offer)}>{offer.label}</button
						>{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
<p class="mt-4 text-ink-2">
	{keptOut.length === 0
		? 'Nothing here is kept out of drafts.'
		: `Kept out of every draft and request: ${countOf(keptOut.length, 'unit')}.`}
</p>
{#if !isFixed}
	<details class="mt-2 text-ink-2">
		<summary>Keys</summary>
		<p class="keys">
			{#each KINDS as [kind, key, name] (kind)}<span><kbd>{key}</kbd> {name}</span>{/each}
			<span><kbd>j</kbd> join with the one above</span><span><kbd>p</kbd> part</span><span
				><kbd>↑</kbd><kbd>↓</kbd> go</span
			>
		</p>
	</details>
{/if}

<style>
	.units {
		font: 15px/1.5 var(--font-serif);
	}
	.heading {
		font: 600 13px var(--font-sans);
		padding: 10px 0 2px 120px;
	}
	.unit {
		display: grid;
		grid-template-columns: 108px minmax(0, 1fr);
		gap: 2px 12px;
		padding: 4px 6px 4px 0;
		scroll-margin: 60px;
	}
	.unit.held {
		background: var(--wash);
		outline: 1px solid var(--rule);
	}
	.unit:focus-visible {
		outline: 2px solid var(--color-accent);
	}
	.kind {
		font: 12px/1.9 var(--font-sans);
		color: var(--ink-2);
		text-align: right;
	}
	.kind select {
		appearance: none;
		background: none;
		text-align: right;
		width: 100%;
		color: inherit;
		text-overflow: ellipsis;
		cursor: pointer;
	}
	.held .kind select {
		color: var(--color-accent);
		font-weight: 600;
	}
	.kind option {
		background: var(--color-base-100);
		color: var(--ink);
		font-weight: 400;
	}
	.out .said {
		color: var(--ink-2);
		padding-inline: 6px;
		background: repeating-linear-gradient(135deg, transparent 0 6px, var(--rule) 6px 7px);
		background-size: auto;
		background-color: transparent;
	}
	.who {
		font: 12px var(--font-sans);
		color: var(--ink-2);
		margin-left: 8px;
	}
	.cells {
		display: grid;
		grid-auto-columns: minmax(0, 1fr);
		grid-auto-flow: column;
		gap: 12px;
		border-bottom: 1px solid var(--rule);
		font-size: 14px;
	}
	.about {
		grid-column: 2;
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		align-items: baseline;
		font: 12.5px/1.5 var(--font-sans);
		color: var(--ink-2);
	}
	.speaker {
		border-bottom: 1px dotted var(--ink-2);
		background: none;
		font-weight: 600;
		color: var(--ink);
		min-width: 0;
		max-width: 100%;
	}
	.side {
		font: 600 12px var(--font-sans);
		margin-bottom: 4px;
	}
	.keys {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
		gap: 2px 14px;
		padding-top: 6px;
	}
	.keys kbd {
		font: 600 12px var(--font-sans);
		color: var(--ink);
		margin-right: 3px;
	}
	@media (max-width: 500px) {
		.unit {
			grid-template-columns: 84px minmax(0, 1fr);
		}
		.heading {
			padding-left: 96px;
		}
	}
</style>
