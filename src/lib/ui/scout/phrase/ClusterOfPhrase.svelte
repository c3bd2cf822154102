<!-- The cluster of a phrase: its name, what holds it together, its members. -->
<script lang="ts">
	import type { Cluster, ScoutRow } from '$lib/core/keywords';
	import { withRowKeys } from '../../parts/row-keys';
	import { volumeShown } from '../format';

	interface Props {
		row: ScoutRow;
		cluster: Cluster;
		/** The other phrases of the cluster. */
		members: readonly ScoutRow[];
		/** Clusters that it can be merged with. */
		clusters: readonly Cluster[];
		oncluster: (name: string, keys: readonly string[], label: string) => void;
		onchoose: (key: string) => void;
	}
	let { row, cluster, members, clusters, oncluster, onchoose }: Props = $props();

	let name = $derived(cluster.name);

	function rename() {
		const plain = name.trim();
		if (plain === '' || plain === cluster.name) return;
		oncluster(plain, cluster.members, `Renamed the cluster “${cluster.name}”`);
	}
</script>

<section class="border-t border-rule py-2" aria-label="Cluster">
	<label class="flex items-baseline gap-2"
		><span class="font-semibold">Cluster</span><input
			class="field ml-auto py-0.5!"
			bind:value={name}
			onchange={rename}
			aria-label="Name of the cluster"
		/></label
	>
	<p class="mt-1 text-ink-2">
		{cluster.members.length === 1 ? 'One phrase' : `${cluster.members.length} phrases`}, {volumeShown(
			{
				volume: cluster.volumeMin === cluster.volumeMax ? cluster.volumeMin : null,
				volumeMin: cluster.volumeMin,
				volumeMax: cluster.volumeMax
			}
		)} searches{cluster.unknownVolumes > 0 ? ` (${cluster.unknownVolumes} not known)` : ''},
		{cluster.intent}{cluster.cues.length > 0
			? ` by ${cluster.cues
					.slice(0, 3)
					.map((cue) => `“${cue}”`)
					.join(', ')}`
			: ''}; together by {cluster.by === 'hand'
			? 'hand or list'
			: cluster.by === 'results'
				? 'shared results'
				: 'their words'}.
	</p>
	<ul class="mt-1">
		{#each withRowKeys(members.slice(0, 8), (member) => member.key) as { rowKey, item: member } (rowKey)}
			<li class="flex gap-2">
				<button
					class="min-w-0 flex-1 truncate text-left font-serif hover:underline"
					onclick={() => onchoose(member.key)}>{member.phrase}</button
				><span class="text-ink-2">{volumeShown(member)}</span>
			</li>
		{/each}
		{#if members.length > 8}<li class="text-ink-2">and {members.length - 8} more</li>{/if}
	</ul>
	<div class="mt-1 flex flex-wrap gap-x-3">
		{#if members.length > 0}
			<button
				class="linkish"
				onclick={() => oncluster(row.phrase, [row.key], `Took “${row.phrase}” out of its cluster`)}
				>Take this phrase out</button
			>
		{/if}
		<label>
			<span class="sr-only">Merge the cluster with another</span>
			<select
				class="cursor-pointer bg-transparent text-accent"
				value=""
				onchange={(event) => {
					const other = clusters.find(({ id }) => id === event.currentTarget.value);
					event.currentTarget.value = '';
					if (other)
						oncluster(
							other.name,
							[...other.members, ...cluster.members],
							`Merged “${cluster.name}” into “${other.name}”`
						);
				}}
			>
				<option value="">Merge with …</option>
				{#each clusters.filter(({ id, members: all }) => id !== cluster.id && all.length > 1) as other (other.id)}
					<option value={other.id}>{other.name} ({other.members.length})</option>
				{/each}
			</select>
		</label>
	</div>
</section>
