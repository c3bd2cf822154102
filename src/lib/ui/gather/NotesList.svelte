<!-- The writer's own notes, transcripts, or the lists of questions. -->
<script lang="ts">
	import { readQuestions, saidIn, spokenParagraphsOf, timeOf, unitsOfNote } from '$lib/core/notes';
	import { countWords } from '$lib/core/text';
	import type { Note } from '$lib/data/db';
	import { sizeOfUnits } from './units/unit-words';

	interface Props {
		kind: 'notes' | 'transcripts' | 'questions';
		items: readonly Note[];
		signs: ReadonlyMap<string, string>;
		chosen: string | null;
		onchoose: (id: string) => void;
	}
	let { kind, items, signs, chosen, onchoose }: Props = $props();

	function sizeOf(note: Note): string {
		const { text } = note;
		if (kind === 'questions') return `${readQuestions(text).length} questions`;
		if (kind === 'notes') return sizeOfUnits(unitsOfNote(note));
		const last = spokenParagraphsOf(text).at(-1);
		return `${countWords(saidIn(text)).toLocaleString('en')} words${last ? ` · to ${timeOf(last.startMs)}` : ''}`;
	}
</script>

{#if items.length === 0}
	<div class="max-w-md py-8">
		{#if kind === 'notes'}
			<p class="font-serif text-lg">Bring what you know that no page says.</p>
			<p class="mt-2 text-ink-2">
				Interviews, site visits, product sheets: text, Markdown, DOCX or PDF, or rich text that you
				paste. The built-in drafter writes from these notes and nothing else. Link maps (CSV) and
				client profiles (JSON) can be dropped here too.
			</p>
		{:else if kind === 'transcripts'}
			<p class="font-serif text-lg">Bring what was said.</p>
			<p class="mt-2 text-ink-2">
				Subtitles as SRT or WebVTT, or text with times. They become paragraphs you can read, and the
				times stay, so that a quotation can name its place.
			</p>
		{:else}
			<p class="font-serif text-lg">Bring the questions people ask.</p>
			<p class="mt-2 text-ink-2">
				One on a line, as copied from a results page. Numbers, arrows and repeats are taken off.
			</p>
		{/if}
	</div>
{:else}
	<ul class="pt-2">
		{#each items as note (note.id)}
			<li class="border-b border-rule">
				<button
					class="row w-full py-2 text-left"
					class:chosen={note.id === chosen}
					aria-current={note.id === chosen}
					onclick={() => onchoose(note.id)}
				>
					{#if signs.get(note.id)}<span class="mr-2 font-semibold text-secondary"
							>{signs.get(note.id)}</span
						>{/if}
					<span class="font-serif text-[15px] font-medium">{note.name}</span>
					<span class="float-right text-ink-2">{sizeOf(note)}</span>
				</button>
			</li>
		{/each}
	</ul>
{/if}

<style>
	.row {
		padding-inline: 6px;
	}
	.row.chosen {
		background: var(--wash);
	}
</style>
