<!-- What is said to the client about the chosen words, above the text. -->
<script lang="ts">
	import { focused } from '../parts/focused';
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
	$effect(() => {
		typed = said;
		trouble = '';
	});

	function keep(text: string) {
		comments.say(text);
		onclose();
	}
</script>

<OverPage label="Comment for the client" {onclose} onaccept={() => keep(typed)}>
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
</OverPage>
