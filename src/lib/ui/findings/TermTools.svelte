<!-- Above the grid: what is shown, what is ticked, own terms, and the ways out. -->
<script lang="ts">
	import type { TermWeight } from '$lib/core/findings';
	import Choice from '../parts/Choice.svelte';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { NO_FILTER, TERM_SORTS, type TermFilter, type TermSort } from './term-rows';
	import { withRowKeys } from '../parts/row-keys';

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

	type Field = Exclude<keyof TermFilter, 'search'>;
	const choices = $derived<
		readonly {
			readonly label: string;
			readonly field: Field;
			readonly width: string;
			readonly options: readonly (readonly [value: string, name: string])[];
		}[]
	>([
		{
			label: 'Weight',
			field: 'weight',
			width: 'w-[108px]',
			options: [
				['any', 'any weight'],
				['must', 'must'],
				['should', 'should'],
				['could', 'could']
			]
		},
		{
			label: 'Place',
			field: 'place',
			width: 'w-[104px]',
			options: [
				['any', 'any place'],
				['title', 'in a title'],
				['heading', 'in a heading'],
				['opening', 'in an opening'],
				['faq', 'in an FAQ']
			]
		},
		{
			label: 'Words',
			field: 'words',
			width: 'w-[102px] max-xl:hidden',
			options: [
				['any', 'any length'],
				['1', 'one word'],
				['2', 'two words'],
				['3', 'three or more']
			]
		},
		{
			label: 'Kind',
			field: 'kind',
			width: 'w-[90px]',
			options: [
				['any', 'any kind'],
				['thing', 'things'],
				['action', 'actions'],
				['name', 'names']
			]
		},
		{
			label: 'Show',
			field: 'show',
			width: 'w-[108px]',
			options: [
				['all', 'everything'],
				['notes', 'only in notes'],
				['hand', 'by hand'],
				['struck', struck > 0 ? `struck out (${struck})` : 'struck out']
			]
		}
	]);

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
		{#each withRowKeys(choices, ({ field }) => field) as { rowKey, item: { label, field, width, options } } (rowKey)}<Choice
				{label}
				class={width}
				{options}
				value={filter[field]}
				onchange={(value) => set({ [field]: value })}
			/>{/each}
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
