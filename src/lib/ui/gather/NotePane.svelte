<!-- A note or list as text that can be mended in place. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { readQuestions } from '$lib/core/notes';
	import type { Note } from '$lib/data/db';
	import { forgetUnsaved, keepUnsaved } from '$lib/data/unsaved';
	import { Autosave } from '../parts/autosave';

	interface Props {
		note: Note;
		sign: string | null;
		onsave: (text: string) => Promise<void>;
		onremove: () => void;
		/** Makes a page of it that can be counted. */
		onpage: () => void;
	}
	let { note, sign, onsave, onremove, onpage }: Props = $props();
	// made anew for each note
	// svelte-ignore state_referenced_locally
	let text = $state(note.text);
	const found = $derived(note.kind === 'questions' ? readQuestions(text) : []);
	const autosave = new Autosave(
		async () => {
			await onsave(text);
			forgetUnsaved(note.assignment, { kind: 'note', id: note.id });
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
			? 'The drafter may use every sentence of it, and marks where it did.'
			: note.kind === 'transcript'
				? 'Each paragraph opens with its time and speaker in brackets; keep them, and a quotation can name its place.'
				: `${found.length} questions read.`}
	{#if note.client}<a class="linkish ml-3" href={resolve('/clients/[id]', { id: note.client })}
			>Open the profile</a
		>{:else}{#if note.kind === 'note'}<button class="linkish ml-3" onclick={onpage}
				>Count it as a page</button
			>{/if}<button class="linkish ml-3" onclick={onremove}>Take it out</button>{/if}
</p>
<textarea
	class="field min-h-96 font-serif text-[15px] leading-relaxed"
	style:height="max(24rem, 60dvh)"
	bind:value={text}
	oninput={() => autosave.changed()}
	readonly={note.client !== undefined}
	aria-label="Text of {note.name}"></textarea>
