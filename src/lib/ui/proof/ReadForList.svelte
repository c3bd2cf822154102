<!-- What the take is read for, each with its marks; one of them can be looked at alone or switched off. -->
<script lang="ts">
	import { ownDialect } from '../frame/spelling';
	import HowLink from '../parts/HowLink.svelte';
	import { READS, type ReadFor } from '$lib/core/proof';
	import { READ_WORDS } from './read-words';

	import type { Dialect } from '$lib/core/text';
	import type { Other } from './proof-beside.svelte';

	interface Props {
		/** The reading that is looked at alone; null: all. */
		only: ReadFor | null;
		off: readonly ReadFor[];
		countOf: (reads: ReadFor) => number;
		isRead: boolean;
		onchoose: (reads: ReadFor | null) => void;
		ontoggle: (reads: ReadFor) => void;
		/** The client, and what is not read for them; null: nobody is named. */
		client: { readonly name: string; readonly off: readonly ReadFor[] } | null;
		ontoggleclient: (reads: ReadFor) => void;
		/** Null: that of the notes. */
		dialect: Dialect | null;
		ondialect: (dialect: Dialect | null) => void;
		/** What the take can be held beside, and what it is held beside now; empty: nothing. */
		others: readonly Other[];
		other: string;
		/** Marks of the other text; null while there is none. */
		besideOf: (reads: ReadFor) => number | null;
		onother: (key: string) => void;
	}
	let {
		only,
		off,
		countOf,
		isRead,
		onchoose,
		ontoggle,
		client,
		ontoggleclient,
		dialect,
		ondialect,
		others,
		other,
		besideOf,
		onother
	}: Props = $props();
</script>

<section aria-label="Read for">
	<div class="flex items-baseline justify-between">
		<h2 class="text-[12px] font-bold">Read for</h2>
		<span class="mr-auto ml-2"><HowLink to="proof" of="what is marked" /></span>
		{#if only}<button class="linkish text-[12px]" onclick={() => onchoose(null)}>all</button>{/if}
	</div>
	<ul class="mt-1">
		{#each READS as reads (reads)}
			{@const count = countOf(reads)}
			{@const isOffHere = off.includes(reads)}
			{@const isOffForClient = client?.off.includes(reads) ?? false}
			{@const isOff = isOffHere || isOffForClient}
			<li class="row flex items-baseline gap-2" class:quiet={count === 0 || isOff}>
				<span aria-hidden="true" class="w-4 shrink-0">{READ_WORDS[reads].sign}</span>
				<button
					class="min-w-0 flex-1 truncate py-0.5 text-left hover:underline"
					class:font-semibold={only === reads}
					aria-pressed={only === reads}
					onclick={() => onchoose(only === reads ? null : reads)}>{READ_WORDS[reads].name}</button
				>
				<span class="count text-ink-2"
					>{isOff
						? 'off'
						: !isRead
							? ''
							: count === 0 && besideOf(reads) === null
								? READ_WORDS[reads].none
								: count}{#if !isOff && besideOf(reads) !== null}<span
							class="beside"
							aria-label="{besideOf(reads)} beside it"
							title="in what is held beside it">{besideOf(reads)}</span
						>{/if}</span
				>
				<span class="switch text-[11px] text-ink-2">
					{#if !isOffForClient}<button
							class="hover:text-ink"
							aria-label="{isOffHere ? 'Read for' : 'Do not read for'} {READ_WORDS[reads].name}"
							onclick={() => ontoggle(reads)}>{isOffHere ? 'on' : 'off'}</button
						>{/if}
					{#if client && !isOffHere}<button
							class="hover:text-ink"
							title="{isOffForClient ? 'On' : 'Off'} for {client.name}, in every assignment"
							aria-label="{isOffForClient ? 'Read for' : 'Do not read for'} {READ_WORDS[reads]
								.name} for {client.name}"
							onclick={() => ontoggleclient(reads)}
							>{isOffForClient ? 'on for all' : 'for all'}</button
						>{/if}
				</span>
			</li>
		{/each}
	</ul>
	<label class="mt-2 flex items-baseline gap-2 text-[12px]"
		><span class="text-ink-2">Spelling</span>
		<select
			class="field w-auto! py-0.5!"
			value={dialect ?? ''}
			onchange={(event) =>
				ondialect(event.currentTarget.value === '' ? null : (event.currentTarget.value as Dialect))}
		>
			<option value=""
				>{ownDialect() === null ? 'as in the notes' : `as in Settings: ${ownDialect()}`}</option
			>
			<option value="british">British</option>
			<option value="american">American</option>
		</select></label
	>
	{#if others.length > 0}
		<label class="mt-1 flex items-baseline gap-2 text-[12px]"
			><span class="text-ink-2">Beside</span>
			<select
				class="field min-w-0 py-0.5!"
				value={other}
				onchange={(event) => onother(event.currentTarget.value)}
			>
				<option value="">nothing</option>
				{#each others as { key, name } (key)}<option value={key}>{name}</option>{/each}
			</select></label
		>
	{/if}
</section>

<style>
	.beside {
		display: inline-block;
		min-width: 26px;
		margin-left: 6px;
		padding-left: 6px;
		border-left: 1px solid var(--rule);
		text-align: right;
	}
	.quiet {
		color: var(--ink-2);
	}
	.row {
		position: relative;
	}
	/* in the margin, so that names keep their room */
	.switch {
		position: absolute;
		left: 100%;
		bottom: 4px;
		z-index: 2;
		display: flex;
		gap: 6px;
		white-space: nowrap;
		background: var(--color-base-100);
		padding: 0 3px;
		opacity: 0;
	}
	@media (max-width: 1023px) {
		.switch {
			position: static;
			opacity: 1;
		}
	}
	.row:is(:hover, :focus-within) .switch {
		opacity: 1;
	}
</style>
