<!-- What brief and client settle about wording, held against the manuscript. -->
<script lang="ts">
	import type { WordingFinding } from '$lib/core/brief';

	interface Props {
		findings: readonly WordingFinding[];
		/** Shows a sentence in the manuscript. */
		onshow: (sentence: string) => void;
	}
	let { findings, onshow }: Props = $props();

	const open = $derived(findings.filter(({ kind }) => kind !== 'said'));
	const unsaid = $derived(open.filter(({ kind }) => kind === 'not said'));
	const wrong = $derived(open.filter(({ kind }) => kind !== 'not said'));

	function told({ kind, phrase, instead, sentences }: WordingFinding): string {
		if (kind === 'not said') return `“${phrase}” is not said yet`;
		const often = sentences.length === 1 ? 'once' : `in ${sentences.length} sentences`;
		return kind === 'forbidden'
			? `“${phrase}” must not be said and stands ${often}`
			: `“${phrase}” stands ${often}: the name is written “${instead}”`;
	}
</script>

{#if open.length > 0}
	<details class="border-b border-rule px-5 py-1 max-sm:px-3">
		<summary
			>Brief: {[
				unsaid.length > 0 ? `${unsaid.length} still to be said` : '',
				wrong.length > 0 ? `${wrong.length} not to be said so` : ''
			]
				.filter(Boolean)
				.join(', ')}</summary
		>
		<ul class="py-1">
			{#each open as finding, i (i)}
				<li class={['py-0.5', finding.kind === 'not said' ? '' : 'text-plum']}>
					{told(finding)}{#each finding.sentences.slice(0, 3) as sentence, s (s)}
						<button
							class="ml-2 font-serif text-ink-2 hover:underline"
							onclick={() => onshow(sentence)}
							>“{sentence.length > 70 ? `${sentence.slice(0, 70)} …` : sentence}”</button
						>{/each}
				</li>
			{/each}
		</ul>
	</details>
{/if}
