<!-- Findings: what the counted pages say, in terms, topics, questions and shape. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { measureDoc } from '$lib/core/takes';
	import { indexTerms } from '$lib/core/text';
	import { useSession } from '../assignment/session.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import QuestionsView from './QuestionsView.svelte';
	import ShapeView from './ShapeView.svelte';
	import { overviewOf } from './overview';
	import TermDetail from './TermDetail.svelte';
	import TermsGrid from './TermsGrid.svelte';
	import TopicsView from './TopicsView.svelte';

	const session = useSession();
	const TABS = ['Terms', 'Topics', 'Questions', 'Shape'] as const;
	let tab = $state<(typeof TABS)[number]>('Terms');
	let chosen = $state<string | null>(null);

	const findings = $derived(session.findings);
	const term = $derived(
		findings?.terms.find(({ key }) => key === chosen) ??
			findings?.terms.find(({ phrase }) => !findings.keyword.toLowerCase().includes(phrase)) ??
			findings?.terms[0] ??
			null
	);
	const take = $derived(session.takes.at(-1));
	/** Uses of every term in the last take, or null without one. */
	const ours = $derived.by(() => {
		if (!take || !findings) return null;
		const blocks = measureDoc(take.doc, indexTerms(findings.terms), new Float64Array());
		const uses = new Map<string, number>();
		for (const { counts } of blocks)
			for (const [t, n] of counts.all)
				uses.set(findings.terms[t]!.key, (uses.get(findings.terms[t]!.key) ?? 0) + n);
		return uses;
	});
</script>

{#if session.counted.length === 0}
	<div class="max-w-lg p-8">
		<h1 class="text-xl">Nothing is counted yet</h1>
		<p class="mt-2 text-ink-2">
			Findings come from the pages you count. <a
				class="linkish"
				href={resolve('/a/[id]/gather', { id: session.id })}>Gather pages first</a
			>{session.pages.length > 0 ? ', or count one that is set aside' : ''}.
		</p>
	</div>
{:else if !findings}
	<div class="p-8">
		{#if session.progress}<ProgressLine
				label="Reading page"
				done={session.progress.done}
				all={session.progress.all}
			/>{:else}<p class="text-ink-2" role="status">Reading the evidence …</p>{/if}
	</div>
{:else}
	<div
		class="grid h-full grid-cols-[minmax(0,1fr)_330px] max-lg:grid-cols-1 max-lg:overflow-y-auto"
		class:wide={tab !== 'Terms'}
		class:opacity-70={session.isBehind}
	>
		<section class="flex min-h-0 min-w-0 flex-col px-5 pt-3 max-sm:px-3" aria-label="Findings">
			<div class="flex items-end gap-5 border-b border-rule">
				<Tabs label="Findings" tabs={TABS.map((name) => ({ id: name, name }))} bind:value={tab} />
				<p class="ml-auto pb-2 text-ink-2 max-sm:hidden">
					for {findings.targetWords.toLocaleString('en')} words · {session.counted.length} pages counted
				</p>
			</div>
			{#if tab === 'Terms'}
				<p class="max-w-3xl py-3 font-serif text-[15.5px] leading-relaxed">
					{#each overviewOf(findings) as part, i (i)}{#if part.strong}<strong>{part.text}</strong
							>{:else}{part.text}{/if}{/each}
				</p>
				<TermsGrid
					{findings}
					letters={session.letters}
					{ours}
					chosen={term?.key ?? null}
					onchoose={(key) => (chosen = key)}
				/>
			{:else if tab === 'Topics'}
				<TopicsView {findings} letters={session.letters} />
			{:else if tab === 'Questions'}
				<QuestionsView {findings} letters={session.letters} nameOf={(id) => session.nameOf(id)} />
			{:else}
				<ShapeView {findings} letters={session.letters} />
			{/if}
		</section>
		{#if tab === 'Terms'}
			<aside
				class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-5 py-4 max-lg:border-t max-lg:border-l-0"
				aria-label="Uses in context"
			>
				{#if term}<TermDetail
						{term}
						{findings}
						letters={session.letters}
						input={session.input}
					/>{/if}
			</aside>
		{/if}
	</div>
{/if}

<style>
	.wide {
		grid-template-columns: minmax(0, 1fr);
	}
</style>
