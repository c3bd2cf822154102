<!-- One of a few, as a drop-down list without a label in sight. -->
<script lang="ts" generics="V extends string">
	interface Props {
		label: string;
		value: V;
		options: readonly (readonly [value: V, name: string])[];
		onchange: (value: V) => void;
		class?: string;
	}
	let { label, value, options, onchange, class: extra = 'w-auto' }: Props = $props();
</script>

<select
	class="field {extra}"
	aria-label={label}
	{value}
	onchange={(event) => onchange(event.currentTarget.value as V)}
>
	{#each options as [id, name] (id)}<option value={id}>{name}</option>{/each}
</select>
