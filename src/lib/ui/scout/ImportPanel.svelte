<!-- Lists on their way in: what each column was taken for, and what could not be read. -->
<script lang="ts">
	import { COLUMN_MEANINGS, type ColumnMeaning } from '$lib/core/keywords';
	import { phrasesShown } from './format';
	import type { ReadingList } from './incoming';

	interface Props {
		lists: readonly ReadingList[];
		scopeName: string;
		onmeaning: (list: string, column: number, meaning: ColumnMeaning) => void;
		onbring: () => void;
		oncancel: () => void;
	}
	let { lists, scopeName, onmeaning, onbring, oncancel }: Props = $props();

	const MEANINGS: Readonly<Record<ColumnMeaning, string>> = {
		phrase: 'phrase',
		volume: 'searches a month',
		volumeMin: 'searches, least',
		volumeMax: 'searches, most',
		change3m: 'change, three months',
		changeYear: 'change, year',
		competition: 'bidding, in words',
		competitionIndex: 'competition, 0–100',
		difficulty: 'difficulty, 0–100',
		titleMatches: 'title matches',
		bidLow: 'bid, low',
		bidHigh: 'bid, high',
		currency: 'currency',
		intent: 'intent',
		cluster: 'cluster',
		other: 'kept under its name'
	};
	const DELIMITERS: Readonly<Record<string, string>> = {
		'\t': 'tabs',
		';': 'semicolons',
		',': 'commas',
		'|': 'bars',
		'': 'one phrase a line'
	};
	const ready = $derived(lists.filter(({ read }) => read.kind === 'read'));
	const count = $derived(
		ready.reduce((sum, { read }) => sum + (read.kind === 'read' ? read.list.rows.length : 0), 0)
	);
</script>

<section class="mb-3 border-y border-ink bg-sheet px-4 py-3" aria-label="Lists on their way in">
	{#each lists as { id, name, read } (id)}
		<div class="mb-3">
			<h2 class="text-base">{name}</h2>
			{#if read.kind === 'unreadable'}
				<p class="text-error" role="alert">It was not read: {read.reason}.</p>
			{:else if read.kind === 'read'}
				{@const { list, encoding } = read}
				<p class="text-ink-2">
					{phrasesShown(list.rows.length)}, {encoding}, {DELIMITERS[list.delimiter]},
					{list.headerLine === null ? 'no header' : `header on line ${list.headerLine}`}{list.above
						.length > 0
						? `, above it “${list.above.join(' · ')}”`
						: ''}{list.merged > 0 ? `; ${list.merged} repeated a phrase and were merged` : ''}.
				</p>
				<div class="mt-2 overflow-x-auto">
					<table class="grid-table">
						<caption class="sr-only">Columns of {name}</caption>
						<thead
							><tr
								>{#each list.columns as column (column.index)}<th class="max-w-40 truncate"
										>{column.name}</th
									>{/each}</tr
							></thead
						>
						<tbody>
							<tr
								>{#each list.columns as column (column.index)}<td>
										<select
											class="field w-auto! py-0.5!"
											aria-label="Meaning of {column.name}"
											value={column.meaning}
											onchange={(event) =>
												onmeaning(id, column.index, event.currentTarget.value as ColumnMeaning)}
										>
											{#each COLUMN_MEANINGS as meaning (meaning)}<option value={meaning}
													>{MEANINGS[meaning]}</option
												>{/each}
										</select>
									</td>{/each}</tr
							>
							{#each [0, 1] as sample (sample)}
								<tr
									>{#each list.columns as column (column.index)}<td
											class="max-w-40 truncate text-ink-2"
											>{column.samples[sample] ?? ''}{#if sample === 0 && column.isShare}
												<em>(read as a share: 0.22 is +22%)</em>{/if}</td
										>{/each}</tr
								>
							{/each}
						</tbody>
					</table>
				</div>
				{#if list.rejected.length > 0}
					<details class="mt-2" open={list.rejected.length <= 5}>
						<summary class="text-error"
							>{list.rejected.length === 1
								? 'One line cannot be read and stays out'
								: `${list.rejected.length} lines cannot be read and stay out`}</summary
						>
						<ul class="mt-1 max-h-40 overflow-y-auto">
							{#each list.rejected.slice(0, 500) as { line, reason, text }, i (i)}<li>
									<strong>Line {line}</strong>: {reason}. <span class="text-ink-2">{text}</span>
								</li>{/each}
						</ul>
					</details>
				{/if}
			{/if}
		</div>
	{/each}
	<div class="flex flex-wrap items-center gap-2">
		{#if ready.length > 0}<button class="act chief" onclick={onbring}
				>Bring in {phrasesShown(count)}</button
			>{/if}
		<button class="act" onclick={oncancel}>{ready.length > 0 ? 'Leave them' : 'Close'}</button>
		{#if ready.length > 0}<span class="text-ink-2">They join the lists of {scopeName}.</span>{/if}
	</div>
</section>
