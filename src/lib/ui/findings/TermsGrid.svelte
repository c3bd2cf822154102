<!-- Term × page: how often and where each page uses each term. -->
<script lang="ts">
	import type { Findings, Term, TermWeight } from '$lib/core/findings';
	import { termStateOf } from '$lib/core/takes';
	import { toast } from 'svelte-sonner';
	import StateMark from '../parts/StateMark.svelte';

	interface Props {
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		/** Uses in our take by term key; null without a take. */
		ours: ReadonlyMap<string, number> | null;
		chosen: string | null;
		onchoose: (key: string) => void;
	}
	let { findings, letters, ours, chosen, onchoose }: Props = $props();

	type Sort = 'rank' | 'phrase' | 'pages' | 'opening';
	let sort = $state<Sort>('rank');
	let weight = $state<TermWeight | 'all'>('all');
	let search = $state('');
	let body = $state<HTMLElement>();

	const pages = $derived(
		[...letters]
			.map(([id, letter]) => ({ id, letter }))
			.filter(({ id }) => findings.pages.some((page) => page.id === id))
	);
	const rows = $derived.by(() => {
		const wanted = search.trim().toLowerCase();
		const kept = findings.terms.filter(
			(term) =>
				(weight === 'all' || term.weight === weight) && term.phrase.toLowerCase().includes(wanted)
		);
		if (sort === 'phrase') return kept.toSorted((a, b) => (a.phrase < b.phrase ? -1 : 1));
		if (sort === 'pages') return kept.toSorted((a, b) => b.uses.length - a.uses.length);
		if (sort === 'opening') return kept.toSorted((a, b) => b.places.opening - a.places.opening);
		return kept;
	});
	// a rate at the top of what is usual fills the cell; the square root keeps rare uses visible
	const most = $derived(
		Math.max(1, ...findings.terms.flatMap(({ uses }) => uses.map(({ rate }) => rate)))
	);

	function use(term: Term, page: string) {
		return term.uses.find((other) => other.page === page);
	}

	function rangeText({ min, max }: Term): string {
		return min === max ? String(min) : `${min}–${max}`;
	}

	async function copy(form: 'commas' | 'lines' | 'markdown') {
		const phrases = rows.map(({ phrase }) => phrase);
		const text =
			form === 'commas'
				? phrases.join(', ')
				: form === 'lines'
					? phrases.join('\n')
					: [
							'| term | weight | wanted | pages |',
							'| --- | --- | --- | --- |',
							...rows.map(
								(term) =>
									`| ${term.phrase} | ${term.weight} | ${rangeText(term)} | ${term.uses.length} |`
							)
						].join('\n');
		await navigator.clipboard.writeText(text);
		toast(`Copied ${phrases.length} terms.`);
	}

	function onkeydown(event: KeyboardEvent, at: number) {
		const to = event.key === 'ArrowDown' ? at + 1 : event.key === 'ArrowUp' ? at - 1 : null;
		if (to === null || !rows[to]) return;
		event.preventDefault();
		onchoose(rows[to].key);
		body?.querySelectorAll<HTMLButtonElement>('button.open')[to]?.focus();
	}
</script>

<div class="flex flex-wrap items-center gap-2 pb-2">
	<input
		class="field max-w-44"
		type="search"
		placeholder="Find a term"
		aria-label="Find a term"
		bind:value={search}
	/>
	<select class="field w-auto" bind:value={weight} aria-label="Weight">
		<option value="all">every weight</option>
		<option value="must">must</option>
		<option value="should">should</option>
		<option value="could">could</option>
	</select>
	<details class="relative">
		<summary class="act list-none">Copy ▾</summary>
		<div class="absolute z-10 mt-1 flex flex-col border border-ink bg-base-100 py-1">
			<button
				class="px-3 py-1 text-left whitespace-nowrap hover:bg-wash"
				onclick={() => void copy('commas')}>with commas</button
			>
			<button
				class="px-3 py-1 text-left whitespace-nowrap hover:bg-wash"
				onclick={() => void copy('lines')}>as lines</button
			>
			<button
				class="px-3 py-1 text-left whitespace-nowrap hover:bg-wash"
				onclick={() => void copy('markdown')}>as a Markdown table</button
			>
		</div>
	</details>
	<p class="ml-auto text-xs text-ink-2 max-sm:hidden">
		bar: uses per 1,000 words <span class="line"></span> in a heading <span class="ring"></span> in the
		opening
	</p>
</div>

<!-- a scrolling region must be reachable by keyboard -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
	class="min-h-0 flex-1 overflow-auto pb-4"
	tabindex="0"
	role="region"
	aria-label="Terms by page"
>
	<table class="grid-table">
		<caption class="sr-only">Terms and how each page uses them</caption>
		<thead>
			<tr>
				<th
					><button onclick={() => (sort = sort === 'phrase' ? 'rank' : 'phrase')}
						>Term{sort === 'phrase' ? ' ↓' : ''}</button
					></th
				>
				<th><button onclick={() => (sort = 'rank')}>Weight{sort === 'rank' ? ' ↓' : ''}</button></th
				>
				<th>Wanted</th>
				<th
					><button onclick={() => (sort = sort === 'pages' ? 'rank' : 'pages')}
						>Pages{sort === 'pages' ? ' ↓' : ''}</button
					></th
				>
				{#each pages as { id, letter } (id)}<th
						class="cell max-md:hidden"
						title={findings.pages.find((page) => page.id === id)?.title}>{letter}</th
					>{/each}
				{#if ours}<th>Ours</th>{/if}
			</tr>
		</thead>
		<tbody bind:this={body}>
			{#each rows as term, i (term.key)}
				<tr class:chosen={term.key === chosen} onclick={() => onchoose(term.key)}>
					<td
						><button
							class="open text-left font-serif text-[15px] leading-tight font-medium"
							aria-current={term.key === chosen}
							onclick={() => onchoose(term.key)}
							onkeydown={(event) => onkeydown(event, i)}>{term.phrase}</button
						></td
					>
					<td class="text-ink-2">{term.weight}</td>
					<td class="whitespace-nowrap text-ink-2">{rangeText(term)}</td>
					<td class="whitespace-nowrap text-ink-2">{term.uses.length} of {findings.pages.length}</td
					>
					{#each pages as { id, letter } (id)}
						{@const on = use(term, id)}
						<td class="cell max-md:hidden">
							{#if on}
								{@const width = Math.max(8, 100 * Math.sqrt(on.rate / most))}
								<span
									class="uses"
									title="{letter}: {on.count} uses, {on.rate.toFixed(1)} per 1,000 words{on.h1 ||
									on.h2 ||
									on.h3 ||
									on.title
										? ', in a heading'
										: ''}{on.opening ? ', in the opening' : ''}"
								>
									{#if on.title || on.h1 || on.h2 || on.h3}<i class="head" style:width="{width}%"
										></i>{/if}
									<i class="bar" style:width="{width}%"></i>
									{#if on.opening}<i class="open-ring"></i>{/if}
								</span>
								<span class="sr-only">{on.count}</span>
							{/if}
						</td>
					{/each}
					{#if ours}<td
							><StateMark state={termStateOf(ours.get(term.key) ?? 0, term.min, term.max)} /></td
						>{/if}
				</tr>
			{:else}
				<tr><td colspan="20" class="text-ink-2">No term is called that.</td></tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	td {
		padding-block: 4px;
	}
	tr.chosen td {
		background: var(--wash);
	}
	.cell {
		width: 60px;
	}
	.uses {
		position: relative;
		display: block;
		width: 50px;
		height: 15px;
	}
	.bar,
	.head {
		position: absolute;
		left: 0;
		display: block;
	}
	.bar {
		top: 7px;
		height: 6px;
		background: color-mix(in oklab, var(--color-primary) 80%, var(--color-base-100));
	}
	.head {
		top: 2px;
		height: 2px;
		background: var(--color-accent);
	}
	.open-ring {
		position: absolute;
		right: -6px;
		top: 7px;
		width: 6px;
		height: 6px;
		border: 1.3px solid var(--color-secondary);
		border-radius: 50%;
	}
	.line {
		display: inline-block;
		width: 10px;
		height: 2px;
		vertical-align: 4px;
		background: var(--color-accent);
		margin-left: 6px;
	}
	.ring {
		display: inline-block;
		width: 6px;
		height: 6px;
		border: 1.3px solid var(--color-secondary);
		border-radius: 50%;
		margin-left: 6px;
	}
</style>
