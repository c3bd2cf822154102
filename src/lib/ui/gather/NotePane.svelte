<!-- A note as its units, or as text that can be mended in place. -->
<script lang="ts" module>
	type View = 'units' | 'text';
	/** How the last note was shown; the next one is shown alike. */
	let lastView: View = 'units';
</script>

<script lang="ts">
	import { resolve } from '$app/paths';
	import { isMaterial, readQuestions, type UnitEdits } from '$lib/core/notes';
	import type { Note } from '$lib/data/db';
	import { forgetUnsaved, keepUnsaved } from '$lib/data/unsaved';
	import { Autosave } from '../parts/autosave';
	import Tabs from '../parts/Tabs.svelte';
	import type { BriefOffer } from './units/brief-offer';
	import MayAnswer from './units/MayAnswer.svelte';
	import UnitsView from './units/UnitsView.svelte';

	interface Props {
		note: Note;
		sign: string | null;
		onsave: (text: string) => Promise<void>;
		onremove: () => void;
		/** Makes a page of it that can be counted. */
		onpage: () => void;
		onedits: (edits: UnitEdits, label: string) => void;
		onoffer: (offer: BriefOffer) => void;
		isTaken: (offer: BriefOffer) => boolean;
	}
	let { note, sign, onsave, onremove, onpage, onedits, onoffer, isTaken }: Props = $props();
	let view = $state<View>(lastView);
	$effect(() => {
		lastView = view;
	});
	const shown = $derived(isMaterial(note) && note.text.trim() !== '' ? view : 'text');
	// made anew for each note
	// svelte-ignore state_referenced_locally
	let text = $state(note.text);
	const found = $derived(note.kind === 'questions' ? readQuestions(text) : []);
	const autosave = new Autosave(
		async () => {
			const now = text;
			await onsave(now);
			// what was typed meanwhile may be written down already
			if (text === now) forgetUnsaved(note.assignment, { kind: 'note', id: note.id });
		},
		() => keepUnsaved(note.assignment, { kind: 'note', id: note.id, text })
	);
	$effect(() => autosave.watch());
</script>

<h1 class="text-xl">
	{#if sign}<span class="mr-1 text-secondary">{sign}</span>{/if}
	{note.name}
</h1>
<p class="mt-1 mb-3 text-ink-2">
	{note.client
		? 'It stands in the client’s profile, which assignments share.'
		: note.kind === 'note'
			? 'What it says is used as whole units; those set in hatching never reach a draft.'
			: note.kind === 'transcript'
				? 'Each paragraph opens with its time and speaker in brackets; keep them, and a quotation can name its place.'
				: `${found.length} questions read.`}
	{#if note.client}<a class="linkish ml-3" href={resolve('/clients/[id]', { id: note.client })}
			>Open the profile</a
		>{:else}{#if note.kind === 'note'}<button class="linkish ml-3" onclick={onpage}
				>Count it as a page</button
			>{/if}<button class="linkish ml-3" onclick={onremove}>Take it out</button>{/if}
</p>
{#if isMaterial(note) && note.text.trim() !== ''}
	<div class="mb-3 border-b border-rule">
		<Tabs
			label="How the note is shown"
			tabs={[
				{ id: 'units', name: 'As units' },
				{ id: 'text', name: 'As text' }
			]}
			bind:value={view}
		/>
	</div>
{/if}
{#if shown === 'units'}
	<UnitsView {note} {onedits} {onoffer} {isTaken} />
	<MayAnswer note={note.id} />
{:else}
	<textarea
		class="field min-h-96 font-serif text-[15px] leading-relaxed"
		style:height="max(24rem, 60dvh)"
		bind:value={text}
		oninput={() => autosave.changed()}
		readonly={note.client !== undefined}
		aria-label="Text of {note.name}"></textarea>
{/if}
