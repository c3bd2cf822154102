<!-- The bench for the section in hand: fitting notes, facts, and how others use a term. -->
<script lang="ts">
	import { passagesOf } from '$lib/core/writers';
	import type { Context, Findings } from '$lib/core/findings';
	import type { Origin } from '$lib/core/manuscript';
	import { isMaterial, unitsOfNote } from '$lib/core/notes';
	import type { Plan } from '$lib/core/plan';
	import type { Slip } from '$lib/core/standing';
	import { contentStemsOf, findTerms, indexTerms, patternOf } from '$lib/core/text';
	import { analysis } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import { keyed } from '../parts/keyed';

	interface Props {
		findings: Findings;
		plan: Plan;
		slip: Slip | null;
		/** A term the writer asked about. */
		term: string | null;
		onbring: (text: string, origin: Origin | null) => void;
	}
	let { findings, plan, slip, term, onbring }: Props = $props();
	const session = useSession();
	let contexts = $state.raw<readonly Context[]>([]);

	const section = $derived(plan.sections.find(({ id }) => id === slip?.section));
	const passages = $derived(
		passagesOf(
			session.notes.filter(isMaterial).map((note) => {
				const units = unitsOfNote(note);
				return {
					id: note.id,
					label: session.noteSigns.get(note.id) ?? '',
					title: units.title || note.name,
					units
				};
			})
		)
	);
	/** Passages that hold most of what the section is to hold. */
	const fitting = $derived.by(() => {
		if (!section) return [];
		const index = indexTerms(
			section.terms.map(
				({ term }) => findings.terms.find(({ key }) => key === term) ?? patternOf(term)
			)
		);
		const stems = new Set(contentStemsOf(section.heading));
		return passages
			.map((passage) => {
				const text = passage.sentences.join(' ');
				const held = new Set(findTerms(index, text).map(({ term }) => term)).size;
				return {
					text,
					passage,
					value: held + passage.stems.filter((stem) => stems.has(stem)).length * 0.7
				};
			})
			.filter(({ value }) => value >= 1)
			.sort((a, b) => b.value - a.value || a.passage.at - b.passage.at)
			.slice(0, 5);
	});
	const shown = $derived(findings.terms.find(({ key }) => key === (term ?? slip?.terms[0]?.key)));

	$effect(() => {
		const wanted = shown;
		let isStale = false;
		contexts = [];
		const { analysed } = session;
		if (!wanted || !analysed) return;
		void analysis.context(analysed.evidence, $state.snapshot(wanted)).then((found) => {
			if (!isStale) contexts = found;
		});
		return () => {
			isStale = true;
		};
	});
	/** One sentence a page is enough to see how a term is used. */
	const examples = $derived(
		contexts
			.filter(({ page }, i) => contexts.findIndex((other) => other.page === page) === i)
			.slice(0, 5)
	);
</script>

<h2 class="mt-2 font-sans text-xs">{slip ? slip.heading : 'Put the cursor into a section'}</h2>
{#each keyed(fitting, ({ passage }) => passage.at) as { rowKey, item: { text, passage } } (rowKey)}
	<p class="item">
		<strong class="text-secondary"
			>{passage.label}
			{session.nameOf(passage.note)}{#if session.timeOf(passage.note, passage.sentences[0] ?? '')}, {session.timeOf(
					passage.note,
					passage.sentences[0] ?? ''
				)}{/if}</strong
		>
		<span class="font-serif">{text}</span>
		<button
			class="linkish"
			onclick={() => onbring(text, { source: passage.note, label: passage.label })}>Bring in</button
		>
	</p>
{:else}
	<p class="item">None of your notes speaks of this section.</p>
{/each}
{#each keyed(slip?.facts ?? [], (fact) => fact.id) as { rowKey, item: fact } (rowKey)}
	{@const known = findings.facts.find(({ id }) => id === fact.id)}
	<p class="item">
		<strong class="text-primary"
			>= {known?.origin === 'note'
				? 'your notes'
				: session.letters.get(known?.source ?? '')}</strong
		>
		{fact.text}
	</p>
{/each}
{#if shown}
	<div class="item">
		<p>
			<strong class="text-primary">{shown.phrase}</strong> on {shown.uses.length}
			{shown.uses.length === 1 ? 'page' : 'pages'}
		</p>
		{#each examples as context, i (i)}
			<p class="mt-1">
				{session.letters.get(context.page)}: <span class="font-serif">{context.text}</span>
			</p>
		{/each}
	</div>
{/if}

<style>
	.item {
		border-top: 1px solid var(--rule);
		padding: 8px 0;
		margin-top: 6px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
