<!-- What lies over the top of the page, under the line of formats. Escape closes it, wherever the focus is inside. -->
<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		role?: 'group' | 'search' | 'toolbar';
		/** Parts stand in a row that wraps; else one below the other. */
		isRow?: boolean;
		/** Left out where it comes and goes with the cursor. */
		onclose?: () => void;
		/** Control and Enter. */
		onaccept?: () => void;
		children: Snippet;
	}
	let { label, role = 'group', isRow = false, onclose, onaccept, children }: Props = $props();

	function keydown(event: KeyboardEvent) {
		if (event.key === 'Escape' && onclose) onclose();
		else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && onaccept) onaccept();
		else return;
		event.preventDefault();
	}
</script>

<!-- the keys are those of what is inside -->
<div class="over no-print" class:row={isRow} {role} aria-label={label} onkeydown={keydown}>
	{@render children()}
</div>

<style>
	.over {
		position: sticky;
		top: 31px;
		z-index: 4;
		display: grid;
		gap: 6px;
		max-height: 60dvh;
		overflow-y: auto;
		padding: 6px 44px 8px;
		border-bottom: 1px solid var(--rule);
		background: var(--sheet);
		font-size: 12.5px;
	}
	.over.row {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 6px 10px;
	}
	@media (max-width: 700px) {
		.over {
			padding-inline: 12px;
		}
	}
</style>
