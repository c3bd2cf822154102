<!-- All keys on one sheet: ? opens it. -->
<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { KEYS } from './keys';

	let { open = $bindable(false) }: { open: boolean } = $props();
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/30" />
		<Dialog.Content
			class="fixed top-16 left-1/2 z-50 max-h-[82dvh] w-[min(52rem,94vw)] -translate-x-1/2 overflow-y-auto border border-ink bg-base-100 px-6 py-5"
		>
			<div class="mb-3 flex items-baseline">
				<Dialog.Title class="text-xl">Keys</Dialog.Title>
				<Dialog.Close class="linkish ml-auto">Close</Dialog.Close>
			</div>
			<div class="gap-x-10 sm:columns-2">
				{#each KEYS as { where, keys } (where)}
					<section class="mb-4 break-inside-avoid">
						<h3 class="border-b border-rule pb-1 text-[14px]">{where}</h3>
						<dl class="mt-1 grid grid-cols-[7.5rem_1fr] gap-y-1">
							{#each keys as [key, does] (key)}
								<dt class="font-semibold">{key}</dt>
								<dd>{does}</dd>
							{/each}
						</dl>
					</section>
				{/each}
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
