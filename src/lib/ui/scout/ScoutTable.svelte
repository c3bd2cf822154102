<!-- Phrases with their figures; only the rows in sight are drawn, so 50,000 stay smooth. -->
<script lang="ts">
	import { MediaQuery } from 'svelte/reactivity';
	import {
		isWeaklyHeld,
		TITLE_LIMITS,
		type ScoutRow,
		type SortField,
		type Sorting
	} from '$lib/core/keywords';
	import { RowWindow } from '../parts/row-window.svelte';
	import { changeShown, ratioShown, volumeShown } from './format';
	import { COLUMNS, type ColumnId } from './columns';

	interface Props {
		rows: readonly ScoutRow[];
		columns: readonly ColumnId[];
		clusterOf: ReadonlyMap<string, string>;
		sorting: Sorting;
		ticked: ReadonlySet<string>;
		chosen: string | null;
		onsort: (sorting: Sorting) => void;
		ontick: (keys: ReadonlySet<string>) => void;
		onchoose: (key: string) => void;
	}
	let { rows, columns, clusterOf, sorting, ticked, chosen, onsort, ontick, onchoose }: Props =
		$props();

	const ROW_HEIGHT = 35;
	let lastTicked = $state<number | null>(null);
	const view = new RowWindow(() => rows.length, ROW_HEIGHT);

	// the phrase that was chosen before there were rows comes into sight once
	let hasShownChosen = false;
	$effect(() => {
		const at = rows.findIndex(({ key }) => key === chosen);
		if (hasShownChosen || !view.scroller || at < 0) return;
		hasShownChosen = true;
		if (at > 12) view.showInMiddle(at);
	});

	const narrow = new MediaQuery('max-width: 40rem');
	const shown = $derived(
		COLUMNS.filter(({ id, isNarrow }) => columns.includes(id) && (isNarrow || !narrow.current))
	);
	const allTicked = $derived(rows.length > 0 && rows.every(({ key }) => ticked.has(key)));
	const someTicked = $derived(!allTicked && rows.some(({ key }) => ticked.has(key)));

	function sortBy(field: SortField, startsDescending: boolean) {
		const same = sorting.field === field;
		onsort({ field, isDescending: same ? !sorting.isDescending : startsDescending });
	}

	function tick(at: number, isRange: boolean) {
		const next = new Set(ticked);
		const isOn = !ticked.has(rows[at]!.key);
		const from = isRange && lastTicked !== null ? Math.min(lastTicked, at) : at;
		const to = isRange && lastTicked !== null ? Math.max(lastTicked, at) : at;
		for (let i = from; i <= to; i++) {
			const row = rows[i];
			if (row && isOn) next.add(row.key);
			else if (row) next.delete(row.key);
		}
		lastTicked = at;
		ontick(next);
	}

	function tickAll() {
		const next = new Set(ticked);
		for (const { key } of rows) {
			if (allTicked) next.delete(key);
			else next.add(key);
		}
		ontick(next);
	}

	async function goTo(at: number) {
		const row = rows[at];
		if (!row) return;
		onchoose(row.key);
		await view.focus(at);
	}

	function onkeydown(event: KeyboardEvent, at: number) {
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const to = view.target(event.key, at);
		if (to !== undefined) {
			event.preventDefault();
			void goTo(to);
		} else if (event.key === ' ') {
			event.preventDefault();
			tick(at, event.shiftKey);
		}
	}
</script>

<!-- a scrolling region must be reachable by keyboard; it takes the keys of a row that is not drawn yet -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	bind:this={view.scroller}
	onkeydown={(event) => view.handleKey(event, onkeydown)}
	class="min-h-0 flex-1 overflow-auto"
	tabindex="0"
	role="region"
	aria-label="Phrases"
>
	<table class="grid-table" aria-rowcount={rows.length + 1}>
		<caption class="sr-only">Phrases of the lists</caption>
		<colgroup>
			<col style:width="28px" />
			{#each shown as { id, width } (id)}<col
					style:width={width === 0 ? 'auto' : `${width}px`}
				/>{/each}
		</colgroup>
		<thead>
			<tr>
				<th
					><input
						type="checkbox"
						class="checkbox checkbox-xs"
						aria-label="Tick all phrases shown"
						checked={allTicked}
						indeterminate={someTicked}
						onchange={tickAll}
					/></th
				>
				{#each shown as { id, name, title, field, isNumber, isDescending } (id)}
					<th
						class={['whitespace-nowrap', isNumber && 'text-right!']}
						aria-sort={sorting.field === field
							? sorting.isDescending
								? 'descending'
								: 'ascending'
							: undefined}
						><button onclick={() => sortBy(field, isDescending)} {title}
							>{name}{sorting.field === field ? (sorting.isDescending ? ' ↓' : ' ↑') : ''}</button
						></th
					>
				{/each}
			</tr>
		</thead>
		<tbody>
			{#if view.above > 0}<tr aria-hidden="true"
					><td class="spacer" style:height="{view.above}px" colspan={shown.length + 1}></td></tr
				>{/if}
			<!-- rows are not keyed: while scrolling the same few are filled anew, which is cheaper -->
			{#each view.items as { index }, at (at)}
				{@const row = rows[index]}
				{#if row}
					<tr
						class:chosen={row.key === chosen}
						aria-rowindex={index + 2}
						data-at={index}
						onclick={() => onchoose(row.key)}
					>
						<td
							><input
								type="checkbox"
								class="checkbox checkbox-xs"
								aria-label="Tick {row.phrase}"
								checked={ticked.has(row.key)}
								onclick={(event) => {
									event.stopPropagation();
									tick(index, event.shiftKey);
								}}
							/></td
						>
						{#each shown as { id, isNumber } (id)}
							<td class={[isNumber && 'text-right']}>
								{#if id === 'phrase'}
									<button
										class="open max-w-full truncate text-left font-serif text-[14.5px] font-medium"
										tabindex={row.key === chosen || (chosen === null && index === 0) ? 0 : -1}
										aria-current={row.key === chosen}
										onkeydown={(event) => onkeydown(event, index)}
										title={row.phrase}
										>{#if row.stale}{row.phrase.slice(0, row.stale.start)}<span
												class="stale"
												title="This year has passed">{row.stale.years}</span
											>{row.phrase.slice(row.stale.end)}{:else}{row.phrase}{/if}</button
									>
								{:else if id === 'volume'}{volumeShown(row)}
								{:else if id === 'change3m'}{changeShown(row.change3m)}
								{:else if id === 'changeYear'}{changeShown(row.changeYear)}
								{:else if id === 'ratio'}
									<span
										class:font-semibold={row.titles &&
											row.titles.ratioMax <= TITLE_LIMITS.worthRatio}
										class:text-ink-2={!row.titles || row.titles.ratioMax > TITLE_LIMITS.worthRatio}
										title={row.titles?.verdict}
										>{ratioShown(row.titles)}{#if row.titleOrigin === 'sample'}<span
												title="Title matches from the sample service">*</span
											>{/if}</span
									>
								{:else if id === 'titleMatches'}{row.titleMatches?.toLocaleString('en') ?? '–'}
								{:else if id === 'competition'}{row.competition ?? '–'}
								{:else if id === 'competitionIndex'}{row.competitionIndex ?? '–'}
								{:else if id === 'bid'}{row.bidHigh === null && row.bidLow === null
										? '–'
										: `${row.currency} ${(row.bidHigh ?? row.bidLow)!.toFixed(2)}`}
								{:else if id === 'words'}{row.words}
								{:else if id === 'weak'}
									{@const held = row.weakSpots?.filter(isWeaklyHeld)}
									<span
										class={held?.length ? 'font-semibold' : 'text-ink-2'}
										title={held
											?.map((spot) => `${spot.position}: ${spot.weaknesses.join(', ')}`)
											.join('\n')}
										>{#if !held}–{:else if held.length === 0}none{:else}{held
												.slice(0, 4)
												.map(({ position }) => position)
												.join(' ')}{held.length > 4 ? ' …' : ''}{/if}</span
									>
								{:else if id === 'intent'}{row.searchIntent}
								{:else if id === 'cluster'}<span class="block max-w-28 truncate text-ink-2"
										>{clusterOf.get(row.key) ?? '…'}</span
									>
								{:else if id === 'opening'}
									{@const { value, missing } = row.opening}
									<span class="flex items-center gap-2">
										<svg
											width="56"
											height="14"
											viewBox="0 0 56 14"
											class="max-lg:hidden"
											aria-hidden="true"
										>
											<line x1="0" x2="56" y1="10" y2="10" stroke="var(--rule)" />
											{#if value !== null}<path
													d="M{4 + 0.48 * value} 10l-4-7h8z"
													fill={missing.length === 0 ? 'var(--color-primary)' : 'none'}
													stroke="var(--color-primary)"
												/>{/if}
										</svg>
										<span
											class="w-6 text-right"
											class:font-semibold={missing.length === 0}
											class:text-ink-2={missing.length > 0}
											title={missing.length > 0
												? `not known: ${missing.length} of 4 parts`
												: undefined}>{value === null ? '–' : Math.round(value)}</span
										>
									</span>
								{/if}
							</td>
						{/each}
					</tr>
				{/if}
			{/each}
			{#if view.below > 0}<tr aria-hidden="true"
					><td class="spacer" style:height="{view.below}px" colspan={shown.length + 1}></td></tr
				>{/if}
		</tbody>
	</table>
</div>

<style>
	table {
		table-layout: fixed;
	}
	tbody tr[data-at] {
		height: 35px;
	}
	tbody tr[data-at] td {
		padding-block: 4px;
		vertical-align: middle;
		white-space: nowrap;
	}
	td.spacer {
		padding: 0;
		border: 0;
	}
	tr.chosen {
		background: var(--wash);
	}
	.stale {
		text-decoration: underline wavy var(--color-accent);
		text-underline-offset: 3px;
	}
	td {
		overflow: hidden;
	}
	.open {
		max-width: 100%;
		/* room for the wave under a passed year */
		padding-bottom: 3px;
		margin-bottom: -3px;
	}
</style>
