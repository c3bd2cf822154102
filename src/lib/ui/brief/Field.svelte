<!-- A field of a form: its name above, and below it where what it holds is used. -->
<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		/** Where it is used. */
		help: string;
		/** What is wrong with it; takes the place of the help. */
		error?: string | undefined;
		/** Whether the help says something to mend. */
		warn?: boolean;
		children: Snippet;
	}
	let { label, help, error, warn = false, children }: Props = $props();
</script>

<label class="mb-3 block">
	<span class="mb-0.5 block font-semibold">{label}</span>
	{@render children()}
	<span
		class={['mt-0.5 block text-xs', error ? 'text-error' : warn ? 'text-accent' : 'text-ink-2']}
		role={error ? 'alert' : undefined}>{error ?? help}</span
	>
</label>
