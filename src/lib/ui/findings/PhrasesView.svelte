<!-- Long phrases: wordings of the keyword and the strongest terms that pages, questions and lists really use. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { editTerm, type Findings, type LongPhrase } from '$lib/core/findings';
	import { writeCsv } from '$lib/core/keywords';
	import { termKeyOf } from '$lib/core/text';
	import { analysis } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		findings: Findings;
	}
	let { findings }: Props = $props();

	const session = useSession();
	let phrases = $state.raw<readonly LongPhrase[] | null>(null);
	let search = $state('');

	$effect(() => {
		const { analysed } = session;
		if (!analysed) return;
		let isStale = false;
		void analysis.longPhrases(analysed.evidence).then((found) => {
			if (!isStale) phrases = found;
		});
		return () => {
			isStale = true;
		};
	});

	const keywordKey = $derived(termKeyOf(findings.keyword));
	const shown = $derived(
		(phrases ?? []).filter(({ phrase }) => phrase.includes(search.trim().toLowerCase()))
	);
	/** Phrases by the term they vary, the keyword first. */
	const groups = $derived(
		[...new Set(shown.map(({ of }) => of))].map((key) => ({
			key,
			name:
				key === keywordKey
					? findings.keyword
					: (findings.terms.find((term) => term.key === key)?.phrase ?? key),
			phrases: shown.filter(({ of }) => of === key)
		}))
	);

	function take(phrase: string) {
		const key = termKeyOf(phrase);
		void session.edit(`Added “${phrase}”`, (edits) =>
			editTerm(edits, { key, phrase }, { isOwn: true, isStruck: false, into: null })
		);
	}

	const lettersOf = (pages: readonly string[]) =>
		pages
			.map((id) => session.letters.get(id) ?? '')
			.sort()
			.join(' ');

	async function copy() {
		await navigator.clipboard.writeText(shown.map(({ phrase }) => phrase).join('\n'));
		toast(`Copied ${shown.length} phrases.`);
	}

	function exportCsv() {
		const rows = shown.map(({ phrase, of, count, pages, isAsked, isListed, volume }) => [
			phrase,
			groups.find(({ key }) => key === of)?.name ?? of,
			volume === null ? '' : String(volume),
			String(pages.length),
			String(count),
			isAsked ? 'yes' : '',
			isListed ? 'yes' : ''
		]);
		download(
			'long-phrases.csv',
			writeCsv([
				['phrase', 'varies', 'searches a month', 'pages', 'uses', 'asked', 'in a keyword list'],
				...rows
			]),
			'text/csv'
		);
	}
</script>

<div class="flex flex-wrap items-center gap-2 py-2">
	<input
		class="field w-44"
		type="search"
		placeholder="Find a phrase"
		aria-label="Find a phrase"
		bind:value={search}
	/>
	<span class="text-ink-2 max-md:hidden"
		>As pages, questions and keyword lists really have them.</span
	>
	<span class="ml-auto flex items-center gap-2">
		<span class="text-xs text-ink-2" role="status"
			>{phrases === null ? 'Reading …' : `${shown.length} phrases`}</span
		>
		<Popup label="Copy" width="160px">
			{#snippet children(close: () => void)}
				<MenuItems
					onclose={close}
					items={[
						['as lines', () => void copy()],
						['Export as CSV', exportCsv]
					]}
				/>
			{/snippet}
		</Popup>
	</span>
</div>
<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	{#if phrases !== null && groups.length === 0}
		<p class="py-3 text-ink-2">
			{search === ''
				? 'No longer wording was found. A keyword list in Scout or a list of questions would bring some.'
				: 'No phrase is called that.'}
		</p>
	{/if}
	<div class="columns-1 gap-10 lg:columns-2">
		{#each withRowKeys(groups, ({ key }) => key) as { rowKey, item: { name, phrases: list } } (rowKey)}
			<section class="mb-5 break-inside-avoid">
				<h2 class="border-b border-rule pb-1 text-[15px]">{name}</h2>
				<ul>
					{#each withRowKeys(list, (phrase) => phrase.phrase) as { rowKey, item: phrase } (rowKey)}
						{@const isTerm = findings.terms.some((term) => term.key === termKeyOf(phrase.phrase))}
						<li class="flex items-baseline gap-3 border-b border-rule py-1">
							<span class="min-w-0 flex-1 font-serif text-[14.5px]">{phrase.phrase}</span>
							<span class="text-xs text-ink-2"
								>{[
									phrase.volume === null ? '' : `${phrase.volume.toLocaleString('en')} a month`,
									phrase.pages.length > 0 ? lettersOf(phrase.pages) : '',
									phrase.isAsked ? 'asked' : '',
									phrase.isListed && phrase.volume === null ? 'listed' : ''
								]
									.filter(Boolean)
									.join(' · ')}</span
							>
							<button
								class="linkish flex-none"
								disabled={isTerm}
								aria-label="{isTerm ? 'Already a term' : 'Take in as a term'}: {phrase.phrase}"
								onclick={() => take(phrase.phrase)}>{isTerm ? 'a term' : 'Take in'}</button
							>
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	</div>
</div>
