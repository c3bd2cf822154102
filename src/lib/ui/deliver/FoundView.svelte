<!-- What the delivered page is found for, once that is known: the start of the next look at it. -->
<script lang="ts">
	import { foundForOf, plainTextOf, readFoundQueries, type FoundQuery } from '$lib/core/deliver';
	import { toast } from 'svelte-sonner';
	import { countOf } from '../parts/count-of';
	import { withRowKeys } from '../parts/row-keys';
	import { readTextFile } from '../parts/read-text-file';
	import type { Delivery } from './delivery.svelte';

	let { delivery }: { delivery: Delivery } = $props();

	let picker = $state<HTMLInputElement>();
	const MOST = 40;
	const queries = $derived(delivery.choices.found);
	const findings = $derived(delivery.session.findings);
	const found = $derived(
		findings && queries.length > 0
			? foundForOf(queries, findings, plainTextOf(delivery.article))
			: null
	);

	async function take(name: string, text: string) {
		const { queries: read, rejected } = readFoundQueries(text);
		if (read.length === 0) {
			toast.error(
				`No query was found in ${name}; bring a list with a query on each line, or a CSV with a column called query.`
			);
			return;
		}
		await delivery.session.decideDelivery(
			`Brought in ${countOf(read.length, 'query', 'queries')}`,
			(choices) => ({ ...choices, found: read.slice(0, 5000).map((query) => ({ ...query })) }),
			{ quiet: false }
		);
		if (rejected.length > 0)
			toast(`${countOf(rejected.length, 'line')} could not be read: ${rejected[0]!.reason}.`);
	}

	async function bring(files: FileList | null) {
		const file = files?.[0];
		if (picker) picker.value = '';
		if (!file) return;
		const text = await readTextFile(file, 'save it as CSV and bring that in');
		if (text !== null) await take(file.name, text);
	}

	function saidOf({ clicks, position }: FoundQuery): string {
		return [
			clicks === null ? '' : countOf(clicks, 'click'),
			position === null ? '' : `position ${position.toFixed(1).replace(/\.0$/, '')}`
		]
			.filter(Boolean)
			.join(', ');
	}
</script>

<h2>
	Found for <span class="font-sans text-[12.5px] font-normal text-ink-2"
		>{queries.length === 0
			? 'after it is published'
			: countOf(queries.length, 'query', 'queries')}</span
	>
</h2>
<p class="mt-1 max-w-xl text-ink-2">
	Bring the list of queries that the page is found for, with clicks and positions, in any columns.
	It shows which terms and questions work, and which are missing.
</p>
<p class="mt-2 flex gap-3">
	<button class="act" onclick={() => picker?.click()}>Bring in a list</button>
	{#if queries.length > 0}<button
			class="linkish"
			onclick={() => void delivery.decide('Took the queries out', { found: [] })}
			>Take them out</button
		>{/if}
	<input
		bind:this={picker}
		type="file"
		class="hidden"
		accept=".csv,.tsv,.txt"
		aria-label="A list of queries"
		onchange={(event) => void bring(event.currentTarget.files)}
	/>
</p>
{#snippet named(list: readonly { name: string; said: string }[])}
	<ul class="mt-1">
		{#each withRowKeys(list.slice(0, MOST), ({ name }) => name) as { rowKey, item } (rowKey)}
			<li class="flex justify-between gap-4 border-b border-rule py-1">
				<span>{item.name}</span><span class="text-right text-ink-2">{item.said}</span>
			</li>
		{/each}
	</ul>
	{#if list.length > MOST}<p class="mt-1 text-ink-2">and {list.length - MOST} more</p>{/if}
{/snippet}
{#if found}
	<div class="mt-5 grid grid-cols-2 gap-x-8 gap-y-6 max-sm:grid-cols-1">
		<section aria-label="Terms it is found for">
			<h3 class="font-bold">{countOf(found.terms.length, 'term')} found</h3>
			{@render named(
				found.terms.map(({ phrase, queries: own }) => ({ name: phrase, said: saidOf(own[0]!) }))
			)}
		</section>
		<section aria-label="Terms nobody finds it for">
			<h3 class="font-bold">{countOf(found.missingTerms.length, 'term')} not found</h3>
			{@render named(found.missingTerms.map((name) => ({ name, said: '' })))}
		</section>
		<section aria-label="Questions it is found for">
			<h3 class="font-bold">{countOf(found.questions.length, 'question')} found</h3>
			{@render named(
				found.questions.map(({ text, queries: own }) => ({ name: text, said: saidOf(own[0]!) }))
			)}
		</section>
		<section aria-label="Queries beyond the article">
			<h3 class="font-bold">
				{countOf(found.beyond.length, 'query', 'queries')} beyond what it says
			</h3>
			{@render named(found.beyond.map((query) => ({ name: query.query, said: saidOf(query) })))}
		</section>
	</div>
{/if}
