<!-- How the client sounds: passages, and what is measured on them. Every figure opens to its sentences. -->
<script lang="ts">
	import { measureVoice, VOICE_PERSONS, type VoiceSample } from '$lib/core/clients';
	import { countWords } from '$lib/core/text';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		samples: VoiceSample[];
		onchanged: () => void;
	}
	let { samples = $bindable(), onchanged }: Props = $props();

	const voice = $derived(measureVoice(samples.filter(({ text }) => text.trim() !== '')));
	let shown = $state<string | null>(null);
	const figures = $derived([
		...VOICE_PERSONS.filter((person) => voice.persons[person].count > 0).map((person) => ({
			id: `person ${person}`,
			name: `“${person}”`,
			counted: voice.persons[person]
		})),
		{ id: 'contracted', name: 'contracted (“don’t”)', counted: voice.contractions },
		{ id: 'full', name: 'in full (“do not”)', counted: voice.uncontracted },
		{ id: 'questions', name: 'questions', counted: voice.questions }
	]);
	const sentences = $derived(
		figures.find(({ id }) => id === shown)?.counted.sentences ??
			voice.favourites.find(({ word }) => `word ${word}` === shown)?.sentences ??
			null
	);

	function per(count: number): string {
		return ((1000 * count) / Math.max(1, voice.words)).toFixed(1);
	}
</script>

<h2 class="text-lg">Voice</h2>
<p class="text-ink-2">
	Measured on the passages below; shown beside the tone in every brief, and printed with it.
</p>
{#if voice.words === 0}
	<p class="mt-3 font-serif">
		Paste a few passages that sound like the client: a letter, a catalogue page, a post they like.
	</p>
{:else}
	<dl class="mt-3 grid grid-cols-[1fr_auto] gap-x-4 border-y border-rule py-2">
		<dt>Words, sentences</dt>
		<dd class="text-right font-semibold">{voice.words.toLocaleString('en')}, {voice.sentences}</dd>
		<dt>Words in a sentence: middle half</dt>
		<dd class="text-right font-semibold">
			{voice.sentenceWords.lower}–{voice.sentenceWords.upper}, median {voice.sentenceWords.median}
		</dd>
		<dt>Reading grade</dt>
		<dd class="text-right font-semibold">{voice.grade.toFixed(1)}</dd>
		{#each figures as { id, name, counted } (id)}
			<dt>{name}</dt>
			<dd class="text-right">
				{#if counted.count > 0}<button
						class="font-semibold hover:underline"
						aria-expanded={shown === id}
						onclick={() => (shown = shown === id ? null : id)}
						>{counted.count}
						<span class="font-normal text-ink-2">({per(counted.count)} ‰)</span></button
					>{:else}<span class="text-ink-2">none</span>{/if}
			</dd>
		{/each}
	</dl>
	{#if voice.favourites.length > 0}
		<p class="mt-2 text-ink-2">Words used far more than in everyday English:</p>
		<p class="mt-1 flex flex-wrap gap-x-3 font-serif">
			{#each withRowKeys(voice.favourites, ({ word }) => word) as { rowKey, item: { word, count } } (rowKey)}<button
					class="hover:underline"
					aria-expanded={shown === `word ${word}`}
					onclick={() => (shown = shown === `word ${word}` ? null : `word ${word}`)}
					>{word} <small class="font-sans text-ink-2">{count}</small></button
				>{/each}
		</p>
	{/if}
	{#if sentences}
		<ul
			class="mt-2 border-l-2 border-accent pl-3 font-serif"
			aria-label="Counted in these sentences"
		>
			{#each sentences as sentence, i (i)}<li class="py-0.5">{sentence}</li>{/each}
		</ul>
	{/if}
{/if}

<h3 class="mt-5 font-sans text-[13px] font-semibold">Passages</h3>
{#each samples as sample, i (i)}
	<div class="mt-2">
		<div class="flex items-baseline gap-2">
			<input
				class="field flex-1"
				bind:value={sample.name}
				placeholder="Where it is from"
				aria-label="Name of passage {i + 1}"
			/>
			<span class="text-ink-2">{countWords(sample.text)} words</span>
			<button
				class="linkish"
				aria-label="Take passage {i + 1} out"
				onclick={() => {
					samples.splice(i, 1);
					onchanged();
				}}>Take out</button
			>
		</div>
		<textarea
			class="field mt-1 font-serif"
			rows="5"
			bind:value={sample.text}
			aria-label="Text of passage {i + 1}"></textarea>
	</div>
{/each}
<p class="mt-3">
	<button
		class="act"
		onclick={() => {
			samples.push({ name: '', text: '' });
			onchanged();
		}}>Add a passage</button
	>
</p>
