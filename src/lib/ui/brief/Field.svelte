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
		/** Something to do beside the name. */
		action?: Snippet;
	}
	let { label, help, error, warn = false, children, action }: Props = $props();

	const id = $props.id();

	/** Ties name and help to whatever field was put in: options of a list are no part of its name. */
	function describe(box: HTMLElement) {
		const field = box.querySelector('input, select, textarea');
		field?.setAttribute('aria-labelledby', `${id}-name`);
		field?.setAttribute('aria-describedby', `${id}-help`);
	}
</script>

<div class="relative mb-3" {@attach describe}>
	<label class="block">
		<span id="{id}-name" class="mb-0.5 block font-semibold">{label}</span>
		{@render children()}
	</label>
	{#if action}<span class="absolute top-0 right-0">{@render action()}</span>{/if}
	<p
		id="{id}-help"
		class={['mt-0.5 text-xs', error ? 'text-error' : warn ? 'text-accent' : 'text-ink-2']}
		role={error ? 'alert' : undefined}
	>
		{error ?? help}
	</p>
</div>
