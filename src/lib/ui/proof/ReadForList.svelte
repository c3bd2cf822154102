<!-- What the take is read for, each with its marks; one of them can be looked at alone or switched off. -->
<script lang="ts">
	import { READS, type ReadFor } from '$lib/core/proof';
	import { READ_WORDS } from './read-words';

	interface Props {
		/** The reading that is looked at alone; null: all. */
		only: ReadFor | null;
		off: readonly ReadFor[];
		countOf: (reads: ReadFor) => number;
		isRead: boolean;
		onchoose: (reads: ReadFor | null) => void;
		ontoggle: (reads: ReadFor) => void;
	}
	let { only, off, countOf, isRead, onchoose, ontoggle }: Props = $props();
</script>

<section aria-label="Read for">
	<div class="flex items-baseline justify-between">
		<h2 class="text-[12px] font-bold">Read for</h2>
		{#if only}<button class="linkish text-[12px]" onclick={() => onchoose(null)}>all</button>{/if}
	</div>
	<ul class="mt-1">
		{#each READS as reads (reads)}
			{@const count = countOf(reads)}
			{@const isOff = off.includes(reads)}
			<li class="row flex items-baseline gap-2" class:quiet={count === 0 || isOff}>
				<span aria-hidden="true" class="w-4 shrink-0">{READ_WORDS[reads].sign}</span>
				<button
					class="min-w-0 flex-1 truncate py-0.5 text-left hover:underline"
					class:font-semibold={only === reads}
					aria-pressed={only === reads}
					onclick={() => onchoose(only === reads ? null : reads)}>{READ_WORDS[reads].name}</button
				>
				<span class="count text-ink-2"
					>{isOff ? 'off' : !isRead ? '' : count === 0 ? READ_WORDS[reads].none : count}</span
				>
				<button
					class="switch text-[11px] text-ink-2 hover:text-ink"
					aria-label="{isOff ? 'Read for' : 'Do not read for'} {READ_WORDS[reads].name}"
					onclick={() => ontoggle(reads)}>{isOff ? 'on' : 'off'}</button
				>
			</li>
		{/each}
	</ul>
</section>

<style>
	.quiet {
		color: var(--ink-2);
	}
	.row {
		position: relative;
	}
	/* in the margin, so that names keep their room */
	.switch {
		position: absolute;
		left: 100%;
		bottom: 4px;
		padding-left: 3px;
		opacity: 0;
	}
	@media (max-width: 1023px) {
		.switch {
			position: static;
			opacity: 1;
		}
	}
	.row:is(:hover, :focus-within) .switch {
		opacity: 1;
	}
</style>
