<!-- The bench for the section in hand: fitting notes, facts, and how others use a term. -->
<script lang="ts">
	import { passagesOf } from '$lib/core/writers';
	import type { Context, Findings } from '$lib/core/findings';
	import { suggestLinks, type LinkTarget } from '$lib/core/clients';
	import {
		docText,
		gap,
		paragraph,
		textNode,
		type BlockNode,
		type Origin
	} from '$lib/core/manuscript';
	import { isMaterial, unitsOfNote } from '$lib/core/notes';
	import type { Plan } from '$lib/core/plan';
	import type { Slip } from '$lib/core/standing';
	import { contentStemsOf, findTerms, indexTerms, patternOf } from '$lib/core/text';
	import { analysis } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import { countOf } from '../parts/count-of';
	import { withRowKeys } from '../parts/row-keys';
	import type { ManuscriptEditor } from './manuscript-editor.svelte';

	interface Props {
		findings: Findings;
		plan: Plan;
		slip: Slip | null;
		/** A term the writer asked about. */
		term: string | null;
		editor: Pick<ManuscriptEditor, 'changes' | 'links'>;
		/** Where links could lead. */
		targets: readonly LinkTarget[];
		onbring: (text: string, origin: Origin | null) => void;
	}
	let { findings, plan, slip, term, editor, targets, onbring }: Props = $props();
	const session = useSession();
	let contexts = $state.raw<readonly Context[]>([]);

	const section = $derived(plan.sections.find(({ id }) => id === slip?.section));
	const passages = $derived(
		passagesOf(
			session.notes.filter(isMaterial).map((note) => {
				const units = unitsOfNote(note);
				return {
					id: note.id,
					label: session.noteSigns.get(note.id) ?? '',
					title: units.title || note.name,
					units
				};
			})
		)
	);
	/** Passages that hold most of what the section is to hold. */
	const fitting = $derived.by(() => {
		if (!section) return [];
		const index = indexTerms(
			section.terms.map(
				({ term }) => findings.terms.find(({ key }) => key === term) ?? patternOf(term)
			)
		);
		const stems = new Set(contentStemsOf(section.heading));
		return passages
			.map((passage) => {
				const text = passage.sentences.join(' ');
				const held = new Set(findTerms(index, text).map(({ term }) => term)).size;
				return {
					text,
					passage,
					value: held + passage.stems.filter((stem) => stems.has(stem)).length * 0.7
				};
			})
			.filter(({ value }) => value >= 1)
			.sort((a, b) => b.value - a.value || a.passage.at - b.passage.at)
			.slice(0, 5);
	});
	/** Facts of the slip, with who says so and what others say of the same. */
	const facts = $derived(
		(slip?.facts ?? []).map(({ id, text }) => {
			const known = findings.facts.find((fact) => fact.id === id);
			const group = findings.figures.find(
				({ agreement, values }) => agreement === 'differs' && values.some(({ fact }) => fact === id)
			);
			const others = (group?.values ?? [])
				.filter(({ fact }) => fact !== id)
				.flatMap((value) => findings.facts.find((fact) => fact.id === value.fact) ?? []);
			return { id, text, known, others };
		})
	);
	/** Questions of the slip that the text does not answer, with what notes and pages say to them. */
	const asked = $derived(
		(slip?.questions ?? [])
			.filter(({ isAnswered }) => !isAnswered)
			.flatMap(({ id, text }) => {
				const known = findings.questions.find((question) => question.id === id);
				if (!known) return [];
				const all = [...known.answers, ...known.mayAnswer];
				const own = all.filter(({ source }) => isNote(source)).slice(0, 2);
				const theirs = all.find(({ source }) => !isNote(source));
				return [{ id, text, answers: theirs ? [...own, theirs] : own }];
			})
	);
	const signOf = (source: string | undefined) =>
		source === undefined
			? ''
			: (session.noteSigns.get(source) ?? session.letters.get(source) ?? '');
	const isNote = (source: string | undefined) =>
		source !== undefined && session.noteSigns.has(source);
	/** A note's fact goes in as it is; a page's as a gap that says what to say in own words. */
	function bringFact(text: string, source: string | undefined) {
		if (source === undefined) return;
		if (isNote(source)) onbring(text, { source, label: signOf(source) });
		else editor.changes.bringBlocks(slip?.section ?? null, [gapOf(text, source)]);
	}
	const gapOf = (text: string, source: string) =>
		gap(`Say in your own words, with its source: “${text}” (${session.nameOf(source)})`);
	const links = $derived(
		slip
			? suggestLinks(
					[slip.heading, ...slip.terms.map(({ phrase }) => phrase)].join(' '),
					'',
					targets,
					4
				)
			: []
	);

	function drag(event: DragEvent, blocks: readonly BlockNode[]) {
		editor.changes.dragged = blocks;
		event.dataTransfer?.setData('text/plain', blocks.map(docText).join('\n'));
	}
	const shown = $derived(findings.terms.find(({ key }) => key === (term ?? slip?.terms[0]?.key)));

	$effect(() => {
		const wanted = shown;
		let isStale = false;
		contexts = [];
		const { analysed } = session;
		if (!wanted || !analysed) return;
		void analysis.context(analysed.evidence, $state.snapshot(wanted)).then((found) => {
			if (!isStale) contexts = found;
		});
		return () => {
			isStale = true;
		};
	});
	/** One sentence a page is enough to see how a term is used. */
	const examples = $derived(
		contexts
			.filter(({ page }, i) => contexts.findIndex((other) => other.page === page) === i)
			.slice(0, 5)
	);
</script>

<h2 class="mt-2 font-sans text-xs">{slip ? slip.heading : 'Put the cursor into a section'}</h2>
{#each withRowKeys(fitting, ({ passage }) => passage.at) as { rowKey, item: { text, passage } } (rowKey)}
	<!-- what drags it by mouse, the button does by key -->
	<!-- svelte-ignore a11y_no_static_element_interactions -->
	<div
		class="item drags"
		draggable="true"
		ondragstart={(event) =>
			drag(event, [paragraph(textNode(text, { source: passage.note, label: passage.label }))])}
	>
		<strong class="text-secondary"
			>{passage.label}
			{session.nameOf(passage.note)}{#if session.timeOf(passage.note, passage.sentences[0] ?? '')}, {session.timeOf(
					passage.note,
					passage.sentences[0] ?? ''
				)}{/if}</strong
		>
		<span class="font-serif">{text}</span>
		<button
			class="linkish"
			onclick={() => onbring(text, { source: passage.note, label: passage.label })}>Bring in</button
		>
	</div>
{:else}
	<p class="item">None of your notes speaks of this section.</p>
{/each}
{#each withRowKeys(asked, ({ id }) => id) as { rowKey, item: { text, answers } } (rowKey)}
	<div class="item">
		<strong>? {text}</strong>
		{#each answers as answer, i (i)}
			<p class="mt-1">
				<strong class={isNote(answer.source) ? 'text-secondary' : 'text-primary'}
					>{signOf(answer.source)}</strong
				>
				<span class="font-serif">{answer.text}</span>
				<button class="linkish" onclick={() => bringFact(answer.text, answer.source)}
					>{isNote(answer.source) ? 'Bring in' : 'Mark it to be said'}</button
				>
			</p>
		{:else}
			<p class="mt-1">Neither notes nor pages answer it.</p>
		{/each}
	</div>
{/each}
{#each withRowKeys(facts, ({ id }) => id) as { rowKey, item: { text, known, others } } (rowKey)}
	<!-- svelte-ignore a11y_no_static_element_interactions -->
	<div
		class="item drags"
		draggable="true"
		ondragstart={(event) =>
			known &&
			drag(event, [
				isNote(known.source)
					? paragraph(textNode(text, { source: known.source, label: signOf(known.source) }))
					: gapOf(text, known.source)
			])}
	>
		<strong class="text-primary"
			>= {known?.origin === 'note'
				? `your notes, ${signOf(known.source)}`
				: signOf(known?.source)}</strong
		>
		{text}
		{#if known}<button class="linkish" onclick={() => bringFact(text, known.source)}
				>{isNote(known.source) ? 'Bring in' : 'Mark it to be said'}</button
			>{/if}
		{#if others.length > 0}
			<details class="differs">
				<summary>{countOf(others.length, 'other figure')} for the same</summary>
				{#each others as other, i (i)}<p class="mt-1">
						<strong class="text-accent">{signOf(other.source)}</strong>
						{other.text}
						<button class="linkish" onclick={() => bringFact(other.text, other.source)}
							>{isNote(other.source) ? 'Bring in' : 'Mark it to be said'}</button
						>
					</p>{/each}
			</details>
		{/if}
	</div>
{/each}
{#if shown}
	<div class="item">
		<p>
			<strong class="text-primary">{shown.phrase}</strong> on {shown.uses.length}
			{shown.uses.length === 1 ? 'page' : 'pages'}
		</p>
		{#each examples as context, i (i)}
			<p class="mt-1">
				{session.letters.get(context.page)}: <span class="font-serif">{context.text}</span>
			</p>
		{/each}
	</div>
{/if}
{#if links.length > 0}
	<div class="item">
		<p><strong>Links that fit</strong></p>
		{#each links as { address, name, where } (address)}
			<p class="mt-1">
				<span class="font-serif">{name}</span>
				{where}
				<button class="linkish" onclick={() => editor.links.set(address, name)}
					>{editor.links.isChosen ? 'Link the chosen words' : 'Put it in'}</button
				>
			</p>
		{/each}
	</div>
{/if}

<style>
	.drags {
		cursor: grab;
	}
	.differs summary {
		cursor: pointer;
		color: var(--color-accent);
	}
	.item {
		border-top: 1px solid var(--rule);
		padding: 8px 0;
		margin-top: 6px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
