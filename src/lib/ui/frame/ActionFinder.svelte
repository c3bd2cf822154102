<!-- Finds any action by name: Ctrl/⌘+K. -->
<script lang="ts">
	import { Command, Dialog } from 'bits-ui';
	import { actions } from './actions.svelte';
	import { withRowKeys } from '../parts/row-keys';

	let { open = $bindable(false) }: { open: boolean } = $props();
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/30" />
		<Dialog.Content
			class="fixed top-24 left-1/2 z-50 w-[min(34rem,94vw)] -translate-x-1/2 border border-ink bg-base-100"
		>
			<Dialog.Title class="sr-only">Find an action</Dialog.Title>
			<Command.Root label="Actions">
				<Command.Input
					placeholder="What do you want to do?"
					class="w-full border-b border-rule bg-transparent px-4 py-3 text-[15px] outline-none"
				/>
				<Command.List class="max-h-80 overflow-y-auto py-1">
					<Command.Empty class="px-4 py-3 text-ink-2">Nothing is called that.</Command.Empty>
					{#each withRowKeys(actions.all, (action) => action.label) as { rowKey, item: action } (rowKey)}
						<Command.Item
							value={action.label}
							keywords={action.also ? [action.also] : []}
							onSelect={() => {
								open = false;
								action.run();
							}}
							class="flex cursor-pointer justify-between px-4 py-1.5 data-selected:bg-wash"
						>
							<span>{action.label}</span>
							{#if action.keys}<kbd class="font-sans text-xs text-ink-2">{action.keys}</kbd>{/if}
						</Command.Item>
					{/each}
				</Command.List>
			</Command.Root>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
