<!-- The steps that would gain most, to be ticked: what they come to together is shown on the ladder. -->
<script lang="ts">
	import type { Move } from '$lib/core/standing';

	interface Props {
		moves: readonly Move[];
		ticked: ReadonlySet<string>;
		ontick: (id: string) => void;
		ongo: (section: string) => void;
	}
	let { moves, ticked, ontick, ongo }: Props = $props();

	const MOST = 16;
	/** Of one kind, while not all are shown: ten questions would hide that a topic is missing. */
	const MOST_OF_A_KIND = 3;
	let isWhole = $state(false);
	const shown = $derived.by(() => {
		if (isWhole) return moves;
		const counts = new Map<string, number>();
		return moves
			.filter(({ kind, id }) => {
				const count = (counts.get(kind) ?? 0) + 1;
				counts.set(kind, count);
				return count <= MOST_OF_A_KIND || ticked.has(id);
			})
			.slice(0, MOST);
	});
	const count = $derived(moves.filter(({ id }) => ticked.has(id)).length);
</script>

<section aria-label="Moves" class="mt-5">
	<h2 class="text-[12px] font-bold">
		Moves{#if count > 0}<span class="font-normal text-ink-2"> · {count} ticked</span>{/if}
	</h2>
	<ul class="mt-1">
		{#each shown as { id, text, section, gain } (id)}
			<li class="flex items-baseline gap-2 py-1 leading-snug">
				<input
					type="checkbox"
					class="accent-accent"
					checked={ticked.has(id)}
					aria-label="Tick: {text}"
					onchange={() => ontick(id)}
				/>
				{#if section}<button
						class="min-w-0 flex-1 text-left hover:underline"
						onclick={() => ongo(section)}>{text}</button
					>{:else}<span class="min-w-0 flex-1">{text}</span>{/if}
				<span class="text-ink-2">+{gain.toFixed(1)}</span>
			</li>
		{:else}
			<li class="text-ink-2">Nothing that would gain anything.</li>
		{/each}
	</ul>
	{#if isWhole || moves.length > shown.length}<button
			class="linkish"
			onclick={() => (isWhole = !isWhole)}
			>{isWhole ? 'The first of each kind' : `${moves.length - shown.length} more`}</button
		>{/if}
</section>
