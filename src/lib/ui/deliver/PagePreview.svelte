<!-- The article as a page, and as what goes into the clipboard. -->
<script lang="ts">
	import { articleMarkdown, htmlBodyOf, plainTextOf } from '$lib/core/deliver';
	import { pictureAddress } from '../parts/picture-address';
	import type { Delivery } from './delivery.svelte';

	let { delivery }: { delivery: Delivery } = $props();

	const WAYS = [
		['page', 'As a page'],
		['html', 'HTML'],
		['markdown', 'Markdown'],
		['text', 'Plain text'],
		['data', 'Structured data']
	] as const;
	let way = $state<(typeof WAYS)[number][0]>('page');
	let addresses = $state.raw<ReadonlyMap<string, string>>(new Map());
	const article = $derived(delivery.article);

	$effect(() => {
		const { pictures } = article;
		void Promise.all(
			pictures.map(async ({ id, file }) => [file, await pictureAddress(id)] as const)
		).then((pairs) => (addresses = new Map(pairs)));
	});
	const body = $derived(
		htmlBodyOf(article, {
			nofollow: delivery.nofollow,
			srcOf: (file) => addresses.get(file) ?? ''
		})
	);
	const source = $derived.by(() => {
		switch (way) {
			case 'html':
				return htmlBodyOf(article, { nofollow: delivery.nofollow });
			case 'markdown':
				return articleMarkdown(article);
			case 'text':
				return plainTextOf(article);
			case 'data':
				return delivery.data.map((one) => JSON.stringify(one, null, 2)).join('\n\n');
			case 'page':
				return '';
		}
	});

	/** Places in the page are found in the preview, and the app stays where it is. */
	function followLink(event: MouseEvent) {
		const link = event.target instanceof Element ? event.target.closest('a') : null;
		const href = link?.getAttribute('href');
		if (!link || !href) return;
		event.preventDefault();
		if (href.startsWith('#'))
			link
				.closest('article')
				?.querySelector(`[id="${CSS.escape(href.slice(1))}"]`)
				?.scrollIntoView({ block: 'start' });
		else if (/^https?:/.test(href)) window.open(href, '_blank', 'noopener,noreferrer');
	}
</script>

<div class="no-print mb-4 flex flex-wrap items-baseline gap-4" role="group" aria-label="Seen as">
	{#each WAYS as [id, name] (id)}
		<button
			class={way === id ? 'font-bold' : 'text-ink-2 hover:underline'}
			aria-pressed={way === id}
			onclick={() => (way = id)}>{name}</button
		>
	{/each}
	<button class="act ml-auto" onclick={() => window.print()} disabled={way !== 'page'}
		>Print or PDF</button
	>
</div>
{#if way === 'page'}
	<!-- links are followed by keys too: they are links -->
	<!-- svelte-ignore a11y_no_noninteractive_element_interactions, a11y_click_events_have_key_events -->
	<article class="preview" aria-label="Preview of the article" onclick={followLink}>
		<!-- eslint-disable-next-line svelte/no-at-html-tags -- our own serialiser's output: it writes checked addresses and escaped text alone -->
		{@html body}
	</article>
{:else}
	<pre class="text-xs leading-relaxed whitespace-pre-wrap">{source}</pre>
{/if}

<style>
	.preview {
		max-width: 640px;
		font: 16px/1.65 var(--font-serif);
	}
	.preview :global(h1) {
		font-size: 28px;
		line-height: 1.2;
		margin-bottom: 14px;
	}
	.preview :global(h2) {
		font-size: 20px;
		margin: 26px 0 8px;
	}
	.preview :global(h3) {
		font-size: 17px;
		margin: 20px 0 6px;
	}
	.preview :global(p) {
		margin-bottom: 12px;
	}
	.preview :global(a) {
		color: var(--color-secondary);
		text-decoration: underline;
	}
	.preview :global(ul) {
		list-style: disc;
		padding-left: 1.4em;
		margin-bottom: 12px;
	}
	.preview :global(ol) {
		list-style: decimal;
		padding-left: 1.4em;
		margin-bottom: 12px;
	}
	.preview :global(nav),
	.preview :global(aside) {
		border: 1px solid var(--rule);
		padding: 2px 18px 6px;
		margin: 18px 0;
	}
	.preview :global(:is(nav, aside) h2) {
		font-size: 15px;
		margin: 10px 0 4px;
	}
	.preview :global(nav ol) {
		margin-bottom: 4px;
		font-size: 14.5px;
	}
	.preview :global(blockquote) {
		border-left: 3px solid var(--gap-rule);
		padding-left: 12px;
	}
	.preview :global(figure) {
		margin: 18px 0;
	}
	.preview :global(img) {
		max-width: 100%;
		height: auto;
	}
	.preview :global(figcaption) {
		font: 13px/1.45 var(--font-sans);
		color: var(--ink-2);
	}
	.preview :global(mark) {
		background: var(--gap-paper);
		color: var(--gap-ink);
	}
	.preview :global(sup) {
		font-size: 11px;
		line-height: 0;
	}
	.preview :global(table) {
		border-collapse: collapse;
		margin-bottom: 12px;
		font-size: 15px;
	}
	.preview :global(td),
	.preview :global(th) {
		border-bottom: 1px solid var(--rule);
		padding: 4px 10px 4px 0;
		text-align: left;
		vertical-align: top;
	}
	@media print {
		.preview {
			max-width: none;
			font-size: 11pt;
		}
		.preview :global(:is(h2, h3)) {
			break-after: avoid;
		}
		.preview :global(:is(figure, tr)) {
			break-inside: avoid;
		}
	}
</style>
