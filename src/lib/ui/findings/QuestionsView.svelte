<!-- Questions from pages, notes and lists, with who asks and how it is answered. -->
<script lang="ts">
	import type { Findings } from '$lib/core/findings';

	interface Props {
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		nameOf: (id: string) => string;
	}
	let { findings, letters, nameOf }: Props = $props();
</script>

<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	<p class="text-ink-2 py-2">{findings.questions.length} questions, those asked most first.</p>
	{#each findings.questions as question (question.id)}
		<details class="border-rule border-b py-2">
			<summary class="flex list-none items-baseline gap-4">
				<span class="font-serif min-w-0 flex-1 text-[15.5px] font-medium">{question.text}</span>
				<span class="text-ink-2 w-12 max-sm:hidden">{question.kind}</span>
				<span class="text-ink-2 w-40 text-right text-xs">
					{#if question.pages.length > 0}<span class="tracking-widest">{question.pages.map((id) => letters.get(id) ?? '').join(' ')}</span>{/if}
					{question.lists.length > 0 ? ` asked in ${question.lists.length === 1 ? 'a list' : `${question.lists.length} lists`}` : ''}
				</span>
				<span class="text-ink-2 w-20 text-right">{question.answers.length === 0 ? 'no answer' : question.answers.length === 1 ? '1 answer' : `${question.answers.length} answers`}</span>
			</summary>
			{#if question.wordings.length > 1}<p class="text-ink-2 mt-1">Also: {question.wordings.filter((w) => w !== question.text).join(' · ')}</p>{/if}
			{#each question.answers as answer, i (i)}
				<p class="mt-1"><strong>{letters.get(answer.source) ?? nameOf(answer.source)}</strong> <span class="font-serif">{answer.text}</span></p>
			{/each}
		</details>
	{:else}
		<p class="text-ink-2">Nobody asks anything yet. Bring a list of questions in Gather.</p>
	{/each}
</div>
