<!-- Terms: the overview, the grid, and the term in hand with every sentence it was counted from. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import {
		editTerm,
		mergeTerms,
		type FindingEdits,
		type Findings,
		type TermWeight
	} from '$lib/core/findings';
	import { termKeyOf } from '$lib/core/text';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import { overviewOf, type Piece } from './overview';
	import TermDetail from './TermDetail.svelte';
	import {
		NO_FILTER,
		termRowsOf,
		termsAsCsv,
		termsAsText,
		type TermFilter,
		type TermRow,
		type TermSort
	} from './term-rows';
	import TermsGrid from './TermsGrid.svelte';
	import TermTools from './TermTools.svelte';

	interface Props {
		findings: Findings;
		/** Uses in our take by term key; null without a take. */
		ours: ReadonlyMap<string, number> | null;
	}
	let { findings, ours }: Props = $props();

	const session = useSession();
	let chosen = $state<string | null>(null);
	let filter = $state.raw<TermFilter>(NO_FILTER);
	let sort = $state<TermSort>('rank');
	let ticked = $state.raw<ReadonlySet<string>>(new Set());

	const rows = $derived(termRowsOf(findings, filter, sort));
	const row = $derived(
		rows.find(({ term }) => term.key === chosen) ??
			rows.find(({ term }) => !findings.keyword.toLowerCase().includes(term.phrase)) ??
			rows[0] ??
			null
	);
	const overview: readonly Piece[] = $derived(
		overviewOf(findings).flatMap((sentence, i) =>
			i === 0 ? sentence : [{ text: ' ' }, ...sentence]
		)
	);
	const tickedRows = $derived(rows.filter(({ term }) => ticked.has(term.key)));

	const named = (list: readonly TermRow[]) =>
		list.length === 1 ? `“${list[0]!.term.phrase}”` : `${list.length} terms`;

	function editAll(
		label: string,
		list: readonly TermRow[],
		change: Parameters<typeof editTerm>[2]
	): void {
		const terms = list.map(({ term }) => ({ key: term.key, phrase: term.phrase }));
		void session.edit(label, (edits) =>
			terms.reduce<FindingEdits>((changed, term) => editTerm(changed, term, change), edits)
		);
	}

	function strike(list: readonly TermRow[]) {
		const back = list.every(({ state }) => state === 'struck');
		const fair = list.filter(({ term }) => term.key !== termKeyOf(findings.keyword));
		if (fair.length < list.length)
			toast('The exact keyword stays: every check of a draft begins with it.');
		if (fair.length === 0) return;
		// the row in hand goes, so its neighbour is taken in hand
		const at = rows.findIndex(({ term }) => term.key === fair[0]!.term.key);
		const next = rows.slice(at).find((other) => !fair.includes(other)) ?? rows[at - 1];
		if (row && fair.includes(row)) chosen = next?.term.key ?? null;
		editAll(`${back ? 'Brought back' : 'Struck out'} ${named(fair)}`, fair, {
			isStruck: !back,
			...(back ? {} : { isPinned: false })
		});
		ticked = new Set();
	}

	function weigh(list: readonly TermRow[], weight: TermWeight) {
		editAll(`Weighed ${named(list)} as ${weight}`, list, {
			weight,
			// a weight makes a term of what only notes have
			...(list.some(({ state }) => state === 'note') ? { isOwn: true } : {})
		});
		ticked = new Set();
	}

	function add(phrase: string) {
		const key = termKeyOf(phrase);
		void session.edit(`Added “${phrase}”`, (edits) =>
			editTerm(
				edits,
				{ key, phrase: phrase.toLowerCase() },
				{ isOwn: true, isStruck: false, into: null }
			)
		);
		chosen = key;
		filter = NO_FILTER;
	}

	function merge() {
		const [main, ...others] = tickedRows.map(({ term }) => ({
			key: term.key,
			phrase: term.phrase
		}));
		if (!main || others.length === 0) return;
		void session.edit(
			`Counted ${others.map(({ phrase }) => `“${phrase}”`).join(', ')} as “${main.phrase}”`,
			(edits) => mergeTerms(edits, main, others)
		);
		chosen = main.key;
		ticked = new Set();
	}

	async function copy(form: 'commas' | 'lines' | 'markdown') {
		await navigator.clipboard.writeText(termsAsText(rows, form));
		toast(`Copied ${rows.length} terms.`);
	}

	function exportCsv() {
		download('terms.csv', termsAsCsv(findings, rows, session.letters), 'text/csv');
	}
</script>

<div class="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_330px] max-lg:grid-cols-1">
	<div class="flex min-h-0 min-w-0 flex-col pr-5 max-lg:pr-0">
		<p class="py-2.5 font-serif text-[14.5px] leading-relaxed max-sm:hidden">
			{#each overview as part, i (i)}{#if part.strong}<strong>{part.text}</strong
					>{:else}{part.text}{/if}{/each}
		</p>
		<TermTools
			{filter}
			{sort}
			ticked={tickedRows.map(({ term }) => term.phrase)}
			struck={findings.struck.terms.length}
			onfilter={(next) => ((filter = next), (ticked = new Set()))}
			onsort={(next) => (sort = next)}
			onadd={add}
			onmerge={merge}
			onstrike={() => strike(tickedRows)}
			onweigh={(weight) => weigh(tickedRows, weight)}
			onuntick={() => (ticked = new Set())}
			oncopy={(form) => void copy(form)}
			onexport={exportCsv}
		/>
		<TermsGrid
			{findings}
			{rows}
			letters={session.letters}
			{ours}
			{sort}
			{ticked}
			chosen={row?.term.key ?? null}
			onsort={(next) => (sort = next)}
			ontick={(keys) => (ticked = keys)}
			onchoose={(key) => (chosen = key)}
			onstrike={(one) => strike([one])}
			onpin={(one) =>
				editAll(`${one.term.isPinned ? 'Unpinned' : 'Pinned'} “${one.term.phrase}”`, [one], {
					isPinned: !one.term.isPinned
				})}
			onweigh={(one, weight) => weigh([one], weight)}
		/>
		<p class="flex flex-wrap gap-x-4 border-t border-rule py-1.5 text-xs text-ink-2 max-sm:hidden">
			<span role="status">{rows.length} {rows.length === 1 ? 'term' : 'terms'}</span>
			<span><i class="bar"></i> uses per 1,000 words</span>
			<span><i class="line"></i> in a heading</span>
			<span><i class="ring"></i> in the opening</span>
			<span class="ml-auto">↑ ↓ move, space ticks, x strikes out, p pins, 1 2 3 weigh</span>
		</p>
	</div>
	<aside
		class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-5 py-4 max-lg:border-t max-lg:border-l-0"
		aria-label="Uses in context"
	>
		{#if row}<TermDetail
				{row}
				{findings}
				onstrike={() => strike([row])}
				onadd={() => add(row.term.phrase)}
				onchoose={(key) => (chosen = key)}
			/>{/if}
	</aside>
</div>

<style>
	.bar,
	.line,
	.ring {
		display: inline-block;
		margin-right: 4px;
	}
	.bar {
		width: 16px;
		height: 6px;
		background: color-mix(in oklab, var(--color-primary) 80%, var(--color-base-100));
	}
	.line {
		width: 12px;
		height: 2px;
		vertical-align: 4px;
		background: var(--color-accent);
	}
	.ring {
		width: 6px;
		height: 6px;
		border: 1.3px solid var(--color-secondary);
		border-radius: 50%;
	}
</style>
