<!-- One section of the outline: heading, kind, budget and what stands in it. -->
<script lang="ts">
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Grip from '@lucide/svelte/icons/grip-vertical';
	import Indent from '@lucide/svelte/icons/indent-increase';
	import Lock from '@lucide/svelte/icons/lock';
	import LockOpen from '@lucide/svelte/icons/lock-open';
	import Outdent from '@lucide/svelte/icons/indent-decrease';
	import X from '@lucide/svelte/icons/x';
	import { Popover } from 'bits-ui';
	import { dragHandle } from 'svelte-dnd-action';
	import type { Findings } from '$lib/core/findings';
	import { SECTION_KINDS, type Plan, type PlanSection, type SectionKind } from '$lib/core/plan';
	import StateMark from '../parts/StateMark.svelte';
	import WhyHere from './WhyHere.svelte';

	interface Props {
		section: PlanSection;
		number: string;
		plan: Plan;
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		isChosen: boolean;
		onchoose: () => void;
		onchange: (label: string, values: Partial<PlanSection>) => void;
		onmove: (by: -1 | 1) => void;
		onlevel: (level: 2 | 3) => void;
		onremove: () => void;
		onsections: (label: string, sections: readonly PlanSection[]) => void;
	}
	let {
		section,
		number,
		plan,
		findings,
		letters,
		isChosen,
		onchoose,
		onchange,
		onmove,
		onlevel,
		onremove,
		onsections
	}: Props = $props();

	const phrases = $derived(new Map(findings.terms.map((term) => [term.key, term.phrase])));
	const isOpening = $derived(section.level === 1);
	const SHOWN = 12;
	const shown = $derived(isChosen ? section.terms : section.terms.slice(0, SHOWN));

	function setBudget(text: string) {
		const budget = Number(text.replace(/\D/g, ''));
		if (Number.isFinite(budget) && budget !== section.budget)
			onchange('Changed a budget', { budget: Math.min(20_000, budget) });
	}
</script>

<!-- a click chooses; every control inside is reachable by keyboard -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions, a11y_click_events_have_key_events -->
<li
	class="row group"
	class:inner={section.level === 3}
	class:chosen={isChosen}
	onclick={onchoose}
	onfocusin={onchoose}
>
	<div class="flex items-baseline gap-2">
		{#if isOpening}
			<span class="w-4"></span>
		{:else}
			<span use:dragHandle class="grip text-ink-2" aria-label="Drag {section.heading}"
				><Grip size={14} /></span
			>
		{/if}
		<span class="w-7 text-right text-ink-2">{number}</span>
		<input
			class="min-w-0 flex-1 bg-transparent px-2 font-serif text-[15.5px] font-semibold"
			value={isOpening ? 'Opening, under the title' : section.heading}
			readonly={isOpening}
			aria-label="Heading{number ? ` of section ${number}` : ''}"
			onchange={(event) => onchange('Renamed a section', { heading: event.currentTarget.value })}
		/>
		<span class="tools flex items-center gap-1">
			{#if !isOpening}
				<button
					class="tool"
					onclick={() => onmove(-1)}
					aria-label="Move up: {section.heading}"
					title="Move up (Alt+↑)"><ArrowUp size={14} /></button
				>
				<button
					class="tool"
					onclick={() => onmove(1)}
					aria-label="Move down: {section.heading}"
					title="Move down (Alt+↓)"><ArrowDown size={14} /></button
				>
				{#if section.level === 2}
					<button
						class="tool"
						onclick={() => onlevel(3)}
						aria-label="Make a sub-section: {section.heading}"
						title="Make a sub-section (Alt+→)"><Indent size={14} /></button
					>
				{:else}
					<button
						class="tool"
						onclick={() => onlevel(2)}
						aria-label="Bring out: {section.heading}"
						title="Bring out (Alt+←)"><Outdent size={14} /></button
					>
				{/if}
				<button
					class="tool"
					onclick={onremove}
					aria-label="Take out: {section.heading}"
					title="Take out"><X size={14} /></button
				>
			{/if}
		</span>
		<button
			class="tool"
			class:locked={section.locked}
			aria-pressed={section.locked}
			onclick={() =>
				onchange(section.locked ? 'Unlocked a section' : 'Locked a section', {
					locked: !section.locked
				})}
			aria-label="{section.locked ? 'Unlock' : 'Lock'}: {section.heading}"
			title={section.locked ? 'Locked: proposals leave it alone' : 'Lock'}
		>
			{#if section.locked}<Lock size={13} />{:else}<LockOpen size={13} />{/if}
		</button>
		<select
			class="kind text-ink-2"
			value={section.kind}
			aria-label="Kind of {section.heading}"
			disabled={isOpening}
			onchange={(event) =>
				onchange('Changed a kind', { kind: event.currentTarget.value as SectionKind })}
		>
			{#each SECTION_KINDS as kind (kind)}<option value={kind}>{kind}</option>{/each}
		</select>
		<input
			class="w-14 bg-transparent text-right"
			value={section.budget}
			inputmode="numeric"
			aria-label="Words for {section.heading}"
			onchange={(event) => setBudget(event.currentTarget.value)}
		/>
	</div>
	<p class="flex flex-wrap gap-x-4 gap-y-0.5 pl-[52px]">
		{#each shown as placement (placement.term)}
			<Popover.Root>
				<Popover.Trigger class="inline-flex items-center gap-1.5 hover:text-accent">
					<StateMark state="placed" />{phrases.get(placement.term) ??
						placement.term}{#if placement.uses > 1}<span class="text-ink-2">×{placement.uses}</span
						>{/if}
					{#if placement.locked}<Lock size={10} />{/if}
				</Popover.Trigger>
				<Popover.Portal>
					<Popover.Content
						class="z-20 w-[330px] border border-ink bg-base-100 p-3.5"
						sideOffset={4}
						collisionPadding={12}
					>
						<WhyHere {placement} {section} {plan} {findings} {letters} {onsections} />
					</Popover.Content>
				</Popover.Portal>
			</Popover.Root>
		{/each}
		{#if section.terms.length > shown.length}<span class="text-ink-2"
				>and {section.terms.length - shown.length} more</span
			>{/if}
		{#each section.questions as { question, reason } (question)}
			<span class="text-primary" title={reason}
				>? {findings.questions.find(({ id }) => id === question)?.text ??
					question.replace(/^question:/, '')}</span
			>
		{/each}
		{#if section.facts.length > 0}<span class="text-ink-2"
				>= {section.facts.length} {section.facts.length === 1 ? 'fact' : 'facts'}</span
			>{/if}
		{#if section.terms.length === 0 && section.questions.length === 0}<span class="text-ink-2"
				>nothing placed here</span
			>{/if}
	</p>
	{#if isChosen && section.facts.length > 0}
		<ul class="mt-1 pl-[52px]">
			{#each section.facts as { fact } (fact)}
				{@const found = findings.facts.find(({ id }) => id === fact)}
				{#if found}<li class="text-ink-2">
						<strong class="text-ink"
							>= {found.origin === 'note' ? 'your notes' : letters.get(found.source)}</strong
						>
						{found.text}
					</li>{/if}
			{/each}
		</ul>
	{/if}
</li>

<style>
	.row {
		border-bottom: 1px solid var(--rule);
		border-left: 2px solid transparent;
		padding: 7px 0 8px 2px;
	}
	.row.inner {
		margin-left: 28px;
	}
	.row.chosen {
		background: color-mix(in oklab, var(--wash) 70%, var(--sheet));
		border-left-color: var(--color-accent);
	}
	.grip {
		align-self: center;
		cursor: grab;
		opacity: 0.4;
	}
	.tools {
		opacity: 0;
	}
	.row:hover .tools,
	.row:focus-within .tools,
	.row.chosen .tools {
		opacity: 1;
	}
	.tool {
		color: var(--ink-2);
		padding: 2px;
		align-self: center;
	}
	.tool:hover {
		color: var(--ink);
	}
	.tool.locked {
		color: var(--color-accent);
	}
	.kind {
		background: transparent;
		text-align: right;
		text-align-last: right;
		appearance: none;
		width: 84px;
	}
	.kind option {
		background: var(--color-base-100);
	}
</style>
