<!-- Where the take stands among the pages, on the ladder and in words, with the step that would gain most. -->
<script lang="ts">
	import type { Move } from '$lib/core/standing';
	import { useSession } from '../assignment/session.svelte';
	import Ladder from './Ladder.svelte';
	import type { Reading } from './live-reading';
	import NextMove from './NextMove.svelte';

	interface Props {
		/** Null: the evidence is still being read. */
		reading: Reading | null;
		moves: readonly Move[];
		/** Where it would stand with the moves that are ticked. */
		ghost?: { readonly standing: number; readonly moves: number } | null;
		ongo: (section: string) => void;
	}
	let { reading, moves, ghost = null, ongo }: Props = $props();

	const session = useSession();
</script>

{#if reading}
	<Ladder
		pages={session.standings}
		letters={session.letters}
		standing={reading.standing}
		holds={reading.holds}
		keywordLoad={reading.keywordLoad}
		{ghost}
		progress={session.standingProgress}
	/>
	<NextMove
		standing={reading.standing.standing}
		pages={session.standings}
		letters={session.letters}
		{moves}
		{ongo}
	/>
{:else}
	<p class="text-ink-2" role="status">The evidence is still being read …</p>
{/if}
