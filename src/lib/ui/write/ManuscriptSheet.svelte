<!-- The sheet of the manuscript: what formats it and what lies over its top, the page, and what its outline lacks. -->
<script lang="ts">
	import type { LinkTarget } from '$lib/core/clients';
	import { useSession } from '../assignment/session.svelte';
	import CommentBox from './CommentBox.svelte';
	import FindBar from './FindBar.svelte';
	import FormatBar from './FormatBar.svelte';
	import LinkBox from './LinkBox.svelte';
	import type { ManuscriptEditor } from './manuscript-editor.svelte';
	import type { ManuscriptKeys } from './manuscript-keys';
	import type { ManuscriptView } from './manuscript-view.svelte';
	import ManuscriptPage from './ManuscriptPage.svelte';
	import OutlineNotes from './OutlineNotes.svelte';
	import PictureBar from './PictureBar.svelte';
	import TableBar from './TableBar.svelte';

	interface Props {
		editor: ManuscriptEditor;
		view: ManuscriptView;
		keys: ManuscriptKeys;
		targets: readonly LinkTarget[];
		onquotes: () => void;
		onpictures: (files: readonly File[]) => void;
		/** The plan takes the outline of the manuscript. */
		onoutline: () => void;
		/** Told when the page has another height or width. */
		onresize: () => void;
	}
	let { editor, view, keys, targets, onquotes, onpictures, onoutline, onresize }: Props = $props();
	const session = useSession();
	const closeBox = () => keys.closeBox();
	let picker = $state<HTMLInputElement>();
</script>

<div class="sheet">
	<FormatBar
		{editor}
		isBenchOpen={view.isBenchOpen}
		isQuiet={view.isQuiet}
		onbench={() => (view.isBenchOpen = !view.isBenchOpen)}
		onfind={() => keys.openBox('find')}
		onquiet={() => keys.turnQuiet()}
		onlink={() => keys.openBox('link')}
		oncomment={() => keys.openBox('comment')}
		more={[
			[view.originsLabel, () => (view.isPlain = !view.isPlain)],
			['Set the quotation marks', onquotes],
			['Picture from a file', () => picker?.click()]
		]}
	/>
	{#if editor.inHand.figure}<PictureBar
			picture={session.pictures.find(({ id }) => id === editor.inHand.figure?.picture)}
			alt={editor.inHand.figure.alt}
			onalt={(alt) => editor.changes.setAlt(alt)}
		/>{:else if editor.isOn('table')}<TableBar {editor} />{/if}
	{#if view.box === 'link'}<LinkBox links={editor.links} {targets} onclose={closeBox} />{/if}
	{#if view.box === 'comment'}<CommentBox comments={editor.comments} onclose={closeBox} />{/if}
	{#if view.box === 'find'}<FindBar finder={editor.finder} onclose={closeBox} />{/if}
	<input
		type="file"
		class="sr-only"
		tabindex="-1"
		accept="image/*"
		multiple
		aria-label="Picture files"
		bind:this={picker}
		onchange={(event) => {
			onpictures([...(event.currentTarget.files ?? [])]);
			event.currentTarget.value = '';
		}}
	/>
	<ManuscriptPage mount={(element) => editor.mount(element)} {onresize} isPlain={view.isPlain} />
	<OutlineNotes
		differences={editor.differences}
		lacking={editor.lacking}
		ontake={onoutline}
		onput={(section) => editor.changes.putHeading(section)}
	/>
</div>

<style>
	.sheet {
		background: var(--sheet);
		border-inline: 1px solid var(--rule);
	}
</style>
