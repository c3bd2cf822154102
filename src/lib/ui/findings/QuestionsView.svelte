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
	<p class="py-2 text-ink-2">{findings.questions.length} questions, those asked most first.</p>
	{#each findings.questions as question (question.id)}
		<details class="border-b border-rule py-2">
			<summary class="flex list-none items-baseline gap-4">
				<span class="min-w-0 flex-1 font-serif text-[15.5px] font-medium">{question.text}</span>
				<span class="w-12 text-ink-2 max-sm:hidden">{question.kind}</span>
				<span class="w-40 text-right text-xs text-ink-2">
					{#if question.pages.length > 0}<span class="tracking-widest"
							>{question.pages.map((id) => letters.get(id) ?? '').join(' ')}</span
						>{/if}
					{question.lists.length > 0
						? ` asked in ${question.lists.length === 1 ? 'a list' : `${question.lists.length} lists`}`
						: ''}
				</span>
				<span class="w-20 text-right text-ink-2"
					>{question.answers.length === 0
						? 'no answer'
						: question.answers.length === 1
							? '1 answer'
							: `${question.answers.length} answers`}</span
				>
			</summary>
			{#if question.wordings.length > 1}<p class="mt-1 text-ink-2">
					Also: {question.wordings.filter((w) => w !== question.text).join(' · ')}
				</p>{/if}
			{#each question.answers as answer, i (i)}
				<p class="mt-1">
					<strong>{letters.get(answer.source) ?? nameOf(answer.source)}</strong>
					<span class="font-serif">{answer.text}</span>
				</p>
			{/each}
		</details>
	{:else}
		<p class="text-ink-2">Nobody asks anything yet. Bring a list of questions in Gather.</p>
	{/each}
</div>
