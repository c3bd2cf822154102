<!-- What goes into the page besides its text: contents, takeaways, structured data, references. -->
<script lang="ts">
	import { REFERENCE_STYLES, type DataKind, type ReferenceStyle } from '$lib/core/deliver';
	import { countOf } from '../parts/count-of';
	import { localDay } from '../parts/local-day';
	import Popup from '../parts/Popup.svelte';
	import type { Delivery } from './delivery.svelte';

	let { delivery }: { delivery: Delivery } = $props();

	const choices = $derived(delivery.choices);
	const article = $derived(delivery.article);
	const STYLES: Readonly<Record<ReferenceStyle, string>> = {
		none: 'not told',
		footnotes: 'as footnotes',
		list: 'as a list at the end',
		'in the text': 'in the text'
	};
	/** Sources that back something, told or not. */
	const backing = $derived.by(() => {
		const ids = new Set(
			delivery.claims.flatMap(({ backing: state, same }) =>
				state === 'backed' ? same.map(({ source }) => source) : []
			)
		);
		return delivery.sources.filter(({ id }) => ids.has(id));
	});
	interface Data {
		readonly kind: DataKind;
		readonly name: string;
		/** What it is made of; nothing of it stands in the page without. */
		readonly has: number;
	}
	const kinds: readonly Data[] = $derived([
		{ kind: 'article', name: 'Article data', has: 1 },
		{
			kind: 'faq',
			name:
				article.questions.length > 0
					? `FAQ data, ${countOf(article.questions.length, 'question')}`
					: 'FAQ data: the text has no questions',
			has: article.questions.length
		},
		...(delivery.isHowTo
			? [
					{
						kind: 'howto',
						name:
							delivery.steps.length > 0
								? `How-to data, ${countOf(delivery.steps.length, 'step')}`
								: 'How-to data: the text has no steps',
						has: delivery.steps.length
					} as const
				]
			: [])
	]);

	function toggle<T>(list: readonly T[], one: T): T[] {
		return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
	}

	function setTakeaways(text: string) {
		const items = text
			.split('\n')
			.map((line) => line.replace(/^[-•*]\s*/, '').trim())
			.filter(Boolean)
			.slice(0, 12)
			.map((line) => line.slice(0, 600));
		void delivery.decide('Changed the takeaways', { takeaways: items.length === 0 ? null : items });
	}
</script>

<section class="mt-7" aria-labelledby="in-the-page">
	<h2 id="in-the-page">In the page</h2>
	<ul class="mt-2 border-t border-rule">
		<li>
			<label class="flex flex-1 items-baseline justify-between gap-2"
				><span>Contents</span>
				<select
					class="field w-auto!"
					value={String(choices.contentsTo)}
					onchange={(event) =>
						void delivery.decide('Changed the contents', {
							contentsTo: Number(event.currentTarget.value) as 0 | 2 | 3 | 4
						})}
				>
					<option value="0">none</option>
					<option value="2">level 2</option>
					<option value="3">levels 2–3</option>
					<option value="4">levels 2–4</option>
				</select></label
			>
		</li>
		<li>
			<label class="flex flex-1 items-center justify-between gap-2"
				><span>Key takeaways, {delivery.takeaways.length}</span>
				<input
					type="checkbox"
					class="checkbox checkbox-xs"
					checked={choices.hasTakeaways}
					onchange={() =>
						void delivery.decide('Changed the takeaways', { hasTakeaways: !choices.hasTakeaways })}
				/></label
			>
			<Popup label="Word them" button="linkish" width="440px">
				<p class="mb-2 text-ink-2">
					Sentences of the text that can stand alone, one on a line. Empty: as they are proposed.
				</p>
				<textarea
					class="field h-48"
					aria-label="Key takeaways, one on a line"
					value={delivery.takeaways.join('\n')}
					onchange={(event) => setTakeaways(event.currentTarget.value)}></textarea>
				{#if choices.takeaways !== null}<button
						class="linkish mt-2"
						onclick={() => void delivery.decide('Took the proposed takeaways', { takeaways: null })}
						>As they are proposed</button
					>{/if}
			</Popup>
		</li>
		{#each kinds as { kind, name, has } (kind)}
			<li>
				<label class="flex flex-1 items-center justify-between gap-2"
					><span>{name}</span>
					<input
						type="checkbox"
						class="checkbox checkbox-xs"
						checked={has > 0 && choices.data.includes(kind)}
						disabled={has === 0}
						onchange={() =>
							void delivery.decide('Changed the structured data', {
								data: toggle(choices.data, kind)
							})}
					/></label
				>
			</li>
		{/each}
		<li>
			<label class="flex flex-1 items-baseline justify-between gap-2"
				><span>References</span>
				<select
					class="field w-36!"
					value={choices.references}
					onchange={(event) =>
						void delivery.decide('Changed the references', {
							references: event.currentTarget.value as ReferenceStyle
						})}
				>
					{#each REFERENCE_STYLES as style (style)}<option value={style}>{STYLES[style]}</option
						>{/each}
				</select></label
			>
			{#if backing.length > 0}
				<Popup label="Which" button="linkish" width="320px">
					<p class="mb-2 text-ink-2">Sources that the reader is told of:</p>
					{#each backing as { id, name } (id)}
						<label class="flex items-center gap-2 py-0.5"
							><input
								type="checkbox"
								class="checkbox checkbox-xs"
								checked={!choices.untold.includes(id)}
								onchange={() =>
									void delivery.decide('Changed which sources are told', {
										untold: toggle(choices.untold, id)
									})}
							/>
							{name}</label
						>
					{/each}
				</Popup>
			{/if}
		</li>
		<li>
			<label class="flex flex-1 items-baseline justify-between gap-2"
				><span>Author</span>
				<input
					class="field w-44!"
					value={choices.author}
					onchange={(event) =>
						void delivery.decide('Named the author', {
							author: event.currentTarget.value.trim().slice(0, 200)
						})}
				/></label
			>
		</li>
		<li>
			<label class="flex flex-1 items-baseline justify-between gap-2"
				><span>Published</span>
				<input
					type="date"
					class="field w-36!"
					value={choices.publishedOn}
					max="9999-12-31"
					onchange={(event) =>
						void delivery.decide('Set the day', { publishedOn: event.currentTarget.value })}
				/></label
			>
			{#if choices.publishedOn === ''}<button
					class="linkish"
					onclick={() => void delivery.decide('Set the day', { publishedOn: localDay(new Date()) })}
					>Today</button
				>{/if}
		</li>
	</ul>
</section>

<style>
	li {
		display: flex;
		align-items: center;
		gap: 10px;
		min-height: 33px;
		border-bottom: 1px solid var(--rule);
		padding: 3px 0;
	}
</style>
