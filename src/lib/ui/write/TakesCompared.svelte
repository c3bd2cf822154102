<!-- Two takes side by side, section by section: what one has and the other has not. -->
<script lang="ts">
	import { docText, headOf, plannedCuts, type BlockNode, type TakeDoc } from '$lib/core/manuscript';
	import { headingOf, type Plan } from '$lib/core/plan';
	import { blockChanges, wordsOfBlocks } from '$lib/core/writers';
	import type { Take } from '$lib/data/db';
	import type { Reading } from './live-reading';

	interface Props {
		plan: Plan;
		/** The take that is open, as it stands. */
		mine: TakeDoc;
		mineName: string;
		others: readonly Take[];
		/** How a manuscript reads; null while the evidence is read. */
		read: (doc: TakeDoc) => Reading | null;
		/** Puts blocks of the other take into a section of the open one. */
		ontake: (section: string, blocks: readonly BlockNode[]) => void;
		/** Puts blocks of the open take into a section of the other one. */
		ongive: (other: string, section: string, blocks: readonly BlockNode[]) => void;
		onclose: () => void;
	}
	let { plan, mine, mineName, others, read, ontake, ongive, onclose }: Props = $props();

	let chosen = $state<string | null>(null);
	const other = $derived(others.find(({ id }) => id === chosen) ?? others[0]);
	const planned = $derived(new Set(plan.sections.map(({ id }) => id)));
	const sectionsOf = (doc: TakeDoc) => {
		const cuts = plannedCuts(doc.content.map(headOf), planned);
		// an empty paragraph to write into is no difference
		const isSaid = (block: BlockNode) => docText(block).trim() !== '';
		return new Map(
			[...cuts].map(([id, { from, to }]) => [id, doc.content.slice(from + 1, to).filter(isSaid)])
		);
	};
	const ours = $derived(sectionsOf(mine));
	const theirs = $derived(other ? sectionsOf(other.doc) : new Map<string, readonly BlockNode[]>());
	const rows = $derived(
		plan.sections
			.filter(({ id }) => ours.has(id) || theirs.has(id))
			.map((section) => {
				const left = ours.get(section.id) ?? [];
				const right = theirs.get(section.id) ?? [];
				return {
					id: section.id,
					heading: headingOf(plan, section),
					left,
					right,
					isSame: left.map(docText).join('\n') === right.map(docText).join('\n'),
					changes: blockChanges(left, right)
				};
			})
	);
	let isSameShown = $state(false);
	const shown = $derived(rows.filter(({ isSame }) => isSameShown || !isSame));

	const measures = $derived.by(() => {
		const sides = [read(mine), other ? read(other.doc) : null];
		if (!sides[0] || !sides[1]) return [];
		const of = ({ standing, holds, article, slips }: Reading) => ({
			Standing: standing.standing.toFixed(0),
			Coverage: (100 * standing.parts.coverage).toFixed(0),
			Placement: (100 * standing.parts.placement).toFixed(0),
			Shape: (100 * standing.parts.shape).toFixed(0),
			Clarity: (100 * standing.parts.clarity).toFixed(0),
			'Held down by': holds.map(({ text }) => text).join('; ') || '–',
			Words: article.words.toLocaleString('en'),
			'Terms placed': `${slips.flatMap(({ terms }) => terms).filter(({ state }) => state === 'placed').length}`,
			'Questions answered': `${slips.flatMap(({ questions }) => questions).filter(({ isAnswered }) => isAnswered).length}`,
			Gaps: `${slips.reduce((sum, { gaps }) => sum + gaps, 0)}`
		});
		const [a, b] = [of(sides[0]), of(sides[1])];
		return (Object.keys(a) as (keyof typeof a)[]).map((name) => ({ name, a: a[name], b: b[name] }));
	});
</script>

<section class="compare" aria-label="Takes compared">
	<div class="flex flex-wrap items-baseline gap-3">
		<h2>{mineName} beside</h2>
		<select
			class="field w-auto!"
			aria-label="The other take"
			value={other?.id}
			onchange={(event) => (chosen = event.currentTarget.value)}
		>
			{#each others as take (take.id)}<option value={take.id}>{take.name}</option>{/each}
		</select>
		<label class="flex items-center gap-1"
			><input type="checkbox" class="checkbox checkbox-xs" bind:checked={isSameShown} /> sections that
			are the same</label
		>
		<button class="act ml-auto" onclick={onclose}>Back to the manuscript</button>
	</div>
	{#if measures.length > 0}
		<table class="measures" aria-label="Measures of both takes">
			<thead
				><tr
					><th scope="col"><span class="sr-only">Take</span></th
					>{#each measures as { name } (name)}<th scope="col">{name}</th>{/each}</tr
				></thead
			>
			<tbody>
				<tr
					><th scope="row">{mineName}</th>{#each measures as { name, a } (name)}<td>{a}</td
						>{/each}</tr
				>
				<tr
					><th scope="row">{other?.name}</th>{#each measures as { name, a, b } (name)}<td
							class:differs={a !== b}>{b}</td
						>{/each}</tr
				>
			</tbody>
		</table>
	{/if}
	{#each shown as { id, heading, left, right, isSame, changes } (id)}
		<div class="row">
			<h3>
				{heading}<span
					>{wordsOfBlocks(left)} and {wordsOfBlocks(right)} words{isSame ? ', the same' : ''}</span
				>
				{#if !isSame && right.length > 0 && ours.has(id)}<button
						class="linkish"
						aria-label="Take over: {heading}"
						onclick={() => ontake(id, right)}>Take this section over</button
					>{/if}{#if !isSame && left.length > 0 && other}<button
						class="linkish"
						aria-label="Give to {other.name}: {heading}"
						onclick={() => ongive(other.id, id, left)}>Give ours to it</button
					>{/if}
			</h3>
			<div class="sides">
				<div>
					{#each changes as { runs }, i (i)}{#if runs.some(({ kind }) => kind !== 'new')}<p>
								{#each runs.filter(({ kind }) => kind !== 'new') as run, r (r)}{#if run.kind === 'gone'}<del
											>{run.text}</del
										>{:else}{run.text}{/if}{/each}
							</p>{/if}{:else}<p class="text-ink-2">nothing here</p>{/each}
				</div>
				<div>
					{#each changes as { runs }, i (i)}{#if runs.some(({ kind }) => kind !== 'gone')}<p>
								{#each runs.filter(({ kind }) => kind !== 'gone') as run, r (r)}{#if run.kind === 'new'}<ins
											>{run.text}</ins
										>{:else}{run.text}{/if}{/each}
							</p>{/if}{:else}<p class="text-ink-2">nothing here</p>{/each}
				</div>
			</div>
		</div>
	{:else}
		<p class="mt-6 text-ink-2">Both takes say the same in every section of the plan.</p>
	{/each}
</section>

<style>
	.compare {
		padding: 16px 20px 60px;
		max-width: 1260px;
	}
	h2 {
		font: 600 19px/1.3 var(--font-serif);
	}
	h3 {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 4px 14px;
		font: 600 16px/1.4 var(--font-serif);
	}
	h3 span,
	h3 button {
		font: 400 12.5px var(--font-sans);
	}
	h3 span {
		color: var(--ink-2);
	}
	.measures {
		margin: 12px 0 4px;
		font-variant-numeric: tabular-nums;
		font-size: 13px;
		display: block;
		overflow-x: auto;
	}
	.measures :is(th, td) {
		text-align: right;
		padding: 3px 0 3px 18px;
		font-weight: 400;
		white-space: nowrap;
	}
	.measures thead th {
		color: var(--ink-2);
		font-size: 12px;
	}
	.measures th[scope='row'] {
		text-align: left;
		padding-left: 0;
		font-weight: 600;
	}
	.differs {
		font-weight: 600;
	}
	.row {
		border-top: 1px solid var(--rule);
		padding: 12px 0;
		content-visibility: auto;
		contain-intrinsic-size: auto 240px;
	}
	.sides {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 32px;
		margin-top: 6px;
		font: 14.5px/1.6 var(--font-serif);
	}
	.sides p {
		margin-bottom: 8px;
		white-space: pre-line;
		overflow-wrap: anywhere;
	}
	ins {
		text-decoration: none;
		background: color-mix(in oklab, var(--color-secondary) 16%, var(--sheet));
	}
	del {
		text-decoration: none;
		background: color-mix(in oklab, var(--color-accent) 14%, var(--sheet));
	}
	@media (max-width: 700px) {
		.sides {
			grid-template-columns: minmax(0, 1fr);
			gap: 6px;
		}
	}
</style>
