<!-- Why a question, a fact or a note stands where it stands: who says it, and what else would suit it. -->
<script lang="ts">
	import { materialFits, questionFits, type PlanSection, type Placeable } from '$lib/core/plan';
	import { rangeShown } from '../findings/figures';
	import OpenPage from '../findings/OpenPage.svelte';
	import MoveElsewhere from './MoveElsewhere.svelte';
	import { usePlanEditor } from './plan-editor.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		kind: Exclude<Placeable, 'term'>;
		id: string;
		reason: string;
		locked: boolean;
		section: PlanSection;
	}
	let { kind, id, reason, locked, section }: Props = $props();
	const editor = usePlanEditor();
	const { session } = editor;

	const findings = $derived(editor.findings!);
	const question = $derived(
		kind === 'question' ? findings.questions.find((one) => one.id === id) : undefined
	);
	const fact = $derived(kind === 'fact' ? findings.facts.find((one) => one.id === id) : undefined);
	const note = $derived(
		kind === 'note' ? findings.notePassages.find((one) => one.id === id) : undefined
	);
	/** Figures of the fact that other sources give too. */
	const figures = $derived(
		findings.figures.filter(
			({ values, sources }) => sources.length > 1 && values.some((value) => value.fact === id)
		)
	);
	const fits = $derived.by(() => {
		const { plan } = editor;
		if (!plan) return [];
		const values = question
			? questionFits(question, plan.sections, findings)
			: materialFits({ fact, note }, plan.sections, findings);
		return plan.sections.map((other, s) => ({ other, fit: values[s]! }));
	});
	const here = $derived(fits.find(({ other }) => other.id === section.id)?.fit ?? 0);
	const elsewhere = $derived(
		fits
			.filter(({ other, fit }) => other.id !== section.id && fit > 0.2)
			.sort((a, b) => b.fit - a.fit)
			.slice(0, 3)
	);

	const labelOf = (source: string) =>
		session.letters.get(source) ?? session.noteSigns.get(source) ?? session.nameOf(source);
</script>

{#snippet said(source: string, text: string, heading = '')}
	<p class="py-1">
		{#if session.letters.has(source)}<OpenPage
				page={source}
				says={text}
				label={[labelOf(source), heading].filter(Boolean).join(' · ')}
			/>{:else}<span class="text-secondary"
				>{[labelOf(source), heading].filter(Boolean).join(' · ')}</span
			>{/if}
		<span class="block font-serif">{text}</span>
	</p>
{/snippet}

<p><strong>{editor.nameOf(kind, id)}</strong> → {editor.headingOf(section.id)}</p>
<p class="mt-1 text-ink-2">{reason} It suits this section by {here.toFixed(2)}.</p>
<div class="mt-1 max-h-56 overflow-y-auto border-t border-rule">
	{#if question}
		<p class="py-1 text-ink-2">
			Asked by {[...question.pages, ...question.lists].map(labelOf).sort().join(', ') ||
				'yourself'}{question.volume === null
				? ''
				: `, ${question.volume.toLocaleString('en')} searches a month`}.
			{#if question.answers.length === 0}Nobody answers it.{/if}
		</p>
		{#each withRowKeys(question.answers, (answer) => answer.source) as { rowKey, item: answer } (rowKey)}{@render said(
				answer.source,
				answer.text
			)}{/each}
	{:else if fact}
		{@render said(fact.source, fact.text, fact.heading)}
		{#each withRowKeys(figures, (figure) => figure.id) as { rowKey, item: figure } (rowKey)}<p
				class={['py-1', figure.agreement === 'differs' ? 'text-accent' : 'text-ink-2']}
			>
				{figure.label || 'This figure'}: {rangeShown(figure)} in {figure.sources
					.map(labelOf)
					.sort()
					.join(' ')}
			</p>{/each}
	{:else if note}{@render said(note.source, note.text, note.heading)}
	{:else}<p class="py-1 text-ink-2">The evidence does not hold it any more.</p>{/if}
</div>
<MoveElsewhere {kind} {id} {section} {here} {elsewhere} />
<div class="mt-2 flex items-center gap-3">
	<button class="linkish whitespace-nowrap" onclick={() => editor.toggleHeld(section.id, kind, id)}
		>{locked ? 'Unlock' : 'Lock here'}</button
	>
	<button class="linkish whitespace-nowrap" onclick={() => editor.takeOut(kind, id, section.id)}
		>Take it out</button
	>
</div>
