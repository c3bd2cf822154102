<!-- A line of tabs; arrow keys go from one to the next. -->
<script lang="ts" generics="Id extends string">
	interface Props {
		label: string;
		tabs: readonly { readonly id: Id; readonly name: string }[];
		value: Id;
	}
	let { label, tabs, value = $bindable() }: Props = $props();

	function onkeydown(event: KeyboardEvent) {
		const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (step === 0 || event.altKey) return;
		event.preventDefault();
		const at = tabs.findIndex(({ id }) => id === value);
		const next = (at + step + tabs.length) % tabs.length;
		value = tabs[next]!.id;
		const line = event.currentTarget as HTMLElement;
		line.querySelectorAll<HTMLElement>('[role=tab]')[next]?.focus();
	}
</script>

<div role="tablist" aria-label={label} tabindex="-1" class="flex gap-x-5" {onkeydown}>
	{#each tabs as { id, name } (id)}
		<button
			role="tab"
			aria-selected={value === id}
			tabindex={value === id ? 0 : -1}
			class:on={value === id}
			onclick={() => (value = id)}>{name}</button
		>
	{/each}
</div>

<style>
	div {
		column-gap: var(--tab-gap, 20px);
	}
	button {
		padding: 6px 0 8px;
		margin-bottom: -1px;
		border-bottom: 2px solid transparent;
		font-size: var(--tab-size, 14px);
		color: var(--ink-2);
		white-space: nowrap;
	}
	button.on {
		color: var(--ink);
		font-weight: 600;
		border-color: var(--color-accent);
	}
</style>
