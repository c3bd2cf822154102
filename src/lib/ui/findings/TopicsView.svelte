<!-- Merged headings in their usual order, nested, with the pages that have them; joined and parted by hand. -->
<script lang="ts">
	import { topicMatterOf, type Findings, type Topic } from '$lib/core/findings';
	import { keptBlocksOf, sectionsOf, textOf } from '$lib/core/pages';
	import { useSession } from '../assignment/session.svelte';
	import OpenPage from './OpenPage.svelte';
	import { rangeShown } from './figures';
	import { GroupList } from './group-list.svelte';
	import GroupTools from './GroupTools.svelte';
	import StruckList from './StruckList.svelte';
	import TickedBar from './TickedBar.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		findings: Findings;
	}
	let { findings }: Props = $props();

	const session = useSession();
	const letters = $derived(session.letters);
	let showsAll = $state(false);
	let showsStruck = $state(false);
	let search = $state('');
	const list = new GroupList<Topic>({
		session,
		edits: 'topics',
		noun: 'topics',
		entries: () => findings.topics,
		refsOf: ({ headings }) => headings.map(({ ref }) => ref),
		nameOf: ({ label }) => label
	});

	const least = $derived(findings.pages.length <= 3 || showsAll || search !== '' ? 1 : 2);
	const kept = $derived(
		findings.topics.filter(
			({ pages, headings, label }) =>
				pages.length >= least &&
				[label, ...headings.map(({ text }) => text)].some((text) =>
					text.toLowerCase().includes(search.trim().toLowerCase())
				)
		)
	);
	/** Topics in their usual order, each followed by its sub-topics. */
	const rows = $derived.by(() => {
		const shown = new Set(kept.map(({ id }) => id));
		const isTop = ({ parent }: Topic) => parent === null || !shown.has(parent);
		return kept
			.filter(isTop)
			.flatMap((topic) => [
				{ topic, isInner: false },
				...kept
					.filter(({ parent }) => parent === topic.id)
					.map((inner) => ({ topic: inner, isInner: true }))
			]);
	});
	const single = $derived(findings.topics.filter(({ pages }) => pages.length === 1).length);
	const widths = $derived(new Map(findings.pages.map(({ id, words }) => [id, words])));

	const byLetter = ({ headings }: Topic) =>
		headings.toSorted(
			(a, b) =>
				(letters.get(a.page) ?? '').localeCompare(letters.get(b.page) ?? '') ||
				a.section - b.section
		);
	const PASSAGE_WORDS = 32;

	/** The first words under a heading, as they are counted. */
	function passageOf(page: string, section: number): string {
		const found = session.pages.find(({ id }) => id === page);
		if (!found) return '';
		const under = sectionsOf(keptBlocksOf(found.article, found.struck))[section];
		const words = (under?.blocks ?? []).map(textOf).join(' ').split(/\s+/);
		return words.length > PASSAGE_WORDS
			? `${words.slice(0, PASSAGE_WORDS).join(' ')} …`
			: words.join(' ');
	}

	const formatsOf = ({ formats }: Topic) =>
		(
			[
				['steps', 'numbered steps'],
				['list', 'a list'],
				['table', 'a table']
			] as const
		)
			.filter(([format]) => formats[format] > 0)
			.map(([format, name]) => `${name} on ${Math.round(100 * formats[format])}%`);
</script>

<div class="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
	{#if list.tickedEntries.length > 0}
		<TickedBar {list} />
	{:else}
		<input
			class="field w-40"
			type="search"
			placeholder="Find a topic"
			aria-label="Find a topic"
			bind:value={search}
		/>
		<span class="text-ink-2 max-sm:hidden"
			>In their usual order. The strip shows where in each page they stand.</span
		>
		{#if single > 0 && findings.pages.length > 3}<button
				class="linkish"
				onclick={() => (showsAll = !showsAll)}
				>{showsAll ? 'Hide' : 'Show'} {single} that only one page has</button
			>{/if}
		{#if findings.struck.topics.length > 0}<button
				class="linkish"
				aria-expanded={showsStruck}
				onclick={() => (showsStruck = !showsStruck)}
				>{findings.struck.topics.length} struck out</button
			>{/if}
		<span class="ml-auto text-xs text-ink-2 max-lg:hidden">Space ticks, x strikes out</span>
	{/if}
</div>
<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	{#if showsStruck && findings.struck.topics.length > 0}
		<StruckList {list} entries={findings.struck.topics} />
	{/if}
	<ul bind:this={list.element} aria-label="Topics in their usual order">
		{#each withRowKeys( rows, ({ topic }) => list.keyOf(topic) ) as { rowKey, item: { topic, isInner } }, at (rowKey)}
			{@const isOpen = list.isOpen(topic)}
			<li class="border-b border-rule py-1.5" class:pl-6={isInner}>
				<div class="flex items-baseline gap-3">
					<input
						type="checkbox"
						class="checkbox self-center checkbox-xs"
						aria-label="Tick {topic.label}"
						checked={list.isTicked(topic)}
						onchange={() => list.tick(topic)}
					/>
					<button
						class="open min-w-0 flex-1 text-left font-serif text-[15.5px] font-medium"
						aria-expanded={isOpen}
						onclick={() => list.toggleOpen(topic)}
						onkeydown={(event) => list.onkeydown(event, at, topic)}>{topic.label}</button
					>
					<span class="w-32 text-xs tracking-widest text-ink-2 max-sm:hidden"
						>{topic.pages
							.map((id) => letters.get(id) ?? '')
							.sort()
							.join(' ')}</span
					>
					<span
						class="strip max-sm:hidden"
						role="img"
						aria-label="usually {Math.round(100 * topic.position)}% of the way through"
					>
						{#each topic.headings as h, i (i)}<i
								style:left="{100 * h.position}%"
								style:width="{Math.max(1.5, (100 * h.words) / (widths.get(h.page) ?? 1000))}%"
							></i>{/each}
					</span>
					<span class="w-16 text-right text-ink-2 sm:hidden">{topic.pages.length} pages</span>
					<span class="w-20 text-right text-ink-2 max-sm:hidden">{topic.words} words</span>
				</div>
				{#if isOpen}
					{@const matter = topicMatterOf(topic, findings)}
					<div class="grid gap-x-8 pt-2 pb-3 pl-7 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
						<div>
							<ul>
								{#each withRowKeys(byLetter(topic), (h) => h.ref + h.section) as { rowKey, item: h } (rowKey)}
									<li class="flex items-start gap-2 py-1">
										<input
											type="checkbox"
											class="checkbox mt-1 checkbox-xs"
											aria-label="Tick heading {h.text} of {letters.get(h.page)}"
											checked={list.parting.has(h.ref)}
											onchange={() => list.tickPart(h.ref)}
										/>
										<span class="min-w-0 flex-1"
											><OpenPage page={h.page} says={h.text} label={letters.get(h.page) ?? '?'} />
											<span class="text-xs text-ink-2">H{h.level}</span>
											<span class="font-serif font-medium">{h.text}</span>
											<span class="block font-serif text-[13px] leading-snug text-ink-2"
												>{passageOf(h.page, h.section)}</span
											></span
										>
										<span class="text-ink-2">{h.words} words</span>
									</li>
								{/each}
							</ul>
							<GroupTools
								{list}
								entry={topic}
								parts="headings"
								naming="Name of the topic {topic.label}"
							/>
						</div>
						<dl class="matter">
							<dt>Terms</dt>
							<dd class="font-serif">
								{matter.terms
									.map((key) => findings.terms.find((term) => term.key === key)?.phrase ?? key)
									.join(', ') || '–'}
							</dd>
							<dt>Questions</dt>
							<dd>
								{matter.questions
									.slice(0, 4)
									.map((id) => findings.questions.find((question) => question.id === id)?.text)
									.join(' ') || '–'}
							</dd>
							<dt>Figures</dt>
							<dd>
								{matter.figures
									.slice(0, 5)
									.map(
										(figure) => `${figure.label ? `${figure.label}: ` : ''}${rangeShown(figure)}`
									)
									.join('; ') || '–'}
							</dd>
							<dt>Made as</dt>
							<dd>{formatsOf(topic).join(', ') || 'running text'}</dd>
						</dl>
					</div>
				{/if}
			</li>
		{:else}
			<li class="py-3 text-ink-2">
				{search === '' ? 'The counted pages share no heading.' : 'No topic is called that.'}
			</li>
		{/each}
	</ul>
	{#if findings.ownTopics.length > 0}
		<h2 class="mt-5 border-b border-rule pb-1 text-base">Nobody covers it</h2>
		<ul>
			{#each withRowKeys(findings.ownTopics, (topic) => topic.id) as { rowKey, item: topic } (rowKey)}
				<li class="flex items-baseline gap-4 border-b border-rule py-1.5">
					<span class="min-w-0 flex-1 font-serif text-[15px]">{topic.label}</span>
					<span class="text-ink-2"
						>{topic.at.length > 0
							? `${topic.at.map(({ source }) => session.nameOf(source)).join(', ')}, ${topic.at.reduce((sum, { words }) => sum + words, 0)} words`
							: topic.volume === null
								? 'in a keyword list'
								: `searched ${topic.volume.toLocaleString('en')} times a month`}</span
					>
				</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.strip {
		position: relative;
		width: 240px;
		height: 9px;
		border-bottom: 1px solid var(--rule);
	}
	.strip i {
		position: absolute;
		bottom: 0;
		height: 8px;
		background: var(--color-primary);
		opacity: 0.45;
	}
	.matter dt {
		font-size: 12px;
		font-weight: 600;
		color: var(--ink-2);
	}
	.matter dd {
		margin-bottom: 6px;
	}
</style>
