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

<div class="text-ink-2 flex items-center gap-3 text-xs" role="status">
	<span>{label} {done} of {all}</span>
	<progress class="progress progress-primary h-1 w-40" value={done} max={Math.max(1, all)} aria-label={label}></progress>
	{#if oncancel}<button type="button" class="linkish" onclick={oncancel}>Cancel</button>{/if}
</div>
