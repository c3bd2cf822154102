<!-- What the evidence brings, and whether it has a place in the outline yet. -->
<script lang="ts">
	import { leastPagesOf } from '$lib/core/findings';
	import type { Findings, Topic } from '$lib/core/findings';
	import {
		nearestSections,
		type Plan,
		type PlanSection,
		type Remedy,
		type Unplaced,
		type Placeable
	} from '$lib/core/plan';
	import Tabs from '../parts/Tabs.svelte';
	import { usePlanEditor } from './plan-editor.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		plan: Plan;
		findings: Findings;
	}
	let { plan, findings }: Props = $props();
	const editor = usePlanEditor();
	const { session } = editor;
	const letters = $derived(session.letters);

	type Tab = 'topics' | 'questions' | 'facts' | 'terms' | 'notes';
	let tab = $state<Tab>('topics');
	let search = $state('');
	let ticked = $state.raw<ReadonlySet<string>>(new Set());
	/** More rows are drawn when asked for. */
	const STEP = 100;
	let most = $state(STEP);
	$effect(() => {
		void tab;
		ticked = new Set();
		most = STEP;
	});

	const KIND_OF: Readonly<Record<Exclude<Tab, 'topics'>, Placeable>> = {
		questions: 'question',
		facts: 'fact',
		terms: 'term',
		notes: 'note'
	};

	interface Entry {
		readonly id: string;
		readonly text: string;
		/** What shows its evidence: pages, sources, weight. */
		readonly evidence: string;
		readonly section: PlanSection | undefined;
		readonly topic?: Topic;
		readonly unplaced?: Unplaced | undefined;
	}

	/** The first section that holds each thing. */
	function holders(idsOf: (section: PlanSection) => readonly string[]): Map<string, PlanSection> {
		const found = new Map<string, PlanSection>();
		for (const section of plan.sections)
			for (const id of idsOf(section)) if (!found.has(id)) found.set(id, section);
		return found;
	}
	const homes = $derived({
		topics: holders((section) => editor.topicsOf(section).map(({ id }) => id)),
		questions: holders(({ questions }) => questions.map(({ question }) => question)),
		facts: holders(({ facts }) => facts.map(({ fact }) => fact)),
		terms: holders(({ terms }) => terms.map(({ term }) => term)),
		notes: holders(({ notes }) => notes.map(({ note }) => note))
	});
	const onPages = (ids: readonly string[]) =>
		ids
			.map((id) => letters.get(id) ?? '')
			.sort()
			.join(' ');
	const sourceOf = (id: string) =>
		letters.get(id) ?? session.noteSigns.get(id) ?? session.nameOf(id);
	const least = $derived(leastPagesOf(findings.pages.length));
	const unplaced = $derived(new Map(plan.unplaced.map((entry) => [entry.term, entry])));

	const lists = $derived<Readonly<Record<Tab, readonly Entry[]>>>({
		topics: findings.topics
			.filter(({ pages }) => pages.length >= least)
			.map((topic) => ({
				id: topic.id,
				text: topic.label,
				evidence: `${onPages(topic.pages)} · ${topic.words} words`,
				section: homes.topics.get(topic.id),
				topic
			})),
		questions: findings.questions.map(({ id, text, pages, lists: asked }) => ({
			id,
			text,
			evidence: [
				onPages(pages),
				asked.length > 0 ? `${asked.length} ${asked.length === 1 ? 'list' : 'lists'}` : ''
			]
				.filter(Boolean)
				.join(' · '),
			section: homes.questions.get(id)
		})),
		facts: findings.facts.map(({ id, text, source }) => ({
			id,
			text,
			evidence: sourceOf(source),
			section: homes.facts.get(id)
		})),
		terms: findings.terms.map(({ key, phrase, weight, uses }) => ({
			id: key,
			text: phrase,
			evidence: `${weight} · ${uses.length} of ${findings.pages.length} pages`,
			section: homes.terms.get(key),
			unplaced: unplaced.get(key)
		})),
		notes: findings.notePassages.map(({ id, text, source }) => ({
			id,
			text,
			evidence: sourceOf(source),
			section: homes.notes.get(id)
		}))
	});
	const openOf = (entries: readonly Entry[]) => entries.filter(({ section }) => !section).length;
	const tabs = $derived([
		{ id: 'topics' as const, name: `Topics ${openOf(lists.topics)}` },
		{ id: 'questions' as const, name: `Questions ${openOf(lists.questions)}` },
		{ id: 'facts' as const, name: `Facts ${openOf(lists.facts)}` },
		{ id: 'terms' as const, name: `Terms ${openOf(lists.terms)}` },
		...(lists.notes.length > 0
			? [{ id: 'notes' as const, name: `Notes ${openOf(lists.notes)}` }]
			: [])
	]);
	const wanted = $derived(search.trim().toLowerCase());
	const found = $derived(lists[tab].filter(({ text }) => text.toLowerCase().includes(wanted)));
	/** Entries not yet in the outline come first. */
	const shown = $derived([
		...found.filter(({ section }) => !section),
		...found.filter(({ section }) => section)
	]);
	const into = $derived(plan.sections.find(({ id }) => id === editor.chosen));

	/** Sections offered for a note without a place. */
	const MOST_NEAREST = 3;
	const nearest = $derived(
		tab === 'notes'
			? nearestSections(
					new Set(lists.notes.filter(({ section }) => !section).map(({ id }) => id)),
					plan.sections,
					findings,
					MOST_NEAREST
				)
			: null
	);

	function tick(id: string) {
		const next = new Set(ticked);
		if (!next.delete(id)) next.add(id);
		ticked = next;
	}

	function placeTicked() {
		if (tab === 'topics') editor.takeTopics(findings.topics.filter(({ id }) => ticked.has(id)));
		else if (into) editor.put({ kind: KIND_OF[tab], ids: [...ticked], from: null }, into.id);
		ticked = new Set();
	}

	function drag(event: DragEvent, id: string) {
		if (tab === 'topics') return;
		const ids = ticked.has(id) ? [...ticked] : [id];
		editor.dragged = { kind: KIND_OF[tab], ids, from: null };
		event.dataTransfer?.setData('text/plain', id);
	}

	function remedyLabel(remedy: Remedy): string {
		return remedy.kind === 'section'
			? `Add a section on “${findings.topics.find(({ id }) => id === remedy.topic)?.label ?? ''}”`
			: `Give “${editor.headingOf(remedy.section)}” ${remedy.words} more words`;
	}
</script>

<section class="flex min-h-0 flex-col px-5 pt-3 max-sm:px-3" aria-label="Pool">
	<div class="pool-tabs border-b border-rule">
		<Tabs label="Evidence" {tabs} bind:value={tab} />
	</div>
	{#if ticked.size > 0}
		<p class="flex items-center gap-2 pt-2 pb-1.5">
			<strong>{ticked.size} ticked</strong>
			<button class="act" disabled={tab !== 'topics' && !into} onclick={placeTicked}
				>{tab === 'topics' ? 'Take them in' : into ? 'Place them' : 'Choose a section'}</button
			>
			<button class="linkish" onclick={() => (ticked = new Set())}>Untick</button>
		</p>
		{#if tab !== 'topics' && into}<p class="pb-1 text-xs text-ink-2">
				into {into.level === 1 ? 'the opening' : `“${into.heading}”`}
			</p>{/if}
	{:else}
		<input
			class="field mt-2"
			type="search"
			placeholder="Find in {tab}"
			aria-label="Find in {tab}"
			bind:value={search}
		/>
		<p class="py-2 text-xs text-ink-2">Not yet in the outline first. Drag, or tick and place.</p>
	{/if}
	<ul class="min-h-0 flex-1 overflow-y-auto pb-6 max-lg:max-h-64" aria-label="Not yet placed first">
		{#each withRowKeys(shown.slice(0, most), (entry) => entry.id) as { rowKey, item: entry } (rowKey)}
			<li
				class="entry"
				class:placed={entry.section}
				draggable={tab !== 'topics'}
				ondragstart={(event) => drag(event, entry.id)}
				ondragend={() => (editor.dragged = null)}
			>
				<label class="flex items-start gap-2">
					<input
						type="checkbox"
						class="checkbox mt-1 checkbox-xs"
						aria-label="Tick {entry.text.slice(0, 80)}"
						checked={ticked.has(entry.id)}
						onchange={() => tick(entry.id)}
					/>
					<span
						class="min-w-0 flex-1"
						class:font-serif={tab === 'topics' || tab === 'terms'}
						class:text-[15px]={tab === 'topics' || tab === 'terms'}>{entry.text}</span
					>
				</label>
				<p class="pl-6 text-xs">
					{entry.evidence}
					{#if entry.section}· <button
							class="linkish text-left"
							onclick={() => (editor.chosen = entry.section!.id)}
							>in {editor.numbers.get(entry.section.id) || 'the opening'}</button
						>{:else if entry.topic}· <button
							class="linkish"
							onclick={() => editor.takeTopics([entry.topic!])}>Take it in</button
						>{/if}
				</p>
				{#if tab === 'notes' && !entry.section}
					<p class="pl-6 text-xs">
						without a place{#each nearest?.get(entry.id) ?? [] as id, i (id)}{i === 0
								? ' · place it in '
								: ' or '}<button
								class="linkish text-left"
								onclick={() => editor.put({ kind: 'note', ids: [entry.id], from: null }, id)}
								>{editor.numbers.get(id) || 'the opening'}
								{plan.sections.find((one) => one.id === id)?.heading ?? ''}</button
							>{/each}
					</p>
				{/if}
				{#if entry.unplaced}
					<p class="pl-6 text-xs text-ink-2">{entry.unplaced.reason}.</p>
					{#each entry.unplaced.remedies as remedy, i (i)}<p class="pl-6 text-xs">
							<button class="linkish text-left" onclick={() => void editor.remedy(remedy)}
								>{remedyLabel(remedy)}</button
							>
						</p>{/each}
				{/if}
			</li>
		{:else}
			<li class="py-3 text-ink-2">
				{search === '' ? 'The evidence brings none.' : 'Nothing here says that.'}
			</li>
		{/each}
		{#if shown.length > most}<li class="py-2">
				<button class="act" onclick={() => (most += STEP)}
					>Show {Math.min(STEP, shown.length - most)} more</button
				>
			</li>{/if}
	</ul>
</section>

<style>
	.pool-tabs {
		--tab-gap: 7px;
		--tab-size: 11px;
	}
	.entry {
		border-bottom: 1px solid var(--rule);
		padding: 6px 0;
	}
	.entry p,
	.entry.placed {
		color: var(--ink-2);
	}
</style>
