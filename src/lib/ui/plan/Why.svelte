<!-- A small mark that opens to the reasons why something stands where it stands. -->
<script lang="ts">
	import { Popover } from 'bits-ui';
	import type { Snippet } from 'svelte';

	interface Props {
		/** Class of the mark. */
		look: string;
		label: Snippet;
		children: Snippet;
		ondragstart?: (event: DragEvent) => void;
		ondragend?: () => void;
	}
	let { look, label, children, ondragstart, ondragend }: Props = $props();
</script>

<Popover.Root>
	<Popover.Trigger class={look} draggable={ondragstart ? true : undefined} {ondragstart} {ondragend}
		>{@render label()}</Popover.Trigger
	>
	<Popover.Portal>
		<Popover.Content
			class="z-20 max-h-[min(80dvh,var(--bits-popover-content-available-height))] w-[370px] max-w-[94vw] overflow-y-auto border border-ink bg-base-100 p-3.5"
			sideOffset={4}
			collisionPadding={12}
			aria-label="Why here?"
		>
			{@render children()}
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
