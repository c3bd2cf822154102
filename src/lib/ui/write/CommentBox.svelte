<!-- What is said to the client about the chosen words, above the text. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import type { ClientComments } from './client-comments.svelte';

	interface Props {
		comments: ClientComments;
		onclose: () => void;
	}
	let { comments, onclose }: Props = $props();

	const said = $derived(comments.atCursor);
	let typed = $state('');
	let trouble = $state('');
	$effect(() => {
		typed = said;
		trouble = '';
	});

	function keep(text: string) {
		comments.say(text);
		onclose();
	}

	function keydown(event: KeyboardEvent) {
		if (event.key === 'Escape') onclose();
		else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) keep(typed);
		else return;
		event.preventDefault();
	}
</script>

<!-- Escape closes it wherever the focus stands inside -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<div class="box" role="group" aria-label="Comment for the client" onkeydown={keydown}>
	{#if comments.canSay}
		<textarea
			class="field"
			rows="2"
			aria-label="What to say to the client about these words"
			placeholder="What to say to the client about these words"
			bind:value={typed}
			{@attach focused}></textarea>
		<p class="flex flex-wrap items-baseline gap-1.5">
			<button class="act chief" disabled={typed.trim() === ''} onclick={() => keep(typed)}
				>Keep the comment</button
			>
			{#if said !== ''}<button class="act" onclick={() => keep('')}>Take it away</button>{/if}
			<button class="act" onclick={onclose}>Close</button>
			<button
				class="linkish ml-auto"
				onclick={() => (trouble = comments.next() ? '' : 'There is no comment yet.')}
				>Next comment</button
			>
		</p>
	{:else}
		<p class="flex flex-wrap items-baseline gap-3">
			<span>Choose the words that you want to say something about.</span>
			<button
				class="linkish"
				onclick={() => (trouble = comments.next() ? '' : 'There is no comment yet.')}
				>Next comment</button
			>
			<button class="act" onclick={onclose}>Close</button>
		</p>
	{/if}
	<p class="text-ink-2" role="status">
		{trouble || 'Comments leave with the DOCX file, and with nothing else.'}
	</p>
</div>

<style>
	.box {
		position: sticky;
		top: 31px;
		z-index: 4;
		max-height: 60dvh;
		overflow-y: auto;
		display: grid;
		gap: 6px;
		padding: 8px 44px;
		border-bottom: 1px solid var(--rule);
		background: var(--sheet);
		font-size: 12.5px;
	}
	@media (max-width: 700px) {
		.box {
			padding-inline: 12px;
		}
	}
</style>
