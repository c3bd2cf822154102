<!-- The brief, and what the plan has for the section in hand, beside the text. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Findings } from '$lib/core/findings';
	import type { Plan } from '$lib/core/plan';
	import { useSession } from '../assignment/session.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		plan: Plan;
		findings: Findings;
		/** The section in hand; null: none. */
		section: string | null;
	}
	let { plan, findings, section }: Props = $props();
	const session = useSession();

	const planned = $derived(plan.sections.find(({ id }) => id === section));
	const brief = $derived(session.assignment?.brief);
	const lines = $derived(
		brief
			? (
					[
						['Reader', brief.reader || (session.client?.audience ?? '')],
						['Purpose', brief.purpose],
						['Form', brief.form ?? ''],
						['Point of view', brief.person ?? ''],
						['Tone', brief.tone],
						['Reading grade', brief.grade?.toString() ?? ''],
						['Call to action', brief.callToAction],
						['Must be said', brief.mustSay.join(' · ')],
						['Must not be said', session.mustNotSay.join(' · ')]
					] as const
				).filter(([, value]) => value.trim() !== '')
			: []
	);
	const phraseOf = (key: string) => findings.terms.find((term) => term.key === key)?.phrase ?? key;
	const questionOf = (id: string) =>
		findings.questions.find((question) => question.id === id)?.text ?? '';
	const textOf = (id: string) =>
		findings.facts.find((fact) => fact.id === id)?.text ??
		findings.notePassages.find((note) => note.id === id)?.text ??
		'';
</script>

{#if planned}
	<section aria-label="Plan of the section">
		<h2>{planned.level === 1 ? 'The opening' : planned.heading}</h2>
		<p class="text-ink-2">{planned.kind}, {planned.budget} words</p>
		{#if planned.terms.length > 0}<p class="item">
				{planned.terms
					.map(({ term, uses }) => `${phraseOf(term)}${uses > 1 ? ` ×${uses}` : ''}`)
					.join(' · ')}
			</p>{/if}
		{#each withRowKeys(planned.questions, ({ question }) => question) as { rowKey, item } (rowKey)}<p
				class="item"
			>
				<strong class="text-primary">?</strong>
				{questionOf(item.question)}
			</p>{/each}
		{#each withRowKeys(planned.facts, ({ fact }) => fact) as { rowKey, item } (rowKey)}<p
				class="item"
			>
				<strong class="text-primary">=</strong>
				{textOf(item.fact)}
			</p>{/each}
	</section>
{:else}
	<p class="item">Put the cursor into a section to see what the plan has for it.</p>
{/if}
<section class="mt-5" aria-label="Brief">
	<h2>
		Brief
		<a class="linkish text-xs font-normal" href={resolve('/a/[id]/brief', { id: session.id })}
			>Open it</a
		>
	</h2>
	<dl>
		{#each lines as [name, value] (name)}<dt>{name}</dt>
			<dd>{value}</dd>{:else}<dd class="text-ink-2">Nothing is settled yet.</dd>{/each}
	</dl>
</section>

<style>
	h2 {
		font: 600 12.5px/1.5 var(--font-sans);
		margin-top: 8px;
	}
	.item {
		border-top: 1px solid var(--rule);
		padding: 6px 0;
		margin-top: 5px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	dl {
		font-size: 12.5px;
	}
	dt {
		border-top: 1px solid var(--rule);
		padding-top: 6px;
		margin-top: 6px;
		font-weight: 600;
	}
	dd {
		color: var(--ink-2);
		white-space: pre-line;
	}
</style>
