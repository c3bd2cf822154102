<!-- Where else something placed could stand, what that would cost, and the way there. -->
<script lang="ts">
	import type { PlanSection, Placeable } from '$lib/core/plan';
	import { usePlanEditor } from './plan-editor.svelte';

	interface Props {
		kind: Placeable;
		id: string;
		section: PlanSection;
		/** How well it suits this section. */
		here: number;
		/** Other sections that suit it, best first. */
		elsewhere: readonly { readonly other: PlanSection; readonly fit: number }[];
	}
	let { kind, id, section, here, elsewhere }: Props = $props();
	const editor = usePlanEditor();

	function moveTo(into: string) {
		if (into !== '') editor.put({ kind, ids: [id], from: section.id }, into);
	}
</script>

{#if elsewhere.length > 0}
	<ul class="mt-2" aria-label="Where else it could stand">
		{#each elsewhere as { other, fit } (other.id)}
			<li class="flex items-baseline gap-2 text-ink-2">
				<span class="min-w-0 flex-1 truncate">{editor.headingOf(other.id)}</span>
				<span title="against {here.toFixed(2)} here"
					>{fit.toFixed(2)} ({fit >= here ? '+' : '−'}{Math.abs(fit - here).toFixed(2)})</span
				>
				<button class="linkish" onclick={() => moveTo(other.id)}>Move there</button>
			</li>
		{/each}
	</ul>
{/if}
<select
	class="field mt-2 w-full"
	aria-label="Move to a section"
	value=""
	onchange={(event) => moveTo(event.currentTarget.value)}
>
	<option value="">Move to …</option>
	{#each editor.plan?.sections ?? [] as other (other.id)}{#if other.id !== section.id}<option
				value={other.id}>{editor.numbers.get(other.id)} {editor.headingOf(other.id)}</option
			>{/if}{/each}
</select>
