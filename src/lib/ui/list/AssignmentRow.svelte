<!-- One assignment in the list. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { format, formatDistanceToNow, parseISO } from 'date-fns';
	import { countOf } from '../parts/count-of';
	import { lastStage } from '../assignment/last-stage';
	import { dueIn, STEPS, type ListRow } from './rows';

	interface Props {
		row: ListRow;
		oncopy: () => void;
		onsave: () => void;
		onbin: () => void;
	}
	let { row, oncopy, onsave, onbin }: Props = $props();

	const { assignment, client, step, stock, daysLeft } = $derived(row);
	const { glance } = $derived(stock);
	const at = $derived(STEPS.indexOf(step));
	const open = $derived(
		glance
			? [
					glance.openSlips > 0 ? countOf(glance.openSlips, 'open slip') : '',
					glance.gaps > 0 ? countOf(glance.gaps, 'gap') : '',
					glance.openMarks ? countOf(glance.openMarks, 'mark') : ''
				].filter(Boolean)
			: []
	);
	const SAID: Readonly<Record<ListRow['step'], string>> = {
		brief: 'to be agreed',
		gather: 'gathering',
		plan: 'to be planned',
		write: 'being written',
		proof: 'to be proofread',
		deliver: 'ready to go',
		'handed over': 'handed over'
	};
	const written = $derived(
		glance && assignment.targetWords ? Math.min(1, glance.words / assignment.targetWords) : null
	);
	/** A title that is the keyword says it already. */
	const isOther = $derived(assignment.keyword.toLowerCase() !== assignment.title.toLowerCase());
	const due = $derived(daysLeft === null || step === 'handed over' ? '' : dueIn(daysLeft));
</script>

<li
	class="grid grid-cols-[minmax(0,1fr)_150px_170px_56px_auto] items-start gap-x-5 gap-y-1 border-t border-rule py-3 max-lg:grid-cols-[minmax(0,1fr)_auto]"
>
	<div class="min-w-0">
		<a
			class="font-serif text-[17px] font-semibold hover:underline"
			href={resolve(`/a/[id]/${lastStage(assignment.id)}`, { id: assignment.id })}
			>{assignment.title}</a
		>
		<p class="flex flex-wrap gap-x-2 text-ink-2">
			{#if isOther}<span class="italic">{assignment.keyword}</span>{/if}
			{#if client}<span>for {client}</span>{/if}
			{#if due}<strong class:text-error={daysLeft! < 0} class:text-ink={daysLeft! >= 0}
					>{due}</strong
				>{:else if assignment.brief.deadline}<span
					>due {format(parseISO(assignment.brief.deadline), 'd MMM yyyy')}</span
				>{/if}
		</p>
	</div>
	<div class="max-lg:col-start-1 max-lg:row-start-2 max-lg:flex max-lg:items-center max-lg:gap-3">
		<p>{SAID[step]}</p>
		<p class="flex gap-[3px] pt-1" aria-hidden="true">
			{#each STEPS as name, i (name)}<i
					class="block h-[5px] w-[14px] {i <= at ? 'bg-primary' : 'bg-base-300'}"
				></i>{/each}
		</p>
	</div>
	<div class="max-lg:col-start-1 max-lg:row-start-3">
		<p>
			{#if glance}{glance.words.toLocaleString('en')}{#if assignment.targetWords}&nbsp;of {assignment.targetWords.toLocaleString(
						'en'
					)}{/if} words{:else if assignment.targetWords}{assignment.targetWords.toLocaleString(
					'en'
				)} words{:else}<span class="text-ink-2">as long as the evidence says</span>{/if}
		</p>
		{#if written !== null}<p class="mt-1 h-[3px] w-[120px] bg-base-300" aria-hidden="true">
				<span class="block h-full bg-secondary" style:width="{Math.round(written * 100)}%"></span>
			</p>{/if}
		{#if open.length > 0}<p class="mt-0.5 flex flex-wrap gap-x-2 text-ink-2">
				{#each open as said (said)}<span class="whitespace-nowrap">{said}</span>{/each}
			</p>
		{:else if !glance && stock.pages + stock.notes > 0}<p class="text-ink-2">
				{countOf(stock.pages, 'page')} · {countOf(stock.notes, 'note')}
			</p>{/if}
	</div>
	<p class="text-right max-lg:hidden" title="Standing, as it was read last">
		{#if glance}<span class="font-serif text-[20px] leading-none">{glance.standing}</span><span
				class="sr-only">&nbsp;standing</span
			>{/if}
	</p>
	<div class="flex items-baseline gap-3 max-lg:col-start-2 max-lg:row-start-1">
		<span class="w-36 text-right whitespace-nowrap text-ink-2 max-lg:hidden"
			>{formatDistanceToNow(assignment.updatedAt, { addSuffix: true })}</span
		>
		<span class="flex gap-2 whitespace-nowrap max-lg:flex-col max-lg:items-end max-lg:gap-0">
			<button
				class="linkish"
				title="Everything of it once more, as an assignment of its own"
				aria-label="Copy “{assignment.title}” as a new one"
				onclick={oncopy}>copy</button
			>
			<button
				class="linkish"
				title="As one file that opens in Corvan again"
				aria-label="Save the archive of “{assignment.title}”"
				onclick={onsave}>save</button
			>
			<button
				class="linkish"
				title="Put it in the bin"
				aria-label="Put “{assignment.title}” in the bin"
				onclick={onbin}>bin</button
			>
		</span>
	</div>
</li>
