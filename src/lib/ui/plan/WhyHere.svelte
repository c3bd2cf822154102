<!-- Why a term stands where it stands: parts, sentences, and what it would cost elsewhere. -->
<script lang="ts">
	import HowLink from '../parts/HowLink.svelte';
	import {
		affinityOf,
		type AffinityParts,
		type PlanSection,
		type TermPlacement
	} from '$lib/core/plan';
	import type { Context } from '$lib/core/findings';
	import { analysis } from '$lib/workers/client';
	import OpenPage from '../findings/OpenPage.svelte';
	import MoveElsewhere from './MoveElsewhere.svelte';
	import { usePlanEditor } from './plan-editor.svelte';

	interface Props {
		placement: TermPlacement;
		section: PlanSection;
	}
	let { placement, section }: Props = $props();
	const editor = usePlanEditor();
	const { session } = editor;

	const NAMES: Readonly<Record<keyof AffinityParts, string>> = {
		topic: 'same topic',
		company: 'company',
		heading: 'heading',
		level: 'level',
		position: 'position'
	};
	const findings = $derived(editor.findings);
	const t = $derived(findings?.terms.findIndex(({ key }) => key === placement.term) ?? -1);
	const term = $derived(t < 0 ? null : findings!.terms[t]!);
	const parts = $derived(
		(Object.keys(NAMES) as (keyof AffinityParts)[]).map((part) => ({
			part,
			value: placement.parts[part]
		}))
	);
	/** Other sections that suit it, best first. */
	const elsewhere = $derived.by(() => {
		const { plan } = editor;
		if (t < 0 || !plan) return [];
		return plan.sections
			.map((other, s) => ({ other, fit: affinityOf(editor.affinities[t]![s]!) }))
			.filter(
				({ other, fit }) =>
					other.id !== section.id &&
					fit > 0.02 &&
					!other.terms.some((placed) => placed.term === placement.term)
			)
			.sort((a, b) => b.fit - a.fit)
			.slice(0, 3);
	});
	const isConfined = $derived(editor.plan?.confined[placement.term] !== undefined);
	let contexts = $state.raw<readonly Context[] | null>(null);
	let isAsked = $state(false);

	/** Sentences of the pages' sections on the same topics first, then all others. */
	const shown = $derived.by(() => {
		const places = new Set(
			editor
				.topicsOf(section)
				.flatMap(({ headings }) => headings.map((h) => `${h.page}/${h.section}`))
		);
		return (contexts ?? [])
			.map((context) => ({
				context,
				isHere: places.has(`${context.page}/${context.section}`)
			}))
			.sort((a, b) => Number(b.isHere) - Number(a.isHere))
			.slice(0, 6);
	});

	// asked before the findings are there, it is answered when they come
	$effect(() => {
		const { analysed } = session;
		if (!isAsked || contexts !== null || !term || !analysed) return;
		const { phrase, verbs, variants } = term;
		void analysis
			.context(analysed.evidence, $state.snapshot({ phrase, verbs, variants }))
			.then((found) => (contexts = found));
	});
</script>

<p>
	<strong>{term?.phrase ?? placement.term}</strong> → {editor.headingOf(section.id)}
</p>
<p class="mt-1 text-ink-2">
	{placement.reason}
	{#if term}On {term.uses.length} of {findings?.pages.length} pages ({term.uses
			.map(({ page }) => session.letters.get(page))
			.sort()
			.join(' ')}).{/if}
</p>
<dl class="mt-2">
	{#each parts as { part, value } (part)}
		<div class="flex items-center gap-2">
			<dt class="w-20">{NAMES[part]}</dt>
			<dd class="flex flex-1 items-center gap-2">
				<i class="block h-[5px] bg-primary" style:width="{Math.round(150 * Math.min(1, value))}px"
				></i><span class="ml-auto">{value.toFixed(2)}</span>
			</dd>
		</div>
	{/each}
</dl>
<p class="mt-1 flex border-t border-rule pt-1">
	<span>in all · <HowLink to="plan" of="a placement" /></span><span class="ml-auto font-semibold"
		>{placement.affinity.toFixed(2)}</span
	>
</p>
<MoveElsewhere kind="term" id={placement.term} {section} here={placement.affinity} {elsewhere} />
<div class="mt-2 flex items-center gap-2">
	<label class="flex items-center gap-1"
		>uses <input
			class="field w-14 text-right"
			type="number"
			min="1"
			max="20"
			value={placement.uses}
			onchange={(event) =>
				editor.changeTerm(section.id, placement.term, 'Changed how often a term is wanted', {
					uses: Math.min(20, Math.max(1, Math.round(event.currentTarget.valueAsNumber) || 1)),
					locked: true
				})}
		/></label
	>
</div>
<p class="mt-2 flex flex-wrap gap-x-3 gap-y-1">
	<button
		class="linkish"
		onclick={() =>
			editor.changeTerm(
				section.id,
				placement.term,
				placement.locked ? 'Unlocked a placement' : 'Locked a placement',
				{ locked: !placement.locked }
			)}>{placement.locked ? 'Unlock' : 'Lock here'}</button
	>
	<button
		class="linkish"
		onclick={() => editor.confine(placement.term, isConfined ? null : section.id)}
		>{isConfined ? 'Let it stand anywhere' : 'Only here'}</button
	>
	<button class="linkish" onclick={() => editor.takeOut('term', placement.term, section.id)}
		>Take it out</button
	>
	<button class="linkish" onclick={() => editor.refuse(section.id, placement.term)}
		>Never here</button
	>
	{#if !isAsked}<button class="linkish" onclick={() => (isAsked = true)}>See the sentences</button
		>{/if}
</p>
{#if isAsked}
	<div class="mt-2 max-h-56 overflow-y-auto border-t border-rule pt-1">
		{#if contexts === null}<p class="text-ink-2" role="status">Finding the sentences …</p>
		{:else}
			{#each shown as { context, isHere }, i (i)}
				<p class="py-1">
					<OpenPage
						page={context.page}
						says={context.text}
						label="{session.letters.get(context.page)} · {context.heading || 'opening'}"
					/>{#if isHere}<span class="ml-1 text-xs text-secondary">same topic</span>{/if}
					<span class="block font-serif">{context.text}</span>
				</p>
			{:else}
				<p class="text-ink-2">No page uses it in a sentence.</p>
			{/each}
		{/if}
	</div>
{/if}
