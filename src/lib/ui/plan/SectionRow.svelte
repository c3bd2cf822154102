<!-- One section of the outline: heading, kind, budget and what stands in it. -->
<script lang="ts">
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Grip from '@lucide/svelte/icons/grip-vertical';
	import Indent from '@lucide/svelte/icons/indent-increase';
	import Lock from '@lucide/svelte/icons/lock';
	import LockOpen from '@lucide/svelte/icons/lock-open';
	import Outdent from '@lucide/svelte/icons/indent-decrease';
	import { dragHandle } from 'svelte-dnd-action';
	import { SECTION_KINDS, type SectionKind } from '$lib/core/brief';
	import { type PlanSection } from '$lib/core/plan';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { usePlanEditor } from './plan-editor.svelte';
	import HeadingField from './HeadingField.svelte';
	import Placements from './Placements.svelte';

	interface Props {
		section: PlanSection;
		isFirst: boolean;
	}
	let { section, isFirst }: Props = $props();
	const editor = usePlanEditor();

	const isOpening = $derived(section.level === 1);
	const isChosen = $derived(editor.chosen === section.id);
	const number = $derived(editor.numbers.get(section.id) ?? '');
	let isOver = $state(false);
	/** While it is pressed nothing may move under the pointer; the click chooses. */
	let isPressed = false;

	function setBudget(text: string) {
		const budget = Number(text.replace(/\D/g, ''));
		if (Number.isFinite(budget) && budget !== section.budget)
			editor.changeSection(section.id, 'Changed a budget', { budget: Math.min(20_000, budget) });
	}

	function drop(event: DragEvent) {
		isOver = false;
		if (!editor.dragged) return;
		event.preventDefault();
		event.stopPropagation();
		editor.put(editor.dragged, section.id);
		editor.dragged = null;
	}
</script>

<!-- a click chooses; every control inside is reachable by keyboard -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions, a11y_click_events_have_key_events -->
<li
	class="row group"
	class:chosen={isChosen}
	class:over={isOver}
	style:margin-left="{Math.max(0, section.level - 2) * 28}px"
	onpointerdown={() => (isPressed = true)}
	onpointerleave={() => (isPressed = false)}
	onclick={() => ((isPressed = false), (editor.chosen = section.id))}
	onfocusin={() => {
		if (!isPressed) editor.chosen = section.id;
	}}
	ondragover={(event) => {
		if (!editor.dragged) return;
		event.preventDefault();
		isOver = true;
	}}
	ondragleave={() => (isOver = false)}
	ondrop={drop}
>
	<div class="flex items-baseline gap-2 max-sm:flex-wrap">
		{#if isOpening}
			<span class="w-4"></span>
		{:else}
			<span use:dragHandle class="grip text-ink-2" aria-label="Drag {section.heading}"
				><Grip size={14} /></span
			>
		{/if}
		<span class="w-7 text-right text-ink-2">{number}</span>
		<HeadingField {section} {number} {isChosen} />
		{#if !isOpening}
			<span class="tools flex items-center gap-1">
				<button
					class="tool"
					onclick={() => editor.move(section.id, -1)}
					aria-label="Move up: {section.heading}"
					title="Move up (Alt+↑)"><ArrowUp size={14} /></button
				>
				<button
					class="tool"
					onclick={() => editor.move(section.id, 1)}
					aria-label="Move down: {section.heading}"
					title="Move down (Alt+↓)"><ArrowDown size={14} /></button
				>
				<button
					class="tool"
					onclick={() => editor.indent(section.id, 1)}
					disabled={isFirst || section.level === 4}
					aria-label="Make a sub-section: {section.heading}"
					title="Put inside the one above (Alt+→)"><Indent size={14} /></button
				>
				{#if section.level > 2}<button
						class="tool"
						onclick={() => editor.indent(section.id, -1)}
						aria-label="Bring out: {section.heading}"
						title="Bring out (Alt+←)"><Outdent size={14} /></button
					>{/if}
				<Popup label="More" button="linkish text-xs" width="240px">
					{#snippet children(close: () => void)}
						<MenuItems
							onclose={close}
							items={[
								...(isFirst
									? []
									: [['Merge with the one above', () => editor.merge(section.id)] as const]),
								['Split in two', () => editor.split(section.id)],
								['Duplicate', () => editor.duplicate(section.id)],
								['Take out', () => editor.remove(section.id)]
							]}
						/>
					{/snippet}
				</Popup>
			</span>
		{/if}
		<button
			class="tool"
			class:locked={section.locked}
			aria-pressed={section.locked}
			onclick={() => editor.toggleLock(section.id)}
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
				editor.changeSection(section.id, 'Changed a kind', {
					kind: event.currentTarget.value as SectionKind
				})}
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
	<Placements {section} {isChosen} />
</li>

<style>
	.row {
		border-bottom: 1px solid var(--rule);
		border-left: 2px solid transparent;
		padding: 7px 0 8px 2px;
		/* of sixty sections only those in sight are laid out and painted */
		content-visibility: auto;
		contain-intrinsic-size: auto 58px;
	}
	.row.chosen {
		background: color-mix(in oklab, var(--wash) 70%, var(--sheet));
		border-left-color: var(--color-accent);
	}
	.row.over {
		border-left-color: var(--color-secondary);
		background: color-mix(in oklab, var(--color-secondary) 10%, var(--sheet));
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
	.tool:disabled {
		opacity: 0.3;
	}
	.tool:hover:not(:disabled) {
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
