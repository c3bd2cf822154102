<!-- Conditions on the rows: one is added at a time, and sets of them can be kept under a name. -->
<script lang="ts">
	import {
		COMPETITION_LEVELS,
		INTENTS,
		type CompetitionLevel,
		type Filter,
		type Intent,
		type NumberField,
		type SavedFilter
	} from '$lib/core/keywords';
	import Popup from '../parts/Popup.svelte';
	import { describeFilter, NUMBER_NAMES } from './filter-names';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		filters: readonly Filter[];
		saved: readonly SavedFilter[];
		/** Names of clusters with more than one phrase. */
		clusters: readonly string[];
		onfilters: (filters: readonly Filter[]) => void;
		onsaved: (saved: readonly SavedFilter[]) => void;
	}
	let { filters, saved, clusters, onfilters, onsaved }: Props = $props();

	let open = $state(false);
	let openSaved = $state(false);
	let text = $state('');
	let isWithout = $state(false);
	let field = $state<NumberField>('volume');
	let bound = $state<'least' | 'most'>('most');
	let value = $state('250');
	let cluster = $state('');
	let name = $state('');

	const number = $derived(Number(value.replace(/,/g, '')));

	function add(filter: Filter) {
		// a second bound of the same kind takes the place of the first
		const rest = filters.filter(
			(other) =>
				!(
					other.kind === filter.kind &&
					(other.kind !== 'number' ||
						(filter.kind === 'number' &&
							other.field === filter.field &&
							other.bound === filter.bound)) &&
					other.kind !== 'text'
				)
		);
		onfilters([...rest, filter]);
		open = false;
	}

	function toggled<T>(all: readonly T[], one: T): T[] {
		return all.includes(one) ? all.filter((other) => other !== one) : [...all, one];
	}
	const intents = $derived(
		filters.flatMap((filter) => (filter.kind === 'intent' ? filter.intents : []))
	);
	const levels = $derived(
		filters.flatMap((filter) => (filter.kind === 'competition' ? filter.levels : []))
	);

	function setIntents(next: Intent[]) {
		const rest = filters.filter(({ kind }) => kind !== 'intent');
		onfilters(next.length === 0 ? rest : [...rest, { kind: 'intent', intents: next }]);
	}
	function setLevels(next: CompetitionLevel[]) {
		const rest = filters.filter(({ kind }) => kind !== 'competition');
		onfilters(next.length === 0 ? rest : [...rest, { kind: 'competition', levels: next }]);
	}

	function save(event: SubmitEvent) {
		event.preventDefault();
		const plain = name.trim();
		if (plain === '' || filters.length === 0) return;
		onsaved([...saved.filter((other) => other.name !== plain), { name: plain, filters }]);
		name = '';
	}
</script>

{#each filters as filter, i (i)}
	<button
		class="act"
		title="Take this condition away"
		onclick={() => onfilters(filters.filter((_, at) => at !== i))}
		>{describeFilter(filter)} <span aria-hidden="true">×</span></button
	>
{/each}
<Popup label="Add a filter" width="21rem" bind:open>
	<form
		class="flex gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			if (text.trim() !== '') add({ kind: 'text', text: text.trim(), isWithout });
			text = '';
		}}
	>
		<select class="field w-auto!" bind:value={isWithout} aria-label="With or without">
			<option value={false}>with</option>
			<option value={true}>without</option>
		</select>
		<input class="field" bind:value={text} placeholder="words" aria-label="Words of the phrase" />
		<button class="act">Add</button>
	</form>
	<form
		class="mt-2 flex gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			if (Number.isFinite(number) && value.trim() !== '')
				add({ kind: 'number', field, bound, value: number });
		}}
	>
		<select class="field" bind:value={field} aria-label="Figure">
			{#each Object.entries(NUMBER_NAMES) as [id, label] (id)}<option value={id}>{label}</option
				>{/each}
		</select>
		<select class="field w-14!" bind:value={bound} aria-label="At most or at least">
			<option value="most">≤</option>
			<option value="least">≥</option>
		</select>
		<input class="field w-20!" bind:value inputmode="decimal" aria-label="Bound" />
		<button class="act">Add</button>
	</form>
	<fieldset class="mt-3">
		<legend class="text-ink-2">Intent</legend>
		<div class="flex flex-wrap gap-x-3">
			{#each INTENTS as intent (intent)}<label class="flex items-center gap-1"
					><input
						type="checkbox"
						class="checkbox checkbox-xs"
						checked={intents.includes(intent)}
						onchange={() => setIntents(toggled(intents, intent))}
					/>{intent}</label
				>{/each}
		</div>
	</fieldset>
	<fieldset class="mt-2">
		<legend class="text-ink-2">Bidding</legend>
		<div class="flex gap-x-3">
			{#each COMPETITION_LEVELS as level (level)}<label class="flex items-center gap-1"
					><input
						type="checkbox"
						class="checkbox checkbox-xs"
						checked={levels.includes(level)}
						onchange={() => setLevels(toggled(levels, level))}
					/>{level}</label
				>{/each}
		</div>
	</fieldset>
	<label class="mt-2 block"
		><span class="text-ink-2">Cluster</span>
		<select
			class="field"
			bind:value={cluster}
			onchange={() => {
				if (cluster !== '') add({ kind: 'cluster', names: [cluster] });
				cluster = '';
			}}
		>
			<option value="">any</option>
			{#each clusters as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
	<p class="mt-2 flex flex-wrap gap-x-3">
		<button class="linkish" onclick={() => add({ kind: 'weak' })}>with a weak spot</button>
		<button class="linkish" onclick={() => add({ kind: 'stale' })}>with a passed year</button>
		<button class="linkish" onclick={() => add({ kind: 'question' })}>asked as a question</button>
	</p>
</Popup>
<Popup label="Kept filters" width="17rem" bind:open={openSaved}>
	{#if saved.length === 0}<p class="text-ink-2">None is kept yet.</p>{/if}
	<ul>
		{#each withRowKeys(saved, (one) => one.name) as { rowKey, item: one } (rowKey)}
			<li class="flex gap-2">
				<button
					class="min-w-0 flex-1 truncate text-left hover:underline"
					title={one.filters.map(describeFilter).join(', ')}
					onclick={() => {
						onfilters(one.filters);
						openSaved = false;
					}}>{one.name}</button
				>
				<button
					class="linkish"
					aria-label="Forget the filter {one.name}"
					onclick={() => onsaved(saved.filter((other) => other !== one))}>Forget</button
				>
			</li>
		{/each}
	</ul>
	{#if filters.length > 0}
		<form class="mt-2 flex gap-2 border-t border-rule pt-2" onsubmit={save}>
			<input class="field" bind:value={name} placeholder="Name" aria-label="Name of the filter" />
			<button class="act whitespace-nowrap">Keep these</button>
		</form>
	{/if}
</Popup>
