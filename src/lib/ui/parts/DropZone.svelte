<!-- Takes files that are dropped anywhere in the window, and says so while they hover. -->
<script lang="ts">
	import { takesFiles } from '../frame/dropped-files';

	interface Props {
		/** What happens when the files are let go. */
		label: string;
		onfiles: (files: readonly File[]) => void;
	}
	let { label, onfiles }: Props = $props();
	let isDropping = $state(false);
	$effect(takesFiles);

	function ondragover(event: DragEvent) {
		if (!event.dataTransfer?.types.includes('Files')) return;
		event.preventDefault();
		isDropping = true;
	}

	function ondrop(event: DragEvent) {
		if (!event.dataTransfer?.files.length) return;
		event.preventDefault();
		isDropping = false;
		onfiles([...event.dataTransfer.files]);
	}
</script>

<svelte:window
	{ondragover}
	ondragleave={(event) => {
		if (!event.relatedTarget) isDropping = false;
	}}
	{ondrop}
/>
{#if isDropping}
	<div
		class="pointer-events-none fixed inset-3 z-30 grid place-items-center border-2 border-dashed border-accent bg-base-100/90"
	>
		<p class="font-serif text-xl">{label}</p>
	</div>
{/if}
