<!-- What the evidence says now that the plan was not made from: to be taken in one by one, or left. -->
<script lang="ts">
	import type { EvidenceChange } from '$lib/core/plan';
	import { usePlanEditor } from './plan-editor.svelte';
	import { withRowKeys } from '../parts/row-keys';

	const editor = usePlanEditor();
	const SHOWN = 8;

	function textOf(change: EvidenceChange): string {
		const found = editor.findings;
		switch (change.kind) {
			case 'term':
				return `“${editor.nameOf('term', change.term)}” is a term now`;
			case 'topic':
				return `“${found?.topics.find(({ id }) => id === change.topic)?.label ?? ''}” is a topic now`;
			case 'question':
				return `“${editor.nameOf('question', change.question)}” is asked now`;
			case 'gone':
				return `No counted page treats “${editor.headingOf(change.section)}” any more`;
			case 'lost-term':
				return `“${change.term}” is no term any more`;
		}
	}

	/** The section that suits something best, to place it in. */
	function placeFor(change: EvidenceChange): string | undefined {
		const sections = editor.plan?.sections ?? [];
		if (change.kind === 'question') return sections.find(({ kind }) => kind === 'faq')?.id;
		if (change.kind !== 'term') return undefined;
		const t = editor.findings?.terms.findIndex(({ key }) => key === change.term) ?? -1;
		const sums = editor.affinities[t]?.map((parts) => parts.topic + parts.heading + parts.company);
		return sums ? sections[sums.indexOf(Math.max(...sums))]?.id : undefined;
	}

	const into = (change: EvidenceChange) => {
		const section = placeFor(change);
		return section ? { section, label: `Place it in “${editor.headingOf(section)}”` } : null;
	};

	function takeIn(change: EvidenceChange) {
		if (change.kind === 'topic') {
			const topic = editor.findings?.topics.find(({ id }) => id === change.topic);
			if (topic) editor.takeTopics([topic]);
		} else if (change.kind === 'term' || change.kind === 'question') {
			const place = into(change);
			const id = change.kind === 'term' ? change.term : change.question;
			if (place) editor.put({ kind: change.kind, ids: [id], from: null }, place.section);
		} else if (change.kind === 'gone') editor.remove(change.section);
		else
			for (const { id, terms } of editor.plan?.sections ?? [])
				if (terms.some(({ term }) => term === change.term)) editor.takeOut('term', change.term, id);
	}
</script>

<div
	class="mb-2 border-l-2 border-secondary pl-3"
	role="region"
	aria-label="The evidence has changed"
>
	<p>
		The evidence has changed since the plan was made; the plan has not.
		<button class="linkish ml-2" onclick={() => editor.acceptEvidence()}
			>Leave the plan as it is</button
		>
	</p>
	<ul>
		{#each withRowKeys(editor.changes.slice(0, SHOWN), (change) => change.id) as { rowKey, item: change } (rowKey)}
			{@const place = into(change)}
			<li>
				{textOf(change)}.
				{#if change.kind === 'topic'}<button class="linkish ml-2" onclick={() => takeIn(change)}
						>Add a section</button
					>{:else if change.kind === 'gone'}<button
						class="linkish ml-2"
						onclick={() => takeIn(change)}>Take the section out</button
					>{:else if change.kind === 'lost-term'}<button
						class="linkish ml-2"
						onclick={() => takeIn(change)}>Take it out</button
					>{:else if place}<button class="linkish ml-2" onclick={() => takeIn(change)}
						>{place.label}</button
					>{/if}
			</li>
		{/each}
		{#if editor.changes.length > SHOWN}<li class="text-ink-2">
				and {editor.changes.length - SHOWN} more
			</li>{/if}
	</ul>
</div>
