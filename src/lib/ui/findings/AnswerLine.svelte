<!-- A statement that answers a question, or may: where it stands, what it says, what the writer says of it. -->
<script lang="ts">
	import type { PossibleAnswer } from '$lib/core/findings';
	import { useSession } from '../assignment/session.svelte';
	import OpenPage from './OpenPage.svelte';

	interface Props {
		one: Pick<PossibleAnswer, 'source' | 'text'>;
		/** Left out where nothing can be said of it. */
		onright?: () => void;
		onwrong?: () => void;
		onback?: () => void;
		/** What is said of it already. */
		said?: string;
	}
	let { one, onright, onwrong, onback, said = '' }: Props = $props();

	const session = useSession();
	const letter = $derived(session.letters.get(one.source));
	const time = $derived(session.timeOf(one.source, one.text));
	const about = $derived(one.text.slice(0, 60));
</script>

<p class="mt-1">
	{#if letter !== undefined}<strong
			><OpenPage page={one.source} says={one.text} label={letter} /></strong
		>{:else}<span class="text-ink-2">{session.nameOf(one.source)}{time ? `, ${time}` : ''}</span
		>{/if}
	<span class="font-serif">{one.text}</span>
	{#if said !== ''}<span class="ml-1 text-ink-2">{said}</span>{/if}
	<span class="ml-1 inline-flex gap-3">
		{#if onright}<button class="linkish" aria-label="It does answer: {about}" onclick={onright}
				>It does</button
			>{/if}
		{#if onwrong}<button class="linkish" aria-label="No answer: {about}" onclick={onwrong}
				>{onright ? 'No' : 'No answer'}</button
			>{/if}
		{#if onback}<button class="linkish" aria-label="Take back: {about}" onclick={onback}
				>Take back</button
			>{/if}
	</span>
</p>
