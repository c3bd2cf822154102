<!-- The brief as one page, as it is printed for the client. -->
<script lang="ts">
	import { format, parseISO } from 'date-fns';
	import type { Brief } from '$lib/core/brief';
	import type { Client } from '$lib/data/db';
	import { volumeShown } from '../scout/format';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		keyword: string;
		targetWords: number | null;
		/** Words the evidence asks for, once it has been read. */
		evidenceWords: number | null;
		brief: Brief;
		client: Client | null;
		/** How the client sounds, in a line; empty while there are no samples. */
		voice: string;
	}
	let { keyword, targetWords, evidenceWords, brief, client, voice }: Props = $props();

	const day = (iso: string) => format(parseISO(iso), 'd MMMM yyyy');
	const lines = $derived(
		(
			[
				['Keyword', keyword],
				[
					'Length',
					targetWords !== null
						? `${targetWords.toLocaleString('en')} words`
						: evidenceWords !== null
							? `as the evidence says: ${evidenceWords.toLocaleString('en')} words now`
							: 'as the evidence says'
				],
				['Intent', brief.intent ?? ''],
				['Form', brief.form ?? ''],
				['Effort', brief.effort],
				['Point of view', brief.person ?? ''],
				['Tone', brief.tone],
				['Sections', brief.sections?.toString() ?? ''],
				['Questions in the FAQ', brief.questions?.toString() ?? ''],
				['Reading grade', brief.grade === null ? '' : String(brief.grade)],
				['Voice', voice],
				['Due', brief.deadline === '' ? '' : day(brief.deadline)],
				['Fee', brief.fee],
				['Agreed', brief.agreedOn === '' ? 'not yet' : day(brief.agreedOn)]
			] as const
		).filter(([, value]) => value !== '')
	);
	const texts = $derived(
		(
			[
				['Reader', brief.reader || (client?.audience ?? '')],
				['Purpose', brief.purpose],
				['Call to action', brief.callToAction]
			] as const
		).filter(([, value]) => value.trim() !== '')
	);
	const lists = $derived(
		(
			[
				['Must be said', brief.mustSay],
				['Must not be said', [...new Set([...brief.mustNotSay, ...(client?.avoid ?? [])])]]
			] as const
		).filter(([, items]) => items.length > 0)
	);
	const required = $derived(brief.secondary.filter(({ isRequired }) => isRequired));
	const others = $derived(brief.secondary.filter(({ isRequired }) => !isRequired));
</script>

<article class="sheet" style:--head={client?.colours[0] ?? 'var(--ink)'}>
	<header>
		<p>Brief{client ? ` for ${client.name}` : ''}</p>
		{#if client?.logo}<img src={client.logo} alt="Logo of {client.name}" />{/if}
	</header>
	<h2>{brief.workingTitle || keyword}</h2>
	{#if brief.description}<p class="lead">{brief.description}</p>{/if}
	<dl>
		{#each lines as [name, value] (name)}<dt>{name}</dt>
			<dd>{value}</dd>{/each}
	</dl>
	{#each texts as [name, value] (name)}
		<h3>{name}</h3>
		<p class="whitespace-pre-line">{value}</p>
	{/each}
	{#if lists.length > 0}
		<div class="lists">
			{#each lists as [name, items] (name)}
				<div>
					<h3>{name}</h3>
					<ul>
						{#each items as item, i (i)}<li>{item}</li>{/each}
					</ul>
				</div>
			{/each}
		</div>
	{/if}
	{#if client && client.brands.length > 0}
		<h3>Names</h3>
		<ul>
			{#each withRowKeys(client.brands, ({ name }) => name) as { rowKey, item: { name, how } } (rowKey)}<li
				>
					<strong>{name}</strong>{how ? `: ${how}` : ''}
				</li>{/each}
		</ul>
	{/if}
	{#if brief.secondary.length > 0}
		<h3>Secondary keywords</h3>
		{#if required.length > 0}<p>
				Required: {#each required as { phrase, volumeMin, volumeMax }, i (i)}{i > 0
						? ', '
						: ''}<strong>{phrase}</strong>
					<small
						>{volumeShown({
							volume: volumeMin === volumeMax ? volumeMin : null,
							volumeMin,
							volumeMax
						})}</small
					>{/each}
			</p>{/if}
		{#if others.length > 0}<p class="others">
				{required.length > 0 ? 'Also: ' : ''}{others.map(({ phrase }) => phrase).join(', ')}
			</p>{/if}
	{/if}
</article>

<style>
	.sheet {
		font-family: var(--font-serif);
		font-size: 13.5px;
		line-height: 1.5;
	}
	header {
		display: flex;
		align-items: center;
		justify-content: space-between;
		border-bottom: 2px solid var(--head);
		padding-bottom: 6px;
		font-family: var(--font-sans);
		color: var(--ink-2);
	}
	header img {
		height: 30px;
		width: auto;
	}
	h2 {
		margin-top: 14px;
		font-size: 22px;
		line-height: 1.25;
	}
	.lead {
		margin-top: 4px;
		font-style: italic;
	}
	dl {
		display: grid;
		grid-template-columns: 7.5rem 1fr;
		gap: 2px 12px;
		margin-top: 12px;
		border-top: 1px solid var(--rule);
		border-bottom: 1px solid var(--rule);
		padding-block: 8px;
	}
	dt {
		font-family: var(--font-sans);
		font-size: 12px;
		color: var(--ink-2);
		padding-top: 1px;
	}
	h3 {
		margin-top: 12px;
		font-size: 14.5px;
	}
	ul {
		list-style: disc;
		padding-left: 1.1rem;
	}
	.lists {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(12rem, 1fr));
		gap: 0 1.5rem;
	}
	.others,
	small {
		color: var(--ink-2);
	}
	@media print {
		.sheet {
			color: #1c2530;
		}
		h3 {
			break-after: avoid;
		}
	}
</style>
