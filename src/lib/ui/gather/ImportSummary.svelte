<!-- What came of an import: what is in, what was set aside, left out or could not be read, and why. -->
<script lang="ts">
	import type { Note } from '$lib/data/db';
	import { countOf } from '../parts/count-of';
	import type { ImportReport } from './import-report';

	interface Props {
		report: ImportReport;
		onopen: (id: string) => void;
		/** Makes pages of notes. */
		onpages: (notes: readonly Note[]) => void;
		onclose: () => void;
	}
	let { report, onopen, onpages, onclose }: Props = $props();

	const aside = $derived(report.pages.filter(({ counted }) => !counted));
	/** As many as are read; the table has the others with their reasons. */
	const SHOWN = 6;
	const kinds = $derived(
		(['note', 'transcript', 'questions'] as const).map((kind) => ({
			kind,
			notes: report.notes.filter((note) => note.kind === kind)
		}))
	);
	const texts = $derived(report.notes.filter(({ kind }) => kind === 'note'));
	const came = $derived(
		[
			report.pages.length > 0
				? `${countOf(report.pages.length, 'page')}${aside.length > 0 ? `, ${aside.length} of them proposed aside` : ''}`
				: '',
			...kinds.map(({ kind, notes }) =>
				notes.length === 0
					? ''
					: kind === 'questions'
						? countOf(notes.length, 'list of questions', 'lists of questions')
						: countOf(notes.length, kind)
			),
			...report.others
		].filter(Boolean)
	);
	const hasTrouble = $derived(report.failed.length + report.awaited.length > 0);
</script>

<div
	class="my-2 border-l-2 py-1 pl-3 text-[13px] {hasTrouble ? 'border-error' : 'border-secondary'}"
	role={hasTrouble || report.isCancelled ? 'alert' : 'status'}
	aria-label="What came in"
>
	<p>
		{#if report.isCancelled}Stopped.{/if}
		{came.length > 0 ? `Came in: ${came.join('; ')}.` : 'Nothing came in.'}
		{#if texts.length > 0 && report.pages.length === 0}<button
				class="linkish ml-2"
				onclick={() => onpages(texts)}
				>{texts.length === 1 ? 'It is a page' : 'They are pages'} to count</button
			>{/if}
		<button class="linkish ml-2" onclick={onclose}>Close</button>
	</p>
	{#each report.failed as { name, reason }, i (i)}
		<p class="mt-1"><strong>{name}</strong> was not brought in: {reason}.</p>
	{/each}
	{#each report.awaited as { id, title, address, reason } (id)}
		<p class="mt-1">
			<strong>{title || address}</strong> has not come in: {reason}. Its row stays in the table.
		</p>
	{/each}
	{#if report.replaced.length > 0}
		<p class="mt-1 text-ink-2">Replaced: {report.replaced.join('; ')}.</p>
	{/if}
	{#each report.skipped as { name, reason }, i (i)}
		<p class="mt-1 text-ink-2">{name}: {reason}.</p>
	{/each}
	{#each report.remarks as { name, reason }, i (i)}
		<p class="mt-1 text-ink-2">{name}: {reason}.</p>
	{/each}
	{#if aside.length > 0}
		<ul class="mt-1">
			{#each aside.slice(0, SHOWN) as page (page.id)}
				<li class="text-ink-2">
					<button class="linkish" onclick={() => onopen(page.id)}
						>{page.article.title || page.name}</button
					>
					is proposed aside{page.judgement.reasons.length > 0
						? `: ${page.judgement.reasons.join('; ')}`
						: ': it repeats a page that counts'}.
				</li>
			{/each}
			{#if aside.length > SHOWN}<li class="text-ink-2">
					and {aside.length - SHOWN} more; the table says why.
				</li>{/if}
		</ul>
	{/if}
</div>
