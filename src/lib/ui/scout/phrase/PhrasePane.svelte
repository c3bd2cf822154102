<!-- One phrase: the sum of its opening, who ranks, its cluster, and how it goes on. -->
<script lang="ts">
	import { pixelWidthOf, RESULT_ROOM, RESULT_TYPE } from '$lib/core/text';
	import {
		INTENTS,
		workingTitleOf,
		type Cluster,
		type Intent,
		type OpeningWeights,
		type ScoutRow
	} from '$lib/core/keywords';
	import ClusterOfPhrase from './ClusterOfPhrase.svelte';
	import HowItGoesOn from './HowItGoesOn.svelte';
	import OpeningSum from './OpeningSum.svelte';
	import TitleCompetition from './TitleCompetition.svelte';
	import WhoRanks from './WhoRanks.svelte';

	interface Props {
		row: ScoutRow;
		cluster: Cluster | null;
		clusters: readonly Cluster[];
		rows: ReadonlyMap<string, ScoutRow>;
		weights: OpeningWeights;
		onweights: (weights: OpeningWeights) => void;
		ontitles: (count: number | null) => void;
		onintent: (intent: Intent | null) => void;
		oncluster: (name: string, keys: readonly string[], label: string) => void;
		onask: () => void;
		onresults: () => void;
		onchoose: (key: string) => void;
		onadd: (phrases: readonly string[], name: string) => void;
		onfreshen: () => void;
		onassign: () => void;
		/** Whether it is the keyword of the assignment that is open. */
		isKeyword: boolean;
		/** Takes it as keyword of the assignment that is open. */
		onkeyword?: () => void;
	}
	let {
		row,
		cluster,
		clusters,
		rows,
		weights,
		onweights,
		ontitles,
		onintent,
		oncluster,
		onask,
		onresults,
		onchoose,
		onadd,
		onfreshen,
		onassign,
		isKeyword,
		onkeyword
	}: Props = $props();

	const members = $derived(
		(cluster?.members ?? [])
			.flatMap((key) => rows.get(key) ?? [])
			.filter(({ key }) => key !== row.key)
	);
	const working = $derived(
		workingTitleOf(
			row.phrase,
			[row.phrase, ...members.map(({ phrase }) => phrase)],
			row.searchIntent
		)
	);
	function width(text: string, part: 'title' | 'description'): string {
		return `${Math.round(pixelWidthOf(text, RESULT_TYPE[part]))} of ${RESULT_ROOM[part]} px`;
	}
</script>

<h2 class="text-lg leading-snug">{row.phrase}</h2>
{#if row.was}<p class="text-ink-2">The figures are those of “{row.was}”.</p>{/if}
{#if row.stale}<p>
		<button class="linkish" onclick={onfreshen}>Offer it as “{row.stale.fresh}”</button>
	</p>{/if}
{#if isKeyword}
	<p class="mt-1 mb-3 text-secondary">The keyword of this assignment, among its neighbours.</p>
{:else}
	<p class="mt-2 mb-3 flex flex-wrap gap-2">
		<button class="act chief" onclick={onassign}>Make an assignment</button>
		{#if onkeyword}<button class="act" onclick={onkeyword}>Make it the keyword here</button>{/if}
	</p>
{/if}

<OpeningSum {row} {weights} {onweights} />

<TitleCompetition {row} {ontitles} {onask} />

<WhoRanks {row} {onask} {onresults} />

<section class="border-t border-rule py-2" aria-label="Intent">
	<label class="flex items-baseline gap-2">
		<span>Intent</span>
		<select
			class="field ml-auto w-auto! py-0.5!"
			value={row.isIntentGiven ? row.searchIntent : ''}
			onchange={(event) => onintent((event.currentTarget.value || null) as Intent | null)}
		>
			<option value=""
				>{row.isIntentGiven ? 'as the words say' : `${row.searchIntent} (by its words)`}</option
			>
			{#each INTENTS as intent (intent)}<option value={intent}>{intent}</option>{/each}
		</select>
	</label>
	<p class="text-ink-2">
		{#if row.isIntentGiven}Settled by list or by hand.{:else if row.cues.length > 0}Decided by {row.cues
				.map((cue) => `“${cue}”`)
				.join(', ')}.{:else}No word of it points elsewhere.{/if}
	</p>
</section>

{#if cluster}
	<ClusterOfPhrase {row} {cluster} {members} {clusters} {oncluster} {onchoose} />
{/if}

<section class="border-t border-rule py-2" aria-label="Working title">
	<p class="text-ink-2">Working title, {width(working.title, 'title')}</p>
	<p class="font-serif text-[15px] italic">{working.title}</p>
	<p class="mt-1 text-ink-2">Description, {width(working.description, 'description')}</p>
	<p>{working.description}</p>
</section>

<HowItGoesOn {row} {rows} {onadd} />

{#if row.other.length > 0 || row.competition || row.bidHigh !== null}
	<details class="border-t border-rule py-2">
		<summary class="text-ink-2">What else the lists say</summary>
		<dl class="mt-1 grid grid-cols-[auto_1fr] gap-x-3">
			{#if row.competition}<dt class="text-ink-2">Bidding</dt>
				<dd>
					{row.competition}{row.competitionIndex !== null ? `, index ${row.competitionIndex}` : ''}
				</dd>{/if}
			{#if row.bidHigh !== null}<dt class="text-ink-2">Bid</dt>
				<dd>{row.currency} {row.bidLow ?? row.bidHigh}–{row.bidHigh}</dd>{/if}
			{#each row.other as [column, value] (column)}<dt class="text-ink-2">{column}</dt>
				<dd>{value}</dd>{/each}
		</dl>
	</details>
{/if}
