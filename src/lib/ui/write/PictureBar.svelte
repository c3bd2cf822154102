<!-- What is said of the picture in hand: what it shows, who made it, under which licence, from where. -->
<script lang="ts">
	import type { Picture } from '$lib/data/db';
	import { changePicture } from '$lib/data/pictures';
	import { history } from '../frame/history.svelte';
	import OverPage from './OverPage.svelte';

	interface Props {
		/** As it is kept; undefined: it is not in this browser. */
		picture: Picture | undefined;
		alt: string;
		onalt: (alt: string) => void;
	}
	let { picture, alt, onalt }: Props = $props();

	const FIELDS = [
		{ part: 'credit', name: 'Credit' },
		{ part: 'licence', name: 'Licence' },
		{ part: 'source', name: 'From' }
	] as const;

	function change(part: (typeof FIELDS)[number]['part'], value: string) {
		if (!picture || picture[part] === value.trim()) return;
		const { id } = picture;
		const before = picture[part];
		void history.run(
			{
				label: `Changed the ${part} of a picture`,
				redo: () => changePicture(id, { [part]: value.trim() }),
				undo: () => changePicture(id, { [part]: before })
			},
			{ quiet: true }
		);
	}
</script>

<OverPage label="Picture" isRow>
	<label class="wide"
		><span>What it shows</span>
		<input
			class="field"
			value={alt}
			placeholder="For who cannot see it"
			onchange={(event) => onalt(event.currentTarget.value.trim())}
		/></label
	>
	{#if picture}
		{#each FIELDS as { part, name } (part)}
			<label
				><span>{name}</span>
				<input
					class="field"
					value={picture[part]}
					onchange={(event) => change(part, event.currentTarget.value)}
				/></label
			>
		{/each}
	{/if}
</OverPage>

<style>
	label {
		display: flex;
		flex: 1 1 120px;
		gap: 6px;
		align-items: baseline;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.wide {
		flex-basis: 100%;
	}
	.field {
		min-width: 0;
	}
</style>
