<!-- Our plan beside the outline of a page, each heading with its counterpart. -->
<script lang="ts">
	import { keptBlocksOf, sectionsOf, textOf } from '$lib/core/pages';
	import { faqPlaces } from '$lib/core/reading';
	import { countWords } from '$lib/core/text';
	import { topicMatcher } from '$lib/core/plan';
	import OpenPage from '../findings/OpenPage.svelte';
	import { usePlanEditor } from './plan-editor.svelte';

	interface Props {
		page: string;
		onclose: () => void;
	}
	let { page, onclose }: Props = $props();
	const editor = usePlanEditor();
	const { session } = editor;

	const found = $derived(session.pages.find(({ id }) => id === page));
	const theirSections = $derived(
		found ? sectionsOf(keptBlocksOf(found.article, found.struck)) : []
	);
	const theirs = $derived.by(() => {
		const faqs = faqPlaces(theirSections);
		return theirSections.flatMap(({ heading, blocks }, section) =>
			heading && heading.level > 1
				? [
						{
							section,
							level: heading.level,
							text: heading.text,
							isFaq: faqs[section] !== 'outside',
							words: blocks.reduce((sum, block) => sum + countWords(textOf(block)), 0)
						}
					]
				: []
		);
	});
	const match = $derived(editor.findings ? topicMatcher(editor.findings) : null);
	/** Our section for each section of the page: that of its topic, else one whose heading speaks of the same. */
	const pairs = $derived.by(() => {
		const sections = editor.plan?.sections ?? [];
		const pairsOf = new Map<number, string>();
		for (const heading of theirs) {
			const topic = editor.findings?.topics.find(({ headings }) =>
				headings.some((h) => h.page === page && h.section === heading.section)
			);
			const ours = sections.find((section) =>
				editor.topicsOf(section).some((one) => one.id === topic?.id)
			);
			const spoken =
				ours ??
				(heading.isFaq ? sections.find(({ kind }) => kind === 'faq') : undefined) ??
				sections.find(
					(section) =>
						section.level > 1 &&
						topic !== undefined &&
						match?.(section.heading)[0]?.topic.id === topic.id
				);
			if (spoken) pairsOf.set(heading.section, spoken.id);
		}
		return pairsOf;
	});
	const covered = $derived(new Set(pairs.values()));
	const letter = $derived(session.letters.get(page) ?? '');

	function topicAt(section: number) {
		return editor.findings?.topics.find(({ headings }) =>
			headings.some((h) => h.page === page && h.section === section)
		);
	}
</script>

<div class="flex items-baseline gap-3 pb-2">
	<h2 class="text-base">Our plan beside {letter}</h2>
	<span class="text-ink-2"
		>{pairs.size} of {theirs.length} headings have their counterpart in ours</span
	>
	<button class="act ml-auto" onclick={onclose}>Back to the plan</button>
</div>
<div class="grid min-h-0 flex-1 grid-cols-2 gap-6 overflow-y-auto pb-16 max-md:grid-cols-1">
	<ol aria-label="Our plan">
		{#each editor.plan?.sections ?? [] as section (section.id)}
			<li
				class="line"
				style:padding-left="{Math.max(0, section.level - 2) * 20}px"
				class:lone={!covered.has(section.id) && section.level > 1}
			>
				<span class="w-8 text-ink-2">{editor.numbers.get(section.id)}</span>
				<span class="min-w-0 flex-1 font-serif"
					>{section.level === 1 ? 'The opening' : section.heading}</span
				>
				<span class="text-xs text-ink-2"
					>{section.level > 1 && !covered.has(section.id) ? `not in ${letter}` : ''}</span
				>
				<span class="w-12 text-right text-ink-2">{section.budget}</span>
			</li>
		{/each}
	</ol>
	<ol aria-label="Outline of {letter}">
		{#each theirs as heading (heading.section)}
			{@const ours = pairs.get(heading.section)}
			{@const topic = topicAt(heading.section)}
			<li
				class="line"
				style:padding-left="{Math.max(0, heading.level - 2) * 20}px"
				class:lone={!ours}
			>
				<span class="w-8 text-secondary">{ours ? editor.numbers.get(ours) || 'top' : ''}</span>
				<span class="min-w-0 flex-1"
					><span class="font-serif">{heading.text}</span>
					{#if !ours && topic}<button
							class="linkish ml-2 text-xs"
							onclick={() => editor.takeTopics([topic])}>Take the topic in</button
						>{/if}</span
				>
				<span class="text-xs"><OpenPage {page} says={heading.text} label="H{heading.level}" /></span
				>
				<span class="w-12 text-right text-ink-2">{heading.words}</span>
			</li>
		{/each}
	</ol>
</div>

<style>
	.line {
		display: flex;
		align-items: baseline;
		gap: 8px;
		border-bottom: 1px solid var(--rule);
		padding-block: 5px;
	}
	.lone {
		color: var(--ink-2);
	}
</style>
