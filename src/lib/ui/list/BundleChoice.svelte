<!-- Which assignments of a file of several come in. -->
<script lang="ts">
	import { formatDistanceToNow } from 'date-fns';
	import type { BundledArchive } from '$lib/core/deliver';
	import type { Assignment } from '$lib/data/db';

	interface Props {
		name: string;
		archives: readonly BundledArchive[];
		here: readonly Assignment[];
		onbring: (archives: readonly BundledArchive[]) => void;
		oncancel: () => void;
	}
	let { name, archives, here, onbring, oncancel }: Props = $props();

	const known = $derived(new Map(here.map((assignment) => [assignment.id, assignment])));
	// what is here already stays as it is unless it is ticked
	// svelte-ignore state_referenced_locally
	let ticked = $state<string[]>(archives.filter(({ id }) => !known.has(id)).map(({ id }) => id));
	const chosen = $derived(archives.filter(({ id }) => ticked.includes(id)));

	function stateOf({ id, updatedAt }: BundledArchive): string {
		const own = known.get(id);
		if (!own) return 'not in this browser';
		const age =
			own.updatedAt > updatedAt
				? 'here already, and newer'
				: own.updatedAt < updatedAt
					? 'here already, and older'
					: 'here already, the same';
		return `${age}: comes in beside it as a copy`;
	}
</script>

<section class="mb-8 border-y border-rule py-4" aria-label="Assignments of {name}">
	<h2 class="text-lg">{name} holds {archives.length} assignments</h2>
	<ul class="mt-2">
		{#each archives as archive (archive.id)}
			<li class="border-t border-rule py-1.5">
				<label class="flex items-baseline gap-3">
					<input
						type="checkbox"
						class="checkbox checkbox-xs"
						value={archive.id}
						bind:group={ticked}
					/>
					<span class="font-serif font-semibold">{archive.title}</span>
					<span class="ml-auto text-ink-2"
						>{stateOf(archive)} · saved as of {formatDistanceToNow(archive.updatedAt, {
							addSuffix: true
						})}</span
					>
				</label>
			</li>
		{/each}
	</ul>
	<p class="mt-3 flex gap-2">
		<button class="act chief" disabled={chosen.length === 0} onclick={() => onbring(chosen)}
			>Bring in {chosen.length}</button
		>
		<button class="act" onclick={oncancel}>Leave them</button>
	</p>
</section>
