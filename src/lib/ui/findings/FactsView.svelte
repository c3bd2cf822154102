<!-- Figures that can be checked: those of the same quantity together, with spread, conflict, age and origin. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { type Fact, type FactGroup, type FactValue, type Findings } from '$lib/core/findings';
	import { writeCsv } from '$lib/core/keywords';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import Choice from '../parts/Choice.svelte';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { unitSystem } from '../frame/measures';
	import { alsoShown, rangeShown, valueShown } from './figures';
	import { GroupList } from './group-list.svelte';
	import GroupTools from './GroupTools.svelte';
	import TickedBar from './TickedBar.svelte';
	import OpenPage from './OpenPage.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		findings: Findings;
	}
	let { findings }: Props = $props();

	const session = useSession();
	const letters = $derived(session.letters);
	type Show = 'shared' | 'differs' | 'once' | 'notes' | 'named' | 'struck';
	let show = $state<Show>('shared');
	let search = $state('');
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
	const nameOf = (group: FactGroup) =>
		group.label || factOf.get(group.values[0]!.fact)?.heading || 'a figure';
	const list = new GroupList<FactGroup>({
		session,
		edits: 'figures',
		noun: 'figures',
		entries: () => groups,
		refsOf: ({ values }) => values.map(({ ref }) => ref),
		nameOf
	});
	const obstacle = $derived(
		new Set(list.tickedEntries.map(({ dimension }) => dimension)).size > 1
			? 'Only figures of one kind can be merged: lengths with lengths, money with money.'
			: ''
	);

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
		mixed: 'they vary',
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

{#snippet also(said: string)}
	{#if said !== ''}<small class="block text-xs font-normal text-ink-2">{said}</small>{/if}
{/snippet}

<div class="flex flex-wrap items-center gap-2 py-2">
	{#if list.tickedEntries.length > 0}
		<TickedBar {list} {obstacle} />
	{:else}
		<input
			class="field w-40"
			type="search"
			placeholder="Find a fact"
			aria-label="Find a fact"
			bind:value={search}
		/>
		<Choice
			label="Facts shown"
			value={show}
			options={[
				['shared', 'given by several sources'],
				['differs', 'where sources differ'],
				['once', 'given by one source'],
				['notes', 'only in your notes'],
				['named', 'naming a body, law or standard'],
				[
					'struck',
					findings.struck.figures.length > 0
						? `struck out (${findings.struck.figures.length})`
						: 'struck out'
				]
			]}
			onchange={(value) => ((show = value), (most = STEP))}
		/>
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
			{#each withRowKeys(named.slice(0, most), (fact) => fact.id) as { rowKey, item: fact } (rowKey)}
				<li class="flex gap-3 border-b border-rule py-1.5">
					<span class="w-24 flex-none text-xs">{@render source(fact)}</span>
					<span class="min-w-0">{@render sentence(fact, fact.names[0] ?? '')}</span>
				</li>
			{:else}
				<li class="py-3 text-ink-2">No sentence names a body, law or standard.</li>
			{/each}
		</ul>
	{:else}
		<ul bind:this={list.element} aria-label="Figures, those of most sources first">
			{#each withRowKeys( shown.slice(0, most), (group) => list.keyOf(group) ) as { rowKey, item: group }, at (rowKey)}
				{@const isOpen = list.isOpen(group)}
				{@const first = factOf.get(group.values[0]!.fact)}
				<li class="border-b border-rule py-1.5" class:struck={show === 'struck'}>
					<div class="flex items-baseline gap-3">
						<input
							type="checkbox"
							class="checkbox self-center checkbox-xs"
							aria-label="Tick {nameOf(group)}, {rangeShown(group)}"
							checked={list.isTicked(group)}
							onchange={() => list.tick(group)}
						/>
						<button
							class="open min-w-0 flex-1 truncate text-left font-serif text-[15px] font-medium"
							aria-expanded={isOpen}
							onclick={() => list.toggleOpen(group)}
							onkeydown={(event) => list.onkeydown(event, at, group, show === 'struck')}
							>{group.label || first?.text || nameOf(group)}</button
						>
						<span class="w-32 text-right font-semibold"
							>{rangeShown(group)}{@render also(alsoShown(group, group, unitSystem()))}</span
						>
						<span class="strip max-lg:hidden" aria-hidden="true">
							{#if group.sources.length > 1}{#each withRowKeys(group.values, (value) => value.ref) as { rowKey, item: value } (rowKey)}{@const place =
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
								{#each withRowKeys(group.values, (value) => value.ref) as { rowKey, item: value } (rowKey)}
									{@const fact = factOf.get(value.fact)!}
									{@const age = ageOf(fact)}
									<li class="flex items-baseline gap-3 py-0.5">
										<input
											type="checkbox"
											class="checkbox self-center checkbox-xs"
											aria-label="Tick {valueShown(value, group)} of {sourceOf(fact)}"
											checked={list.parting.has(value.ref)}
											onchange={() => list.tickPart(value.ref)}
										/>
										<span class="w-24 flex-none text-right"
											>{valueShown(value, group)}{@render also(
												alsoShown(value, group, unitSystem())
											)}</span
										>
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
							<GroupTools
								{list}
								entry={group}
								parts="figures"
								naming={group.values.length > 1 ? 'What it is a figure of' : undefined}
								isStruck={show === 'struck'}
							/>
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
