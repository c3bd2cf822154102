<!-- The take in hand: its name with the menu of takes, whether it is saved, and its length. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import { DropdownMenu } from 'bits-ui';
	import { minutesOf } from '$lib/core/text';

	interface Props {
		take: { readonly id: string; readonly name: string };
		takes: readonly { readonly id: string; readonly name: string }[];
		/** State of the save or the draft, in a word. */
		said: string;
		/** Words written; null while the evidence is read. */
		words: number | null;
		targetWords: number | null;
		/** Words that are chosen in the text; 0: none. */
		chosenWords?: number;
		/** Words of the section in hand; null: none is. */
		sectionWords?: number | null;
		isDrafting: boolean;
		onchoose: (id: string) => void;
		ondraftall: () => void;
		onheadings: () => void;
		oncopy: () => void;
		onremove: () => void;
		/** Opens the panel that asks a writer. */
		onask: () => void;
		/** Sets this take beside another; left out where there is none. */
		oncompare?: (() => void) | undefined;
		/** Shows how the take grew. */
		ongrowth?: (() => void) | undefined;
		/** Brings a reply or an article that exists back into the take. */
		onbring: () => void;
		onrename: (name: string) => void;
	}
	let {
		take,
		takes,
		said,
		words,
		targetWords,
		chosenWords = 0,
		sectionWords = null,
		isDrafting,
		onchoose,
		ondraftall,
		onheadings,
		oncopy,
		onremove,
		onask,
		oncompare,
		ongrowth,
		onbring,
		onrename
	}: Props = $props();

	let isRenaming = $state(false);
	const item = 'px-3 py-1 data-highlighted:bg-wash';

	function rename(name: string) {
		isRenaming = false;
		if (name.trim() !== '') onrename(name.trim());
	}
</script>

<div class="min-w-0">
	<div class="flex items-baseline gap-2">
		{#if isRenaming}
			<!-- the writer just asked to type here -->
			<input
				class="field h-6 w-28 px-1"
				value={take.name}
				{@attach focused}
				aria-label="Name of the take"
				onblur={(event) => rename(event.currentTarget.value)}
				onkeydown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
			/>
		{:else}
			<DropdownMenu.Root>
				<DropdownMenu.Trigger
					class="max-w-28 truncate font-semibold"
					aria-label="{take.name}, takes">{take.name} ▾</DropdownMenu.Trigger
				>
				<DropdownMenu.Portal>
					<DropdownMenu.Content
						class="z-30 min-w-52 border border-ink bg-base-100 py-1"
						align="start"
						sideOffset={4}
					>
						{#each takes as other (other.id)}
							<DropdownMenu.Item class={item} onSelect={() => onchoose(other.id)}
								>{other.name}{other.id === take.id ? ' ·  open' : ''}</DropdownMenu.Item
							>
						{/each}
						<DropdownMenu.Separator class="my-1 h-px bg-rule" />
						<DropdownMenu.Item class={item} onSelect={ondraftall} disabled={isDrafting}
							>Draft a new take</DropdownMenu.Item
						>
						<DropdownMenu.Item class={item} onSelect={onheadings}
							>New take with the headings</DropdownMenu.Item
						>
						{#if oncompare}<DropdownMenu.Item class={item} onSelect={oncompare}
								>Compare with another take</DropdownMenu.Item
							>{/if}
						{#if ongrowth}<DropdownMenu.Item class={item} onSelect={ongrowth}
								>How this take grew</DropdownMenu.Item
							>{/if}
						<DropdownMenu.Item class={item} onSelect={onask}>Ask a writer …</DropdownMenu.Item>
						<DropdownMenu.Item class={item} onSelect={onbring}
							>Bring a reply or an article in …</DropdownMenu.Item
						>
						<DropdownMenu.Separator class="my-1 h-px bg-rule" />
						<DropdownMenu.Item class={item} onSelect={oncopy}>Copy this take</DropdownMenu.Item>
						<DropdownMenu.Item class={item} onSelect={() => (isRenaming = true)}
							>Rename it</DropdownMenu.Item
						>
						<DropdownMenu.Item class={item} onSelect={onremove}>Take it away</DropdownMenu.Item>
					</DropdownMenu.Content>
				</DropdownMenu.Portal>
			</DropdownMenu.Root>
		{/if}
		<span class="text-ink-2" role="status">{said}</span>
	</div>
	<p class="text-ink-2">
		{words === null ? '…' : words.toLocaleString('en')}{targetWords === null
			? ''
			: ` of ${targetWords.toLocaleString('en')}`} words{chosenWords > 0
			? `, ${chosenWords} chosen`
			: words
				? ` · ${minutesOf(words)} min`
				: ''}
	</p>
	{#if chosenWords === 0 && sectionWords !== null}<p class="text-ink-2">
			{sectionWords.toLocaleString('en')} in this section · {minutesOf(sectionWords)} min
		</p>{/if}
</div>
