<!-- How a take grew: words and standing at the moments that were kept, as a picture and as a table. -->
<script lang="ts">
	import type { TakePoint } from '$lib/data/db';
	import { listPoints } from '$lib/data/points';
	import { messageOf } from '$lib/data/trouble';

	interface Props {
		take: string;
		name: string;
		targetWords: number;
		/** Standing of the best counted page; null while the pages are read. */
		bestPage: number | null;
		onclose: () => void;
	}
	let { take, name, targetWords, bestPage, onclose }: Props = $props();

	let points = $state.raw<readonly TakePoint[] | null>(null);
	let trouble = $state('');
	$effect(() => {
		void listPoints(take)
			.then((found) => (points = found))
			.catch((error: unknown) => (trouble = messageOf(error)));
	});
	const whole = new Intl.DateTimeFormat('en-GB', {
		day: 'numeric',
		month: 'short',
		hour: '2-digit',
		minute: '2-digit'
	});
	const first = $derived(points?.[0]);
	const last = $derived(points?.at(-1));
	/** Few rows say enough: the first, the last and those between them at equal steps. */
	const rows = $derived.by(() => {
		const all = points ?? [];
		const step = Math.max(1, Math.ceil(all.length / 24));
		return all.filter((_, i) => i % step === 0 || i === all.length - 1);
	});

	function draw(element: HTMLElement) {
		let end: (() => void) | null = null;
		let isGone = false;
		void import('./growth-chart').then(({ drawGrowth }) => {
			if (!isGone && points)
				end = drawGrowth(element, points, { targetWords, bestPage }, (at) => whole.format(at));
		});
		return () => {
			isGone = true;
			end?.();
		};
	}
</script>

<section class="growth" aria-label="How this take grew">
	<div class="flex flex-wrap items-baseline gap-3">
		<h2>How {name} grew</h2>
		{#if first && last && points && points.length > 1}<p class="text-ink-2">
				{first.words.toLocaleString('en')} words to {last.words.toLocaleString('en')}, standing {first.standing}
				to {last.standing}
			</p>{/if}
		<button class="act ml-auto" onclick={onclose}>Back to the manuscript</button>
	</div>
	{#if trouble}
		<p class="mt-4" role="alert">The points could not be read: {trouble}</p>
	{:else if points && points.length > 1}
		<!-- the table below says the same -->
		<div class="chart" aria-hidden="true" {@attach draw}></div>
		<details>
			<summary>As a table</summary>
			<table aria-label="Words and standing over time">
				<thead
					><tr
						><th scope="col">When</th><th scope="col">Words</th><th scope="col">Standing</th><th
							scope="col">Terms placed</th
						><th scope="col">Gaps</th></tr
					></thead
				>
				<tbody>
					{#each rows as { id, at, words, standing, placed, gaps } (id)}
						<tr
							><th scope="row">{whole.format(at)}</th><td>{words.toLocaleString('en')}</td><td
								>{standing}</td
							><td>{placed}</td><td>{gaps}</td></tr
						>
					{/each}
				</tbody>
			</table>
		</details>
	{:else if points}
		<p class="mt-4 text-ink-2">
			There is only one point yet. Corvan keeps one every two minutes while you write: words,
			standing, terms placed and gaps.
		</p>
	{/if}
</section>

<style>
	.growth {
		padding: 16px 20px 60px;
		max-width: 1100px;
	}
	h2 {
		font: 600 19px/1.3 var(--font-serif);
	}
	.chart {
		height: min(420px, 56dvh);
		margin-top: 14px;
	}
	summary {
		cursor: pointer;
		margin-top: 10px;
	}
	table {
		margin-top: 8px;
		font-variant-numeric: tabular-nums;
	}
	:is(th, td) {
		text-align: right;
		padding: 3px 0 3px 22px;
		font-weight: 400;
	}
	thead th {
		color: var(--ink-2);
		font-size: 12px;
	}
	:is(th[scope='row'], th:first-child) {
		text-align: left;
		padding-left: 0;
	}
</style>
