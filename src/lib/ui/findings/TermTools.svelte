<!-- Above the grid: what is shown, what is ticked, own terms, and the ways out. -->
<script lang="ts">
	import type { TermWeight } from '$lib/core/findings';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { NO_FILTER, TERM_SORTS, type TermFilter, type TermSort } from './term-rows';

	interface Props {
		filter: TermFilter;
		sort: TermSort;
		/** Phrases of the ticked rows; the first is what the others are merged into. */
		ticked: readonly string[];
		struck: number;
		onfilter: (filter: TermFilter) => void;
		onsort: (sort: TermSort) => void;
		onadd: (phrase: string) => void;
		onmerge: () => void;
		onstrike: () => void;
		onweigh: (weight: TermWeight) => void;
		onuntick: () => void;
		oncopy: (form: 'commas' | 'lines' | 'markdown') => void;
		onexport: () => void;
	}
	let {
		filter,
		sort,
		ticked,
		struck,
		onfilter,
		onsort,
		onadd,
		onmerge,
		onstrike,
		onweigh,
		onuntick,
		oncopy,
		onexport
	}: Props = $props();

	let own = $state('');
	const set = (change: Partial<TermFilter>) => onfilter({ ...filter, ...change });
	const isFiltered = $derived(JSON.stringify(filter) !== JSON.stringify(NO_FILTER));

	function add(event: SubmitEvent, close: () => void) {
		event.preventDefault();
		const phrase = own.trim();
		if (!/\p{L}/u.test(phrase)) return;
		onadd(phrase);
		own = '';
		close();
	}
</script>

{#if ticked.length > 0}
	<div class="flex flex-wrap items-center gap-2 pb-2" role="group" aria-label="Ticked terms">
		<strong>{ticked.length} ticked</strong>
		<button class="act" disabled={ticked.length < 2} onclick={onmerge}
			>{ticked.length < 2 ? 'Merge' : `Count as “${ticked[0]}”`}</button
		>
		{#each ['must', 'should', 'could'] as const as weight (weight)}<button
				class="act"
				onclick={() => onweigh(weight)}>{weight}</button
			>{/each}
		<button class="act" onclick={onstrike}
			>{filter.show === 'struck' ? 'Bring back' : 'Strike out'}</button
		>
		<button class="linkish" onclick={onuntick}>Untick</button>
	</div>
{:else}
	<div class="flex flex-wrap items-center gap-2 pb-2">
		<input
			class="field w-26"
			type="search"
			placeholder="Find a term"
			aria-label="Find a term"
			value={filter.search}
			oninput={(event) => set({ search: event.currentTarget.value })}
		/>
		<select
			class="field w-[108px]"
			aria-label="Weight"
			value={filter.weight}
			onchange={(event) => set({ weight: event.currentTarget.value as TermFilter['weight'] })}
		>
			<option value="any">any weight</option>
			<option value="must">must</option>
			<option value="should">should</option>
			<option value="could">could</option>
		</select>
		<select
			class="field w-[104px]"
			aria-label="Place"
			value={filter.place}
			onchange={(event) => set({ place: event.currentTarget.value as TermFilter['place'] })}
		>
			<option value="any">any place</option>
			<option value="title">in a title</option>
			<option value="heading">in a heading</option>
			<option value="opening">in an opening</option>
			<option value="faq">in an FAQ</option>
		</select>
		<select
			class="field w-[102px] max-xl:hidden"
			aria-label="Words"
			value={filter.words}
			onchange={(event) => set({ words: event.currentTarget.value as TermFilter['words'] })}
		>
			<option value="any">any length</option>
			<option value="1">one word</option>
			<option value="2">two words</option>
			<option value="3">three or more</option>
		</select>
		<select
			class="field w-[90px]"
			aria-label="Kind"
			value={filter.kind}
			onchange={(event) => set({ kind: event.currentTarget.value as TermFilter['kind'] })}
		>
			<option value="any">any kind</option>
			<option value="thing">things</option>
			<option value="action">actions</option>
			<option value="name">names</option>
		</select>
		<select
			class="field w-[108px]"
			aria-label="Show"
			value={filter.show}
			onchange={(event) => set({ show: event.currentTarget.value as TermFilter['show'] })}
		>
			<option value="all">everything</option>
			<option value="notes">only in notes</option>
			<option value="hand">by hand</option>
			<option value="struck">struck out{struck > 0 ? ` (${struck})` : ''}</option>
		</select>
		{#if isFiltered}<button class="linkish" onclick={() => onfilter(NO_FILTER)}>Reset</button>{/if}
		<span class="ml-auto flex items-center gap-2">
			<Popup label="Sort" width="210px">
				{#snippet children(close: () => void)}
					<MenuItems
						onclose={close}
						items={TERM_SORTS.map(
							({ id, name }) => [`${name}${id === sort ? ' ✓' : ''}`, () => onsort(id)] as const
						)}
					/>
				{/snippet}
			</Popup>
			<Popup label="Add" width="260px">
				{#snippet children(close: () => void)}
					<form class="flex gap-2" onsubmit={(event) => add(event, close)}>
						<input
							class="field min-w-0 flex-1"
							aria-label="A term of your own"
							placeholder="A term of your own"
							bind:value={own}
						/>
						<button class="act">Add</button>
					</form>
				{/snippet}
			</Popup>
			<Popup label="Copy" width="200px">
				{#snippet children(close: () => void)}
					<MenuItems
						onclose={close}
						items={[
							['with commas', () => oncopy('commas')],
							['as lines', () => oncopy('lines')],
							['as a Markdown table', () => oncopy('markdown')],
							['Export as CSV', onexport]
						]}
					/>
				{/snippet}
			</Popup>
		</span>
	</div>
{/if}
