<!-- Write: the manuscript with its margin. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { toast } from 'svelte-sonner';
	import { headingsOf, type TakeDoc } from '$lib/core/takes';
	import type { Take } from '$lib/data/db';
	import { addTake, deleteTake, putTake, renameTake } from '$lib/data/takes';
	import { analysis } from '$lib/workers/client';
	import type { RunIndex } from '$lib/core/takes';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import Manuscript from './Manuscript.svelte';

	const session = useSession();
	let chosen = $state<string | null>(null);
	let isDrafting = $state(false);
	let runs = $state.raw<RunIndex | null>(null);
	let runsFor = '';

	const take = $derived(session.takes.find(({ id }) => id === chosen) ?? session.takes.at(-1));
	const plan = $derived(session.plan);
	const findings = $derived(session.findings);

	$effect(() => {
		const sign = session.counted.map(({ id, struck }) => `${id}:${struck.join()}`).join('|');
		if (sign === runsFor || !session.isRead) return;
		runsFor = sign;
		void analysis.runs(session.input).then((found) => (runs = found));
	});
	$effect(() => {
		if (session.findings && !session.isBehind) void session.findStandings();
	});
	$effect(() =>
		actions.offer(() =>
			plan && findings
				? [
						{
							label: 'Draft the whole article as a new take',
							also: 'write generate',
							run: () => void draftAll()
						},
						{ label: 'New take with the plan’s headings', run: () => void startWithHeadings() },
						...(take ? [{ label: 'Copy this take', run: () => void copyTake() }] : [])
					]
				: []
		)
	);

	async function addAsStep(label: string, name: string, doc: TakeDoc) {
		let made: Take | null = null;
		await history.run(
			{
				label,
				redo: async () => {
					if (made) await putTake(made);
					else made = await addTake(session.id, name, doc);
				},
				undo: async () => {
					if (made) made = (await deleteTake(made.id)) ?? made;
				}
			},
			{ quiet: session.takes.length === 0 }
		);
		chosen = (made as Take | null)?.id ?? null;
	}

	async function draftAll() {
		if (!plan || !findings) return;
		isDrafting = true;
		try {
			await addAsStep(
				'Drafted a new take',
				'',
				await analysis.draft(session.input, findings, $state.snapshot(plan) as typeof plan)
			);
		} catch (error) {
			toast.error(`Nothing was drafted: ${error instanceof Error ? error.message : String(error)}`);
		} finally {
			isDrafting = false;
		}
	}

	async function startWithHeadings() {
		if (!plan) return;
		const content = headingsOf(plan).flatMap(({ level, text, section }) => [
			{
				type: 'heading',
				attrs: { level, section },
				content: text === '' ? [] : [{ type: 'text', text }]
			},
			{ type: 'paragraph' }
		]);
		await addAsStep('Started a take with the headings', '', { type: 'doc', content });
	}

	async function copyTake() {
		if (take) await addAsStep(`Copied “${take.name}”`, `${take.name} (copy)`, take.doc);
	}

	function removeTake() {
		if (!take) return;
		let gone = take;
		void history.run({
			label: `Took “${take.name}” away`,
			redo: async () => {
				gone = (await deleteTake(gone.id)) ?? gone;
			},
			undo: () => putTake(gone)
		});
		chosen = null;
	}

	/** The built-in drafter's text for one section. */
	async function draftSection(section: string) {
		if (!plan || !findings) return [];
		const doc = await analysis.draft(session.input, findings, $state.snapshot(plan) as typeof plan);
		const from = doc.content.findIndex(
			({ type, attrs }) => type === 'heading' && attrs?.section === section
		);
		const rest = doc.content.slice(from + 1);
		const to = rest.findIndex(
			({ type, attrs }) => type === 'heading' && typeof attrs?.section === 'string'
		);
		return from < 0 ? [] : rest.slice(0, to < 0 ? rest.length : to);
	}
</script>

{#if !plan || !findings}
	<div class="max-w-lg p-8">
		<h1 class="text-xl">The manuscript follows the plan</h1>
		<p class="mt-2 text-ink-2">
			{#if session.progress}The evidence is still being read …{:else}<a
					class="linkish"
					href={resolve('/a/[id]/plan', { id: session.id })}>Propose a plan</a
				> first; then it can be drafted from your notes, or written by hand with the slips beside it.{/if}
		</p>
	</div>
{:else if !take}
	<div class="max-w-xl p-8">
		<h1 class="font-serif text-xl">{plan.title}</h1>
		<p class="mt-2 text-ink-2">
			The built-in drafter writes from {session.noteSigns.size === 0
				? 'your notes, and you have brought none yet: it would leave a gap in every section'
				: session.noteSigns.size === 1
					? 'your one note'
					: `your ${session.noteSigns.size} notes`}, marks every sentence with its origin, and
			leaves a visible gap where {session.noteSigns.size === 1 ? 'it is' : 'they are'} silent.
		</p>
		<p class="mt-4 flex flex-wrap gap-2">
			<button class="act chief" onclick={() => void draftAll()} disabled={isDrafting}
				>{isDrafting ? 'Drafting …' : 'Draft the article'}</button
			>
			<button class="act" onclick={() => void startWithHeadings()}>Start with the headings</button>
		</p>
	</div>
{:else if !runs}
	<p class="p-8 text-ink-2" role="status">Laying out the pages …</p>
{:else}
	{#key `${take.id}`}
		<Manuscript
			{take}
			takes={session.takes}
			{plan}
			{findings}
			{runs}
			{session}
			isDraftingAll={isDrafting}
			onchoose={(id) => (chosen = id)}
			ondraftall={() => void draftAll()}
			onheadings={() => void startWithHeadings()}
			oncopy={() => void copyTake()}
			onremove={removeTake}
			onrename={(name) => void renameTake(take.id, name)}
			{draftSection}
		/>
	{/key}
{/if}
