<!-- A version of a section beside the text: what it changes, taken whole, by paragraph or not at all. -->
<script lang="ts">
	import type { BlockNode } from '$lib/core/manuscript';
	import { blockChanges, blocksTaken, type BlockChange, type Version } from '$lib/core/writers';

	import { MOVE_NAMES } from './moves';

	/** What a section and the whole come to. */
	interface Measures {
		readonly standing: number;
		readonly words: number;
		/** Terms of the section that are used as often as wanted, and of how many. */
		readonly placed: number;
		readonly terms: number;
		/** Each term of the section and how it stands. */
		readonly states: readonly { readonly phrase: string; readonly state: string }[];
		readonly gaps: number;
		/** Questions of the section that are answered, and of how many. */
		readonly answered: number;
		readonly questions: number;
	}

	interface Props {
		version: Version;
		/** Who wrote it and when, as it is shown. */
		by: string;
		when: string;
		/** Signs of what it draws on. */
		sources: readonly string[];
		/** What stands in the section now. */
		stands: readonly BlockNode[];
		/** What it comes to with these blocks in the section; null while the evidence is read. */
		measure: (blocks: readonly BlockNode[]) => Measures | null;
		onput: (blocks: readonly BlockNode[], how: 'replace' | 'below') => void;
		/** Put aside for later; left out where it is kept already. */
		onkeep?: (() => void) | undefined;
		onclose: () => void;
		/** Whether the passage that it was made for has been changed since. */
		isGone?: boolean;
		/** Asks for one more; left out where that cannot be. */
		onanother?: (() => void) | undefined;
	}
	let {
		version,
		by,
		when,
		sources,
		stands,
		measure,
		isGone = false,
		onput,
		onkeep,
		onclose,
		onanother
	}: Props = $props();

	const isEmpty = $derived(version.blocks.length === 0);
	const changes = $derived(blockChanges(stands, version.blocks));
	/** Changes that are not taken. */
	let refused = $state.raw<ReadonlySet<BlockChange>>(new Set());
	$effect(() => {
		void changes;
		refused = new Set();
	});
	const taken = $derived(
		blocksTaken(stands, version.blocks, changes, (change) => !refused.has(change))
	);
	const before = $derived(measure(stands));
	const after = $derived(measure(taken));
	/** What the slip of the section would say otherwise, in words. */
	const slipChanges = $derived.by(() => {
		if (!before || !after) return [];
		const was = new Map(before.states.map(({ phrase, state }) => [phrase, state]));
		const turnedTo = (state: string) =>
			after.states.flatMap(({ phrase, state: is }) =>
				is === state && was.get(phrase) !== state ? [phrase] : []
			);
		const line = (name: string, phrases: readonly string[]) =>
			phrases.length > 0 ? [`${name}: ${phrases.join(', ')}`] : [];
		return [
			...line('placed', turnedTo('placed')),
			...line('too often', turnedTo('crowded')),
			...line('too few', turnedTo('thin')),
			...line('absent', turnedTo('absent')),
			...(after.gaps === before.gaps ? [] : [`gaps ${turned(before.gaps, after.gaps)}`])
		];
	});
	const outcome = $derived(
		version.outcome.kind === 'refused'
			? `Nothing was written: ${version.outcome.reason}.`
			: version.outcome.kind === 'cut off'
				? 'It was cut off: its end is missing.'
				: version.outcome.kind === 'cancelled'
					? 'It was stopped: its end is missing.'
					: ''
	);

	function toggle(change: BlockChange) {
		const next = new Set(refused);
		if (!next.delete(change)) next.add(change);
		refused = next;
	}

	const typeOf = ({ block, stands: old }: BlockChange) =>
		(version.blocks[block] ?? stands[old])?.type ?? 'paragraph';
	const isSame = ({ block, runs }: BlockChange) =>
		block >= 0 && runs.every(({ kind }) => kind === 'same');
	const nameOf = ({ runs }: BlockChange) =>
		runs
			.map(({ text }) => text)
			.join('')
			.slice(0, 60);
	const turned = (was: number, is: number) => (was === is ? `${is}` : `${was} → ${is}`);
</script>

<section class="version" aria-label="Version of {version.heading}">
	<h2>
		Version by {by}{version.move === 'draft' ? '' : `, to ${MOVE_NAMES[version.move]}`}<span>
			· {when}{sources.length > 0 ? ` · drew on ${sources.join(', ')}` : ''}</span
		>
	</h2>
	{#if outcome}<p class="mt-1 text-warning" role="status">{outcome}</p>{/if}
	{#if isGone}<p class="mt-1 text-warning" role="status">
			The passage that it was made for has been changed since. It can be put below the section.
		</p>{/if}
	<p class="mt-2 flex flex-wrap gap-1.5">
		<button class="act chief" disabled={isEmpty || isGone} onclick={() => onput(taken, 'replace')}
			>{refused.size > 0
				? 'Take the ticked'
				: version.over
					? 'Replace the passage'
					: 'Replace the section'}</button
		>
		<button class="act" disabled={isEmpty} onclick={() => onput(version.blocks, 'below')}
			>Put it below</button
		>
		{#if onkeep}<button class="act" disabled={isEmpty} onclick={onkeep}>Keep for later</button>{/if}
		<button class="act" onclick={onclose}>Leave it</button>
		{#if onanother}<button class="act" onclick={onanother}>Another</button>{/if}
	</p>
	<ul class="mt-2" aria-label="Paragraphs of the version">
		{#each changes as change, i (i)}
			<li class:same={isSame(change)}>
				<label>
					<input
						type="checkbox"
						class="checkbox checkbox-xs"
						checked={!refused.has(change)}
						disabled={isSame(change)}
						onchange={() => toggle(change)}
						aria-label="{change.block < 0 ? 'Drop' : 'Take'}: {nameOf(change)}"
					/>
					<span class="text {typeOf(change)}"
						>{#if typeOf(change) === 'gap'}<strong>Gap.</strong>
						{/if}{#each change.runs as run, r (r)}{#if run.kind === 'new'}<ins>{run.text}</ins
								>{:else if run.kind === 'gone'}<del>{run.text}</del
								>{:else}{run.text}{/if}{/each}</span
					>
				</label>
			</li>
		{:else}
			<li class="text-ink-2">
				{version.outcome.kind === 'refused'
					? 'Nothing came.'
					: 'The notes say nothing more about it.'}
			</li>
		{/each}
	</ul>
	{#if after && before && !isEmpty}
		<p class="mt-2 text-ink-2">
			{turned(before.words, after.words)} words · terms {turned(before.placed, after.placed)} of {after.terms}
			placed{#if after.questions > 0}
				· questions {turned(before.answered, after.answered)} of {after.questions} answered{/if} · standing
			{before.standing.toFixed(0)} → <strong class="text-ink">{after.standing.toFixed(0)}</strong>
		</p>
		{#if slipChanges.length > 0}
			<ul class="effect" aria-label="What the slip would say">
				{#each slipChanges as change (change)}<li>{change}</li>{/each}
			</ul>
		{/if}
	{/if}
	{#if version.left && version.left.length > 0}
		<details class="mt-2 text-ink-2">
			<summary>{version.left.length} left out of the reply</summary>
			{#each version.left as { text, reason }, i (i)}<p class="mt-1">
					<span class="text-accent">{reason}:</span>
					{text.length > 200 ? `${text.slice(0, 190)} …` : text}
				</p>{/each}
		</details>
	{/if}
</section>

<style>
	.version {
		margin-bottom: 20px;
		font-size: 12.5px;
	}
	h2 {
		font: 600 12.5px/1.5 var(--font-sans);
	}
	h2 span {
		font-weight: 400;
		color: var(--ink-2);
	}
	li {
		border-top: 1px solid var(--rule);
		padding: 7px 0;
	}
	.effect li {
		border: 0;
		padding: 1px 0;
		color: var(--ink-2);
	}
	li:last-child {
		border-bottom: 1px solid var(--rule);
	}
	label {
		display: flex;
		align-items: baseline;
		gap: 9px;
	}
	.text {
		min-width: 0;
		font: 14.5px/1.6 var(--font-serif);
		white-space: pre-line;
		overflow-wrap: anywhere;
	}
	.same .text {
		color: var(--ink-2);
	}
	.text.heading {
		font-weight: 600;
	}
	.text.gap {
		color: var(--gap-ink);
	}
	ins {
		text-decoration: none;
		background: color-mix(in oklab, var(--color-secondary) 16%, var(--sheet));
	}
	del {
		color: var(--ink-2);
		text-decoration: line-through;
	}
	summary {
		cursor: pointer;
	}
</style>
