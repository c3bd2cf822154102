<!-- Term × page: how often and where each page uses each term. Only the rows in sight are drawn. -->
<script lang="ts">
	import { MediaQuery } from 'svelte/reactivity';
	import type { Findings, Term, TermWeight } from '$lib/core/findings';
	import { termStateOf } from '$lib/core/standing';
	import { RowWindow } from '../parts/row-window.svelte';
	import StateMark from '../parts/StateMark.svelte';
	import { toggled } from './group-list.svelte';
	import { wantedShown, type TermRow, type TermSort } from './term-rows';

	interface Props {
		findings: Findings;
		rows: readonly TermRow[];
		letters: ReadonlyMap<string, string>;
		/** Uses in our take by term key; null without a take. */
		ours: ReadonlyMap<string, number> | null;
		sort: TermSort;
		ticked: ReadonlySet<string>;
		chosen: string | null;
		onsort: (sort: TermSort) => void;
		ontick: (keys: ReadonlySet<string>) => void;
		onchoose: (key: string) => void;
		/** Strikes a row out, or brings it back. */
		onstrike: (row: TermRow) => void;
		onpin: (row: TermRow) => void;
		onweigh: (row: TermRow, weight: TermWeight) => void;
	}
	let {
		findings,
		rows,
		letters,
		ours,
		sort,
		ticked,
		chosen,
		onsort,
		ontick,
		onchoose,
		onstrike,
		onpin,
		onweigh
	}: Props = $props();

	const ROW_HEIGHT = 31;
	const WEIGHT_KEYS: Readonly<Record<string, TermWeight>> = { 1: 'must', 2: 'should', 3: 'could' };
	const view = new RowWindow(() => rows.length, ROW_HEIGHT);

	const narrow = new MediaQuery('max-width: 48rem');
	const pages = $derived(
		narrow.current
			? []
			: [...letters]
					.map(([id, letter]) => ({ id, letter }))
					.filter(({ id }) => findings.pages.some((page) => page.id === id))
	);
	const columns = $derived(5 + pages.length + (ours ? 1 : 0));
	const cellWidth = $derived(pages.length > 14 ? 24 : pages.length > 10 ? 40 : 54);
	// a rate at the top of what is usual fills the cell; the square root keeps rare uses visible
	const most = $derived(
		Math.max(1, ...findings.terms.flatMap(({ uses }) => uses.map(({ rate }) => rate)))
	);

	/** Uses of each term by page; the cells in sight ask again and again. */
	const usesOf = $derived(
		new Map(rows.map(({ term }) => [term, new Map(term.uses.map((on) => [on.page, on]))]))
	);

	function use(term: Term, page: string) {
		return usesOf.get(term)?.get(page);
	}

	async function goTo(at: number) {
		const row = rows[at];
		if (!row) return;
		onchoose(row.term.key);
		await view.focus(at);
	}

	function onkeydown(event: KeyboardEvent, at: number) {
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const row = rows[at]!;
		const to = view.target(event.key, at);
		const weight = WEIGHT_KEYS[event.key];
		if (to !== undefined) void goTo(to);
		else if (event.key === ' ') ontick(toggled(ticked, row.term.key));
		else if (event.key === 'x' || event.key === 'Delete') onstrike(row);
		else if (event.key === 'p') onpin(row);
		else if (weight) onweigh(row, weight);
		else return;
		event.preventDefault();
	}
</script>

{#snippet sortHead(id: TermSort, name: string, title: string)}
	<th aria-sort={sort === id ? (id === 'phrase' ? 'ascending' : 'descending') : undefined}
		><button {title} onclick={() => onsort(sort === id ? 'rank' : id)}
			>{name}{sort === id ? ' ↓' : ''}</button
		></th
	>
{/snippet}

<!-- a scrolling region must be reachable by keyboard; it takes the keys of a row that is not drawn yet -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	bind:this={view.scroller}
	onkeydown={(event) => view.handleKey(event, onkeydown)}
	class="min-h-0 flex-1 overflow-auto"
	tabindex="0"
	role="region"
	aria-label="Terms by page"
>
	<table class="grid-table" aria-rowcount={rows.length + 1} style:--cell="{cellWidth}px">
		<caption class="sr-only">Terms and how each page uses them</caption>
		<colgroup>
			<col style:width="26px" />
			<col />
			<col style:width="64px" />
			<col style:width="64px" />
			<col style:width={narrow.current ? '60px' : '68px'} />
			{#each pages as { id } (id)}<col style:width="{cellWidth}px" />{/each}
			{#if ours}<col style:width="46px" />{/if}
		</colgroup>
		<thead>
			<tr>
				<th><span class="sr-only">Ticked</span></th>
				{@render sortHead('phrase', 'Term', 'By the alphabet')}
				{@render sortHead('weight', 'Weight', 'Must, should, could')}
				{@render sortHead('wanted', 'Wanted', 'Uses for our length')}
				{@render sortHead('pages', 'Pages', 'Pages that use it')}
				{#each pages as { id, letter } (id)}<th
						class="cell"
						title={findings.pages.find((page) => page.id === id)?.title}>{letter}</th
					>{/each}
				{#if ours}<th>Ours</th>{/if}
			</tr>
		</thead>
		<tbody>
			{#if view.above > 0}<tr aria-hidden="true"
					><td class="spacer" style:height="{view.above}px" colspan={columns}></td></tr
				>{/if}
			<!-- keyed by row: a step of scrolling draws the rows that come into sight and leaves the others -->
			{#each view.items as { index } (index)}
				{@const row = rows[index]}
				{#if row}
					{@const { term, state } = row}
					<tr
						class:chosen={term.key === chosen}
						class:struck={state === 'struck'}
						aria-rowindex={index + 2}
						data-at={index}
						onclick={() => onchoose(term.key)}
					>
						<td
							><input
								type="checkbox"
								class="checkbox checkbox-xs"
								aria-label="Tick {term.phrase}"
								checked={ticked.has(term.key)}
								onclick={(event) => {
									event.stopPropagation();
									ontick(toggled(ticked, term.key));
								}}
							/></td
						>
						<td
							><span class="flex items-baseline gap-1.5"
								><button
									class="open min-w-0 truncate text-left font-serif text-[15px] leading-tight font-medium"
									tabindex={term.key === chosen ? 0 : -1}
									aria-current={term.key === chosen}
									title={term.phrase}
									onclick={() => onchoose(term.key)}
									onkeydown={(event) => onkeydown(event, index)}>{term.phrase}</button
								>{#if term.variants.length > 0}<span
										class="sign"
										title="counts {term.variants.join(', ')} as well">+{term.variants.length}</span
									>{/if}{#if term.isPinned}<span class="sign" title="pinned">pinned</span
									>{/if}{#if term.isOwn}<span class="sign" title="added by hand">yours</span
									>{/if}{#if state === 'note'}<span class="sign">only notes</span>{/if}</span
							></td
						>
						<td class="text-ink-2">
							{state === 'note' ? '–' : term.weight}
							{#if term.isSet}<span title="set by hand" aria-label="set by hand">*</span>{/if}
						</td>
						<td class="text-ink-2">{wantedShown(term)}</td>
						<td class="text-ink-2">{term.uses.length} of {findings.pages.length}</td>
						{#each pages as { id, letter } (id)}
							{@const on = use(term, id)}
							{#if on}
								{@const inHeading = on.title || on.h1 || on.h2 || on.h3}
								<td
									class="cell"
									class:head={inHeading}
									class:open-ring={on.opening}
									style:--w="{Math.max(0.1, Math.sqrt(on.rate / most)) * (cellWidth - 11)}px"
									title="{letter}: {on.count} {on.count === 1 ? 'use' : 'uses'}, {on.rate.toFixed(
										1
									)} per 1,000 words{inHeading ? ', in a heading' : ''}{on.opening
										? ', in the opening'
										: ''}">{on.count}</td
								>
							{:else}<td></td>{/if}
						{/each}
						{#if ours}<td
								><StateMark state={termStateOf(ours.get(term.key) ?? 0, term.min, term.max)} /></td
							>{/if}
					</tr>
				{/if}
			{/each}
			{#if view.below > 0}<tr aria-hidden="true"
					><td class="spacer" style:height="{view.below}px" colspan={columns}></td></tr
				>{/if}
		</tbody>
	</table>
	{#if rows.length === 0}<p class="py-3 text-ink-2">No term fits the filter.</p>{/if}
</div>

<style>
	table {
		table-layout: fixed;
		min-width: 430px;
	}
	tbody tr[data-at] {
		height: 31px;
	}
	tbody tr[data-at] td {
		padding-block: 3px;
		vertical-align: middle;
		white-space: nowrap;
		overflow: hidden;
	}
	td.spacer {
		padding: 0;
		border: 0;
	}
	tr.chosen td {
		background-color: var(--wash);
	}
	tr.struck .open {
		text-decoration: line-through;
	}
	.sign {
		flex: none;
		font-size: 10.5px;
		color: var(--ink-2);
	}
	/* a cell is drawn as its own background, so that twenty pages by forty rows stay light to lay out */
	.cell {
		--bar: linear-gradient(
			color-mix(in oklab, var(--color-primary) 80%, var(--color-base-100)) 0 0
		);
		--line: none;
		--ring: none;
		padding: 0;
		font-size: 0;
		background:
			var(--bar) 0 15px / var(--w) 6px no-repeat,
			var(--line) 0 10px / var(--w) 2px no-repeat,
			var(--ring) right 4px top 14.5px / 8px 8px no-repeat;
	}
	th.cell {
		font-size: inherit;
		background: none;
	}
	.cell.head {
		--line: linear-gradient(var(--color-accent) 0 0);
	}
	.cell.open-ring {
		--ring: radial-gradient(
			circle,
			transparent 1.9px,
			var(--color-secondary) 2.2px 3.1px,
			transparent 3.5px
		);
	}
</style>
