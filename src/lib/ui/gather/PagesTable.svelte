<!-- The gathered pages: what each is, how it fits, and whether it counts. -->
<script lang="ts">
	import { isQuestion } from '$lib/core/reading';
	import { keptBlocksOf, textOf, type AlikePage } from '$lib/core/pages';
	import { countWords } from '$lib/core/text';
	import type { AwaitedPage, Page } from '$lib/data/db';

	interface Props {
		pages: readonly Page[];
		awaited: readonly AwaitedPage[];
		alike: ReadonlyMap<string, AlikePage>;
		letters: ReadonlyMap<string, string>;
		chosen: string | null;
		onchoose: (id: string) => void;
		ontoggle: (page: Page) => void;
		/** Asks again for pages that have not come in. */
		onretry: (rows: readonly AwaitedPage[]) => void;
		ongiveup: (rows: readonly AwaitedPage[]) => void;
	}
	let { pages, awaited, alike, letters, chosen, onchoose, ontoggle, onretry, ongiveup }: Props =
		$props();

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
		{ id: 'asks', name: 'Asks', title: 'Questions asked', of: (row: Row) => -row.asks },
		{
			id: 'date',
			name: 'Date',
			title: 'Date of the last change',
			of: (row: Row) => (dateOf(row.page) ? -Date.parse(dateOf(row.page)) || 0 : 1)
		},
		{
			id: 'rank',
			name: 'Rank',
			title: 'Rank in the list of results',
			of: (row: Row) => row.page.result?.position ?? 999
		},
		{
			id: 'state',
			name: 'Counts',
			title: 'Counted or set aside',
			of: (row: Row) => (row.page.counted ? 0 : 1)
		}
	] as const;
	const hasRanks = $derived(pages.some(({ result }) => result !== null));
	const columns = $derived(COLUMNS.filter(({ id }) => id !== 'rank' || hasRanks));

	const ORIGINS: Readonly<Record<Page['origin'], string>> = {
		file: 'from a file',
		paste: 'pasted',
		text: 'from text',
		address: 'by address'
	};

	function dateOf({ article }: Page): string {
		return (article.modified || article.published).slice(0, 10);
	}

	/** "2025-09-02" as "Sep 2025"; what is no date stays as it is. */
	function shortDate(date: string): string {
		const [year, month] = date.split('-').map(Number);
		if (!year || !month) return date.slice(0, 7);
		const name = new Date(Date.UTC(year, month - 1)).toLocaleString('en', {
			month: 'short',
			timeZone: 'UTC'
		});
		return `${name} ${year}`;
	}

	function reasonsOf(page: Page): string {
		const other = alike.get(page.id);
		const twin = other && pages.find(({ id }) => id === other.id);
		const repeats = twin
			? [
					`${Math.round(other.likeness * 100)} of 100 parts of it stand in ${letters.get(twin.id) ?? `“${twin.article.title}”`} too`
				]
			: [];
		return [...repeats, ...page.judgement.reasons].slice(0, 2).join('; ');
	}
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
				{#each columns as { id, name, title } (id)}
					<th
						aria-sort={sort === id ? (isReversed ? 'descending' : 'ascending') : undefined}
						class:text-right={['words', 'headings', 'asks', 'rank', 'state'].includes(id)}
						class:max-sm:hidden={['kind', 'headings', 'asks', 'date', 'rank'].includes(id)}
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
						<span class="text-xs text-ink-2"
							>{page.article.siteName || page.name} · {ORIGINS[page.origin]}</span
						>
						{#if reasonsOf(page)}<span class="text-xs text-plum"> · {reasonsOf(page)}</span>{/if}
					</td>
					<td class="max-sm:hidden">{page.judgement.kind}</td>
					<td class="w-14"
						><span class="fit" title="{page.judgement.fit} of 100"
							><i style:width="{page.judgement.fit}%"></i></span
						><span class="sr-only">{page.judgement.fit} of 100</span></td
					>
					<td class="text-right">{row.words.toLocaleString('en')}</td>
					<td class="text-right max-sm:hidden">{row.headings}</td>
					<td class="text-right max-sm:hidden">{row.asks}</td>
					<td
						class="whitespace-nowrap max-sm:hidden"
						title="{page.article.published
							? `published ${page.article.published.slice(0, 10)}`
							: ''}{page.article.modified ? ` changed ${page.article.modified.slice(0, 10)}` : ''}"
						>{shortDate(dateOf(page))}</td
					>
					{#if hasRanks}<td
							class="text-right max-sm:hidden"
							title={page.result?.strength == null ? '' : `strength ${page.result.strength} of 100`}
							>{page.result?.position ?? ''}{#if page.result?.strength != null}<span class="sr-only"
									>, strength {page.result.strength}</span
								>{/if}</td
						>{/if}
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
			{#each awaited as row (row.id)}
				<tr class="aside">
					<td>–</td>
					<td class="min-w-0" colspan={columns.length - 2}>
						<span class="block truncate font-serif text-[15px]">{row.title || row.address}</span>
						<span class="text-xs break-all text-ink-2">{row.address}</span>
						<span class="text-xs text-error"> · has not come in: {row.reason}</span>
					</td>
					<td class="w-20 text-right">
						<button
							class="linkish"
							aria-label="Try again: {row.title || row.address}"
							onclick={() => onretry([row])}>Try again</button
						>
						<button
							class="linkish"
							aria-label="Take out: {row.title || row.address}"
							onclick={() => ongiveup([row])}>Take out</button
						>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if awaited.length > 1}
		<p class="py-2">
			<button class="linkish" onclick={() => onretry(awaited)}
				>Try all {awaited.length} again</button
			>
			<button class="linkish ml-4" onclick={() => ongiveup(awaited)}>Take all of them out</button>
		</p>
	{/if}
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
		width: 42px;
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
