<!-- What stands in a section: terms, questions, facts and notes as small marks that open to reasons. -->
<script lang="ts">
	import Lock from '@lucide/svelte/icons/lock';
	import { Popover } from 'bits-ui';
	import { conflictsIn, type PlanSection } from '$lib/core/plan';
	import { rangeShown } from '../findings/figures';
	import OpenPage from '../findings/OpenPage.svelte';
	import StateMark from '../parts/StateMark.svelte';
	import { usePlanDesk, type Placeable } from './desk.svelte';
	import WhyHere from './WhyHere.svelte';

	interface Props {
		section: PlanSection;
		isChosen: boolean;
	}
	let { section, isChosen }: Props = $props();
	const desk = usePlanDesk();
	const { session } = desk;

	const findings = $derived(desk.findings);
	const phrases = $derived(new Map(findings?.terms.map((term) => [term.key, term.phrase])));
	const SHOWN = 12;
	const shown = $derived(isChosen ? section.terms : section.terms.slice(0, SHOWN));
	const conflicts = $derived(findings ? conflictsIn(section, findings) : []);
	const formats = $derived.by(() => {
		const topics = desk.topicsOf(section);
		return (['steps', 'list', 'table'] as const).flatMap((format) => {
			const share = Math.max(0, ...topics.map((topic) => topic.formats[format]));
			return share >= 0.34
				? [
						`${Math.round(100 * share)}% of pages ${{ steps: 'number the steps', list: 'use a list', table: 'use a table' }[format]} here`
					]
				: [];
		});
	});

	function drag(event: DragEvent, kind: Placeable, id: string) {
		desk.dragged = { kind, ids: [id], from: section.id };
		event.dataTransfer?.setData('text/plain', desk.nameOf(kind, id));
		event.stopPropagation();
	}
</script>

<p class="flex flex-wrap gap-x-4 gap-y-0.5 pl-[52px] max-sm:pl-2">
	{#each shown as placement (placement.term)}
		<Popover.Root>
			<Popover.Trigger
				class="inline-flex items-center gap-1.5 hover:text-accent"
				draggable={true}
				ondragstart={(event: DragEvent) => drag(event, 'term', placement.term)}
				ondragend={() => (desk.dragged = null)}
			>
				<StateMark state="placed" />{phrases.get(placement.term) ??
					placement.term}{#if placement.uses > 1}<span class="text-ink-2">×{placement.uses}</span
					>{/if}
				{#if placement.locked}<Lock size={10} />{/if}
			</Popover.Trigger>
			<Popover.Portal>
				<Popover.Content
					class="z-20 max-h-[min(80dvh,var(--bits-popover-content-available-height))] w-[370px] max-w-[94vw] overflow-y-auto border border-ink bg-base-100 p-3.5"
					sideOffset={4}
					collisionPadding={12}
					aria-label="Why here?"
				>
					<WhyHere {placement} {section} />
				</Popover.Content>
			</Popover.Portal>
		</Popover.Root>
	{/each}
	{#if section.terms.length > shown.length}<span class="text-ink-2"
			>and {section.terms.length - shown.length} more</span
		>{/if}
	{#if !isChosen}
		{#each section.questions as { question, reason } (question)}
			<span class="text-primary" title={reason}>? {desk.nameOf('question', question)}</span>
		{/each}
		{#if section.facts.length > 0}<span class="text-ink-2"
				>= {section.facts.length}
				{section.facts.length === 1 ? 'fact' : 'facts'}</span
			>{/if}
		{#if section.notes.length > 0}<span class="text-ink-2"
				>{section.notes.length}
				{section.notes.length === 1 ? 'note' : 'notes'}</span
			>{/if}
	{/if}
	{#each conflicts as { figure } (figure.id)}<span class="text-accent"
			>= {figure.label || 'a figure'}: {rangeShown(figure)}, sources differ</span
		>{/each}
	{#if section.terms.length + section.questions.length + section.facts.length + section.notes.length === 0}<span
			class="text-ink-2">nothing placed here</span
		>{/if}
</p>
{#snippet takeOut(kind: Placeable, id: string)}
	<button
		class="linkish text-xs"
		aria-label="Take out: {desk.nameOf(kind, id)}"
		onclick={() => desk.takeOut(kind, id, section.id)}>Take out</button
	>
{/snippet}
{#if isChosen}
	<ul class="mt-1 pl-[52px] max-sm:pl-2">
		{#each section.questions as { question, reason } (question)}
			<li
				class="text-primary"
				title={reason}
				draggable="true"
				ondragstart={(event) => drag(event, 'question', question)}
				ondragend={() => (desk.dragged = null)}
			>
				? {findings?.questions.find(({ id }) => id === question)?.text ??
					question.replace(/^question:/, '')}
				{@render takeOut('question', question)}
			</li>
		{/each}
		{#each section.facts as { fact, reason } (fact)}
			{@const found = findings?.facts.find(({ id }) => id === fact)}
			{#if found}<li
					class="text-ink-2"
					title={reason}
					draggable="true"
					ondragstart={(event) => drag(event, 'fact', fact)}
					ondragend={() => (desk.dragged = null)}
				>
					<strong class="text-ink"
						>= {#if session.letters.has(found.source)}<OpenPage
								page={found.source}
								says={found.text}
								label={session.letters.get(found.source) ?? ''}
							/>{:else}{session.nameOf(found.source)}{/if}</strong
					>
					{found.text}
					{@render takeOut('fact', fact)}
				</li>{/if}
		{/each}
		{#each section.notes as { note, reason } (note)}
			{@const found = findings?.notePassages.find(({ id }) => id === note)}
			{#if found}<li
					class="text-ink-2"
					title={reason}
					draggable="true"
					ondragstart={(event) => drag(event, 'note', note)}
					ondragend={() => (desk.dragged = null)}
				>
					<strong class="text-secondary"
						>{session.noteSigns.get(found.source) ?? session.nameOf(found.source)}</strong
					>
					{found.text.length > 180 ? `${found.text.slice(0, 177).trimEnd()} …` : found.text}
					{@render takeOut('note', note)}
				</li>{/if}
		{/each}
		{#each formats as format (format)}<li class="text-ink-2">{format}.</li>{/each}
		{#each section.refused as term (term)}
			<li class="text-ink-2">
				does not take <s>{phrases.get(term) ?? term}</s>
				<button
					class="linkish text-xs"
					onclick={() =>
						desk.changeSection(section.id, `“${phrases.get(term) ?? term}” may stand here again`, {
							refused: section.refused.filter((other) => other !== term)
						})}>Let it</button
				>
			</li>
		{/each}
	</ul>
{/if}
