<!-- One term: where its range comes from, its company, and every sentence it was counted from. -->
<script lang="ts">
	import type { Context, Findings, Term } from '$lib/core/findings';
	import { analysis, type EvidenceInput } from '$lib/workers/client';

	interface Props {
		term: Term;
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		input: EvidenceInput;
	}
	let { term, findings, letters, input }: Props = $props();
	let contexts = $state.raw<readonly Context[] | null>(null);

	$effect(() => {
		const { phrase, verbs, variants } = term;
		const evidence = input;
		let isStale = false;
		contexts = null;
		void analysis.context(evidence, $state.snapshot({ phrase, verbs, variants })).then((found) => {
			if (!isStale) contexts = found;
		});
		return () => {
			isStale = true;
		};
	});

	const company = $derived(
		term.company.flatMap((key) => findings.terms.find((other) => other.key === key)?.phrase ?? [])
	);
	const inHeadings = $derived(term.uses.filter(({ h1, h2, h3 }) => h1 || h2 || h3).length);

	function piecesOf({ text, marks }: Context): { text: string; isMarked: boolean }[] {
		const pieces: { text: string; isMarked: boolean }[] = [];
		let at = 0;
		for (const [start, end] of marks) {
			if (start < at) continue;
			pieces.push(
				{ text: text.slice(at, start), isMarked: false },
				{ text: text.slice(start, end), isMarked: true }
			);
			at = end;
		}
		pieces.push({ text: text.slice(at), isMarked: false });
		return pieces;
	}
</script>

<h1 class="text-lg">{term.phrase}</h1>
<p class="mt-1 text-ink-2">
	{term.weight} · {term.min === term.max ? term.min : `${term.min} to ${term.max}`} uses · on {term
		.uses.length} of {findings.pages.length} pages{inHeadings > 0
		? `, in a heading of ${inHeadings}`
		: ''}.
	{#if company.length > 0}Keeps company with <em class="font-serif"
			>{company.slice(0, 4).join(', ')}</em
		>.{/if}
</p>
<details class="mt-2 border-t border-rule pt-2">
	<summary class="linkish"
		>Where {term.min === term.max ? 'this number comes' : 'these numbers come'} from</summary
	>
	<p class="mt-1 text-ink-2">
		{term.uses.length < 4 ? 'Least and most' : 'Lower and upper quartile'} of the rates below, for {findings.targetWords.toLocaleString(
			'en'
		)} words, rounded outwards, at most 2% of the words.
	</p>
	<table class="mt-1 w-full">
		<tbody>
			{#each term.uses as use (use.page)}
				<tr
					><td class="w-6 font-semibold">{letters.get(use.page)}</td><td>{use.count} uses</td><td
						class="text-right text-ink-2">{use.rate.toFixed(1)} per 1,000</td
					></tr
				>
			{/each}
		</tbody>
	</table>
</details>
<div class="mt-2">
	{#if contexts === null}
		<p class="text-ink-2" role="status">Finding the sentences …</p>
	{:else}
		{#each contexts as context, i (i)}
			<p class="border-t border-rule py-2">
				<span class="text-xs"
					><strong>{letters.get(context.page)}</strong>{context.heading
						? ` · ${context.heading}`
						: ' · before the first heading'}</span
				><br />
				<span class="font-serif text-[14px] leading-normal"
					>{#each piecesOf(context) as piece, p (p)}{#if piece.isMarked}<mark>{piece.text}</mark
							>{:else}{piece.text}{/if}{/each}</span
				>
			</p>
		{:else}
			<p class="border-t border-rule py-2 text-ink-2">No counted page uses it word for word.</p>
		{/each}
	{/if}
</div>

<style>
	mark {
		background: var(--mark);
		color: inherit;
		padding: 0 1px;
	}
</style>
