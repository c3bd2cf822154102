<!-- Long work: what is done, how far it is, and a way to stop. -->
<script lang="ts">
	interface Props {
		label: string;
		done: number;
		all: number;
		oncancel?: () => void;
	}
	let { label, done, all, oncancel }: Props = $props();
</script>

<div class="flex items-center gap-3 text-xs text-ink-2" role="status">
	<span>{label} {done} of {all}</span>
	<progress
		class="progress h-1 w-40 progress-primary"
		value={done}
		max={Math.max(1, all)}
		aria-label={label}
	></progress>
	{#if oncancel}<button type="button" class="linkish" onclick={oncancel}>Cancel</button>{/if}
</div>
