<!-- The one line across the top: name, assignment, stages. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Snippet } from 'svelte';
	import Mark from './Mark.svelte';

	interface Props {
		/** What is open, beside the name. */
		title?: string;
		children?: Snippet;
	}
	let { title = '', children }: Props = $props();
</script>

<header
	class="no-print flex h-[46px] items-center gap-4 border-b border-rule px-5 max-sm:h-auto max-sm:flex-wrap max-sm:gap-x-3 max-sm:px-3 max-sm:pt-2"
>
	<a
		href={resolve('/')}
		class="flex items-center gap-2 font-serif text-[17px] font-semibold"
		aria-label="Corvan, all assignments"
	>
		<span class="text-primary"><Mark /></span>Corvan
	</a>
	{#if title}
		<p class="max-w-[280px] truncate border-l border-rule pl-4 text-ink-2">{title}</p>
	{/if}
	{@render children?.()}
</header>
