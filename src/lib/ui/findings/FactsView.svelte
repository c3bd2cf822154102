<!-- Figures that can be checked: those of the same quantity together, with spread, conflict, age and origin. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import {
		joinGroups,
		nameGroup,
		partGroup,
		strikeGroup,
		type Fact,
		type FactGroup,
		type FactValue,
		type Findings,
		type GroupEdits
	} from '$lib/core/findings';
	import { writeCsv } from '$lib/core/keywords';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { rangeShown, valueShown } from './figures';
	import { onListKey, toggled } from './list-keys';
	import OpenPage from './OpenPage.svelte';

	interface Props {
		findings: Findings;
	}
	let { findings }: Props = $props();

	const session = useSession();
	const letters = $derived(session.letters);
	type Show = 'shared' | 'differs' | 'once' | 'notes' | 'named' | 'struck';
	let show = $state<Show>('shared');
	let search = $state('');
	let open = $state<string | null>(null);
	let ticked = $state.raw<ReadonlySet<string>>(new Set());
	let parting = $state.raw<ReadonlySet<string>>(new Set());
	let list = $state<HTMLElement>();
	/** More rows are drawn when asked for: a long list of single figures is seldom read to its end. */
	const STEP = 80;
	let most = $state(STEP);

	const factOf = $derived(new Map(findings.facts.map((fact) => [fact.id, fact])));
	const groups = $derived(show === 'struck' ? findings.struck.figures : findings.figures);
	const fits = (group: FactGroup) => {
		switch (show) {
			case 'shared':
				return group.sources.length > 1;
			case 'differs':
				return group.agreement === 'differs';
			case 'once':
				return group.sources.length === 1;
			case 'notes':
				return group.onlyNotes;
			default:
				return true;
		}
	};
	const wanted = $derived(search.trim().toLowerCase());
	const shown = $derived(
		show === 'named'
			? []
			: groups.filter(
					(group) =>
						fits(group) &&
						(wanted === '' ||
							group.label.toLowerCase().includes(wanted) ||
							group.values.some(({ fact }) =>
								factOf.get(fact)?.text.toLowerCase().includes(wanted)
							))
				)
	);
	/** Sentences that name a body, law or standard. */
	const named = $derived(
		show === 'named'
			? findings.facts.filter(
					({ names, text }) => names.length > 0 && text.toLowerCase().includes(wanted)
				)
			: []
	);
	const tickedGroups = $derived(groups.filter(({ id }) => ticked.has(id)));

	const refsOf = ({ values }: FactGroup) => values.map(({ ref }) => ref);
	const nameOf = (group: FactGroup) =>
		group.label || factOf.get(group.values[0]!.fact)?.heading || 'a figure';

	function edit(label: string, change: (figures: GroupEdits) => GroupEdits) {
		void session.edit(label, (edits) => ({ ...edits, figures: change(edits.figures) }));
		ticked = new Set();
		parting = new Set();
	}

	function merge() {
		const [first, ...others] = tickedGroups;
		if (!first || others.length === 0) return;
		const [main, sets] = [refsOf(first), others.map(refsOf)];
		edit(`Merged ${tickedGroups.length} figures`, (figures) =>
			sets.reduce((changed, refs) => joinGroups(changed, main, refs), figures)
		);
	}

	const isMergeable = $derived(
		new Set(tickedGroups.map(({ dimension }) => dimension)).size === 1 && tickedGroups.length > 1
	);

	function part(group: FactGroup) {
		const out = refsOf(group).filter((ref) => parting.has(ref));
		const rest = refsOf(group).filter((ref) => !parting.has(ref));
		if (out.length === 0 || rest.length === 0) return;
		edit(`Split “${nameOf(group)}”`, (figures) => partGroup(figures, out, rest));
	}

	function strike(group: FactGroup) {
		const refs = refsOf(group);
		const isStruck = show !== 'struck';
		edit(`${isStruck ? 'Struck out' : 'Brought back'} “${nameOf(group)}”`, (figures) =>
			strikeGroup(figures, refs, isStruck)
		);
	}

	/** Places of a group's values on its strip, 0–100. */
	function placeOf({ low, high }: FactValue, group: FactGroup): { left: number; width: number } {
		const span = group.high - group.low;
		if (span <= 0) return { left: 50, width: 0 };
		return {
			left: (100 * (low - group.low)) / span,
			width: (100 * (high - low)) / span
		};
	}

	function sourceOf(fact: Fact): string {
		const letter = letters.get(fact.source);
		if (letter) return letter;
		const time = session.timeOf(fact.source, fact.text);
		return `${session.nameOf(fact.source)}${time ? `, ${time}` : ''}`;
	}

	const thisYear = new Date().getFullYear();
	const ageOf = ({ year }: Fact) => (year === null ? null : thisYear - year);

	const SAID: Record<FactGroup['agreement'], string> = {
		differs: 'they differ',
		agrees: 'they agree',
		alone: 'one source'
	};

	async function copy() {
		const lines = shown.flatMap((group) =>
			group.values.map(({ fact }) => {
				const of = factOf.get(fact)!;
				return `- ${of.text} (${sourceOf(of)})`;
			})
		);
		await navigator.clipboard.writeText([...new Set(lines)].join('\n'));
		toast(`Copied ${new Set(lines).size} facts.`);
	}

	function exportCsv() {
		const rows = shown.flatMap((group) =>
			group.values.map((value) => {
				const fact = factOf.get(value.fact)!;
				return [
					nameOf(group),
					valueShown(value, group),
					String(value.low),
					String(value.high),
					group.unit,
					group.per,
					group.agreement,
					fact.origin,
					sourceOf(fact),
					fact.year === null ? '' : String(fact.year),
					fact.heading,
					fact.text
				];
			})
		);
		download(
			'facts.csv',
			writeCsv([
				[
					'figure of',
					'value',
					'low',
					'high',
					'unit',
					'per',
					'agreement',
					'origin',
					'source',
					'year',
					'section',
					'sentence'
				],
				...rows
			]),
			'text/csv'
		);
	}
</script>

<div class="flex flex-wrap items-center gap-2 py-2">
	{#if ticked.size > 0}
		<strong>{ticked.size} ticked</strong>
		<button class="act" disabled={!isMergeable} onclick={merge}>Merge</button>
		{#if ticked.size > 1 && !isMergeable}<span class="text-ink-2"
				>Only figures of one kind can be merged: lengths with lengths, money with money.</span
			>{/if}
		<button class="linkish" onclick={() => (ticked = new Set())}>Untick</button>
	{:else}
		<input
			class="field w-40"
			type="search"
			placeholder="Find a fact"
			aria-label="Find a fact"
			bind:value={search}
		/>
		<select
			class="field w-auto"
			aria-label="Facts shown"
			bind:value={show}
			onchange={() => (most = STEP)}
		>
			<option value="shared">given by several sources</option>
			<option value="differs">where sources differ</option>
			<option value="once">given by one source</option>
			<option value="notes">only in your notes</option>
			<option value="named">naming a body, law or standard</option>
			<option value="struck"
				>struck out{findings.struck.figures.length > 0
					? ` (${findings.struck.figures.length})`
					: ''}</option
			>
		</select>
		<span class="ml-auto flex items-center gap-2">
			<span class="text-xs text-ink-2" role="status"
				>{show === 'named' ? `${named.length} sentences` : `${shown.length} figures`}</span
			>
			<Popup label="Copy" width="190px">
				{#snippet children(close: () => void)}
					<MenuItems
						onclose={close}
						items={[
							['Sentences with source', () => void copy()],
							['Export as CSV', exportCsv]
						]}
					/>
				{/snippet}
			</Popup>
		</span>
	{/if}
</div>
{#snippet sentence(fact: Fact, mark: string)}
	{@const at = mark === '' ? -1 : fact.text.indexOf(mark)}
	<span class="font-serif"
		>{#if at < 0}{fact.text}{:else}{fact.text.slice(0, at)}<mark>{mark}</mark>{fact.text.slice(
				at + mark.length
			)}{/if}</span
	>
{/snippet}
{#snippet source(fact: Fact)}
	{#if letters.has(fact.source)}<OpenPage
			page={fact.source}
			says={fact.text}
			label={sourceOf(fact)}
		/>{:else}<span class="note block truncate" title={sourceOf(fact)}>{sourceOf(fact)}</span>{/if}
{/snippet}
<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	{#if show === 'named'}
		<ul aria-label="Sentences that name a body, law or standard">
			{#each named.slice(0, most) as fact (fact.id)}
				<li class="flex gap-3 border-b border-rule py-1.5">
					<span class="w-24 flex-none text-xs">{@render source(fact)}</span>
					<span class="min-w-0">{@render sentence(fact, fact.names[0] ?? '')}</span>
				</li>
			{:else}
				<li class="py-3 text-ink-2">No sentence names a body, law or standard.</li>
			{/each}
		</ul>
	{:else}
		<ul bind:this={list} aria-label="Figures, those of most sources first">
			{#each shown.slice(0, most) as group, at (group.id)}
				{@const isOpen = open === group.id}
				{@const first = factOf.get(group.values[0]!.fact)}
				<li class="border-b border-rule py-1.5" class:struck={show === 'struck'}>
					<div class="flex items-baseline gap-3">
						<input
							type="checkbox"
							class="checkbox self-center checkbox-xs"
							aria-label="Tick {nameOf(group)}, {rangeShown(group)}"
							checked={ticked.has(group.id)}
							onchange={() => (ticked = toggled(ticked, group.id))}
						/>
						<button
							class="open min-w-0 flex-1 truncate text-left font-serif text-[15px] font-medium"
							aria-expanded={isOpen}
							onclick={() => ((open = isOpen ? null : group.id), (parting = new Set()))}
							onkeydown={(event) =>
								onListKey(event, list, at, {
									tick: () => (ticked = toggled(ticked, group.id)),
									strike: () => strike(group)
								})}>{group.label || first?.text || nameOf(group)}</button
						>
						<span class="w-32 text-right font-semibold">{rangeShown(group)}</span>
						<span class="strip max-lg:hidden" aria-hidden="true">
							{#if group.sources.length > 1}{#each group.values as value (value.ref)}{@const place =
										placeOf(value, group)}<i
										class:range={place.width > 0}
										class:own={value.origin === 'note'}
										style:left="{place.left}%"
										style:width={place.width > 0 ? `${place.width}%` : undefined}
									></i>{/each}{/if}
						</span>
						<span
							class="w-24 text-ink-2 max-sm:hidden"
							class:differs={group.agreement === 'differs'}
							>{group.onlyNotes ? 'only notes' : SAID[group.agreement]}</span
						>
						<span class="w-24 text-xs tracking-wide text-ink-2 max-md:hidden"
							>{group.sources
								.map((id) => letters.get(id) ?? session.noteSigns.get(id) ?? '')
								.sort()
								.join(' ')}</span
						>
					</div>
					{#if isOpen}
						<div class="pt-1 pb-2 pl-7">
							<ul>
								{#each group.values as value (value.ref)}
									{@const fact = factOf.get(value.fact)!}
									{@const age = ageOf(fact)}
									<li class="flex items-baseline gap-3 py-0.5">
										<input
											type="checkbox"
											class="checkbox self-center checkbox-xs"
											aria-label="Tick {valueShown(value, group)} of {sourceOf(fact)}"
											checked={parting.has(value.ref)}
											onchange={() => (parting = toggled(parting, value.ref))}
										/>
										<span class="w-24 flex-none text-right">{valueShown(value, group)}</span>
										<span class="w-28 flex-none text-xs">{@render source(fact)}</span>
										<span class="min-w-0 flex-1"
											>{@render sentence(fact, fact.quantities[value.quantity]?.text ?? '')}</span
										>
										<span class="w-20 flex-none text-right text-xs text-ink-2 max-md:hidden"
											>{age === null
												? ''
												: age >= 3
													? `${fact.year}, ${age} years old`
													: fact.year}</span
										>
									</li>
								{/each}
							</ul>
							<p class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
								{#if group.values.length > 1}<button
										class="linkish"
										disabled={parting.size === 0 || parting.size === group.values.length}
										onclick={() => part(group)}
										>{parting.size === 0
											? 'Tick figures to split them off'
											: `Split off ${parting.size}`}</button
									>{/if}
								<button class="linkish" onclick={() => strike(group)}
									>{show === 'struck' ? 'Bring back' : 'Strike out'}</button
								>
							</p>
							{#if group.values.length > 1}
								<form
									class="mt-2 flex max-w-sm gap-2"
									onsubmit={(event) => {
										event.preventDefault();
										const name = new FormData(event.currentTarget).get('name');
										const refs = refsOf(group);
										if (typeof name === 'string')
											edit(`Named a figure “${name.trim()}”`, (figures) =>
												nameGroup(figures, refs, name)
											);
									}}
								>
									<input
										class="field min-w-0 flex-1"
										name="name"
										maxlength="200"
										aria-label="What it is a figure of"
										value={group.label}
									/><button class="act">Rename</button>
								</form>
							{/if}
						</div>
					{/if}
				</li>
			{:else}
				<li class="py-3 text-ink-2">
					{show === 'differs' ? 'Nowhere do two sources differ.' : 'No figure fits the filter.'}
				</li>
			{/each}
		</ul>
	{/if}
	{#if Math.max(shown.length, named.length) > most}
		<button class="act mt-3" onclick={() => (most += STEP)}
			>Show {Math.min(STEP, Math.max(shown.length, named.length) - most)} more</button
		>
	{/if}
</div>

<style>
	.strip {
		position: relative;
		width: 150px;
		height: 10px;
		border-bottom: 1px solid var(--rule);
	}
	.strip i {
		position: absolute;
		bottom: 1px;
		width: 7px;
		height: 7px;
		margin-left: -3.5px;
		border-radius: 50%;
		background: var(--color-primary);
	}
	.strip i.range {
		height: 5px;
		min-width: 3px;
		margin-left: 0;
		border-radius: 0;
		opacity: 0.5;
	}
	.strip i.own {
		background: transparent;
		border: 1.4px solid var(--color-secondary);
	}
	.differs {
		color: var(--color-accent);
		font-weight: 600;
	}
	.note {
		color: var(--color-secondary);
	}
	.struck .open {
		text-decoration: line-through;
	}
	mark {
		background: var(--mark);
		color: inherit;
		padding: 0 1px;
	}
</style>
