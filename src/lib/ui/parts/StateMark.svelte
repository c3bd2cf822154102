<!-- Shape of a term's state: hollow ring, half-filled ring, filled dot, dot in a ring. -->
<script lang="ts">
	import type { TermState } from '$lib/core/standing';

	let { state }: { state: TermState } = $props();
</script>

<svg viewBox="0 0 12 12" width="11" height="11" class="mark {state}" role="img" aria-label={state}>
	{#if state === 'absent'}
		<circle cx="6" cy="6" r="4" fill="none" stroke="currentColor" stroke-width="1.4" />
	{:else if state === 'thin'}
		<circle cx="6" cy="6" r="4" fill="none" stroke="currentColor" stroke-width="1.4" />
		<path d="M6 2a4 4 0 0 0 0 8z" fill="currentColor" />
	{:else if state === 'placed'}
		<circle cx="6" cy="6" r="4.2" fill="currentColor" />
	{:else}
		<circle cx="6" cy="6" r="4.6" fill="none" stroke="currentColor" stroke-width="1.2" />
		<circle cx="6" cy="6" r="2.4" fill="currentColor" />
	{/if}
</svg>

<style>
	.mark {
		flex: none;
		display: inline-block;
		vertical-align: -1px;
	}
	.absent {
		color: var(--ink);
	}
	.thin {
		color: var(--color-accent);
	}
	.placed {
		color: var(--color-secondary);
	}
	.crowded {
		color: var(--plum);
	}
</style>
