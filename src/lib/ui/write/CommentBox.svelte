<!-- What is said to the client about the chosen words, above the text. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import { focused } from '../parts/focused';
	import { withRowKeys } from '../parts/row-keys';
	import type { ClientComments } from './client-comments.svelte';
	import OverPage from './OverPage.svelte';

	interface Props {
		comments: ClientComments;
		onclose: () => void;
	}
	let { comments, onclose }: Props = $props();

	const said = $derived(comments.atCursor);
	let typed = $state('');
	let trouble = $state('');
	let isChanged = $state(false);
	$effect(() => {
		// what is typed before words are chosen stays
		if (said === '' && untrack(() => isChanged)) return;
		typed = said;
		isChanged = false;
		trouble = '';
	});

	function accept() {
		if (comments.canSay) keep(typed);
	}

	function keep(text: string) {
		comments.say(text);
		onclose();
	}
</script>

<OverPage label="Comment for the client" {onclose} onaccept={accept}>
	<!-- has the keys whether words are chosen or not: what is typed must not go into the text -->
	<textarea
		class="field"
		rows="2"
		aria-label="What to say to the client about these words"
		placeholder="What to say to the client about these words"
		bind:value={typed}
		oninput={() => (isChanged = true)}
		{@attach focused}></textarea>
	<p class="flex flex-wrap items-baseline gap-1.5">
		<button
			class="act chief"
			disabled={typed.trim() === '' || !comments.canSay}
			onclick={() => keep(typed)}>Keep the comment</button
		>
		{#if said !== ''}<button class="act" onclick={() => keep('')}>Take it away</button>{/if}
		<button class="act" onclick={onclose}>Close</button>
		<button
			class="linkish ml-auto"
			onclick={() => (trouble = comments.next() ? '' : 'There is no comment yet.')}
			>Next comment</button
		>
	</p>
	{#if comments.all.length > 0}
		<ol class="list" aria-label="All comments">
			{#each withRowKeys(comments.all, ({ block, words }) => `${block} ${words}`) as { rowKey, item }, i (rowKey)}
				<li>
					<button class="linkish" onclick={() => comments.show(i)}>“{item.words}”</button>
					{item.text}
				</li>
			{/each}
		</ol>
	{/if}
	<p class="text-ink-2" role="status">
		{trouble ||
			(comments.canSay ? '' : 'Choose the words that you want to say something about. ') +
				'Comments leave with the DOCX file, and with nothing else.'}
	</p>
</OverPage>

<style>
	.list {
		display: grid;
		gap: 2px;
		max-height: 9em;
		overflow-y: auto;
	}
	.list button {
		font-family: var(--font-serif);
	}
</style>
