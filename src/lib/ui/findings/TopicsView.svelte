<!-- Merged headings in their usual order, nested, with the pages that have them. -->
<script lang="ts">
	import type { Findings, Topic } from '$lib/core/findings';

	interface Props {
		findings: Findings;
		letters: ReadonlyMap<string, string>;
	}
	let { findings, letters }: Props = $props();
	let showsAll = $state(false);

	const least = $derived(findings.pages.length <= 3 || showsAll ? 1 : 2);
	const kept = $derived(findings.topics.filter(({ pages }) => pages.length >= least));
	const tops = $derived(
		kept.filter(({ parent }) => parent === null || !kept.some(({ id }) => id === parent))
	);
	const single = $derived(findings.topics.filter(({ pages }) => pages.length === 1).length);

	function childrenOf(topic: Topic): Topic[] {
		return kept.filter(({ parent }) => parent === topic.id);
	}
</script>

{#snippet row(topic: Topic, isInner: boolean)}
	<details class="border-b border-rule py-2" class:pl-6={isInner}>
		<summary class="flex list-none items-baseline gap-4">
			<span class="min-w-0 flex-1 font-serif text-[15.5px] font-medium">{topic.label}</span>
			<span class="w-28 text-xs tracking-widest text-ink-2 max-sm:hidden"
				>{topic.pages
					.map((id) => letters.get(id) ?? '')
					.sort()
					.join(' ')}</span
			>
			<span
				class="strip max-sm:hidden"
				role="img"
				aria-label="usually {Math.round(100 * topic.position)}% of the way through"
			>
				{#each topic.headings as h, i (i)}<i
						style:left="{100 * h.position}%"
						style:width="{Math.max(
							1.5,
							(100 * h.words) / (findings.pages.find(({ id }) => id === h.page)?.words ?? 1000)
						)}%"
					></i>{/each}
			</span>
			<span class="w-20 text-right text-ink-2">{topic.words} words</span>
		</summary>
		<ul class="mt-1 pl-1 text-ink-2">
			{#each topic.headings as h, i (i)}
				<li>
					<strong class="mr-1 text-ink">{letters.get(h.page)}</strong> H{h.level}
					{h.text} · {h.words} words
				</li>
			{/each}
		</ul>
	</details>
{/snippet}

<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	<p class="py-2 text-ink-2">
		Headings of several pages that mean the same, in their usual order. The strip shows where in
		each page they stand.
		{#if single > 0 && findings.pages.length > 3}<button
				class="linkish"
				onclick={() => (showsAll = !showsAll)}
				>{showsAll ? 'Hide' : 'Show'} {single} that only one page has</button
			>{/if}
	</p>
	{#each tops as topic (topic.id)}
		{@render row(topic, false)}
		{#each childrenOf(topic) as inner (inner.id)}{@render row(inner, true)}{/each}
	{:else}
		<p class="text-ink-2">The counted pages share no heading.</p>
	{/each}
</div>

<style>
	.strip {
		position: relative;
		width: 260px;
		height: 9px;
		border-bottom: 1px solid var(--rule);
	}
	.strip i {
		position: absolute;
		bottom: 0;
		height: 8px;
		background: var(--color-primary);
		opacity: 0.45;
	}
</style>
