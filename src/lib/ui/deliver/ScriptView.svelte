<!-- The article told for reading aloud: moments with their times, and prompts beside them. -->
<script lang="ts">
	import { clockOf, scriptChapters, scriptSrt, scriptText, SPEED } from '$lib/core/deliver';
	import { toast } from 'svelte-sonner';
	import { countOf } from '../parts/count-of';
	import { download } from '../parts/download';
	import { withRowKeys } from '../parts/row-keys';
	import type { Delivery } from './delivery.svelte';
	import { makeScript } from './hand-over';

	let { delivery }: { delivery: Delivery } = $props();

	const script = $derived(delivery.script);

	async function copy(what: string, text: string) {
		await navigator.clipboard.writeText(text);
		toast(`${what} on the clipboard.`);
	}

	async function save(at: number) {
		const made = makeScript(delivery)[at]!;
		download(made.name, made.content, made.type);
		await delivery.record(`Spoken script: ${made.what}`);
	}
</script>

<div class="no-print mb-4 flex flex-wrap items-center gap-3">
	<label class="flex items-center gap-2"
		>Words a minute
		<input
			type="range"
			class="range w-36 range-xs"
			min={SPEED.least}
			max={SPEED.most}
			step="5"
			value={delivery.choices.speed}
			onchange={(event) =>
				void delivery.decide('Changed the pace', { speed: Number(event.currentTarget.value) })}
		/>
		{delivery.choices.speed}</label
	>
	<span class="text-ink-2"
		>{clockOf(script.ms)}, {countOf(script.moments.length, 'moment')}, {countOf(
			script.words,
			'word'
		)}</span
	>
	<span class="ml-auto flex gap-2">
		<button class="act" onclick={() => void copy('The script is', scriptText(script))}
			>Copy the text</button
		>
		<button class="act" onclick={() => void copy('The chapters are', scriptChapters(script))}
			>Copy the chapters</button
		>
	</span>
</div>
<p class="no-print mb-4 flex flex-wrap gap-3">
	<span class="text-ink-2">Save</span>
	{#each ['text', 'table', 'subtitles (SRT)', 'chapters (WebVTT)'] as name, i (name)}<button
			class="linkish"
			onclick={() => void save(i)}>{name}</button
		>{/each}
	<span class="text-ink-2">{countOf(scriptSrt(script).split('\n\n').length, 'cue')}</span>
</p>
<table class="w-full border-collapse" aria-label="Script">
	<thead class="sr-only"
		><tr><th scope="col">Time</th><th scope="col">Said</th><th scope="col">Prompts</th></tr></thead
	>
	<tbody>
		{#each withRowKeys(script.moments, ({ title }) => title) as { rowKey, item } (rowKey)}
			<tr class="border-t border-rule align-top">
				<td class="w-14 py-3 font-semibold">{clockOf(item.startMs)}</td>
				<td class="py-3 pr-6">
					<h2 class="text-[15px]!">{item.title}</h2>
					{#each withRowKeys( item.sentences.filter(({ text }) => text.replace(/\.$/, '') !== item.title), ({ startMs }) => startMs ) as { rowKey: key, item: sentence } (key)}
						<p class="font-serif text-[15px] leading-relaxed">{sentence.text}</p>
					{/each}
				</td>
				<td class="w-56 py-3 text-ink-2">
					<ul class="list-disc pl-4">
						{#each withRowKeys(item.prompts, (prompt) => prompt) as { rowKey: key, item: prompt } (key)}<li
							>
								{prompt}
							</li>{/each}
					</ul>
				</td>
			</tr>
		{/each}
	</tbody>
</table>
