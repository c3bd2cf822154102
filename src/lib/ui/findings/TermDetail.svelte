<!-- One term: what may be decided about it, where its range comes from, and every sentence it was counted from. -->
<script lang="ts">
	import {
		editTerm,
		mergeTerms,
		splitTerm,
		type Context,
		type Findings,
		type Term
	} from '$lib/core/findings';
	import { analysis } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import OpenPage from './OpenPage.svelte';
	import type { TermRow } from './term-rows';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		row: TermRow;
		findings: Findings;
		onstrike: () => void;
		/** Makes a term of what only notes have. */
		onadd: () => void;
		onchoose: (key: string) => void;
	}
	let { row, findings, onstrike, onadd, onchoose }: Props = $props();

	const session = useSession();
	const term = $derived(row.term);
	const letters = $derived(session.letters);
	let contexts = $state.raw<readonly Context[] | null>(null);
	let other = $state('');

	$effect(() => {
		const { phrase, verbs, variants } = term;
		const { analysed } = session;
		if (!analysed) return;
		let isStale = false;
		contexts = null;
		void analysis
			.context(analysed.evidence, $state.snapshot({ phrase, verbs, variants }))
			.then((found) => {
				if (!isStale) contexts = found;
			});
		return () => {
			isStale = true;
		};
	});
	$effect(() => {
		void term.key;
		other = '';
	});

	const company = $derived(
		term.company.flatMap((key) => findings.terms.find((one) => one.key === key) ?? [])
	);
	const lastOfCompany = $derived(Math.min(5, company.length) - 1);
	/** Sentences by page and section, in reading order. */
	const groups = $derived.by(() => {
		const found: { page: string; section: number; heading: string; contexts: Context[] }[] = [];
		for (const context of contexts ?? []) {
			const last = found.at(-1);
			if (last && last.page === context.page && last.section === context.section)
				last.contexts.push(context);
			else found.push({ ...context, contexts: [context] });
		}
		return found;
	});
	const uses = $derived(term.uses.reduce((sum, { count }) => sum + count, 0));
	const shares = $derived(
		(
			[
				['title', 'title'],
				['h1', 'H1'],
				['h2', 'H2'],
				['h3', 'H3'],
				['opening', 'first 100 words'],
				['faq', 'FAQ']
			] as const
		)
			.filter(([place]) => term.places[place] > 0)
			.map(([place, name]) => `${name} ${Math.round(term.places[place] * findings.pages.length)}`)
	);

	const plain = ({ key, phrase }: Term) => ({ key, phrase });

	function change(label: string, values: Parameters<typeof editTerm>[2]) {
		const of = plain(term);
		void session.edit(label, (edits) => editTerm(edits, of, values));
	}

	function setRange(end: 'min' | 'max', text: string) {
		const value = Math.round(Number(text));
		if (text.trim() === '' || !Number.isFinite(value) || value < 0 || value > 999) return;
		const range =
			end === 'min'
				? { min: value, max: Math.max(value, term.max) }
				: { min: Math.min(value, term.min), max: value };
		change(`Set the uses of “${term.phrase}”`, { range });
	}

	function mergeOther() {
		const found = findings.terms.find(({ phrase }) => phrase === other.trim().toLowerCase());
		if (!found || found.key === term.key) return;
		const [main, variant] = [plain(term), plain(found)];
		void session.edit(`Counted “${variant.phrase}” as “${main.phrase}”`, (edits) =>
			mergeTerms(edits, main, [variant])
		);
		other = '';
	}

	function piecesOf({ text, marks }: Context): { text: string; isMarked: boolean }[] {
		const pieces: { text: string; isMarked: boolean }[] = [];
		let at = 0;
		for (const [start, end] of marks) {
			if (start < at) continue;
			pieces.push(
				{ text: text.slice(at, start), isMarked: false },
				{ text: text.slice(start, end), isMarked: true }
			);
			at = end;
		}
		pieces.push({ text: text.slice(at), isMarked: false });
		return pieces;
	}
</script>

<h1 class="text-lg">{term.phrase}</h1>
{#if row.state === 'note'}
	<p class="mt-1 text-ink-2">
		Only your notes use it; no counted page does. It counts for nothing until you take it in.
	</p>
	<p class="mt-2 flex gap-3"><button class="act" onclick={onadd}>Take it in as a term</button></p>
{:else}
	<p class="mt-1 text-ink-2">
		On {term.uses.length} of {findings.pages.length} pages{shares.length > 0
			? `; pages with it in: ${shares.join(', ')}`
			: ''}.
		{#if term.uses.length > 0}First met {Math.round(100 * term.position)}% of the way through.{/if}
	</p>
	<div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-2">
		<select
			class="field w-auto"
			aria-label="Weight of {term.phrase}"
			value={term.weight}
			onchange={(event) =>
				change(`Weighed “${term.phrase}” as ${event.currentTarget.value}`, {
					weight: event.currentTarget.value as Term['weight']
				})}
		>
			<option>must</option><option>should</option><option>could</option>
		</select>
		<span class="flex items-center gap-1 text-ink-2"
			><input
				class="field w-12 text-right"
				inputmode="numeric"
				aria-label="Fewest uses"
				value={term.min}
				onchange={(event) => setRange('min', event.currentTarget.value)}
			/>
			to
			<input
				class="field w-12 text-right"
				inputmode="numeric"
				aria-label="Most uses"
				value={term.max}
				onchange={(event) => setRange('max', event.currentTarget.value)}
			/> uses</span
		>
		{#if term.isSet}<button
				class="linkish"
				onclick={() =>
					change(`Took back what was set for “${term.phrase}”`, { weight: null, range: null })}
				>As the pages say</button
			>{/if}
	</div>
	<p class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
		<button
			class="linkish"
			aria-pressed={term.isPinned}
			onclick={() =>
				change(`${term.isPinned ? 'Unpinned' : 'Pinned'} “${term.phrase}”`, {
					isPinned: !term.isPinned
				})}>{term.isPinned ? 'Unpin' : 'Pin to the top'}</button
		>
		<button class="linkish" onclick={onstrike}
			>{row.state === 'struck' ? 'Bring back' : 'Strike out'}</button
		>
		{#if term.isOwn}<button
				class="linkish"
				onclick={() => change(`Took out “${term.phrase}”`, { isOwn: false })}
				>Take out of your own terms</button
			>{/if}
	</p>
	{#if term.variants.length > 0}
		<p class="mt-2">
			Counts as well: <em class="font-serif">{term.variants.join(', ')}</em>.
			<button
				class="linkish"
				onclick={() => {
					const { key, phrase } = term;
					void session.edit(`Split “${phrase}” again`, (edits) => splitTerm(edits, key));
				}}>Split again</button
			>
		</p>
	{/if}
	<form
		class="mt-2 flex gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			mergeOther();
		}}
	>
		<input
			class="field min-w-0 flex-1"
			list="other-terms"
			placeholder="Count another term for it"
			aria-label="Count another term for it"
			bind:value={other}
		/>
		<datalist id="other-terms"
			>{#each withRowKeys(findings.terms, (one) => one.key) as { rowKey, item: one } (rowKey)}{#if one.key !== term.key}<option
						value={one.phrase}
					></option>{/if}{/each}</datalist
		>
		<button class="act">Merge</button>
	</form>
{/if}
{#if company.length > 0}
	<p class="mt-2 text-ink-2">
		Keeps company with
		{#each withRowKeys(company.slice(0, 5), (one) => one.key) as { rowKey, item: one }, i (rowKey)}
			<span class="mr-1 whitespace-nowrap"
				><button class="linkish font-serif" onclick={() => onchoose(one.key)}>{one.phrase}</button
				>{i === lastOfCompany ? '.' : ','}</span
			>
		{/each}
	</p>
{/if}
{#if term.uses.length > 0}
	<details class="mt-2 border-t border-rule pt-2">
		<summary class="linkish"
			>Where {term.min === term.max ? 'this number comes' : 'these numbers come'} from</summary
		>
		<p class="mt-1 text-ink-2">
			{term.uses.length < 4 ? 'Least and most' : 'Lower and upper quartile'} of the rates below, for {findings.targetWords.toLocaleString(
				'en'
			)} words, rounded outwards, at most 2% of the words.
		</p>
		<table class="mt-1 w-full">
			<tbody>
				{#each withRowKeys(term.uses, (use) => use.page) as { rowKey, item: use } (rowKey)}
					<tr
						><td class="w-6 font-semibold">{letters.get(use.page)}</td><td
							>{use.count}
							{use.count === 1 ? 'use' : 'uses'}</td
						><td class="text-right text-ink-2">{use.rate.toFixed(1)} per 1,000</td></tr
					>
				{/each}
			</tbody>
		</table>
	</details>
{/if}
<div class="mt-2">
	{#if contexts === null}
		<p class="text-ink-2" role="status">Finding the sentences …</p>
	{:else if row.state !== 'note'}
		<h2 class="border-t border-rule pt-2 font-sans text-xs" aria-live="polite">
			{uses}
			{uses === 1 ? 'use' : 'uses'} in {contexts.length}
			{contexts.length === 1 ? 'sentence' : 'sentences'}
		</h2>
		{#each groups as group, g (g)}
			<div class="border-b border-rule py-2">
				<p class="text-xs">
					<OpenPage
						page={group.page}
						says={group.contexts[0]!.text}
						label="{letters.get(group.page)} · {group.heading || 'before the first heading'}"
					/>
				</p>
				{#each group.contexts as context, i (i)}
					<p class="mt-0.5 font-serif text-[14px] leading-normal">
						{#each piecesOf(context) as piece, p (p)}{#if piece.isMarked}<mark>{piece.text}</mark
								>{:else}{piece.text}{/if}{/each}
					</p>
				{/each}
			</div>
		{:else}
			<p class="py-2 text-ink-2">No counted page uses it word for word.</p>
		{/each}
	{/if}
</div>

<style>
	mark {
		background: var(--mark);
		color: inherit;
		padding: 0 1px;
	}
</style>
