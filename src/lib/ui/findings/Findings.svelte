<!-- Findings: what the counted pages say, in terms, topics, questions and shape. -->
<script lang="ts">
	import HowLink from '../parts/HowLink.svelte';
	import { resolve } from '$app/paths';
	import { shapeOfArticle } from '$lib/core/standing';
	import { readArticle } from '$lib/core/measure';
	import { indexTerms } from '$lib/core/text';
	import { useSession } from '../assignment/session.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import FactsView from './FactsView.svelte';
	import PhrasesView from './PhrasesView.svelte';
	import QuestionsView from './QuestionsView.svelte';
	import ShapeView from './ShapeView.svelte';
	import TermsView from './TermsView.svelte';
	import TopicsView from './TopicsView.svelte';

	const session = useSession();
	const TABS = ['Terms', 'Long phrases', 'Topics', 'Questions', 'Facts', 'Shape'] as const;
	let tab = $state<(typeof TABS)[number]>('Terms');

	const findings = $derived(session.findings);
	const take = $derived(session.takes.at(-1));
	/** The last take measured by the findings, or null without one. */
	const measured = $derived(
		take && findings
			? readArticle(take.doc, { terms: indexTerms(findings.terms), runs: new Float64Array() })
			: null
	);
	/** Uses of every term in the last take. */
	const ours = $derived.by(() => {
		if (!measured || !findings) return null;
		return new Map(
			findings.terms.flatMap(({ key }, t): [string, number][] => {
				const uses = measured.uses[t] ?? 0;
				return uses > 0 ? [[key, uses]] : [];
			})
		);
	});
	const shape = $derived(
		measured
			? shapeOfArticle(measured, {
					titleTag: session.plan?.titleTag ?? '',
					description: session.plan?.description ?? ''
				})
			: null
	);

	/** Where each is explained in docs/METHODS.md. */
	const METHOD_OF: Readonly<Record<(typeof TABS)[number], string>> = {
		Terms: 'terms',
		'Long phrases': 'terms',
		Topics: 'topics',
		Questions: 'questions',
		Facts: 'facts',
		Shape: 'shape'
	};
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
	<section
		class="flex h-full min-h-0 min-w-0 flex-col px-5 pt-3 max-lg:overflow-y-auto max-sm:px-3"
		class:opacity-70={!session.isCurrent}
		aria-label="Findings"
		aria-busy={!session.isCurrent}
	>
		<div class="tabs flex items-end gap-5 border-b border-rule">
			<div class="min-w-0 overflow-x-auto">
				<Tabs label="Findings" tabs={TABS.map((name) => ({ id: name, name }))} bind:value={tab} />
			</div>
			<p class="ml-auto pb-2 whitespace-nowrap text-ink-2 max-lg:hidden">
				for {findings.targetWords.toLocaleString('en')} words · {session.counted.length}
				{session.counted.length === 1 ? 'page' : 'pages'} counted · <HowLink
					to={METHOD_OF[tab]}
					of={tab.toLowerCase()}
				/>
			</p>
		</div>
		{#if tab === 'Terms'}
			<TermsView {findings} {ours} />
		{:else if tab === 'Long phrases'}
			<PhrasesView {findings} />
		{:else if tab === 'Topics'}
			<TopicsView {findings} />
		{:else if tab === 'Questions'}
			<QuestionsView {findings} />
		{:else if tab === 'Facts'}
			<FactsView {findings} />
		{:else}
			<ShapeView {findings} letters={session.letters} ours={shape} />
		{/if}
	</section>
{/if}
