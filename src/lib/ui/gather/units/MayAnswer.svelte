<!-- Questions that a note may answer, to be confirmed or refused where the note is read. -->
<script lang="ts">
	import type { PossibleAnswer, Question } from '$lib/core/findings';
	import { useSession } from '../../assignment/session.svelte';
	import { judge } from '../../assignment/judge-answer';
	import { withRowKeys } from '../../parts/row-keys';

	interface Props {
		/** Id of the note. */
		note: string;
	}
	let { note }: Props = $props();

	const session = useSession();
	interface Offer {
		readonly question: Question;
		readonly one: PossibleAnswer;
	}
	const offers = $derived(
		(session.findings?.questions ?? []).flatMap((question): Offer[] => {
			const one = question.mayAnswer.find(({ source }) => source === note);
			return one ? [{ question, one }] : [];
		})
	);
	let showsAll = $state(false);
	const FIRST = 8;
</script>

{#if offers.length > 0}
	<section class="mt-5" aria-labelledby="may-answer">
		<h2 id="may-answer" class="mb-1 font-sans text-xs font-semibold">May answer</h2>
		<ul>
			{#each withRowKeys(showsAll ? offers : offers.slice(0, FIRST), ({ question }) => question.id) as { rowKey, item: { question, one } } (rowKey)}
				<li class="mb-2">
					<span class="block">{question.text}</span>
					<span class="text-ink-2">“{one.text}”</span>
					<span class="ml-1 inline-flex gap-3">
						<button
							class="linkish"
							aria-label="It does answer “{question.text}”"
							onclick={() => judge(session, question, one, true)}>It does</button
						>
						<button
							class="linkish"
							aria-label="It does not answer “{question.text}”"
							onclick={() => judge(session, question, one, false)}>No</button
						>
					</span>
				</li>
			{/each}
		</ul>
		{#if offers.length > FIRST && !showsAll}<button
				class="linkish"
				onclick={() => (showsAll = true)}>{offers.length - FIRST} more</button
			>{/if}
	</section>
{/if}
