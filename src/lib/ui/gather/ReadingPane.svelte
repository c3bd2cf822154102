<!-- A page as it will be counted: its article, what was dropped on demand, blocks to strike out. -->
<script lang="ts">
	import HowLink from '../parts/HowLink.svelte';
	import {
		fitPartsOf,
		keptBlocksOf,
		ruleFor,
		siteOf,
		struckBy,
		textOf,
		type TextFrom
	} from '$lib/core/pages';
	import { countWords, hasForeignLetters } from '$lib/core/text';
	import type { Page } from '$lib/data/db';
	import { analysis, type PageBrings } from '$lib/workers/client';
	import BlockView from './BlockView.svelte';
	import LettersBox from './LettersBox.svelte';
	import { countOf } from '../parts/count-of';

	interface Props {
		page: Page;
		keyword: string;
		/** All pages, for striking out what is alike on the same site. */
		pages: readonly Page[];
		letter: string | null;
		/** A sentence to open the page at, where another stage asks for it. */
		says?: string | null;
		onstrike: (struck: number[]) => void;
		/** Strikes out everything like a block on the pages of this site. */
		onstrikelike: (at: number) => void;
		onremove: () => void;
		ontoggle: () => void;
		/** Starts a take from what counts of the page. */
		ontake: () => void;
		/** Reads the page again from this source; gives the reason where that fails. */
		onread: (source: string) => Promise<string | null>;
	}
	let {
		page,
		keyword,
		pages,
		letter,
		says = null,
		onstrike,
		onstrikelike,
		onremove,
		ontoggle,
		ontake,
		onread
	}: Props = $props();
	let showsDropped = $state(false);
	let shows = $state<'article' | 'outline' | 'brings'>('article');
	let brings = $state.raw<PageBrings | null>(null);
	let lastStruck = $state<number | null>(null);
	let list = $state<HTMLElement>();
	let inHand = $state(0);

	const turned = $derived(new Set(page.struck));
	/** What told where the text is, in words. */
	const TEXT_FROM: Readonly<Record<TextFrom, string>> = {
		library: 'around what the readability library kept',
		marked:
			'in the part that the page itself marks as its article: the library found less than half of it',
		prose: 'in the part with most of the prose: neither the library nor the page tells where it is',
		data: 'mostly from the data that the page carries for machines: it shows less of it'
	};
	const isKept = (i: number) => (page.article.blocks[i]!.dropped === null) !== turned.has(i);
	const keptText = $derived(
		keptBlocksOf(page.article, page.struck)
			.map((block) => textOf(block))
			.join('\n')
	);
	const kept = $derived(countWords(keptText));
	const all = $derived(
		page.article.blocks.reduce((sum, { block }) => sum + countWords(textOf(block)), 0)
	);
	const outline = $derived(
		page.article.blocks.flatMap(({ block }, i) =>
			isKept(i) && (block.kind === 'heading' || block.kind === 'answer')
				? [
						block.kind === 'heading'
							? { at: i, level: block.level, text: block.text }
							: { at: i, level: 4, text: block.question }
					]
				: []
		)
	);
	/** Blocks that would go with the one struck last. */
	const alike = $derived.by(() => {
		if (lastStruck === null || !turned.has(lastStruck)) return 0;
		const rule = ruleFor(page.article, lastStruck);
		if (!rule) return 0;
		return pages.reduce((sum, { article, struck }) => {
			const gone = new Set(struck);
			return sum + struckBy(rule, article).filter((i) => !gone.has(i)).length;
		}, 0);
	});

	/** The block that says what was asked for; −1 when none does. */
	const saidAt = $derived.by(() => {
		if (!says) return -1;
		const holds = (text: string) =>
			page.article.blocks.findIndex(({ block }, i) => isKept(i) && textOf(block).includes(text));
		const whole = holds(says);
		// a row of a table is quoted with points between its cells
		return whole >= 0 ? whole : holds(says.split(' · ')[0]!);
	});
	$effect(() => {
		if (saidAt >= 0 && list) goTo(saidAt);
	});

	const id = $derived(page.id);
	// another page, not another state of this one
	$effect(() => {
		void id;
		brings = null;
		lastStruck = null;
		inHand = 0;
	});
	$effect(() => {
		if (shows !== 'brings') return;
		const { article, struck, sign, name } = page;
		let isLeft = false;
		void analysis
			.brings({
				id,
				name,
				sign,
				article: $state.snapshot(article) as Page['article'],
				struck: [...struck]
			})
			.then((found) => {
				if (!isLeft) brings = found;
			});
		return () => (isLeft = true);
	});

	function toggle(at: number) {
		const struck = turned.has(at)
			? page.struck.filter((i) => i !== at)
			: [...page.struck, at].sort((a, b) => a - b);
		lastStruck = page.article.blocks[at]!.dropped === null && !turned.has(at) ? at : null;
		onstrike(struck);
	}

	/** Scrolls the pane and nothing around it. */
	function scrollTo(row: HTMLElement) {
		let pane = row.parentElement;
		while (pane && !/auto|scroll/.test(getComputedStyle(pane).overflowY)) pane = pane.parentElement;
		if (!pane) return;
		pane.scrollTop += row.getBoundingClientRect().top - pane.getBoundingClientRect().top - 16;
	}

	function goTo(at: number) {
		shows = 'article';
		inHand = at;
		requestAnimationFrame(() => {
			const row = list?.querySelector<HTMLElement>(`[data-at="${at}"]`);
			if (!row) return;
			scrollTo(row);
			row.focus({ preventScroll: true });
		});
	}

	function onkeydown(event: KeyboardEvent, at: number) {
		const rows = [...(list?.querySelectorAll<HTMLElement>('[data-at]') ?? [])];
		const here = rows.findIndex((row) => row.dataset.at === String(at));
		const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		if (step !== 0) {
			event.preventDefault();
			const next = rows[here + step];
			if (next) {
				inHand = Number(next.dataset.at);
				next.focus();
			}
		} else if (event.key === 'x' || event.key === 'Delete' || event.key === 'Backspace') {
			event.preventDefault();
			toggle(at);
		} else if (event.key === 'X' && page.article.blocks[at]!.dropped === null) {
			event.preventDefault();
			onstrikelike(at);
		}
	}
	const nameOf = (at: number) => textOf(page.article.blocks[at]!.block).slice(0, 40) || 'an image';
</script>

<header class="mb-3">
	<h1 class="text-xl leading-snug">{page.article.title || page.name}</h1>
	<p class="mt-1 text-xs text-ink-2">
		{#if letter}<strong>{letter}</strong> ·
		{/if}{page.article.siteName || page.name} · {kept.toLocaleString('en')} words kept, {(
			all - kept
		).toLocaleString('en')} dropped{page.article.author ? ` · ${page.article.author}` : ''}{page
			.article.published
			? ` · ${page.article.published.slice(0, 10)}`
			: ''}{page.article.modified && page.article.modified !== page.article.published
			? ` · changed ${page.article.modified.slice(0, 10)}`
			: ''}{page.result
			? ` · rank ${page.result.position}${page.result.strength === null ? '' : `, strength ${page.result.strength}`}${page.result.kind ? `, listed as ${page.result.kind}` : ''}`
			: ''}
	</p>
	{#if page.address}<p class="mt-1 text-xs break-all text-ink-2">
			<a
				class="underline decoration-rule underline-offset-2"
				href={page.address}
				target="_blank"
				rel="external noreferrer noopener">{page.address}</a
			>
		</p>{/if}
	<dl class="mt-1 text-xs text-ink-2">
		{#if page.article.titleTag}<div>
				<dt class="inline font-semibold">Title tag</dt>
				<dd class="inline">{page.article.titleTag} · {page.article.titleTag.length} characters</dd>
			</div>{/if}
		{#if page.article.textFrom}<div>
				<dt class="inline font-semibold">Text</dt>
				<dd class="inline">{TEXT_FROM[page.article.textFrom]}</dd>
			</div>{/if}
		<div>
			<dt class="inline font-semibold">Kind</dt>
			<dd class="inline">
				{page.judgement.kind}{page.judgement.reasons.length > 0
					? `: ${page.judgement.reasons.join('; ')}`
					: ': nothing speaks for another'}
			</dd>
		</div>
		<div>
			<dt class="inline font-semibold">Fit</dt>
			<dd class="inline">
				{page.judgement.fit} of 100: {fitPartsOf(page.article, keyword)
					.map(({ said, points, most }) => `${said} (${Math.round(points)} of ${most})`)
					.join('; ')} · <HowLink to="kind-of-page-and-fit" of="the fit" />
			</dd>
		</div>
		<div>
			<dt class="inline font-semibold">Description</dt>
			<dd class="inline">
				{page.article.description
					? `${page.article.description} · ${page.article.description.length} characters`
					: 'none'}
			</dd>
		</div>
	</dl>
	<p class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
		<button class="linkish" onclick={ontoggle}>{page.counted ? 'Set aside' : 'Count it'}</button>
		<button
			class="linkish"
			aria-pressed={shows === 'outline'}
			onclick={() => (shows = shows === 'outline' ? 'article' : 'outline')}
			>{shows === 'outline' ? 'Show the article' : 'Outline'}</button
		>
		<button
			class="linkish"
			aria-pressed={shows === 'brings'}
			onclick={() => (shows = shows === 'brings' ? 'article' : 'brings')}
			>{shows === 'brings' ? 'Show the article' : 'Facts and questions'}</button
		>
		<button
			class="linkish"
			aria-pressed={showsDropped}
			onclick={() => ((showsDropped = !showsDropped), (shows = 'article'))}
			>{showsDropped ? 'Hide what was dropped' : 'Show what was dropped'}</button
		>
		<button
			class="linkish"
			title="For an article that is yours or your client’s: its text becomes a take in Write"
			onclick={ontake}>Start a take from it</button
		>
		<button class="linkish" onclick={onremove}>Take it out</button>
	</p>
	{#if hasForeignLetters(keptText)}
		{#key `${page.id} ${page.sign}`}<LettersBox page={page.id} text={keptText} {onread} />{/key}
	{/if}
	{#if alike > 0 && lastStruck !== null}
		<p class="mt-2 border-l-2 border-accent pl-2 text-[13px]" role="status">
			Struck out. {alike === 1 ? 'One block' : `${alike} blocks`} like it on {siteOf(page.article)}
			{alike === 1 ? 'stands' : 'stand'} still.
			<button class="linkish" onclick={() => onstrikelike(lastStruck!)}
				>Strike everything like this on this site</button
			>
		</p>
	{/if}
</header>

{#if shows === 'outline'}
	{#if outline.length === 0}
		<p class="text-ink-2">No heading was found on this page.</p>
	{:else}
		<ol class="outline-list" aria-label="Outline">
			{#each outline as { at, level, text } (at)}
				<li style:padding-left="{(level - 1) * 16}px">
					<button class="text-left hover:underline" onclick={() => goTo(at)}
						><span class="text-xs font-semibold text-ink-2"
							>{page.article.blocks[at]!.block.kind === 'answer' ? '?' : `H${level}`}</span
						>
						{text}</button
					>
				</li>
			{/each}
		</ol>
	{/if}
{:else if shows === 'brings'}
	{#if brings === null}
		<p class="text-ink-2" role="status">Reading facts and questions…</p>
	{:else}
		<h2 class="font-sans text-xs">Questions {brings.questions.length}</h2>
		<ul class="reading mb-3 list-disc pl-5">
			{#each brings.questions as question, i (i)}<li>{question}</li>{:else}<li class="text-ink-2">
					none
				</li>{/each}
		</ul>
		<h2 class="font-sans text-xs">Facts {brings.facts.length}</h2>
		<ul class="reading list-disc pl-5">
			{#each brings.facts as fact, i (i)}<li class="mb-1">{fact}</li>{:else}<li class="text-ink-2">
					none
				</li>{/each}
		</ul>
	{/if}
{:else}
	<div
		class="reading"
		role="list"
		aria-label="Blocks of the page. Arrow keys move, x strikes out or brings back"
		bind:this={list}
	>
		{#each page.article.blocks as { block, dropped }, i (i)}
			{#if dropped === null || turned.has(i) || showsDropped}
				<!-- a block is struck out by key where it stands, so it takes the focus like an entry of a grid -->
				<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
				<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
				<div
					class="row"
					class:struck={!isKept(i)}
					class:dropped={dropped !== null && !isKept(i)}
					class:said={i === saidAt}
					role="listitem"
					data-at={i}
					tabindex={i === inHand ? 0 : -1}
					onfocus={() => (inHand = i)}
					onkeydown={(event) => onkeydown(event, i)}
				>
					<button
						class="strike"
						tabindex="-1"
						onclick={() => toggle(i)}
						aria-label={isKept(i) ? `Strike out: ${nameOf(i)}` : `Bring back: ${nameOf(i)}`}
						title={isKept(i) ? 'Strike out' : 'Bring back'}>{isKept(i) ? '×' : '↺'}</button
					>
					{#if dropped !== null && !isKept(i)}
						<p class="why">{dropped}, {countOf(countWords(textOf(block)), 'word')}</p>
					{/if}
					<BlockView {block} />
				</div>
			{/if}
		{/each}
	</div>
{/if}

<style>
	.reading {
		font: 15px/1.55 var(--font-serif);
	}
	.outline-list {
		font: 14.5px/1.45 var(--font-serif);
	}
	.outline-list li {
		padding-block: 3px;
		border-bottom: 1px solid var(--rule);
	}
	.row {
		position: relative;
	}
	.row.said {
		background: var(--mark);
	}
	.row:focus-visible {
		outline: 2px solid var(--color-accent);
		outline-offset: 3px;
	}
	.strike {
		position: absolute;
		left: -22px;
		top: 0;
		width: 18px;
		color: var(--ink-2);
		font: 13px/1.7 var(--font-sans);
		opacity: 0.55;
	}
	@media (max-width: 640px) {
		.strike {
			left: -15px;
			width: 13px;
		}
	}
	.strike:hover,
	.strike:focus-visible {
		opacity: 1;
		color: var(--color-accent);
	}
	.row.struck:not(.dropped) :global(.block) {
		text-decoration: line-through;
		opacity: 0.5;
	}
	.row.dropped {
		border-left: 1px dashed var(--ink-2);
		padding-left: 10px;
		margin: 6px 0;
		color: var(--ink-2);
		font-size: 13px;
	}
	.why {
		font: 11.5px/1.4 var(--font-sans);
		color: var(--ink-2);
	}
</style>
