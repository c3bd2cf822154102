<!-- What the evidence brings, and whether it has a place in the outline yet. -->
<script lang="ts">
	import type { Findings, Topic } from '$lib/core/findings';
	import Tabs from '../parts/Tabs.svelte';
	import { headingFor, newSection, type Plan, type PlanSection } from '$lib/core/plan';

	interface Props {
		plan: Plan;
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		onadd: (section: PlanSection) => void;
		onopen: (section: string) => void;
	}
	let { plan, findings, letters, onadd, onopen }: Props = $props();
	let tab = $state<'topics' | 'questions' | 'facts' | 'terms'>('topics');
	let search = $state('');

	const wanted = $derived(search.trim().toLowerCase());
	const least = $derived(findings.pages.length <= 3 ? 1 : 2);
	const topics = $derived(
		sorted(
			findings.topics.filter(
				(topic) => topic.pages.length >= least && topic.label.toLowerCase().includes(wanted)
			),
			sectionOfTopic
		)
	);
	const questions = $derived(
		sorted(
			findings.questions.filter(({ text }) => text.toLowerCase().includes(wanted)),
			({ id }) => plan.sections.find((s) => s.questions.some(({ question }) => question === id))
		)
	);
	const facts = $derived(
		sorted(
			findings.facts.filter(({ text }) => text.toLowerCase().includes(wanted)),
			({ id }) => plan.sections.find((s) => s.facts.some(({ fact }) => fact === id))
		)
	);
	const terms = $derived(
		sorted(
			findings.terms.filter(({ phrase }) => phrase.toLowerCase().includes(wanted)),
			({ key }) => plan.sections.find((s) => s.terms.some(({ term }) => term === key))
		)
	);
	const tabs = $derived([
		{ id: 'topics' as const, name: `Topics ${openOf(topics)}` },
		{ id: 'questions' as const, name: `Questions ${openOf(questions)}` },
		{ id: 'facts' as const, name: `Facts ${openOf(facts)}` },
		{ id: 'terms' as const, name: `Terms ${openOf(terms)}` }
	]);

	interface Entry<T> {
		item: T;
		section: PlanSection | undefined;
	}
	/** Entries not yet in the outline come first. */
	function sorted<T>(
		items: readonly T[],
		sectionOf: (item: T) => PlanSection | undefined
	): Entry<T>[] {
		const entries = items.map((item) => ({ item, section: sectionOf(item) }));
		return [
			...entries.filter(({ section }) => !section),
			...entries.filter(({ section }) => section)
		];
	}
	function openOf(entries: readonly Entry<unknown>[]): number {
		return entries.filter(({ section }) => !section).length;
	}
	function sectionOfTopic(topic: Topic): PlanSection | undefined {
		return plan.sections.find((section) => section.topics.includes(topic.id));
	}

	function take(topic: Topic) {
		const taken = new Set(plan.sections.map(({ heading }) => heading.toLowerCase()));
		const section = newSection(
			`section:${crypto.randomUUID()}`,
			headingFor(topic, findings, taken),
			Math.max(50, Math.round(topic.words / 5) * 5)
		);
		onadd({ ...section, topics: [topic.id], intent: topic.intent, position: topic.position });
	}
</script>

<section class="flex min-h-0 flex-col px-5 pt-3 max-sm:px-3" aria-label="Pool">
	<div class="pool-tabs border-b border-rule">
		<Tabs label="Evidence" {tabs} bind:value={tab} />
	</div>
	<input
		class="field mt-2"
		type="search"
		placeholder="Find in {tab}"
		aria-label="Find in {tab}"
		bind:value={search}
	/>
	<p class="py-2 text-xs text-ink-2">Not yet in the outline first</p>
	<div class="min-h-0 flex-1 overflow-y-auto pb-6 max-lg:max-h-64">
		{#if tab === 'topics'}
			{#each topics as { item, section } (item.id)}
				<div class="entry" class:placed={section}>
					<p class="font-serif text-[15px] font-medium">{item.label}</p>
					<p class="text-xs">
						<span class="tracking-widest"
							>{item.pages
								.map((id) => letters.get(id) ?? '')
								.sort()
								.join(' ')}</span
						>
						· {item.words} words
						{#if section}· <button class="linkish" onclick={() => onopen(section.id)}
								>in {section.heading}</button
							>{:else}· <button class="linkish" onclick={() => take(item)}>Take it in</button>{/if}
					</p>
				</div>
			{/each}
		{:else if tab === 'questions'}
			{#each questions as { item, section } (item.id)}
				<div class="entry" class:placed={section}>
					<p>{item.text}</p>
					<p class="text-xs">
						asked {item.pages.length + item.lists.length === 1
							? 'once'
							: `${item.pages.length + item.lists.length} times`}{#if section}
							· <button class="linkish" onclick={() => onopen(section.id)}
								>in {section.heading}</button
							>{/if}
					</p>
				</div>
			{/each}
		{:else if tab === 'facts'}
			{#each facts.slice(0, 150) as { item, section } (item.id)}
				<div class="entry" class:placed={section}>
					<p>{item.text}</p>
					<p class="text-xs">
						<strong>{item.origin === 'note' ? 'your notes' : letters.get(item.source)}</strong
						>{#if section}
							· <button class="linkish" onclick={() => onopen(section.id)}
								>in {section.heading}</button
							>{/if}
					</p>
				</div>
			{/each}
			{#if facts.length > 150}<p class="py-2 text-ink-2">
					And {facts.length - 150} more: search to narrow them.
				</p>{/if}
		{:else}
			{#each terms as { item, section } (item.key)}
				<div class="entry" class:placed={section}>
					<p class="flex justify-between gap-2">
						<span class="font-serif text-[15px]">{item.phrase}</span><span class="text-xs"
							>{item.weight}</span
						>
					</p>
					<p class="text-xs">
						{#if section}<button class="linkish" onclick={() => onopen(section.id)}
								>in {section.heading}</button
							>{:else}{plan.unplaced.find(({ term }) => term === item.key)?.reason ??
								'not placed yet'}{/if}
					</p>
				</div>
			{/each}
		{/if}
	</div>
</section>

<style>
	.pool-tabs {
		--tab-gap: 12px;
		--tab-size: 13px;
	}
	.entry {
		border-bottom: 1px solid var(--rule);
		padding: 6px 0;
	}
	.entry p:last-child,
	.entry.placed {
		color: var(--ink-2);
	}
</style>
