<!-- Deliver: how it will look, and the files to hand over. -->
<script lang="ts">
	import { messageOf } from '$lib/data/trouble';
	import { resolve } from '$app/paths';
	import { toast } from 'svelte-sonner';
	import { htmlBodyOf, htmlPageOf } from '$lib/core/deliver';
	import { slugOf } from '$lib/core/plan';
	import { gapsOf, markdownOf, type TakeDoc } from '$lib/core/manuscript';
	import { archiveOf } from '$lib/data/archive';
	import { readWhole } from '$lib/data/assignments';
	import { analysis } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import Tabs from '../parts/Tabs.svelte';

	const session = useSession();
	let chosen = $state<string | null>(null);
	const VIEWS = [
		{ id: 'page', name: 'As a page' },
		{ id: 'html', name: 'HTML' },
		{ id: 'markdown', name: 'Markdown' }
	] as const;
	let view = $state<(typeof VIEWS)[number]['id']>('page');
	let isPacking = $state(false);

	const take = $derived(session.takes.find(({ id }) => id === chosen) ?? session.takes.at(-1));
	const plan = $derived(session.plan);
	const title = $derived(plan?.titleTag ?? session.assignment?.title ?? '');
	const description = $derived(plan?.description ?? '');
	const slug = $derived(plan?.slug || slugOf(session.assignment?.keyword ?? 'article'));
	const gaps = $derived(take ? gapsOf(take.doc) : []);
	let withGaps = $state(false);
	/** What is handed over: gaps are for the writer, so they stay behind unless wanted. */
	const doc = $derived.by((): TakeDoc | null =>
		take
			? withGaps
				? take.doc
				: { ...take.doc, content: take.doc.content.filter(({ type }) => type !== 'gap') }
			: null
	);
	const body = $derived(doc ? htmlBodyOf(doc) : '');
	const markdown = $derived(doc ? markdownOf(doc) : '');

	/** The texts that can be copied or downloaded. */
	const forms = $derived([
		{
			name: 'Markdown',
			file: `${slug}.md`,
			get: () => markdown,
			type: 'text/markdown',
			what: 'Markdown'
		},
		{
			name: 'Clean HTML, the body alone',
			file: `${slug}.body.html`,
			get: () => body,
			type: 'text/html',
			what: 'HTML'
		},
		{
			name: 'HTML, the whole page',
			file: `${slug}.html`,
			get: () => (doc ? htmlPageOf(doc, { titleTag: title, description, language: 'en' }) : ''),
			type: 'text/html',
			what: 'page'
		}
	]);

	function setMeta(
		label: string,
		values: { titleTag?: string; description?: string; slug?: string }
	) {
		if (plan) void session.changePlan(label, { ...plan, ...values });
	}

	async function pack() {
		isPacking = true;
		try {
			const whole = await readWhole(session.id);
			if (!whole) return;
			download(
				`${slug}.corvan.zip`,
				await analysis.writeArchive(archiveOf(whole)),
				'application/zip'
			);
		} catch (error) {
			toast.error(`The archive could not be written: ${messageOf(error)}`);
		} finally {
			isPacking = false;
		}
	}

	async function copy(text: string, what: string) {
		await navigator.clipboard.writeText(text);
		toast(`Copied the ${what}.`);
	}
</script>

<div class="grid h-full grid-cols-[380px_minmax(0,1fr)] max-lg:grid-cols-1 max-lg:overflow-y-auto">
	<section class="min-h-0 overflow-y-auto px-5 py-4" aria-label="Hand over">
		<h1 class="mb-3 text-xl">Hand it over</h1>
		{#if take}
			{#if session.takes.length > 1}
				<label class="mb-3 block"
					><span class="font-semibold">Take</span>
					<select
						class="field mt-1"
						value={take.id}
						onchange={(event) => (chosen = event.currentTarget.value)}
					>
						{#each session.takes as other (other.id)}<option value={other.id}>{other.name}</option
							>{/each}
					</select>
				</label>
			{/if}
			{#if plan}
				<label class="mb-3 block"
					><span class="font-semibold">Title tag</span>
					<span class="float-right text-ink-2">{title.length} characters</span>
					<input
						class="field mt-1"
						value={title}
						onchange={(event) =>
							setMeta('Changed the title tag', { titleTag: event.currentTarget.value })}
					/>
				</label>
				<label class="mb-3 block"
					><span class="font-semibold">Meta description</span>
					<span class="float-right text-ink-2">{description.length} characters</span>
					<textarea
						class="field mt-1 h-20"
						value={description}
						onchange={(event) =>
							setMeta('Changed the description', { description: event.currentTarget.value })}
					></textarea>
				</label>
				<label class="mb-4 block"
					><span class="font-semibold">Slug</span>
					<input
						class="field mt-1"
						value={slug}
						onchange={(event) =>
							setMeta('Changed the slug', { slug: slugOf(event.currentTarget.value) })}
					/>
				</label>
			{/if}
			{#if gaps.length > 0}
				<p class="mb-3 border-l-2 border-warning pl-3">
					{gaps.length === 1 ? 'One gap is' : `${gaps.length} gaps are`} still open.
					<a class="linkish" href={resolve('/a/[id]/write', { id: session.id })}
						>Fill {gaps.length === 1 ? 'it' : 'them'}</a
					>, or hand over without.
					<label class="mt-1 flex items-center gap-2"
						><input type="checkbox" class="checkbox checkbox-xs" bind:checked={withGaps} /> Leave the
						gaps in what is handed over</label
					>
				</p>
			{/if}
			<ul class="border-t border-rule">
				{#each forms as form (form.name)}
					<li class="flex items-baseline gap-3 border-b border-rule py-2">
						<span class="flex-1">{form.name}</span>
						<button
							class="linkish"
							onclick={() => void copy(form.get(), form.what)}
							aria-label="Copy {form.name}">Copy</button
						>
						<button
							class="act"
							onclick={() => download(form.file, form.get(), form.type)}
							aria-label="Download {form.name}">Download</button
						>
					</li>
				{/each}
				<li class="flex items-baseline gap-3 border-b border-rule py-2">
					<span class="flex-1"
						>Archive of the whole assignment<br /><span class="text-ink-2"
							>pages, notes, plan and every take in one open file</span
						></span
					>
					<button
						class="act"
						disabled={isPacking}
						onclick={() => void pack()}
						aria-label="Download the archive">{isPacking ? 'Packing …' : 'Download'}</button
					>
				</li>
			</ul>
		{:else}
			<p class="text-ink-2">
				There is no take yet. <a class="linkish" href={resolve('/a/[id]/write', { id: session.id })}
					>Draft or write one</a
				> to hand it over. The archive leaves at any time.
			</p>
			<p class="mt-3">
				<button class="act" disabled={isPacking} onclick={() => void pack()}
					>Download the archive</button
				>
			</p>
		{/if}
	</section>
	<section class="flex min-h-0 flex-col border-l border-rule bg-sheet" aria-label="Preview">
		{#if doc}
			<div class="border-b border-rule px-8 pt-3">
				<Tabs label="Preview as" tabs={VIEWS} bind:value={view} />
			</div>
			<!-- a scrolling region must be reachable by keyboard -->
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<div
				class="min-h-0 flex-1 overflow-y-auto px-10 py-6 max-sm:px-4"
				tabindex="0"
				role="region"
				aria-label="Preview of the article"
			>
				{#if view === 'page'}
					<!-- eslint-disable-next-line svelte/no-at-html-tags -- our own serialiser's output, sanitised there -->
					<article class="preview">{@html body}</article>
				{:else}
					<pre class="text-xs leading-relaxed whitespace-pre-wrap">{view === 'html'
							? body
							: markdown}</pre>
				{/if}
			</div>
		{/if}
	</section>
</div>

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
	.preview :global(blockquote) {
		border-left: 3px solid var(--gap-rule);
		padding-left: 12px;
		color: var(--gap-ink);
	}
	.preview :global(table) {
		border-collapse: collapse;
	}
	.preview :global(td),
	.preview :global(th) {
		border-bottom: 1px solid var(--rule);
		padding: 4px 10px 4px 0;
		text-align: left;
	}
</style>
