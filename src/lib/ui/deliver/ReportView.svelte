<!-- The report for the client: its parts chosen here, in the client's colours, ready to print. -->
<script lang="ts">
	import { REPORT_NAMES, REPORT_PARTS, reportBody } from '$lib/core/deliver';
	import { toast } from 'svelte-sonner';
	import { messageOf } from '$lib/data/trouble';
	import { download } from '../parts/download';
	import type { Delivery } from './delivery.svelte';
	import { makeReport } from './hand-over';
	import { reportFor } from './report-input';

	let { delivery }: { delivery: Delivery } = $props();

	const report = $derived(reportFor(delivery));
	const wanted = $derived(delivery.choices.reportParts);

	async function save(form: 'html' | 'docx') {
		if (!report) return;
		try {
			const made = await makeReport(delivery.slug, report, form);
			download(made.name, made.content, made.type);
			await delivery.record(form === 'docx' ? 'Client report, DOCX' : 'Client report');
		} catch (error) {
			toast.error(`The report was not made: ${messageOf(error)}`);
		}
	}

	async function print() {
		window.print();
		await delivery.record('Client report, printed');
	}
</script>

<div class="no-print mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-2">
	{#each REPORT_PARTS as part (part)}
		<label class="flex items-center gap-1.5"
			><input
				type="checkbox"
				class="checkbox checkbox-xs"
				checked={wanted.includes(part)}
				onchange={() =>
					void delivery.decide('Changed the report', {
						reportParts: REPORT_PARTS.filter((one) =>
							one === part ? !wanted.includes(one) : wanted.includes(one)
						)
					})}
			/>
			{REPORT_NAMES[part]}</label
		>
	{/each}
	<span class="ml-auto flex gap-2">
		<button class="act chief" disabled={!report} onclick={() => void print()}>Print or PDF</button>
		<button class="act" disabled={!report} onclick={() => void save('html')}>Save HTML</button>
		<button class="act" disabled={!report} onclick={() => void save('docx')}>Save DOCX</button>
	</span>
</div>
{#if report}
	<article class="report" style:--own={report.colour} aria-label="Client report">
		<!-- eslint-disable-next-line svelte/no-at-html-tags -- our own serialiser's output: it writes checked addresses and escaped text alone -->
		{@html reportBody(report)}
	</article>
{:else}
	<p class="text-ink-2" role="status">The evidence is still being read …</p>
{/if}

<style>
	.report {
		max-width: 720px;
		padding: 26px 30px 40px;
		background: #fff;
		color: #1c2530;
		border: 1px solid var(--rule);
		font: 13.5px/1.55 var(--font-serif);
	}
	.report :global(.logo) {
		height: 40px;
		width: auto;
		margin-bottom: 8px;
	}
	.report :global(:is(h1, h2)) {
		color: var(--own);
	}
	.report :global(h1) {
		font-size: 25px;
		line-height: 1.2;
	}
	.report :global(h2) {
		font-size: 16px;
		border-top: 2px solid var(--own);
		padding-top: 7px;
		margin: 24px 0 6px;
		break-after: avoid;
	}
	.report :global(p) {
		margin: 6px 0;
	}
	.report :global(ul) {
		list-style: disc;
		padding-left: 1.3em;
	}
	.report :global(table) {
		width: 100%;
		border-collapse: collapse;
		font-size: 12.5px;
		margin: 8px 0;
	}
	.report :global(:is(th, td)) {
		text-align: left;
		vertical-align: top;
		border-bottom: 1px solid #d5d5d5;
		padding: 3px 10px 3px 0;
		overflow-wrap: anywhere;
	}
	.report :global(svg) {
		display: block;
		width: 100%;
		height: auto;
		margin: 8px 0;
		font-family: var(--font-serif);
	}
	.report :global(.own) {
		fill: var(--own);
	}
	@media print {
		.report {
			max-width: none;
			border: 0;
			padding: 0;
		}
		.report :global(:is(tr, svg)) {
			break-inside: avoid;
		}
	}
</style>
