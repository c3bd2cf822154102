<!-- The gathered pages: what each is, how it fits, and whether it counts. -->
<script lang="ts">
	import { isQuestion } from '$lib/core/findings';
	import { keptBlocksOf, textOf } from '$lib/core/pages';
	import { countWords } from '$lib/core/text';
	import type { Page } from '$lib/data/db';

	interface Props {
		pages: readonly Page[];
		letters: ReadonlyMap<string, string>;
		chosen: string | null;
		onchoose: (id: string) => void;
		ontoggle: (page: Page) => void;
	}
	let { pages, letters, chosen, onchoose, ontoggle }: Props = $props();

	interface Row {
		page: Page;
		words: number;
		headings: number;
		asks: number;
	}
	const sized = new WeakMap<Page, Row>();
	function rowOf(page: Page): Row {
		let row = sized.get(page);
		if (!row) {
			const blocks = keptBlocksOf(page.article, page.struck);
			row = {
				page,
				words: blocks.reduce((sum, block) => sum + countWords(textOf(block)), 0),
				headings: blocks.filter(({ kind }) => kind === 'heading' || kind === 'answer').length,
				asks: blocks.filter(
					(block) => block.kind === 'answer' || (block.kind === 'heading' && isQuestion(block.text))
				).length
			};
			sized.set(page, row);
		}
		return row;
	}

	const COLUMNS = [
		{ id: 'order', name: '', title: 'Order of arrival', of: (row: Row) => row.page.order },
		{
			id: 'title',
			name: 'Page',
			title: 'Title',
			of: (row: Row) => row.page.article.title.toLowerCase()
		},
		{ id: 'kind', name: 'Kind', title: 'Kind of page', of: (row: Row) => row.page.judgement.kind },
		{
			id: 'fit',
			name: 'Fit',
			title: 'Fit to the keyword, 0 to 100',
			of: (row: Row) => -row.page.judgement.fit
		},
		{ id: 'words', name: 'Words', title: 'Words kept', of: (row: Row) => -row.words },
		{ id: 'headings', name: 'Headings', title: 'Headings', of: (row: Row) => -row.headings },
		{ id: 'asks', name: 'Asks', title: 'Questions asked', of: (row: Row) => -row.asks }
	] as const;
	let sort = $state<(typeof COLUMNS)[number]['id']>('order');
	let isReversed = $state(false);

	const rows = $derived.by(() => {
		const column = COLUMNS.find(({ id }) => id === sort)!;
		const sorted = pages.map(rowOf).sort((a, b) => {
			const [x, y] = [column.of(a), column.of(b)];
			return (x < y ? -1 : x > y ? 1 : a.page.order - b.page.order) * (isReversed ? -1 : 1);
		});
		return sorted;
	});

	function sortBy(id: typeof sort) {
		isReversed = sort === id && !isReversed;
		sort = id;
	}

	function onkeydown(event: KeyboardEvent, index: number) {
		const to = event.key === 'ArrowDown' ? index + 1 : event.key === 'ArrowUp' ? index - 1 : null;
		if (to !== null) {
			event.preventDefault();
			const buttons = (event.currentTarget as HTMLElement)
				.closest('tbody')!
				.querySelectorAll<HTMLButtonElement>('button.open');
			buttons[to]?.focus();
			if (rows[to]) onchoose(rows[to].page.id);
		} else if (event.key === ' ') {
			event.preventDefault();
			ontoggle(rows[index]!.page);
		}
	}
</script>

<div class="min-h-0 flex-1 overflow-auto pb-6">
	<table class="grid-table">
		<caption class="sr-only">Gathered pages</caption>
		<thead>
			<tr>
				{#each COLUMNS as { id, name, title } (id)}
					<th
						aria-sort={sort === id ? (isReversed ? 'descending' : 'ascending') : undefined}
						class:text-right={['words', 'headings', 'asks'].includes(id)}
						class:max-sm:hidden={['kind', 'headings', 'asks'].includes(id)}
					>
						<button onclick={() => sortBy(id)} {title} aria-label="Sort by {title.toLowerCase()}"
							>{name}{#if !name}<span class="sr-only">Letter</span>↓{/if}{sort === id &&
							id !== 'order'
								? isReversed
									? ' ↑'
									: ' ↓'
								: ''}</button
						>
					</th>
				{/each}
				<th><span class="sr-only">Counted or set aside</span></th>
			</tr>
		</thead>
		<tbody>
			{#each rows as row, i (row.page.id)}
				{@const { page } = row}
				<tr
					class:chosen={page.id === chosen}
					class:aside={!page.counted}
					onclick={() => onchoose(page.id)}
				>
					<td class="w-6 font-semibold">{letters.get(page.id) ?? '–'}</td>
					<td class="min-w-0">
						<button
							class="open block w-full text-left font-serif text-[15px] leading-snug font-medium"
							onkeydown={(event) => onkeydown(event, i)}
							onclick={() => onchoose(page.id)}>{page.article.title || page.name}</button
						>
						<span class="text-xs text-ink-2">{page.article.siteName || page.name}</span>
						{#if page.judgement.reasons.length > 0}<span class="text-xs text-plum">
								· {page.judgement.reasons.slice(0, 2).join('; ')}</span
							>{/if}
					</td>
					<td class="max-sm:hidden">{page.judgement.kind}</td>
					<td class="w-20"
						><span class="fit" title="{page.judgement.fit} of 100"
							><i style:width="{page.judgement.fit}%"></i></span
						><span class="sr-only">{page.judgement.fit} of 100</span></td
					>
					<td class="text-right">{row.words.toLocaleString('en')}</td>
					<td class="text-right max-sm:hidden">{row.headings}</td>
					<td class="text-right max-sm:hidden">{row.asks}</td>
					<td class="w-20 text-right">
						<button
							class="state {page.counted ? 'text-secondary' : 'text-plum'}"
							aria-pressed={page.counted}
							aria-label="{page.article.title}: {page.counted
								? 'counted. Set aside'
								: 'set aside. Count it'}"
							onclick={(event) => {
								event.stopPropagation();
								ontoggle(page);
							}}>{page.counted ? 'counted' : 'set aside'}</button
						>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	tr.chosen td {
		background: var(--wash);
	}
	tr.aside td:not(:last-child) {
		color: var(--ink-2);
	}
	.fit {
		display: block;
		width: 50px;
		height: 4px;
		margin-top: 9px;
		background: var(--rule);
	}
	.fit i {
		display: block;
		height: 100%;
		background: var(--color-primary);
	}
	.state:hover {
		text-decoration: underline;
	}
</style>
