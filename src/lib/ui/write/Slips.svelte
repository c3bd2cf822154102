<!-- The left margin: each section's slip beside its own text. -->
<script lang="ts">
	import type { Slip } from '$lib/core/standing';
	import StateMark from '../parts/StateMark.svelte';
	import { placeSlips, rowsThatFit } from './slip-layout';
	import { withRowKeys } from '../parts/row-keys';

	/** A version as it is named beside its section. */
	interface VersionSign {
		readonly id: string;
		readonly by: string;
		readonly when: string;
		/** It waits to be taken or left. */
		readonly isOpen: boolean;
	}

	interface Props {
		slips: readonly Slip[];
		/** Tops of the headings in the margin, by section, in pixels. */
		tops: ReadonlyMap<string, number>;
		active: string | null;
		isDrafting: boolean;
		/** Only the slip in hand shows. */
		isQuiet?: boolean;
		onopen: (section: string) => void;
		ondraft: (section: string) => void;
		/** Opens what else a writer can be asked for. */
		onmore: (section: string) => void;
		/** Versions of a section that were not left, the newest first. */
		versionsOf: (section: string) => readonly VersionSign[];
		onversion: (id: string) => void;
		onterm: (key: string) => void;
	}
	let {
		slips,
		tops,
		active,
		isDrafting,
		isQuiet = false,
		onopen,
		ondraft,
		onmore,
		versionsOf,
		onversion,
		onterm
	}: Props = $props();

	const standing = $derived(slips.filter(({ section }) => tops.has(section)));
	const wanted = $derived(standing.map(({ section }) => tops.get(section)!));
	let heights = $state<Record<string, number>>({});
	const placed = $derived(
		placeSlips(
			wanted,
			standing.map(({ section }) => heights[section] ?? 30),
			standing.findIndex(({ section }) => section === active)
		)
	);

	interface Row {
		kind: 'term' | 'placed' | 'question' | 'fact' | 'gap' | 'more';
		key: string;
		text: string;
		deed: string;
		slip?: Slip['terms'][number];
		isDone?: boolean;
	}

	/** What a slip shows, most pressing first, cut to the rows there is room for. */
	function rowsOf(slip: Slip, room: number): Row[] {
		const open = slip.terms.filter(({ state }) => state !== 'placed');
		const done = slip.terms.filter(({ state }) => state === 'placed');
		const rows: Row[] = open.map((term) => ({
			kind: 'term',
			key: term.key,
			text: term.phrase,
			deed: term.deed,
			slip: term
		}));
		if (slip.gaps > 0)
			rows.push({
				kind: 'gap',
				key: 'gap',
				text: slip.gaps === 1 ? 'a gap to fill' : `${slip.gaps} gaps to fill`,
				deed: ''
			});
		for (const question of slip.questions)
			rows.push({
				kind: 'question',
				key: question.id,
				text: question.text,
				deed: question.isAnswered ? 'answered' : '',
				isDone: question.isAnswered
			});
		if (room === Number.POSITIVE_INFINITY)
			for (const fact of slip.facts.slice(0, 2))
				rows.push({ kind: 'fact', key: fact.id, text: fact.text, deed: '' });
		if (done.length > 0)
			rows.push({
				kind: 'placed',
				key: 'placed',
				text: `${done.length} placed: ${done.map(({ phrase }) => phrase).join(', ')}`,
				deed: ''
			});
		if (rows.length <= room) return rows;
		if (room <= 0) return [];
		const shown = rows.slice(0, room - 1);
		return [
			...shown,
			{ kind: 'more', key: 'more', text: `and ${rows.length - shown.length} more`, deed: '' }
		];
	}

	function kindName(slip: Slip): string {
		const name =
			slip.kind === 'opening'
				? 'Opening'
				: slip.kind === 'faq'
					? 'FAQ'
					: `${slip.kind[0]!.toUpperCase()}${slip.kind.slice(1)}`;
		return slip.kind === 'opening' || slip.kind === 'faq' ? name : `${name} · ${slip.heading}`;
	}
</script>

{#each standing as slip, i (slip.section)}
	{@const isOn = slip.section === active}
	{@const room = isOn ? Number.POSITIVE_INFINITY : rowsThatFit(wanted[i]!, wanted[i + 1] ?? null)}
	<section
		class="slip"
		class:on={isOn}
		class:folded={placed[i] === null || (isQuiet && !isOn)}
		style:transform="translateY({placed[i] ?? wanted[i]}px)"
		bind:clientHeight={heights[slip.section]}
		aria-label="Slip of {slip.heading}"
	>
		<h2>
			<button class="min-w-0 truncate" onclick={() => onopen(slip.section)}>{kindName(slip)}</button
			>
			<span class="whitespace-nowrap">{slip.words} / {slip.budget}</span>
		</h2>
		<div class="budget" class:over={slip.words > slip.budget * 1.15}>
			<i style:width="{Math.min(100, (100 * slip.words) / Math.max(1, slip.budget))}%"></i>
		</div>
		{#each withRowKeys(rowsOf(slip, room), (row) => row.kind + row.key) as { rowKey, item: row } (rowKey)}
			<div
				class="line {row.kind}"
				class:done={row.isDone || row.kind === 'placed' || row.kind === 'more'}
				class:full={isOn}
			>
				{#if row.slip}
					<span class="sign"><StateMark state={row.slip.state} /></span>
					<button
						class="text truncate text-left"
						onclick={() => onterm(row.key)}
						title="See how others use it">{row.text}</button
					>
					<span class="deed">{row.deed}</span>
				{:else}
					<span class="sign" aria-hidden="true"
						>{#if row.kind === 'placed'}<StateMark
								state="placed"
							/>{:else if row.kind === 'question'}?{:else if row.kind === 'fact'}={:else if row.kind === 'gap'}▍{/if}</span
					>
					<span class="text" class:truncate={!isOn || row.kind === 'fact'} title={row.text}
						>{row.text}</span
					>
					<span class="deed">{row.deed}</span>
				{/if}
			</div>
		{/each}
		{#if isOn}
			<p class="mt-1.5 flex flex-wrap items-baseline gap-1.5">
				<button
					class="act"
					class:chief={slip.words < 20}
					disabled={isDrafting}
					onclick={() => ondraft(slip.section)}
					>{slip.words < 20 ? 'Draft' : 'Another version'}</button
				>
				<button class="act" onclick={() => onmore(slip.section)}>More moves</button>
			</p>
			{#if versionsOf(slip.section).length > 0}
				<p class="versions">
					{#each versionsOf(slip.section) as { id, by, when, isOpen }, v (id)}{v > 0
							? ' · '
							: 'Versions: '}<button
							class="linkish"
							class:font-semibold={isOpen}
							onclick={() => onversion(id)}>{by} {when}</button
						>{/each}
				</p>
			{/if}
		{/if}
	</section>
{/each}

<style>
	.slip {
		position: absolute;
		left: 20px;
		right: 0;
		padding-right: 14px;
		border-right: 1px solid var(--rule);
		transition: transform 140ms ease-out;
	}
	.slip.folded {
		visibility: hidden;
	}
	.slip.on {
		border-right: 2px solid var(--color-accent);
		padding-bottom: 4px;
	}
	h2 {
		display: flex;
		justify-content: space-between;
		gap: 8px;
		font: 600 12px/18px var(--font-sans);
		color: var(--ink-2);
	}
	.on h2 {
		color: var(--ink);
	}
	.budget {
		height: 3px;
		margin: 3px 0 6px;
		background: var(--rule);
	}
	.budget i {
		display: block;
		height: 100%;
		background: var(--color-primary);
	}
	.budget.over i {
		background: var(--plum);
	}
	.line {
		display: flex;
		gap: 7px;
		align-items: baseline;
		height: 21px;
		line-height: 21px;
	}
	.line.full {
		height: auto;
	}
	.sign {
		width: 12px;
		flex: none;
		font-weight: 700;
		color: var(--color-primary);
	}
	.gap .sign {
		color: var(--gap-rule);
	}
	.text {
		min-width: 0;
		flex: 1;
	}
	button.text:hover {
		color: var(--color-accent);
	}
	.done {
		color: var(--ink-2);
	}
	.versions {
		margin-top: 6px;
		font-size: 12px;
		color: var(--ink-2);
	}
	.deed {
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	@media (prefers-reduced-motion: reduce) {
		.slip {
			transition: none;
		}
	}
</style>
