<!-- What stands in a section: terms, questions, facts and notes as small marks that open to reasons. -->
<script lang="ts">
	import Lock from '@lucide/svelte/icons/lock';
	import { conflictsIn, type PlanSection, type Placeable } from '$lib/core/plan';
	import { rangeShown } from '../findings/figures';
	import StateMark from '../parts/StateMark.svelte';
	import { usePlanEditor } from './plan-editor.svelte';
	import Why from './Why.svelte';
	import WhyHeld from './WhyHeld.svelte';
	import WhyHere from './WhyHere.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		section: PlanSection;
		isChosen: boolean;
	}
	let { section, isChosen }: Props = $props();
	const editor = usePlanEditor();
	const { session } = editor;

	const findings = $derived(editor.findings);
	const phrases = $derived(new Map(findings?.terms.map((term) => [term.key, term.phrase])));
	const SHOWN = 12;
	const shown = $derived(isChosen ? section.terms : section.terms.slice(0, SHOWN));
	/** Notes listed before the rest is unfolded. */
	const NOTES_SHOWN = 4;
	let hasAllNotes = $state(false);
	const shownNotes = $derived(
		hasAllNotes || section.notes.length <= NOTES_SHOWN + 1
			? section.notes
			: section.notes.slice(0, NOTES_SHOWN)
	);
	const conflicts = $derived(findings ? conflictsIn(section, findings) : []);
	const formats = $derived.by(() => {
		const topics = editor.topicsOf(section);
		return (['steps', 'list', 'table'] as const).flatMap((format) => {
			const share = Math.max(0, ...topics.map((topic) => topic.formats[format]));
			return share >= 0.34
				? [
						`${Math.round(100 * share)}% of pages ${{ steps: 'number the steps', list: 'use a list', table: 'use a table' }[format]} here`
					]
				: [];
		});
	});

	/** Where facts and passages of notes come from. */
	const sources = $derived(
		new Map(
			[...(findings?.facts ?? []), ...(findings?.notePassages ?? [])].map(
				({ id, source }) => [id, source] as const
			)
		)
	);
	const signOf = (source = '') =>
		session.letters.get(source) ?? session.noteSigns.get(source) ?? session.nameOf(source);

	function textOf(kind: Placeable, id: string): string {
		const all: readonly { readonly id: string; readonly text: string }[] =
			(kind === 'question'
				? findings?.questions
				: kind === 'fact'
					? findings?.facts
					: findings?.notePassages) ?? [];
		return all.find((one) => one.id === id)?.text ?? id.replace(/^question:/, '');
	}

	function drag(event: DragEvent, kind: Placeable, id: string) {
		editor.dragged = { kind, ids: [id], from: section.id };
		event.dataTransfer?.setData('text/plain', editor.nameOf(kind, id));
		event.stopPropagation();
	}
</script>

<p class="flex flex-wrap gap-x-4 gap-y-0.5 pl-[52px] max-sm:pl-2">
	{#each withRowKeys(shown, (placement) => placement.term) as { rowKey, item: placement } (rowKey)}
		<Why
			look="inline-flex items-center gap-1.5 hover:text-accent"
			ondragstart={(event: DragEvent) => drag(event, 'term', placement.term)}
			ondragend={() => (editor.dragged = null)}
		>
			{#snippet label()}<StateMark state="placed" />{phrases.get(placement.term) ??
					placement.term}{#if placement.uses > 1}<span class="text-ink-2">×{placement.uses}</span
					>{/if}
				{#if placement.locked}<Lock size={10} />{/if}{/snippet}
			<WhyHere {placement} {section} />
		</Why>
	{/each}
	{#if section.terms.length > shown.length}<span class="text-ink-2"
			>and {section.terms.length - shown.length} more</span
		>{/if}
	{#if !isChosen}
		{#each withRowKeys(section.questions, ({ question }) => question) as { rowKey, item: { question, reason } } (rowKey)}
			<span class="text-primary" title={reason}>? {editor.nameOf('question', question)}</span>
		{/each}
		{#if section.facts.length > 0}<span class="text-ink-2"
				>= {section.facts.length}
				{section.facts.length === 1 ? 'fact' : 'facts'}</span
			>{/if}
		{#if section.notes.length > 0}<span class="text-ink-2"
				>{section.notes.length}
				{section.notes.length === 1 ? 'note' : 'notes'}</span
			>{/if}
	{/if}
	{#each withRowKeys(conflicts, ({ figure }) => figure.id) as { rowKey, item: { figure } } (rowKey)}<span
			class="text-accent">= {figure.label || 'a figure'}: {rangeShown(figure)}, sources differ</span
		>{/each}
	{#if section.terms.length + section.questions.length + section.facts.length + section.notes.length === 0}<span
			class="text-ink-2">nothing placed here</span
		>{/if}
</p>
{#snippet held(
	kind: Exclude<Placeable, 'term'>,
	id: string,
	{ reason, locked }: { readonly reason: string; readonly locked: boolean },
	sign: string
)}
	<li
		class="flex items-baseline gap-2"
		draggable="true"
		ondragstart={(event) => drag(event, kind, id)}
		ondragend={() => (editor.dragged = null)}
	>
		<Why
			look="min-w-0 truncate text-left hover:text-accent {kind === 'question'
				? 'text-primary'
				: 'text-ink-2'}"
		>
			{#snippet label()}<strong class={kind === 'note' ? 'text-secondary' : 'text-ink'}
					>{sign}</strong
				>
				{textOf(kind, id)}
				{#if locked}<Lock size={10} class="inline" />{/if}{/snippet}
			<WhyHeld {kind} {id} {reason} {locked} {section} />
		</Why>
		<button
			class="linkish text-xs whitespace-nowrap"
			aria-label="Take out: {editor.nameOf(kind, id)}"
			onclick={() => editor.takeOut(kind, id, section.id)}>Take out</button
		>
	</li>
{/snippet}
{#if isChosen}
	<ul class="mt-1 pl-[52px] max-sm:pl-2">
		{#each withRowKeys(section.questions, (placed) => placed.question) as { rowKey, item: placed } (rowKey)}
			{@render held('question', placed.question, placed, '?')}
		{/each}
		{#each withRowKeys(section.facts, (placed) => placed.fact) as { rowKey, item: placed } (rowKey)}
			{@render held('fact', placed.fact, placed, `= ${signOf(sources.get(placed.fact))}`)}
		{/each}
		{#each withRowKeys(shownNotes, (placed) => placed.note) as { rowKey, item: placed } (rowKey)}
			{@render held('note', placed.note, placed, signOf(sources.get(placed.note)))}
		{/each}
		{#if section.notes.length > NOTES_SHOWN + 1}<li>
				<button
					class="linkish text-xs"
					aria-expanded={hasAllNotes}
					onclick={() => (hasAllNotes = !hasAllNotes)}
					>{hasAllNotes
						? 'Fold the notes'
						: `${section.notes.length - shownNotes.length} more of your notes`}</button
				>
			</li>{/if}
		{#each withRowKeys(formats, (format) => format) as { rowKey, item: format } (rowKey)}<li
				class="text-ink-2"
			>
				{format}.
			</li>{/each}
		{#each withRowKeys(section.refused, (term) => term) as { rowKey, item: term } (rowKey)}
			<li class="text-ink-2">
				does not take <s>{phrases.get(term) ?? term}</s>
				<button
					class="linkish text-xs"
					onclick={() =>
						editor.changeSection(
							section.id,
							`“${phrases.get(term) ?? term}” may stand here again`,
							{
								refused: section.refused.filter((other) => other !== term)
							}
						)}>Let it</button
				>
			</li>
		{/each}
	</ul>
{/if}
