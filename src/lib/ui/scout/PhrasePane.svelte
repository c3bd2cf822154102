<script lang="ts" module>
	import {
		type RankedResult,
		type Weakness,
		INTENTS,
		isWeaklyHeld,
		longTailOf,
		OPENING_PARTS,
		workingTitleOf,
		type Cluster,
		type Intent,
		type OpeningPart,
		type OpeningWeights,
		type ScoutRow
	} from '$lib/core/keywords';
	import { keyed } from '../parts/keyed';

	function toldOf(weakness: Weakness, { strength, words, date }: RankedResult): string {
		if (weakness === 'weak site') return `site of strength ${strength}`;
		if (weakness === 'thin page') return `${words} words`;
		return weakness === 'old page' ? `last changed ${date}` : weakness;
	}

	function hostOf(address: string): string {
		try {
			return new URL(address).hostname;
		} catch {
			return address;
		}
	}
</script>

<!-- One phrase: the sum of its opening, who ranks, its cluster, and how it goes on. -->
<script lang="ts">
	import { pixelWidthOf, RESULT_ROOM, RESULT_TYPE } from '$lib/core/text';
	import { complete } from '$lib/services/search';
	import { changeShown, ratioShown, ratioSum, volumeShown } from './format';

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

	const PARTS: Readonly<Record<OpeningPart, (row: ScoutRow) => string>> = {
		volume: (row) => `volume ${volumeShown(row)}`,
		change: ({ change3m, changeYear }) =>
			change3m !== null && changeYear !== null
				? `change ${changeShown(change3m)}, ${changeShown(changeYear)}`
				: change3m !== null
					? `three months ${changeShown(change3m)}`
					: `year ${changeShown(changeYear)}`,
		titles: (row) => `title ratio ${ratioShown(row.titles)}`,
		weakSpots: ({ weakSpots }) =>
			weakSpots?.some(isWeaklyHeld)
				? `weak spots ${weakSpots.filter(isWeaklyHeld).length}`
				: 'no weak spot'
	};
	const MISSING: Readonly<Record<OpeningPart, string>> = {
		volume: 'searches a month',
		change: 'its change',
		titles: 'title matches',
		weakSpots: 'who ranks'
	};
	const WEIGHT_NAMES: Readonly<Record<OpeningPart, string>> = {
		volume: 'Volume',
		change: 'Change',
		titles: 'Title ratio',
		weakSpots: 'Weak spots'
	};

	const { opening, titles, weakSpots } = $derived(row);
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
	let name = $derived(cluster?.name ?? '');
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

	function setTitles(event: Event) {
		const field = event.currentTarget as HTMLInputElement;
		const text = field.value.replace(/[,\s]/g, '');
		if (text === '') ontitles(null);
		else if (/^\d{1,12}$/.test(text)) ontitles(Number(text));
		else field.value = row.titleMatches?.toString() ?? '';
	}

	function rename() {
		const plain = name.trim();
		if (!cluster || plain === '' || plain === cluster.name) return;
		oncluster(plain, cluster.members, `Renamed the cluster “${cluster.name}”`);
	}

	async function findCompletions() {
		const of = row.key;
		const reply = await complete(row.phrase);
		completions =
			reply.kind === 'answered'
				? { for: of, phrases: reply.reply.completions, trouble: '' }
				: { for: of, phrases: [], trouble: reply.reason };
	}

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

<section class="border-t border-rule py-2" aria-label="Opening">
	<p class="text-ink-2">
		{#if opening.value === null}Opening: nothing is known yet{:else}Opening {Math.round(
				opening.value
			)}: the sum of what is known{/if}
	</p>
	<dl class="parts">
		{#each OPENING_PARTS as part (part)}
			{#if opening.points[part] !== undefined}
				<dt>{PARTS[part](row)}</dt>
				<dd class="bar" aria-hidden="true">
					<i style:width="{(100 * opening.points[part]) / (opening.most[part] ?? 1)}%"></i>
				</dd>
				<dd class="text-right font-semibold" title="of {Math.round(opening.most[part] ?? 0)}">
					{Math.round(opening.points[part])}
				</dd>
			{/if}
		{/each}
	</dl>
	{#if opening.missing.length > 0}
		<p class="text-ink-2">
			Not known: {opening.missing.map((part) => MISSING[part]).join(', ')}. Left out of the sum.
		</p>
	{/if}
	<details class="mt-1">
		<summary class="text-ink-2">What each part may count</summary>
		{#each OPENING_PARTS as part (part)}
			<label class="mt-1 flex items-center gap-2"
				><span class="w-24">{WEIGHT_NAMES[part]}</span><input
					type="range"
					class="range range-xs"
					min="0"
					max="50"
					step="5"
					value={weights[part]}
					onchange={(event) => onweights({ ...weights, [part]: Number(event.currentTarget.value) })}
				/><span class="w-6 text-right">{weights[part]}</span></label
			>
		{/each}
	</details>
</section>

<section class="border-t border-rule py-2" aria-label="Title competition">
	<label class="flex items-baseline gap-2">
		<span>Pages with it in their title</span>
		<input
			class="field ml-auto w-20! py-0.5! text-right"
			inputmode="numeric"
			value={row.titleMatches ?? ''}
			placeholder="not known"
			onchange={setTitles}
			aria-label="Title matches of {row.phrase}"
		/>
	</label>
	{#if titles}
		<p class="mt-1 text-ink-2">
			{ratioSum(row)} = <strong class="text-ink">{ratioShown(titles)}</strong>:
			<strong class="text-ink">{titles.verdict}</strong>
			{#if row.titleOrigin !== 'list'}<br />{row.titleOrigin === 'sample'
					? 'Counted by the sample service: invented figures.'
					: 'You gave the count.'}{/if}
		</p>
	{:else if row.titleMatches === null}
		<p class="mt-1">
			<button class="linkish" onclick={onask}>Ask the sample service</button>
		</p>
	{/if}
</section>

<section class="border-t border-rule py-2" aria-label="Who ranks">
	{#if weakSpots === null}
		<p class="text-ink-2">Nobody has looked who ranks.</p>
		<p>
			<button class="linkish" onclick={onask}>Ask the sample service</button> ·
			<button class="linkish" onclick={onresults}>Bring in a results list</button>
		</p>
	{:else}
		{@const held = weakSpots.filter(isWeaklyHeld)}
		{@const byTitle = weakSpots.filter((spot) => !isWeaklyHeld(spot))}
		<p class="text-ink-2">
			{held.length === 0 ? 'None of the first ten is weakly held.' : 'Weakly held:'}
		</p>
		<ul>
			{#each held as spot (spot.position)}
				<li class="mt-0.5">
					<strong>{spot.position}</strong>
					{hostOf(spot.result.address)}:
					{spot.weaknesses.map((weakness) => toldOf(weakness, spot.result)).join(', ')}
				</li>
			{/each}
		</ul>
		{#if byTitle.length > 0}<p class="mt-1 text-ink-2">
				No phrase in the title at {byTitle.map(({ position }) => position).join(', ')}.
			</p>{/if}
		<p class="mt-1 text-ink-2">
			{row.results?.length} results, {row.resultsOrigin === 'sample'
				? 'from the sample service: invented figures'
				: 'as you brought them in'}.
			<button class="linkish" onclick={onresults}>Bring in newer ones</button>
		</p>
	{/if}
</section>

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
	<section class="border-t border-rule py-2" aria-label="Cluster">
		<label class="flex items-baseline gap-2"
			><span class="font-semibold">Cluster</span><input
				class="field ml-auto py-0.5!"
				bind:value={name}
				onchange={rename}
				aria-label="Name of the cluster"
			/></label
		>
		<p class="mt-1 text-ink-2">
			{cluster.members.length === 1 ? 'One phrase' : `${cluster.members.length} phrases`}, {volumeShown(
				{
					volume: cluster.volumeMin === cluster.volumeMax ? cluster.volumeMin : null,
					volumeMin: cluster.volumeMin,
					volumeMax: cluster.volumeMax
				}
			)} searches{cluster.unknownVolumes > 0 ? ` (${cluster.unknownVolumes} not known)` : ''},
			{cluster.intent}{cluster.cues.length > 0
				? ` by ${cluster.cues
						.slice(0, 3)
						.map((cue) => `“${cue}”`)
						.join(', ')}`
				: ''}; together by {cluster.by === 'hand'
				? 'hand or list'
				: cluster.by === 'results'
					? 'shared results'
					: 'their words'}.
		</p>
		<ul class="mt-1">
			{#each keyed(members.slice(0, 8), (member) => member.key) as { rowKey, item: member } (rowKey)}
				<li class="flex gap-2">
					<button
						class="min-w-0 flex-1 truncate text-left font-serif hover:underline"
						onclick={() => onchoose(member.key)}>{member.phrase}</button
					><span class="text-ink-2">{volumeShown(member)}</span>
				</li>
			{/each}
			{#if members.length > 8}<li class="text-ink-2">and {members.length - 8} more</li>{/if}
		</ul>
		<div class="mt-1 flex flex-wrap gap-x-3">
			{#if members.length > 0}
				<button
					class="linkish"
					onclick={() =>
						oncluster(row.phrase, [row.key], `Took “${row.phrase}” out of its cluster`)}
					>Take this phrase out</button
				>
			{/if}
			<label>
				<span class="sr-only">Merge the cluster with another</span>
				<select
					class="cursor-pointer bg-transparent text-accent"
					value=""
					onchange={(event) => {
						const other = clusters.find(({ id }) => id === event.currentTarget.value);
						event.currentTarget.value = '';
						if (other)
							oncluster(
								other.name,
								[...other.members, ...cluster.members],
								`Merged “${cluster.name}” into “${other.name}”`
							);
					}}
				>
					<option value="">Merge with …</option>
					{#each clusters.filter(({ id, members: all }) => id !== cluster.id && all.length > 1) as other (other.id)}
						<option value={other.id}>{other.name} ({other.members.length})</option>
					{/each}
				</select>
			</label>
		</div>
	</section>
{/if}

<section class="border-t border-rule py-2" aria-label="Working title">
	<p class="text-ink-2">Working title, {width(working.title, 'title')}</p>
	<p class="font-serif text-[15px] italic">{working.title}</p>
	<p class="mt-1 text-ink-2">Description, {width(working.description, 'description')}</p>
	<p>{working.description}</p>
</section>

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
				{#each keyed(completions.phrases, (phrase) => phrase) as { rowKey, item: phrase } (rowKey)}<li
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
		{#each keyed(tail.found, ({ pattern }) => pattern) as { rowKey, item: { pattern, phrases } } (rowKey)}
			<details>
				<summary
					><strong>{pattern}</strong> <span class="text-ink-2">{phrases.length}</span></summary
				>
				<ul class="pl-3 font-serif">
					{#each keyed(phrases, (phrase) => phrase) as { rowKey, item: phrase } (rowKey)}<li>
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
				{#each keyed(tail.made, ({ phrase }) => phrase) as { rowKey, item: { phrase, after } } (rowKey)}<li
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

<style>
	.parts {
		display: grid;
		grid-template-columns: 1fr 76px 24px;
		gap: 3px 8px;
		align-items: center;
		margin-block: 6px;
	}
	.bar {
		height: 6px;
		background: var(--rule);
	}
	.bar i {
		display: block;
		height: 6px;
		background: var(--color-primary);
	}
</style>
