<!-- A setting of which one of a few holds. -->
<script lang="ts" generics="T extends string">
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		values: readonly T[];
		names: Readonly<Record<T, string>>;
		chosen: T;
		/** What shows the choice at work. */
		sample?: Snippet;
	}
	let { label, values, names, chosen = $bindable(), sample }: Props = $props();
	const group = $props.id();
</script>

<fieldset class="border-t border-rule py-4">
	<legend class="float-left w-40 font-semibold">{label}</legend>
	<div class="flex flex-wrap gap-5">
		{#each values as value (value)}
			<label class="flex items-center gap-2"
				><input
					type="radio"
					class="radio radio-xs"
					name={group}
					{value}
					bind:group={chosen}
				/>{names[value]}</label
			>
		{/each}
	</div>
	{@render sample?.()}
</fieldset>
