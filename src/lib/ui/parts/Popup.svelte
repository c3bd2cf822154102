<!-- A button that opens a small sheet: menus, choices, short forms. -->
<script lang="ts">
	import { Popover } from 'bits-ui';
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		/** Class of the button. */
		button?: string;
		width?: string;
		open?: boolean;
		children: Snippet<[() => void]>;
	}
	let {
		label,
		button = 'act',
		width = 'auto',
		open = $bindable(false),
		children
	}: Props = $props();
</script>

<Popover.Root bind:open>
	<Popover.Trigger class={button}>{label}</Popover.Trigger>
	<Popover.Portal>
		<Popover.Content
			class="z-20 max-h-[70dvh] max-w-[94vw] overflow-y-auto border border-ink bg-base-100 p-3"
			style="width: {width}"
			align="start"
			sideOffset={4}
			collisionPadding={12}
			role="dialog"
			aria-label={label}
		>
			{@render children(() => (open = false))}
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
