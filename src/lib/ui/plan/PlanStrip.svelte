<!-- The whole plan at a glance: our sections by budget, and where pages usually treat the same. -->
<script lang="ts">
	import type { Findings } from '$lib/core/findings';
	import { plannedWords, type Plan, type PlanSection } from '$lib/core/plan';
	import { usePlanEditor } from './plan-editor.svelte';

	interface Props {
		plan: Plan;
		findings: Findings;
	}
	let { plan, findings }: Props = $props();
	const editor = usePlanEditor();

	const total = $derived(Math.max(1, plannedWords(plan.sections)));
	const densest = $derived(Math.max(0.001, ...plan.sections.map(densityOf)));
	/** Where pages treat each section's topics: start and end as shares of the page. */
	const usual = $derived(
		plan.sections.flatMap((section) => {
			const headings = editor.topicsOf(section).flatMap((topic) => topic.headings);
			if (headings.length === 0 || section.level > 2) return [];
			const starts = headings.map(({ position }) => position).sort((a, b) => a - b);
			const widths = headings
				.map(
					(h) => h.words / Math.max(1, findings.pages.find(({ id }) => id === h.page)?.words ?? 1)
				)
				.sort((a, b) => a - b);
			const middle = (values: readonly number[]) => values[Math.floor(values.length / 2)]!;
			return [
				{
					number: editor.numbers.get(section.id),
					start: middle(starts),
					width: Math.min(1 - middle(starts), middle(widths))
				}
			];
		})
	);

	function usesIn({ terms }: PlanSection): number {
		return terms.reduce((sum, { uses }) => sum + uses, 0);
	}
	function densityOf(section: PlanSection): number {
		return usesIn(section) / Math.max(1, section.budget);
	}
</script>

<div class="mt-2 grid grid-cols-[44px_1fr] items-center gap-y-1 text-[11px] max-sm:hidden">
	<span class="text-ink-2">ours</span>
	<div class="flex h-4 gap-[2px]">
		{#each plan.sections as section (section.id)}
			<button
				class="ours overflow-hidden text-left"
				class:on={section.id === editor.chosen}
				style:width="{(100 * section.budget) / total}%"
				style:--strength="{12 + (34 * densityOf(section)) / densest}%"
				title="{section.heading}: {section.budget} words, {usesIn(section)} placed uses"
				aria-label="{section.heading}, {section.budget} words"
				onclick={() => (editor.chosen = section.id)}>{editor.numbers.get(section.id) || '·'}</button
			>
		{/each}
	</div>
	<span class="text-ink-2">pages</span>
	<div
		class="relative h-4 border-b border-rule"
		role="img"
		aria-label="Where pages usually treat the topics of our sections"
	>
		{#each usual as { number, start, width }, i (i)}
			<span class="theirs" style:left="{100 * start}%" style:width="max(15px, {100 * width}%)"
				>{number}</span
			>
		{/each}
	</div>
</div>

<style>
	.ours {
		padding-left: 3px;
		font-weight: 600;
		color: var(--ink);
		background: color-mix(in oklab, var(--color-primary) var(--strength), var(--sheet));
	}
	.ours.on {
		outline: 2px solid var(--color-accent);
	}
	.theirs {
		position: absolute;
		top: 1px;
		height: 14px;
		padding-left: 2px;
		line-height: 13px;
		border: 1px solid var(--color-secondary);
		color: var(--color-secondary);
		background: var(--sheet);
		font-weight: 600;
	}
</style>
