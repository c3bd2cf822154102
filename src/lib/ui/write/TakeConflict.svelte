<!-- A take that another tab has changed meanwhile: nothing is written over it until the writer says. -->
<script lang="ts">
	interface Props {
		onload: () => void;
		onkeep: () => void;
	}
	let { onload, onkeep }: Props = $props();
</script>

<div class="flex flex-wrap items-baseline gap-3 border-b border-warning px-5 py-2" role="alert">
	<p>
		<strong>This take was changed in another tab.</strong> What you typed here since is still here and
		not saved over it.
	</p>
	<button class="act" onclick={onload}>Load the other tab’s</button>
	<button class="act chief" onclick={onkeep}>Keep mine as a take of its own</button>
</div>
