<!-- All claims of a take, each with who backs it, and the list of references out of them. -->
<script lang="ts">
	import type { Claim } from '$lib/core/proof';
	import { toast } from 'svelte-sonner';
	import { countOf } from '../parts/count-of';

	interface Props {
		claims: readonly Claim[];
		nameOf: (source: string) => string;
		onshow: (claim: Claim) => void;
	}
	let { claims, nameOf, onshow }: Props = $props();

	const STATES = ['no backing', 'differs', 'backed'] as const;
	const WORDS = { 'no backing': 'without backing', differs: 'that differ', backed: 'backed' };
	const shares = $derived(
		STATES.map((state) => ({
			state,
			count: claims.filter(({ backing }) => backing === state).length
		}))
			.filter(({ count }) => count > 0)
			.map(({ state, count }) => `${count} ${WORDS[state]}`)
			.join(', ')
	);
	const sources = $derived([
		...new Set(claims.flatMap(({ same }) => (same[0] ? [same[0].source] : [])))
	]);
	/** Every claim that is backed with the sentence that backs it, by source. */
	const references = $derived(
		sources
			.map((source) => {
				const lines = claims
					.filter(({ same }) => same[0]?.source === source)
					.map(({ quote, same }) => `- ${quote}: ${same[0]!.text}`);
				return `${nameOf(source)}\n${[...new Set(lines)].join('\n')}`;
			})
			.join('\n\n')
	);

	async function copy() {
		await navigator.clipboard.writeText(references);
		toast('The references are on the clipboard.');
	}
</script>

<section aria-label="All claims">
	<p class="flex items-baseline justify-between gap-2">
		<span>{countOf(claims.length, 'claim')}{claims.length === 0 ? '' : `: ${shares}`}</span>
		{#if references}<button class="linkish shrink-0" onclick={() => void copy()}
				>Copy references</button
			>{/if}
	</p>
	{#each STATES as state (state)}
		{@const own = claims.filter(({ backing }) => backing === state)}
		{#if own.length > 0}
			<h3 class="mt-3 text-[12px] font-bold">{own.length} {WORDS[state]}</h3>
			<ul>
				{#each own as claim, i (i)}
					<li class="py-1 leading-snug">
						<button class="font-serif hover:underline" onclick={() => onshow(claim)}
							>{claim.quote}</button
						>
						{#each [...claim.same, ...claim.other].slice(0, 2) as voice, v (v)}
							<p class="pl-3 text-ink-2">
								<span class="font-semibold">{nameOf(voice.source)}</span>
								{voice.text.length > 140 ? `${voice.text.slice(0, 140)} …` : voice.text}
							</p>
						{/each}
					</li>
				{/each}
			</ul>
		{/if}
	{/each}
</section>
