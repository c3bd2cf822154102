<!-- Choices inside a popup, one below the other. -->
<script lang="ts">
	import { flushSync } from 'svelte';

	interface Props {
		items: readonly (readonly [label: string, run: () => void])[];
		/** Closes the popup before the choice is run. */
		onclose: () => void;
	}
	let { items, onclose }: Props = $props();
</script>

{#each items as [label, run] (label)}
	<button
		class="block w-full px-1 py-1 text-left hover:bg-wash"
		onclick={() => {
			// a popup that closes gives the keys back to its button; what is run may want them elsewhere
			flushSync(onclose);
			run();
		}}>{label}</button
	>
{/each}
