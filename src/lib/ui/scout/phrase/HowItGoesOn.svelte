<!-- How a phrase goes on: its completions, and the wordings that the lists have for others. -->
<script lang="ts">
	import { longTailOf, type ScoutRow } from '$lib/core/keywords';
	import { complete } from '$lib/services/search';
	import { withRowKeys } from '../../parts/row-keys';

	interface Props {
		row: ScoutRow;
		/** All rows of the lists, by key. */
		rows: ReadonlyMap<string, ScoutRow>;
		onadd: (phrases: readonly string[], name: string) => void;
	}
	let { row, rows, onadd }: Props = $props();

	let completions = $state.raw<{ for: string; phrases: readonly string[]; trouble: string } | null>(
		null
	);
	let tailFor = $state<string | null>(null);
	const tail = $derived(
		tailFor === row.key
			? longTailOf(
					row.phrase,
					[...rows.values()].map(({ phrase }) => phrase)
				)
			: null
	);
	const known = $derived(new Set(rows.keys()));

	async function findCompletions() {
		const of = row.key;
		const reply = await complete(row.phrase);
		completions =
			reply.kind === 'answered'
				? { for: of, phrases: reply.reply.completions, trouble: '' }
				: { for: of, phrases: [], trouble: reply.reason };
	}
</script>

<section class="border-t border-rule py-2" aria-label="How it goes on">
	<p class="flex flex-wrap gap-x-3">
		<button class="linkish" onclick={() => void findCompletions()}>Complete it</button>
		<button class="linkish" onclick={() => (tailFor = tailFor === row.key ? null : row.key)}
			>{tail ? 'Close the long tail' : 'Find its long tail'}</button
		>
	</p>
	{#if completions?.for === row.key}
		{#if completions.trouble}<p class="text-error">No completions: {completions.trouble}.</p>
		{:else if completions.phrases.length === 0}<p class="text-ink-2">
				The sample suggestion service knows nothing that goes on from here.
			</p>
		{:else}
			{@const fresh = completions.phrases.filter((phrase) => !known.has(phrase))}
			<p class="mt-1 text-ink-2">From the sample suggestion service, without volumes:</p>
			<ul>
				{#each withRowKeys(completions.phrases, (phrase) => phrase) as { rowKey, item: phrase } (rowKey)}<li
						class="flex gap-2"
					>
						<span class="flex-1 font-serif">{phrase}</span>{#if known.has(phrase)}<span
								class="text-ink-2">listed</span
							>{:else}<button
								class="linkish"
								aria-label="Add {phrase}"
								onclick={() => onadd([phrase], 'Completions')}>Add</button
							>{/if}
					</li>{/each}
			</ul>
			{#if fresh.length > 1}<button class="linkish" onclick={() => onadd(fresh, 'Completions')}
					>Add all {fresh.length}</button
				>{/if}
		{/if}
	{/if}
	{#if tail}
		<p class="mt-1 text-ink-2">The lists ask for “{tail.subject}” in these ways:</p>
		{#each withRowKeys(tail.found, ({ pattern }) => pattern) as { rowKey, item: { pattern, phrases } } (rowKey)}
			<details>
				<summary
					><strong>{pattern}</strong> <span class="text-ink-2">{phrases.length}</span></summary
				>
				<ul class="pl-3 font-serif">
					{#each withRowKeys(phrases, (phrase) => phrase) as { rowKey, item: phrase } (rowKey)}<li>
							{phrase}
						</li>{/each}
				</ul>
			</details>
		{/each}
		{#if tail.made.length > 0}
			<p class="mt-1 text-ink-2">
				Made after wordings the lists have for other things; nobody has counted these:
			</p>
			<ul>
				{#each withRowKeys(tail.made, ({ phrase }) => phrase) as { rowKey, item: { phrase, after } } (rowKey)}<li
						class="flex gap-2"
					>
						<span class="flex-1 font-serif" title="after: {after.join('; ')}">{phrase}</span><button
							class="linkish"
							aria-label="Add {phrase}"
							onclick={() => onadd([phrase], 'Long tail')}>Add</button
						>
					</li>{/each}
			</ul>
		{/if}
	{/if}
</section>
