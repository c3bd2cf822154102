<!-- Title tag and description: proposals with their widths, and how they would look among results. -->
<script lang="ts">
	import { lineOf, type ProposedLine } from '$lib/core/deliver';
	import { slugOf } from '$lib/core/plan';
	import { RESULT_ROOM } from '$lib/core/text';
	import { toast } from 'svelte-sonner';
	import type { Delivery } from './delivery.svelte';

	let { delivery }: { delivery: Delivery } = $props();

	const session = $derived(delivery.session);
	const proposals = $derived(delivery.proposals);
	const pages = $derived(
		session.counted.map(({ id, article }) => ({ id, title: article.titleTag || article.title }))
	);
	const own = $derived(lineOf(delivery.titleTag, 'title', delivery.keyword, pages));
	const ownDescription = $derived(
		lineOf(delivery.description, 'description', delivery.keyword, pages)
	);
	const titles = $derived(withOwn(own, proposals?.titleTags ?? []));
	const descriptions = $derived(withOwn(ownDescription, proposals?.descriptions ?? []));
	const brief = $derived(session.assignment?.brief);
	const isInBrief = $derived(
		brief?.workingTitle === delivery.plan?.title && brief?.description === delivery.description
	);
	const path = $derived.by(() => {
		const address = delivery.address;
		const url = URL.canParse(address) ? new URL(address) : null;
		const host = url?.host ?? 'the client’s site';
		return [host, ...(url ? url.pathname.split('/').filter(Boolean) : [delivery.slug])].join(' › ');
	});

	function withOwn(line: ProposedLine, others: readonly ProposedLine[]): ProposedLine[] {
		if (line.text === '' || others.some(({ text }) => text === line.text)) return [...others];
		return [line, ...others];
	}

	function saidOf({ width, isCut, like, keywordAt }: ProposedLine): string {
		const letters = like.flatMap((id) => session.letters.get(id) ?? []);
		return [
			isCut ? `${width}, cut` : `${width} px`,
			letters.length > 0 ? `like ${letters.join(', ')}` : '',
			keywordAt < 0 ? 'without the keyword' : keywordAt > 3 ? 'keyword late' : ''
		]
			.filter(Boolean)
			.join(', ');
	}

	/** What results show of a description: as much as finds room. */
	const shownDescription = $derived.by(() => {
		const text = delivery.description;
		if (!ownDescription.isCut) return text;
		const part = Math.floor((text.length * RESULT_ROOM.description) / ownDescription.width);
		return `${text.slice(0, text.lastIndexOf(' ', part))} …`;
	});

	async function toBrief() {
		if (!brief || !delivery.plan) return;
		await session.change('Took title and description into the brief', {
			brief: {
				...brief,
				workingTitle: delivery.plan.title,
				description: delivery.description
			}
		});
		toast('The brief has this title and description.');
	}
</script>

{#snippet lines(
	name: string,
	label: string,
	list: readonly ProposedLine[],
	value: string,
	room: number,
	onchoose: (text: string) => void
)}
	<fieldset>
		<legend class="sr-only">{label}</legend>
		{#each list as line (line.text)}
			<label
				class="grid cursor-pointer grid-cols-[18px_minmax(0,1fr)_auto] gap-x-2 border-b border-rule py-2"
			>
				<input
					type="radio"
					class="radio mt-1 radio-xs"
					{name}
					checked={line.text === value}
					onchange={() => onchoose(line.text)}
				/>
				<span class="font-serif text-[15px] leading-snug">{line.text}</span>
				<small class="pt-0.5 text-right text-[11.5px] text-ink-2">{saidOf(line)}</small>
				<span class="bar col-start-2 mt-1" class:cut={line.isCut}
					><i style:width="{Math.min(100, (100 * line.width) / room)}%"></i></span
				>
			</label>
		{/each}
	</fieldset>
{/snippet}

<section id="title-and-description" aria-labelledby="title-heading">
	<h2 id="title-heading">Title and description</h2>
	{#if !delivery.plan}
		<p class="mt-1 text-ink-2">
			Title and description are kept with the plan. Plan this article in Proof or Plan first.
		</p>
	{:else}
		<label class="mt-2 block"
			><span class="sr-only">Title tag</span>
			<input
				class="field font-serif text-[15px]!"
				value={delivery.titleTag}
				onchange={(event) =>
					void delivery.setHead('Changed the title tag', {
						titleTag: event.currentTarget.value.trim()
					})}
			/>
		</label>
		{@render lines(
			'title-tag',
			'Titles to choose from',
			titles,
			delivery.titleTag,
			RESULT_ROOM.title,
			(titleTag) => void delivery.setHead('Chose a title tag', { titleTag })
		)}
		<label class="mt-4 block"
			><span class="sr-only">Description</span>
			<textarea
				class="field h-14"
				value={delivery.description}
				onchange={(event) =>
					void delivery.setHead('Changed the description', {
						description: event.currentTarget.value.trim()
					})}></textarea>
		</label>
		{@render lines(
			'description',
			'Descriptions to choose from',
			descriptions,
			delivery.description,
			RESULT_ROOM.description,
			(description) => void delivery.setHead('Chose a description', { description })
		)}
		{#if !proposals}<p class="mt-2 text-ink-2" role="status">
				Proposals come when the evidence is read …
			</p>{/if}

		<div class="result" role="group" aria-label="As a results page might show it">
			<p class="text-[11.5px] text-ink-2">{path}</p>
			<p class="font-serif text-[19px] leading-tight text-primary">
				{delivery.titleTag || 'No title tag'}
			</p>
			<p class="mt-1 max-w-[60ch]">
				{shownDescription || 'No description'}
				<span class="text-ink-2">· {ownDescription.width} of {RESULT_ROOM.description} px</span>
			</p>
		</div>

		<div class="mt-4 grid grid-cols-2 gap-x-5 gap-y-3 max-sm:grid-cols-1">
			<label class="block"
				><span class="font-semibold">Slug</span>
				<input
					class="field mt-1"
					value={delivery.slug}
					onchange={(event) =>
						void delivery.setHead('Changed the slug', { slug: slugOf(event.currentTarget.value) })}
				/>
			</label>
			<label class="block"
				><span class="font-semibold">Under which address</span>
				<input
					class="field mt-1"
					placeholder="https://client.example/journal"
					value={delivery.choices.site}
					onchange={(event) =>
						void delivery.decide('Said where it will stand', {
							site: event.currentTarget.value.trim()
						})}
				/>
			</label>
			<label class="block"
				><span class="font-semibold">Headline on the page</span>
				<input
					class="field mt-1"
					list="headlines"
					value={delivery.plan.title}
					onchange={(event) =>
						void delivery.setHead('Changed the headline', {
							title: event.currentTarget.value.trim()
						})}
				/>
				<datalist id="headlines"
					>{#each proposals?.headlines ?? [] as text (text)}<option value={text}
						></option>{/each}</datalist
				>
			</label>
			<label class="block"
				><span class="font-semibold">Line under it</span>
				<input
					class="field mt-1"
					list="standfirsts"
					placeholder="none"
					value={delivery.choices.standfirst}
					onchange={(event) =>
						void delivery.decide('Changed the line under the headline', {
							standfirst: event.currentTarget.value.trim().slice(0, 500)
						})}
				/>
				<datalist id="standfirsts"
					>{#each proposals?.standfirsts ?? [] as text (text)}<option value={text}
						></option>{/each}</datalist
				>
			</label>
		</div>
		{#if !isInBrief}<p class="mt-2">
				<button class="linkish" onclick={() => void toBrief()}
					>Take headline and description into the brief</button
				>
			</p>{/if}
	{/if}
</section>

<style>
	.bar {
		display: block;
		height: 3px;
		background: var(--rule);
	}
	.bar i {
		display: block;
		height: 3px;
		background: var(--color-secondary);
	}
	.bar.cut i {
		background: var(--color-accent);
	}
	.result {
		border-top: 2px solid var(--ink);
		border-bottom: 1px solid var(--rule);
		padding: 10px 0 12px;
		margin-top: 18px;
	}
</style>
