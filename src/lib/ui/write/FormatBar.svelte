<!-- Formatting of the manuscript: what is on where the cursor stands, and the bench's switch. -->
<script lang="ts">
	import Bold from '@lucide/svelte/icons/bold';
	import Heading2 from '@lucide/svelte/icons/heading-2';
	import Heading3 from '@lucide/svelte/icons/heading-3';
	import Italic from '@lucide/svelte/icons/italic';
	import Link from '@lucide/svelte/icons/link';
	import List from '@lucide/svelte/icons/list';
	import ListOrdered from '@lucide/svelte/icons/list-ordered';
	import MessageSquare from '@lucide/svelte/icons/message-square';
	import PanelRight from '@lucide/svelte/icons/panel-right';
	import Redo from '@lucide/svelte/icons/redo-2';
	import Feather from '@lucide/svelte/icons/feather';
	import Search from '@lucide/svelte/icons/search';
	import Undo from '@lucide/svelte/icons/undo-2';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import type { ManuscriptEditor } from './manuscript-editor.svelte';

	interface Props {
		editor: Pick<ManuscriptEditor, 'isOn' | 'command'>;
		isBenchOpen: boolean;
		/** Only the text and the slip of its section. */
		isQuiet?: boolean;
		onbench: () => void;
		onfind?: () => void;
		onquiet?: () => void;
		onlink?: () => void;
		oncomment?: () => void;
		/** What else can be done, as it is named. */
		more?: readonly (readonly [label: string, run: () => void])[];
	}
	let {
		editor,
		isBenchOpen,
		isQuiet = false,
		onbench,
		onfind,
		onquiet,
		onlink,
		oncomment,
		more = []
	}: Props = $props();

	type Chain = Parameters<Parameters<ManuscriptEditor['command']>[0]>[0];
	const FORMATS = [
		{
			name: 'Heading 2',
			icon: Heading2,
			node: ['heading', { level: 2 }],
			run: (chain: Chain) => chain.toggleHeading({ level: 2 })
		},
		{
			name: 'Heading 3',
			icon: Heading3,
			node: ['heading', { level: 3 }],
			run: (chain: Chain) => chain.toggleHeading({ level: 3 })
		},
		{ name: 'Bold', icon: Bold, node: ['bold'], run: (chain: Chain) => chain.toggleBold() },
		{ name: 'Italic', icon: Italic, node: ['italic'], run: (chain: Chain) => chain.toggleItalic() },
		{
			name: 'Bulleted list',
			icon: List,
			node: ['bulletList'],
			run: (chain: Chain) => chain.toggleBulletList()
		},
		{
			name: 'Numbered list',
			icon: ListOrdered,
			node: ['orderedList'],
			run: (chain: Chain) => chain.toggleOrderedList()
		}
	] as const;

	const FURTHER: readonly (readonly [label: string, run: (chain: Chain) => Chain])[] = [
		['Heading 4', (chain) => chain.toggleHeading({ level: 4 })],
		['Quotation', (chain) => chain.toggleBlockquote()],
		['Struck through', (chain) => chain.toggleStrike()],
		[
			'Table of three columns',
			(chain) => chain.insertTable({ rows: 3, cols: 3, withHeaderRow: true })
		],
		['Gap to fill', (chain) => chain.insertContent({ type: 'gap' })],
		['Line across', (chain) => chain.setHorizontalRule()]
	];
	const items = $derived([
		...FURTHER.map(([label, run]) => [label, () => editor.command(run)] as const),
		...more
	]);
</script>

<div class="toolbar no-print" role="toolbar" aria-label="Formatting">
	<button
		aria-label="Undo"
		title="Undo (Ctrl+Z)"
		onclick={() => editor.command((chain) => chain.undo())}><Undo size={15} /></button
	>
	<button
		aria-label="Redo"
		title="Redo (Ctrl+Shift+Z)"
		onclick={() => editor.command((chain) => chain.redo())}><Redo size={15} /></button
	>
	<i></i>
	{#each FORMATS as { name, icon: Icon, node, run } (name)}
		<button
			aria-label={name}
			aria-pressed={editor.isOn(...(node as unknown as [string, Record<string, unknown>?]))}
			onclick={() => editor.command(run)}><Icon size={15} /></button
		>
	{/each}
	<button
		aria-label="Link"
		aria-pressed={editor.isOn('link')}
		title="Link (Ctrl+L)"
		onclick={() => onlink?.()}><Link size={15} /></button
	>
	<button
		aria-label="Comment for the client"
		aria-pressed={editor.isOn('comment')}
		title="Comment for the client (Alt+C)"
		onclick={() => oncomment?.()}><MessageSquare size={15} /></button
	>
	<Popup label="More" button="more">
		{#snippet children(close)}<MenuItems {items} onclose={close} />{/snippet}
	</Popup>
	<button
		class="ml-auto"
		aria-label="Find and replace"
		title="Find and replace (Ctrl+F)"
		onclick={() => onfind?.()}><Search size={15} /></button
	>
	<button
		aria-label="Quiet"
		aria-pressed={isQuiet}
		title="Quiet: only the text and its section’s slip (Alt+Q)"
		onclick={() => onquiet?.()}><Feather size={15} /></button
	>
	<button
		aria-label="Bench"
		aria-pressed={isBenchOpen}
		title="The bench: notes and facts for the section in hand"
		onclick={onbench}><PanelRight size={16} /></button
	>
</div>

<style>
	.toolbar {
		position: sticky;
		top: 0;
		z-index: 5;
		display: flex;
		align-items: center;
		gap: 2px;
		padding: 4px 36px;
		background: var(--sheet);
		color: var(--ink-2);
	}
	.toolbar :global(button) {
		padding: 4px 6px;
		border-radius: 3px;
	}
	.toolbar :global(button:hover) {
		background: var(--wash);
		color: var(--ink);
	}
	.toolbar button[aria-pressed='true'] {
		color: var(--color-accent);
	}
	.toolbar i {
		width: 1px;
		height: 14px;
		background: var(--rule);
		margin: 0 4px;
	}
	@media (max-width: 700px) {
		.toolbar {
			padding-inline: 12px;
			flex-wrap: wrap;
		}
	}
</style>
